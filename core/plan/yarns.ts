/** The yarns of a plan: what each colour comes to, and what was learned from weighing. */
import type { RoundStarts } from '../base/start.ts';
import type { Hem } from '../document/hem.ts';
import type { WorkRecord } from '../document/record.ts';
import { PRIORS, driftOf, learnedSince, type KnownHands, type KnownPart } from '../hands/hands.ts';
import { minutesOf, movementsAbout, movementsInRing } from '../hands/pace.ts';
import { overRounds, spreadAbout, type Learned } from '../hands/ratio.ts';
import type { FrozenRound } from '../record/record.ts';
import type { StitchKind } from '../terms/stitches.ts';
import { TAIL_M, quantity, type Yarn } from '../yarn/yarn.ts';
import type { Joining } from '../alike/joining.ts';
import { yarnSeen } from './observed.ts';
import type { PathRound, Plan, RoundPlan, YarnPlan } from './types.ts';

interface CalibrationInputs {
  readonly weighIns: Hem['weighIns'];
  /** Of the record, what bears on weighings. */
  readonly weighed: WorkRecord;
  readonly yarn: Yarn;
  readonly rounds: readonly PathRound[];
  /** Width of a stitch with the border’s own hook, mm. */
  readonly widthMm: number;
  readonly known: KnownPart | null;
}

/** Learns a yarn from its weighings, on top of what is known of the hands. */
export const calibrateYarn = ({
  weighIns,
  weighed,
  yarn,
  rounds,
  widthMm,
  known,
}: CalibrationInputs): Learned =>
  learnedSince('yarn', known, `${yarn.weight}`, yarnSeen(weighIns, weighed, yarn, rounds, widthMm, known));

interface WorkInputs {
  readonly round: PathRound;
  /** Weighed over planned yarn. */
  readonly ratio: number;
  /** Stitches a minute, and how much longer these hands take for the stitch of the round than for others. */
  readonly pace: number;
  readonly slower: number;
  readonly done: FrozenRound | null;
  readonly newYarn: boolean;
  readonly turned: boolean;
}

/** A round with its yarn and its time. */
export const roundWithYarn = ({ round, ratio, pace, slower, done, ...about }: WorkInputs): RoundPlan => ({
  ...round,
  done,
  yarnM: round.pathM * ratio,
  minutes: minutesOf(movementsInRing(round.ring) * slower + movementsAbout(about), pace),
});

/** How much longer these hands take for a stitch than for others. */
export function slowerIn(hands: KnownHands | null, stitch: StitchKind): number {
  const time = hands?.time;
  return time ? (time.byStitch[stitch] ?? time.all).ratio / time.all.ratio : 1;
}

/**
 * The plan of a yarn, by its id.
 *
 * @throws RangeError when the hem has no yarn of that id
 */
export function yarnPlanOf({ yarns }: Pick<Plan, 'yarns'>, id: string): YarnPlan {
  const planned = yarns.find((y) => y.yarn.id === id);
  if (!planned) throw new RangeError(`the basket has no yarn “${id}”`);
  return planned;
}

interface YarnInputs {
  readonly yarns: readonly Yarn[];
  readonly rounds: readonly RoundPlan[];
  /** Of every yarn, in the order of `yarns`. */
  readonly calibrations: readonly Learned[];
  readonly known: KnownPart | null;
  readonly lastRow: RoundStarts['lastRow'];
  /** Pieces with this border, their joining, and the yarn that joins them. */
  readonly pieces: number;
  readonly joining: Joining | null;
  readonly joinedWith: string;
}

/**
 * Yarn of each colour: its rounds, and two tails for every stretch worked without a break; of all pieces that are alike, and what
 * joins them.
 */
export const planYarns = ({
  yarns,
  rounds,
  calibrations,
  known,
  lastRow,
  pieces,
  joining,
  joinedWith,
}: YarnInputs): readonly YarnPlan[] =>
  yarns.map((yarn, y) => {
    let metres = 0;
    let stretches = 0;
    const worked = rounds.filter((r) => r.yarnId === yarn.id).map((r) => r.stitch);
    rounds.forEach((round, k) => {
      if (round.yarnId !== yarn.id) return;
      metres += round.yarnM;
      if (rounds[k - 1]?.yarnId !== yarn.id) stretches++;
    });
    // Of yarn that was on the hook from the piece only the end is left.
    const goesOn = lastRow !== 'cut' && rounds[0]?.yarnId === yarn.id;
    const ends = 2 * stretches - (goesOn ? 1 : 0);
    const drift = driftOf('yarn', known, worked);
    const calibration = calibrations[y]!;
    const joins = joining && yarn.id === joinedWith ? joining.metres * calibration.ratio : 0;
    const needed = quantity(
      pieces * (metres + ends * TAIL_M) + joins,
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
