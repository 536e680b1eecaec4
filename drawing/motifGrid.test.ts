import { expect, test } from '@jest/globals';
import { demoPlans } from '../demo/read.ts';
import { plan } from '../core/plan/planner.ts';
import { bodyOf } from '../core/piece/piece.ts';
import { motifGridSvg } from './motifGrid.ts';

const joined = demoPlans().filter(([, made]) => made.body.edges.some((e) => e.joins.length > 0));

test.each(joined)(
  '%s: every seam of every side has its number, inside the piece, for either hand',
  (_, made) => {
    for (const hand of ['right', 'left'] as const) {
      const hem = { ...made.hem, preferences: { ...made.hem.preferences, hand } };
      const svg = motifGridSvg(plan(hem), 'Motifs')!;
      const texts = [...svg.matchAll(/translate\((-?[\d.]+) (-?[\d.]+)\)[^>]*>(\w+)</g)];
      const wanted = bodyOf(hem.piece).edges.flatMap((e) => e.joins.map((_unused, i) => String(i + 1)));
      const numbers = texts.filter(([, , , t]) => /^\d+$/.test(t!));
      expect(numbers.map(([, , , t]) => t).sort()).toEqual([...wanted].sort());
      const { widthMm, heightMm } = made.bodySize;
      for (const [, x, y] of numbers) {
        expect(Math.abs(Number(x))).toBeLessThan(widthMm / 2);
        expect(Math.abs(Number(y))).toBeLessThan(heightMm / 2);
      }
      expect(texts.filter(([, , , t]) => /^[A-Z]/.test(t!))).toHaveLength(made.sides.length);
    }
  },
);

test('what is not joined has no such drawing', () => {
  for (const [, made] of demoPlans()) {
    if (made.body.edges.some((e) => e.joins.length > 0)) continue;
    expect(motifGridSvg(made, 'Motifs')).toBeNull();
  }
});
