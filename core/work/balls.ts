/** Where along the border a ball is used up, by the metres that the rounds before it took. */
import type { Plan } from '../plan/types.ts';
import { stretchOf } from './progress.ts';
import type { Step } from './steps.ts';

export interface BallEnd {
  readonly name: string;
  /** Which ball of that yarn, from 1. */
  readonly ball: number;
}

/** Balls that are likely to end within a step. */
export function ballsEnding(plan: Plan, number: number, step: Step): readonly BallEnd[] {
  const round = plan.rounds[number]!;
  const used = plan.yarns.find((y) => y.yarn.id === round.yarnId);
  if (!used || used.quantity.metres <= 0) return [];
  const { yarn, quantity } = used;
  const ballM = (quantity.metres * yarn.ballG) / quantity.grams;
  if (!Number.isFinite(ballM) || ballM <= 0) return [];
  const before = plan.rounds
    .slice(0, number)
    .reduce((sum, r) => sum + (r.yarnId === round.yarnId ? r.yarnM : 0), 0);
  const from = before + stretchOf(round, 0, step.from).metres;
  const to = before + stretchOf(round, 0, step.to).metres;
  const ends: BallEnd[] = [];
  for (let ball = Math.floor(from / ballM) + 1; ball * ballM <= to; ball++)
    ends.push({ name: yarn.name, ball });
  return ends;
}
