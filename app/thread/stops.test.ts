import { describe, expect, test } from '@jest/globals';
import { demoPlans } from '../../demo/read.ts';
import { plan } from '../../core/plan/planner.ts';
import { entry, rowsHem } from '../../core/testing/hems.ts';
import { baseWords } from '../../core/plan/countWords.ts';
import { STOPS } from './stops.ts';

const says = (hem: Parameters<typeof plan>[0]): Record<string, readonly [says: string, sound: boolean]> => {
  const made = plan(hem);
  return Object.fromEntries(STOPS.map((s) => [s.path, [s.says(made), s.sound(made)] as const]));
};

describe('the one line of each stop', () => {
  test('of a blanket that comes out even', () => {
    expect(says(rowsHem({ rounds: [entry({ times: 2 })] }))).toMatchObject({
      piece: ['110 × 118 cm', true],
      base: ['A 152 · B 170', true],
      rounds: ['2, all fit', true],
      pattern: ['US terms, 3 rounds', true],
    });
  });

  test('of one that does not, or has no round yet', () => {
    expect(says(rowsHem({ rounds: [entry({ family: 'shell', stitch: 'hdc' })] })).rounds).toEqual([
      'round 1 does not fit',
      false,
    ]);
    expect(says(rowsHem()).rounds).toEqual(['none yet', true]);
    expect(says(rowsHem({ counts: [190, 168, 190, 168] })).base).toEqual([
      'A 192 · B 170, side A ripples',
      false,
    ]);
  });

  test('facing sides that differ are all told', () => {
    expect(baseWords(plan(rowsHem({ counts: [150, 168, 151, 168] })))).toBe('A 152 · B 170 · C 153 · D 170');
  });

  test.each(demoPlans())('%s has something to say at every stop', (_, made) => {
    for (const stop of STOPS) expect(stop.says(made).length).toBeGreaterThan(4);
    expect(STOPS[1]!.says(made)).toContain(String(made.rounds[0]!.sides[0]!.tally.stitches));
  });
});
