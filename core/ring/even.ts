/** Whether a round would come out even on a ring, found from counts alone. */
import {
  meetsNeeds,
  needsOf,
  needsOfPattern,
  isPlainPattern,
  sidePattern,
  placeKindsUsed,
  waysOf,
  type CornerRecipe,
  type Recipe,
} from './recipe.ts';
import { isWorkedSide } from '../piece/part.ts';
import { placesInSpan, placesOnSide, sideCount, type Ring } from './ring.ts';
import { placesBetween } from './turning.ts';
import type { Circumstances } from './work.ts';

/**
 * Whether every side takes the round without a stitch left over, by its multiple. Cost: linear in the ring. Whether the places come in
 * the order in which the pattern meets them is known only when it is worked.
 */
export function wouldComeOutEven(below: Ring, recipe: Recipe, { corners }: Circumstances = {}): boolean {
  if (recipe.scope === 'ring') {
    const span = { start: 0, length: below.made.length };
    return meetsNeeds(placesInSpan(below, span, placeKindsUsed(recipe.side)).length, needsOf(recipe));
  }
  const { own, other } = waysOf(recipe, below.centres.length > 0);
  const pattern = sidePattern(own);
  const kinds = placeKindsUsed(own);
  const sides = sideCount(below);
  const cornerAt = (corner: number): CornerRecipe => corners?.[corner % sides] ?? recipe.corner;
  for (let side = 0; side < sides; side++) {
    if (!isWorkedSide(below.part, side, sides)) continue;
    const places =
      below.centres.length === 0
        ? placesOnSide(below, side, kinds).length
        : placesBetween(below, side, kinds, [cornerAt(side), cornerAt(side + 1)]).length;
    if (places === 0) return false;
    if (isPlainPattern(pattern)) continue;
    const suits = (p: typeof pattern): boolean => meetsNeeds(places, needsOfPattern(p, 'side'));
    if (!suits(pattern) && !(other && suits(sidePattern(other)))) return false;
  }
  return true;
}
