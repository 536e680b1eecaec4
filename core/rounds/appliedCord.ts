import { family } from './family.ts';

/** A cord along the edge. */
export const appliedCord = family({
  id: 'applied-cord',
  name: 'Corded edge',
  about: 'A round cord of three stitches, joined to every stitch of the edge.',
  corners: ['walk'],
  stitches: ['slst'],
  write: () => `side: *cord in next st*
corner: walk round`,
});
