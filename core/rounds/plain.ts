import { cornerTreatment } from '../terms/corners.ts';
import { PLACE_NAMES, PLAIN_PLACES } from '../terms/places.ts';
import { family, choiceStitchWords } from './family.ts';

/** One stitch in each, the corner of one's choice. */
export const plain = family({
  id: 'plain',
  name: 'Plain round',
  about: '1 in each stitch. A good start for any other round. In one loop only it leaves a ridge.',
  stitches: ['sc', 'esc', 'hdc', 'hhdc', 'dc', 'tr', 'dtr'],
  corners: [
    'three',
    'chain-1',
    'chain-2',
    'chain-3',
    'twos',
    'threes',
    'threes-3',
    'fours',
    'pairs',
    'angle',
    'rounded',
  ],
  sizes: [1, 2, 4],
  sizeCounts: 'stitches of radius',
  sizedCorner: 'rounded',
  loops: ['both', 'back', 'front', 'third'],
  places: PLAIN_PLACES,
  repeatable: true,
  write: (choice, round) => {
    // Only stitches have loops.
    const s = choiceStitchWords(choice.into === 'stitch' ? choice : { ...choice, loop: 'both' });
    return `side: *${s} in next ${PLACE_NAMES[choice.into].short[0]}*\n${cornerTreatment(choice.corner).write(s, round)}`;
  },
});
