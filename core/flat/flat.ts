/**
 * Will it lie flat? A round at height H outside the body must be as long as the outline grown by H. Strain is
 * what it is, by its own stitches, over what it must be, less one: positive ripples, negative draws in.
 */
import type { Body } from '../piece/edge.ts';
import { lengthAt, type Outline } from '../piece/outline.ts';
import { isWorkedSide, roleOf } from '../piece/part.ts';
import {
  IN_NOTHING,
  census,
  entryOf,
  isGap,
  sideCount,
  sideSpan,
  tally,
  type Ring,
  type Span,
} from '../ring/ring.ts';
import { isChainRun, stitchHeight, topWidth } from '../ring/stitch.ts';

/** Rules of thumb, as fractions: up to `flat` it lies flat, up to `blocks` blocking will settle it. */
export interface FlatLimits {
  readonly flat: number;
  readonly blocks: number;
}

export const FLAT_LIMITS: FlatLimits = { flat: 0.02, blocks: 0.05 };

export type Verdict = 'flat' | 'blocks out' | 'ripples' | 'cups';

/** Verdicts from the best to the worst. */
export const FLATNESS: Readonly<Record<Verdict, number>> = { flat: 0, 'blocks out': 1, ripples: 2, cups: 2 };

/** Look of a strain. */
export function verdict(strain: number, limits: FlatLimits = FLAT_LIMITS): Verdict {
  const size = Math.abs(strain);
  if (size <= limits.flat) return 'flat';
  if (size <= limits.blocks) return 'blocks out';
  return strain > 0 ? 'ripples' : 'cups';
}

/**
 * Length of a side of a ring by its own stitches, mm: the side strictly between the corners' centres, and
 * half of the centre at either end, or the whole end stitch of a row. Of a side that is not worked 0.
 *
 * @param widths of the ring's entries in stitch widths, as {@link entryWidths} gives them
 */
export function naturalLengthMm(
  ring: Ring,
  side: number,
  stitchWidthMm: number,
  widths: Float32Array | null,
): number {
  if (!isWorkedSide(ring.part, side, ring.centres.length)) return 0;
  const over = (span: Span): number => {
    if (widths === null) return tally(ring, span).width;
    let sum = 0;
    for (let k = 0; k < span.length; k++) sum += widths[(span.start + k) % widths.length]!;
    return sum;
  };
  if (ring.centres.length === 0) return over({ start: 0, length: ring.made.length }) * stitchWidthMm;
  const after = (side + 1) % sideCount(ring);
  // The end stitch of a row belongs to its side.
  const share = (corner: number): number =>
    roleOf(ring.part, corner, ring.centres.length) === 'turned' ? 1 / 2 : 1;
  const centres = over(ring.centres[side]!) * share(side) + over(ring.centres[after]!) * share(after);
  return (over(sideSpan(ring, side)) + centres) * stitchWidthMm;
}

/**
 * Width of every entry of a ring, in stitch widths. Stitches take their own. Chains give way: from one place
 * that is worked into to the next they fill what the stitches leave of the distance, down to nothing, and up to
 * their own length; only where they are too short do they pull. The chains of a corner's centre lie on the
 * diagonal and keep their length.
 *
 * @param feetOf tells where the places that it is worked into lie
 * @returns null when every entry is one stitch wide, as on a ring without chains
 */
export function entryWidths(ring: Ring, feetOf: () => FootPlaces): Float32Array | null {
  if (![...census(ring).keys()].some(isChainRun)) return null;
  const size = ring.made.length;
  const widths = new Float32Array(size);
  for (let i = 0; i < size; i++) widths[i] = topWidth(ring.made[i]!);
  const feet = feetOf();
  const centre = new Set(
    ring.centres.flatMap((c) => (c.length === 0 ? [] : [c.start % size, (c.start + c.length - 1) % size])),
  );
  const gives = (i: number): boolean => isChainRun(ring.made[i]!) && !centre.has(i);
  const starts: number[] = [];
  let before = ring.into[workedBefore(ring, 0)]!;
  for (let i = 0; i < size; i++) {
    const place = ring.into[i]!;
    if (place === IN_NOTHING) continue;
    if (place !== before) starts.push(i);
    before = place;
  }
  for (let n = 0; n < starts.length; n++) {
    const start = starts[n]!;
    const next = starts[(n + 1) % starts.length]!;
    const distance = feet.at(ring.into[next]!) - feet.at(ring.into[start]!);
    let room = distance < 0 ? distance + feet.whole : distance;
    let chains = 0;
    for (let i = start; i !== next; i = (i + 1) % size) {
      if (!isChainRun(ring.made[i]!)) room -= widths[i]!;
      else if (gives(i)) chains += ring.made[i]!.chains;
    }
    if (chains === 0) continue;
    const share = Math.min(chains, Math.max(0, room)) / chains;
    for (let i = start; i !== next; i = (i + 1) % size) {
      if (gives(i)) widths[i] = ring.made[i]!.chains * share;
    }
  }
  return widths;
}

/** Where places lie along the edge or ring that a round is worked into, in its stitch widths. */
export interface FootPlaces {
  readonly at: (place: number) => number;
  /** Length all round. */
  readonly whole: number;
}

/** Feet on a ring with known widths; stitches of another width are brought to the round's own by `scale`. */
export function feetOnRing(below: Ring, widths: Float32Array | null, scale: number): FootPlaces {
  const at = new Float64Array(below.made.length + 1);
  for (let i = 0; i < below.made.length; i++) {
    at[i + 1] = at[i]! + scale * (widths?.[i] ?? topWidth(below.made[i]!));
  }
  return {
    at: (place) => {
      const i = entryOf(place);
      return isGap(place) ? at[i]! : (at[i]! + at[i + 1]!) / 2;
    },
    whole: at[below.made.length]!,
  };
}

/** Feet on the spots of a piece's edges, as the base round numbers them. */
export function feetOnBody({ edges }: Body, stitchWidthMm: number): FootPlaces {
  const at: number[] = [];
  let sum = 0;
  for (const edge of edges) {
    at.push(sum);
    for (const { lengthMm } of edge.spots) {
      at.push(sum + lengthMm / 2 / stitchWidthMm);
      sum += lengthMm / stitchWidthMm;
    }
  }
  return { at: (spot) => at[spot]!, whole: sum };
}

/** The nearest entry before `i` that sits in something. */
function workedBefore(ring: Ring, i: number): number {
  const size = ring.made.length;
  for (let k = 1; k < size; k++) {
    const before = (i - k + size) % size;
    if (ring.into[before] !== IN_NOTHING) return before;
  }
  return i;
}

/**
 * Strain of a side.
 *
 * @param naturalMm its own length
 * @param heightMm height of the ring above the body, 0 or more
 * @param radiusMm of the arcs at its corners; 0 for points
 * @returns signed fraction; 0 when the outline has no length there, and where nothing is worked
 */
export function strain(
  naturalMm: number,
  outline: Outline,
  side: number,
  heightMm: number,
  radiusMm = 0,
): number {
  if (!isWorkedSide(outline.part, side, outline.turns.length)) return 0;
  const needed = lengthAt(outline, side, heightMm, radiusMm);
  return needed > 0 ? naturalMm / needed - 1 : 0;
}

/** Height that a worked round adds, in stitch widths: that of its tallest stitch. */
export function roundHeight(ring: Ring): number {
  let tallest = 0;
  for (const s of census(ring).keys()) tallest = Math.max(tallest, stitchHeight(s));
  return tallest;
}
