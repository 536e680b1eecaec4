import { describe, expect, test } from '@jest/globals';
import { demoPlans } from '../../demo/read.ts';
import { plan } from '../plan/planner.ts';
import { identityOfRound } from '../plan/types.ts';
import { after, varied, workedInto } from '../testing/worked.ts';
import { slipWords } from './slipWords.ts';
import { countSlip, lengthSlip, usedSlip, weightSlip } from './slips.ts';
import { yarnOf } from '../document/hem.ts';

const OFF = [0.85, 0.95, 1, 1.08, 1.2] as const;

describe('a number that is typed', () => {
  test('is not asked about when it is about right, and is with its point in the wrong place', () => {
    for (const [, made] of demoPlans()) {
      for (const round of made.rounds) {
        const yarn = yarnOf(made.hem, round.yarnId);
        const grams = (round.yarnM * 100) / yarn.metresPer100G;
        for (const off of OFF) {
          expect(usedSlip(made, yarn.id, round.yarnM, grams * off)).toBeNull();
          expect(lengthSlip(made, (round.heightMm / 10) * off, round.heightMm / 10)).toBeNull();
        }
        for (const slip of [10, 0.1]) {
          if (grams > 8) {
            const asked = usedSlip(made, yarn.id, round.yarnM, grams * slip);
            expect(asked!.instead! / grams).toBeCloseTo(1, 3);
          }
          if (round.heightMm > 20) {
            const cm = round.heightMm / 10;
            expect(lengthSlip(made, cm * slip, cm)!.instead! / cm).toBeCloseTo(1, 3);
          }
        }
      }
    }
  });

  test('on the scale goes by what was weighed before and what should have gone since', () => {
    const at = workedInto(varied, 1, 0.5);
    const base = { entry: null, index: 0 };
    const then = plan(
      after(at.hem, [
        { did: 'weighed', round: base, stitches: 0, yarn: at.rounds[1]!.yarnId, ball: 'new', grams: 48 },
      ]),
    );
    const round = then.rounds[1]!;
    const { stitches } = round.done!;
    const used = ((then.rounds[0]!.yarnM + round.yarnM / 2) * 100) / then.hem.yarns[0]!.metresPer100G;
    const left = Math.round((48 - used) * 10) / 10;
    expect(round.yarnId).toBe(then.rounds[0]!.yarnId);
    expect(weightSlip(then, round, stitches, true, left)).toBeNull();
    const asked = weightSlip(then, round, stitches, true, left * 10);
    expect(asked!.instead).toBeCloseTo(left, 1);
    expect(slipWords(asked!, (g) => `${g.toFixed(1)} g`)).toMatch(/Did you mean \d+\.\d g\?$/);
    expect(identityOfRound(round)).toEqual({ entry: 'a', index: 0 });
    // A ball that is begun holds no more than its label says.
    expect(weightSlip(then, round, stitches, false, 49)).toBeNull();
    expect(weightSlip(then, round, stitches, false, 490)!.instead).toBe(49);
    expect(slipWords(weightSlip(then, round, stitches, false, 4900)!, (g) => `${g} g`)).toContain(
      'note it all the same',
    );
  });

  test('of a count is asked about when a figure may be missing', () => {
    expect(
      [
        [144, 144],
        [141, 144],
        [14, 144],
        [1444, 144],
        [2, 5],
      ].map(([found, planned]) => countSlip(found!, planned!)),
    ).toEqual([false, false, true, true, false]);
  });
});
