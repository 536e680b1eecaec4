import { family } from './family.ts';

/** A popcorn in every third stitch. */
export const popcorns = family({
  id: 'popcorns',
  name: 'Popcorns',
  about: 'Firm popcorns that stand off the face.',
  write: () => `side: sc in each of next 2 sts, *popcorn in next st, sc in each of next 2 sts*
corner: 3 sc in corner`,
});
