/** The step in hand, in words that are followed with the hook in hand. */
import { held } from '../held.ts';
import { isDisc } from '../piece/outline.ts';
import { printGroup, printStitch } from '../notation/print.ts';
import type { Plan } from '../plan/types.ts';
import { orderOfWork, type InOrder } from '../procedure/order.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import { madeInstead } from '../procedure/asMade.ts';
import type { Act, ActOf, Procedure } from '../procedure/acts.ts';
import { IN_NOTHING } from '../ring/ring.ts';
import { placesTaken, type Stitch } from '../ring/stitch.ts';
import type { Language } from '../terms/stitches.ts';
import { WORDS, capital, inTerms } from '../terms/words.ts';
import type { WorkStep } from './steps.ts';
import { cornerActWords } from '../print/steps/cornerWords.ts';
import { ordinal } from '../say/lists.ts';
import { plural } from '../say/measures.ts';
import { cornerName, sideLabel } from '../print/placeWords.ts';
import { isThere } from '../procedure/first.ts';
import { firstNoun, startLines } from '../print/steps/startWords.ts';
import { placedWords, placeInCorner } from '../print/steps/placedWords.ts';
import { joinLines } from '../print/steps/endWords.ts';
import { isRowEnd } from '../print/steps/rowWords.ts';
import { roundIn, saidOfRows } from '../plan/roundNames.ts';
import { Places } from './stepPlaces.ts';

export interface StepWords {
  /** Where it is done: “Side B”, “Corner C”, “Round 3 begins”. */
  readonly where: string;
  /** Work of the step, in a sentence or several. */
  readonly now: readonly string[];
  /** Which it is of those that make the side; null where there is only one. */
  readonly turn: string | null;
}

export function stepWords(plan: Plan, round: number, step: WorkStep, language: Language): StepWords {
  const procedure = proceduresOf(plan)[round]!;
  const said = saidOfRows(plan);
  const name = capital(roundIn(plan, round));
  if (step.does === 'begin') {
    return { where: `${name} begins`, now: startLines(plan, procedure, language).map(said), turn: null };
  }
  if (step.does === 'end') {
    const lines = joinLines(plan, procedure, language);
    return {
      where: `${name} ends`,
      now: lines.length > 0 ? lines : [said('This round needs no join.')],
      turn: null,
    };
  }
  const { then } = step;
  return {
    where: whereWords(plan, step),
    now: then
      ? [
          madeWords(plan, procedure, { ...step, to: then.from }, language),
          `${whereWords(plan, then)}: ${madeWords(plan, procedure, then, language)}`,
        ]
      : [madeWords(plan, procedure, step, language)],
    turn: turnWords(step),
  };
}

function whereWords(plan: Plan, { where }: WorkStep): string {
  if (where.on === 'corner')
    return isRowEnd(plan, where.corner) ? 'End stitch' : `Corner ${cornerName(plan, where.corner)}`;
  if (where.on === 'round' || isDisc(plan.body.outline)) return 'All around';
  return sideLabel(plan, where.side);
}

function turnWords({ turn }: WorkStep): string | null {
  if (!turn) return null;
  return turn.of === 'repeats'
    ? `${ordinal(turn.first)} of ${turn.all}`
    : turn.first === turn.last
      ? `${turn.first} of ${turn.all}`
      : `${turn.first}–${turn.last} of ${turn.all}`;
}

function madeWords(plan: Plan, procedure: Procedure, step: WorkStep, language: Language): string {
  const act = held(step.act, 'a step along a round has an act');
  const there =
    step.from === 0 && procedure.start && isThere(procedure.start.first)
      ? ` The ${firstNoun(procedure.start.first)} is the first of them.`
      : '';
  const asUsual = madeInstead(procedure).size === 0;
  if (asUsual && act.do === 'corner' && act.part === 'whole' && act.worked.length === step.to - step.from)
    return `${capital(cornerActWords(plan, procedure, act, language))}.${there}`;
  if (act.do === 'corner' && act.part === 'first') return cornerEnd(plan, procedure, act, language);
  return `${capital(stretchWords(plan, procedure, step, language))}.${there}`;
}

