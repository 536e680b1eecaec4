/** How flat a round lies, in words. */
import type { Verdict } from './flat.ts';

const WORDS: Readonly<Record<Verdict, string>> = {
  flat: 'lies flat',
  'blocks out': 'flattens with blocking',
  ripples: 'ripples',
  cups: 'pulls in',
};

export const flatnessWords = (verdict: Verdict): string => WORDS[verdict];
