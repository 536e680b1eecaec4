import { family } from './family.ts';

/**
 * Post rounds from either face, around the posts from the back of the fabric: front posts with that side facing, back posts with the other.
 * Doubles first, half doubles after, since posts sink.
 */
export const layeredPosts = family({
  id: 'layered-posts',
  name: 'Layered post rounds',
  about: 'Worked around the posts from the back: the round before stands out in front.',
  repeatable: true,
  corners: ['threes'],
  write: ({ facing }, round) => {
    // Along the sides doubles in every round, since posts sink; the corners, which sit in spaces, are halves after the first.
    const atCorner = round === 0 ? 'dc' : 'hdc';
    const seen = facing ?? 'wrong';
    return `side: *${seen === 'wrong' ? 'FP' : 'BP'}dc around next post*
corner: (3 ${atCorner}, ch 2, 3 ${atCorner}) in corner
facing: ${seen}`;
  },
});
