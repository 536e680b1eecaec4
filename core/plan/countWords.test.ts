import { describe, expect, test } from '@jest/globals';
import { fitHem } from '../fit/open.ts';
import { takeSolution } from '../edits/solution.ts';
import { performed } from '../edits/edit.ts';
import { plan } from './planner.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { sourceWords } from './countWords.ts';

const shells = (counts: readonly number[]) =>
  rowsHem({
    counts,
    rounds: [entry({ id: 'a' }), entry({ id: 's', family: 'shell', stitch: 'hdc', corner: 'three' })],
  });

describe('where the count of a side comes from', () => {
  test('by a spacing, what it is made of', () => {
    const made = plan(rowsHem({ rounds: [entry({ id: 'a' })] }));
    expect(sourceWords(made.sides[0]!, made)).toMatch(/^152 = 150 stitches \+ 2 of the corners\.$/);
  });

  test('by hand, and for which round, when that comes out even', () => {
    const made = plan(shells([147, 162, 147, 162]));
    expect(sourceWords(made.sides[0]!, made)).toBe(
      'Your count: 149, 2 of them of the corners. For the shell edge: 37 × 4 + 3 in round 2.',
    );
    expect(sourceWords(made.sides[1]!, made)).toBe('Your count: 164, 2 of them of the corners.');
  });

  test('by a fit, the repeats that it is for', () => {
    const off = plan(shells([147, 161, 147, 161]));
    const [best] = fitHem(off.hem).solutions;
    const stack = off.rounds.slice(1).map((r) => r.written!);
    const outcome = performed(off.hem, takeSolution(stack, best!));
    if (!outcome.ok) throw new Error('it is sound');
    const fitted = plan(outcome.value);
    fitted.sides.forEach((s, side) => {
      if (s.choice.count === null) return;
      const words = sourceWords(s, fitted);
      if (!words.includes('Your count')) return;
      const told = /For the shell edge: (\d+) × (\d+)(?: \+ (\d+))? in round 2\.$/.exec(words);
      expect([words, told === null]).toEqual([words, false]);
      const [times, each, rest = 0] = told!.slice(1).map((n) => Number(n ?? 0));
      // So many places the round finds on that side.
      expect(times! * each! + rest).toBe(fitted.rounds[2]!.sides[side]!.fit!.places);
    });
    expect(fitted.rounds[2]!.even).toBe(true);
  });
});
