/**
 * The record: what was really done to a border. It is a set of events that only grows. Their order is their own (counter,
 * then device), never that of a clock, so that copies which were carried on apart unite to the same record whoever unites
 * them, in whatever order and however often.
 */
import { remembered } from '../remembered.ts';
import type { Hem, WorkEvent } from './hem.ts';

export type WorkRecord = readonly WorkEvent[];

export const NOTHING_DONE: WorkRecord = [];

/** The device that the records of demo hems were noted on. */
export const DEMO_DEVICE = 'demo';

/** Whether a hem is one of those that are laid out at the first start. */
export const isDemo = (id: string): boolean => id.startsWith(`${DEMO_DEVICE}-`);

/** An event before it has its place in a record. */
export type Deed = WorkEvent extends infer E ? (E extends WorkEvent ? Omit<E, 'id' | 'at'> : never) : never;

/**
 * A record with something more done.
 *
 * @param at when, ISO 8601; for people to read
 */
export function noted(record: WorkRecord, deed: Deed, device: string, at: string): WorkRecord {
  const counter = record.reduce((most, { id }) => Math.max(most, id.counter), 0) + 1;
  return [...record, { ...deed, id: { device, counter }, at }];
}

/** Events that can be struck. Work that was made, begun or ripped is put right by going on, back, or ripping. */
const STRIKABLE: readonly WorkEvent['did'][] = [
  'counted',
  'weighed',
  'looked',
  'gauged',
  'altered',
  'repaired',
  'paused',
  'closed',
];

export const canBeStruck = ({ did }: WorkEvent): boolean => STRIKABLE.includes(did);

type Struck = Extract<WorkEvent, { did: 'struck' }>;

/** The last word on every entry that was struck, or made to count again, by its key. */
export function strikesIn(record: WorkRecord): ReadonlyMap<string, Struck> {
  const strikes = record.filter((e): e is Struck => e.did === 'struck').sort(compareEvents);
  return new Map(strikes.map((e) => [keyOf({ id: e.entry }), e]));
}

/** Events that count of a record: without what was struck, and with the weights that were put right. It is the record itself where nothing was. */
export const standing = remembered((record: WorkRecord): WorkRecord => {
  if (!record.some((e) => e.did === 'struck')) return record;
  const strikes = strikesIn(record);
  return record.flatMap((event): readonly WorkEvent[] => {
    if (event.did === 'struck') return [];
    const strike = strikes.get(keyOf(event));
    if (!strike || strike.counts || !canBeStruck(event)) return [event];
    return event.did === 'weighed' && strike.grams !== null ? [{ ...event, grams: strike.grams }] : [];
  });
});

/** An entry of a record by what is its own. */
export const keyOf = ({ id }: Pick<WorkEvent, 'id'>): string => `${id.counter} ${id.device}`;

export const compareEvents = (a: Pick<WorkEvent, 'id'>, b: Pick<WorkEvent, 'id'>): number =>
  a.id.counter - b.id.counter || (a.id.device < b.id.device ? -1 : a.id.device > b.id.device ? 1 : 0);

/** Two copies of a record as one, in order: every event of both, once. It is `a` itself when `b` has nothing more. */
export function unitedRecords(a: WorkRecord, b: WorkRecord): WorkRecord {
  if (a === b) return a;
  const here = new Set(a.map(keyOf));
  if (b.every((event) => here.has(keyOf(event)))) return a;
  const events = new Map([...a, ...b].map((event) => [keyOf(event), event]));
  return [...events.values()].sort(compareEvents);
}

/** The events of a record that another, from which it has grown, does not have. */
export function notedSince(before: WorkRecord, now: WorkRecord): WorkRecord {
  if (before === now) return [];
  const known = new Set(before.map(keyOf));
  return now.filter((event) => !known.has(keyOf(event)));
}

/** A hem with all that was done to another copy of it, too. */
export function withRecordOf(hem: Hem, other: Hem): Hem {
  const record = unitedRecords(hem.record, other.record);
  return record === hem.record ? hem : { ...hem, record };
}
