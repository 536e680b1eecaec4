/**
 * What weighing teaches about a yarn in these hands: a factor on the loop-path estimate, and how sure it is.
 *
 * The logarithm of the factor is normal: before any weighing about 0 with a spread that makes ±20 % two standard
 * deviations. Each weighing is a measurement of it with an error of its own; the two are put together by their
 * precisions (the conjugate update of a normal mean with known variance; see Gelman et al., Bayesian Data Analysis).
 */
import { UNCALIBRATED } from './yarn.ts';

export interface Weighing {
  /** What the estimate said, g; above 0. */
  readonly estimatedG: number;
  /** What the scale said, g; above 0. */
  readonly weighedG: number;
}

export interface Calibration {
  /** Multiplies the estimate. */
  readonly factor: number;
  /** Two standard deviations as a fraction: the estimate holds to within this either way. */
  readonly spread: number;
  readonly weighings: number;
}

/** One standard deviation of a kitchen scale, g, and of the tension from one day to another, as a fraction. */
const SCALE_G = 0.5;
const TENSION = 0.03;

/**
 * Puts weighings together.
 *
 * @example calibrate([]) // { factor: 1, spread: 0.2, weighings: 0 }
 */
export function calibrate(weighings: readonly Weighing[]): Calibration {
  let precision = 1 / (UNCALIBRATED / 2) ** 2;
  let weighted = 0;
  for (const { estimatedG, weighedG } of weighings) {
    const error = TENSION ** 2 + (SCALE_G / weighedG) ** 2;
    precision += 1 / error;
    weighted += Math.log(weighedG / estimatedG) / error;
  }
  return {
    factor: Math.exp(weighted / precision),
    spread: 2 / Math.sqrt(precision),
    weighings: weighings.length,
  };
}
