/** The round below: the ring below with its markers, in the order of work. */
import { Unclear, type Noun } from './crochet.ts';
import {
  gapLies,
  isChain,
  isBeforeAGap,
  adorns,
  isPair,
  isStitch,
  samePlace,
  type GapBefore,
  type Lying,
  type Made,
  type Marks,
  type Place,
} from './made.ts';

export class Below {
  /** In the order of work; below a base round there is nothing. */
  readonly ring: readonly Made[];
  readonly join: Made | null;
  /** Name of the stitch that closed its last space; null for another join. */
  readonly closedBy: string | null;
  /** It was not joined. */
  readonly isOpen: boolean;
  /** Whether it is the edge of the piece that is worked into. */
  readonly isEdge: boolean;
  private readonly marks: Marks;
  private readonly index: ReadonlyMap<Made, number>;

  constructor(
    lying: Lying | null,
    /** 1 where work runs in the order of the right side, −1 where it runs against it. */
    readonly direction: 1 | -1,
    /** Of the sides, as they lie on the piece. */
    readonly names: readonly string[],
    /** Of the corners, “D/A” first; a circle has none. */
    readonly corners: readonly string[],
  ) {
    this.ring = lying ? this.inOrder(lying.ring) : [];
    this.join = lying?.join ?? null;
    this.closedBy = lying?.closedBy ?? null;
    this.isOpen = lying?.isOpen ?? false;
    this.isEdge = lying === null;
    this.marks = lying?.marks ?? new Map<never, never>();
    this.index = new Map(this.ring.map((m, i) => [m, i]));
  }

  /** Turns the order of the right side into the order of work, and the other way round. */
  inOrder<T>(list: readonly T[]): readonly T[] {
    return this.direction === 1 ? list : [...list].reverse();
  }

  /** Stitches that the markers of a corner stand in, in the order of work. */
  marked(corner: string): readonly Made[] {
    const marked = this.marks.get(corner);
    if (!marked) throw new Unclear(`corner ${corner} has no marker`);
    return this.inOrder(marked);
  }

  cornerAfter(side: string): string {
    const i = this.names.indexOf(side);
    return this.corners[this.direction === 1 ? (i + 1) % this.corners.length : i]!;
  }

  cornerBefore(side: string): string {
    const i = this.names.indexOf(side);
    return this.corners[this.direction === 1 ? i : (i + 1) % this.corners.length]!;
  }

  sideAfter(corner: string): string {
    const [before, after] = corner.split('/') as [string, string];
    return this.direction === 1 ? after : before;
  }

  /** The entries of a side below, in the order of work. */
  entriesOf(side: string): readonly Made[] {
    const from = this.marks.get(this.cornerBefore(side));
    const to = this.marks.get(this.cornerAfter(side));
    if (!from || !to) throw new Unclear(`side ${side} has no marker at its ends`);
    const n = this.ring.length;
    const last = Math.max(...offsets(this.index, from));
    const begin = (last + 1) % n;
    const found: Made[] = [];
    for (let k = 0; k < n; k++) {
      const m = this.ring[(begin + k) % n]!;
      if (to.includes(m)) break;
      found.push(m);
    }
    return found;
  }

  /**
   * Stitches that a decrease over a corner takes of a side: so many stitches beside the corner, and all between them and its middle.
   *
   * @param outwards the entries of the side, from that corner on
   */
  takenBeside(corner: string, count: number, outwards: readonly Made[]): ReadonlySet<Made> {
    if (count === 0) return new Set();
    const middle = this.marked(corner);
    const last = outwards.filter(isStitch)[count - 1];
    return new Set([...middle, ...outwards.slice(0, last ? outwards.indexOf(last) + 1 : undefined)]);
  }

  /** Whether a place is among what was taken: a gap is when the stitches on both sides of it are. */
  isTaken(place: Place, taken: ReadonlySet<Made>): boolean {
    if (!isBeforeAGap(place)) return taken.has(place);
    const n = this.ring.length;
    const other = this.ring[(this.index.get(place.gapBefore)! - this.direction + n) % n]!;
    return taken.has(place.gapBefore) && taken.has(other);
  }

  placesOn(side: string, what: Noun): readonly Place[] {
    return this.placesIn(this.alongSide(side, what), what);
  }

