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
  gapBefore,
  placeKind,
  placesInSpan,
  placesOnSide,
  sideCount,
  type Centre,
  type PlaceKind,
  type Ring,
} from './ring.ts';
import { countsAsStitch, isChainRun, placesTaken, type Stitch } from './stitch.ts';
import {
  comesOutEven,
  needsOfPattern,
  patternOf,
  placeKindsUsed,
  placesOver,
  totalPlacesUsed,
  type Pattern,
  type Recipe,
  type Step,
} from './recipe.ts';

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
  /** The ring below offers no place of the kind that the round needs, or meets them in another order. */
  readonly stuck: boolean;
}

export interface WorkedRound {
  readonly ring: Ring;
  readonly sides: readonly SideFit[];
}

/** A growing ring. */
class Maker {
  readonly made: Stitch[] = [];
  readonly into: number[] = [];

  add(stitch: Stitch, place: number): void {
    this.made.push(stitch);
    this.into.push(stitch.kind === 'ch' ? NOTHING : place);
  }

  ring(centres: readonly Centre[]): Ring {
    return { made: this.made, into: Int32Array.from(this.into), centres };
  }
}

/**
 * Works `recipe` onto `below`.
 *
 * @returns the new ring and how each side came out; it never throws for a count that does not fit.
 */
export function workRound(below: Ring, recipe: Recipe): WorkedRound {
  return recipe.scope === 'side' ? workSides(below, recipe) : workWholeRing(below, recipe);
}

function workSides(below: Ring, recipe: Recipe): WorkedRound {
  const own = patternOf(recipe.side);
  const other = recipe.lopsided && patternOf(recipe.lopsided);
  const kinds = placeKindsUsed(recipe.side);
  const maker = new Maker();
  const centres: Centre[] = [];
  const sides: SideFit[] = [];
  for (let side = 0; side < sideCount(below); side++) {
    if (below.centres.length > 0) centres.push(workCorner(maker, below, below.centres[side]!, recipe));
    sides.push(workAlong(maker, below, placesOnSide(below, side, kinds), own, other));
  }
  return { ring: maker.ring(centres), sides };
}

function workAlong(
  maker: Maker,
  below: Ring,
  places: readonly number[],
  own: Pattern,
  other: Pattern | undefined,
): SideFit {
  const ownNeeds = needsOfPattern(own, 'side');
  const lopsided =
    other !== undefined &&
    !comesOutEven(places.length, ownNeeds) &&
    comesOutEven(places.length, needsOfPattern(other, 'side'));
  const pattern = lopsided ? other : own;
  const needs = lopsided ? needsOfPattern(other, 'side') : ownNeeds;
  const perRepeat = totalPlacesUsed(pattern.body);
  const tooFew = places.length < needs.least;
  const over = tooFew ? 0 : placesOver(places.length, needs);
  const repeats = perRepeat === 0 || tooFew ? 0 : (places.length - needs.least - over) / perRepeat;

  const walk = new Walk(maker, below, places);
  if (!tooFew) {
    walk.do(pattern.head);
    for (let k = 0; k < repeats; k++) walk.do(pattern.body);
    walk.passOver(over);
    walk.do(pattern.tail);
  }
  const short = tooFew ? needs.least - places.length : over === 0 ? 0 : needs.modulus - over;
  return { places: places.length, repeats, over, short, lopsided, stuck: walk.stuck || places.length === 0 };
}

/** Walks the places of a side and makes what the steps say. */
class Walk {
  stuck = false;
  private next = 0;
  private passed = NOTHING;
  private last = NOTHING;

  constructor(
    private readonly maker: Maker,
    private readonly below: Ring,
    private readonly places: readonly number[],
  ) {}

  do(steps: readonly Step[]): void {
    for (const step of steps) {
      if (step.do === 'make') this.maker.add(step.what, NOTHING);
      else if (step.do === 'skip') this.skip(step.count, step.of);
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
    if (place === NOTHING) this.stuck = true;
    else {
      const found = placeKind(this.below, place);
      if (found !== kind && !(kind === 'post' && found === 'stitch')) this.stuck = true;
    }
    return place;
  }
}

/** Works a corner and says where its new centre is. */
function workCorner(maker: Maker, below: Ring, centre: Centre, recipe: Recipe): Centre {
  const { before, group, after, pair } = recipe.corner;
  const second = (centre.start + 1) % below.made.length;
  for (const s of before) maker.add(s, NOTHING);
  let found: Centre;
  if (centre.length === 2 && pair) {
    const start = maker.made.length;
    for (const s of pair[0]) maker.add(s, centre.start);
    for (const s of pair[1]) maker.add(s, second);
    const [larger, offset] = pair[0].length >= pair[1].length ? [pair[0], 0] : [pair[1], pair[0].length];
    found = shifted(centreOf(larger), start + offset);
  } else if (group.length > 0) {
    const place = centre.length === 2 ? gapBefore(second) : centre.start;
    const start = maker.made.length;
    for (const s of group) maker.add(s, place);
    found = shifted(centreOf(group), start);
  } else found = walkRound(maker, below, centre, recipe);
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
  return stitches.length % 2 === 1 ? { start: first, length: 1 } : { start: first, length: 2 };
}

/** A corner with no increase: one stitch in each stitch of the centre, one in each chain of a space. */
function walkRound(maker: Maker, below: Ring, centre: Centre, recipe: Recipe): Centre {
  const plain = plainStitchOf(recipe);
  const start = maker.made.length;
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
function plainStitchOf(recipe: Recipe): Stitch {
  for (const instruction of recipe.side) {
    const steps = instruction.do === 'repeat' ? instruction.body : [instruction];
    for (const step of steps) if (step.do === 'work') return step.what[0]!;
  }
  throw new Error('a recipe works no stitch along its side');
}

/**
 * Works a pattern that runs round the whole ring. A corner's centre takes the corner group when the pattern
 * would put one plain stitch there; a motif of the pattern that falls on it is worked as it comes.
 */
function workWholeRing(below: Ring, recipe: Recipe): WorkedRound {
  const kinds = placeKindsUsed(recipe.side);
  const start = below.centres[0]?.start ?? 0;
  const span = { start, length: below.made.length };
  const cornerOf = new Map<number, number>();
  below.centres.forEach((centre, corner) => cornerOf.set(centre.start, corner));
  const inner = new Maker();
  const fit = workAlong(inner, below, placesInSpan(below, span, kinds), patternOf(recipe.side), undefined);

  const maker = new Maker();
  const centres: Centre[] = below.centres.map(() => ({ start: 0, length: 1 }));
  inner.made.forEach((stitch, i) => {
    const place = inner.into[i]!;
    const corner = cornerOf.get(place);
    const alone = inner.into[i - 1] !== place && inner.into[i + 1] !== place;
    if (corner !== undefined && inner.into[i - 1] !== place) {
      const group = alone && recipe.corner.group.length > 0 ? recipe.corner.group : undefined;
      centres[corner] = shifted(centreOf(group ?? [stitch]), maker.made.length);
      if (group) {
        for (const s of group) maker.add(s, place);
        return;
      }
    }
    maker.add(stitch, place);
  });
  return { ring: maker.ring(centres), sides: [fit] };
}
