import { describe, expect, test } from '@jest/globals';
import { problemLine } from '../problems.ts';
import { compareBorders } from '../forecast/borders.ts';
import { troublesOf } from '../forecast/troubles.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { troubleWords } from '../forecast/troubleWords.ts';
import { plan } from './planner.ts';
import { planComesOutEven, isWholeAndEven, leftOut } from './types.ts';

const own = (text: string) =>
  entry({ id: 'own', family: 'own', written: { text, language: 'us', name: '', note: '' } });

describe('a round that is not worked', () => {
  test('does not pass as fitting, whether it cannot be read or finds nothing to go into', () => {
    for (const [round, code] of [
      [own('side: *sc in nowhere*\ncorner: walk round'), 'written-unreadable'],
      [own('round: *3 dc in next gap*'), 'round-makes-nothing'],
    ] as const) {
      const hem = rowsHem({ rounds: [entry(), round] });
      const made = plan(hem);
      expect(planComesOutEven(made)).toBe(true);
      expect(leftOut(made).map((p) => p.code)).toContain(code);
      expect(isWholeAndEven(made)).toBe(false);
      expect(compareBorders(hem)[0]!.even).toBe(false);
    }
  });

  test('is told with what it finds too few of', () => {
    const made = plan(rowsHem({ rounds: [entry(), own('round: *3 dc in next gap*')] }));
    const [problem] = leftOut(made);
    expect(problemLine(problem!)).toMatch(/too few gaps between groups/);
  });
});

describe('a small adjustment that a round cannot take', () => {
  const shell = (changes: Readonly<Record<string, readonly number[]>>, counts: readonly number[]) =>
    plan(
      rowsHem({
        counts,
        rounds: [entry({ id: 's', family: 'shell', stitch: 'hdc', corner: 'three', changes })],
      }),
    );

  test('is refused by name, and nothing hangs', () => {
    // A shell edge skips one at a time: two fewer is the most that its first and last skip allow.
    const made = shell({ '0': [-3, 0, 0, 0] }, [50, 53, 50, 53]);
    const { fit } = made.rounds[1]!.sides[0]!;
    expect(fit).toMatchObject({ change: -2, refused: -1 });
    expect(made.problems.map((p) => p.code)).toContain('change-not-taken');
    expect(troublesOf(made).map((t) => troubleWords(made, t))[0]).toMatch(/no way to work 1 fewer on side A/);
    // Every stitch goes into a place of its side.
    for (const into of made.rounds[1]!.ring.into) expect(into).toBeGreaterThanOrEqual(-1);
  });

  test('in a round that runs past the corners, or has no skip, is refused whole', () => {
    for (const family of ['triple-picot', 'twisted-edge', 'ruffle'] as const) {
      const made = plan(
        rowsHem({ rounds: [entry({ id: 'x', family, stitch: 'sc', changes: { '0': [2, 0, 0, 0] } })] }),
      );
      const { fit } = made.rounds[1]!.sides[0]!;
      expect([family, fit!.change + fit!.refused]).toEqual([family, 2]);
      if (fit!.refused !== 0) expect(made.problems.map((p) => p.code)).toContain('change-not-taken');
    }
  });

  test('sides that come out otherwise are told apart', () => {
    const made = shell({}, [51, 53, 50, 53]);
    const [first] = troublesOf(made).filter((t) => t.kind === 'does not fit');
    expect(troubleWords(made, first!)).toMatch(
      /does not fit: \d stitch(es)? left over on side \w and \d stitch(es)? left over on side/,
    );
  });
});
