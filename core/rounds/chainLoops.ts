import { family, LONG_LOOPS } from './family.ts';

/** Loops over the gaps, left open: the last round of loops and blocks. */
export const chainLoops = family({
  id: 'chain-loops',
  name: 'Chain loops',
  about: 'Chain spaces over the gaps of groups: an open last round.',
  stitches: ['sc'],
  edge: 'lobed',
  caution: LONG_LOOPS,
  write: () => `side: ch 3, *sc in next gap, ch 3*
corner: (sc, ch 3, sc) in corner`,
});
