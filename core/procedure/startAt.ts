/** A start that was pointed at: the stitch of a round with which it is to begin. */
import type { StartOfRound } from '../base/start.ts';
import type { RoundPlan } from '../plan/types.ts';
import { isChainRun, isOrnament } from '../ring/stitch.ts';
import { orderOfWork, sitsSomewhere } from './order.ts';

/**
 * Where a round begins that is to begin with one of its entries.
 *
 * @param entry of its ring
 * @returns null on a circle, which is counted from wherever it begins
 */
export function startAt(
  round: RoundPlan,
  entry: number,
): Pick<StartOfRound, 'at' | 'side' | 'stitches'> | null {
  const { layout, ring } = round;
  const order = orderOfWork(round);
  const w = order.travel === 1 ? entry : order.size - 1 - entry;
  const within = ({ start, length }: { readonly start: number; readonly length: number }): boolean =>
    (w - start + order.size) % order.size < length;
  const corner = layout.corners.findIndex(within);
  if (corner >= 0) {
    const { start } = layout.corners[corner]!;
    // Its stitches are counted in the order of work; of chains the one before them.
    let stitches = 0;
    for (let k = start; k <= w; k++) if (sitsSomewhere(order.into(k))) stitches++;
    return w === start || stitches === 0
      ? { at: 'whole corner', side: corner, stitches: 1 }
      : { at: 'stitch of the corner', side: corner, stitches };
  }
  const side = layout.sides.findIndex(within);
  if (side < 0 || layout.corners.length === 0 || layout.sides.length < layout.corners.length) return null;
  const { start, length } = layout.sides[side]!;
  const first = order.travel === 1 ? order.entry(start) : order.entry(start + length - 1);
  let stitches = 0;
  for (let i = first; ; i = (i + 1) % order.size) {
    const s = ring.made[i]!;
    if (!isChainRun(s) && !isOrnament(s)) stitches++;
    if (i === entry) return { at: 'counted', side, stitches: Math.max(1, stitches) };
  }
}
