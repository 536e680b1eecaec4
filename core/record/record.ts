/** State after all that was done: the fold of a record. Nothing of it is kept. */
import type { BaseRound } from '../base/baseRound.ts';
import type { RoundEntry, WorkEvent, RoundIdentity } from '../document/hem.ts';
import type { Piece } from '../piece/piece.ts';
import type { Yarn } from '../yarn/yarn.ts';
import { compareEvents, standing, type WorkRecord } from '../document/record.ts';

/** Entry and counts with which a round was begun. */
export type Begun =
  | { readonly entry: RoundEntry; readonly begunOn: null }
  | { readonly entry: null; readonly begunOn: { readonly piece: Piece; readonly base: BaseRound } };

/** A round that has been begun: it stays as it was begun and as it was found, whatever becomes of the design. */
export interface FrozenRound {
  readonly round: RoundIdentity;
  readonly begun: Begun;
  /** Stitches made of it, in the order of work; all of it once it is finished. */
  readonly stitches: number;
  readonly finished: boolean;
  readonly yarn: Yarn;
  /** Stitches that it was to have on each side between its corners, and those found; null where nobody counted. */
  readonly planned: readonly number[];
  readonly found: readonly (number | null)[];
  /** Stitches that count for what follows: those found, else those planned. */
  readonly counts: readonly number[];
}

interface Folded {
  readonly record: WorkRecord;
  readonly rounds: readonly FrozenRound[];
}

/** By the last event of a record: one that has more events goes on from there. */
const folded = new WeakMap<WorkEvent, Folded>();

/** The rounds that have been begun, in the order of work. What an event does not change is the same as before it. */
export function workedRounds(whole: WorkRecord): readonly FrozenRound[] {
  const record = standing(whole);
  const last = record[record.length - 1];
  if (!last) return NONE;
  const before = knownBefore(record);
  if (before?.record.length === record.length) return before.rounds;
  const more = before ? record.slice(before.record.length) : record;
  const rounds = [...more].sort(compareEvents).reduce(after, before?.rounds ?? NONE);
  folded.set(last, { record, rounds });
  return rounds;
}

/** The longest beginning of a record whose fold is known, and after which all else comes in order. */
function knownBefore(record: WorkRecord): Folded | null {
  for (let length = record.length; length > 0; length--) {
    const known = folded.get(record[length - 1]!);
    if (known?.record.length !== length || known.record.some((event, i) => event !== record[i])) continue;
    const last = known.record.reduce((a, b) => (compareEvents(a, b) > 0 ? a : b));
    return record.slice(length).every((event) => compareEvents(last, event) < 0) ? known : null;
  }
  return null;
}
const NONE: readonly FrozenRound[] = [];

export const sameRound = (a: RoundIdentity, b: RoundIdentity): boolean =>
  a.entry === b.entry && a.index === b.index;

/**
 * State after an event. Only the last round of the list is under way or has just been finished; an event that no
 * longer goes with what holds, as can be when copies are united, changes nothing.
 */
function after(rounds: readonly FrozenRound[], event: WorkEvent): readonly FrozenRound[] {
  const at = rounds.findIndex((r) => sameRound(r.round, event.round));
  if (event.did === 'began') {
    const begun = begunAs(event);
    const follows = (rounds.length === 0) === (event.round.entry === null);
    if (at >= 0 || !follows || !begun) return rounds;
    const { round, yarn, counts } = event;
    return [...rounds, { round, begun, yarn, stitches: 0, finished: false, ...foundIn(counts, []) }];
  }
  const round = rounds[at];
  if (!round) return rounds;
  const becomes = (part: Partial<FrozenRound>): readonly FrozenRound[] =>
    rounds.map((r, i) => (i === at ? { ...r, ...part } : r));
  switch (event.did) {
    case 'made':
      return round.finished ? rounds : becomes({ stitches: event.stitches });
    case 'altered': {
      const begun = alteredTo(round.begun, event);
      return round.finished || !begun ? rounds : becomes({ begun, ...foundIn(event.counts, round.found) });
    }
    case 'counted':
      // A side that was not counted now stays as it was found before.
      return becomes(
        foundIn(
          round.planned,
          round.planned.map((_, side) => event.counts[side] ?? round.found[side] ?? null),
        ),
      );
    case 'finished':
      return becomes({ finished: true });
    // What was seen, and why something was done, changes nothing that is there.
    case 'looked':
    case 'weighed':
    case 'gauged':
    case 'paused':
    case 'repaired':
    case 'tidied':
    case 'closed':
    case 'struck':
      return rounds;
    // All that was made is of the piece before.
    case 'next':
      return NONE;
    case 'reopened':
      return at === rounds.length - 1 ? becomes({ finished: false }) : rounds;
    case 'ripped': {
      const left = rounds.slice(0, at);
      if (event.stitches === 0) return left;
      return [
        ...left,
        { ...round, stitches: event.stitches, finished: false, ...foundIn(round.planned, event.found) },
      ];
    }
  }
}

const foundIn = (
  planned: readonly number[],
  found: readonly (number | null)[],
): Pick<FrozenRound, 'planned' | 'found' | 'counts'> => ({
  planned,
  found,
  counts: planned.map((count, side) => found[side] ?? count),
});

/** The design of a round that goes on otherwise; null where the event is of another kind of round. */
function alteredTo(begun: Begun, { entry, base }: Extract<WorkEvent, { did: 'altered' }>): Begun | null {
  if (begun.entry) return entry ? { entry, begunOn: null } : null;
  return base ? { entry: null, begunOn: { ...begun.begunOn, base } } : null;
}

function begunAs({ entry, ground }: Extract<WorkEvent, { did: 'began' }>): Begun | null {
  if (ground) return { entry: null, begunOn: ground };
  return entry ? { entry, begunOn: null } : null;
}
