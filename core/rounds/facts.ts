/** Facts of a family, computed from the rounds it writes. */
import { recipeOf } from '../notation/parse.ts';
import {
  needsOfPattern,
  sidePattern,
  placeKindsUsed,
  type Needs,
  type SidePattern,
  type Recipe,
  type RecipeStep,
} from '../ring/recipe.ts';
import { IN_NOTHING, placesOnSide, tallySide, type PlaceKind, type Ring } from '../ring/ring.ts';
import { centreOf } from '../ring/corner.ts';
import { workRound } from '../ring/work.ts';
import { chainRun, isChainRun, stitchOf, type Stitch } from '../ring/stitch.ts';
import type { Choice, Family } from './family.ts';

/** How a count on a side after one repeat follows from the one before: `per`·n + `plus`. */
export interface Growth {
  readonly per: number;
  readonly plus: number;
}

export interface FamilyFacts {
  /** Place that the first round goes into. */
  readonly sitsOn: PlaceKind;
  /** Needs of the first round, in places of that kind. */
  readonly needs: Needs;
  /** Needs of its less symmetrical way, where it has one. */
  readonly lopsidedNeeds: Needs | null;
  /** Place that one more repeat would go into; null where the family ends the border. */
  readonly nextSitsOn: PlaceKind | null;
  /** Stitches on a side after one repeat, from the places before it. */
  readonly stitches: Growth;
  /** Places of `nextSitsOn` after one repeat, from the places of `sitsOn` before it. */
  readonly places: Growth | null;
}

/** The choice that a new round of a family starts with. */
export const firstChoice = (family: Family): Choice => ({
  stitch: family.stitches[0]!,
  corner: family.corners[0]!,
  loop: family.loops[0]!,
  into: family.places[0]!,
  facing: null,
  size: family.sizes[0]!,
});

/** The kind of place that a recipe goes into first. */
export function sitsOn(recipe: Recipe): PlaceKind {
  const kinds = placeKindsUsed(recipe.side);
  return (
    (['gap', 'pair', 'space', 'post', 'between', 'either'] as const).find((kind) => kinds.has(kind)) ??
    'stitch'
  );
}

/** Recipes of one repeat of a family, the first of all its repeats or a later one. */
const repeatOf = (family: Family, choice: Choice, repeat: number): readonly Recipe[] =>
  Array.from({ length: family.roundsPerRepeat }, (_, k) =>
    recipeOf(family.write(choice, repeat * family.roundsPerRepeat + k)),
  );

/** Computes the facts of a family with a choice. */
export function factsOf(family: Family, choice: Choice = firstChoice(family)): FamilyFacts {
  const recipes = repeatOf(family, choice, 0);
  const first = recipes[0]!;
  const kind = sitsOn(first);
  const needs = needsInPlaces(sidePattern(first.side), first.scope, kind);
  const next = family.repeatable ? sitsOn(recipeOf(family.write(choice, family.roundsPerRepeat))) : null;
  const least = needs.least + 4 * needs.modulus;
  const [a, b] = [least, least + 2 * needs.modulus].map((n) => {
    const before = groundWith(kind, n);
    const after = workAll(before, recipes);
    return {
      n: placesOnSide(before, 0, new Set([kind])).length,
      stitches: tallySide(after, 0).stitches,
      places: next ? placesOnSide(after, 0, new Set([next])).length : 0,
    };
  }) as [Sample, Sample];
  return {
    sitsOn: kind,
    needs,
    lopsidedNeeds: first.lopsided ? needsInPlaces(sidePattern(first.lopsided), first.scope, kind) : null,
    nextSitsOn: next,
    stitches: line(a.n, a.stitches, b.n, b.stitches),
    places: next && line(a.n, a.places, b.n, b.places),
  };
}

/** Needs counted in places of one kind alone: a pattern over clusters and gaps is known by its gaps. */
function needsInPlaces(pattern: SidePattern, on: Needs['on'], kind: PlaceKind): Needs {
  const only = (steps: readonly RecipeStep[]): readonly RecipeStep[] =>
    steps.filter((s) => s.do === 'make' || (s.do === 'skip' ? s.of : s.into) === kind);
  const { head, body, tail } = pattern;
  return needsOfPattern({ head: only(head), body: only(body), tail: only(tail) }, on);
}

interface Sample {
  readonly n: number;
  readonly stitches: number;
  readonly places: number;
}

function line(x1: number, y1: number, x2: number, y2: number): Growth {
  const per = (y2 - y1) / (x2 - x1);
  return { per, plus: y1 - per * x1 };
}

/** The ring that the next round goes into after some rounds. */
export function workAll(ground: Ring, recipes: readonly Recipe[]): Ring {
  return recipes.reduce((ring, recipe) => (recipe.surface ? ring : workRound(ring, recipe).ring), ground);
}

/** A trial ring with one corner, whose side offers `count` places of a kind. */
export function groundWith(kind: PlaceKind, count: number): Ring {
  const sc = stitchOf({ kind: 'sc' });
  const dc = stitchOf({ kind: 'dc' });
  switch (kind) {
    case 'stitch':
    case 'post':
    case 'either':
      return trialRing(
        [sc, chainRun(2), sc],
        Array.from({ length: count - 2 }, () => [sc]),
      );
    case 'space':
      return trialRing(
        [sc, chainRun(2), sc],
        [[chainRun(2)], ...Array.from({ length: count - 1 }, () => [sc, chainRun(2)])],
      );
    case 'gap':
      return trialRing(
        [dc, dc, dc, chainRun(2), dc, dc, dc],
        Array.from({ length: count - 1 }, () => [dc, dc, dc]),
      );
    case 'between':
      return trialRing(
        [sc, chainRun(2), sc],
        Array.from({ length: count - 1 }, () => [sc]),
      );
    case 'pair':
      return trialRing(
        [dc, dc, chainRun(2), dc, dc],
        Array.from({ length: count - 2 }, () => [dc, dc]),
      );
  }
}

function trialRing(corner: readonly Stitch[], groups: readonly (readonly Stitch[])[]): Ring {
  const made: Stitch[] = [];
  const into: number[] = [];
  [corner, ...groups].forEach((group, place) => {
    for (const s of group) {
      made.push(s);
      into.push(isChainRun(s) ? IN_NOTHING : place);
    }
  });
  return { made, into: new Int32Array(into), centres: [centreOf(corner)] };
}

/** Ids of the families that give a ground of a kind where the ring offers none. */
const THEMES: Readonly<Record<PlaceKind, string | null>> = {
  stitch: null,
  post: null,
  gap: 'cluster',
  pair: 'crocodile',
  space: 'filet-mesh',
  between: null,
  either: null,
};

/**
 * The id of the family that must come before one that is to be worked onto a ring: null when the ring offers
 * what the family sits on.
 */
export function familyNeededBelow(family: Family, ring: Ring): string | null {
  const kind = sitsOn(recipeOf(family.write(firstChoice(family), 0)));
  return placesOnSide(ring, 0, new Set([kind])).length > 0 ? null : THEMES[kind];
}
