/** Will the yarn last? Where each ball runs out, and how far the rest goes. */
import type { Plan, RoundPlan, YarnPlan } from '../plan/types.ts';
import { sideCount, sideSpan, type Ring } from '../ring/ring.ts';

/** The end of a ball: the round and side in which it is expected, and the rounds between which it may fall. */
export interface BallEnd {
  readonly yarnId: string;
  /** From 1. */
  readonly ball: number;
  readonly round: number;
  readonly side: number;
  /** Rounds in which it ends if the estimate is as far too low, or too high, as its range allows. */
  readonly earliest: number;
  readonly latest: number;
}

/** Ends of all balls that a plan uses up, in the order in which they are expected. */
export function ballEnds(plan: Plan): readonly BallEnd[] {
  const ends = plan.yarns.flatMap((y) => endsOf(plan, y));
  return ends.sort((a, b) => a.round - b.round || a.side - b.side);
}

function endsOf(plan: Plan, { yarn, quantity }: YarnPlan): readonly BallEnd[] {
  const ballM = (yarn.ballG * yarn.metresPer100G) / 100;
  const rounds = plan.rounds.filter((r) => r.yarnId === yarn.id);
  const whole = rounds.reduce((sum, r) => sum + r.yarnM, 0);
  const ends: BallEnd[] = [];
  for (let ball = 1; ball * ballM < whole; ball++) {
    const at = placeOf(rounds, ball * ballM);
    const early = placeOf(rounds, (ball * ballM) / (1 + quantity.spread));
    const late = placeOf(rounds, (ball * ballM) / (1 - quantity.spread));
    ends.push({ yarnId: yarn.id, ball, ...at, earliest: early.round, latest: late.round });
  }
  return ends;
}

/** Where so many metres of the rounds in one yarn have been used; the end of the last round if they never are. */
function placeOf(
  rounds: readonly RoundPlan[],
  metres: number,
): { readonly round: number; readonly side: number } {
  let used = 0;
  for (const round of rounds) {
    if (used + round.yarnM > metres) {
      return { round: round.number, side: sideAt(round.ring, (metres - used) / round.yarnM) };
    }
    used += round.yarnM;
  }
  const last = rounds[rounds.length - 1]!;
  return { round: last.number, side: sideCount(last.ring) - 1 };
}

/** The side at a fraction of a round, from the corner before side 0. */
function sideAt(ring: Ring, fraction: number): number {
  const entry = Math.floor(fraction * ring.made.length);
  for (let side = sideCount(ring) - 1; side > 0; side--) {
    if (entry >= sideSpan(ring, side).start) return side;
  }
  return 0;
}

/** How a yarn in the basket compares with what the plan takes of it. */
export type Supply = 'lasts' | 'may run out' | 'runs out' | 'not said';

/** Judges a yarn by the range of its estimate. */
export function supplyOf({ yarn, quantity }: YarnPlan): Supply {
  if (yarn.haveG === null) return 'not said';
  if (yarn.haveG >= quantity.grams * (1 + quantity.spread)) return 'lasts';
  return yarn.haveG >= quantity.grams * (1 - quantity.spread) ? 'may run out' : 'runs out';
}
