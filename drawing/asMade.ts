/** Rounds as they are made: a chain or stacked stitches for the first, a stitch that closes a space, the steps of a spiral. */
import { rememberedBy } from '../core/remembered.ts';
import { chartOf } from '../core/chart/chart.ts';
import { emptyChart, setHead } from '../core/chart/roundChart.ts';
import type { Plan } from '../core/plan/types.ts';
import { madeInstead } from '../core/procedure/asMade.ts';
import { orderOfWork } from '../core/procedure/order.ts';
import { proceduresOf } from '../core/procedure/procedure.ts';
import type { RoundStart } from '../core/procedure/roundStart.ts';
import { IN_NOTHING } from '../core/ring/ring.ts';
import { chainRun, stitchOf, type Stitch } from '../core/ring/stitch.ts';
import type { DrawnChart } from './frames.ts';

/** Share of the way to the last stitch over which a closing stitch reaches; its chains lie on the rest. */
const REACH = 0.9;

/** The chart of a round with what stands in place of stitches of its ring. */
export const chartAsMade = rememberedBy((plan: Plan, round: number): DrawnChart => {
  const chart = chartOf(plan)[round]!;
  const procedure = proceduresOf(plan)[round]!;
  const instead = madeInstead(procedure);
  const { start } = procedure;
  if (start === null) return chart;
  const first = firstAsMade(start);
  if (instead.size === 0 && !first) return chart;
  const order = orderOfWork(procedure.round);
  const made = [...chart.ring.made];
  for (const [entry, stitch] of instead) made[entry] = stitch;
  if (first) made[order.entry(start.at)] = first.of;
  const drawn: DrawnChart = {
    ring: { ...chart.ring, made },
    headX: chart.headX.slice(),
    headY: chart.headY.slice(),
    footX: chart.footX.slice(),
    footY: chart.footY.slice(),
    ...(first && { upright: new Map([[order.entry(start.at), first.pieces]]) }),
  };
  if (start.close.by === 'stitch') {
    // Worked into the first stitch, it leans over to the last.
    const [onto, last] = [order.entry(start.at), order.entry(start.at - 2)];
    const { join } = start;
    drawn.footX[join] = chart.headX[onto]!;
    drawn.footY[join] = chart.headY[onto]!;
    drawn.headX[join] = chart.headX[onto]! + (chart.headX[last]! - chart.headX[onto]!) * REACH;
    drawn.headY[join] = chart.headY[onto]! + (chart.headY[last]! - chart.headY[onto]!) * REACH;
  }
  return drawn;
});

/** Share of a stitch's width by which a chain that does not count stands before the first stitch. */
const BEFORE = 0.42;

/** The chain before the first stitch of a round, where it does not count, as a chart of its own; null where there is none. */
export const liftOf = rememberedBy((plan: Plan, round: number): DrawnChart | null => {
  const procedure = proceduresOf(plan)[round]!;
  const { start } = procedure;
  if (start?.first.by !== 'chain' || start.first.counts) return null;
  const { footX, footY, headX, headY } = chartOf(plan)[round]!;
  const order = orderOfWork(procedure.round);
  const [first, last] = [order.entry(start.at), order.entry(start.at - 1)];
  const [dx, dy] = [headX[last]! - headX[first]!, headY[last]! - headY[first]!];
  const apart = Math.hypot(dx, dy) || 1;
  const back = Math.min((BEFORE * plan.rounds[round]!.stitchWidthMm) / apart, 0.5);
  const { chains } = start.first;
  const ring = { made: [chainRun(chains)], into: Int32Array.of(IN_NOTHING), centres: [] };
  const chart = emptyChart(ring);
  chart.footX[0] = footX[first]! + dx * back;
  chart.footY[0] = footY[first]! + dy * back;
  setHead(chart, 0, { x: headX[first]! + dx * back, y: headY[first]! + dy * back });
  return { ...chart, upright: new Map([[0, chains]]) };
});

/** Pieces that stand one above the other, in place of a first stitch; null where that is made as any other. */
function firstAsMade({ first }: RoundStart): { readonly of: Stitch; readonly pieces: number } | null {
  if (first.by === 'stacked') return { of: stitchOf({ kind: 'sc' }), pieces: first.singles };
  return first.by === 'chain' && first.counts ? { of: chainRun(first.chains), pieces: first.chains } : null;
}
