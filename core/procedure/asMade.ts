/** Stitches that stand in place of others of the ring: the step of a spiral, and the stitch that closes a space. */
import { remembered } from '../remembered.ts';
import type { Stitch } from '../ring/stitch.ts';
import type { Procedure } from './acts.ts';
import { orderOfWork } from './order.ts';

/** By the entry of the ring; they count as what is there. Empty for a round that is made as its ring says. */
export const madeInstead = remembered(({ round, start }: Procedure): ReadonlyMap<number, Stitch> => {
  const instead = new Map<number, Stitch>();
  if (start === null) return instead;
  const order = orderOfWork(round);
  start.up.forEach((stitch, k) => instead.set(order.entry(start.at + k), stitch));
  start.down.forEach((stitch, k) => instead.set(order.entry(start.at - start.down.length + k), stitch));
  if (start.close.by === 'stitch') instead.set(start.join, start.close.stitch);
  return instead;
});
