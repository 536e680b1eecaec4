/**
 * Works one round onto a ring.
 *
 * State: the list of places that a side still offers and a cursor into it. Invariant: every place before
 * the cursor has been used or passed over, none after it. Cost: linear in the places and stitches. Where a
 * side does not come out even the surplus places are passed over before the pattern's tail and reported, so
 * that the ring always closes and everything after it can be computed.
 */
import {
  NOTHING,
  entryOf,
  gapBefore,
  isPlaceOf,
  placesInSpan,
  placesOnSide,
  sideCount,
  type Centre,
  type PlaceKind,
  type Ring,
} from './ring.ts';
import { countsAsStitch, isChainRun, placesTaken, sitsInNothing, stitchOf, type Stitch } from './stitch.ts';
import {
  comesOutEven,
  needsOfPattern,
  patternOf,
  placeKindsUsed,
  placesOver,
  totalPlacesUsed,
  waysOf,
  type CornerRecipe,
  type Needs,
  type Pattern,
  type Recipe,
  type Step,
} from './recipe.ts';
import { spread } from './spread.ts';
import { placesTakenBeside } from './turning.ts';

/** How a round came out on one side (or, for a pattern that runs round the ring, on all of it). */
export interface SideFit {
  /** Places that the round used on this side. */
  readonly places: number;
  /** Times that the open repeat was worked. */
  readonly repeats: number;
  /** Places too many for the pattern; 0 when it comes out even. */
  readonly over: number;
  /** Places that would be missing for one repeat more; 0 when it comes out even. */
  readonly short: number;
  /** The less symmetrical way along the side was taken. */
  readonly lopsided: boolean;
  /** Quiet change worked on this side, see {@link Circumstances}. */
  readonly change: number;
  /** The ring below offers no place of the kind that the round needs, or meets them in another order. */
  readonly stuck: boolean;
}

export interface WorkedRound {
  readonly ring: Ring;
  readonly sides: readonly SideFit[];
}

/** What differs from the recipe on this piece. */
export interface Circumstances {
  /** The recipe of every corner, where they are not all the recipe's own. */
  readonly corners?: readonly CornerRecipe[];
  /**
   * A quiet change for each side. In a plain round so many stitches more (two in one place) or fewer (two
   * together), spread evenly. In a patterned round so many places more passed over, or fewer, at the skips
   * next to the corners: at most 2 either way.
   */
  readonly changes?: readonly number[];
}

/** What one pass of some steps makes: stitches, and chains one by one. */
const madeBy = (steps: readonly Step[]): number =>
  steps.reduce((sum, step) => {
    if (step.do === 'skip') return sum;
    return sum + (step.do === 'make' ? weight(step.what) : step.times * weightOf(step.what));
  }, 0);
const weight = (s: Stitch): number => Math.max(1, s.chains);
const weightOf = (stitches: readonly Stitch[]): number => stitches.reduce((sum, s) => sum + weight(s), 0);

/**
 * How many stitches and chains a round makes at the most, without working it. Cost: linear in the recipe; in the ring
 * too where that first guess is above `enough`.
 */
export function mostMade(
  below: Ring,
  recipe: Recipe,
  { corners, changes }: Circumstances,
  enough: number,
): number {
  const patterns = [patternOf(recipe.side), ...(recipe.lopsided ? [patternOf(recipe.lopsided)] : [])];
  const sides = sideCount(below);
  const cornersMake = Math.max(
    ...[recipe.corner, ...(corners ?? [])].map(
      ({ before, group, after, pair }) =>
        weightOf(before) +
        weightOf(after) +
        Math.max(weightOf(group), weightOf(pair?.[0] ?? []) + weightOf(pair?.[1] ?? [])),
    ),
  );
  const changed = (changes ?? []).reduce((sum, c) => sum + Math.abs(c), 0);
  const from = (places: number): number =>
    Math.max(
      ...patterns.map(({ head, body, tail }) => {
        const used = totalPlacesUsed(body);
        const repeats = used === 0 ? 0 : places / used;
        return repeats * madeBy(body) + sides * (madeBy(head) + madeBy(tail) + cornersMake) + changed;
      }),
    );
  const guess = from(2 * below.made.length);
  if (guess <= enough) return guess;
  const kinds = placeKindsUsed(recipe.side);
  return from(placesInSpan(below, { start: 0, length: below.made.length }, kinds).length);
}

