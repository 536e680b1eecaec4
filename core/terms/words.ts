/** Words around the stitches that differ between the languages of the craft. */
import type { Language } from './stitches.ts';

interface CraftWords {
  /** Abbreviation and verb for passing over a stitch. */
  readonly sk: string;
  readonly skip: string;
  readonly gauge: string;
  readonly counterclockwise: string;
  readonly weaveIn: string;
  /** With its article, as what a round is joined with. */
  readonly aSlipStitch: string;
  readonly slipStitch: string;
}

export const WORDS: Readonly<Record<Language, CraftWords>> = {
  us: {
    sk: 'sk',
    skip: 'skip',
    gauge: 'gauge',
    counterclockwise: 'counterclockwise',
    weaveIn: 'weave in',
    aSlipStitch: 'a sl st',
    slipStitch: 'sl st',
  },
  uk: {
    sk: 'miss',
    skip: 'miss',
    gauge: 'tension',
    counterclockwise: 'anticlockwise',
    weaveIn: 'sew in',
    aSlipStitch: 'ss',
    slipStitch: 'ss',
  },
};

/** A sentence with a capital. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Words of the screens in US terms, and in UK terms. */
const IN_UK: readonly (readonly [RegExp, string])[] = [
  [/\bcolor/gi, 'colour'],
  [/\bcenter/gi, 'centre'],
  [/\bgray/gi, 'grey'],
  [/meters\b/gi, 'metres'],
  [/\bfiber/gi, 'fibre'],
  [/\bgauge\b/gi, WORDS.uk.gauge],
  [/\bweave in\b/gi, WORDS.uk.weaveIn],
  [/\bskip\b/gi, WORDS.uk.skip],
  [/\bskipped\b/gi, 'missed'],
];

/**
 * Words of the screens in the terms of a language; they are kept in US terms.
 *
 * @example inTerms('Color of Rosehip', 'uk') // 'Colour of Rosehip'
 */
export const inTerms = (words: string, language: Language): string =>
  language === 'us'
    ? words
    : IN_UK.reduce(
        (told, [us, uk]) => told.replace(us, (found) => (/^[A-Z]/.test(found) ? capital(uk) : uk)),
        words,
      );
