/**
 * Movements of the hook: the yarn-overs that a stitch’s wraps stand for, where the hook goes in, and how the loops are worked
 * off. Yarn and time are counted by them.
 */
import { STITCHES, type StitchKind } from '../terms/stitches.ts';
import type { Stitch } from './stitch.ts';

/** One movement. */
export type Movement =
  | { readonly do: 'wrap' }
  /** The hook goes into the place, or on from the first leg into the next one. */
  | { readonly do: 'insert'; readonly leg: number }
  | { readonly do: 'draw up'; readonly long: boolean }
  | { readonly do: 'draw through'; readonly loops: number }
  | { readonly do: 'turn the hook' }
  | { readonly do: 'chain'; readonly count: number }
  | { readonly do: 'pull close' }
  | { readonly do: 'fold' };

/** A stitch before, during and after its legs. A stitch with one leg has it all in `close`. */
export interface Making {
  readonly first?: readonly Movement[];
  readonly legs: readonly (readonly Movement[])[];
  readonly close: readonly Movement[];
}

const through = (loops: number): Movement => ({ do: 'draw through', loops });
const insert = (leg = 0): Movement => ({ do: 'insert', leg });
const UP: Movement = { do: 'draw up', long: false };
const LONG_UP: Movement = { do: 'draw up', long: true };
const WRAP: Movement = { do: 'wrap' };

/** The movements of a stitch, leg by leg. */
export function makingOfStitch(stitch: Stitch): Making {
  const { wraps } = STITCHES[stitch.kind];
  const half = stitch.kind === 'hdc' || stitch.kind === 'hhdc';
  const times = (make: (k: number) => readonly Movement[]): Making['legs'] =>
    Array.from({ length: stitch.legs }, (_, k) => make(k));
  /** A leg up to where only its last loop is left to be worked off; a half double has two of them. */
  const leg = (k: number): readonly Movement[] => [
    ...Array.from({ length: half ? 1 : wraps }, () => WRAP),
    insert(k),
    UP,
    ...Array.from({ length: wraps }, () => through(2)),
  ];
  switch (stitch.form) {
    case 'together':
      return { legs: times(leg), close: [through((half ? 2 : 1) * stitch.legs + 1)] };
    case 'puff':
      return { legs: times(() => [WRAP, insert(), LONG_UP]), close: [through(2 * stitch.legs + 1)] };
    case 'bobble':
      return { legs: times(() => leg(0)), close: [through(stitch.legs + 1)] };
    case 'popcorn':
      return { legs: times(() => [...leg(0), through(2)]), close: [{ do: 'pull close' }] };
    case 'picot':
      return { legs: [], close: [{ do: 'chain', count: stitch.chains }, insert(), through(1)] };
    case 'dot':
      return {
        first: [{ do: 'chain', count: stitch.chains }],
        legs: times(() => [WRAP, insert(), UP, through(2)]),
        close: [through(stitch.legs + 1)],
      };
    case 'tassel':
      return { legs: [], close: [{ do: 'fold' }] };
    case 'cord':
      return { legs: times((k) => [insert(k === stitch.legs - 1 ? 1 : 0), through(1)]), close: [] };
    case 'reverse':
      return { legs: [], close: [insert(-1), UP, through(2)] };
    case 'twisted':
      // A slip stitch has but its one loop to twist, when it is made.
      return stitch.kind === 'slst'
        ? { legs: [], close: [insert(), through(1), { do: 'turn the hook' }] }
        : { legs: [], close: [insert(), UP, { do: 'turn the hook' }, through(2)] };
    case 'plain':
      return { legs: [], close: plainMaking(stitch, leg(0)) };
  }
}

function plainMaking({ kind, chains }: Stitch, leg: readonly Movement[]): readonly Movement[] {
  switch (kind) {
    case 'ch':
      return Array.from({ length: Math.max(1, chains) }, () => through(1));
    case 'slst':
      return [insert(), through(1)];
    case 'esc':
      return [insert(), UP, through(1), through(2)];
    case 'hdc':
      return [...leg, through(3)];
    case 'hhdc':
      // The loop is drawn up and on through the one beside it, which takes that one off again.
      return [...leg, through(1), through(2)];
    default:
      return [...leg, through(2)];
  }
}

/** All movements of a stitch, from the one loop that is on the hook to the one that is left. */
export function movementsOf(stitch: Stitch): readonly Movement[] {
  const { first = [], legs, close } = makingOfStitch(stitch);
  return [...first, ...legs.flat(), ...close];
}

/** The kind of stitch that each leg is: the cluster of a ball is of doubles. */
export const legKind = ({ form, kind }: Stitch): StitchKind => (form === 'dot' ? 'dc' : kind);

/** A tassel is cut, folded, drawn through and pulled tight in the time of so many movements; a popcorn is drawn together. */
const FOLD = 30;
const PULL_CLOSE = 3;

/** Movements of the hook in a stitch, as its time counts them: a single crochet has three, a chain one, a double crochet five. */
export const movementCount = (stitch: Stitch): number =>
  movementsOf(stitch).reduce((sum, m) => {
    if (m.do === 'chain') return sum + m.count;
    return sum + (m.do === 'fold' ? FOLD : m.do === 'pull close' ? PULL_CLOSE : 1);
  }, 0);
