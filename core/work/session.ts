/** Sittings, by the times at which things were noted: for the hands, and for whoever asks how long it took. */
import type { WorkEvent } from '../document/hem.ts';
import { standing, type WorkRecord } from '../document/record.ts';

/** A pause longer than this ends a sitting, minutes. */
const PAUSE = 15;
const MINUTE_MS = 60_000;

/** Whether the hook was put down, and has not been taken up since. */
export const isPaused = (record: WorkRecord): boolean => inTime(record).at(-1)?.did === 'paused';

/**
 * How long the sitting has lasted that goes on at a moment; 0 when nothing was done just before it, or the hook was put
 * down.
 *
 * @param now ISO 8601
 */
export function sittingMinutes(record: WorkRecord, now: string): number {
  const end = Date.parse(now);
  let from = end;
  for (const { did, at } of inTime(record).reverse()) {
    const time = Date.parse(at);
    if (time > end) continue;
    if (from - time > PAUSE * MINUTE_MS || did === 'paused') break;
    from = time;
  }
  return (end - from) / MINUTE_MS;
}

/** Whether the hook was not in hand between two entries of a record. */
export const isPause = (before: Pick<WorkEvent, 'did' | 'at'>, after: Pick<WorkEvent, 'at'>): boolean =>
  before.did === 'paused' || Date.parse(after.at) - Date.parse(before.at) > PAUSE * MINUTE_MS;

/** How long the hook has been in hand for all that is noted, minutes: the times between, those of pauses left out. */
export function minutesWorked(record: WorkRecord): number {
  const events = inTime(record);
  return events.slice(1).reduce((sum, { at }, i) => {
    const before = events[i]!;
    return isPause(before, { at }) ? sum : sum + (Date.parse(at) - Date.parse(before.at)) / MINUTE_MS;
  }, 0);
}

/** Two devices may have noted at once: only here, where it is about time, the clock orders. */
const inTime = (record: WorkRecord) =>
  [...standing(record)].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
