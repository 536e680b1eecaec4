import { family } from './family.ts';

/** Turns loops into an even ring of stitches. */
export const fillLoops = family({
  id: 'fill-loops',
  name: 'Fill the loops',
  about:
    'Twos or threes in every chain space, the singles passed over: the second round on corner-to-corner blocks.',
  stitches: ['hdc', 'dc'],
  sizes: [2, 3],
  sizeCounts: 'stitches in a space',
  corners: ['twos'],
  write: ({ stitch, size }) => `side: *${size} ${stitch} in next ch-sp*
corner: (2 ${stitch}, ch 2, 2 ${stitch}) in corner`,
});
