/** Marks of a chart on paper: the number of each round where it begins, or comes into the chart, and which way it goes. */
import type { Point } from '../core/piece/outline.ts';
import type { Plan } from '../core/plan/types.ts';
import { orderOfWork } from '../core/procedure/order.ts';
import { proceduresOf } from '../core/procedure/procedure.ts';
import { entriesIn, type Box } from './find.ts';
import type { Scene } from './scene.ts';

export interface ChartMark {
  /** Where the number stands, mm. */
  readonly at: Point;
  /** Middle of its arrow, mm. */
  readonly arrow: Point;
  /** Direction of work there, a vector of length 1. */
  readonly towards: Point;
  /** “B”, “1”, “2 WS”. */
  readonly words: string;
  /** Width of a stitch of its round, mm. */
  readonly widthMm: number;
}

/** Meaning of the marks of a chart, in words. */
export const MARKS_WORDS =
  'Numbers stand where rounds begin, or come into the chart; arrows show which way they are worked. B: base round. RS, WS: that side faces you.';

/** The marks of the rounds of a plan that are seen in a box of its drawing. */
export function chartMarks(plan: Plan, { rounds }: Scene, box: Box): readonly ChartMark[] {
  return proceduresOf(plan).flatMap(({ round, start }): readonly ChartMark[] => {
    const drawn = rounds[round.number];
    if (!drawn) return [];
    const { chart, widthMm } = drawn;
    const order = orderOfWork(round);
    const middle = (entry: number): Point => ({
      x: (chart.headX[entry]! + chart.footX[entry]!) / 2,
      y: (chart.headY[entry]! + chart.footY[entry]!) / 2,
    });
    const room = widthMm / 2;
    const isSeen = (entry: number): boolean => {
      const { x, y } = middle(entry);
      return x > box.minX + room && x < box.maxX - room && y > box.minY + room && y < box.maxY - room;
    };
    const seen = new Set(entriesIn(drawn, box).filter(isSeen));
    const first = start?.at ?? 0;
    let w = first;
    while (w < first + order.size && !seen.has(order.entry(w))) w++;
    if (w === first + order.size) return [];
    const [here, next] = [order.entry(w), order.entry(w + 1)];
    const [dx, dy] = [chart.headX[next]! - chart.headX[here]!, chart.headY[next]! - chart.headY[here]!];
    const length = Math.hypot(dx, dy) || 1;
    const towards = { x: dx / length, y: dy / length };
    const [foot, head] = [
      { x: chart.footX[here]!, y: chart.footY[here]! },
      { x: chart.headX[here]!, y: chart.headY[here]! },
    ];
    const height = Math.hypot(head.x - foot.x, head.y - foot.y) || 1;
    const outwards = { x: (head.x - foot.x) / height, y: (head.y - foot.y) / height };
    const { x, y } = middle(here);
    // Behind the first stitch, between its strokes; where a round comes in, before the first that is seen.
    const back = w === first ? 0.48 : 1.5;
    const from = (out: number): Point => ({
      x: x + (outwards.x * out - towards.x * back) * widthMm,
      y: y + (outwards.y * out - towards.y * back) * widthMm,
    });
    const before = rounds[round.number - 1] ? plan.rounds[round.number - 1]!.facing : null;
    const side = round.facing === before ? '' : round.facing === 'right' ? ' RS' : ' WS';
    return [
      {
        at: from(0.27),
        arrow: from(-0.3),
        towards,
        words: `${round.number === 0 ? 'B' : round.number}${side}`,
        widthMm,
      },
    ];
  });
}
