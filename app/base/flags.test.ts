import { describe, expect, test } from '@jest/globals';
import { demoPlans } from '../../demo/read.ts';
import { plan } from '../../core/plan/planner.ts';
import type { SpacingPlan } from '../../core/plan/types.ts';
import { anyHem } from '../../core/testing/anyHem.ts';
import { chanceOf } from '../../core/chance.ts';
import { flagLevels, placeFlags, spanOf } from './flags.ts';

const WIDTHS = [250, 280, 340, 420, 560, 720, 1100];

/** A line that spans all counts, with room at either end, as the count line does. */
function check(spacings: readonly SpacingPlan[], width: number): number {
  const counts = spacings.map((s) => s.count);
  const [low, high] = [Math.min(...counts) - 8, Math.max(...counts) + 8];
  const flags = placeFlags(spacings, (n) => ((n - low) / (high - low)) * width, width);
  expect(flags).toHaveLength(spacings.length);
  flags.forEach((a, i) => {
    const [from, to] = spanOf(a);
    for (const b of flags.slice(i + 1)) {
      if (a.level !== b.level) continue;
      const [start, end] = spanOf(b);
      expect([a.spacing.label, b.spacing.label, width, start > to || end < from]).toEqual([
        a.spacing.label,
        b.spacing.label,
        width,
        true,
      ]);
    }
    // It is cut off by neither end of the line, where it fits on it at all.
    if (a.px - (to - from) >= 0) expect(to).toBeLessThanOrEqual(width + 0.001);
    expect(from).toBeGreaterThanOrEqual(0);
  });
  return flagLevels(flags);
}

describe('the flags of a count line', () => {
  test.each(demoPlans())('of %s never cover each other, at any width', (_, made) => {
    for (const width of WIDTHS) for (const side of made.sides) check(side.spacings, width);
  });

  test('of any hem neither, with no more lines than there are flags', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const made = plan(anyHem(chanceOf(seed)));
      for (const width of WIDTHS)
        for (const side of made.sides)
          expect(check(side.spacings, width)).toBeLessThanOrEqual(side.spacings.length);
    }
  });

  test('that are far apart stand on one line', () => {
    const [spacing] = demoPlans()[0]![1].sides[0]!.spacings;
    const apart = [10, 400, 800].map((count) => ({ ...spacing!, count }));
    expect(flagLevels(placeFlags(apart, (n) => n, 1000))).toBe(1);
    const together = [10, 11, 12, 13, 14].map((count) => ({ ...spacing!, count }));
    expect(flagLevels(placeFlags(together, (n) => n, 1000))).toBe(5);
  });
});
