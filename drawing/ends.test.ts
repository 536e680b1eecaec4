import { describe, expect, test } from '@jest/globals';
import { demoPlan, demoPlans } from '../demo/read.ts';
import { yarnEndsOf } from '../core/procedure/ends.ts';
import { symbolFramesOf, framesOf } from './frames.ts';
import { sceneOf } from './scene.ts';
import { drawnEnds } from './starts.ts';

describe('ends of a finished border', () => {
  test.each(demoPlans())(
    'of %s are as many as are to be woven in, on the piece, and none over another',
    (_, plan) => {
      const { ends, pitchMm } = drawnEnds(plan);
      expect(ends.map((e) => e.number)).toEqual(Array.from({ length: yarnEndsOf(plan) }, (_e, k) => k));
      const { widthMm, heightMm } = plan.finishedSize;
      ends.forEach(({ mark }, k) => {
        expect(Math.abs(mark.x)).toBeLessThan(widthMm / 2);
        expect(Math.abs(mark.y)).toBeLessThan(heightMm / 2);
        for (const { mark: other } of ends.slice(k + 1))
          expect(Math.hypot(mark.x - other.x, mark.y - other.y)).toBeGreaterThan(0.9 * pitchMm);
      });
    },
  );
});

describe('crosses of a chart', () => {
  test('stand upright along all sides of a rectangle, corners included, and nothing else is turned', () => {
    const plan = demoPlan('harbour');
    const scene = sceneOf(plan, { face: 'symbols', seen: 'right', round: null, ground: '#ffffff' });
    let crosses = 0;
    for (const { chart, widthMm } of scene.rounds)
      chart.ring.made.forEach(({ kind, form }, i) => {
        const placed = symbolFramesOf(chart, i, widthMm);
        if (kind !== 'sc' || form !== 'plain') {
          expect(placed).toEqual(framesOf(chart, i, widthMm));
          return;
        }
        crosses++;
        const [, , c, d] = placed[0]!;
        // Along a side tops lie in a line: a cross on it is one whichever way it is turned by a right angle.
        const off = Math.min(Math.abs(c), Math.abs(d)) / Math.hypot(c, d);
        expect(off).toBeLessThan(0.12);
      });
    expect(crosses).toBeGreaterThan(500);
  });
});
