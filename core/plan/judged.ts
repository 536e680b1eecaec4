/** Every round measured and judged: how high it is, and whether it lies flat on every side. */
import { naturalLengthMm, strain, verdict, type FlatLimits } from '../flat/flat.ts';
import type { Outline } from '../piece/outline.ts';
import { countSide, sideCount } from '../ring/ring.ts';
import type { Stages } from './stages.ts';
import type { MadeRound, PathRound, RoundSide } from './types.ts';

export interface JudgedInputs {
  readonly outline: Outline;
  readonly round: MadeRound;
  /** The round that a free edge is judged by; null for the base round. */
  readonly below: PathRound | null;
  /** Measured over planned heights. */
  readonly taller: number;
  readonly limits: FlatLimits;
}

export function judgeRounds(
  stages: Stages,
  made: readonly MadeRound[],
  by: Pick<JudgedInputs, 'outline' | 'taller' | 'limits'>,
): readonly PathRound[] {
  const judged: PathRound[] = [];
  for (const [k, round] of made.entries())
    judged.push(stages.run(`judged ${k}`, judgeRound, { ...by, round, below: judged[round.onto] ?? null }));
  return judged;
}

function judgeRound({ outline, round: made, below, taller, limits }: JudgedInputs): PathRound {
  const { fits, ...round } = made;
  const heightMm = round.plannedHeightMm * taller;
  const by = round.free && below ? below : { ...round, heightMm };
  const sides = Array.from({ length: sideCount(round.ring) }, (_, side): RoundSide => {
    const natural = naturalLengthMm(by.ring, side, by.stitchWidthMm, by.widths);
    const s = strain(natural, outline, side, by.heightMm, by.radiusMm);
    return {
      tally: countSide(round.ring, side),
      fit: fits && (fits[side] ?? fits[0]!),
      strain: s,
      verdict: verdict(s, limits),
    };
  });
  return { ...round, sides, ownHeightMm: round.plannedOwnHeightMm * taller, heightMm };
}