  /** The entries of a side, and for the spaces between stitches the first after it: it ends with the one before that. */
  alongSide(side: string, what: Noun): readonly Made[] {
    const entries = this.entriesOf(side);
    if (what !== 'between') return entries;
    const last = entries[entries.length - 1] ?? this.marked(this.cornerBefore(side)).at(-1)!;
    return [...entries, this.ring[(this.index.get(last)! + 1) % this.ring.length]!];
  }

  /** Whether a corner without a stitch or a space of its own lies between two. */
  private cornerLies(before: Made, after: Made): boolean {
    return this.corners.some((corner) => {
      // Where nothing is worked there is no marker either.
      const marked = this.marks.get(corner) ?? [];
      return marked.length === 2 && marked.includes(before) && marked.includes(after);
    });
  }

  /** Places of a kind in a stretch of the ring below. */
  placesIn(entries: readonly Made[], what: Noun): readonly Place[] {
    const all = this.ring;
    const n = all.length;
    return entries.flatMap((m): readonly Place[] => {
      const i = this.index.get(m)!;
      const at = (d: number): Made => all[(i + d + n) % n]!;
      const found: Place[] = [];
      // A gap or the middle of a pair lies before this entry; before the first of a side it belongs to the corner too.
      if (what === 'gap' && gapLies(at(-2), at(-1), m, at(1))) found.push(this.gap(at(-1), m));
      if (what === 'between' && isStitch(at(-1)) && isStitch(m) && !this.cornerLies(at(-1), m))
        found.push(this.gap(at(-1), m));
      if (what === 'pair' && isPair(at(-2), at(-1), m, at(1))) found.push(this.gap(at(-1), m));
      if (
        isChain(m)
          ? what === 'ch-sp' || what === 'gap' || what === 'either'
          : (what === 'st' || what === 'post' || what === 'either') && !adorns(m)
      )
        found.push(m);
      return found;
    });
  }

  gap(before: Made, after: Made): GapBefore {
    return { gapBefore: this.direction === 1 ? after : before };
  }

  /** Places of several kinds in the order of work. */
  merged(entries: readonly Made[], kinds: ReadonlySet<Noun>): readonly Place[] {
    return entries.flatMap((m) => {
      const here: Place[] = [];
      for (const kind of ['pair', 'gap', 'between', 'st', 'post', 'ch-sp', 'either'] as const) {
        if (!kinds.has(kind)) continue;
        for (const place of this.placesIn([m], kind))
          if (!here.some((p) => samePlace(p, place))) here.push(place);
      }
      return here.sort((a, b) => Number(isBeforeAGap(b)) - Number(isBeforeAGap(a)));
    });
  }

  /** The first place of a kind after another, in the order of work. */
  nextAfter(from: Place, what: Noun): Place {
    const places = this.placesIn(this.ring, what);
    const at = isBeforeAGap(from) ? from.gapBefore : from;
    // A gap lies before its entry in the order of the right side, and after it the other way round.
    const beside = (p: Place): number => (isBeforeAGap(p) ? -0.5 * this.direction : 0);
    const far = (p: Place): number => {
      const ahead = this.ahead(at, isBeforeAGap(p) ? p.gapBefore : p) + beside(p) - beside(from);
      return ahead > 0 ? ahead : ahead + this.ring.length;
    };
    const [next] = [...places].sort((a, b) => far(a) - far(b));
    if (!next) throw new Unclear(`there is no ${what}`);
    return next;
  }

  /** The gap between the join and what comes before it in the order of work. */
  justBehindJoin(what: Noun): Place {
    const join = this.join!;
    const before = this.ring[(this.index.get(join)! - 1 + this.ring.length) % this.ring.length]!;
    const gap = this.gap(before, join);
    if (!this.placesIn(this.ring, what).some((p) => samePlace(p, gap)))
      throw new Unclear(`there is no ${what} just behind the join`);
    return gap;
  }

  aheadOfJoin(place: Place): number {
    return this.ahead(this.join!, isBeforeAGap(place) ? place.gapBefore : place);
  }

  /** How far an entry lies ahead of another, in the order of work. */
  ahead(from: Made, to: Made): number {
    const n = this.ring.length;
    return (this.index.get(to)! - this.index.get(from)! + n) % n;
  }
}

const offsets = (index: ReadonlyMap<Made, number>, of: readonly Made[]): readonly number[] => {
  const at = of.map((m) => index.get(m)!);
  // Two that lie on either side of where the list begins.
  return Math.max(...at) - Math.min(...at) > index.size / 2
    ? at.map((i) => (i < index.size / 2 ? i + index.size : i))
    : at;
};