/** A growing ring. */
class Maker {
  readonly made: Stitch[] = [];
  readonly into: number[] = [];

  add(stitch: Stitch, place: number): void {
    this.made.push(stitch);
    this.into.push(sitsInNothing(stitch) ? NOTHING : place);
  }

  ring(centres: readonly Centre[]): Ring {
    // A corner without a centre of its own may lie after the last entry, which is before the first.
    const size = Math.max(1, this.made.length);
    return {
      made: this.made,
      into: Int32Array.from(this.into),
      centres: centres.map((c) => (c.start < size ? c : { ...c, start: c.start % size })),
    };
  }
}

/**
 * Works `recipe` onto `below`.
 *
 * @returns the new ring and how each side came out; it never throws for a count that does not fit.
 */
export function workRound(below: Ring, recipe: Recipe, circumstances: Circumstances = {}): WorkedRound {
  return recipe.scope === 'side' ? workSides(below, recipe, circumstances) : workWholeRing(below, recipe);
}

function workSides(below: Ring, recipe: Recipe, { corners, changes }: Circumstances): WorkedRound {
  const ways = waysOf(recipe, below.centres.length > 0);
  const own = patternOf(ways.own);
  const other = ways.other && patternOf(ways.other);
  const kinds = placeKindsUsed(ways.own);
  const plain = plainStitchOf(recipe);
  const maker = new Maker();
  const centres: Centre[] = [];
  const sides: SideFit[] = [];
  for (let side = 0; side < sideCount(below); side++) {
    const corner = corners?.[side] ?? recipe.corner;
    const next = corners?.[(side + 1) % sideCount(below)] ?? recipe.corner;
    if (below.centres.length > 0) centres.push(workCorner(maker, below, below.centres[side]!, corner, plain));
    const all = placesOnSide(below, side, kinds);
    const places = all.slice(placesTakenBeside(corner), all.length - placesTakenBeside(next));
    const change = changes?.[side] ?? 0;
    const fit = isPlain(own)
      ? workPlain(maker, places, plain, change)
      : workAlong(maker, below, places, own, other, change);
    sides.push(fit);
  }
  return { ring: maker.ring(centres), sides };
}

/** One stitch in each place, and nothing else. */
export function isPlain({ head, body, tail }: Pattern): boolean {
  const only = body[0];
  return (
    head.length === 0 &&
    tail.length === 0 &&
    body.length === 1 &&
    only?.do === 'work' &&
    only.what.length === 1 &&
    only.what[0]!.form === 'plain' &&
    only.times === 1
  );
}

/** A plain side: one stitch in each place, with some stitches more or fewer than places where they are asked for. */
function workPlain(maker: Maker, places: readonly number[], stitch: Stitch, change: number): SideFit {
  if (change === 0) for (const place of places) maker.add(stitch, place);
  else workChanged(maker, places, stitch, change);
  return {
    places: places.length,
    repeats: places.length,
    over: 0,
    short: 0,
    lopsided: false,
    change,
    stuck: places.length === 0,
  };
}

function workChanged(maker: Maker, places: readonly number[], stitch: Stitch, change: number): void {
  const total = Math.max(1, places.length + change);
  const counts = spread(total, new Array<number>(places.length).fill(1));
  const two = stitchOf({ ...stitch, form: 'together', legs: 2 });
  for (let i = 0; i < places.length; i++) {
    // A place that gets none is taken together with the next, or at the end with the one before.
    if (counts[i] === 0 && i + 1 < places.length) maker.add(two, places[i++]!);
    else if (counts[i] === 0) maker.made[maker.made.length - 1] = two;
    else for (let k = 0; k < counts[i]!; k++) maker.add(stitch, places[i]!);
  }
}

