/** A worked round as its maker meets it: entry by entry in the order of work, whichever way round that runs. */
import type { Plan, RoundPlan } from '../plan/types.ts';
import { IN_NOTHING, entryOf, type Ring } from '../ring/ring.ts';
import type { Stitch } from '../ring/stitch.ts';

export interface InOrder {
  readonly size: number;
  /** 1 where work runs in the order of the ring, −1 where it runs against it. */
  readonly travel: 1 | -1;
  /** The entry of the ring that is worked as number `w`, counted from 0 and round the ring. */
  readonly entry: (w: number) => number;
  readonly stitch: (w: number) => Stitch;
  /** The place of the ring below (or spot of the edge) that it sits in. */
  readonly into: (w: number) => number;
}

export function orderOfWork({ ring, backwards }: RoundPlan): InOrder {
  const size = ring.made.length;
  const travel = backwards ? -1 : 1;
  const entry = (w: number): number => {
    const i = ((w % size) + size) % size;
    return travel === 1 ? i : size - 1 - i;
  };
  return {
    size,
    travel,
    entry,
    stitch: (w) => ring.made[entry(w)]!,
    into: (w) => ring.into[entry(w)]!,
  };
}

/** How many entries a place lies ahead of an entry of the same ring, in the direction of work. */
export function ahead(ring: Ring, from: number, place: number, travel: 1 | -1): number {
  const size = ring.made.length;
  return (((travel * (entryOf(place) - from)) % size) + size) % size;
}

export const sitsSomewhere = (place: number): boolean => place !== IN_NOTHING;

/** Whether a round is of cut strands that are knotted in: it has no beginning. */
export const isKnotted = ({ ring }: RoundPlan): boolean => ring.made.every((s) => s.form === 'tassel');

/** The side that follows a corner in the direction of work. */
export const sideAfter = (corner: number, corners: number, travel: 1 | -1): number =>
  travel === 1 ? corner : (corner - 1 + corners) % corners;

/** The corner that follows a side in the direction of work. */
export const cornerAfter = (side: number, corners: number, travel: 1 | -1): number =>
  travel === 1 ? (side + 1) % corners : side;

/** The corner that a side begins with in the direction of work. */
export const cornerBefore = (side: number, corners: number, travel: 1 | -1): number =>
  travel === 1 ? side : (side + 1) % corners;

/** Names of the sides in the order in which a round meets them from a corner on. */
export function sidesInOrder({ sides }: Plan, from: number, travel: 1 | -1): readonly number[] {
  return sides.map((_, k) =>
    sideAfter((from + travel * k + sides.length * 2) % sides.length, sides.length, travel),
  );
}
