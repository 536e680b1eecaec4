/** Work of a literal maker, and the places that it offers the hook. */
import type { Stitch } from '../../ring/stitch.ts';

/** One stitch or run of chains, as it was made. */
export interface Made {
  readonly stitch: Stitch;
  /** Place that it sits in: a stitch or chain run below, the gap before one in the order of the right side, a spot of the edge. */
  readonly into: Made | GapBefore | number | null;
}
export interface GapBefore {
  readonly gapBefore: Made;
}

/** A round as it lies there: in the order of the right side, right- or left-handed. */
export interface RoundMade {
  readonly number: number;
  /** Number of the round that it was worked into. */
  readonly onto: number;
  readonly made: readonly Made[];
  /** Claims about it that do not hold. */
  readonly miscounts: readonly string[];
}

export type Marks = Map<string, readonly Made[]>;

/** A round while it is worked. */
export class RoundInHand {
  /** In the order of work. */
  readonly made: Made[] = [];
  readonly marks: Marks = new Map();

  add(stitch: Stitch, into: Place | number | null): Made {
    const made: Made = { stitch, into: standsAlone(stitch) ? null : into };
    this.made.push(made);
    return made;
  }
}

export interface Lying {
  readonly number: number;
  /** In the order of the right side. */
  readonly ring: readonly Made[];
  readonly marks: Marks;
  readonly join: Made | null;
  /** Name of the stitch that closed its last space; null for another join. */
  readonly closedBy: string | null;
  /** It was not joined: the next round goes on. */
  readonly isOpen: boolean;
}

export type Place = Made | GapBefore;
export const isBeforeAGap = (place: Place): place is GapBefore => 'gapBefore' in place;
export const isChain = ({ stitch }: Made): boolean => stitch.kind === 'ch' && stitch.form === 'plain';
export const adorns = ({ stitch }: Made): boolean => ['picot', 'dot', 'tassel'].includes(stitch.form);
export const isStitch = (m: Made): boolean => m.stitch.kind !== 'ch' && !adorns(m);
export const standsAlone = (s: Stitch): boolean => s.kind === 'ch' && s.form !== 'tassel';

export const samePlace = (a: Place, b: Place): boolean =>
  a === b || (isBeforeAGap(a) && isBeforeAGap(b) && a.gapBefore === b.gapBefore);

const inPlace = (m: Made): Made['into'] => m.into;
const same = (a: Made['into'], b: Made['into']): boolean => {
  if (a === null || b === null) return false;
  if (typeof a === 'object' && typeof b === 'object') return samePlace(a, b);
  return a === b;
};

/** A gap lies between two groups of several stitches in one place each. */
export const gapLies = (a: Made, b: Made, c: Made, d: Made): boolean =>
  inPlace(b) !== null &&
  inPlace(c) !== null &&
  !same(inPlace(b), inPlace(c)) &&
  same(inPlace(a), inPlace(b)) &&
  same(inPlace(c), inPlace(d));

/** Two stitches, and no more, share a place. */
export const isPair = (a: Made, b: Made, c: Made, d: Made): boolean =>
  same(inPlace(b), inPlace(c)) && !same(inPlace(a), inPlace(b)) && !same(inPlace(c), inPlace(d));
