/** Sittings, by the times at which things were noted: for the hands, and for whoever asks how long it took. */
import type { WorkRecord } from '../document/record.ts';

/** A pause longer than this ends a sitting, minutes. */
const PAUSE = 15;

/**
 * How long the sitting has lasted that goes on at a moment; 0 when nothing was done just before it.
 *
 * @param now ISO 8601
 */
export function sittingMinutes(record: WorkRecord, now: string): number {
  const end = Date.parse(now);
  const times = record
    .map(({ at }) => Date.parse(at))
    .filter((t) => t <= end)
    .sort((a, b) => b - a);
  let from = end;
  for (const time of times) {
    if (from - time > PAUSE * 60_000) break;
    from = time;
  }
  return (end - from) / 60_000;
}
