/** The yarns of a plan: what each colour comes to, and what was learned from weighing. */
import type { Hem } from '../document/hem.ts';
import type { WorkRecord } from '../document/record.ts';
import { PRIORS, driftOf, learnedSince } from '../hands/hands.ts';
import { overRounds, spreadAbout, type Learned } from '../hands/ratio.ts';
import { TAIL_M, quantity, type Yarn } from '../yarn/yarn.ts';
import { yarnSeen } from './observed.ts';
import type { PathRound, Plan, RoundPlan, YarnPlan } from './types.ts';

/**
 * What the weighings of a yarn teach about it, on top of what is known of the hands.
 *
 * @param worked of the record, what bears on weighings
 */
export function calibrationOf(
  hem: Hem,
  worked: WorkRecord,
  yarn: Yarn,
  rounds: readonly PathRound[],
  widthMm: number,
): Learned {
  const seen = yarnSeen(hem, worked, yarn, rounds, widthMm);
  return learnedSince('yarn', hem.hands?.yarn ?? null, `${yarn.weight}`, seen);
}

/**
 * What is planned of a yarn, by its id.
 *
 * @throws RangeError when the hem has no yarn of that id
 */
export function yarnPlanOf({ yarns }: Pick<Plan, 'yarns'>, id: string): YarnPlan {
  const planned = yarns.find((y) => y.yarn.id === id);
  if (!planned) throw new RangeError(`the basket has no yarn “${id}”`);
  return planned;
}

/** Yarn of each colour: its rounds, and two tails for every stretch worked without a break. */
export function planYarns(
  hem: Hem,
  rounds: readonly RoundPlan[],
  calibrations: ReadonlyMap<string, Learned>,
): readonly YarnPlan[] {
  return hem.yarns.map((yarn) => {
    let metres = 0;
    let stretches = 0;
    const worked = rounds.filter((r) => r.yarnId === yarn.id).map((r) => r.stitch);
    rounds.forEach((round, k) => {
      if (round.yarnId !== yarn.id) return;
      metres += round.yarnM;
      if (rounds[k - 1]?.yarnId !== yarn.id) stretches++;
    });
    const ends = 2 * stretches;
    const drift = driftOf('yarn', hem.hands?.yarn ?? null, worked);
    const calibration = calibrations.get(yarn.id)!;
    const needed = quantity(
      metres + ends * TAIL_M,
      yarn,
      spreadAbout(overRounds(calibration, PRIORS.yarn, worked.length, drift)),
    );
    const missingG = needed.grams * (1 + needed.spread) - (yarn.haveG ?? 0);
    return {
      yarn,
      quantity: needed,
      ends,
      calibration,
      cost: yarn.price === null ? null : yarn.price * needed.balls,
      toBuy: yarn.haveG === null ? null : Math.max(0, Math.ceil(missingG / yarn.ballG)),
    };
  });
}
