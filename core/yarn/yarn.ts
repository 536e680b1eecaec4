/** How much yarn: the loop path of every stitch, then metres, grams and balls. */
import { STITCHES } from '../terms/stitches.ts';
import { census, type Ring } from '../ring/ring.ts';
import { isChainRun, type Stitch } from '../ring/stitch.ts';
import type { Yarn } from './yarn.schema.ts';

export type { Yarn } from './yarn.schema.ts';

/** Yarn left at each end, to be woven in, metres. */
export const TAIL_M = 0.15;

/**
 * Yarn in one stitch by the loop-path rule, mm. Forms that hold several legs in one top take a leg's path for
 * each, and one top; a picot takes its chains and the slip stitch that closes it; a post stitch goes round
 * a post and takes half a width more; a tassel is cut to 20 widths and folded.
 *
 * @param widthMm stitch width
 * @param diameterMm yarn diameter
 */
export function yarnInStitchMm(s: Stitch, widthMm: number, diameterMm: number): number {
  const along = (kind: Stitch['kind']): number => {
    const { path, height } = STITCHES[kind];
    return path.widths * widthMm + path.heights * height * widthMm + path.diameters * diameterMm;
  };
  if (isChainRun(s)) return s.chains * along('ch');
  if (s.form === 'picot') return s.chains * along('ch') + along('slst');
  if (s.form === 'tassel') return 40 * widthMm;
  const top = STITCHES[s.kind].path.widths * widthMm;
  const leg = along(s.kind) - top;
  const round = s.post === 'none' ? 0 : 0.5 * widthMm;
  const closing = s.form === 'popcorn' ? (s.legs - 1) * top : 0;
  return top + s.legs * leg + closing + round;
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
