/** Rounds as they are made: a stitch that closes a space in place of its chains, the steps of a spiral. */
import { rememberedBy } from '../core/remembered.ts';
import { chartOf } from '../core/chart/chart.ts';
import type { RoundChart } from '../core/chart/roundChart.ts';
import type { Plan } from '../core/plan/types.ts';
import { madeInstead } from '../core/procedure/asMade.ts';
import { orderOfWork } from '../core/procedure/order.ts';
import { proceduresOf } from '../core/procedure/procedure.ts';

/** Share of the way to the last stitch over which a closing stitch reaches; its chains lie on the rest. */
const REACH = 0.9;

/** The chart of a round with what stands in place of stitches of its ring. */
export const chartAsMade = rememberedBy((plan: Plan, round: number): RoundChart => {
  const chart = chartOf(plan)[round]!;
  const procedure = proceduresOf(plan)[round]!;
  const instead = madeInstead(procedure);
  if (instead.size === 0) return chart;
  const made = [...chart.ring.made];
  for (const [entry, stitch] of instead) made[entry] = stitch;
  const drawn = {
    ring: { ...chart.ring, made },
    headX: chart.headX.slice(),
    headY: chart.headY.slice(),
    footX: chart.footX.slice(),
    footY: chart.footY.slice(),
  };
  const { start } = procedure;
  if (start?.close.by === 'stitch') {
    // Worked into the first stitch, it leans over to the last.
    const order = orderOfWork(procedure.round);
    const [first, last] = [order.entry(start.at), order.entry(start.at - 2)];
    const { join } = start;
    drawn.footX[join] = chart.headX[first]!;
    drawn.footY[join] = chart.headY[first]!;
    drawn.headX[join] = chart.headX[first]! + (chart.headX[last]! - chart.headX[first]!) * REACH;
    drawn.headY[join] = chart.headY[first]! + (chart.headY[last]! - chart.headY[first]!) * REACH;
  }
  return drawn;
});
