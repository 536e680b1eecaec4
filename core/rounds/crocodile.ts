import { family } from './family.ts';

/** A mesh of pairs, then scales over its posts; the next mesh goes on between the two of each pair. */
export const crocodile = family({
  id: 'crocodile',
  name: 'Crocodile scales',
  about: 'Pairs in an open mesh, and scales worked down and up their posts. Thirsty.',
  roundsPerRepeat: 2,
  repeatable: true,
  write: (_, round) => {
    if (round % 2 === 1) {
      return `side: *5 dc around next post, ch 1, 5 dc around next post*
corner: skip
surface: yes`;
    }
    return `side: ch 2, *2 dc in next ${round === 0 ? 'gap' : 'pair'}, ch 2*
corner: (2 dc, ch 3, 2 dc) in corner`;
  },
});