/** The first part of a corner, which ends the round that its last part began. */
function cornerEnd(plan: Plan, procedure: Procedure, act: ActOf<'corner'>, language: Language): string {
  const order = orderOfWork(procedure.round);
  const isLeftOut = procedure.start?.close.by === 'stitch';
  const { start, length } = act.worked;
  const worked = { start, length: isLeftOut ? length - 1 : length };
  const words = placedWords(order, worked, language, (place) =>
    placeInCorner(plan, procedure, act, place, 'the place where the round began'),
  );
  return `${capital(words)}.`;
}

/** Stitches that go into one place, with what comes before them; those alike in a row are one run. */
interface Run {
  /** Chains and ornaments made before, which go into no place. */
  readonly before: readonly Stitch[];
  /** Places passed over, and what they are called where they are not all of the kind that is worked into. */
  readonly skipped: number;
  readonly skippedNoun: string | null;
  readonly stitches: readonly Stitch[];
  /** Noun for the place. */
  readonly noun: string;
  /** Which way a post is worked along, where that changes from one to the next; else empty. */
  readonly way: string;
  /** It goes into the next place, the one that the last stitches went into, or back into one that was passed over. */
  readonly which: 'next' | 'same' | 'skipped';
  times: number;
}

/** A stretch of a round, place by place. */
function stretchWords(plan: Plan, procedure: Procedure, step: WorkStep, language: Language): string {
  const { round, start } = procedure;
  const order = orderOfWork(round);
  const first = start?.at ?? 0;
  const instead = madeInstead(procedure);
  const stitchAt = (made: number): Stitch =>
    instead.get(order.entry(first + made)) ?? order.stitch(first + made);
  // What a closing stitch stands for is left out.
  const to = step.to === order.size && start?.close.by === 'stitch' ? step.to - 1 : step.to;
  const places = new Places(plan, procedure, language);
  const runs: Run[] = [];
  let loose: Stitch[] = [];
  let last = step.from === 0 ? null : usedBefore(order, first + step.from, step.act, places);
  for (let made = step.from; made < to;) {
    const place = order.into(first + made);
    const stitches: Stitch[] = [stitchAt(made)];
    while (
      place !== IN_NOTHING &&
      made + stitches.length < to &&
      order.into(first + made + stitches.length) === place &&
      placesTaken(stitchAt(made + stitches.length)) === placesTaken(stitches[0]!)
    ) {
      stitches.push(stitchAt(made + stitches.length));
    }
    made += stitches.length;
    const used = places.usedBy(first + made - stitches.length);
    const over = !used || last?.number === undefined ? 0 : places.over(last.number, used.from);
    const which = place !== IN_NOTHING && place === last?.place ? 'same' : over < 0 ? 'skipped' : 'next';
    const skipped = which === 'next' ? over : 0;
    const noun = places.nounOf(place);
    if (noun === null) {
      loose.push(...stitches);
      continue;
    }
    const passed =
      skipped > 0
        ? onlyNoun(places, held(last?.number, 'what is skipped lies behind a place'), skipped)
        : null;
    const skippedNoun = round.onto < 0 || passed !== noun ? passed : null;
    const way = used && isScale(procedure, stitches) ? SCALE_WAYS[used.from % 2]! : '';
    const run: Run = { before: loose, skipped, skippedNoun, stitches, noun, way, which, times: 1 };
    loose = [];
    const previous = runs[runs.length - 1];
    if (previous && canJoin(previous, run)) previous.times++;
    else runs.push(run);
    last = {
      place: used?.last ?? place,
      number: used && which !== 'skipped' ? used.to : last?.number,
    };
  }
  const words = runs.map((run) => runWords(run, language));
  const told = [...withoutRepeats(words), ...looseWords(loose, language)];
  return told.length === 0
    ? `no ${looseWords([order.stitch(first + to)], language).join('')} here: what closes the round stands for it`
    : told.join(', ');
}

/** A scale goes down one post of a pair and up the other. */
const SCALE_WAYS = [' downward', ' upward'] as const;

const isScale = ({ round }: Procedure, [stitch]: readonly Stitch[]): boolean =>
  round.written?.recipe.surface === true && stitch !== undefined && stitch.post !== 'none';

/** Noun for places that are passed over; null when they are of several kinds. */
function onlyNoun(places: Places, last: number, skipped: number): string | null {
  const nouns = [...places.nounsAfter(last, skipped)];
  return nouns.length === 1 ? nouns[0]! : null;
}

/** Longest stretch that is told once with its repeats. */
const MOST_REPEATED = 8;

