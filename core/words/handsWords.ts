/** What was learned of the hands, in words. */
import { USUAL_PACE, type Hands } from '../hands/hands.ts';
import type { Learned } from '../hands/ratio.ts';
import { plural } from './measures.ts';

/** What something that was learned rests on, such as “From 4 observations.”. */
export const basisWords = ({ basis, observations, doubted }: Learned): string =>
  basis === 'rule of thumb'
    ? 'A rule of thumb: nothing has been noted yet.'
    : `From ${plural(observations - doubted.length, 'observation')}.`;

/** A ratio beside 1, such as “7 % less”. @param same what is said where there is no difference */
function beside(
  ratio: number,
  [more, less, same]: readonly [more: string, less: string, same: string],
): string {
  const percent = Math.round((ratio - 1) * 100);
  return percent === 0 ? same : `${Math.abs(percent)} % ${percent > 0 ? more : less}`;
}

const YARN = ['more', 'less', 'the same'] as const;
const HEIGHT = ['higher', 'lower', 'the same'] as const;

/** A part of what was learned, as a sentence. */
export function handsWords(of: keyof Omit<Hands, 'counted'>, { ratio, low, high }: Learned): string {
  switch (of) {
    case 'time': {
      const pace = (x: number): number => Math.max(1, Math.round(USUAL_PACE / x));
      return `About ${pace(ratio)} stitches a minute, ${pace(high)} to ${pace(low)} at a time.`;
    }
    case 'yarn':
      return `Yarn, beside the rule of thumb: about ${beside(ratio, YARN)}; the next round between ${beside(low, YARN)} and ${beside(high, YARN)}.`;
    case 'height':
      return `Rounds, beside the rule of thumb: about ${beside(ratio, HEIGHT)}; the next between ${beside(low, HEIGHT)} and ${beside(high, HEIGHT)}.`;
  }
}
