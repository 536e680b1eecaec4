import { cornerTreatment } from '../terms/corners.ts';
import { chainsBetweenGroups, family, withChains } from './family.ts';

/** A cluster in every gap. */
export const gapCluster = family({
  id: 'gap-cluster',
  name: 'Groups in the gaps',
  about: '3 in every gap of the groups below.',
  repeatable: true,
  corners: ['threes', 'threes-3', 'sixes'],
  ...chainsBetweenGroups([0, 1, 2]),
  write: ({ corner, size }) => `side: ${withChains('*3 dc in next gap*', size)}
${cornerTreatment(corner).write('dc', 0)}`,
});
