/** Rounds as published patterns print them: a sentence around, or by side; those that are alike once. */
import { isDisc } from '../../piece/outline.ts';
import { shortYarnName } from '../../document/yarnNames.ts';
import { MOST_BY_NAME } from '../../plan/countWords.ts';
import { sidesWorked, type Plan, type RoundPlan } from '../../plan/types.ts';
import { actOf, type Procedure } from '../../procedure/acts.ts';
import { proceduresOf } from '../../procedure/procedure.ts';
import { listWords, namesBySaid } from '../../say/lists.ts';
import { plural } from '../../say/measures.ts';
import type { Language } from '../../terms/stitches.ts';
import { capital } from '../../terms/words.ts';
import { hookLabel } from '../../terms/yarnWeights.ts';
import { placeNoun } from '../placeWords.ts';
import { otherwiseLines, repeatsOf } from '../steps/roundWords.ts';
import type { PatternLine, Section } from '../section.ts';
import { aroundOf, type AroundWords, type PlainTail } from './around.ts';
import { backwardWords, faceWords, rndName } from './begin.ts';
import { bySideLines } from './bySide.ts';
import { rowLines, rowSentence } from './rows.ts';

/** Words of a round before they are laid out. */
interface RoundWords {
  readonly procedure: Procedure;
  /** Hook and facing. */
  readonly face: readonly string[];
  readonly isLast: boolean;
  /** Null where it is told side by side. */
  readonly around: AroundWords | null;
  /** Lines besides the sentence around, or all of them, hook and facing included. */
  readonly lines: readonly PatternLine[];
}

/** A section for each round, or for several that are alike. */
export function roundSections(plan: Plan, language: Language): readonly Section[] {
  const procedures = proceduresOf(plan);
  const words = procedures.map((p) => wordsOf(plan, p, language));
  const sections: Section[] = [];
  const inFullBefore: RoundWords[] = [];
  for (let i = 0; i < words.length; i++) {
    const first = words[i]!;
    // The first that is alike is told in full: none is told as one that is told as another.
    const before = words.slice(0, i).find((w) => isAlike(w, first) && sameYarn(w, first));
    const other = before ? undefined : inFullBefore.find((w) => isAlikeBut(w, first) && sameYarn(w, first));
    if (!before && !other) inFullBefore.push(first);
    let last = i;
    // A round that is told in full stands by itself: what is like it comes as one after it.
    while (
      before &&
      last + 1 < words.length &&
      isAlike(first, words[last + 1]!) &&
      sameYarn(first, words[last + 1]!)
    )
      last++;
    const rounds = words.slice(i, last + 1).map((w) => w.procedure.round);
    const lines = before
      ? asBefore(before, words.slice(i, last + 1))
      : other
        ? asOther(other, first)
        : inFull(first);
    sections.push(sectionOf(plan, rounds, lines, procedures));
    i = last;
  }
  return sections;
}

const sameYarn = (a: RoundWords, b: RoundWords): boolean =>
  a.procedure.round.yarnId === b.procedure.round.yarnId;

function wordsOf(plan: Plan, procedure: Procedure, language: Language): RoundWords {
  const isRow = plan.body.outline.part !== undefined;
  const around = isRow ? rowSentence(plan, procedure, language) : aroundOf(plan, procedure, language);
  const hook = actOf(procedure, 'take hook');
  const own = procedure.round.number === 0 && procedure.round.hookMm !== plan.hem.gauge.hookMm;
  const face = [
    ...(hook ? [`Change ${hook.back ? 'back ' : ''}to hook ${hookLabel(hook.mm, language)}.`] : []),
    ...(own ? [`Hook ${hookLabel(procedure.round.hookMm, language)}.`] : []),
    // Rows are turned at the end of the one before.
    ...(isRow ? [] : faceWords(plan, procedure)),
    ...backwardWords(plan, procedure),
  ];
  const isLast = procedure.round.number === plan.rounds.length - 1;
  if (around) return { procedure, isLast, face, around, lines: otherwiseLines(plan, procedure, language) };
  const bySide = isRow ? rowLines : bySideLines;
  return { procedure, isLast, face, around, lines: bySide(plan, procedure, language, face) };
}

