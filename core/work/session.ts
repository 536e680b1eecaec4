/** Sittings, by the times at which things were noted: for the hands, and for whoever asks how long it took. */
import type { WorkEvent } from '../document/hem.ts';
import { standing, type WorkRecord } from '../document/record.ts';
import { USUAL_PACE } from '../hands/hands.ts';
import { remembered } from '../remembered.ts';
import { sameRound } from '../record/record.ts';

/** A silence longer than this ends a sitting, minutes, unless the stitches that are noted after it take as long. */
const PAUSE = 15;
/** Stitches in a minute of the slowest hands that are reckoned with, unless a record tells of slower ones. */
const SLOW_PACE = USUAL_PACE / 2;
/** Stretches from which on they tell of a pace: a single one may have a pause in it. */
const TELLING = 3;
/** Nobody is slower. */
const SLOWEST = 1;
const MINUTE_MS = 60_000;

/**
 * The pace below which silence is a pause, stitches a minute: half of the one that most of the stitches of a record were made at.
 * Of hands that note a long side at once, every note would else be a pause.
 */
const slowPaceOf = remembered((record: WorkRecord): number => {
  const events = inTime(record);
  const stretches = events.slice(1).flatMap((event, i) => {
    const before = events[i]!;
    const stitches = madeBetween(before, event);
    const minutes = (Date.parse(event.at) - Date.parse(before.at)) / MINUTE_MS;
    return stitches > 0 && minutes > 0 && before.did !== 'paused'
      ? [{ stitches, pace: stitches / minutes }]
      : [];
  });
  if (stretches.length < TELLING) return SLOW_PACE;
  stretches.sort((a, b) => a.pace - b.pace);
  const half = stretches.reduce((sum, s) => sum + s.stitches, 0) / 2;
  let below = 0;
  const usual = stretches.find((s) => (below += s.stitches) >= half)?.pace ?? USUAL_PACE;
  return Math.min(SLOW_PACE, Math.max(SLOWEST, usual / 2));
});

/** How long nothing may be noted by somebody who makes so many stitches meanwhile, minutes. */
const silence = (record: WorkRecord, stitches: number): number =>
  Math.max(PAUSE, stitches / slowPaceOf(record));

/** Stitches that were made between two entries, as far as they tell. */
function madeBetween(before: WorkEvent, after: WorkEvent): number {
  if (after.did !== 'made' || !('round' in before) || !sameRound(before.round, after.round)) return 0;
  if ('stitches' in before) return Math.max(0, after.stitches - before.stitches);
  return before.did === 'began' ? after.stitches : 0;
}

/** Whether the hook was put down, and has not been taken up since. */
export const isPaused = (record: WorkRecord): boolean => inTime(record).at(-1)?.did === 'paused';

/**
 * How long the sitting has lasted that goes on at a moment, minutes; 0 when nothing was done just before it, or the hook
 * was put down.
 *
 * @param now ISO 8601
 * @param inHand stitches that may be made before anything is noted again
 */
export function sittingMinutes(record: WorkRecord, now: string, inHand = 0): number {
  const end = Date.parse(now);
  let from = end;
  let after: WorkEvent | null = null;
  for (const event of inTime(record).reverse()) {
    const time = Date.parse(event.at);
    if (time > end) continue;
    const longest = silence(record, after ? madeBetween(event, after) : inHand);
    if (from - time > longest * MINUTE_MS || event.did === 'paused') break;
    from = time;
    after = event;
  }
  return (end - from) / MINUTE_MS;
}

/** Whether the hook was not in hand between two entries of a record. */
export const isPause = (record: WorkRecord, before: WorkEvent, after: WorkEvent): boolean =>
  before.did === 'paused' ||
  Date.parse(after.at) - Date.parse(before.at) > silence(record, madeBetween(before, after)) * MINUTE_MS;

/** How long the hook has been in hand for all that is noted, minutes: the times between, those of pauses left out. */
export function minutesWorked(record: WorkRecord): number {
  const events = inTime(record);
  return events.slice(1).reduce((sum, event, i) => {
    const before = events[i]!;
    return isPause(record, before, event)
      ? sum
      : sum + (Date.parse(event.at) - Date.parse(before.at)) / MINUTE_MS;
  }, 0);
}

/** Two devices may have noted at once: only here, where it is about time, the clock orders. */
const inTime = (record: WorkRecord) =>
  [...standing(record)].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
