import { STITCHES } from '../terms/stitches.ts';
import { family } from './family.ts';

/** Single crochet, or slip stitches, with a twist, with no increase. */
export const twistedEdge = family({
  id: 'twisted-edge',
  name: 'Twisted edge',
  about: 'Each stitch turned once on the hook: a soft rope.',
  corners: ['walk'],
  stitches: ['sc', 'slst'],
  write: ({ stitch }) => `side: *twisted ${STITCHES[stitch].us.abbreviation} in next st*
corner: walk round`,
});
