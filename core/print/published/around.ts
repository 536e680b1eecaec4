/**
 * A round in one sentence around, as published patterns have it, where all sides and all corners are alike: “Ch 1, sc in same st,
 * sc in each st to next marked st, *3 sc in marked st, pm in 2nd, sc in each st to next marked st; rep from * 2 more times, …”.
 */
import { held } from '../../held.ts';
import { printSteps, printStitch } from '../../notation/print.ts';
import { isDisc } from '../../piece/outline.ts';
import type { Plan } from '../../plan/types.ts';
import {
  actOf,
  actsOf,
  sideActs,
  type ActOf,
  type Along,
  type Procedure,
  type Worked,
} from '../../procedure/acts.ts';
import { orderOfWork, type InOrder } from '../../procedure/order.ts';
import { sidePattern, type RecipeStep } from '../../ring/recipe.ts';
import type { PlaceKind } from '../../ring/ring.ts';
import type { Language } from '../../terms/stitches.ts';
import { markOf } from '../steps/cornerWords.ts';
import { eachPlace, placeNoun } from '../placeWords.ts';
import { alongWords } from '../steps/sideWords.ts';
import { isThere } from '../../procedure/first.ts';
import { firstWorkOf } from '../../procedure/candidates.ts';
import {
  begun,
  firstThere,
  groupThere,
  joinWords,
  liftWords,
  madeWith,
  sameWords,
  wayWords,
} from './begin.ts';
import { cornerWords, countedIn, markWords, markedIn, type AlongRing, type CornerWords } from './corners.ts';
import { listed, stitchesIn } from './parts.ts';

export interface PlainTail {
  readonly stitch: string;
  readonly kind: PlaceKind;
  readonly count: number;
}

export interface AroundWords {
  /** Beginning, as far as it is alike for rounds that begin alike. */
  readonly begin: string;
  /** From the first side to the last corner. */
  readonly middle: string;
  /** Between the last corner and the join: so many plain stitches, other words, or nothing. */
  readonly tail: PlainTail | string | null;
  readonly join: string;
  /** In short: what is repeated along a side, and what goes into a corner; null where there is none. */
  readonly side: string;
  readonly corner: string | null;
}

/** The sentence of a round; null where its sides or its corners differ, or a corner has no middle to be named by. */
export function aroundOf(plan: Plan, procedure: Procedure, language: Language): AroundWords | null {
  const start = actOf(procedure, 'start');
  const join = actOf(procedure, 'join');
  const [first, ...others] = sideActs(procedure);
  const { round } = procedure;
  if (!start || !join || !first || first.along.into === 'edge' || round.written === null) return null;
  if (round.written.recipe.surface || start.stitch.form === 'reverse') return null;
  const along = first.along;
  const way = alongWords(along, language, round);
  if (others.some((side) => alongWords(side.along, language, round) !== way)) return null;
  if (isDisc(plan.body.outline)) {
    const words = circleOf({ plan, procedure, start, join, along, language });
    return words && { ...words, side: shortSide(along, language), corner: null };
  }
  if (round.layout.sides.length < plan.sides.length) return null;
  const corner = cornerWords(procedure, along, language);
  if (corner === null) return null;
  // Of two stitches each takes its own.
  if (start.beginning.in === 'corner' && corner.place === 'marked sts') return null;
  const words = withCorners({ plan, procedure, start, join, along, language, corner });
  return { ...words, side: shortSide(along, language), corner: corner.short };
}

interface Parts {
  readonly plan: Plan;
  readonly procedure: Procedure;
  readonly start: ActOf<'start'>;
  readonly join: ActOf<'join'>;
  readonly along: AlongRing;
  readonly language: Language;
}

type Sentence = Omit<AroundWords, 'side' | 'corner'>;

