/** Readings of the tape, and the ways on, in words. */
import { roundIn } from '../plan/roundNames.ts';
import type { Plan } from '../plan/types.ts';
import { sideWords } from '../print/placeWords.ts';
import { lengthWords, timeWords } from '../say/measures.ts';
import { capital } from '../terms/words.ts';
import type { Lies, Tape, TapeWay } from './tape.ts';

const LIES: Readonly<Record<Lies, string>> = {
  flat: 'it lies flat',
  ripples: 'it ripples',
  cups: 'it pulls in',
};

const percent = (strain: number): string => {
  const rounded = Math.round(100 * strain);
  return `${Math.abs(rounded)} % ${rounded < 0 ? 'shorter' : 'longer'}`;
};

/** A stitch more or fewer in every so many, by which it would lie flat; null where that is next to nothing. */
export function rateWords(strain: number): string | null {
  const every = Math.round(1 / Math.abs(strain));
  return every > 60 ? null : `1 ${strain > 0 ? 'fewer' : 'more'} in every ${Math.max(2, every)}`;
}

/** Finding of a reading, with its range, and how much of it is known. */
export function tapeWords(plan: Plan, { strain, low, high, lies, from, side }: Tape): readonly string[] {
  const ends = [low, high].map((s) => Math.abs(Math.round(100 * s)));
  const range = `${Math.min(...ends)} to ${Math.max(...ends)}`;
  const between =
    Math.round(100 * low) < 0 && Math.round(100 * high) > 0
      ? `between ${percent(low)} and ${percent(high)}`
      : `${percent(strain)} (${range} %)`;
  const rate = rateWords(strain);
  const basis = `By this reading and the plan, the border is ${between} than the edge of ${sideWords(plan, side)} beneath it.`;
  if (lies === null)
    return [
      `${capital(basis)} Whether that will be seen cannot be told yet. Measure again over a longer stretch.`,
    ];
  if (lies === 'flat')
    return [
      `If it goes on like this, it lies flat.${from === null ? '' : ` From ${roundIn(plan, from)} on it may not.`}`,
      basis,
    ];
  return [
    `If it goes on like this, ${LIES[lies]}${from === null ? '' : ` from ${roundIn(plan, from)} on`}${rate === null ? '' : `: ${rate} would lie flat`}.`,
    basis,
  ];
}

/** A way on, such as “Rip these 10 cm and begin with A 148, B 201”. */
export function tapeWayWords(plan: Plan, { kind, then, price, strain }: TapeWay): string {
  const sides = then?.rounds[0]?.sides.flatMap(({ tally }, s) =>
    tally.stitches === plan.rounds[0]?.sides[s]?.tally.stitches
      ? []
      : [`${plan.sides[s]?.name ?? ''} ${tally.stitches}`],
  );
  const counts = sides && sides.length > 0 ? sides.join(', ') : null;
  const left = `at the worst ${Math.round(100 * strain)} % from flat`;
  switch (kind) {
    case 'rip': {
      const begin = counts
        ? `, and begin anew with ${counts}: ${left}`
        : ', and choose another hook, corner or count';
      return `Rip what is there of the round${begin}. About ${timeWords(price.minutes)} of work come off`;
    }
    case 'from here':
      return `Go on from here with ${counts ?? 'other counts'}: ${left}`;
    case 'next side':
      return `Change it from the next corner on, ${counts ?? 'with other counts'}: ${left}`;
    case 'wait':
      return 'Wait, and measure again at the end of the side';
  }
}

/** That the tape is asked for. */
export const tapeAsked = (plan: Plan): string =>
  `${lengthWords(100, plan.hem.preferences.length)} are made. Will it lie? One reading of the tape tells.`;
