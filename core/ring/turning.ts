/**
 * Stitches that a corner needs by the angle at which the outline turns. A side gains h·tan(φ/2) at each of its ends in
 * a round of height h; an inner corner (φ below 0) loses as much.
 */
import type { CornerRecipe } from './recipe.ts';
import { entryOf, isGap, placesInSpan, sideSpan, type PlaceKind, type Ring } from './ring.ts';
import { countsAsStitch, stitchOf, type Stitch } from './stitch.ts';

/**
 * Stitches to gain on either side of a corner in one round. What was rounded away is carried over: after n
 * rounds the sum is the exact need, rounded.
 *
 * @param turn radians
 * @param height of the round in stitch widths
 * @param before need so far, in stitch widths, of all rounds below
 * @returns an integer, negative at an inner corner
 */
function gainAtCorner(turn: number, height: number, before: number): number {
  const each = Math.tan(turn / 2);
  return Math.round((before + height) * each) - Math.round(before * each);
}

/**
 * The corner that an angle asks for: 1 + 2g stitches in one for a gain of g, so that a centre stitch always
 * remains, and a decrease over 1 + 2g places for a loss of g.
 *
 * @param before heights of the rounds below, in stitch widths
 */
export function cornerForTurn(stitch: Stitch, turn: number, height: number, before: number): CornerRecipe {
  const gain = gainAtCorner(turn, height, before);
  const group =
    gain < 0
      ? // Worked into the tops, also where the sides go around posts.
        [stitchOf({ ...stitch, post: 'none', form: 'together', legs: 1 - 2 * gain })]
      : Array.from({ length: 1 + 2 * gain }, () => stitch);
  return { before: [], group, after: [] };
}

/** How many stitches on either side of a corner its decrease takes up. */
function stitchesTakenBeside(corner: CornerRecipe): number {
  const only = corner.group[0];
  return corner.group.length === 1 && only?.form === 'together' ? (only.legs - 1) / 2 : 0;
}

/**
 * The places of a side that the decreases over its two corners leave, in working order. A decrease takes its stitches and what lies
 * between them and the corner; the gap beside the last of them is left.
 *
 * @param kinds of places that the round works into along the side
 */
export function placesBetween(
  ring: Ring,
  side: number,
  kinds: ReadonlySet<PlaceKind>,
  [before, after]: readonly [CornerRecipe, CornerRecipe],
): readonly number[] {
  const { start, length } = sideSpan(ring, side);
  const all = placesInSpan(ring, { start, length }, kinds);
  let [first, last] = [stitchesTakenBeside(before), stitchesTakenBeside(after)];
  if (first + last === 0) return all;
  const size = ring.made.length;
  const isStitch = (k: number): boolean => countsAsStitch(ring.made[(start + k) % size]!);
  let [from, to] = [0, length];
  for (; first > 0 && from < to; from++) if (isStitch(from)) first--;
  for (; last > 0 && from < to; to--) if (isStitch(to - 1)) last--;
  return all.filter((place) => {
    const k = (entryOf(place) - start + size) % size;
    return k >= from && (isGap(place) ? k <= to && from < to : k < to);
  });
}