/** Whether two rounds are told in the same words but for what lies before the join. */
function isAlike(a: RoundWords, b: RoundWords): boolean {
  if (!a.around || !b.around || a.face.join() !== b.face.join()) return false;
  if (a.around.begin !== b.around.begin || a.around.middle !== b.around.middle) return false;
  if (joinsYarn(b)) return false;
  // A row that is followed by none is not turned.
  const endsRows = b.isLast && b.procedure.start?.close.by === 'the end of the row';
  if (!endsRows && a.around.join !== b.around.join) return false;
  // Only a slip stitch joins in the same way whatever comes before it.
  const slips = /^(?:change to [^;]+; )?join with /.test(a.around.join);
  const same = typeof a.around.tail === 'string' || typeof b.around.tail === 'string' || !slips;
  if (same && tailKey(a.around.tail) !== tailKey(b.around.tail)) return false;
  return a.lines.length === b.lines.length && a.lines.every((l, i) => l.text === b.lines[i]!.text);
}

/** Whether two rounds of a circle are told in the same sentence, and differ in where they increase. */
function isAlikeBut(a: RoundWords, b: RoundWords): boolean {
  const lines = b.lines.filter((l) => l.kind === 'written');
  if (lines.length === 0 || b.procedure.round.ring.centres.length > 0) return false;
  return (
    isAlike({ ...a, lines: [] }, { ...b, lines: [] }) &&
    tailKey(a.around?.tail ?? null) === tailKey(b.around?.tail ?? null)
  );
}

/** A round that is worked as another, but increases elsewhere: “As Rnd 2, but:” and its own places. */
const asOther = (other: RoundWords, { lines }: RoundWords): readonly PatternLine[] => [
  { kind: 'written', text: `As ${rndName(other.procedure.round.number)}, but:` },
  ...lines,
];

const joinsYarn = ({ procedure }: RoundWords): boolean => procedure.start?.joins ?? false;

function inFull({ face, around, lines }: RoundWords): readonly PatternLine[] {
  if (!around) return lines;
  const { begin, middle, tail, join } = around;
  const work = [begin, middle, tailKey(tail)].filter((words) => words !== '').join(', ');
  const ended = join === '' ? '.' : `; ${join}.`;
  return [{ kind: 'written', text: [...face, `${capital(work)}${ended}`].join(' ') }, ...lines];
}

const tailWords = ({ stitch, kind, count }: PlainTail): string =>
  `${stitch} ${kind === 'post' ? 'around' : 'in'} next ${count === 1 ? '' : `${count} `}${placeNoun(kind, count)}`;

/** Rounds that are worked as one before them: “As Rnd 2, but after the last corner sc in next 3 sts, then join.” */
function asBefore(before: RoundWords, rounds: readonly RoundWords[]): readonly PatternLine[] {
  const as = `As ${rndName(before.procedure.round.number)}`;
  const tails = rounds.map((r) => r.around?.tail ?? null);
  const own = before.around?.tail ?? null;
  if (tails.every((t) => tailKey(t) === tailKey(own))) return [{ kind: 'written', text: `${as}.` }];
  const counts = tails.map((t) => (t === null || typeof t === 'string' ? 0 : t.count));
  const some = tails.find((t): t is PlainTail => t !== null && typeof t !== 'string');
  if (!some) return [{ kind: 'written', text: `${as}, but join right after the last corner.` }];
  const numbers = rounds.map((r) => r.procedure.round.number);
  const words =
    counts.length === 1
      ? tailWords(some)
      : `${some.stitch} ${some.kind === 'post' ? 'around' : 'in'} next ${listWords(counts)} ${placeNoun(some.kind, 2)} in Rnds ${numbers[0]!} to ${numbers[numbers.length - 1]!}`;
  return [{ kind: 'written', text: `${as}, but after the last corner ${words}, then join.` }];
}

const tailKey = (tail: AroundWords['tail']): string =>
  tail === null ? '' : typeof tail === 'string' ? tail : tailWords(tail);

