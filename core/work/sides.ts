/** To which side the entries of a ring belong. */
import type { Plan } from '../plan/types.ts';
import { orderOfWork, type InOrder } from '../procedure/order.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import { sideOfEntries, type Ring } from '../ring/ring.ts';
import { countsAsStitch } from '../ring/stitch.ts';

/** Stitches of a side that lie before an entry, from the middle of the corner, or the end of the row, on, in the order of work. */
export function stitchesBefore(ring: Ring, order: InOrder, w: number): number {
  const sides = sideOfEntries(ring);
  const side = sides[order.entry(w)];
  let count = 0;
  let k = w - 1;
  for (; k > w - order.size && sides[order.entry(k)] === side; k--) {
    if (countsAsStitch(order.stitch(k))) count++;
  }
  // The end stitch of a row is counted with its side.
  const { part, centres } = ring;
  const isEnd = (corner: number | undefined): boolean =>
    corner !== undefined && centres[corner]!.length > 0 && centres[corner]!.start === order.entry(k);
  return isEnd(part?.first) || isEnd(part?.last) ? count + 1 : count;
}

/** Which sides of a round are made from corner to corner when so many of its entries are. */
export function finishedSides(plan: Plan, number: number, made: number): readonly boolean[] {
  const round = plan.rounds[number]!;
  const order = orderOfWork(round);
  const sides = sideOfEntries(round.ring);
  const whole = round.sides.map(() => true);
  for (let k = made; k < order.size; k++) {
    const side = sides[order.entry((proceduresOf(plan)[number]!.start?.at ?? 0) + k)]!;
    if (side >= 0) whole[side] = false;
  }
  return whole;
}
