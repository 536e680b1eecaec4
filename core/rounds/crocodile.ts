import { family } from './family.ts';

/** A mesh of pairs, then scales over its posts; the next mesh goes on between the two of each pair. */
export const crocodile = family({
  id: 'crocodile',
  name: 'Crocodile stitch',
  about: 'Pairs in an open mesh, then scales around their posts. Uses much yarn.',
  roundsPerRepeat: 2,
  repeatable: true,
  sizes: [2, 0],
  sizeCounts: 'chains beside the corner',
  write: ({ size }, round) => {
    if (round % 2 === 1) {
      return `side: *5 dc around next post, ch 1, 5 dc around next post*
corner: skip
surface: yes`;
    }
    const place = round === 0 ? 'gap' : 'pair';
    const side =
      size === 0
        ? `2 dc in next ${place}, *ch 2, 2 dc in next ${place}*`
        : `ch 2, *2 dc in next ${place}, ch 2*`;
    return `side: ${side}
around: *2 dc in next ${place}, ch 2*
corner: (2 dc, ch 3, 2 dc) in corner`;
  },
});
