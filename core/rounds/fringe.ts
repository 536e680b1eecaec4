import { family, SMALL_PARTS } from './family.ts';

/** Tassels, one in each corner. */
export const fringe = family({
  id: 'fringe',
  name: 'Tassel fringe',
  about: 'Cut strands knotted in at even distances.',
  sizes: [2, 3, 4, 5, 6],
  sizeCounts: 'stitches to a tassel',
  edge: 'fringed',
  caution: SMALL_PARTS,
  write: ({ size }) => `side: sk ${size - 1}, *tassel in next st, sk ${size - 1}*
corner: tassel in corner
surface: yes`,
});
