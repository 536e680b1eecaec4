import { family } from './family.ts';

/** Turns loops into an even ring of stitches. */
export const fillLoops = family({
  id: 'fill-loops',
  name: 'Fill the chain spaces',
  about: '2 or 3 in every chain space: the second round on a corner-to-corner piece.',
  stitches: ['hdc', 'dc'],
  sizes: [2, 3],
  sizeCounts: 'stitches in a space',
  corners: ['twos'],
  write: ({ stitch, size }) => `side: *${size} ${stitch} in next ch-sp*
corner: (2 ${stitch}, ch 2, 2 ${stitch}) in corner`,
});
