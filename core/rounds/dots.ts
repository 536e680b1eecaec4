import { family, SMALL_PARTS } from './family.ts';

/** Balls on chains round the whole ring. */
export const dots = family({
  id: 'dots',
  name: 'Ball edging',
  about: 'Small balls on short chains, with 3 slip stitches between.',
  edge: 'fringed',
  corners: ['walk'],
  caution: SMALL_PARTS,
  write: () => `round: *dot, sl st in each of next 3 sts*`,
});
