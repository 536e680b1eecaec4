import { family } from './family.ts';

/** Vs of two doubles. */
export const vStitch = family({
  id: 'v-stitch',
  name: 'V-stitch',
  about: 'Pairs with a chain between, each sitting in the V below.',
  repeatable: true,
  atEnd: 'dc',
  write: (_, round) =>
    `side: ${round === 0 ? 'sk 2, *(dc, ch 1, dc) in next st, sk 2*' : '*(dc, ch 1, dc) in next ch-sp*'}
corner: (dc, ch 1, dc, ch 2, dc, ch 1, dc) in corner`,
});
