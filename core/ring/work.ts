/** Works one round onto a ring: its corners and sides, or a pattern that runs round all of it. */
import { held } from '../held.ts';
import { isWorkedSide, roleOf } from '../piece/part.ts';
import {
  workAlong,
  workPlain,
  type RoundedCorner,
  type Layout,
  type PlacedChange,
  type SideFit,
  type SideLayout,
} from './along.ts';
import { centreOf, shifted, workCorner, workEnd } from './corner.ts';
import { asFound } from './found.ts';
import { RingBuilder } from './maker.ts';
import { mirrored, mirroredCorners } from './mirror.ts';
import {
  isPlainPattern,
  sidePattern,
  placeKindsUsed,
  plainStitchOf,
  waysOf,
  type CornerRecipe,
  type Recipe,
} from './recipe.ts';
import { IN_NOTHING, entryOf, placesInSpan, sideCount, type Centre, type Ring, type Span } from './ring.ts';
import { placesBetween } from './turning.ts';

export interface WorkedRound {
  readonly ring: Ring;
  readonly sides: readonly SideFit[];
  readonly layout: Layout;
}

/** Differences from the recipe on this piece. */
export interface Circumstances {
  /** The recipe of every corner, where they are not all the recipe's own. */
  readonly corners?: readonly CornerRecipe[];
  /** Increases beside each corner of a plain round, where it is rounded. */
  readonly rounded?: readonly RoundedCorner[];
  /**
   * A quiet change for each side. In a plain round so many stitches more (two in one place) or fewer (two
   * together), spread evenly. In a patterned round so many places more passed over, or fewer, at the skips
   * next to the corners: at most 2 either way.
   */
  readonly changes?: readonly number[];
  /** For each side where its change is made, where that was chosen. */
  readonly changesAt?: readonly (readonly PlacedChange[])[];
  /** Stitches that were really found on each side when it was done, see {@link asFound}; null where nobody counted. */
  readonly found?: readonly (number | null)[];
  /** Of a pattern that runs round the whole ring: places after the first corner at which it begins. */
  readonly slide?: number;
  /** The work runs against the order of the ring, as it does when it has been turned. */
  readonly backwards?: boolean;
}

/**
 * Works `recipe` onto `below`.
 *
 * @returns the new ring and how each side came out; it never throws for a count that does not fit.
 */
export function workRound(below: Ring, recipe: Recipe, circumstances: Circumstances = {}): WorkedRound {
  if (circumstances.backwards) return workBackwards(below, recipe, circumstances);
  const worked =
    recipe.scope === 'side'
      ? workSides(below, recipe, circumstances)
      : workWholeRing(below, recipe, circumstances.changes ?? [], circumstances.slide ?? 0);
  return circumstances.found ? asFound(worked, circumstances.found) : worked;
}

/** Works against the order of the ring: on its mirror image, which is then mirrored back. */
function workBackwards(
  below: Ring,
  recipe: Recipe,
  { corners, rounded, changes, changesAt, slide, found }: Circumstances,
): WorkedRound {
  const n = below.centres.length;
  const worked = workRound(mirrored(below), recipe, {
    ...(corners && { corners: mirroredCorners(corners) }),
    ...(rounded && {
      rounded: mirroredCorners(rounded).map((r) => ({ ...r, before: r.after, after: r.before })),
    }),
    ...(changes && { changes: [...changes].reverse() }),
    ...(changesAt && { changesAt: [...changesAt].reverse() }),
    ...(slide !== undefined && { slide }),
    ...(found && { found: [...found].reverse() }),
  });
  const { ring, sides, layout } = worked;
  return {
    ring: mirrored(ring, below, placeKindsUsed(recipe.side).has('either')),
    sides: recipe.scope === 'ring' || n === 0 ? sides : [...sides].reverse(),
    layout: {
      corners: mirroredCorners(layout.corners),
      sides: recipe.scope === 'ring' || n === 0 ? layout.sides : [...layout.sides].reverse(),
    },
  };
}

