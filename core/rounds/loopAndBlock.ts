import { chainsBetweenGroups, family, LONG_LOOPS, withChains } from './family.ts';

/** Two rounds: loops over the gaps, blocks in the loops. */
export const loopAndBlock = family({
  id: 'loop-and-block',
  name: 'Loops, then groups of 3',
  about: 'A round of chain spaces, then a group of 3 in each.',
  roundsPerRepeat: 2,
  ...chainsBetweenGroups([1, 0, 2]),
  repeatable: true,
  caution: LONG_LOOPS,
  write: ({ size }, round) =>
    round % 2 === 0
      ? `side: ch 3, *sc in next gap, ch 3*
corner: (sc, ch 3, sc) in corner`
      : `side: ${withChains('*3 dc in next ch-sp*', size)}
corner: (3 dc, ch 3, 3 dc) in corner`,
});
