import { family } from './family.ts';

/** A frill. */
export const ruffle = family({
  id: 'ruffle',
  name: 'Ruffle',
  about: '3 in every stitch: meant to ripple.',
  edge: 'lobed',
  ruffles: true,
  atEnd: '3 dc',
  write: () => `side: *3 dc in next st*
corner: 5 dc in corner`,
});
