import { cornerTreatment } from '../terms/corners.ts';
import { family } from './family.ts';

/** A cluster in every gap. */
export const gapCluster = family({
  id: 'gap-cluster',
  name: 'Groups in the gaps',
  about: '3 in every gap of the groups below.',
  repeatable: true,
  corners: ['threes', 'threes-3', 'sixes'],
  write: ({ corner }) => `side: *3 dc in next gap*
${cornerTreatment(corner).write('dc', 0)}`,
});
