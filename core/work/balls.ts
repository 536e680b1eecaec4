/** Where along the border the ball in hand is used up: by what it weighed, else by the metres that went before. */
import { spreadAbout } from '../hands/ratio.ts';
import { lastWeighed } from '../record/weighings.ts';
import { isRound, type Plan } from '../plan/types.ts';
import { madeWithYarn, stretchOf } from '../procedure/stretch.ts';
import { progressOf, stretchLeft } from './progress.ts';
import { stepsOf, type WorkStep } from './steps.ts';

export interface BallEndReach {
  readonly name: string;
  /** Which ball of that yarn, from 1; null for one that was weighed, and after it. */
  readonly ball: number | null;
}

/** A place of the border: so many entries of a worked round are made. */
export interface PlaceInBorder {
  readonly round: number;
  readonly made: number;
}

/** Metres of a yarn that the border takes up to a place. */
function metresUpTo(plan: Plan, yarn: string, at: PlaceInBorder): number {
  const before = plan.rounds
    .slice(0, at.round)
    .reduce((sum, r) => sum + (r.yarnId === yarn ? r.yarnM : 0), 0);
  const round = plan.rounds[at.round];
  return before + (round?.yarnId === yarn ? stretchLeft(plan, round, 0, at.made).metres : 0);
}

/** Balls that are likely to end within a step. */
export function ballsEnding(plan: Plan, number: number, step: WorkStep): readonly BallEndReach[] {
  const { yarnId } = plan.rounds[number]!;
  const used = plan.yarns.find((y) => y.yarn.id === yarnId);
  if (!used) return [];
  const { yarn } = used;
  const ballM = (yarn.ballG * yarn.metresPer100G) / 100;
  const from = metresUpTo(plan, yarnId, { round: number, made: step.from });
  const to = metresUpTo(plan, yarnId, { round: number, made: step.to });
  const weighed = lastWeighed(plan.hem.record, yarnId);
  const at = weighed ? plan.rounds.findIndex((r) => isRound(r, weighed.round)) : -1;
  const ends: BallEndReach[] = [];
  if (weighed && at >= 0) {
    const then = metresUpTo(plan, yarnId, { round: at, made: weighed.stitches });
    const first = then + (weighed.grams * yarn.metresPer100G) / 100;
    // What lies before the weighing has been made.
    for (let end = first; end <= to; end += ballM)
      if (end > from && from >= then) ends.push({ name: yarn.name, ball: null });
    return ends;
  }
  for (let ball = Math.floor(from / ballM) + 1; ball * ballM <= to; ball++)
    ends.push({ name: yarn.name, ball });
  return ends;
}

/** How far a ball goes from the place in hand. */
export interface Reach {
  readonly metres: number;
  /** Yarn for the rest of the round in hand, g, and by which fraction that may be off either way. */
  readonly roundG: number;
  readonly spread: number;
  readonly lasts: 'lasts' | 'may run out' | 'runs out';
  /** Where it ends, and where it does when the estimate is as far too low or too high as it may be; null: it is enough for all of its yarn that is left. */
  readonly ends: PlaceInBorder | null;
  readonly earliest: PlaceInBorder | null;
  readonly latest: PlaceInBorder | null;
}

/** How far a ball goes of which so many grams are left; null when the border is worked. */
export function reachOf(plan: Plan, grams: number): Reach | null {
  const { round, made } = progressOf(plan);
  const used = round && plan.yarns.find((y) => y.yarn.id === round.yarnId);
  if (!round || !used) return null;
  const { yarn } = used;
  // Of a round or two days do not even out.
  const spread = spreadAbout(used.calibration);
  const metres = (grams * yarn.metresPer100G) / 100;
  const roundG = (stretchLeft(plan, round, made, round.ring.made.length).metres * 100) / yarn.metresPer100G;
  const at = (share: number): PlaceInBorder | null =>
    placeAfter(plan, yarn.id, { round: round.number, made }, metres / share);
  return {
    metres,
    roundG,
    spread,
    lasts:
      grams >= roundG * (1 + spread) ? 'lasts' : grams >= roundG * (1 - spread) ? 'may run out' : 'runs out',
    ends: at(1),
    earliest: at(1 + spread),
    latest: at(1 - spread),
  };
}

/** Rest of the ball in hand, g, by what it weighed last and what has been made since; null when it was not weighed. */
export function ballNow(plan: Plan): number | null {
  const { round, made } = progressOf(plan);
  const weighed = round && lastWeighed(plan.hem.record, round.yarnId);
  const yarn = plan.hem.yarns.find((y) => y.id === round?.yarnId);
  const at = weighed ? plan.rounds.findIndex((r) => isRound(r, weighed.round)) : -1;
  if (!round || !yarn || !weighed || at < 0) return null;
  const since =
    metresUpTo(plan, yarn.id, { round: round.number, made }) -
    metresUpTo(plan, yarn.id, { round: at, made: weighed.stitches });
  return Math.max(0, weighed.grams - (Math.max(0, since) * 100) / yarn.metresPer100G);
}

/**
 * The corner at which to join the next ball so that none runs out on a side: the last one in the round in hand before the ball
 * may end, from the place in hand on; null when there is none.
 */
export function cornerBeforeBallEnds(plan: Plan, { earliest }: Reach): PlaceInBorder | null {
  const { round, made } = progressOf(plan);
  if (!round || earliest?.round !== round.number) return null;
  const corner = stepsOf(plan, round.number, 'side').findLast(
    (s) => s.where.on === 'corner' && s.from >= made && s.from <= earliest.made,
  );
  return corner ? { round: round.number, made: corner.from } : null;
}

/** Where so many metres of a yarn more have been used; null when what is left takes fewer. */
function placeAfter(plan: Plan, yarn: string, from: PlaceInBorder, metres: number): PlaceInBorder | null {
  let left = metres;
  for (const round of plan.rounds.slice(from.round)) {
    if (round.yarnId !== yarn) continue;
    const begins = round.number === from.round ? from.made : 0;
    const size = round.ring.made.length;
    const takes = stretchLeft(plan, round, begins, size).metres;
    if (takes > left) {
      const before = stretchOf(plan, round, 0, begins).yarn;
      return { round: round.number, made: madeWithYarn(plan, round, before + left / round.yarnM) };
    }
    left -= takes;
  }
  return null;
}
