/**
 * The ring: what lies round the piece after a round has been worked. It is a cyclic run of stitches and
 * chains in working order, with its corners marked, and it offers the places that the next round uses.
 */
import { isWorkedSide, roleOf, type Part } from '../piece/part.ts';
import { remembered } from '../remembered.ts';
import type { StitchKind } from '../terms/stitches.ts';
import { countsAsStitch, isChainRun, isOrnament, topWidth, type Stitch } from './stitch.ts';

/**
 * The centre of a corner: `length` entries of the ring from `start`. A stitch or a chain space is 1 long,
 * a pair of stitches 2. It belongs to neither of the sides that meet there.
 */
export interface Centre {
  readonly start: number;
  readonly length: number;
}

export interface Ring {
  /** Stitches and chain runs in working order. Length is the number of entries of the ring. */
  readonly made: readonly Stitch[];
  /**
   * For every entry, the entry of the ring below that it sits in (for the base round: the spot of the
   * edge), a gap as {@link gapBefore} codes it; {@link IN_NOTHING} for what sits in nothing, as chains do. Same
   * length as `made`.
   */
  readonly into: Int32Array;
  /** One centre for each corner; centre i stands before side i. Empty for a disc. */
  readonly centres: readonly Centre[];
  /** Where groups cross seams between motifs: stitches that stand together as a group, though in several places. */
  readonly seams?: readonly Span[];
  /** Rows along some of the sides alone: the others have no entries, and neither have the corners between them. */
  readonly part?: Part;
}

/**
 * Places that the hook goes into. A `space` is a run of chains; a `gap` lies between two groups, with or without
 * chains over it; a `pair` is the middle of two stitches that share one place; `between` is the space between any two
 * stitches that stand side by side; `either` is a stitch or a chain space, as they come.
 */
export type PlaceKind = 'stitch' | 'space' | 'gap' | 'post' | 'pair' | 'between' | 'either';

/** A side as a run of entries: `length` entries from `start`, counted round the ring. */
export interface Span {
  readonly start: number;
  readonly length: number;
}

/** How many sides the ring has: one for each corner, or a single one that closes on itself on a disc. */
export const sideCount = (ring: Ring): number => Math.max(1, ring.centres.length);

/** The entries strictly between the centre before side `side` and the centre after it. */
export function sideSpan(ring: Ring, side: number): Span {
  const size = ring.made.length;
  if (ring.centres.length === 0) return { start: 0, length: size };
  const before = ring.centres[side]!;
  const after = ring.centres[(side + 1) % ring.centres.length]!;
  const start = (before.start + before.length) % size;
  const whole = ring.centres.length === 1 ? size - before.length : (after.start - start + size) % size;
  return { start, length: whole };
}

/** The side of every entry of a ring; −1 in the middle of a corner. */
export const sideOfEntries = remembered((ring: Ring): Int32Array => {
  const sides = new Int32Array(ring.made.length).fill(-1);
  for (let side = 0; side < sideCount(ring); side++) {
    const { start, length } = sideSpan(ring, side);
    for (let k = 0; k < length; k++) sides[(start + k) % ring.made.length] = side;
  }
  return sides;
});

/** How often each stitch and run of chains stands on a ring, in the order in which they first come. A ring is counted once. */
export const census = remembered(({ made }: Ring): ReadonlyMap<Stitch, number> => {
  const counts = new Map<Stitch, number>();
  for (let i = 0; i < made.length;) {
    const s = made[i]!;
    const start = i;
    while (made[i] === s) i++;
    counts.set(s, (counts.get(s) ?? 0) + i - start);
  }
  return counts;
});

/** Stitch that most of a ring is made of; single crochet when it is chains alone. */
export function mainStitch(ring: Ring): StitchKind {
  const counts = new Map<StitchKind, number>();
  for (const [s, n] of census(ring)) if (countsAsStitch(s)) counts.set(s.kind, (counts.get(s.kind) ?? 0) + n);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'sc';
}

/** Contents of a stretch of a ring. */
export interface Tally {
  readonly stitches: number;
  readonly spaces: number;
  readonly chains: number;
  /** Width of the tops in stitch widths. */
  readonly width: number;
}

/** Counts the entries of a span. */
export function tally(ring: Ring, span: Span): Tally {
  const size = ring.made.length;
  let stitches = 0;
  let spaces = 0;
  let chains = 0;
  let width = 0;
  let last: Stitch | undefined;
  let counts = 0;
  for (let k = 0, i = span.start; k < span.length; k++, i = i + 1 === size ? 0 : i + 1) {
    const s = ring.made[i]!;
    if (s !== last) {
      counts = countsAsStitch(s) ? 1 : 0;
      last = s;
    }
    if (counts === 1) {
      stitches++;
      width++;
    } else {
      if (isChainRun(s)) {
        spaces++;
        chains += s.chains;
      }
      width += topWidth(s);
    }
  }
  return { stitches, spaces, chains, width };
}

/** Counts a side, strictly between its corners' centres. */
export const tallySide = (ring: Ring, side: number): Tally => tally(ring, sideSpan(ring, side));

/** Counts a side as it is told: between its corners' centres, the end stitches of rows with it. */
export function countSide(ring: Ring, side: number): Tally {
  const span = sideSpan(ring, side);
  const [before, after] = endsBeside(ring, side);
  const size = ring.made.length;
  return tally(ring, { start: (span.start - before + size) % size, length: span.length + before + after });
}

/** How many end stitches of rows belong to a side. */
export const endStitches = (ring: Ring, side: number): number =>
  endsBeside(ring, side)[0] + endsBeside(ring, side)[1];

