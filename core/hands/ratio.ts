/**
 * Learns a ratio, of findings over forecasts, from observations. The logarithm of the ratio is normal before
 * anything was observed, about 0 with the spread of the rule of thumb; every observation measures it with an error of its own,
 * and what is observed drifts from day to day. Errors have longer tails than a normal distribution: people mistype. They are
 * taken as Student’s t, fitted by weights that are found again until they stay (Lange, Little and Taylor, Robust Statistical
 * Modeling Using the t Distribution, 1989); the spread of the mean is that of the weighted precisions.
 */
import type { Known } from './hands.schema.ts';

/** Something observed. */
export interface Observation {
  /** Finding over forecast; above 0. */
  readonly ratio: number;
  /** One standard deviation of its logarithm, by the way in which it was measured. */
  readonly error: number;
  /** A swatch was made for it; otherwise it comes from the work itself. */
  readonly swatch?: boolean;
}

/** Knowledge of a ratio, and numbers of observations that are so far off that they look like a slip of the pen. */
export interface Learned extends Known {
  readonly doubted: readonly number[];
}

/** Knowledge beforehand, as standard deviations of the logarithm. */
export interface Prior {
  /** Where the rule of thumb lies, as a ratio; 1 unless something else of these hands is known. */
  readonly about: number;
  readonly spread: number;
  /** From one hem to another: a mood, a chair, a yarn that splits. */
  readonly hem: number;
  /** How far hands move from one hem to the next for good: what was learned long ago tells less. */
  readonly ages: number;
  /** From one day to another. */
  readonly drift: number;
}

/** Degrees of freedom of the errors: few enough that a slip by a factor of ten has next to no weight. */
const FREEDOM = 4;
const ROUNDS = 30;
/** A logarithm that moves by less is found. */
const SETTLED = 1e-7;
/** How far hems lie apart is taken to be known as if from so many hems; a slip on one counts for no more than so many variances. */
const HEMS_BEFORE = 3;
const MOST_APART = 6;
/** Standard deviations to either side of a range. */
export const RANGE = 1.9;
/** From so many standard deviations, and from such a factor on, an observation is doubted. */
const DOUBT = 6;
const DOUBT_FACTOR = 2;

/** Observations of one hem, on top of what is known beforehand. @example learn([], { about: 1, spread: 0.1, hem: 0.05, ages: 0.01, drift: 0.03 }).ratio // 1 */
export function learn(
  observations: readonly Observation[],
  { about, spread: among, hem, drift }: Prior,
): Learned {
  const spread = Math.hypot(among, hem);
  const logs = observations.map((o) => Math.log(o.ratio));
  const variances = observations.map((o) => o.error ** 2 + drift ** 2);
  const first = Math.log(about);
  // The median is where a slip cannot pull it; the rule of thumb is one voice among them.
  let mean = median([first, ...logs]);
  let precision = 1 / spread ** 2;
  for (let k = 0; k < ROUNDS; k++) {
    precision = 1 / spread ** 2;
    let sum = first * precision;
    logs.forEach((x, i) => {
      const far = (x - mean) ** 2 / variances[i]!;
      const weight = (FREEDOM + 1) / (FREEDOM + far) / variances[i]!;
      precision += weight;
      sum += weight * x;
    });
    const before = mean;
    mean = sum / precision;
    if (Math.abs(mean - before) < SETTLED) break;
  }
  return learned(observations, mean, Math.sqrt(1 / precision + drift ** 2), drift);
}

/** @param deviation of what is observed next, as a logarithm */
function learned(
  observations: readonly Observation[],
  mean: number,
  deviation: number,
  drift: number,
): Learned {
  const doubted = observations.flatMap((o, i) => (isFarOff(o, { mean, drift }) ? [i] : []));
  const trusted = observations.filter((_, i) => !doubted.includes(i));
  return {
    ratio: Math.exp(mean),
    low: Math.exp(mean - RANGE * deviation),
    high: Math.exp(mean + RANGE * deviation),
    basis: trusted.length === 0 ? 'rule of thumb' : trusted.every((o) => o.swatch) ? 'swatch' : 'these hands',
    observations: observations.length,
    doubted,
  };
}

/**
 * Observations of several hems, the oldest first: what is common to them, for a hem that is to come. Hems differ from each other, so
 * that many observations of one count for little more than one hem, and hands change, so that the latest count for more: a
 * hierarchical model with a random walk (Gelman and Hill, Data Analysis Using Regression and Multilevel Models, 2007), fitted by the
 * same weights at both levels.
 */
