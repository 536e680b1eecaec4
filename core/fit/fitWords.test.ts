import { describe, expect, test } from '@jest/globals';
import type { FitSolution } from './fit.ts';
import { plan } from '../plan/planner.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { solutionWords, wayOutWords } from './fitWords.ts';

const made = plan(
  rowsHem({
    counts: [26, 30, 26, 30],
    rounds: [entry({ id: 'a' }), entry({ id: 's', family: 'shell', size: 5 })],
  }),
);
const nothing: FitSolution = {
  counts: [26, 30, 26, 30],
  changes: [0, 0, 0, 0],
  quiet: made.sides.map(() => [0, 0]),
  cost: 0,
  lopsided: false,
};
const onAll = (change: number, round: 0 | 1): FitSolution['quiet'] =>
  made.sides.map(() => (round === 0 ? [change, 0] : [0, change]));

describe('a solution of the fit is said', () => {
  test.each<[string, Partial<FitSolution>, string]>([
    ['nothing', {}, 'Change nothing'],
    ['two sides alike', { changes: [1, 0, 1, 0] }, 'Base round: 1 stitch more on sides A and C'],
    ['all sides', { changes: [-2, -2, -2, -2] }, 'Base round: 2 stitches fewer on every side'],
    [
      'sides apart',
      { changes: [1, -2, 0, 0] },
      'Base round: 1 stitch more on side A, 2 stitches fewer on side B',
    ],
    ['a plain round', { quiet: onAll(1, 0) }, 'Keep the base round. Round 1: 1 stitch more on every side'],
    [
      'a round with skips',
      { changes: [0, 1, 0, 1], quiet: onAll(-1, 1) },
      'Base round: 1 stitch more on sides B and D. Round 2: skip 1 stitch fewer on every side',
    ],
    ['a corner', { corners: { a: 'chain-2' } }, 'Corners of the plain round: 1, ch 2, 1'],
  ])('%s', (_, part, words) => expect(solutionWords(made, { ...nothing, ...part })).toBe(words));
});

test('what would free a stack is said as advice', () => {
  expect(wayOutWords(made, { by: 'ground', family: 'cluster' })).toBe('Add groups of 3 before it.');
  expect(wayOutWords(made, { by: 'plain round' })).toBe('Add a plain round before it.');
  expect(wayOutWords(made, { by: 'leaving it off' })).toBe('Without it all other rounds fit.');
  const solution = { ...nothing, changes: [14, 0, 14, 0] };
  expect(wayOutWords(made, { by: 'larger change', solution })).toBe(
    'It fits with a larger change. Base round: 14 stitches more on sides A and C.',
  );
});
