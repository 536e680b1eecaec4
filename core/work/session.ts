/** Sittings, by the times at which things were noted: for the hands, and for whoever asks how long it took. */
import type { WorkRecord } from '../document/record.ts';

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

/** How long the hook has been in hand for all that is noted, minutes: the times between, those of pauses left out. */
export function minutesWorked(record: WorkRecord): number {
  const events = inTime(record);
  return events.slice(1).reduce((sum, { at }, i) => {
    const before = events[i]!;
    const gap = (Date.parse(at) - Date.parse(before.at)) / MINUTE_MS;
    return before.did === 'paused' || gap > PAUSE ? sum : sum + gap;
  }, 0);
}

/** Two devices may have noted at once: only here, where it is about time, the clock orders. */
const inTime = (record: WorkRecord) => [...record].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
