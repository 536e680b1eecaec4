/** Where rounds begin and are joined. */

import type { RoundStarts, StartOfRound } from './baseRound.schema.ts';

export type { RoundStarts, StartOfRound } from './baseRound.schema.ts';

/** Stitches before the corner at which a round that starts before it begins. */
export const STITCHES_BEFORE_CORNER = 3;

/** The start of all rounds as that of one round of its own. */
export function ownStartOf({ at, side, stitches, join, first, chains }: RoundStarts): StartOfRound {
  return { at, side, stitches, join, first, chains };
}

/** A start as it is first offered: in the corner, the next right above. */
export const USUAL_START: RoundStarts = {
  at: 'corner',
  side: 0,
  stitches: 1,
  join: 'climbing',
  first: 'usual',
  chains: null,
  newYarn: 'same place',
  colour: 'anew',
  lastRow: 'cut',
  close: 'slip stitch',
  ending: 'slip stitch',
};
