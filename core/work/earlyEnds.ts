/** Rounds after which a border may be left as it is: it looks finished then, and every round up to there fits. */
import { leaveOffRounds, type FewerRounds } from '../edits/rounds.ts';
import { performed } from '../edits/edit.ts';
import { worstOf } from '../fit/open.ts';
import { basketReach } from '../forecast/supply.ts';
import { createPlanner } from '../plan/planner.ts';
import { remembered } from '../remembered.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import { topWidth, isChainRun } from '../ring/stitch.ts';

/** A round that may be the last. */
export interface EarlyEnd {
  readonly round: number;
  /** Width of the border then, mm. */
  readonly widthMm: number;
  /** Entries, and how many times fewer each is worked, so that the border ends there. */
  readonly entries: readonly FewerRounds[];
  /** Yarn in the basket is surely enough up to there; null where it has not been said how much there is. */
  readonly yarnLasts: boolean | null;
}

/** Part of the edge of a round that may be chains without its looking open. A judgement. */
const OPEN_FROM = 0.2;

/** Whether the edge of a round is closed: hardly any of it is chains that something is still to go into. */
function isClosed({ ring }: Pick<RoundPlan, 'ring'>): boolean {
  let [chains, all] = [0, 0];
  for (const stitch of ring.made) {
    const width = topWidth(stitch);
    all += width;
    if (isChainRun(stitch)) chains += width;
  }
  return chains <= OPEN_FROM * all;
}

/**
 * Places at which the border may end before its last round, the nearest first: from the round in hand on, each planned again
 * as the border that it leads to. None once it is worked; the base round alone is no border.
 */
export const earlyEndsOf = remembered((plan: Plan): readonly EarlyEnd[] => {
  const from = plan.rounds.findIndex((r) => !r.done?.finished);
  if (from < 0) return [];
  const reach = basketReach(plan);
  const planner = createPlanner();
  return plan.rounds.slice(Math.max(0, from - 1), -1).flatMap((round): readonly EarlyEnd[] => {
    if (round.number === 0 || !isClosed(round)) return [];
    const entries = afterwards(plan, round.number);
    if (!entries) return [];
    const outcome = performed(plan.hem, leaveOffRounds(entries));
    if (!outcome.ok) return [];
    const then = planner(outcome.value);
    if (then.rounds.length !== round.number + 1 || !then.rounds.every((r) => r.even)) return [];
    const { verdict } = worstOf(then);
    if (verdict === 'ripples' || verdict === 'cups') return [];
    const yarnLasts = reach ? round.number <= reach.safe : null;
    return [{ round: round.number, widthMm: then.borderWidthMm, entries, yarnLasts }];
  });
});

/** Rounds to leave off so that one is the last; null where something after it has been begun, or an entry cannot end there. */
function afterwards({ rounds }: Plan, last: number): readonly FewerRounds[] | null {
  const fewer = new Map<string, FewerRounds & { readonly rounds: number }>();
  for (const { written, done } of rounds.slice(last + 1)) {
    if (!written || done) return null;
    const { entry } = written;
    const was = fewer.get(entry.id)?.rounds ?? 0;
    fewer.set(entry.id, { entry, fewer: 0, rounds: was + 1 });
  }
  return [...fewer.values()].map(({ entry, rounds: gone }) => {
    const each = rounds.filter(({ written }) => written?.entry.id === entry.id).length / entry.times;
    return { entry, fewer: Math.ceil(gone / each) };
  });
}
