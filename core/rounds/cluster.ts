import { cornerTreatment } from '../terms/corners.ts';
import { family } from './family.ts';

/** Threes in every third stitch. */
export const cluster = family({
  id: 'cluster',
  name: 'Groups of 3',
  about: '3 in one stitch, then a gap: open and quick. More groups can follow.',
  corners: ['threes', 'sixes'],
  write: ({ corner }) => `side: sk 2, *3 dc in next st, sk 2*
${cornerTreatment(corner).write('dc', 0)}`,
});
