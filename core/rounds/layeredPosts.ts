import { family } from './family.ts';

/** Front-post rounds with the back of the work facing: doubles first, half doubles after, since posts sink. */
export const layeredPosts = family({
  id: 'layered-posts',
  name: 'Layered post rounds',
  about: 'Worked around the posts from the back: the round before stands out in front.',
  repeatable: true,
  corners: ['threes'],
  write: (_, round) => {
    // Along the sides doubles in every round, since posts sink; the corners, which sit in spaces, are halves after the first.
    const atCorner = round === 0 ? 'dc' : 'hdc';
    return `side: *FPdc around next post*
corner: (3 ${atCorner}, ch 2, 3 ${atCorner}) in corner
facing: wrong`;
  },
});
