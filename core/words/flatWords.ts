/** How flat a round lies, in words. */
import type { Hem } from '../document/hem.ts';
import type { Verdict } from '../flat/flat.ts';

const WORDS: Readonly<Record<Verdict, string>> = {
  flat: 'lies flat',
  'blocks out': 'flattens with blocking',
  ripples: 'ripples',
  cups: 'pulls in',
};

export const flatnessWords = (verdict: Verdict): string => WORDS[verdict];

/** What is to be remembered wherever it is said how a border lies; null while the piece itself lies flat. */
export function bodyLiesWords({ bodyLies }: Pick<Hem, 'bodyLies'>): string | null {
  if (bodyLies === 'flat') return null;
  return `The piece itself ${bodyLies === 'ripples' ? 'waves' : 'pulls in'}. A border will not cure that: block the piece first, and measure it then.`;
}
