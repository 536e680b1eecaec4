/**
 * The log: a record as its maker reads it, entry by entry in the order of time, and what was done on each day. Everything
 * follows from the record; here alone the clock orders.
 */
import { held } from '../held.ts';
import type { Hem, WorkEvent } from '../document/hem.ts';
import {
  canBeStruck,
  compareEvents,
  keyOf,
  standing,
  strikesIn,
  type WorkRecord,
} from '../document/record.ts';
import { sameRound } from '../record/record.ts';
import { isPause } from '../work/session.ts';

/** An entry of the log. */
export interface LogEntry {
  readonly hem: Hem;
  readonly event: WorkEvent;
  /** Number of its round then, the base round 0; null when that round had not been begun. */
  readonly round: number | null;
  /** Stitches that its round was to have on each side, as it was begun; null when that is not known. */
  readonly planned: readonly number[] | null;
  /** It counts no longer. */
  readonly struck: boolean;
  /** Corrected weight, g; null when it stands as it was noted. */
  readonly correctedG: number | null;
  readonly canBeStruck: boolean;
}

/** Kind of an entry, for whoever looks for one. */
export const LOG_KINDS = ['stitches', 'counts', 'weighing', 'looks', 'rounds', 'repairs'] as const;
export type LogKind = (typeof LOG_KINDS)[number];

const KINDS: Readonly<Record<WorkEvent['did'], LogKind>> = {
  began: 'rounds',
  altered: 'repairs',
  made: 'stitches',
  counted: 'counts',
  repaired: 'repairs',
  finished: 'rounds',
  reopened: 'rounds',
  ripped: 'repairs',
  paused: 'stitches',
  weighed: 'weighing',
  gauged: 'looks',
  looked: 'looks',
  tidied: 'rounds',
  closed: 'rounds',
  next: 'rounds',
  struck: 'repairs',
};

export const logKind = ({ event }: LogEntry): LogKind => KINDS[event.did];

const byTime = (a: WorkEvent, b: WorkEvent): number =>
  Date.parse(a.at) - Date.parse(b.at) || compareEvents(a, b);

/** Every entry of a hem’s record but the strikes themselves, the earliest first. */
export function logOf(hem: Hem): readonly LogEntry[] {
  const strikes = strikesIn(hem.record);
  const rounds = roundsThen(hem.record);
  return hem.record
    .filter((event) => event.did !== 'struck')
    .sort(byTime)
    .map((event): LogEntry => {
      const strike = strikes.get(keyOf(event));
      const off = strike !== undefined && !strike.counts;
      const correctedG = off && event.did === 'weighed' ? strike.grams : null;
      return {
        hem,
        event,
        round: rounds.get(keyOf(event))?.number ?? null,
        planned: rounds.get(keyOf(event))?.planned ?? null,
        struck: off && correctedG === null,
        correctedG,
        canBeStruck: canBeStruck(event),
      };
    });
}

interface RoundThen {
  readonly number: number;
  readonly planned: readonly number[];
}

/** Rounds as they were when something was noted of them, by the key of the entry. */
function roundsThen(record: WorkRecord): ReadonlyMap<string, RoundThen> {
  const then = new Map<string, RoundThen>();
  let begun: readonly Extract<WorkEvent, { did: 'began' }>[] = [];
  for (const event of [...record].sort(compareEvents)) {
    if (event.did === 'began' && !begun.some((b) => sameRound(b.round, event.round)))
      begun = [...begun, event];
    const at = begun.findIndex((b) => sameRound(b.round, event.round));
    if (at >= 0) then.set(keyOf(event), { number: at, planned: begun[at]!.counts });
    if (event.did === 'next') begun = [];
    if (event.did === 'ripped' && at >= 0) begun = begun.slice(0, event.stitches === 0 ? at : at + 1);
  }
  return then;
}

/** Entries that follow each other as one: steps of the same round within a sitting are one stretch of work. */
export interface LogStretch {
  readonly last: LogEntry;
  readonly first: LogEntry;
  readonly entries: number;
}

export function stretchesOf(log: readonly LogEntry[]): readonly LogStretch[] {
  const stretches: LogStretch[] = [];
  for (const entry of log) {
    const open = stretches[stretches.length - 1];
    const goesOn =
      open?.last.event.did === 'made' &&
      entry.event.did === 'made' &&
      open.last.hem.id === entry.hem.id &&
      sameRound(open.last.event.round, entry.event.round) &&
      !isPause(entry.hem.record, open.last.event, entry.event);
    if (goesOn) stretches[stretches.length - 1] = { ...open, last: entry, entries: open.entries + 1 };
    else stretches.push({ first: entry, last: entry, entries: 1 });
  }
  return stretches;
}

/** Work of a day. */
export interface LogDay {
  readonly day: string;
  readonly minutes: number;
  /** Stitches and chains made; what was taken back or ripped is taken off again on the day of it. */
  readonly stitches: number;
}

/** @param dayOf the day that a time falls on where the maker lives, such as “2026-01-31” */
export function daysOf(records: readonly WorkRecord[], dayOf: (at: string) => string): readonly LogDay[] {
  const days = new Map<string, { minutes: number; stitches: number }>();
  const on = (at: string): { minutes: number; stitches: number } => {
    const day = dayOf(at);
    let found = days.get(day);
    if (!found) days.set(day, (found = { minutes: 0, stitches: 0 }));
    return found;
  };
  for (const record of records) {
    const events = [...standing(record)].sort(byTime);
    events.slice(1).forEach((event, i) => {
      const before = events[i]!;
      if (!isPause(record, before, event))
        on(event.at).minutes += (Date.parse(event.at) - Date.parse(before.at)) / 60_000;
    });
    const made = new Map<string, number>();
    for (const event of [...standing(record)].sort(compareEvents)) {
      if (event.did === 'next') made.clear();
      if (event.did !== 'made' && event.did !== 'ripped') continue;
      const key = `${event.round.entry ?? ''} ${event.round.index}`;
      on(event.at).stitches += event.stitches - (made.get(key) ?? 0);
      // With a round that is ripped all later ones are gone.
      const later = [...made.keys()];
      for (const gone of event.did === 'ripped' ? later.slice(later.indexOf(key) + 1) : []) {
        on(event.at).stitches -= held(made.get(gone), 'what is struck was made');
        made.delete(gone);
      }
      made.set(key, event.stitches);
    }
  }
  return [...days]
    .map(([day, done]) => ({ day, ...done }))
    .filter((d) => d.minutes > 0 || d.stitches !== 0)
    .sort((a, b) => (a.day < b.day ? -1 : 1));
}

/** Days that count for the rhythm of the hands. */
const RECENT_DAYS = 14;
const DAY_MS = 86_400_000;

/** How much is worked on a day as of late: the minutes of the last two weeks at most, over the days that have gone by. */
export interface Rhythm {
  readonly minutesADay: number;
  /** Days that it is taken from. */
  readonly days: number;
}

/** Null when nothing was worked of late. @param today such as “2026-01-31” */
export function rhythmOf(days: readonly LogDay[], today: string): Rhythm | null {
  const since = (day: string): number => Math.round((Date.parse(today) - Date.parse(day)) / DAY_MS);
  const recent = days.filter((d) => since(d.day) >= 0 && since(d.day) < RECENT_DAYS && d.minutes > 0);
  if (recent.length === 0) return null;
  const span = 1 + Math.max(...recent.map((d) => since(d.day)));
  return { minutesADay: recent.reduce((sum, d) => sum + d.minutes, 0) / span, days: span };
}