export function learnAcross(
  hems: readonly (readonly Observation[])[],
  { about, spread, hem, ages, drift }: Prior,
): Learned {
  const first = Math.log(about);
  const known = hems.map((seen, k) => ({
    logs: seen.map((o) => Math.log(o.ratio)),
    variances: seen.map((o) => o.error ** 2 + drift ** 2),
    walked: (hems.length - 1 - k) * ages ** 2,
    mean: 0,
  }));
  for (const one of known) one.mean = median([first, ...one.logs]);
  let mean = median([first, ...known.filter((one) => one.logs.length > 0).map((one) => one.mean)]);
  let precision = 1 / spread ** 2;
  let apartness = hem ** 2;
  let total = Infinity;
  for (let k = 0; k < ROUNDS; k++) {
    precision = 1 / spread ** 2;
    let sum = first * precision;
    let [squares, told] = [HEMS_BEFORE * hem ** 2, HEMS_BEFORE];
    for (const one of known) {
      if (one.logs.length === 0) continue;
      let [own, weighed] = [0, 0];
      one.logs.forEach((x, i) => {
        const far = (x - one.mean) ** 2 / one.variances[i]!;
        const weight = (FREEDOM + 1) / (FREEDOM + far) / one.variances[i]!;
        own += weight;
        weighed += weight * x;
      });
      const apart = apartness + one.walked;
      one.mean = (mean / apart + weighed) / (1 / apart + own);
      const variance = 1 / own + apart;
      const found = weighed / own;
      const far = (found - mean) ** 2 / variance;
      const weight = (FREEDOM + 1) / (FREEDOM + far) / variance;
      squares += Math.min(MOST_APART * hem ** 2, Math.max(0, (found - mean) ** 2 - 1 / own));
      // The mean lies near those of which it is made: each tells of how far apart they are by what is left of it.
      told += Math.max(0, 1 - weight / total);
      precision += weight;
      sum += weight * found;
    }
    const before = mean;
    mean = sum / precision;
    apartness = squares / told;
    total = precision;
    if (Math.abs(mean - before) < SETTLED) break;
  }
  return learned(hems.flat(), mean, Math.sqrt(1 / precision + apartness + ages ** 2 + drift ** 2), drift);
}

interface Centre {
  /** Of the logarithm. */
  readonly mean: number;
  readonly drift: number;
}

function isFarOff({ ratio, error }: Observation, { mean, drift }: Centre): boolean {
  const off = Math.abs(Math.log(ratio) - mean);
  return off > DOUBT * Math.hypot(error, drift) && off > Math.log(DOUBT_FACTOR);
}

/** Whether something that is about to be noted looks like a slip of the pen, by what is known. */
export const looksLikeASlip = (seen: Observation, known: Known, usual: Prior): boolean =>
  isFarOff(seen, { mean: Math.log(known.ratio), drift: Math.hypot(usual.drift, spreadOf(known, usual)) });

/** How sure what is known is of a hem that is to come, as the standard deviation of its logarithm, without the drift of days. */
export const spreadOf = ({ low, high }: Known, { drift }: Prior): number =>
  Math.sqrt(Math.max(LEAST_SPREAD ** 2, (Math.log(high / low) / (2 * RANGE)) ** 2 - drift ** 2));

/** How sure what is common to all hems is. */
export const spreadOfMean = (known: Known, usual: Prior): number =>
  Math.sqrt(Math.max(LEAST_SPREAD ** 2, spreadOf(known, usual) ** 2 - usual.hem ** 2 - usual.ages ** 2));

/** Nobody’s hands are known better. */
const LEAST_SPREAD = 0.005;

/**
 * Learns from observations on top of earlier knowledge.
 *
 * @param known null where there are only rules of thumb
 * @param usual what holds of hands of which nothing is known
 */
export function learnOn(known: Known | null, usual: Prior, observations: readonly Observation[]): Learned {
  if (!known) return learn(observations, usual);
  const more = learn(observations, { ...usual, about: known.ratio, spread: spreadOf(known, usual), hem: 0 });
  return {
    ...more,
    basis: more.basis === 'rule of thumb' || known.basis === 'these hands' ? known.basis : more.basis,
    observations: known.observations + more.observations,
  };
}

/**
 * Knowledge of so many rounds together: what differs from day to day evens out.
 *
 * @param drift of each round, where more is known of it than `usual` has
 */
export function overRounds<K extends Known>(known: K, usual: Prior, rounds: number, drift = usual.drift): K {
  const half = RANGE * Math.hypot(spreadOf(known, usual), drift / Math.sqrt(Math.max(1, rounds)));
  return { ...known, low: known.ratio * Math.exp(-half), high: known.ratio * Math.exp(half) };
}

/** The range of a ratio as a fraction of it either way. */
export const spreadAbout = ({ ratio, low, high }: Known): number => (high - low) / (2 * ratio);

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}
