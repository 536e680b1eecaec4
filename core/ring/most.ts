/** How much a round can come to, found without working it. */
import { sidePattern, placeKindsUsed, totalPlacesUsed, type Recipe, type RecipeStep } from './recipe.ts';
import { placesInSpan, sideCount, type Ring } from './ring.ts';
import type { Stitch } from './stitch.ts';
import type { Circumstances } from './work.ts';

/** Output of one pass of some steps: stitches, and chains one by one. */
const madeBy = (steps: readonly RecipeStep[]): number =>
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
  { corners, changes, rounded }: Circumstances,
  enough: number,
): number {
  const patterns = [sidePattern(recipe.side), ...(recipe.lopsided ? [sidePattern(recipe.lopsided)] : [])];
  const sides = sideCount(below);
  const cornersMake = Math.max(
    ...[recipe.corner, ...(corners ?? [])].map(
      ({ before, group, after, pair }) =>
        weightOf(before) +
        weightOf(after) +
        Math.max(weightOf(group), weightOf(pair?.[0] ?? []) + weightOf(pair?.[1] ?? [])),
    ),
  );
  const changed =
    (changes ?? []).reduce((sum, c) => sum + Math.abs(c), 0) +
    (rounded ?? []).reduce((sum, { before, after }) => sum + before + after, 0);
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
