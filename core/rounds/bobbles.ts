import { family } from './family.ts';

/** A bobble in every second stitch. */
export const bobbles = family({
  id: 'bobbles',
  name: 'Bobbles',
  about: 'Round bobbles on the front, with a low stitch between.',
  corners: ['three'],
  write: () => `side: sc in next st, *bobble in next st, sc in next st*
corner: 3 sc in corner`,
});
