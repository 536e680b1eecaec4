import { family } from './family.ts';

/** Fans between the clusters of the round below. */
export const gapScallop = family({
  id: 'gap-scallop',
  name: 'Scallops in gaps',
  about: 'Fans in the gaps of the groups below, held down on the middle of each group.',
  edge: 'lobed',
  atEnd: '3 dc',
  write: () => `side: sk 1, sl st in next st, sk 1, *5 dc in next gap, sk 1, sl st in next st, sk 1*
corner: 7 dc in corner`,
});
