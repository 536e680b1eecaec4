/** Stitches between a join and the nearest corner. */
import type { RoundPlan } from '../plan/types.ts';
import { isChainRun, isOrnament } from '../ring/stitch.ts';
import { orderOfWork } from './order.ts';

/** Stitches between the middle of the corner that is nearest to a join and it. */
export interface Between {
  readonly corner: number;
  /** Those between, where the corner lies before the join; else from the first stitch of the round, it included, on. */
  readonly stitches: number;
  readonly after: boolean;
}

/** How far a join lies from the corner that is nearest; null in the middle of one, and where there is none. */
export function betweenCornerAnd(round: RoundPlan, at: number): Between | null {
  const order = orderOfWork(round);
  const middles = new Map<number, number>();
  round.ring.centres.forEach(({ start, length }, corner) => {
    const from = order.travel === 1 ? start : order.size - start - length;
    for (let k = 0; k < length; k++) middles.set((from + k) % order.size, corner);
  });
  if (middles.size === 0 || middles.has((at + order.size) % order.size)) return null;
  const towards = (step: 1 | -1): Between | null => {
    let stitches = step === 1 && !isChainRun(order.stitch(at)) ? 1 : 0;
    for (let k = 1; k < order.size; k++) {
      const w = (at + step * k + order.size) % order.size;
      const corner = middles.get(w);
      if (corner !== undefined) return { corner, stitches, after: step === -1 };
      const s = order.stitch(w);
      if (!isChainRun(s) && !isOrnament(s)) stitches++;
    }
    return null;
  };
  const [before, beyond] = [towards(-1), towards(1)];
  return before && beyond && beyond.stitches < before.stitches ? beyond : before;
}
