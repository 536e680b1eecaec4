import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { splitRows } from '../../edits/piece.ts';
import { performed } from '../../edits/edit.ts';
import { rowsHem } from '../../testing/hems.ts';
import { cutOut, rowAt, withEdgeAt, type Runs } from './runs.ts';

const RUNS: Runs = [
  { stitch: 'sc', count: 4 },
  { stitch: 'dc', count: 48 },
  { stitch: 'hdc', count: 10 },
];
const total = (runs: Runs): number => runs.reduce((sum, r) => sum + r.count, 0);

describe('runs of rows', () => {
  test('the edge between two moves, and each keeps a row', () => {
    expect(withEdgeAt(RUNS, 1, 50).map((r) => r.count)).toEqual([4, 50, 8]);
    expect(withEdgeAt(RUNS, 1, 200).map((r) => r.count)).toEqual([4, 57, 1]);
    expect(withEdgeAt(RUNS, 0, -3).map((r) => r.count)).toEqual([1, 51, 10]);
  });

  test('rows are cut out of the middle, from below and from above', () => {
    expect(cutOut(RUNS, 1, 10, 12)!.map((r) => r.count)).toEqual([4, 10, 2, 36, 10]);
    expect(cutOut(RUNS, 1, 0, 12)!.map((r) => r.count)).toEqual([4, 12, 36, 10]);
    expect(cutOut(RUNS, 2, 6, 99)!.map((r) => r.count)).toEqual([4, 48, 6, 4]);
    // All of them are a run already.
    expect(cutOut(RUNS, 0, 0, 4)).toBeNull();
    expect(cutOut(RUNS, 7, 0, 1)).toBeNull();
  });

  test('whatever is moved or cut out, all rows stay, in their stitches', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2 }),
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 0, max: 60 }),
        (run, from, to) => {
          const cut = cutOut(RUNS, run, from, to);
          if (cut) {
            expect(total(cut)).toBe(total(RUNS));
            expect([...new Set(cut.map((r) => r.stitch))]).toEqual(['sc', 'dc', 'hdc']);
          }
          if (run < 2) expect(total(withEdgeAt(RUNS, run, from))).toBe(total(RUNS));
        },
      ),
      { seed: 7, numRuns: 200 },
    );
  });

  test('a height in a run lies in one of its rows', () => {
    expect([-0.2, 0, 0.24, 0.26, 0.99, 1, 3].map((share) => rowAt(share, 4))).toEqual([0, 0, 0, 1, 3, 3, 3]);
  });
});

test('rows that are split keep their colour, and those above keep theirs', () => {
  const hem = rowsHem();
  const [a, b] = ['#aa0000', '#00aa00'];
  const piece = { ...hem.piece, kind: 'rows' as const, rows: RUNS };
  const split = performed(
    { ...hem, piece, partColours: { '1': a, '2': b } } as typeof hem,
    splitRows(1, 10, 12),
  );
  if (!split.ok) throw new Error('rows were to be split');
  expect(split.value.partColours).toEqual({ '1': a, '2': a, '3': a, '4': b });
  expect(performed(hem, splitRows(9, 0, 1)).ok).toBe(false);
});