function sectionOf(
  plan: Plan,
  rounds: readonly RoundPlan[],
  lines: readonly PatternLine[],
  procedures: readonly Procedure[],
): Section {
  const first = rounds[0]!;
  const last = rounds[rounds.length - 1]!;
  const next = procedures[last.number + 1];
  const cut = next && actOf(next, 'fasten off');
  const off = cut ? ` ${cut.drawn ? 'Fasten off' : 'Cut'} ${shortYarnName(plan.hem, cut.yarn)}.` : '';
  const isRow = plan.body.outline.part !== undefined && rounds.length === 1;
  const facing = first.number === 0 || isRow ? ` (${first.facing === 'right' ? 'RS' : 'WS'})` : '';
  const told = rounds.map(
    (r) => `(${rounds.length > 1 ? `${rndName(r.number)}: ` : ''}${countsWords(plan, r)})`,
  );
  return {
    heading: `${rounds.length > 1 ? `Rnds ${first.number}–${last.number}` : rndName(first.number)}${facing}`,
    runIn: true,
    lines: [...lines, { kind: 'counts', text: `${told.join(' ')}${off}` }],
    rounds: rounds.map((r) => r.number),
  };
}

/** Counts of a round: “A 97, B 125, C 97, D 125; 448 sts”. */
function countsWords(plan: Plan, round: RoundPlan): string {
  const total = plural(round.total, 'st');
  const repeats = round.written === null ? null : repeatsOf(plan, round);
  const { spaces } = round.sides[0]!.tally;
  if (isDisc(plan.body.outline)) {
    return [total, ...(spaces > 0 ? [plural(spaces, 'ch-sp')] : []), ...repeatWords(plan, repeats)].join(
      '; ',
    );
  }
  const sides = sideCountsWords(plan, round);
  if (sidesWorked(plan).length === 1) {
    const own = round.sides[sidesWorked(plan)[0]!]!.tally;
    return [
      total,
      ...(own.spaces > 0 ? [plural(own.spaces, 'ch-sp')] : []),
      ...repeatWords(plan, repeats && sidesWorked(plan).map((side) => repeats[side]!)),
    ].join('; ');
  }
  return [sides, total, ...repeatWords(plan, repeats)].join('; ');
}

/** Counts from marker to marker: “A 97, B 125, C 97, D 125”. */
export function sideCountsWords(plan: Plan, round: RoundPlan): string {
  const told = sidesWorked(plan).map((side) => {
    const { tally } = round.sides[side]!;
    return tally.spaces > 0
      ? `${plural(tally.stitches, 'st')} and ${plural(tally.spaces, 'ch-sp')}`
      : `${tally.stitches}`;
  });
  const many = told.length > MOST_BY_NAME;
  return many || told.some((t) => t.includes(' ')) ? grouped(plan, told) : bySide(plan, told);
}

function repeatWords(plan: Plan, repeats: readonly number[] | null): readonly string[] {
  if (repeats === null) return [];
  if (repeats.length === 1) return [plural(repeats[0]!, 'repeat')];
  const told = sidesWorked(plan).map((side) => String(repeats[side]!));
  return [`repeats: ${grouped(plan, told)}`];
}

/** Numbers of the sides: “A 97, B 125, C 97, D 125”, or “63 on each side”. */
const bySide = (plan: Plan, told: readonly string[]): string =>
  told.length > 1 && told.every((t) => t === told[0])
    ? `${told[0]!} on each side`
    : told.map((t, i) => `${nameTold(plan, i)} ${t}`).join(', ');

/** Name of one of the sides that are worked, in their order. */
const nameTold = (plan: Plan, i: number): string => plan.sides[sidesWorked(plan)[i]!]!.name;

/** Words for the sides, those that are alike together: “25 on A and C, 32 on B and D”. */
function grouped(plan: Plan, told: readonly string[]): string {
  if (told.every((t) => t === told[0])) return bySide(plan, told);
  const sides = namesBySaid(told.map((t, i) => [nameTold(plan, i), t] as const));
  return [...sides].map(([t, names]) => `${t} on ${listWords(names)}`).join(', ');
}
