/** Rounds to leave off so that a border is ready in time, or the basket lasts: rounds that nothing has been done of, the rest planned again before it is said. */
import { performed } from '../edits/edit.ts';
import { leaveOffRounds, type FewerRounds } from '../edits/rounds.ts';
import { basketReach } from '../forecast/supply.ts';
import { createPlanner } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import { leftOf } from './progress.ts';

/** A way to have less to do. */
export interface LeftOff {
  readonly entries: readonly FewerRounds[];
  /** Rounds that go. */
  readonly rounds: number;
  /** Rest of the border then, minutes at the pace in force. */
  readonly minutesLeft: number;
}

/** Ways that are said. */
const MOST = 4;

/** To be left with so many minutes of work, or with what the basket is surely enough for. */
export type LeaveOffGoal = { readonly to: 'minutes'; readonly minutes: number } | { readonly to: 'basket' };

const isReached = (plan: Plan, goal: LeaveOffGoal): boolean =>
  goal.to === 'minutes'
    ? leftOf(plan).border.minutes <= goal.minutes
    : (basketReach(plan)?.doubtful ?? null) === null;

/**
 * Ways to come to a goal, those that leave off least first; every one fits all the way round. None when nothing need be left off, or
 * nothing helps.
 */
export function leaveOff(plan: Plan, goal: LeaveOffGoal): readonly LeftOff[] {
  if (isReached(plan, goal)) return [];
  const begun = new Set(plan.rounds.flatMap((r) => (r.done && r.written ? [r.written.entry.id] : [])));
  const open = plan.hem.rounds.filter((e) => !begun.has(e.id));
  const single = open.flatMap((entry) =>
    Array.from({ length: entry.times }, (_, k) => [{ entry, fewer: k + 1 }]),
  );
  // From the edge inwards, and the rounds under an edge that stays.
  const outer = open.map((_, k) => open.slice(k).map((entry) => ({ entry, fewer: entry.times })));
  const under = open
    .slice(0, -1)
    .map((_, k) => open.slice(k, -1).map((entry) => ({ entry, fewer: entry.times })));
  const planner = createPlanner();
  const seen = new Set<string>();
  const ways = [...single, ...under, ...outer].flatMap((entries): readonly LeftOff[] => {
    const key = entries.map(({ entry, fewer }) => `${entry.id} ${fewer}`).join(', ');
    if (seen.has(key)) return [];
    seen.add(key);
    const outcome = performed(plan.hem, leaveOffRounds(entries));
    if (!outcome.ok) return [];
    const then = planner(outcome.value);
    if (!isReached(then, goal) || !then.rounds.every((r) => r.even)) return [];
    const { minutes: left } = leftOf(then).border;
    const rounds = plan.rounds.length - then.rounds.length;
    return [{ entries, rounds, minutesLeft: left }];
  });
  return ways.sort((a, b) => b.minutesLeft - a.minutesLeft || a.rounds - b.rounds).slice(0, MOST);
}
