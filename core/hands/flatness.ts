/**
 * Threshold of flatness for these hands and this yarn: the strain from which a side is seen to ripple or to pull in. People differ in
 * what they see, and it is seen earlier or later from one time to another; the threshold is found on a grid, by the likelihood of all
 * that was seen (a probit model; Finney, Probit Analysis, 1947), with some looks that are plainly wrong. The strain itself is only
 * foretold: a hem whose stitches come out wider than they were reckoned errs in all its sides at once (a probit model with an
 * error in the variable; Carroll, Ruppert and Stefanski, Measurement Error in Nonlinear Models, 1995).
 */
import { FLAT_LIMITS, type FlatLimits } from '../flat/flat.ts';
import type { Known } from './hands.schema.ts';
import { RANGE, spreadOf, type Learned } from './ratio.ts';

/** How a side lay, of which a strain was foretold. */
export interface Lay {
  readonly strain: number;
  readonly lies: 'flat' | 'ripples' | 'cups';
}

/** Where the rule of thumb has it seen: between what lies flat and what will not even block out. */
const SEEN_FROM = Math.sqrt(FLAT_LIMITS.flat * FLAT_LIMITS.blocks);
/** Standard deviations of the logarithm: of hands among each other, and of one time from another. */
const SPREAD = 0.35;
const TIMES = 0.38;
/** Share of looks that say nothing. */
const WRONG = 0.06;
/** Looks that count: the latest. */
const LATE = 400;
const REACH = 1.6;
const STEPS = 60;

/** Looks at one hem, and how unsure the width of its stitches was: one standard deviation of a logarithm, shared by all of them. */
export interface LaysOfHem {
  readonly lays: readonly Lay[];
  readonly error: number;
}

/** Strain that has a logarithm, however little it is. */
const LEAST_STRAIN = 1e-4;

/** Points of the grid over the shared error of a hem, in its standard deviations, and their weights. */
const ERRORS: readonly (readonly [z: number, weight: number])[] = Array.from({ length: 15 }, (_, k) => {
  const z = (k - 7) * 0.4;
  return [z, Math.exp((-z * z) / 2)];
});

/** How likely the looks at a hem are for a threshold, a logarithm: over all widths that its stitches may have. */
function likelihood({ lays, error }: LaysOfHem, threshold: number): number {
  let sum = 0;
  let weights = 0;
  for (const [z, weight] of ERRORS) {
    const wider = Math.exp(z * error);
    let product = weight;
    for (const { strain, lies } of lays) {
      const really = (1 + strain) * wider - 1;
      const shows = normalUpTo((Math.log(Math.max(LEAST_STRAIN, Math.abs(really))) - threshold) / TIMES);
      const sides = really > 0 ? 'ripples' : 'cups';
      const likely = lies === 'flat' ? 1 - shows : lies === sides ? shows : 0;
      product *= WRONG / 3 + (1 - WRONG) * likely;
    }
    sum += product;
    weights += weight;
  }
  return sum / weights;
}

/** Learns the threshold from looks, as a ratio to the rule of thumb. Hems the oldest first. */
export function learnFlat(known: Known | null, hems: readonly LaysOfHem[]): Learned {
  const about = Math.log(known?.ratio ?? 1);
  const spread = known ? spreadOf(known, { ...NOTHING_MORE, spread: SPREAD }) : SPREAD;
  let room = LATE;
  // The latest looks are those that count.
  const late = [...hems].reverse().map(({ lays, error }) => {
    const some = lays.slice(Math.max(0, lays.length - room));
    room -= some.length;
    return { lays: some, error };
  });
  const looks = LATE - room;
  let [whole, sum, squares] = [0, 0, 0];
  for (let k = 0; k <= STEPS; k++) {
    const x = about + REACH * ((2 * k) / STEPS - 1);
    const threshold = Math.log(SEEN_FROM) + x;
    const likely = late.reduce((product, one) => product * likelihood(one, threshold), 1);
    const weight = likely * Math.exp(-((x - about) ** 2) / (2 * spread ** 2));
    whole += weight;
    sum += weight * x;
    squares += weight * x * x;
  }
  const mean = whole > 0 ? sum / whole : about;
  const deviation = whole > 0 ? Math.sqrt(Math.max(0, squares / whole - mean ** 2)) : spread;
  return {
    ratio: Math.exp(mean),
    low: Math.exp(mean - RANGE * deviation),
    high: Math.exp(mean + RANGE * deviation),
    basis: looks > 0 ? 'these hands' : (known?.basis ?? 'rule of thumb'),
    observations: looks + (known?.observations ?? 0),
    doubted: [],
  };
}

/** From so large a chance on it is told how a side will lie; below, that it cannot be known. */
const LEAST_SURE = 0.64;

/**
 * How a side will lie for these eyes, over all widths that its stitches may have and all thresholds that are likely.
 *
 * @param error of the width of its stitches, one standard deviation of a logarithm
 * @param threshold that was learned, as a ratio to the rule of thumb
 * @returns null where it cannot be known: nothing is likely enough
 * @example willLie(0.15, 0.03, { ratio: 1, low: 0.5, high: 2, basis: 'rule of thumb', observations: 0 }) // 'ripples'
 */
export function willLie(strain: number, error: number, threshold: Known): Lay['lies'] | null {
  const seenFrom = Math.log(SEEN_FROM * threshold.ratio);
  const apart = Math.hypot(spreadOf(threshold, { ...NOTHING_MORE, spread: SPREAD }), TIMES);
  const chances = { flat: 0, ripples: 0, cups: 0 };
  for (const [z, weight] of ERRORS) {
    const really = (1 + strain) * Math.exp(z * error) - 1;
    const shows = normalUpTo((Math.log(Math.max(LEAST_STRAIN, Math.abs(really))) - seenFrom) / apart);
    chances.flat += weight * (1 - shows);
    chances[really > 0 ? 'ripples' : 'cups'] += weight * shows;
  }
  const whole = chances.flat + chances.ripples + chances.cups;
  const sure = (lies: Lay['lies']): boolean => chances[lies] / whole >= LEAST_SURE;
  return sure('flat') ? 'flat' : sure('ripples') ? 'ripples' : sure('cups') ? 'cups' : null;
}

const NOTHING_MORE = { about: 1, hem: 0, ages: 0, drift: 0 } as const;

/** The limits of what lies flat and what blocks out, for what was learned. */
export const limitsFor = ({ ratio }: Known): FlatLimits => ({
  flat: FLAT_LIMITS.flat * ratio,
  blocks: FLAT_LIMITS.blocks * ratio,
});

/** The normal distribution up to z (Abramowitz and Stegun 1964, 26.2.17; off by less than 1e-7). */
export function normalUpTo(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const tail =
    (Math.exp(-(z * z) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z > 0 ? 1 - tail : tail;
}
