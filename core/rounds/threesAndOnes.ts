import { family, LONG_LOOPS } from './family.ts';

const ROUNDS = [
  `side: ch 2, *3 dc in next gap, ch 2, dc in next gap, ch 2*, 3 dc in next gap, ch 2
off center: ch 2, *3 dc in next gap, ch 2, dc in next gap, ch 2*
corner: (dc, ch 2, 3 dc, ch 2, dc) in corner`,
  `side: sc in next ch-sp, *ch 3, sc in next ch-sp, ch 5, sc in next ch-sp*, ch 3, sc in next ch-sp
off center: sc in next ch-sp, *ch 3, sc in next ch-sp, ch 5, sc in next ch-sp*, ch 3, sc in next ch-sp, ch 3, sc in next ch-sp
around: *sc in next ch-sp, ch 3, sc in next ch-sp, ch 5*
corner: ch 5 over corner`,
  `side: sc in next ch-sp, *7 dc in next ch-sp, sc in next ch-sp*
off center: sc in next ch-sp, *7 dc in next ch-sp, sc in next ch-sp*, sc in next ch-sp
around: *sc in next ch-sp, 7 dc in next ch-sp*
corner: 7 dc in corner`,
];

/** Three rounds: threes and ones by turns, loops over them, fans in the long loops. */
export const threesAndOnes = family({
  id: 'threes-and-ones',
  name: '3 and 1 alternately, then fans',
  about: 'Three rounds over the gaps of groups: high fans and low dips.',
  roundsPerRepeat: 3,
  edge: 'lobed',
  caution: LONG_LOOPS,
  write: (_, round) => ROUNDS[round % 3]!,
});
