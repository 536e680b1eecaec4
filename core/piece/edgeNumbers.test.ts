import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { constructionOf } from '../edits/constructions.ts';
import { describePiece } from '../edits/piece.ts';
import { performed } from '../edits/edit.ts';
import { rowsHem } from '../testing/hems.ts';
import { areasOf, bodyOf, onEdgesOf, partAt, pulledTo } from './piece.ts';
import { extent } from './outline.ts';
import { PIECE_KINDS } from './registry.ts';

const hem = rowsHem();
const pieceOf = (kind: (typeof PIECE_KINDS)[number]) => constructionOf(kind, hem);

describe.each(PIECE_KINDS)('numbers on the edges of %s', (kind) => {
  const piece = pieceOf(kind);

  test('stand on sides that there are, and are what was told', () => {
    const { edges } = bodyOf(piece);
    for (const { side, least, most, of, told } of onEdgesOf(piece)) {
      expect(side).toBeLessThan(edges.length);
      fc.assert(
        fc.property(fc.integer({ min: Math.ceil(least), max: Math.min(most, 59) }), (value) => {
          const changed = told(piece, value);
          expect(of(changed)).toBe(value);
          expect(performed(hem, describePiece('a number', changed)).ok).toBe(true);
        }),
        { seed: 3, numRuns: 12 },
      );
    }
  });

  test('and it is about as wide as it is pulled, where it is pulled by its edges', () => {
    for (const cm of [30, 61.5, 140]) {
      const pulled = pulledTo(piece, { widthCm: cm });
      if (pulled === null) continue;
      const { widthMm } = extent(bodyOf(pulled).outline, 0);
      // Motifs come whole.
      expect(Math.abs(widthMm / 10 - cm)).toBeLessThan(kind === 'grid' ? 8 : 0.1);
    }
  });
});

test('a part has its colour where it is said to be: the middles of its surfaces at the edge are its own', () => {
  const piece = pieceOf('rows');
  if (piece.kind !== 'rows') throw new Error('rows were wanted');
  const banded = {
    ...piece,
    rows: [
      { stitch: 'sc' as const, count: 6 },
      { stitch: 'dc' as const, count: 20 },
    ],
  };
  const areas = areasOf(banded);
  expect(areas.map((a) => a.part)).toEqual([0, 1]);
  for (const { part, points } of areas) {
    const y = points.reduce((sum, p) => sum + p.y, 0) / points.length;
    expect(partAt(banded, { x: points[0]!.x, y })).toBe(part);
  }
  const grid = pieceOf('grid');
  const parts = areasOf(grid).map((a) => a.part);
  expect(new Set(parts).size).toBe(parts.length);
});
