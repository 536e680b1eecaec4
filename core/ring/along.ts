/**
 * Works along a side: a plain one, or a pattern that repeats.
 *
 * State: the list of places that a side still offers and a cursor into it. Invariant: every place before
 * the cursor has been used or passed over, none after it. Cost: linear in the places and stitches. Where a
 * side does not come out even the surplus places are passed over before the pattern's tail and reported, so
 * that the ring always closes and everything after it can be computed.
 */
import { held } from '../held.ts';
import type { RingBuilder } from './maker.ts';
import {
  meetsNeeds,
  needsOfPattern,
  placesOver,
  totalPlacesUsed,
  type Needs,
  type SidePattern,
  type RecipeStep,
} from './recipe.ts';
import { IN_NOTHING, isPlaceOf, type PlaceKind, type Ring, type Span } from './ring.ts';
import { spread } from './spread.ts';
import { placesTaken, stitchOf, type Stitch } from './stitch.ts';

/** A quiet change by one at a place of a plain side, or a skip of a pattern: counted from 0 in the order of work. */
export interface PlacedChange {
  readonly at: number;
  readonly by: number;
}

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
  /** Skips at which it is made, in the order of work; none in a plain round. */
  readonly skips: readonly PlacedChange[];
  /** Rest of a quiet change that was asked for, and cannot be worked here. */
  readonly refused: number;
  /** The ring below offers no place of the kind that the round needs, or meets them in another order. */
  readonly stuck: boolean;
}

/** Where a side's stitches are made: entries of the round in working order. */
export interface SideLayout extends Span {
  /** The entry with which each turn of the open repeat begins; empty in a plain round, whose repeats are its stitches. */
  readonly repeats: readonly number[];
  /** The entry with which what comes after the last repeat begins. */
  readonly tail: number;
}

/**
 * Stretches of a round in entries counted from 0 in the order in which they are worked; corner and side i of the ring at
 * i, whichever way round the work runs.
 */
export interface Layout {
  /** Nothing of a corner where a pattern runs past it. */
  readonly corners: readonly Span[];
  /** One for each side; for a pattern that runs round the whole ring a single one. */
  readonly sides: readonly SideLayout[];
}

/** Increases of a rounded corner: how many lie on the side before it and on the one after, and how far from its middle. */
export interface RoundedCorner {
  readonly before: number;
  readonly after: number;
  /** Half the arc, in stitches. */
  readonly reach: number;
  /** By how much of the way from one increase to the next they are moved, so that those of two rounds do not meet: −0.5 to 0.5. */
  readonly shift: number;
}

/**
 * A plain side: one stitch in each place, with some stitches more or fewer than places where they are asked for.
 *
 * @param where the places of the change, where they were chosen; else it is spread evenly
 */
export function workPlain(
  maker: RingBuilder,
  places: readonly number[],
  stitch: Stitch,
  wanted: number,
  ends?: readonly [RoundedCorner, RoundedCorner],
  where?: readonly PlacedChange[],
): SideFit {
  const change = plainChange(wanted, places.length);
  if (change === 0 && !ends) maker.addEach(stitch, places);
  else {
    const chosen = change !== 0 && where ? chosenPlaces(places.length, change, where) : null;
    const taken = chosen?.taken ?? (change < 0 ? takenTogether(places.length, -change) : null);
    const counts = chosen?.counts ?? taken?.map(() => 1) ?? [...stitchesEach(places.length, change)];
    if (ends) addBesideCorners(counts, taken, ends);
    const two = stitchOf({ ...stitch, form: 'together', legs: 2 });
    let at = 0;
    counts.forEach((count, i) => {
      for (let k = 0; k < count; k++) maker.add(taken?.[i] === 2 ? two : stitch, places[at]!);
      at += taken?.[i] ?? 1;
    });
  }
  return {
    places: places.length,
    repeats: places.length,
    over: 0,
    short: 0,
    lopsided: false,
    change,
    skips: [],
    refused: wanted - change,
    stuck: places.length === 0,
  };
}

/**
 * Places that each stitch takes, and stitches that go into each, where the places of a change were chosen; null where it
 * cannot be made there.
 */
