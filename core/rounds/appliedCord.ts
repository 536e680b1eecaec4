import { family } from './family.ts';

/** A cord along the edge. */
export const appliedCord = family({
  id: 'applied-cord',
  name: 'Applied cord',
  about: 'A round cord of three stitches, joined to each stitch of the edge as it grows.',
  corners: ['walk'],
  stitches: ['slst'],
  write: () => `side: *cord in next st*
corner: walk round`,
});
