/** Knowledge of hands in words. */
import { FLAT_LIMITS } from '../flat/flat.ts';
import { stitchName, type Language } from '../terms/stitches.ts';
import { USUAL_PACE, type CountedPlace, type Hands } from './hands.ts';
import type { Known, KnownHands } from './hands.schema.ts';
import type { Learned } from './ratio.ts';
import { capital } from '../terms/words.ts';
import { plural } from '../say/measures.ts';

/** Basis of something that was learned, such as “From 4 observations.”. */
export function learnedBasisWords({ basis, observations, doubted = [] }: Known & Partial<Learned>): string {
  const from = plural(observations - doubted.length, basis === 'swatch' ? 'swatch' : 'observation');
  switch (basis) {
    case 'rule of thumb':
      return 'Typical value; nothing logged yet.';
    case 'own word':
      return 'Your own word.';
    case 'swatch':
    case 'these hands':
      return `From ${from}.`;
  }
}

/** Basis of a number, within a sentence: “a typical value”. */
export const RESTS_ON: Readonly<Record<Known['basis'], string>> = {
  'rule of thumb': 'a typical value',
  swatch: 'your swatch',
  'own word': 'your own word',
  'these hands': 'your hands',
};

const USE_WORDS: Readonly<Record<keyof KnownHands, string>> = {
  time: 'pace',
  yarn: 'yarn',
  height: 'height of rounds',
  width: 'width of stitches',
  flat: 'what lies flat',
};

/** Parts of the hands that a hem reckons with, such as “pace, yarn”. */
export const knownWords = (known: KnownHands): string =>
  (Object.keys(USE_WORDS) as (keyof KnownHands)[])
    .filter((of) => known[of] !== null)
    .map((of) => USE_WORDS[of])
    .join(', ');

const PLACES: Readonly<Record<CountedPlace, string>> = {
  'base round': 'in base rounds',
  'straight rounds': 'in straight rounds',
  'rounds with chains or groups': 'in rounds with chains or groups',
};

/** How often a count was off, and where. */
export function countedWords({ sides, fewer, more, where }: Hands['counted']): string {
  if (sides === 0) return 'No side has been counted yet.';
  const off = fewer + more;
  const directions = [
    ...(fewer > 0 ? [`${fewer} too few`] : []),
    ...(more > 0 ? [`${more} too many`] : []),
  ].join(', ');
  const places = where.map((w) => `${PLACES[w.place]} ${w.off} of ${w.sides}`).join(', ');
  const { low, high } = shareBetween(off, sides);
  return (
    `${off} of ${plural(sides, 'counted side')} had another count than planned${off > 0 ? `: ${directions}` : ''}. ` +
    `${capital(places)}. Expect ${Math.round(100 * low)} to ${Math.round(100 * high)} in 100 sides to be off.`
  );
}

/** A share by what was counted, nine times in ten (Wilson, Probable Inference, 1927). */
function shareBetween(of: number, all: number): { readonly low: number; readonly high: number } {
  const z = 1.645;
  const p = of / all;
  const middle = (p + z ** 2 / (2 * all)) / (1 + z ** 2 / all);
  const half = (z / (1 + z ** 2 / all)) * Math.sqrt((p * (1 - p)) / all + z ** 2 / (4 * all ** 2));
  return { low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

/** A ratio beside 1, such as “7% less”. @param same what is said where there is no difference */
function beside(
  ratio: number,
  [more, less, same]: readonly [more: string, less: string, same: string],
): string {
  const percent = Math.round((ratio - 1) * 100);
  return percent === 0 ? same : `${Math.abs(percent)}% ${percent > 0 ? more : less}`;
}

const YARN = ['more', 'less', 'as much'] as const;
const HEIGHT = ['higher', 'lower', 'as high'] as const;
const WIDTH = ['wider', 'narrower', 'as wide'] as const;

/** “You use about 7% less yarn than usual”, or “about as much yarn as usual”. */
const usually = (begin: string, ratio: number, names: Parameters<typeof beside>[1], of = ''): string =>
  `${begin} about ${beside(ratio, names)} ${of}${beside(ratio, names) === names[2] ? 'as' : 'than'} usual`;

/** A part of what was learned, as a sentence. */
export function handsWords(of: keyof Omit<Hands, 'counted'>, { ratio, low, high }: Known): string {
  switch (of) {
    case 'time': {
      const pace = (x: number): number => Math.max(1, Math.round(USUAL_PACE / x));
      return `About ${pace(ratio)} stitches a minute, ${pace(high)} to ${pace(low)} at a time.`;
    }
    case 'yarn':
      return `${usually('You use', ratio, YARN, 'yarn ')}; the next round between ${beside(low, YARN)} and ${beside(high, YARN)}.`;
    case 'width':
      return `${usually('Your stitches are', ratio, WIDTH)} for the yarn; the next between ${beside(low, WIDTH)} and ${beside(high, WIDTH)}.`;
    case 'flat': {
      const limit = (of: number, x: number): string => (100 * of * x).toFixed(1);
      return `Lies flat up to about ${limit(FLAT_LIMITS.flat, ratio)}% off, flattens with blocking up to ${limit(FLAT_LIMITS.blocks, ratio)}% (between ${limit(FLAT_LIMITS.blocks, low)} and ${limit(FLAT_LIMITS.blocks, high)}%).`;
    }
    case 'height':
      return `${usually('Your rounds are', ratio, HEIGHT)}; the next between ${beside(low, HEIGHT)} and ${beside(high, HEIGHT)}.`;
  }
}

/** The stitches that a pace counts, and what comes on top. */
export function paceRestsOn(language: Language): string {
  const [half, single, double] = (['hdc', 'sc', 'dc'] as const).map((kind) => stitchName(kind, language));
  return `Time is counted by movements of the hook: a ${half} is one stitch of your pace, a ${single} three quarters of one, a ${double} five quarters. Starts, joins, new yarn and ends come on top.`;
}
