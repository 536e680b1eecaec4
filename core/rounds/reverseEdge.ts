import { family } from './family.ts';

/** Single crochet worked the other way round. */
export const reverseEdge = family({
  id: 'reverse-edge',
  name: 'Crab stitch edge',
  about: 'Worked backward: a twisted, hard-wearing rim.',
  corners: ['walk'],
  stitches: ['sc'],
  write: () => `side: *reverse sc in next st*
corner: walk round`,
});
