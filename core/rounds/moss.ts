import { family } from './family.ts';

/** Single and chain by turns, also called linen stitch. */
export const moss = family({
  id: 'moss',
  name: 'Moss rounds',
  about: 'Low stitches in the chain spaces of the round below: woven, drapes well.',
  stitches: ['sc'],
  repeatable: true,
  write: (_, round) =>
    round === 0
      ? `side: ch 1, sk 1, *sc in next st, ch 1, sk 1*
corner: (sc, ch 2, sc) in corner`
      : `side: ch 1, *sc in next ch-sp, ch 1*
corner: (sc, ch 2, sc) in corner`,
});
