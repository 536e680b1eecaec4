import { describe, expect, test } from '@jest/globals';
import { demoPlans } from '../../demo/read.ts';
import { PIECES } from '../testing/anyHem.ts';
import { LIMITS } from '../limits.ts';
import { STITCHES } from '../terms/stitches.ts';
import { corners, isDisc } from './outline.ts';
import { bodyOf, stitchesOf, type Piece } from './piece.ts';

/** Whether a point lies in a polygon, or within a little of it. */
function isInside(points: readonly { x: number; y: number }[], x: number, y: number, slack: number): boolean {
  let inside = false;
  let near = false;
  points.forEach((a, i) => {
    const b = points[(i + 1) % points.length]!;
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
    const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
    const t = Math.max(0, Math.min(1, ((x - a.x) * (b.x - a.x) + (y - a.y) * (b.y - a.y)) / length ** 2));
    if (Math.hypot(x - a.x - t * (b.x - a.x), y - a.y - t * (b.y - a.y)) <= slack) near = true;
  });
  return inside || near;
}

const count = (piece: Piece): number => stitchesOf(piece).reduce((sum, r) => sum + r.headX.length, 0);

const rows: Piece = {
  kind: 'rows',
  foundation: 'both loops of the chain',
  lastRow: 'stitch tops',
  stitches: 40,
  rows: [
    { stitch: 'dc', count: 10 },
    { stitch: 'sc', count: 4 },
  ],
  widthCm: 28,
  heightCm: 24,
};

describe('the stitches of a piece', () => {
  test.each([...PIECES, ...demoPlans().map(([name, p]) => [name, p.hem.piece] as const)])(
    'of %s lie on it, and stand as high as their kind',
    (_, piece) => {
      const { outline } = bodyOf(piece);
      const points = corners(outline, 0);
      const radius = points[0]!.x;
      const off: string[] = [];
      for (const { stitch, widthMm, headX, headY, footX, footY } of stitchesOf(piece)) {
        for (let i = 0; i < headX.length; i++) {
          for (const [x, y] of [
            [headX[i]!, headY[i]!],
            [footX[i]!, footY[i]!],
          ] as const) {
            const on = isDisc(outline) ? Math.hypot(x, y) <= radius + 0.1 : isInside(points, x, y, 0.5);
            if (!on) off.push(`${stitch} at ${x} ${y}`);
          }
          const high = Math.hypot(headX[i]! - footX[i]!, headY[i]! - footY[i]!);
          // Rounds and rows fill the piece as it was measured: not as high as by the book.
          const share = high / (STITCHES[stitch].height * widthMm);
          if (!(share > 0.3 && share < 3)) off.push(`${stitch} ${share} as high`);
        }
      }
      expect(off).toEqual([]);
    },
  );

  test('worked in rows are all but those of its edge, row by row, every other from the back', () => {
    const laid = stitchesOf(rows);
    expect(laid.map((r) => r.headX.length)).toEqual(Array.from({ length: 13 }, () => 38));
    expect(laid.map((r) => r.stitch)).toEqual([...Array<string>(10).fill('dc'), 'sc', 'sc', 'sc']);
    expect(laid.slice(0, 3).map((r) => r.wrong)).toEqual([false, true, false]);
    // Each stands on the one before.
    laid.slice(1).forEach((r, i) => expect(r.footY[0]).toBeCloseTo(laid[i]!.headY[0]!, 3));
    expect(stitchesOf(rows)).toBe(laid);
  });

  test('of motifs are drawn along seams too, but not where the edge is', () => {
    const edge = { kind: 'solid', stitch: 'dc', stitches: 10, between: false } as const;
    const one: Piece = {
      kind: 'grid',
      lattice: 'squares',
      halves: false,
      halfStitches: null,
      cornerChains: 2,
      cells: ['#'],
      edge,
      motifCm: 10,
    };
    const two: Piece = { ...one, cells: ['##'] };
    // Both motifs have ten more, along the seam between them.
    expect(count(two)).toBe(2 * count(one) + 20);
    const disc: Piece = {
      kind: 'motif',
      corners: 0,
      cornerChains: 0,
      edge: { ...edge, stitches: 60 },
      sideCm: 45,
    };
    const rings = stitchesOf(disc).map((r) => r.headX.length);
    expect([...rings].sort((a, b) => b - a)).toEqual(rings);
  });

  test('are not laid out where they are not known, or are too many', () => {
    expect(stitchesOf({ kind: 'cloth', widthCm: 40, heightCm: 30, pitchMm: 8 })).toEqual([]);
    const side = { lengthCm: 60, stitches: 80, turnDegrees: 120 };
    expect(stitchesOf({ kind: 'counted', sides: [side, side, side] })).toEqual([]);
    const huge: Piece = { ...rows, stitches: 900, rows: [{ stitch: 'sc', count: 900 }] };
    expect(900 * 900).toBeGreaterThan(LIMITS.fabricStitches);
    expect(stitchesOf(huge)).toEqual([]);
  });
});
