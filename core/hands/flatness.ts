/**
 * What still lies flat for these hands and this yarn: the strain from which a side is seen to ripple or to pull in. People differ in
 * what they see, and it is seen earlier or later from one time to another; the threshold is found on a grid, by the likelihood of all
 * that was seen (a probit model; Finney, Probit Analysis, 1947), with some looks that are plainly wrong.
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
const TIMES = 0.3;
/** Share of looks that say nothing. */
const WRONG = 0.06;
/** Looks that count: the latest. */
const LATE = 400;
const REACH = 1.6;
const STEPS = 60;

/** What was seen teaches of the threshold, as a ratio to the rule of thumb. */
export function learnFlat(known: Known | null, seen: readonly Lay[]): Learned {
  const about = Math.log(known?.ratio ?? 1);
  const spread = known ? spreadOf(known, { about: 1, spread: SPREAD, drift: 0 }) : SPREAD;
  // A side that ripples where it should pull in tells of a count or a gauge, not of what is seen.
  const telling = seen
    .slice(-LATE)
    .filter((s) => s.lies === 'flat' || s.strain > 0 === (s.lies === 'ripples'))
    .map((s) => ({ flat: s.lies === 'flat', size: Math.log(Math.max(1e-4, Math.abs(s.strain))) }));
  let [whole, sum, squares] = [0, 0, 0];
  for (let k = 0; k <= STEPS; k++) {
    const x = about + REACH * ((2 * k) / STEPS - 1);
    const threshold = Math.log(SEEN_FROM) + x;
    const likely = telling.reduce((product, { flat, size }) => {
      const shows = normalUpTo((size - threshold) / TIMES);
      return product * (WRONG / 2 + (1 - WRONG) * (flat ? 1 - shows : shows));
    }, 1);
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
    basis: telling.length > 0 ? 'these hands' : (known?.basis ?? 'rule of thumb'),
    observations: telling.length + (known?.observations ?? 0),
    doubted: [],
  };
}

/** The limits of what lies flat and what blocks out, for what was learned. */
export const limitsFor = ({ ratio }: Known): FlatLimits => ({
  flat: FLAT_LIMITS.flat * ratio,
  blocks: FLAT_LIMITS.blocks * ratio,
});

/** The normal distribution up to z (Abramowitz and Stegun 1964, 26.2.17; off by less than 1e-7). */
function normalUpTo(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const tail =
    (Math.exp(-(z * z) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z > 0 ? 1 - tail : tail;
}
