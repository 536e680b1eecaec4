/** Looks at a border as it was worked, and whether it has been closed. */
import type { WorkEvent } from '../document/hem.ts';
import { compareEvents, standing, type WorkRecord } from '../document/record.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import { sameRound } from '../record/record.ts';
import { yarnEndsOf } from '../procedure/ends.ts';
import { identityOfRound } from '../plan/types.ts';
import { progressOf } from './progress.ts';

export type Looked = Extract<WorkEvent, { did: 'looked' }>;
export type Closed = Extract<WorkEvent, { did: 'closed' }>;

/** Every time that a round was looked at, the last first. */
export const looksAt = ({ hem }: Plan, round: RoundPlan): readonly Looked[] =>
  [...standing(hem.record)]
    .sort(compareEvents)
    .filter((e): e is Looked => e.did === 'looked' && sameRound(e.round, identityOfRound(round)))
    .reverse();

/**
 * The last round that is known to be good: counted, or looked at when it lay flat, and neither count nor look speaks
 * against it. Null when nothing is known of any.
 */
export function lastGoodRound(plan: Plan): RoundPlan | null {
  const good = plan.rounds.findLast((round) => {
    if (!round.done) return false;
    const { found, planned } = round.done;
    const counted = found.filter((f) => f !== null).length > 0;
    const lies = looksAt(plan, round)[0]?.lies.filter((l) => l !== null) ?? [];
    return (
      (counted || lies.length > 0) &&
      found.every((f, side) => f === null || f === planned[side]) &&
      lies.every((l) => l === 'flat')
    );
  });
  return good ?? null;
}

/** How the border was closed; null while it has not been, or something has been worked or ripped since. */
export function closedOf(plan: Plan): Closed | null {
  if (progressOf(plan).round !== null) return null;
  const last = [...standing(plan.hem.record)]
    .sort(compareEvents)
    .findLast((e) => !['looked', 'counted', 'weighed', 'paused', 'tidied'].includes(e.did));
  return last?.did === 'closed' ? last : null;
}

/** How far finishing is. */
export interface Finishing {
  /** Ends that there are to weave in, and those that are. */
  readonly ends: number;
  readonly woven: number;
  /** Numbers of those that are, from 0 in the order of work. */
  readonly which: readonly number[];
  /** Pins that were put in, null where nothing was said, and of these those counted back. */
  readonly pinsIn: number | null;
  readonly pinsBack: number;
}

/**
 * The last note on finishing, whether the border has been closed since or not. Ends are counted anew after
 * something was ripped; pins stay in until they are counted back.
 */
export function finishingOf(plan: Plan): Finishing {
  const events = [...standing(plan.hem.record)].sort(compareEvents);
  const pins = events.findLast((e) => e.did === 'tidied');
  const last = events
    .slice(events.findLastIndex((e) => ['ripped', 'reopened', 'next'].includes(e.did)) + 1)
    .findLast((e) => e.did === 'tidied' || e.did === 'closed');
  const ends = yarnEndsOf(plan);
  const woven = last?.did === 'tidied' || last?.did === 'closed' ? Math.min(ends, last.ends) : 0;
  const told = pins?.did === 'tidied' ? pins.which.filter((k) => k < ends) : [];
  const which = told.length === woven ? told : Array.from({ length: woven }, (_, k) => k);
  if (pins?.did === 'tidied') return { ends, woven, which, pinsIn: pins.pinsIn, pinsBack: pins.pinsBack };
  const counted = last?.did === 'closed' ? last.pins : null;
  return { ends, woven, which, pinsIn: counted, pinsBack: counted ?? 0 };
}

/** Pins that were put into a piece and not counted back, by its record alone. */
export function pinsStillIn(record: WorkRecord): number {
  const last = [...standing(record)].sort(compareEvents).findLast((e) => e.did === 'tidied');
  return last?.did === 'tidied' ? Math.max(0, (last.pinsIn ?? 0) - last.pinsBack) : 0;
}
