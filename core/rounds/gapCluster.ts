import { family } from './family.ts';

/** A cluster in every gap. */
export const gapCluster = family({
  id: 'gap-cluster',
  name: 'Clusters in gaps',
  about: 'Threes in the gaps of the clusters below, as the rounds of a clustered square.',
  repeatable: true,
  corners: ['threes'],
  write: () => `side: *3 dc in next gap*
corner: (3 dc, ch 2, 3 dc) in corner`,
});