function withCorners(parts: Parts & { readonly corner: CornerWords }): Sentence {
  const { plan, procedure, start, join, along, language, corner } = parts;
  const side = sideWords(along, corner.place, language);
  const corners = plan.sides.length;
  const around = (stretch: string, count: number): string =>
    count === 0 ? '' : `*${listed(stretch, corner.words)}; rep from * ${times(count)}`;
  const way = wayWords(plan, procedure, start, language);
  const lift = liftWords(start, language);
  const begin = (...words: readonly string[]): string => begun(way, lift, ...words);
  const joined = joinWords(plan, join, language);
  const { beginning } = start;
  if (beginning.in === 'corner') {
    const order = orderOfWork(procedure.round);
    const acts = actsOf(procedure, 'corner').filter((a) => a.corner === beginning.corner);
    const last = held(
      acts.find((a) => a.part !== 'first'),
      'a round that begins in a corner works it',
    );
    const ended = acts.find((a) => a.part === 'first');
    const made = madeWith(start);
    if (ended === undefined && made === 0)
      return {
        begin: begin(),
        middle: `*${corner.words}, ${side}; rep from * around`,
        tail: null,
        join: joined,
      };
    const mark = markOf(order, procedure.round.layout.corners[beginning.corner]!, last.centre);
    const rest = { start: last.worked.start + made, length: last.worked.length - made };
    const there = inCorner(order, rest, start, procedure, language);
    if (ended === undefined)
      return {
        begin: begin(there, markWords(mark, 0, made === 1 && there === '')),
        middle: listed(around(side, corners - 2), side),
        tail: null,
        join: joined,
      };
    // The part that ends the round comes first in the corner: its stitches are counted from there.
    const before = countedIn(order, ended.worked);
    const later = markedIn(mark, before, order, ended.worked);
    return {
      begin: begin(there, later ? '' : markWords(mark, before, false)).concat(
        ' (the rest of this corner ends the rnd)',
      ),
      middle: listed(around(side, corners - 2), side),
      tail: listed(
        inCorner(order, ended.worked, start, procedure, language),
        later ? markWords(mark, 0, false) : '',
      ),
      join: joined,
    };
  }
  /** From a start on a side: all sides at once where the first of them goes on as they do. */
  const allRound = (ofFirst: string): string =>
    ofFirst === side ? around(side, corners - 1) : listed(ofFirst, corner.words, around(side, corners - 2));
  if (along.into === 'each') {
    const { from, upTo } = plainEnds(procedure);
    const there = firstThere(procedure, start, language);
    return {
      begin: begin(there),
      middle: allRound(from > 0 ? side : ''),
      tail: plainTail(parts, upTo),
      join: joined,
    };
  }
  const { repeat, step } = beginning.in === 'repeat' ? beginning : { repeat: 0, step: null };
  const { inTheFirst, atTheEnd } = repeatEnds(parts, repeat, step);
  const more = along.repeats - repeat > (step !== null && step < 0 ? 0 : 1);
  return {
    begin: begin(inTheFirst),
    middle: allRound(
      listed(more ? bodyWords(along, corner.place, language) : '', tailWords(along, language)),
    ),
    tail: atTheEnd === '' ? null : atTheEnd,
    join: joined,
  };
}

function circleOf(parts: Parts): Sentence | null {
  const { plan, procedure, start, join, along, language } = parts;
  const way = wayWords(plan, procedure, start, language);
  const lift = liftWords(start, language);
  const joined = joinWords(plan, join, language);
  const begin = (words: string): string => begun(way, lift, words);
  if (along.into === 'each') {
    const there = firstThere(procedure, start, language);
    return { begin: begin(there), middle: eachWords(along, 'around', language), tail: null, join: joined };
  }
  const { head, tail } = sidePattern(along.steps);
  // A single turn has nothing to be repeated, by which its sentence could be told from its beginning.
  if (head.length + tail.length > 0 || along.repeats < 2) return null;
  const { inTheFirst, atTheEnd } = repeatEnds(parts, 0, null);
  return {
    begin: begin(inTheFirst),
    middle: `[${printSteps(sidePattern(along.steps).body, language)}] around`,
    tail: atTheEnd === '' ? null : atTheEnd,
    join: joined,
  };
}

/** Plain stitches before the join, counted where each place takes one. */
function plainTail({ procedure, along, language }: Parts, count: number): AroundWords['tail'] {
  if (count === 0 || along.into !== 'each') return null;
  const uneven = sideActs(procedure).some((a) => a.along.into === 'each' && a.along.changes.length > 0);
  const stitch = printStitch(along.stitch, language);
  return uneven ? eachWords(along, 'to the join', language) : { stitch, kind: along.kind, count };
}

const times = (count: number): string => (count === 1 ? 'once more' : `${count} more times`);

/** Work along a whole side, up to the next corner. */
function sideWords(along: AlongRing, corner: string, language: Language): string {
  if (along.into === 'each') return eachWords(along, `to next ${corner}`, language);
  const { head, body } = sidePattern(along.steps);
  return listed(
    head.length > 0 ? printSteps(head, language) : '',
    body.length > 0 ? bodyWords(along, corner, language) : '',
    tailWords(along, language),
  );
}

/** The repeat of a side, without where it ends. */
function shortSide(along: AlongRing, language: Language): string {
  if (along.into === 'each') return `${printStitch(along.stitch, language)} ${eachPlace(along.kind)}`;
  const { head, body, tail } = sidePattern(along.steps);
  return listed(
    printSteps(head, language),
    body.length > 0 ? `[${printSteps(body, language)}] across` : '',
    printSteps(tail, language),
  );
}

