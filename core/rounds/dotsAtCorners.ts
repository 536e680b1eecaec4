import { family, SMALL_PARTS } from './family.ts';

/** Balls along each side, closer at the corners. */
export const dotsAtCorners = family({
  id: 'dots-at-corners',
  name: 'Ball edging, close at corners',
  about: 'Small balls with 3 slip stitches between, and one between the two at a corner.',
  stitches: ['slst'],
  corners: ['walk'],
  edge: 'fringed',
  caution: SMALL_PARTS,
  write: () => `side: dot, *sl st in each of next 3 sts, dot*
around: *sl st in each of next 3 sts, dot*
corner: walk round`,
});
