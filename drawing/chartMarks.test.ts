import { describe, expect, test } from '@jest/globals';
import { plan } from '../core/plan/planner.ts';
import type { Plan } from '../core/plan/types.ts';
import { orderOfWork } from '../core/procedure/order.ts';
import { proceduresOf } from '../core/procedure/procedure.ts';
import { anyHem } from '../core/testing/anyHem.ts';
import { seeds } from '../core/testing/seeds.ts';
import { chanceOf } from '../core/chance.ts';
import { demoPlans } from '../demo/read.ts';
import { chartMarks } from './chartMarks.ts';
import { partBox, partsOfDrawing } from './viewParts.ts';
import { sceneOf } from './scene.ts';

const EVERYWHERE = { minX: -5000, minY: -5000, maxX: 5000, maxY: 5000 };
const scene = (made: Plan) =>
  sceneOf(made, { face: 'symbols', seen: 'right', round: null, ground: '#ffffff' });

describe('the marks of a chart', () => {
  test.each(demoPlans())('of %s name every round once, at its start where that is seen', (_, made) => {
    const marks = chartMarks(made, scene(made), EVERYWHERE);
    expect(marks.map((m) => parseInt(m.words) || 0)).toEqual(made.rounds.map((r) => r.number));
    expect(marks[0]!.words).toBe('B RS');
    for (const { part } of partsOfDrawing(made).values())
      expect(chartMarks(made, scene(made), partBox(made, part)).length).toBeGreaterThan(0);
  });

  test.each(seeds(12))('stand at the first stitch and point along the work, seed %i', (seed) => {
    const made = plan(anyHem(chanceOf(seed)));
    const drawn = scene(made);
    const marks = chartMarks(made, drawn, EVERYWHERE);
    proceduresOf(made).forEach(({ round, start }, k) => {
      const mark = marks[k]!;
      const { chart, widthMm } = drawn.rounds[round.number]!;
      const order = orderOfWork(round);
      const [first, next] = [order.entry(start?.at ?? 0), order.entry((start?.at ?? 0) + 1)];
      const [x, y] = [
        (chart.headX[first]! + chart.footX[first]!) / 2,
        (chart.headY[first]! + chart.footY[first]!) / 2,
      ];
      expect(Math.hypot(mark.at.x - x, mark.at.y - y)).toBeLessThan(widthMm);
      const onwards =
        mark.towards.x * (chart.headX[next]! - chart.headX[first]!) +
        mark.towards.y * (chart.headY[next]! - chart.headY[first]!);
      expect(onwards).toBeGreaterThanOrEqual(0);
      expect(mark.words.endsWith('WS')).toBe(
        round.facing === 'wrong' && made.rounds[k - 1]?.facing !== 'wrong',
      );
    });
  });
});
