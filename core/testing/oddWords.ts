/** Words that no screen says: those that are no word and no number, and words of the terms that are not chosen. Sources of patterns. */
import type { Language } from '../terms/stitches.ts';

const NO_WORDS = 'undefined|NaN|Infinity|\\[object';
const OF_UK =
  'colour|\\bcentres?\\b|\\bgrey\\b|metres|fibre|\\b(?:tension|miss|sew in|anticlockwise|htr|ss)\\b';
const OF_US =
  'color|\\bcenters?\\b|\\bgray\\b|meters|fiber|\\b(?:gauge|weave in|skip|sk|counterclockwise|sc|hdc|hhdc|sl st)\\b';

export const ODD_WORDS: Readonly<Record<Language | 'any', string>> = {
  any: NO_WORDS,
  us: `${NO_WORDS}|${OF_UK}`,
  uk: `${NO_WORDS}|${OF_US}`,
};

/** Where one of them stands in a text, with what is round it. @param language null where any terms will do */
export const oddWordsIn = (text: string, language: Language | null): readonly string[] =>
  [...text.matchAll(new RegExp(`.{0,40}(?:${ODD_WORDS[language ?? 'any']}).{0,20}`, 'gi'))].map((m) => m[0]);