function workAlong(
  maker: Maker,
  below: Ring,
  places: readonly number[],
  own: Pattern,
  other: Pattern | undefined,
  change: number,
): SideFit {
  const count = places.length - change;
  const ownNeeds = needsOfPattern(own, 'side');
  const otherNeeds = other && needsOfPattern(other, 'side');
  const lopsided =
    otherNeeds !== undefined && !comesOutEven(count, ownNeeds) && comesOutEven(count, otherNeeds);
  const pattern = lopsided ? other! : own;
  const needs: Needs = lopsided ? otherNeeds : ownNeeds;
  const perRepeat = totalPlacesUsed(pattern.body);
  const tooFew = count < needs.least;
  const over = tooFew ? 0 : placesOver(count, needs);
  const repeats = perRepeat === 0 || tooFew ? 0 : (count - needs.least - over) / perRepeat;

  const walk = new Walk(maker, below, places, skipChanges(pattern, repeats, change));
  if (!tooFew) {
    walk.do(pattern.head);
    for (let k = 0; k < repeats; k++) walk.do(pattern.body);
    walk.passOver(over);
    walk.do(pattern.tail);
  }
  const short = tooFew ? needs.least - count : over === 0 ? 0 : needs.modulus - over;
  const stuck = walk.stuck || (places.length === 0 && needs.least + perRepeat > 0);
  return { places: places.length, repeats, over, short, lopsided, change, stuck };
}

/** At which skips, counted from 0, a quiet change is made: the first, then the last. */
function skipChanges(pattern: Pattern, repeats: number, change: number): ReadonlyMap<number, number> {
  if (change === 0) return NO_CHANGES;
  const skips = (steps: readonly Step[]): number => steps.filter((s) => s.do === 'skip').length;
  const last = skips(pattern.head) + repeats * skips(pattern.body) + skips(pattern.tail) - 1;
  const one = Math.sign(change);
  return new Map(
    Math.abs(change) === 1
      ? [[0, one]]
      : [
          [0, one],
          [last, change - one],
        ],
  );
}

const NO_CHANGES: ReadonlyMap<number, number> = new Map();

/** Walks the places of a side and makes what the steps say. */
class Walk {
  stuck = false;
  private next = 0;
  private passed = NOTHING;
  private last = NOTHING;
  private skips = 0;

  constructor(
    private readonly maker: Maker,
    private readonly below: Ring,
    private readonly places: readonly number[],
    private readonly changes: ReadonlyMap<number, number>,
  ) {}

  do(steps: readonly Step[]): void {
    for (const step of steps) {
      if (step.do === 'make') this.maker.add(step.what, NOTHING);
      else if (step.do === 'skip') this.skip(step.count + (this.changes.get(this.skips++) ?? 0), step.of);
      else for (let k = 0; k < step.times; k++) this.work(step.what, step.into, step.at);
    }
  }

  passOver(count: number): void {
    this.next += count;
  }

  private skip(count: number, of: PlaceKind): void {
    for (let k = 0; k < count; k++) this.passed = this.take(of);
  }

  private work(what: readonly Stitch[], into: PlaceKind, at: 'next' | 'same' | 'skipped'): void {
    const place = at === 'next' ? this.take(into) : at === 'same' ? this.last : this.passed;
    if (at === 'next') this.last = place;
    for (const stitch of what) {
      this.maker.add(stitch, place);
      for (let leg = 1; leg < placesTaken(stitch); leg++) this.take(into);
    }
  }

  private take(kind: PlaceKind): number {
    const place = this.places[this.next++] ?? NOTHING;
    if (place === NOTHING || !isPlaceOf(this.below, place, kind)) this.stuck = true;
    return place;
  }
}

/** Works a corner and says where its new centre is. */
function workCorner(maker: Maker, below: Ring, centre: Centre, corner: CornerRecipe, plain: Stitch): Centre {
  const { before, group, after, pair } = corner;
  const second = (centre.start + 1) % below.made.length;
  for (const s of before) maker.add(s, NOTHING);
  const start = maker.made.length;
  let found: Centre;
  if (corner.skipped) found = { start, length: 0 };
  else if (centre.length === 2 && pair) {
    for (const s of pair[0]) maker.add(s, centre.start);
    for (const s of pair[1]) maker.add(s, second);
    const [larger, offset] = pair[0].length >= pair[1].length ? [pair[0], 0] : [pair[1], pair[0].length];
    found = shifted(centreOf(larger), start + offset);
  } else if (group.length > 0) {
    // Between the two of a pair, or the stitches on either side of a corner that has no centre of its own.
    const place =
      centre.length === 2 ? gapBefore(second) : centre.length === 0 ? gapBefore(centre.start) : centre.start;
    for (const s of group) maker.add(s, place);
    found = shifted(centreOf(group), start);
  } else found = walkRound(maker, below, centre, plain);
  for (const s of after) maker.add(s, NOTHING);
  return found;
}

