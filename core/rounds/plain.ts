import { plainRound } from '../terms/corners.ts';
import type { Family } from './family.ts';

/** One stitch in each, the corner of one's choice. */
export const plain: Family = {
  id: 'plain',
  name: 'Plain round',
  about: 'One stitch in each: the ground that everything else stands on.',
  stitches: ['sc', 'hdc', 'dc'],
  corners: ['three', 'chain-1', 'chain-2', 'twos', 'threes', 'fours'],
  loops: ['both'],
  roundsPerRepeat: 1,
  repeatable: true,
  edge: 'straight',
  write: ({ stitch, corner }, round) => plainRound(stitch, corner, round),
};
