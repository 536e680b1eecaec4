/** Stretches of a round in the order of work: what its maker has in hand after so many entries, and what is left. */
import { rememberedBy } from '../remembered.ts';
import { yarnOf } from '../document/hem.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import { movementCount } from '../ring/making.ts';
import { countsAsStitch, type Stitch } from '../ring/stitch.ts';
import { yarnInStitchMm } from '../yarn/yarn.ts';
import { orderOfWork } from './order.ts';
import { proceduresOf } from './procedure.ts';

/** Sums over the first entries of a round, from none to all of them; each array is one longer than its ring. */
interface Sums {
  readonly stitches: Float64Array;
  readonly movements: Float64Array;
  readonly yarnMm: Float64Array;
}

const sumsOf = rememberedBy((plan: Plan, number: number): Sums => {
  const round = plan.rounds[number]!;
  const { diameterMm } = yarnOf(plan.hem, round.yarnId);
  const order = orderOfWork(round);
  const first = proceduresOf(plan)[number]!.start?.at ?? 0;
  const known = new Map<Stitch, readonly [stitches: number, movements: number, yarnMm: number]>();
  const of = (stitch: Stitch) => {
    let found = known.get(stitch);
    if (!found) {
      const mm = yarnInStitchMm(stitch, round.stitchWidthMm, diameterMm);
      known.set(stitch, (found = [countsAsStitch(stitch) ? 1 : 0, movementCount(stitch), mm]));
    }
    return found;
  };
  const sums = {
    stitches: new Float64Array(order.size + 1),
    movements: new Float64Array(order.size + 1),
    yarnMm: new Float64Array(order.size + 1),
  };
  for (let k = 0; k < order.size; k++) {
    const [stitches, movements, mm] = of(order.stitch(first + k));
    sums.stitches[k + 1] = sums.stitches[k]! + stitches;
    sums.movements[k + 1] = sums.movements[k]! + movements;
    sums.yarnMm[k + 1] = sums.yarnMm[k]! + mm;
  }
  return sums;
});

/** A stretch of a round: its stitches, its movements of the hook, and its share of the yarn of the round, 0 to 1. */
export interface Stretch {
  readonly stitches: number;
  readonly movements: number;
  readonly yarn: number;
}

/** From one number of entries made to another. */
export function stretchOf(plan: Plan, round: RoundPlan, from: number, to: number): Stretch {
  const { stitches, movements, yarnMm } = sumsOf(plan, round.number);
  const size = round.ring.made.length;
  const [a, b] = [Math.min(size, Math.max(0, from)), Math.min(size, Math.max(0, to))];
  const over = (sums: Float64Array): number => Math.max(0, sums[b]! - sums[a]!);
  const whole = yarnMm[size]!;
  return {
    stitches: over(stitches),
    movements: over(movements),
    yarn: whole > 0 ? over(yarnMm) / whole : 0,
  };
}

/** How many entries are made when a share of the yarn of a round has been used, 0 to 1. */
export function madeWithYarn(plan: Plan, round: RoundPlan, share: number): number {
  const { yarnMm } = sumsOf(plan, round.number);
  const size = round.ring.made.length;
  const wanted = share * yarnMm[size]!;
  let [low, high] = [0, size];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (yarnMm[middle + 1]! > wanted) high = middle;
    else low = middle + 1;
  }
  return Math.min(low, Math.max(0, size - 1));
}

/** The entry of the ring that is made after so many others. */
export function entryMade(plan: Plan, round: RoundPlan, made: number): number {
  return orderOfWork(round).entry((proceduresOf(plan)[round.number]!.start?.at ?? 0) + made);
}