const shifted = (centre: Centre, by: number): Centre => ({ start: centre.start + by, length: centre.length });

/**
 * The centre of a group worked into one corner: its chain space when it has one in the middle, else its
 * middle stitch, else its middle pair.
 *
 * @param group at least one stitch
 */
export function centreOf(group: readonly Stitch[]): Centre {
  const chains = group.flatMap((s, i) => (isChainRun(s) ? [i] : []));
  if (chains.length % 2 === 1) return { start: chains[(chains.length - 1) / 2]!, length: 1 };
  const stitches = group.flatMap((s, i) => (countsAsStitch(s) ? [i] : []));
  const middle = (stitches.length - 1) >> 1;
  const first = stitches[middle] ?? 0;
  return stitches.length % 2 === 1 || stitches.length === 0
    ? { start: first, length: 1 }
    : { start: first, length: 2 };
}

/** A corner with no increase: one stitch in each stitch of the centre, one in each chain of a space. */
function walkRound(maker: Maker, below: Ring, centre: Centre, plain: Stitch): Centre {
  const start = maker.made.length;
  if (centre.length === 0) return { start, length: 0 };
  let stitches = 0;
  for (let k = 0; k < centre.length; k++) {
    const entry = (centre.start + k) % below.made.length;
    const count = Math.max(1, below.made[entry]!.chains);
    for (let c = 0; c < count; c++, stitches++) maker.add(plain, entry);
  }
  const middle = (stitches - 1) >> 1;
  return { start: start + middle, length: stitches % 2 === 1 ? 1 : 2 };
}

/** The first stitch that the recipe works along a side, which also carries it round a plain corner. */
export function plainStitchOf(recipe: Recipe): Stitch {
  for (const instruction of recipe.side) {
    const steps = instruction.do === 'repeat' ? instruction.body : [instruction];
    for (const step of steps) if (step.do === 'work') return step.what[0]!;
  }
  throw new Error('a recipe works no stitch along its side');
}

/**
 * Works a pattern that runs round the whole ring. A corner's centre takes the corner group when the pattern
 * would put one plain stitch there; a motif of the pattern that falls on it is worked as it comes. A centre that the
 * pattern passes over, as one of chains, leaves a corner without a centre of its own between what comes before and
 * after it.
 */
function workWholeRing(below: Ring, recipe: Recipe): WorkedRound {
  const kinds = placeKindsUsed(recipe.side);
  const size = below.made.length;
  const start = below.centres[0]?.start ?? 0;
  const cornerOf = new Map<number, number>();
  below.centres.forEach((centre, corner) => {
    if (centre.length > 0) cornerOf.set(centre.start, corner);
  });
  const inner = new Maker();
  const places = placesInSpan(below, { start, length: size }, kinds);
  const fit = workAlong(inner, below, places, patternOf(recipe.side), undefined, 0);

  const maker = new Maker();
  const order = (place: number): number => (entryOf(place) - start + size) % size;
  const centres: (Centre | undefined)[] = below.centres.map(() => undefined);
  inner.made.forEach((stitch, i) => {
    const place = inner.into[i]!;
    const first = place !== NOTHING && inner.into[i - 1] !== place;
    const corner = first ? cornerOf.get(place) : undefined;
    if (first) {
      below.centres.forEach((centre, c) => {
        const past = order(place) - order(centre.start);
        if (past > 0 || (past === 0 && centre.length === 0))
          centres[c] ??= { start: maker.made.length, length: 0 };
      });
    }
    if (corner !== undefined) {
      const alone = inner.into[i + 1] !== place;
      const group = alone && recipe.corner.group.length > 0 ? recipe.corner.group : undefined;
      centres[corner] = shifted(centreOf(group ?? [stitch]), maker.made.length);
      if (group) {
        for (const s of group) maker.add(s, place);
        return;
      }
    }
    maker.add(stitch, place);
  });
  const ends: Centre = { start: 0, length: 0 };
  return { ring: maker.ring(centres.map((c) => c ?? ends)), sides: [fit] };
}
