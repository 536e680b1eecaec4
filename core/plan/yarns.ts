/** The yarns of a plan: what each colour comes to, and what was learned from weighing. */
import type { Hem } from '../document/hem.ts';
import type { WorkRecord } from '../document/record.ts';
import { learnedSince } from '../hands/hands.ts';
import { spreadAbout, type Learned } from '../hands/ratio.ts';
import { TAIL_M, quantity, type Yarn } from '../yarn/yarn.ts';
import { yarnSeen } from './observed.ts';
import type { PathRound, RoundPlan, YarnPlan } from './types.ts';

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
  const known = hem.hands?.yarn;
  const about = known ? (known.bySize[`${yarn.weight}`] ?? known.all) : null;
  return learnedSince('yarn', about, yarnSeen(hem, worked, yarn, rounds, widthMm));
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
    rounds.forEach((round, k) => {
      if (round.yarnId !== yarn.id) return;
      metres += round.yarnM;
      if (rounds[k - 1]?.yarnId !== yarn.id) stretches++;
    });
    const ends = 2 * stretches;
    const calibration = calibrations.get(yarn.id)!;
    const needed = quantity(metres + ends * TAIL_M, yarn, spreadAbout(calibration));
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
