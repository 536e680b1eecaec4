/** A place that the hook goes into, as one would point it out to the maker. */
import type { Plan } from '../plan/types.ts';
import { roleOf } from '../piece/part.ts';
import { entryOf, isGap, placesOnSide, sideCount, type PlaceKind } from '../ring/ring.ts';
import { isChainRun, isOrnament } from '../ring/stitch.ts';
import { ahead, cornerBefore } from './order.ts';

export type PlaceOfWork =
  /** Of the piece’s edge: the corner before a side, or a spot of a side by its number from 0 in working order. */
  | { readonly on: 'edge corner'; readonly corner: number }
  | { readonly on: 'edge'; readonly side: number; readonly spot: number }
  /** A corner’s middle: a stitch, the first or the second of two, a chain space, or between the two. */
  | {
      readonly on: 'corner';
      readonly corner: number;
      readonly what: 'stitch' | 'first' | 'second' | 'space' | 'between' | 'picot';
      /** Of the space. */
      readonly chains: number;
    }
  /** On a side, counted among its like from 1 in the order of work, from the corner that the side begins with. */
  | {
      readonly on: 'side';
      readonly side: number;
      readonly kind: PlaceKind;
      readonly number: number;
      /** How many there are on the side. */
      readonly of: number;
      readonly chains: number;
    }
  /** The stitch with which a row begins. */
  | { readonly on: 'row end' }
  /** On a ring without corners, counted from 1 from where the round below was joined. */
  | { readonly on: 'circle'; readonly kind: PlaceKind; readonly number: number; readonly chains: number };

/**
 * Points out a place.
 *
 * @param onto number of the round that it belongs to; −1 for the edge of the piece
 * @param kind what the place is worked as
 * @param joinedAt entry of the ring `onto` in which that round was joined
 */
export function placeOf(
  plan: Plan,
  onto: number,
  place: number,
  kind: PlaceKind,
  travel: 1 | -1,
  joinedAt: number,
): PlaceOfWork {
  if (onto < 0) return spotOf(plan, place);
  const { ring } = plan.rounds[onto]!;
  const size = ring.made.length;
  const entry = entryOf(place);
  for (const [corner, centre] of ring.centres.entries()) {
    const offset = (entry - centre.start + size) % size;
    if (roleOf(ring.part, corner, ring.centres.length) !== 'turned') {
      if (offset === 0 && centre.length > 0 && !isGap(place)) return { on: 'row end' };
      continue;
    }
    // Between the two of a pair, or at a corner without a centre of its own.
    if (isGap(place) && ((centre.length === 2 && offset === 1) || (centre.length === 0 && offset === 0)))
      return { on: 'corner', corner, what: 'between', chains: 0 };
    if (offset >= centre.length || isGap(place)) continue;
    const chain = isChainRun(ring.made[entry]!);
    const first = travel === 1 ? offset === 0 : offset === 1;
    const what = chain
      ? 'space'
      : isOrnament(ring.made[entry]!)
        ? 'picot'
        : centre.length === 2
          ? first
            ? 'first'
            : 'second'
          : 'stitch';
    return { on: 'corner', corner, what, chains: ring.made[entry]!.chains };
  }
  const chains = isGap(place) ? 0 : ring.made[entry]!.chains;
  const kinds = new Set([kind]);
  if (ring.centres.length === 0) {
    const places = inTravel(placesOnSide(ring, 0, kinds), travel);
    const from = places.reduce(
      (best, p, i) =>
        ahead(ring, joinedAt, p, travel) < ahead(ring, joinedAt, places[best]!, travel) ? i : best,
      0,
    );
    const index = places.indexOf(place);
    const number = ((index - from + places.length) % places.length) + 1;
    return { on: 'circle', kind, number, chains };
  }
  // Where a round meets another kind of place than it is written for, it is told as what it is.
  for (const kindHere of new Set([kind, ...KINDS])) {
    for (let side = 0; side < sideCount(ring); side++) {
      const places = inTravel(placesOnSide(ring, side, new Set([kindHere])), travel);
      const index = places.indexOf(place);
      if (index >= 0)
        return { on: 'side', side, kind: kindHere, number: index + 1, of: places.length, chains };
    }
  }
  throw new RangeError(`place ${place} is none of round ${onto}`);
}

const KINDS: readonly PlaceKind[] = ['stitch', 'space', 'gap', 'pair', 'between'];

/** Places of the order of the ring in the order of work. */
export const inTravel = (places: readonly number[], travel: 1 | -1): readonly number[] =>
  travel === 1 ? places : [...places].reverse();

type PlaceOnEdge = Extract<PlaceOfWork, { readonly on: 'edge' | 'edge corner' }>;

/** The spot or the corner of the edge that a place of the base round is. */
export function spotOf({ body }: Plan, place: number): PlaceOnEdge {
  let first = 0;
  for (const [side, edge] of body.edges.entries()) {
    if (place === first) return { on: 'edge corner', corner: side };
    if (place <= first + edge.spots.length) return { on: 'edge', side, spot: place - first - 1 };
    first += edge.spots.length + 1;
  }
  throw new RangeError(`place ${place} is none of the edge`);
}

/** The corner from which the places of a side are counted. */
export const countedFrom = (side: number, corners: number, travel: 1 | -1): number =>
  cornerBefore(side, corners, travel);
