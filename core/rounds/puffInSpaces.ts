import { family } from './family.ts';

/** Puffs over moss, or over any round of chain spaces. */
export const puffInSpaces = family({
  id: 'puff-in-spaces',
  name: 'Puffs in chain spaces',
  about: 'A puff in every chain space, a chain between: over moss rounds or a mesh.',
  stitches: ['hdc'],
  atEnd: 'hdc',
  write: () => `side: ch 1, *puff in next ch-sp, ch 1*
corner: (puff, ch 2, puff) in corner`,
});
