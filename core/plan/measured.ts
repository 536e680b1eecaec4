/** Lessons of a hem’s record for its own rounds: how high they come out, and what lies flat. */
import type { LookedEvent } from './observed.ts';
import { heightSeen, laySeen } from './observed.ts';
import { FLAT_LIMITS } from '../flat/flat.ts';
import { learnFlat, limitsFor } from '../hands/flatness.ts';
import { learnedSince, type Known, type KnownPart } from '../hands/hands.ts';
import type { Learned } from '../hands/ratio.ts';
import type { Outline } from '../piece/outline.ts';
import { judgeRounds } from './judged.ts';
import { Stages } from './stages.ts';
import type { MadeRound } from './types.ts';

interface HeightInputs {
  readonly known: KnownPart | null;
  readonly hookMm: number;
  readonly looks: readonly LookedEvent[];
  /** The rounds that have been begun. */
  readonly begun: readonly MadeRound[];
}

/** Measured heights over what was planned. */
export const heightMeasured = ({ known, hookMm, looks, begun }: HeightInputs): Learned =>
  learnedSince('height', known, `${hookMm}`, heightSeen(looks, begun));

interface FlatInputs {
  readonly known: Known | null;
  readonly looks: readonly LookedEvent[];
  readonly begun: readonly MadeRound[];
  readonly outline: Outline;
  readonly taller: number;
  /** How unsure the width of its stitches is: one standard deviation of its logarithm. */
  readonly error: number;
}

/**
 * Threshold of flatness as it was seen, beside the rule of thumb. How a side lay is told beside the limits of the rule of thumb: what is
 * judged since does not bear on it.
 */
export const flatSeen = ({ known, looks, begun, outline, taller, error }: FlatInputs): Learned =>
  learnFlat(known, [
    {
      lays: laySeen(looks, judgeRounds(new Stages(), begun, { outline, taller, limits: FLAT_LIMITS })),
      error,
    },
  ]);

/** The strains between which a side lies flat, or will block out. */
export const flatLimitsOf = ({ flat }: { readonly flat: Learned }) => limitsFor(flat);
