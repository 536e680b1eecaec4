import { family, LONG_LOOPS } from './family.ts';

/** A double and a chain by turns, doubles over doubles. */
export const filetMesh = family({
  id: 'filet-mesh',
  name: 'Filet mesh',
  about: 'Square windows; ribbons can be drawn through.',
  repeatable: true,
  caution: LONG_LOOPS,
  write: (_, round) =>
    `side: ${round === 0 ? 'ch 1, sk 1, *dc in next st, ch 1, sk 1*' : 'ch 1, *dc in next st, ch 1*'}
corner: (dc, ch 3, dc) in corner`,
});
