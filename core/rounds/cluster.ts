import { cornerTreatment } from '../terms/corners.ts';
import { family } from './family.ts';

/** Threes in every third stitch. */
export const cluster = family({
  id: 'cluster',
  name: 'Clusters on a solid round',
  about: 'Threes with gaps between: open, quick, and ready for more in the gaps.',
  corners: ['threes', 'sixes'],
  write: ({ corner }) => `side: sk 2, *3 dc in next st, sk 2*
${cornerTreatment(corner).write('dc', 0)}`,
});
