import { family } from './family.ts';

/** Points and dips of singles. */
export const chevron = family({
  id: 'chevron',
  name: 'Chevron',
  about: 'Zigzag points that follow the corners.',
  stitches: ['sc'],
  edge: 'lobed',
  atEnd: '2 sc',
  write:
    () => `side: *sc in each of next 4 sts, sk 2, sc in each of next 4 sts, 3 sc in next st*, sc in each of next 4 sts, sk 2, sc in each of next 4 sts
corner: 3 sc in corner`,
});
