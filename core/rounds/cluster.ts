import { cornerTreatment } from '../terms/corners.ts';
import { chainsBetweenGroups, family, withChains } from './family.ts';

/** Threes in every third stitch. */
export const cluster = family({
  id: 'cluster',
  name: 'Groups of 3',
  about: '3 in one stitch, then a gap, as in granny squares: open and quick. More groups can follow.',
  corners: ['threes', 'sixes'],
  ...chainsBetweenGroups([0, 1, 2]),
  write: ({ corner, size }) => `side: ${withChains('sk 2, *3 dc in next st, sk 2*', size)}
${cornerTreatment(corner).write('dc', 0)}`,
});