function chosenPlaces(
  places: number,
  change: number,
  where: readonly PlacedChange[],
): { readonly taken: readonly number[]; readonly counts: number[] } | null {
  if (where.reduce((sum, { by }) => sum + by, 0) !== change) return null;
  const by = new Map(where.map((c) => [c.at, c.by]));
  if (by.size < where.length) return null;
  const [taken, counts]: [number[], number[]] = [[], []];
  for (let at = 0; at < places; at += taken[taken.length - 1]!) {
    const here = by.get(at) ?? 0;
    by.delete(at);
    if (here < 0 && (at + 1 >= places || by.has(at + 1))) return null;
    taken.push(here < 0 ? 2 : 1);
    counts.push(here > 0 ? 1 + here : 1);
  }
  return by.size > 0 ? null : { taken, counts };
}

/** Stitches in each place of a side that has some more than places, spread evenly. */
const stitchesEach = (places: number, more: number): readonly number[] =>
  places === 0 ? [] : spread(places + more, new Array<number>(places).fill(1));

/** Places that each stitch takes on a side that has some fewer than places: 1, or 2 together. */
const takenTogether = (places: number, fewer: number): readonly number[] =>
  spread(places, new Array<number>(places - fewer).fill(1));

/** Puts one stitch more into places beside the corners of a side, those that are taken together left out. */
function addBesideCorners(
  counts: number[],
  taken: readonly number[] | null,
  [first, last]: readonly [RoundedCorner, RoundedCorner],
): void {
  const add = (more: number, { reach, shift }: RoundedCorner, fromEnd: boolean): void => {
    const room = Math.min(Math.max(reach, more), counts.length);
    for (let k = 0; k < more && counts.length > 0; k++) {
      let i = Math.min(counts.length - 1, Math.floor(((k + 0.5 + shift) * room) / more));
      const at = (): number => (fromEnd ? counts.length - 1 - i : i);
      while (taken?.[at()] === 2 && i < counts.length - 1) i++;
      if (taken?.[at()] !== 2) counts[at()]!++;
    }
  };
  add(first.after, first, false);
  add(last.before, last, true);
}

/** A quiet change as far as the places of a plain side allow it: no more than two are taken together. */
export const plainChange = (wanted: number, places: number): number =>
  Math.max(wanted, -Math.floor(places / 2));

/** A side with a pattern that repeats, with places more or fewer passed over where that is asked for. */
export function workAlong(
  maker: RingBuilder,
  below: Ring,
  places: readonly number[],
  own: SidePattern,
  other: SidePattern | undefined,
  wanted: number,
  where?: readonly PlacedChange[],
): Along {
  const along = workChanged(maker, below, places, own, other, changeIn(own, wanted), where);
  return { ...along, fit: { ...along.fit, refused: wanted - along.fit.change } };
}

interface Along {
  readonly fit: SideFit;
  readonly marks: Pick<SideLayout, 'repeats' | 'tail'>;
}

function workChanged(
  maker: RingBuilder,
  below: Ring,
  places: readonly number[],
  own: SidePattern,
  other: SidePattern | undefined,
  change: number,
  where: readonly PlacedChange[] | undefined,
): Along {
  const count = places.length - change;
  const ownNeeds = needsOfPattern(own, 'side');
  const otherNeeds = other && needsOfPattern(other, 'side');
  const lopsided = otherNeeds !== undefined && !meetsNeeds(count, ownNeeds) && meetsNeeds(count, otherNeeds);
  const pattern = lopsided ? held(other, 'two ways that alternate are two') : own;
  const needs: Needs = lopsided ? otherNeeds : ownNeeds;
  const perRepeat = totalPlacesUsed(pattern.body);
  const tooFew = count < needs.least;
  const over = tooFew ? 0 : placesOver(count, needs);
  const repeats = perRepeat === 0 || tooFew ? 0 : (count - needs.least - over) / perRepeat;

  const chosen = where && change !== 0 && chosenSkips(pattern, repeats, change, where) ? where : null;
  const possible = chosen ? change : changePossible(pattern, repeats, change);
  if (possible !== change) return workChanged(maker, below, places, own, other, possible, undefined);
  const skips = chosen ?? skipChanges(pattern, repeats, change);
  const walk = new Walk(maker, below, places, new Map(skips.map(({ at, by }) => [at, by])));
  const begins: number[] = [];
  if (!tooFew) {
    walk.do(pattern.head);
    for (let k = 0; k < repeats; k++) {
      begins.push(maker.made.length);
      walk.do(pattern.body);
    }
    walk.passOver(over);
  }
  const tail = maker.made.length;
  if (!tooFew) walk.do(pattern.tail);
  const short = tooFew ? needs.least - count : over === 0 ? 0 : needs.modulus - over;
  const stuck = walk.stuck || (places.length === 0 && needs.least + perRepeat > 0);
  const fit = { places: places.length, repeats, over, short, lopsided, change, skips, refused: 0, stuck };
  return { fit, marks: { repeats: begins, tail } };
}

