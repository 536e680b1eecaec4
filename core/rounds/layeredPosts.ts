import { family } from './family.ts';

/** Front-post rounds with the back of the work facing: doubles first, half doubles after, since posts sink. */
export const layeredPosts = family({
  id: 'layered-posts',
  name: 'Layered post rounds',
  about: 'Worked from the back round the posts, so that each round stands in front of the last.',
  repeatable: true,
  corners: ['threes'],
  write: (_, round) => {
    const s = round === 0 ? 'dc' : 'hdc';
    return `side: *FP${s} around next post*
corner: (3 ${s}, ch 2, 3 ${s}) in corner
facing: wrong`;
  },
});
