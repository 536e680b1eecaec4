/** Numbers that look like a slip when they are typed: so far from what is expected that another place of the point fits better. */
import { identityOfRound, type RoundPlan, type Plan } from '../plan/types.ts';
import { PRIORS, type HandsPart } from '../hands/hands.ts';
import type { Known } from '../hands/hands.schema.ts';
import { looksLikeASlip } from '../hands/ratio.ts';
import { lastWeighed } from '../record/weighings.ts';
import { metresBetween } from '../plan/observed.ts';
import { yarnPlanOf } from '../plan/yarns.ts';

/** A number that is asked about. */
export interface DoubtedNumber {
  readonly typed: number;
  readonly expected: number;
  /** Number that may have been meant; null when no other place of the point fits. */
  readonly instead: number | null;
}

/**
 * @param valueOf what the number comes to that is expected; below 0 or 0 for what cannot be
 * @param error one standard deviation of the logarithm, of the way in which it is measured
 */
function slipIn(
  typed: number,
  expected: number,
  of: HandsPart,
  known: Known,
  error: number,
  valueOf: (typed: number) => number = (x) => x,
): DoubtedNumber | null {
  const odd = (x: number): boolean => {
    const value = valueOf(x);
    return value <= 0 || looksLikeASlip({ ratio: value / expected, error }, known, PRIORS[of]);
  };
  if (expected <= 0 || !odd(typed)) return null;
  const instead = [typed * 10, typed / 10, typed * 100, typed / 100].find((x) => !odd(x)) ?? null;
  return { typed, expected, instead: instead === null ? null : Number(instead.toPrecision(6)) };
}

/** The plan knows how far it may be off itself: as a ratio to what it foretells. */
const about = ({ ratio, ...known }: Known): Known => ({
  ...known,
  ratio: 1,
  low: known.low / ratio,
  high: known.high / ratio,
});

/** A scale, g, and a tape, cm: one standard deviation. */
const SCALE_G = 1;
const TAPE_CM = 0.3;

/** Weighing of a yarn at a place of the work, beside what was weighed before and what should have gone since, or a whole ball. */
export function weightSlip(
  plan: Plan,
  round: RoundPlan,
  stitches: number,
  same: boolean,
  grams: number,
): DoubtedNumber | null {
  const { yarn, calibration } = yarnPlanOf(plan, round.yarnId);
  const before = same ? lastWeighed(plan.hem.record, yarn.id) : null;
  const known = about(calibration);
  // A ball that is begun may hold anything up to what is on its label, and a little more.
  if (!before) {
    const most = 1.3 * yarn.ballG;
    return grams <= most
      ? null
      : { typed: grams, expected: yarn.ballG, instead: grams / 10 <= most ? grams / 10 : null };
  }
  const metres = metresBetween(plan.rounds, yarn.id, before, { round: identityOfRound(round), stitches });
  const expected = (metres * calibration.ratio * 100) / yarn.metresPer100G;
  const error = SCALE_G / Math.max(0.1, expected);
  const slip = slipIn(grams, expected, 'yarn', known, error, (x) => before.grams - x);
  return slip && { ...slip, expected: Math.max(0, before.grams - expected) };
}

/** Weighing of a swatch or a whole round, beside its estimate. */
export const usedSlip = (plan: Plan, yarnId: string, metres: number, grams: number): DoubtedNumber | null => {
  const { yarn, calibration } = yarnPlanOf(plan, yarnId);
  const expected = (metres * 100) / yarn.metresPer100G;
  return slipIn(grams, expected, 'yarn', about(calibration), SCALE_G / Math.max(0.1, expected));
};

/** A length that is measured, cm, beside what the plan has. */
export const lengthSlip = (plan: Plan, typedCm: number, plannedCm: number): DoubtedNumber | null =>
  slipIn(typedCm, plannedCm, 'height', about(plan.height), TAPE_CM / Math.max(0.1, plannedCm));

/** A count that is so far off that a figure may be missing, or one too many. */
export const countSlip = (found: number, planned: number): boolean =>
  planned >= 10 && (found < planned / 3 || found > planned * 3);
