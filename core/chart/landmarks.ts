/** Parts of a border that one would look at: its corners, the middles of its sides, its joins. */
import type { Point } from '../piece/outline.ts';
import type { Plan } from '../plan.ts';
import { sideSpan } from '../ring/ring.ts';
import { chartOf } from './chart.ts';

export interface Landmark extends Point {
  readonly kind: 'corner' | 'side' | 'join';
  /** The side; for a corner the one that starts there. */
  readonly side: number;
  /** Number of the join on its side, from 0; 0 for the others. */
  readonly join: number;
}

/**
 * The landmarks of one round, mm on the piece: side by side its corner, its middle and its joins in working
 * order. A disc has no corner. A side without a stitch has no middle.
 *
 * @param round number of the worked round, the base round 0
 */
export function landmarksOf(plan: Plan, round: number): readonly Landmark[] {
  const chart = chartOf(plan)[round]!;
  const { ring, headX, headY } = chart;
  const at = (entry: number): Point => ({ x: headX[entry]!, y: headY[entry]! });
  const { heads, firsts } = baseSpots(plan);
  return plan.sides.flatMap(({ edge }, side): readonly Landmark[] => {
    const centre = ring.centres[side];
    const span = sideSpan(ring, side);
    const middle = (span.start + Math.floor(span.length / 2)) % ring.made.length;
    return [
      ...(centre ? [{ kind: 'corner' as const, side, join: 0, ...at(centre.start) }] : []),
      ...(span.length > 0 ? [{ kind: 'side' as const, side, join: 0, ...at(middle) }] : []),
      ...edge.joins.flatMap((spot, join) => {
        const head = heads.get(firsts[side]! + spot);
        return head ? [{ kind: 'join' as const, side, join, ...head }] : [];
      }),
    ];
  });
}

/** Tops of the base round by the spot that they sit in, and the number of the first spot of each side. */
function baseSpots(plan: Plan): {
  readonly heads: ReadonlyMap<number, Point>;
  readonly firsts: readonly number[];
} {
  const { ring, headX, headY } = chartOf(plan)[0]!;
  const heads = new Map<number, Point>();
  for (let i = ring.into.length - 1; i >= 0; i--) heads.set(ring.into[i]!, { x: headX[i]!, y: headY[i]! });
  // Before the spots of a side stands the corner that it starts from.
  let next = 1;
  const firsts = plan.body.edges.map((edge) => {
    const first = next;
    next += edge.spots.length + 1;
    return first;
  });
  return { heads, firsts };
}
