/** The border in hand and those that were put aside, side by side. */
import { isWholeAndEven } from '../plan/types.ts';
import type { Hem } from '../document/hem.ts';
import { createPlanner } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import { gramsAtMost, worstStrain } from './alternatives.ts';

/** Size, yarn and time of a border. */
export interface Compared {
  /** Null for the one in hand. */
  readonly id: string | null;
  readonly blockedSize: Plan['blockedSize'];
  /** Rounds after the base round. */
  readonly rounds: number;
  readonly grams: number;
  readonly balls: number;
  readonly toBuy: number;
  readonly minutes: number;
  /** The strain of its least flat round and side. */
  readonly worst: number;
  readonly even: boolean;
}

/** The hem with a border that was put aside in place of the one in hand; `id` null for the one in hand. */
export function withBorder(hem: Hem, id: string | null): Hem {
  const kept = hem.kept.find((k) => k.id === id);
  return kept ? { ...hem, base: kept.base, rounds: kept.rounds } : hem;
}

/** The border in hand first, then those put aside in their order. */
export function compareBorders(hem: Hem): readonly Compared[] {
  return [null, ...hem.kept.map((k) => k.id)].map((id) => {
    const plan = createPlanner()(withBorder(hem, id));
    const { blockedSize, minutes, rounds, yarns } = plan;
    return {
      id,
      blockedSize,
      rounds: rounds.length - 1,
      grams: yarns.reduce((sum, y) => sum + gramsAtMost(plan, y.yarn.id), 0),
      balls: yarns.reduce((sum, y) => sum + y.quantity.balls, 0),
      toBuy: yarns.reduce((sum, y) => sum + (y.toBuy ?? y.quantity.balls), 0),
      minutes,
      worst: rounds.map(worstStrain).reduce((worst, s) => (Math.abs(s) > Math.abs(worst) ? s : worst), 0),
      even: isWholeAndEven(plan),
    };
  });
}