/** Runs that come several times in a row, told once: “[a, b] 3 times”. */
function withoutRepeats(words: readonly string[]): readonly string[] {
  const told: string[] = [];
  for (let i = 0; i < words.length;) {
    let [length, times] = [1, 1];
    for (let n = 2; n <= MOST_REPEATED; n++) {
      let k = i + n;
      while (k < words.length && words[k] === words[k - n]) k++;
      const found = Math.floor((k - i) / n);
      if (found > 1 && found * n > length * times) [length, times] = [n, found];
    }
    const once = words.slice(i, i + length);
    told.push(...(times === 1 ? once : [`[${once.join(', ')}] ${times} times`]));
    i += length * times;
  }
  return told;
}

const looseWords = (loose: readonly Stitch[], language: Language): readonly string[] =>
  loose.map((s) => printStitch(s, language));

interface Used {
  readonly place: number;
  /** Number of the last place that was used; undefined before there is one. */
  readonly number: number | undefined;
}

/** Place that was used last before an entry of an act; a side begins beside its corner, whatever was used before that. */
function usedBefore(order: InOrder, at: number, act: Act | null, places: Places): Used | null {
  const side = act?.do === 'side' && act.part !== 'from the start' ? act : null;
  const begins = side && places.beginOf(side.side);
  const earliest = side && begins !== undefined ? side.worked.start : at - order.size + 1;
  let place: number | null = null;
  let number: number | undefined;
  for (let w = at - 1; w >= earliest; w--) {
    const here = order.into(w);
    if (here === IN_NOTHING) continue;
    const used = places.usedBy(w);
    place ??= used?.last ?? here;
    if (!used) continue;
    // What went back lies behind what was used before it.
    if (number !== undefined && places.over(number, used.to) < 0) break;
    number = used.to;
    if (!places.goBack) break;
  }
  if (number !== undefined) return { place: held(place, 'a round begins at a place'), number };
  if (side && begins !== undefined)
    return { place: place ?? IN_NOTHING, number: held(begins, 'a round begins at a place') - 1 };
  return place === null ? null : { place, number: undefined };
}

const alike = (a: readonly Stitch[], b: readonly Stitch[]): boolean =>
  a.length === b.length && a.every((s, i) => s === b[i]);

const canJoin = (a: Run, b: Run): boolean =>
  a.skipped === b.skipped &&
  a.skippedNoun === b.skippedNoun &&
  a.which === 'next' &&
  b.which === 'next' &&
  a.noun === b.noun &&
  a.way === b.way &&
  alike(a.before, b.before) &&
  alike(a.stitches, b.stitches);

/** Stitches taken together with a place that was worked into before. */
const seam = (noun: string, taken: number): string =>
  noun === 'corner space' || noun === 'corner stitch'
    ? 'the one beyond the seam'
    : taken === 2
      ? 'the next'
      : `the next ${taken - 1}`;

function runWords(run: Run, language: Language): string {
  const { before, skipped, skippedNoun, stitches, noun, way, which, times } = run;
  const { skip } = WORDS[language];
  const group = `${stitches.length === 1 ? '1 ' : ''}${printGroup(stitches, language)}`;
  const into = stitches[0]!.post === 'none' ? 'in' : 'around';
  const taken = Math.max(...stitches.map(placesTaken));
  const plain = before.length === 0 && skipped === 0 && taken === 1;
  if (which === 'skipped') {
    const there = `${into} the ${inTerms('skipped', language)} ${noun}`;
    return [...looseWords(before, language), `${group} ${there}`].join(', ');
  }
  if (which === 'same') {
    const there = taken > 1 ? `over the same ${noun} and ${seam(noun, taken)}` : `${into} the same ${noun}`;
    return [...looseWords(before, language), `${group} ${there}`].join(', ');
  }
  if (plain && times > 1) return `${group} ${into} each of the next ${plural(times, noun)}`;
  const parts = [
    ...looseWords(before, language),
    ...(skipped === 0 ? [] : [`${skip} ${skippedNoun === null ? skipped : plural(skipped, skippedNoun)}`]),
    taken > 1 ? `${group} over the next ${plural(taken, noun)}` : `${group} ${into} the next ${noun}${way}`,
  ].join(', ');
  return times > 1 ? `[${parts}] ${times} times` : parts;
}
