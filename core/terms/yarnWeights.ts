/**
 * The numbered yarn weights with starting values for hook, gauge, thickness and length. Every value is a
 * starting point that the user replaces by what they measure.
 */
import type { Language } from './stitches.ts';

export type YarnWeightNumber = 0 | 1 | 2 | 3 | 4 | 5 | 6 | 7;

export interface YarnWeight {
  readonly number: YarnWeightNumber;
  readonly name: Readonly<Record<Language, string>>;
  /** Usual hooks, mm: smallest and largest. */
  readonly hookMm: readonly [number, number];
  /** Single crochet per 10 cm. */
  readonly stitchesPer10Cm: number;
  readonly diameterMm: number;
  readonly metresPer100G: number;
}

const weight = (
  number: YarnWeightNumber,
  us: string,
  uk: string,
  hookMm: readonly [number, number],
  stitchesPer10Cm: number,
  diameterMm: number,
  metresPer100G: number,
): YarnWeight => ({ number, name: { us, uk }, hookMm, stitchesPer10Cm, diameterMm, metresPer100G });

export const YARN_WEIGHTS: readonly YarnWeight[] = [
  weight(0, 'lace', '2 ply', [1.5, 2.25], 34, 0.9, 750),
  weight(1, 'fingering', '4 ply', [2.25, 3.5], 25, 1.4, 400),
  weight(2, 'sport', '5 ply', [3.5, 4.5], 19, 1.8, 320),
  weight(3, 'light', 'DK', [4, 5.5], 16, 2.2, 230),
  weight(4, 'worsted', 'aran', [5, 6.5], 13.5, 2.9, 190),
  weight(5, 'bulky', 'chunky', [6.5, 9], 10, 3.8, 120),
  weight(6, 'super bulky', 'super chunky', [9, 15], 7.5, 5.5, 70),
  weight(7, 'jumbo', 'jumbo', [15, 25], 5, 9, 40),
];

/** The starting values of a numbered yarn weight. */
export function yarnWeight(number: YarnWeightNumber): YarnWeight {
  const found = YARN_WEIGHTS[number];
  if (!found) throw new RangeError(`no yarn weight ${String(number)}`);
  return found;
}

/** US sizes of hooks, as they are stamped on them. */
const US_HOOKS: readonly (readonly [mm: number, size: string])[] = [
  [2.25, 'B-1'],
  [2.75, 'C-2'],
  [3.25, 'D-3'],
  [3.5, 'E-4'],
  [3.75, 'F-5'],
  [4, 'G-6'],
  [4.5, '7'],
  [5, 'H-8'],
  [5.5, 'I-9'],
  [6, 'J-10'],
  [6.5, 'K-10½'],
  [8, 'L-11'],
  [9, 'M/N-13'],
  [10, 'N/P-15'],
  [15, 'P/Q'],
];

/** The hook one size larger or smaller, mm; the same one where there is none. */
export const nextHookMm = (mm: number, to: 'larger' | 'smaller'): number => {
  const sizes = US_HOOKS.map(([of]) => of);
  return (
    (to === 'larger' ? sizes.find((of) => of > mm + 0.01) : sizes.findLast((of) => of < mm - 0.01)) ?? mm
  );
};

/**
 * A hook as it is written on a pattern: millimetres, in US terms after its US size where one exists.
 *
 * @example hookLabel(5, 'us') // 'US H-8 (5 mm)'
 * @example hookLabel(5, 'uk') // '5 mm'
 */
export function hookLabel(mm: number, language: Language): string {
  if (language === 'uk') return `${mm} mm`;
  const size = US_HOOKS.find(([of]) => Math.abs(of - mm) < 0.01)?.[1];
  return size ? `US ${size} (${mm} mm)` : `${mm} mm`;
}
