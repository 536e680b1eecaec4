import { family } from './family.ts';

/** A puff in every second stitch. */
export const puff = family({
  id: 'puff',
  name: 'Puff edge',
  about: 'Soft puffs with a chain between.',
  stitches: ['hdc'],
  atEnd: 'hdc',
  write: () => `side: *sk 1, puff in next st, ch 1*, sk 1
off center: *sk 1, puff in next st, ch 1*
corner: (puff, ch 2, puff) in corner, ch 1`,
});
