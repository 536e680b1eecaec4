/** Markers of the corners in a pattern that runs past them: which turn of the repeat holds each. */
import type { Plan, RoundPlan } from '../plan/types.ts';
import { orderOfWork } from './order.ts';
import { proceduresOf } from './procedure.ts';

export interface MarkerInRepeat {
  readonly corner: number;
  /** The turn of the repeat that holds it, from 1, counted from the start of the round. */
  readonly repeat: number;
  /** How far into that turn its corner lies, in entries of the ring. */
  readonly at: number;
}

/** The markers of a round that runs past the corners, in the order of work; empty for any other. */
export function markersPast(plan: Plan, round: RoundPlan): readonly MarkerInRepeat[] {
  if (round.written?.recipe.scope !== 'ring' || round.ring.centres.length === 0) return [];
  const order = orderOfWork(round);
  const from = proceduresOf(plan)[round.number]!.start?.at ?? 0;
  const since = (w: number): number => (((w - from) % order.size) + order.size) % order.size;
  const begins = round.layout.sides[0]!.repeats.map(since).sort((a, b) => a - b);
  return round.ring.centres
    .map(({ start, length }, corner) => {
      const w = since(order.travel === 1 ? start : order.size - start - Math.max(1, length));
      const repeat = begins.findLastIndex((b) => b <= w);
      // Before the first whole turn the round ends with the last.
      return repeat < 0
        ? { corner, repeat: begins.length, at: w - (begins[begins.length - 1] ?? 0) + order.size }
        : { corner, repeat: repeat + 1, at: w - begins[repeat]! };
    })
    .sort((a, b) => a.repeat - b.repeat || a.at - b.at);
}

/** Corners at which the pattern lies alike, each set together. */
export function cornersAlike(markers: readonly MarkerInRepeat[]): readonly (readonly number[])[] {
  const sets = new Map<number, number[]>();
  for (const { corner, at } of markers)
    sets.set(
      at,
      [...(sets.get(at) ?? []), corner].sort((a, b) => a - b),
    );
  return [...sets.values()];
}
