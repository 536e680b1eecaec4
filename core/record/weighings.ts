/** Lessons of a ball that was put on the scale now and then: the yarn that went into what was made between. */
import type { WorkEvent, RoundIdentity } from '../document/hem.ts';
import { compareEvents, standing, type WorkRecord } from '../document/record.ts';

export type Weighed = Extract<WorkEvent, { did: 'weighed' }>;

/** A place in the work: so many entries of a round are made, and all rounds before it. */
export interface WorkPlace {
  readonly round: RoundIdentity;
  readonly stitches: number;
}

/** Stretch from one weighing of a ball to the next of the same. */
export interface WeighedStretch {
  readonly yarn: string;
  readonly from: WorkPlace;
  readonly to: WorkPlace;
  /** Above 0. */
  readonly grams: number;
}

/** After what was ripped, and on another piece, the way of the yarn is no longer known. */
const breaksOff = ({ did }: WorkEvent): boolean => did === 'ripped' || did === 'next';

/** Events of a record that bear on its weighings: themselves, and what took back the work between them. */
export const weighingEvents = (record: WorkRecord): WorkRecord => {
  const told = standing(record).filter((e) => e.did === 'weighed' || breaksOff(e));
  return told.some((e) => e.did === 'weighed') ? told : NONE;
};

const NONE: WorkRecord = [];

/**
 * The stretches that were weighed. Two weighings bound one when they are of the same ball, nothing was ripped between
 * them, and the ball was lighter the second time.
 *
 * @param record or what {@link weighingEvents} leaves of it
 */
export function weighedStretches(record: WorkRecord): readonly WeighedStretch[] {
  const found: WeighedStretch[] = [];
  const last = new Map<string, Weighed>();
  for (const event of [...standing(record)].sort(compareEvents)) {
    if (breaksOff(event)) last.clear();
    if (event.did !== 'weighed') continue;
    const before = last.get(event.yarn);
    if (before && event.ball === 'same' && event.grams < before.grams) {
      found.push({ yarn: event.yarn, from: before, to: event, grams: before.grams - event.grams });
    }
    last.set(event.yarn, event);
  }
  return found;
}

/** The last weighing of a yarn, whatever was ripped since; null when there is none. */
export const everWeighed = (record: WorkRecord, yarn: string): Weighed | null =>
  [...standing(record)]
    .sort(compareEvents)
    .findLast((e): e is Weighed => e.did === 'weighed' && e.yarn === yarn) ?? null;

/** The last weighing of a yarn; null when there is none, or something was ripped since. */
export function lastWeighed(record: WorkRecord, yarn: string): Weighed | null {
  const last = [...standing(record)]
    .sort(compareEvents)
    .findLast((e) => breaksOff(e) || (e.did === 'weighed' && e.yarn === yarn));
  return last?.did === 'weighed' ? last : null;
}
