/** A round in its maker's own words, with a name and a note. */
import { LIMITS } from '../limits.ts';
import { record, text, type Of } from '../schema.ts';
import { language } from '../terms/terms.schema.ts';

/** Letters of its name and of its note. */
export const OWN_NAME = 100;
export const OWN_NOTE = 2_000;

export const ownRound = record({
  text: text(LIMITS.writtenLetters, 0),
  language,
  name: text(OWN_NAME, 0),
  note: text(OWN_NOTE, 0),
});

export type OwnWritten = Of<typeof ownRound>;
