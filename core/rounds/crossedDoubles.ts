import { family } from './family.ts';

/** Each pair worked back to front. */
export const crossedDoubles = family({
  id: 'crossed-doubles',
  name: 'Crossed stitches',
  about: 'Pairs that cross in front of each other.',
  corners: ['twos'],
  repeatable: true,
  write: () => `side: *sk 1, dc in next st, dc in skipped st*
corner: (2 dc, ch 2, 2 dc) in corner`,
});
