/** The abbreviations that a text uses, with what they stand for. */
import { STITCHES, type Language, type StitchKind } from '../terms/stitches.ts';

interface Term {
  /** How it is found in a text. */
  readonly pattern: RegExp;
  readonly abbreviation: string;
  readonly meaning: string;
}

/** Everything that a pattern may abbreviate, in the order in which it is listed. */
function termsIn(language: Language): readonly Term[] {
  const us = language === 'us';
  const kinds = (Object.keys(STITCHES) as StitchKind[]).map((kind): Term => {
    const { abbreviation, name } = STITCHES[kind][language];
    // As a word of its own, with a prefix for a post, or with how many are worked together.
    const found = kind === 'ch' ? '\\b[Cc]h\\b' : `(?:\\b|\\b[FB]P)${abbreviation}(?:s?\\b|\\d+tog)`;
    return { pattern: new RegExp(found), abbreviation, meaning: name };
  });
  return [
    ...kinds,
    { pattern: /\dtog\b/, abbreviation: 'tog', meaning: 'together' },
    { pattern: /\bFP[a-z]/, abbreviation: 'FP', meaning: 'front post' },
    { pattern: /\bBP[a-z]/, abbreviation: 'BP', meaning: 'back post' },
    { pattern: /\bFLO\b/, abbreviation: 'FLO', meaning: 'front loop only' },
    { pattern: /\bBLO\b/, abbreviation: 'BLO', meaning: 'back loop only' },
    { pattern: /\b3rd lp\b/, abbreviation: '3rd lp', meaning: 'third loop, the bar below the back loop' },
    { pattern: /\b[Rr]ev /, abbreviation: 'rev', meaning: 'reverse (crab stitch)' },
    { pattern: /\bsts?\b/, abbreviation: 'st(s)', meaning: 'stitch(es)' },
    { pattern: /\bsps?\b/, abbreviation: 'sp', meaning: 'space' },
    { pattern: /\bch-sps?\b|\bch-\d+ sps?\b/, abbreviation: 'ch-sp', meaning: 'chain space' },
    us
      ? { pattern: /\bsk\b/, abbreviation: 'sk', meaning: 'skip' }
      : { pattern: /\bmiss\b/, abbreviation: 'miss', meaning: 'pass over' },
    { pattern: /\bpm\b/, abbreviation: 'pm', meaning: 'place marker' },
    { pattern: /\brep from\b/, abbreviation: 'rep', meaning: 'repeat' },
    { pattern: /\b[Rr]nds?\b/, abbreviation: 'rnd', meaning: 'round' },
    { pattern: /\bRS\b/, abbreviation: 'RS', meaning: 'right side' },
    { pattern: /\bWS\b/, abbreviation: 'WS', meaning: 'wrong side' },
  ];
}

/** @example termsOf(['2 sc in next st'], 'us') // ['sc single crochet', 'st(s) stitch(es)'] */
export const termsOf = (texts: readonly string[], language: Language): readonly string[] => {
  const text = texts.join('\n');
  return termsIn(language)
    .filter(({ pattern }) => pattern.test(text))
    .sort((a, b) => a.abbreviation.localeCompare(b.abbreviation, 'en'))
    .map(({ abbreviation, meaning }) => `${abbreviation} ${meaning}`);
};