function endsBeside({ part, centres }: Ring, side: number): readonly [before: number, after: number] {
  if (!part || !isWorkedSide(part, side, centres.length)) return [0, 0];
  const at = (corner: number): number =>
    roleOf(part, corner, centres.length) === 'turned' ? 0 : centres[corner]!.length;
  return [at(side), at((side + 1) % centres.length)];
}

/** Counts the whole ring, corners' centres included. */
export function tallyRing(ring: Ring): Tally {
  let [stitches, spaces, chains, width] = [0, 0, 0, 0];
  for (const [s, n] of census(ring)) {
    if (countsAsStitch(s)) stitches += n;
    else if (isChainRun(s)) {
      spaces += n;
      chains += n * s.chains;
    }
    width += n * topWidth(s);
  }
  return { stitches, spaces, chains, width };
}

/** Counts the centre of a corner. */
export const tallyCentre = (ring: Ring, corner: number): Tally => tally(ring, ring.centres[corner]!);

/** Whether a gap lies between entry `i` and the one before it: both belong to groups, and to two different ones. */
function isGapBefore(ring: Ring, i: number): boolean {
  const size = ring.made.length;
  if (ring.seams) {
    const [here, before] = [groupOf(ring, i), groupOf(ring, (i - 1 + size) % size)];
    return here !== IN_NOTHING && before !== IN_NOTHING && here !== before;
  }
  const before = (i - 1 + size) % size;
  const here = ring.into[i]!;
  const there = ring.into[before]!;
  if (here === IN_NOTHING || there === IN_NOTHING || here === there) return false;
  return ring.into[(i + 1) % size] === here && ring.into[(before - 1 + size) % size] === there;
}

/** The group that each entry belongs to, by the place that it shares; each crossing of a seam is one; else {@link IN_NOTHING}. */
const groupsOf = remembered(({ into, seams = [] }: Ring): Int32Array => {
  const size = into.length;
  const groups = into.map((place, k) =>
    place !== IN_NOTHING && (into[(k + 1) % size] === place || into[(k - 1 + size) % size] === place)
      ? place
      : IN_NOTHING,
  );
  seams.forEach(({ start, length }, seam) => {
    for (let k = 0; k < length; k++) groups[(start + k) % size] = CROSSINGS + seam;
  });
  return groups;
});

const groupOf = (ring: Ring, i: number): number => groupsOf(ring)[i]!;

/** Above any place of an edge. */
const CROSSINGS = 1_000_000_000;

/** In {@link Ring.into}: sits in nothing. */
export const IN_NOTHING = -1;

/** The code of the gap before entry `i`, in a list of places and in {@link Ring.into}. */
export const gapBefore = (i: number): number => -2 - i;

export const isGap = (place: number): boolean => place <= -2;

/** The entry that a place stands for: the entry itself, or the one after a gap. */
export const entryOf = (place: number): number => (isGap(place) ? -2 - place : place);

/** The places that a side offers to a round that works into `kinds`, in working order. */
export function placesOnSide(ring: Ring, side: number, kinds: ReadonlySet<PlaceKind>): readonly number[] {
  return placesInSpan(ring, sideSpan(ring, side), kinds);
}

/** As {@link placesOnSide}, for any stretch of the ring. */
export function placesInSpan(ring: Ring, span: Span, kinds: ReadonlySet<PlaceKind>): readonly number[] {
  const size = ring.made.length;
  const either = kinds.has('either');
  const stitches = either || kinds.has('stitch') || kinds.has('post');
  const gaps = kinds.has('gap');
  const spaces = gaps || either || kinds.has('space');
  const pairs = kinds.has('pair');
  const betweens = kinds.has('between');
  const places: number[] = [];
  let last: Stitch | undefined;
  let offers = false;
  for (let k = 0, i = span.start; k < span.length; k++, i = i + 1 === size ? 0 : i + 1) {
    if (
      (gaps && isGapBefore(ring, i)) ||
      (pairs && isPairBefore(ring, i)) ||
      (betweens && isBetweenBefore(ring, i))
    )
      places.push(gapBefore(i));
    const s = ring.made[i]!;
    if (s !== last) {
      offers = isChainRun(s) ? spaces : stitches && !isOrnament(s);
      last = s;
    }
    if (offers) places.push(i);
  }
  // The space before the middle of the next corner belongs to the side that ends there.
  const end = (span.start + span.length) % size;
  const endsAtCorner = span.length < size && ring.centres.some((c) => c.start === end && c.length > 0);
  if (betweens && endsAtCorner && isBetweenBefore(ring, end)) places.push(gapBefore(end));
  return places;
}

/** Whether entry `i` and the one before it are stitches side by side, and no corner lies between them. */
function isBetweenBefore(ring: Ring, i: number): boolean {
  const before = ring.made[(i - 1 + ring.made.length) % ring.made.length]!;
  return (
    countsAsStitch(ring.made[i]!) &&
    countsAsStitch(before) &&
    !ring.centres.some((c) => c.length === 0 && c.start === i)
  );
}

/** Whether entry `i` and the one before it are the two stitches of a pair. */
function isPairBefore(ring: Ring, i: number): boolean {
  const size = ring.made.length;
  const at = (k: number): number => ring.into[(k + size) % size]!;
  const place = at(i);
  return place !== IN_NOTHING && at(i - 1) === place && at(i - 2) !== place && at(i + 1) !== place;
}

/** Whether a place can be worked as one of a kind. */
export function isPlaceOf(ring: Ring, place: number, kind: PlaceKind): boolean {
  if (isGap(place)) return kind === 'gap' || kind === 'pair' || kind === 'between';
  if (isChainRun(ring.made[place]!)) return kind === 'space' || kind === 'gap' || kind === 'either';
  return kind === 'stitch' || kind === 'post' || kind === 'either';
}
