/** To which side the entries of a ring belong. */
import { remembered } from '../remembered.ts';
import type { Plan } from '../plan/types.ts';
import { orderOfWork, type InOrder } from '../procedure/order.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import { sideCount, sideSpan, type Ring } from '../ring/ring.ts';
import { countsAsStitch } from '../ring/stitch.ts';

/** The side of every entry of a ring; −1 in the middle of a corner. */
export const sideOfEntries = remembered((ring: Ring): Int32Array => {
  const sides = new Int32Array(ring.made.length).fill(-1);
  for (let side = 0; side < sideCount(ring); side++) {
    const { start, length } = sideSpan(ring, side);
    for (let k = 0; k < length; k++) sides[(start + k) % ring.made.length] = side;
  }
  return sides;
});

/** Stitches of a side that lie before an entry, from the middle of the corner on, in the order of work. */
export function stitchesBefore(ring: Ring, order: InOrder, w: number): number {
  const sides = sideOfEntries(ring);
  const side = sides[order.entry(w)];
  let count = 0;
  for (let k = w - 1; k > w - order.size && sides[order.entry(k)] === side; k--) {
    if (countsAsStitch(order.stitch(k))) count++;
  }
  return count;
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
