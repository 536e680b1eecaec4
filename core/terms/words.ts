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
