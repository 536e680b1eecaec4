/** End of the side in hand, before it is reached: what is left up to the corner, and whether it goes otherwise than on the side before. */
import type { Plan } from '../plan/types.ts';
import { actsOf, type ActOf } from '../procedure/acts.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import type { Language } from '../terms/stitches.ts';
import { progressOf, stepInHand, stretchLeft } from './progress.ts';
import { stepsOf, type WorkStep } from './steps.ts';
import { stepWords } from './stepWords.ts';

export interface SideEnd {
  readonly side: number;
  /** It ends at a corner; else where the round began. */
  readonly atCorner: boolean;
  /** Steps of a repeat, or of ten stitches, that are left; and the stitches that they make. */
  readonly steps: number;
  readonly stitches: number;
  /** All that is still made of it, in a sentence. */
  readonly words: string;
  /** Places passed over before the corner, since the pattern does not come out even. */
  readonly over: number;
  /** The side that was worked before it in the round, where this one ends otherwise; how this one ends, null where only what is passed over differs. */
  readonly unlike: { readonly side: number; readonly ends: string | null } | null;
}

/** Steps of a repeat, or of ten stitches, from which on the end of a side is told. */
const NEAR = 3;
/** Pieces of a pattern that are its end: the last repeat, and what follows it. */
const ENDING = 2;

/** The end of the side in hand from its third last repeat on; null before, and elsewhere. */
export function sideEndOf(plan: Plan, language: Language): SideEnd | null {
  const { round, made } = progressOf(plan);
  const rest = round && stepInHand(plan, 'side');
  if (!round || rest?.does !== 'make' || rest.where.on !== 'side' || rest.act?.do !== 'side') return null;
  const { act, to } = rest;
  const left = piecesOf(plan, round.number, act).filter((s) => s.to > made);
  if (left.length > NEAR) return null;
  return {
    side: rest.where.side,
    atCorner: act.part !== 'up to the start',
    steps: left.length,
    stitches: stretchLeft(plan, round, made, to).stitches,
    words: stepWords(plan, round.number, { ...rest, turn: null }, language).now.join(' '),
    over: overOf(act),
    unlike: unlikeBefore(plan, round.number, act, language),
  };
}

type Side = ActOf<'side'>;

const piecesOf = (plan: Plan, round: number, act: Side): readonly WorkStep[] =>
  stepsOf(plan, round, 'repeat').filter((s) => s.does === 'make' && s.act === act);

/** Only patterns end in a way of their own; rounds of one stitch in each place end as they go. */
function unlikeBefore(plan: Plan, round: number, act: Side, language: Language): SideEnd['unlike'] {
  const sides = actsOf(proceduresOf(plan)[round]!, 'side');
  const before = sides[sides.indexOf(act) - 1];
  if (act.part === 'up to the start' || before?.along.into !== 'repeats' || act.along.into !== 'repeats')
    return null;
  const ending = (of: Side): string =>
    piecesOf(plan, round, of)
      .slice(-ENDING)
      .flatMap((s) => stepWords(plan, round, s, language).now)
      .join(' ');
  const ends = ending(act);
  if (ends !== ending(before)) return { side: before.side, ends };
  return overOf(act) === overOf(before) ? null : { side: before.side, ends: null };
}

/** Where a round begins along a side, what is over is passed over at the corner, not at the end of the round. */
const overOf = ({ part, along }: Side): number =>
  along.into === 'repeats' && part !== 'up to the start' ? along.leftOver : 0;
