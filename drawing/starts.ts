/** Where rounds begin and are joined, as points of the drawing. */
import { chartOf } from '../core/chart/chart.ts';
import type { Point } from '../core/piece/outline.ts';
import type { Plan } from '../core/plan/types.ts';
import { orderOfWork } from '../core/procedure/order.ts';
import { proceduresOf } from '../core/procedure/procedure.ts';

/** The middle of the first stitch of every round, mm on the piece, from the innermost outwards. */
export function startPoints(plan: Plan): readonly Point[] {
  const charts = chartOf(plan);
  return proceduresOf(plan).flatMap(({ round, acts }) => {
    const start = acts.find((act) => act.do === 'start');
    if (!start) return [];
    const { headX, headY, footX, footY } = charts[round.number]!;
    const first = orderOfWork(round).entry(start.worked.start);
    return [{ x: (headX[first]! + footX[first]!) / 2, y: (headY[first]! + footY[first]!) / 2 }];
  });
}