/**
 * A quiet change as far as the skips of a side allow it: where there is but one, it alone is longer or shorter, by one; no
 * skip is shorter than nothing.
 */
function changePossible(pattern: SidePattern, repeats: number, change: number): number {
  if (change === 0) return 0;
  const { head, body, tail } = pattern;
  const [first] = [...head, ...(repeats > 0 ? body : []), ...tail].filter(isSkip);
  const last = [...head, ...(repeats > 0 ? body : []), ...tail].filter(isSkip).at(-1);
  if (!first || !last) return 0;
  const one = skipsMade(pattern, repeats) < 2;
  if (change > 0) return one ? 1 : change;
  return Math.max(change, one ? -Math.min(1, first.count) : -Math.min(1, first.count) - last.count);
}

const isSkip = (step: RecipeStep): step is Extract<RecipeStep, { do: 'skip' }> => step.do === 'skip';

/** At which skips a quiet change is made: the first, then the last. */
function skipChanges(pattern: SidePattern, repeats: number, change: number): readonly PlacedChange[] {
  if (change === 0) return [];
  const one = Math.sign(change);
  const first = { at: 0, by: one };
  return Math.abs(change) === 1
    ? [first]
    : [first, { at: skipsMade(pattern, repeats) - 1, by: change - one }];
}

/** Places that each skip of a side passes over, in the order of work. */
export function skipsAlong({ head, body, tail }: SidePattern, repeats: number): readonly number[] {
  const of = (steps: readonly RecipeStep[]): readonly number[] =>
    steps.flatMap((s) => (isSkip(s) ? [s.count] : []));
  return [...of(head), ...Array.from({ length: repeats }, () => of(body)).flat(), ...of(tail)];
}

/** Whether a quiet change can be made at the skips that were chosen for it. */
function chosenSkips(
  pattern: SidePattern,
  repeats: number,
  change: number,
  where: readonly PlacedChange[],
): boolean {
  const skips = skipsAlong(pattern, repeats);
  return (
    where.reduce((sum, { by }) => sum + by, 0) === change &&
    new Set(where.map(({ at }) => at)).size === where.length &&
    where.every(({ at, by }) => at < skips.length && skips[at]! + by >= 0)
  );
}

const skipsIn = (steps: readonly RecipeStep[]): number => steps.filter((s) => s.do === 'skip').length;

const skipsMade = ({ head, body, tail }: SidePattern, repeats: number): number =>
  skipsIn(head) + repeats * skipsIn(body) + skipsIn(tail);

/** A quiet change as far as a pattern allows it: only skips can change, and none that is worked into afterwards can go. */
function changeIn(pattern: SidePattern, wanted: number): number {
  const steps = [...pattern.head, ...pattern.body, ...pattern.tail];
  if (skipsIn(steps) === 0) return 0;
  return wanted < 0 && steps.some((s) => s.do === 'work' && s.at === 'skipped') ? 0 : wanted;
}

/** Walks the places of a side and makes what the steps say. */
class Walk {
  stuck = false;
  private next = 0;
  private passed = IN_NOTHING;
  private last = IN_NOTHING;
  private skips = 0;

  constructor(
    private readonly maker: RingBuilder,
    private readonly below: Ring,
    private readonly places: readonly number[],
    private readonly changes: ReadonlyMap<number, number>,
  ) {}

  do(steps: readonly RecipeStep[]): void {
    for (const step of steps) {
      if (step.do === 'make') this.maker.add(step.what, IN_NOTHING);
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
    // Nothing was worked into, or passed over, before.
    if (place === IN_NOTHING) this.stuck = true;
    for (const stitch of what) {
      this.maker.add(stitch, place);
      for (let leg = 1; leg < placesTaken(stitch); leg++) this.take(into);
    }
  }

  private take(kind: PlaceKind): number {
    const place = this.places[this.next++] ?? IN_NOTHING;
    if (place === IN_NOTHING || !isPlaceOf(this.below, place, kind)) this.stuck = true;
    return place;
  }
}
