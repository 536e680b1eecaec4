import { family, SMALL_PARTS } from './family.ts';

/** Balls on chains round the whole ring. */
export const dots = family({
  id: 'dots',
  name: 'Dots',
  about: 'Little balls on short chains, three slip stitches apart.',
  edge: 'fringed',
  corners: ['walk'],
  caution: SMALL_PARTS,
  write: () => `round: *dot, sl st in each of next 3 sts*`,
});
