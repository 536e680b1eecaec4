import { cornerTreatment } from '../terms/corners.ts';
import { family } from './family.ts';

/** A cluster in every gap. */
export const gapCluster = family({
  id: 'gap-cluster',
  name: 'Clusters in gaps',
  about: 'Threes in the gaps of the clusters below, as the rounds of a clustered square.',
  repeatable: true,
  corners: ['threes', 'threes-3', 'sixes'],
  write: ({ corner }) => `side: *3 dc in next gap*
${cornerTreatment(corner).write('dc', 0)}`,
});
