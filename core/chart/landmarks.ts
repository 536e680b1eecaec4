/** Parts of a border that one would look at: its corners, the middles of its sides, its joins. */
import type { Body } from '../piece/edge.ts';
import type { Point } from '../piece/outline.ts';
import { roleOf } from '../piece/part.ts';
import type { Plan } from '../plan/types.ts';
import { sideSpan } from '../ring/ring.ts';
import { chartOf } from './chart.ts';
import { edgeFeet } from './feet.ts';

export interface Landmark extends Point {
  readonly kind: 'corner' | 'side' | 'join';
  /** The side; for a corner the one that starts there. */
  readonly side: number;
  /** Number of the join on its side, from 0; 0 for the others. */
  readonly join: number;
}

/** Where motifs are joined along the edge of a piece, mm: side by side in working order. No stitch needs to be drawn for it. */
export function joinsOf(body: Body): readonly Landmark[] {
  const feet = edgeFeet(body);
  let first = 1;
  return body.edges.flatMap(({ spots, joins }, side): readonly Landmark[] => {
    const before = first;
    first += spots.length + 1;
    // A join is a corner space, a seam and a corner space: the seam is its middle.
    return joins.map((spot, join) => ({ kind: 'join', side, join, ...feet(before + spot + 1) }));
  });
}

/**
 * The landmarks of one round, mm on the piece: side by side its corner, its middle and its joins in working
 * order. A disc has no corner. A side without a stitch has no middle. Ends of rows are corners.
 *
 * @param round number of the worked round, the base round 0
 */
export function landmarksOf(plan: Plan, round: number): readonly Landmark[] {
  const { ring, headX, headY } = chartOf(plan)[round]!;
  const at = (entry: number): Point => ({ x: headX[entry]!, y: headY[entry]! });
  const joins = joinsOf(plan.body);
  const isThere = (corner: number): boolean => roleOf(ring.part, corner, ring.centres.length) !== 'left';
  return plan.sides.flatMap((_, side): readonly Landmark[] => {
    const centre = ring.centres[side];
    const span = sideSpan(ring, side);
    const middle = (span.start + Math.floor(span.length / 2)) % ring.made.length;
    return [
      ...(centre && isThere(side) ? [{ kind: 'corner' as const, side, join: 0, ...at(centre.start) }] : []),
      ...(span.length > 0 ? [{ kind: 'side' as const, side, join: 0, ...at(middle) }] : []),
      ...joins.filter((j) => j.side === side),
    ];
  });
}
