/** End of the side in hand, before it is reached: what is left up to the corner, and whether it goes otherwise than on the side before. */
import type { Plan } from '../plan/types.ts';
import { actsOf } from '../procedure/acts.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import type { Language } from '../terms/stitches.ts';
import { progressOf, stepInHand, stretchLeft } from './progress.ts';
import { stepsOf, type WorkStep } from './steps.ts';
import { stepWords } from './stepWords.ts';

export interface SideEnd {
  readonly side: number;
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
  if (!round || rest?.does !== 'make' || rest.where.on !== 'side') return null;
  const { side } = rest.where;
  const left = piecesOf(plan, round.number, rest);
  if (left.length > NEAR) return null;
  const whole = { ...rest, turn: null };
  return {
    side,
    steps: left.length,
    stitches: stretchLeft(plan, round, made, rest.to).stitches,
    words: stepWords(plan, round.number, whole, language).now.join(' '),
    over: overOf(plan, round.number, side),
    unlike: unlikeBefore(plan, round.number, side, language),
  };
}

const piecesOf = (plan: Plan, round: number, { from, to }: WorkStep): readonly WorkStep[] =>
  stepsOf(plan, round, 'repeat').filter((s) => s.does === 'make' && s.to > from && s.from < to);

/** Only patterns end in a way of their own; rounds of one stitch in each place end as they go. */
function unlikeBefore(plan: Plan, round: number, side: number, language: Language): SideEnd['unlike'] {
  const sides = actsOf(proceduresOf(plan)[round]!, 'side').filter(({ part }) => part !== 'from the start');
  const at = sides.findIndex((act) => act.side === side);
  const before = sides[at - 1];
  const act = sides[at];
  if (before?.along.into !== 'repeats' || act?.along.into !== 'repeats') return null;
  const ending = (of: number): string => {
    const worked = stepsOf(plan, round, 'side').filter((s) => s.where.on === 'side' && s.where.side === of);
    return worked
      .flatMap((s) => piecesOf(plan, round, s))
      .slice(-ENDING)
      .flatMap((s) => stepWords(plan, round, s, language).now)
      .join(' ');
  };
  const ends = ending(side);
  if (ends !== ending(before.side)) return { side: before.side, ends };
  return overOf(plan, round, side) === overOf(plan, round, before.side)
    ? null
    : { side: before.side, ends: null };
}

function overOf(plan: Plan, round: number, side: number): number {
  const act = actsOf(proceduresOf(plan)[round]!, 'side').findLast((a) => a.side === side);
  return act?.along.into === 'repeats' ? act.along.leftOver : 0;
}
