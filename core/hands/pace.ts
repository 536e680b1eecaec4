/**
 * Working time, by movements of the hook. A pace is said in stitches a minute, as people know it: stitches of four movements, as a
 * half double crochet has them. A single crochet has three, a double five, a bobble of five doubles twenty-one. What goes by
 * beside the stitches is reckoned in movements too, so that quick hands are quick in all: a judgement, in seconds at 18 stitches a
 * minute beside each.
 */
import { movementCount } from '../ring/making.ts';
import { census, type Ring } from '../ring/ring.ts';

/** Movements of the stitches of which a pace counts so many a minute. */
const MOVEMENTS_A_STITCH = 4;

/** Finding the place and chaining up, 10 s; the slip stitch that joins, with a look at the corner, 8 s. */
const BEGIN_AND_JOIN = 22;
/** Cutting a yarn and joining the next, 25 s. */
const NEW_YARN = 30;
/** Turning the piece over, 8 s: a blanket is heavy. */
const TURN = 10;
/** Threading a needle and weaving one end in, 75 s. */
const END_WOVEN_IN = 90;

/** Movements of the stitches of a ring. */
export function movementsInRing(ring: Ring): number {
  let sum = 0;
  for (const [stitch, n] of census(ring)) sum += n * movementCount(stitch);
  return sum;
}

export interface RoundAbout {
  /** Its yarn is joined anew. */
  readonly newYarn: boolean;
  /** The piece is turned before it. */
  readonly turned: boolean;
}

/** Movements’ worth of time that a round takes beside its stitches. */
export const movementsAbout = ({ newYarn, turned }: RoundAbout): number =>
  BEGIN_AND_JOIN + (newYarn ? NEW_YARN : 0) + (turned ? TURN : 0);

/** Minutes of so many movements at a pace, stitches a minute. */
export const minutesOf = (movements: number, pace: number): number => movements / (MOVEMENTS_A_STITCH * pace);

/** Minutes in which so many ends are woven in by hands of a pace. */
export const weavingMinutes = (ends: number, pace: number): number => minutesOf(ends * END_WOVEN_IN, pace);
