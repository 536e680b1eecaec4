/** The yarns of a plan: what each colour comes to, and what was learned from weighing. */
import type { Hem } from '../document/hem.ts';
import type { WorkRecord } from '../document/record.ts';
import { weighedStretches, type WorkPlace } from '../record/weighings.ts';
import { stitchOf } from '../ring/stitch.ts';
import { calibrate, type Calibration, type Weighing } from '../yarn/calibrate.ts';
import { TAIL_M, quantity, yarnInStitchMm, type Yarn } from '../yarn/yarn.ts';
import { isRound, type PathRound, type RoundPlan, type YarnPlan } from './types.ts';

/**
 * What the weighings of a yarn teach about it; those of rounds that are no longer there are left out.
 *
 * @param worked of the record, what bears on weighings
 */
export function calibrationOf(
  hem: Hem,
  worked: WorkRecord,
  yarn: Yarn,
  rounds: readonly PathRound[],
  widthMm: number,
): Calibration {
  const weighings = hem.weighIns.flatMap(({ of, grams, ...w }): readonly Weighing[] => {
    if (w.yarn !== yarn.id) return [];
    const pathM =
      of.kind === 'swatch'
        ? (of.stitches * yarnInStitchMm(stitchOf({ kind: of.stitch }), widthMm, yarn.diameterMm)) / 1000
        : (rounds.find((r) => r.yarnId === yarn.id && isRound(r, of.round))?.pathM ?? 0);
    return pathM > 0 ? [{ estimatedG: (pathM * 100) / yarn.metresPer100G, weighedG: grams }] : [];
  });
  const inWork = weighedStretches(worked).flatMap(({ from, to, grams, ...w }): readonly Weighing[] => {
    const pathM = w.yarn === yarn.id ? metresBetween(rounds, yarn.id, from, to) : 0;
    return pathM > 0 ? [{ estimatedG: (pathM * 100) / yarn.metresPer100G, weighedG: grams }] : [];
  });
  return calibrate([...weighings, ...inWork]);
}

/** Yarn by the loop path from one place of the work to a later one, metres; 0 when either is not there any more. */
export function metresBetween(
  rounds: readonly PathRound[],
  yarn: string,
  from: WorkPlace,
  to: WorkPlace,
): number {
  const [first, last] = [from, to].map(({ round }) => rounds.findIndex((r) => isRound(r, round))) as [
    number,
    number,
  ];
  if (first < 0 || last < first) return 0;
  let sum = 0;
  for (let k = first; k <= last; k++) {
    const { yarnId, pathM, ring } = rounds[k]!;
    if (yarnId !== yarn) continue;
    const begins = k === first ? from.stitches : 0;
    const ends = k === last ? Math.min(to.stitches, ring.made.length) : ring.made.length;
    sum += pathM * Math.max(0, (ends - begins) / Math.max(1, ring.made.length));
  }
  return sum;
}

/** Yarn of each colour: its rounds, and two tails for every stretch worked without a break. */
export function planYarns(
  hem: Hem,
  rounds: readonly RoundPlan[],
  calibrations: ReadonlyMap<string, Calibration>,
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
    const needed = quantity(metres + ends * TAIL_M, yarn, calibration.spread);
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
