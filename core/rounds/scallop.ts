import { family } from './family.ts';

/** Fans of five with a slip stitch in the corner. */
export const scallop = family({
  id: 'scallop',
  name: 'Scallop edge',
  about: 'Tall fans of 5; the corner itself is held down.',
  edge: 'lobed',
  atEnd: 'sl st',
  write: () => `side: *sk 1, 5 dc in next st, sk 1, sl st in next st*, sk 1, 5 dc in next st, sk 1
corner: sl st in corner`,
});
