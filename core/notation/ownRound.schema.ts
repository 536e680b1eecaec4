/** A round in its maker's own words, with a name and a note. */
import { LIMITS } from '../limits.ts';
import { record, text, type Of } from '../schema.ts';
import { language } from '../terms/terms.schema.ts';

export const ownRound = record({
  text: text(LIMITS.writtenLetters, 0),
  language,
  name: text(LIMITS.ownName, 0),
  note: text(LIMITS.ownNote, 0),
});

export type OwnWritten = Of<typeof ownRound>;
