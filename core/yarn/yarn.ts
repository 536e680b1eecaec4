/** How much yarn: the loop path of every stitch, then metres, grams and balls. */
import { legKind, movementsOf } from '../ring/making.ts';
import { STITCHES } from '../terms/stitches.ts';
import { census, type Ring } from '../ring/ring.ts';
import { type Stitch } from '../ring/stitch.ts';
import type { Yarn } from './yarn.schema.ts';

export type { Yarn } from './yarn.schema.ts';

/** Yarn left at each end, to be woven in, metres. */
export const TAIL_M = 0.15;

/** A top loop, and a tassel, cut to 20 widths and folded: stitch widths. */
const TOP = 3.1;
const TASSEL = 40;
/** The hook goes around a post and not into a top: stitch widths more. */
const AROUND_POST = 0.5;
/** The third strand of a herringbone lies aslant: √(1.35² + 1) − 1.35 widths longer than one that is upright. */
const ASLANT = 0.33;

/**
 * Yarn in one stitch by the loop-path rule, mm: the sum of what its hook does. Each top takes 3.1 widths; a loop that is drawn up
 * two strands of the post’s height and two diameters; a yarn-over before it a third strand, and two diameters for each; a loop
 * drawn through at the foot two diameters.
 *
 * @param widthMm stitch width
 * @param diameterMm yarn diameter
 */
export function yarnInStitchMm(s: Stitch, widthMm: number, diameterMm: number): number {
  let [widths, heights, diameters] = [0, 0, 0];
  let loops = 1;
  let wraps = 0;
  let inserted = false;
  for (const movement of movementsOf(s)) {
    switch (movement.do) {
      case 'chain':
        widths += movement.count * TOP;
        break;
      case 'wrap':
        wraps++;
        loops++;
        break;
      case 'insert':
        inserted = true;
        if (s.post !== 'none') widths += AROUND_POST;
        break;
      case 'draw up':
        heights += wraps > 0 ? 3 : 2;
        diameters += 2 + 2 * wraps;
        loops++;
        wraps = 0;
        inserted = false;
        break;
      case 'draw through':
        if (inserted) diameters += 2;
        if (movement.loops > 1 || loops === 1) loops -= movement.loops - 1;
        else if (s.kind === 'hhdc') {
          widths += ASLANT;
          loops--;
        } else diameters += 2;
        if (loops === 1) widths += TOP;
        inserted = false;
        break;
      case 'fold':
        widths += TASSEL;
        break;
      case 'turn the hook':
      case 'pull close':
        break;
    }
  }
  const { height } = STITCHES[legKind(s)];
  return (widths + heights * height) * widthMm + diameters * diameterMm;
}

/** Yarn in a whole ring, metres, without joins and tails. */
export function yarnInRingM(ring: Ring, widthMm: number, diameterMm: number): number {
  let mm = 0;
  for (const [s, n] of census(ring)) mm += n * yarnInStitchMm(s, widthMm, diameterMm);
  return mm / 1000;
}

export interface Quantity {
  readonly metres: number;
  readonly grams: number;
  readonly balls: number;
  /** The estimate may be off by this fraction either way. */
  readonly spread: number;
}

/**
 * Metres as grams and balls by a yarn's label. Balls are rounded up on the high side of the estimate, so
 * that the yarn does not run out; 0 metres is 0 balls.
 */
export function quantity(metres: number, yarn: Yarn, spread: number): Quantity {
  const grams = (metres * 100) / yarn.metresPer100G;
  return { metres, grams, balls: Math.ceil((grams * (1 + spread)) / yarn.ballG), spread };
}
