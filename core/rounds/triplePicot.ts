import { family, LONG_LOOPS } from './family.ts';

/** Clovers at even distances round the whole ring. */
export const triplePicot = family({
  id: 'triple-picot',
  name: 'Triple picot',
  about: 'A clover of 3 picots, spread out evenly all the way around.',
  stitches: ['sc'],
  sizes: [5, 6, 7],
  sizeCounts: 'stitches to a clover',
  edge: 'lobed',
  caution: LONG_LOOPS,
  write: ({
    size,
  }) => `round: *sc in each of next ${size - 1} sts, (sc, ch 3, sc, ch 3, sc, ch 3, sc) in next st*
corner: 2 sc in corner`,
});
