import { describe, expect, test } from '@jest/globals';
import { lengthAt, rectangle, regular } from '../piece/outline.ts';
import { sideWay } from './sideWay.ts';

describe('the way along a side between arcs', () => {
  test.each([
    ['a rectangle', rectangle(300, 200)],
    ['a hexagon', regular(6, 120)],
  ])('of %s is as long as its rounds are to be, smooth, and found again', (_, outline) => {
    for (let side = 0; side < outline.sides.length; side++) {
      const { path, along } = sideWay(outline, 30, 25, side);
      const points = Array.from({ length: 2001 }, (_, i) => path(i / 2000));
      const steps = points.slice(1).map((p, i) => Math.hypot(p.x - points[i]!.x, p.y - points[i]!.y));
      const length = steps.reduce((sum, s) => sum + s, 0);
      expect(length).toBeCloseTo(lengthAt(outline, side, 30, 25), 2);
      expect(Math.max(...steps) / Math.min(...steps)).toBeLessThan(1.001);
      for (const t of [0, 0.03, 0.5, 0.99]) {
        const { x, y } = path(t);
        expect(along(x, y, t)).toBeCloseTo(t, 6);
      }
      // It goes on where the next side begins.
      const next = sideWay(outline, 30, 25, (side + 1) % outline.sides.length).path(0);
      expect(Math.hypot(next.x - path(1).x, next.y - path(1).y)).toBeLessThan(1e-6);
    }
  });

  test('arcs that would be too wide meet in the middle of a side', () => {
    const outline = rectangle(100, 60);
    const points = Array.from({ length: 101 }, (_, i) => sideWay(outline, 0, 500, 1).path(i / 100));
    expect(points.flatMap((p) => [p.x, p.y]).filter(Number.isNaN)).toEqual([]);
  });
});
