/** Where rounds begin and are joined. */

export type { RoundStarts, StartOfRound } from './baseRound.schema.ts';

/** Stitches before the corner at which a round that starts before it begins. */
export const STITCHES_BEFORE_CORNER = 3;
