/** Works the corners of a round, and finds their new middles. */
import type { RingBuilder } from './maker.ts';
import type { CornerRecipe } from './recipe.ts';
import { IN_NOTHING, gapBefore, type Centre, type Ring } from './ring.ts';
import { countsAsStitch, isChainRun, type Stitch } from './stitch.ts';

/**
 * Works the end of rows: what goes into the end stitch of the row below.
 *
 * @returns a centre at the outermost stitch, from which the sides are counted as from any corner
 */
export function workEnd(
  maker: RingBuilder,
  centre: Centre,
  { group }: CornerRecipe,
  end: 'first' | 'last',
): Centre {
  const start = maker.made.length;
  if (group.length === 0) return { start, length: 0 };
  for (const s of group) maker.add(s, centre.start);
  return { start: end === 'first' ? start : maker.made.length - 1, length: 1 };
}

/** Works a corner and says where its new centre is. */
export function workCorner(
  maker: RingBuilder,
  below: Ring,
  centre: Centre,
  corner: CornerRecipe,
  plain: Stitch,
): Centre {
  const { before, group, after, pair } = corner;
  const second = (centre.start + 1) % below.made.length;
  for (const s of before) maker.add(s, IN_NOTHING);
  const start = maker.made.length;
  let found: Centre;
  if (corner.skipped) found = { start, length: 0 };
  else if (centre.length === 2 && pair) {
    for (const s of pair[0]) maker.add(s, centre.start);
    for (const s of pair[1]) maker.add(s, second);
    if (pair[0].length === pair[1].length) return { start: start + pair[0].length - 1, length: 2 };
    const [larger, offset] = pair[0].length >= pair[1].length ? [pair[0], 0] : [pair[1], pair[0].length];
    found = shifted(centreOf(larger), start + offset);
  } else if (group.length > 0) {
    // Between the two of a pair, or the stitches on either side of a corner that has no centre of its own.
    const place =
      centre.length === 2 ? gapBefore(second) : centre.length === 0 ? gapBefore(centre.start) : centre.start;
    for (const s of group) maker.add(s, place);
    found = shifted(centreOf(group), start);
  } else found = walkRound(maker, below, centre, plain);
  for (const s of after) maker.add(s, IN_NOTHING);
  return found;
}

export const shifted = (centre: Centre, by: number): Centre => ({
  start: centre.start + by,
  length: centre.length,
});

/**
 * The centre of a group worked into one corner: its chain space when it has one in the middle, else its
 * middle stitch, else its middle pair, or what stands between the two of it, as a picot.
 *
 * @param group at least one stitch
 */
export function centreOf(group: readonly Stitch[]): Centre {
  const chains = group.flatMap((s, i) => (isChainRun(s) ? [i] : []));
  if (chains.length % 2 === 1) return { start: chains[(chains.length - 1) / 2]!, length: 1 };
  const stitches = group.flatMap((s, i) => (countsAsStitch(s) ? [i] : []));
  const middle = (stitches.length - 1) >> 1;
  const first = stitches[middle] ?? 0;
  // What stands between the middle two is the middle.
  const second = stitches[middle + 1];
  if (stitches.length % 2 === 0 && second !== undefined && second > first + 1) {
    return { start: first + 1, length: 1 };
  }
  return stitches.length % 2 === 1 || stitches.length === 0
    ? { start: first, length: 1 }
    : { start: first, length: 2 };
}

/** A corner with no increase: one stitch in each stitch of the centre, one in each chain of a space. */
function walkRound(maker: RingBuilder, below: Ring, centre: Centre, plain: Stitch): Centre {
  const start = maker.made.length;
  if (centre.length === 0) return { start, length: 0 };
  let stitches = 0;
  for (let k = 0; k < centre.length; k++) {
    const entry = (centre.start + k) % below.made.length;
    const under = below.made[entry]!;
    const count = isChainRun(under) ? under.chains : 1;
    for (let c = 0; c < count; c++, stitches++) maker.add(plain, entry);
  }
  const middle = (stitches - 1) >> 1;
  return { start: start + middle, length: stitches % 2 === 1 ? 1 : 2 };
}
