import { family } from './family.ts';

/** Single crochet with a twist, with no increase. */
export const twistedEdge = family({
  id: 'twisted-edge',
  name: 'Twisted edge',
  about: 'Each stitch turned once on the hook: a soft rope.',
  corners: ['walk'],
  stitches: ['sc'],
  write: () => `side: *twisted sc in next st*
corner: walk round`,
});
