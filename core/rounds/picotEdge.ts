import { family } from './family.ts';

/** A picot at even distances. */
export const picotEdge = family({
  id: 'picot-edge',
  name: 'Picot edge',
  about: 'Small picots between plain stitches.',
  stitches: ['sc'],
  sizes: [2, 3, 4, 5],
  sizeCounts: 'stitches to a picot',
  edge: 'lobed',
  write: ({ size }) => `side: *sc in each of next ${size} sts, picot*, sc in each of next ${size} sts
corner: (sc, picot, sc) in corner`,
});
