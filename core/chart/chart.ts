/**
 * Where every stitch is drawn: foot and head of each, on the piece laid flat. Positions only; what a stitch
 * looks like is the drawing's business.
 *
 * Tops lie on the outline grown to the round's height, spread between the corners by the widths of the
 * stitches, and settled back over their feet. A free outer edge is drawn from its feet instead: stitches worked into one place fan out round
 * it, which is what makes a lobe. Far more stitches than lie flat stand in waves.
 */
import { remembered } from '../remembered.ts';
import type { Body } from '../piece/edge.ts';
import { corners, isDisc, type Point } from '../piece/outline.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import { IN_NOTHING } from '../ring/ring.ts';
import { isOrnament } from '../ring/stitch.ts';
import { edgeFeet, ringFeet, sidePath } from './feet.ts';
import { chartFree } from './freeEdge.ts';
import { layInWaves } from './waves.ts';
import { neighbour, setHead, type RoundChart } from './roundChart.ts';
import { chartStraight } from './straight.ts';

/** The chart of every round of a plan, the base round first. Rounds that did not change keep their charts. */
export function chartOf(plan: Plan): readonly RoundChart[] {
  const charts: RoundChart[] = [];
  for (const round of plan.rounds) charts.push(chartOn(plan.body)(charts[round.onto] ?? null)(round));
  return charts;
}

const chartOn = remembered((body: Body) => {
  const onEdge = chartOver(body, null);
  const onChart = remembered((below: RoundChart) => chartOver(body, below));
  return (below: RoundChart | null) => (below ? onChart(below) : onEdge);
});

const chartOver = (body: Body, below: RoundChart | null) =>
  remembered((round: RoundPlan): RoundChart => {
    const feet = below ? ringFeet(below) : edgeFeet(body);
    const chart = (round.free ? chartFree : chartStraight)(round, feet, body.outline);
    layInWaves(chart, round.stitchWidthMm);
    layOrnaments(chart, round.stitchWidthMm);
    return chart;
  });

/** The piece itself as a polygon, mm; a disc as many short sides. */
export function bodyOutline({ body }: Plan): readonly Point[] {
  const points = corners(body.outline, 0);
  if (!isDisc(body.outline)) return points;
  const path = sidePath(body.outline, points, 0);
  return Array.from({ length: 180 }, (_, i) => path(i / 180));
}

/** Picots and dots stand on the stitch before them, off the edge. */
function layOrnaments(chart: RoundChart, widthMm: number): void {
  const { ring, headX, headY, footX, footY } = chart;
  for (let i = 0; i < ring.made.length; i++) {
    if (!isOrnament(ring.made[i]!) || ring.into[i] !== IN_NOTHING) continue;
    const before = neighbour(ring, i, -1);
    const dx = headX[before]! - footX[before]!;
    const dy = headY[before]! - footY[before]!;
    const length = Math.hypot(dx, dy) || 1;
    footX[i] = headX[before]!;
    footY[i] = headY[before]!;
    setHead(chart, i, {
      x: footX[i]! + (dx / length) * widthMm,
      y: footY[i]! + (dy / length) * widthMm,
    });
  }
}
