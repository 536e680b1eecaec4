/** Contrast of the colors of both themes (WCAG 2.2, 1.4.3 and 1.4.11). */
import { expect, test } from '@jest/globals';
import { wcagContrast } from 'culori';
import { THEMES, type Theme, type ThemeName } from './tokens.ts';

const GROUNDS = ['ground', 'sheet', 'wash'] as const;
const BANDS = ['flat', 'blocks'] as const;

/** Least contrast of each color on each of some grounds. */
const WANTED: readonly (readonly [readonly (keyof Theme)[], readonly (keyof Theme)[], number])[] = [
  [['ink', 'quiet'], [...GROUNDS, ...BANDS], 4.5],
  [['ripple', 'cup'], GROUNDS, 4.5],
  [['ripple', 'cup'], BANDS, 3],
  [['rim', 'focus'], GROUNDS, 3],
  [['onThread'], ['thread'], 4.5],
];

const CASES = (Object.keys(THEMES) as ThemeName[]).flatMap((theme) =>
  WANTED.flatMap(([colours, grounds, least]) =>
    colours.flatMap((colour) => grounds.map((on) => [theme, colour, on, least] as const)),
  ),
);

test.each(CASES)('by %s, %s on %s: %d', (theme, colour, on, least) => {
  expect(wcagContrast(THEMES[theme][colour], THEMES[theme][on])).toBeGreaterThanOrEqual(least);
});