function workSides(
  below: Ring,
  recipe: Recipe,
  { corners, rounded, changes, changesAt }: Circumstances,
): WorkedRound {
  const ways = waysOf(recipe, below.centres.length > 0);
  const own = sidePattern(ways.own);
  const other = ways.other && sidePattern(ways.other);
  const kinds = placeKindsUsed(ways.own);
  const plain = plainStitchOf(recipe);
  const maker = new RingBuilder(below.made.length + 64);
  const centres: Centre[] = [];
  const sides: SideFit[] = [];
  const layout: { corners: Span[]; sides: SideLayout[] } = { corners: [], sides: [] };
  // Rows begin at their end: they are made in the order in which they lie there.
  const n = sideCount(below);
  for (let k = 0, side = below.part?.first ?? 0; k < n; k++, side = (side + 1) % n) {
    const corner = corners?.[side] ?? recipe.corner;
    const next = corners?.[(side + 1) % n] ?? recipe.corner;
    if (below.centres.length > 0) {
      const start = maker.made.length;
      const role = roleOf(below.part, side, below.centres.length);
      const centre = below.centres[side]!;
      if (role === 'left') centres[side] = { start, length: 0 };
      else if (role !== 'turned') centres[side] = workEnd(maker, centre, corner, role);
      else centres[side] = workCorner(maker, below, centre, corner, plain);
      layout.corners[side] = { start, length: maker.made.length - start };
    }
    if (!isWorkedSide(below.part, side, below.centres.length)) {
      const start = maker.made.length;
      sides[side] = NOT_WORKED;
      layout.sides[side] = { start, length: 0, repeats: [], tail: start };
      continue;
    }
    const places = placesBetween(below, side, kinds, [corner, next]);
    const change = changes?.[side] ?? 0;
    const start = maker.made.length;
    if (isPlainPattern(own)) {
      const ends = rounded && ([rounded[side]!, rounded[(side + 1) % rounded.length]!] as const);
      sides[side] = workPlain(maker, places, plain, change, ends, changesAt?.[side]);
      const length = maker.made.length - start;
      layout.sides[side] = { start, length, repeats: [], tail: start + length };
    } else {
      const along = workAlong(maker, below, places, own, other, change, changesAt?.[side]);
      sides[side] = along.fit;
      layout.sides[side] = { start, length: maker.made.length - start, ...along.marks };
    }
  }
  return { ring: maker.ring(centres, below.part), sides, layout };
}

/** A side along which nothing is worked comes out even. */
const NOT_WORKED: SideFit = {
  places: 0,
  repeats: 0,
  over: 0,
  short: 0,
  lopsided: false,
  change: 0,
  skips: [],
  refused: 0,
  stuck: false,
};

/**
 * Works a pattern that runs round the whole ring. A corner's centre takes the corner group when the pattern
 * would put one plain stitch there; a motif of the pattern that falls on it is worked as it comes. A centre that the
 * pattern passes over, as one of chains, leaves a corner without a centre of its own between what comes before and
 * after it.
 */
function workWholeRing(below: Ring, recipe: Recipe, changes: readonly number[], slide: number): WorkedRound {
  const kinds = placeKindsUsed(recipe.side);
  const size = below.made.length;
  const begin = below.centres[0]?.start ?? 0;
  const fromCorner = placesInSpan(below, { start: begin, length: size }, kinds);
  const first = slide % Math.max(1, fromCorner.length);
  const places = [...fromCorner.slice(first), ...fromCorner.slice(0, first)];
  const start = first === 0 ? begin : entryOf(places[0]!);
  const cornerOf = new Map<number, number>();
  below.centres.forEach((centre, corner) => {
    if (centre.length > 0) cornerOf.set(centre.start, corner);
  });
  const inner = new RingBuilder();
  const { fit, marks } = workAlong(inner, below, places, sidePattern(recipe.side), undefined, 0);

  const maker = new RingBuilder();
  const order = (place: number): number => (entryOf(place) - start + size) % size;
  const centres: (Centre | undefined)[] = below.centres.map(() => undefined);
  const begins = new Set(marks.repeats);
  let last = IN_NOTHING;
  const repeats: number[] = [];
  inner.made.forEach((stitch, i) => {
    if (begins.has(i)) repeats.push(maker.made.length);
    const place = held(inner.placeOf(i), 'a stitch of the ring below offers a place');
    const first = place !== IN_NOTHING && place !== last;
    if (place !== IN_NOTHING) last = place;
    const corner = first ? cornerOf.get(place) : undefined;
    if (first) {
      below.centres.forEach((centre, c) => {
        const past = order(place) - order(centre.start);
        if (past > 0 || (past === 0 && centre.length === 0))
          centres[c] ??= { start: maker.made.length, length: 0 };
      });
    }
    if (corner !== undefined) {
      // A motif of the pattern may have chains between its stitches.
      let next = i + 1;
      while (inner.placeOf(next) === IN_NOTHING) next++;
      const alone = inner.placeOf(next) !== place;
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
  const { length } = maker.made;
  const nothing: Span = { start: 0, length: 0 };
  return {
    ring: maker.ring(centres.map((c) => c ?? ends)),
    // A side of a pattern that runs past the corners takes no change of its own.
    sides: [{ ...fit, refused: changes.find((change) => change !== 0) ?? 0 }],
    layout: {
      corners: below.centres.map(() => nothing),
      sides: [{ start: 0, length, repeats, tail: length }],
    },
  };
}
