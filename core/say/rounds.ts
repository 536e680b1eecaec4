/** Rounds by their number, and words of rounds that are said of rows. */

/** “base round”, “round 3”. */
export const roundWords = (number: number): string => (number === 0 ? 'base round' : `round ${number}`);

/** “the base round”, “round 3”. */
export const theRoundWords = (number: number): string =>
  number === 0 ? 'the base round' : roundWords(number);

/** The same of rows: “Rnd 3”, “this round”, “the base round” become “Row 3”, “this row”, “the base row”. */
export const ofRows = (text: string): string =>
  text.replace(ROUNDS, '$1row').replace(NUMBERED, (_, letter: string, many = '') => `${letter}ow${many}`);

const ROUNDS = /\b((?:base|last|this|every|each|next|one|a|plain|own|In) )(?:round|rnd)\b/gi;
const NUMBERED = /\b([Rr])(?:ound|nd)(s?)(?= \d|s after)/g;
