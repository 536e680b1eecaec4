/** Base rounds as far as they have been made. */
import type { Plan } from '../plan/types.ts';
import { orderOfWork } from '../procedure/order.ts';
import { spotOf } from '../procedure/place.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import type { Stitch } from '../ring/stitch.ts';
import { progressOf } from './progress.ts';

/** A spot of the edge by its side and its number there, from 0. */
export interface EdgeSpot {
  readonly side: number;
  readonly spot: number;
}

/** Spot that a stitch of the base round goes into, by its number in the order of work; null for corners and chains. */
export function spotWorked(plan: Plan, made: number): EdgeSpot | null {
  const place = orderOfWork(plan.rounds[0]!).into((proceduresOf(plan)[0]!.start?.at ?? 0) + made);
  const at = place < 0 ? null : spotOf(plan, place);
  return at?.on === 'edge' ? at : null;
}

/** Spots of the edge that are worked into, in the order of work. */
export const spotsMade = (plan: Plan): readonly EdgeSpot[] =>
  Array.from({ length: progressOf(plan).made }, (_, k) => spotWorked(plan, k)).flatMap((s) => s ?? []);

/** Whether what has been made of the base round is the same in both plans, stitch by stitch. */
export function sameSoFar(before: Plan, after: Plan, made: number): boolean {
  const all = (plan: Plan): readonly (readonly [number, Stitch])[] => {
    const order = orderOfWork(plan.rounds[0]!);
    const first = proceduresOf(plan)[0]!.start?.at ?? 0;
    return Array.from({ length: made }, (_, k) => [order.into(first + k), order.stitch(first + k)]);
  };
  const then = all(after);
  return all(before).every(([place, stitch], k) => place === then[k]![0] && stitch === then[k]![1]);
}
