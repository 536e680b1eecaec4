import { family } from './family.ts';

/** Fans of five between slip stitches, a fan of seven in the corner. */
export const shell = family({
  id: 'shell',
  name: 'Shell edge',
  about: 'Fans of 5 held down by slip stitches, one of 7 at each corner.',
  stitches: ['hdc'],
  edge: 'lobed',
  atEnd: '3 hdc',
  write: () => `side: sk 1, sl st in next st, *sk 1, 5 hdc in next st, sk 1, sl st in next st*, sk 1
corner: 7 hdc in corner`,
});
