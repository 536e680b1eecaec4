import { family } from './family.ts';

/** Pairs of singles; later rounds go into their chain spaces and do not grow. */
export const spider = family({
  id: 'spider',
  name: 'Spider stitch',
  about: 'Pairs with a chain between, nested into each other: close and supple.',
  stitches: ['sc'],
  repeatable: true,
  write: (_, round) =>
    round === 0
      ? `side: sk 1, *(sc, ch 1, sc) in next st, sk 1*
off center: *(sc, ch 1, sc) in next st, sk 1*
corner: (sc, ch 2, sc) in corner`
      : `side: *(sc, ch 1, sc) in next ch-sp*
corner: (sc, ch 2, sc) in corner`,
});