const eachWords = (
  { stitch, kind }: Extract<Along, { into: 'each' }>,
  until: string,
  language: Language,
): string => `${printStitch(stitch, language)} ${eachPlace(kind)} ${until}`;

type Repeats = Extract<Along, { into: 'repeats' }>;

function bodyWords({ steps, lastPlaces }: Repeats, corner: string, language: Language): string {
  const { body, tail } = sidePattern(steps);
  const noun = [...tail, ...body].find((s) => s.do !== 'make');
  const kind =
    noun === undefined ? 'stitch' : noun.do === 'skip' ? noun.of : noun.do === 'work' ? noun.into : 'stitch';
  const until =
    lastPlaces === 0
      ? `to next ${corner}`
      : `to last ${lastPlaces === 1 ? '' : `${lastPlaces} `}${placeNoun(kind, lastPlaces)} before next ${corner}`;
  return `[${printSteps(body, language)}] across ${until}`;
}

const tailWords = ({ steps }: Repeats, language: Language): string =>
  printSteps(sidePattern(steps).tail, language);

/** The first stitches of a round that begins in a turn of its repeat, and what of the side is left for its end. */
function repeatEnds(
  { start, along, language }: Pick<Parts, 'start' | 'along' | 'language'>,
  repeat: number,
  step: number | null,
): { readonly inTheFirst: string; readonly atTheEnd: string } {
  if (along.into !== 'repeats') return { inTheFirst: '', atTheEnd: '' };
  const { head, body } = sidePattern(along.steps);
  if (step !== null && step < 0) {
    const own = head[head.length + step];
    return {
      inTheFirst: listed(
        own?.do === 'work' ? firstOfRepeat(own, madeWith(start), start, language) : '',
        printSteps(head.slice(head.length + step + 1), language),
      ),
      atTheEnd: printSteps(head.slice(0, head.length + step), language),
    };
  }
  const at = step ?? firstWorkOf(body);
  const first = body[at];
  const before = body.slice(0, at);
  const made = madeWith(start);
  const begun = first?.do === 'work' ? firstOfRepeat(first, made, start, language) : '';
  return {
    inTheFirst: listed(begun, printSteps(body.slice(at + 1), language)),
    atTheEnd: listed(
      printSteps(head, language),
      repeat > 0 ? `[${printSteps(body, language)}] ${repeat === 1 ? 'once' : `${repeat} times`}` : '',
      printSteps(before, language),
    ),
  };
}

function firstOfRepeat(
  step: Extract<RecipeStep, { do: 'work' }>,
  made: number,
  start: ActOf<'start'>,
  language: Language,
): string {
  const [only] = step.what;
  if (only?.form === 'together')
    return `${printStitch(only, language)} over same ${placeNoun(step.into, 1)} and next ${only.legs === 2 ? '' : `${only.legs - 1} `}${placeNoun(step.into, only.legs - 1)}`;
  return listed(
    groupThere(step.what.slice(made), sameWords(start, language), language),
    step.times > 1 ? printSteps([{ ...step, times: step.times - 1 }], language) : '',
  );
}

/** Places of the side of a plain round that are left after its first stitches, and that are left for its end. */
function plainEnds(procedure: Procedure): { readonly from: number; readonly upTo: number } {
  const order = orderOfWork(procedure.round);
  const places = (part: ActOf<'side'>['part']): number => {
    const act = actsOf(procedure, 'side').find((a) => a.part === part);
    if (!act) return 0;
    return new Set(Array.from({ length: act.worked.length }, (_, k) => order.into(act.worked.start + k)))
      .size;
  };
  return { from: places('from the start') - 1, upTo: places('up to the start') };
}

/** Stitches of a part of the corner that is begun, in its one place. */
function inCorner(
  order: InOrder,
  worked: Worked,
  start: ActOf<'start'>,
  procedure: Procedure,
  language: Language,
): string {
  const stitches = stitchesIn(order, worked);
  if (stitches.length === 0) return '';
  const after = worked.start === start.worked.start ? '' : afterFirst(procedure, start, language);
  return groupThere(stitches, `${sameWords(start, language)}${after}`, language);
}

/** At the end of a round the place of its first stitch is named by that. */
function afterFirst(
  { start: begun }: Procedure,
  { worked, stitch, first, way }: ActOf<'start'>,
  language: Language,
): string {
  if (begun === null || worked.length === 0 || isThere(first) || way.by === 'around the close') return '';
  return ` as first ${printStitch({ ...stitch, loop: 'both' }, language)}`;
}
