/**
 * What observations teach about a ratio: what was found over what was foretold. The logarithm of the ratio is normal before
 * anything was observed, about 0 with the spread of the rule of thumb; every observation measures it with an error of its own,
 * and what is observed drifts from day to day. Errors have longer tails than a normal distribution: people mistype. They are
 * taken as Student’s t, fitted by weights that are found again until they stay (Lange, Little and Taylor, Robust Statistical
 * Modeling Using the t Distribution, 1989); the spread of the mean is that of the weighted precisions.
 */

/** Something observed. */
export interface Observation {
  /** What was found over what was foretold; above 0. */
  readonly ratio: number;
  /** One standard deviation of its logarithm, by the way in which it was measured. */
  readonly error: number;
}

/** What is known of a ratio. */
export interface Learned {
  readonly ratio: number;
  /** From `low` to `high` lies what is found next, some nine times in ten. */
  readonly low: number;
  readonly high: number;
  readonly basis: 'rule of thumb' | 'these hands';
  readonly observations: number;
  /** Numbers of observations that are so far off that they look like a slip of the pen. */
  readonly doubted: readonly number[];
}

/** What is known beforehand, as standard deviations of the logarithm. */
export interface Prior {
  /** Where the rule of thumb lies, as a ratio; 1 unless something else of these hands is known. */
  readonly about: number;
  readonly spread: number;
  /** From one day to another. */
  readonly drift: number;
}

/** Degrees of freedom of the errors: few enough that a slip by a factor of ten has next to no weight. */
const FREEDOM = 4;
const ROUNDS = 30;
/** Standard deviations to either side of a range. */
export const RANGE = 1.9;
/** From so many standard deviations, and from such a factor on, an observation is doubted. */
const DOUBT = 6;
const DOUBT_FACTOR = 2;

/** What observations teach, on top of what is known beforehand. @example learn([], { about: 1, spread: 0.1, drift: 0.03 }).ratio // 1 */
export function learn(observations: readonly Observation[], { about, spread, drift }: Prior): Learned {
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
    mean = sum / precision;
  }
  const deviation = RANGE * Math.sqrt(1 / precision + drift ** 2);
  const doubted = logs.flatMap((x, i) => {
    const off = Math.abs(x - mean);
    return off > DOUBT * Math.sqrt(variances[i]!) && off > Math.log(DOUBT_FACTOR) ? [i] : [];
  });
  return {
    ratio: Math.exp(mean),
    low: Math.exp(mean - deviation),
    high: Math.exp(mean + deviation),
    basis: observations.length > doubted.length ? 'these hands' : 'rule of thumb',
    observations: observations.length,
    doubted,
  };
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}
