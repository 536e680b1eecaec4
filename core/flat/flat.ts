/**
 * Will it lie flat? A round at height H outside the body must be as long as the outline grown by H. Strain is
 * what it is, by its own stitches, over what it must be, less one: positive ripples, negative draws in.
 */
import { lengthAt, type Outline } from '../piece/outline.ts';
import { sideCount, tally, tallyCentre, tallySide, type Ring } from '../ring/ring.ts';
import { stitchHeight } from '../ring/stitch.ts';

/** Rules of thumb, as fractions: up to `flat` it lies flat, up to `blocks` blocking will settle it. */
export interface FlatLimits {
  readonly flat: number;
  readonly blocks: number;
}

export const FLAT_LIMITS: FlatLimits = { flat: 0.02, blocks: 0.05 };

export type Verdict = 'flat' | 'blocks out' | 'ripples' | 'cups';

/** What a strain will look like. */
export function verdict(strain: number, limits: FlatLimits = FLAT_LIMITS): Verdict {
  const size = Math.abs(strain);
  if (size <= limits.flat) return 'flat';
  if (size <= limits.blocks) return 'blocks out';
  return strain > 0 ? 'ripples' : 'cups';
}

/**
 * Length of a side of a ring by its own stitches, mm: the side strictly between the corners' centres, and
 * half of the centre at either end.
 */
export function naturalLengthMm(ring: Ring, side: number, stitchWidthMm: number): number {
  if (ring.centres.length === 0)
    return tally(ring, { start: 0, length: ring.made.length }).width * stitchWidthMm;
  const after = (side + 1) % sideCount(ring);
  const centres = (tallyCentre(ring, side).width + tallyCentre(ring, after).width) / 2;
  return (tallySide(ring, side).width + centres) * stitchWidthMm;
}

/**
 * Strain of a side.
 *
 * @param naturalMm its own length
 * @param heightMm height of the ring above the body, 0 or more
 * @returns signed fraction; 0 when the outline has no length there
 */
export function strain(naturalMm: number, outline: Outline, side: number, heightMm: number): number {
  const needed = lengthAt(outline, side, heightMm);
  return needed > 0 ? naturalMm / needed - 1 : 0;
}

/** Height that a worked round adds, in stitch widths: that of its tallest stitch. */
export function roundHeight(ring: Ring): number {
  let tallest = 0;
  let last;
  for (const s of ring.made) {
    if (s === last) continue;
    last = s;
    tallest = Math.max(tallest, stitchHeight(s));
  }
  return tallest;
}
