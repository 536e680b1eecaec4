/** The edge of a piece as it lies under the base round: where one row end, cluster, block or motif meets the next. */
import type { Plan } from '../plan.ts';
import { corners, isDisc, type Point } from '../piece/outline.ts';

/** A line from the edge into the piece, mm. */
export interface EdgeMark {
  readonly from: Point;
  readonly to: Point;
}

/** How far a mark reaches into the piece, in border stitches; that of a seam. */
const REACH = 1.6;
const SEAM_REACH = 9;

const known = new WeakMap<Plan['body'], readonly EdgeMark[]>();

/** The marks of all sides: one between each two spots of an edge, a long one at every seam. None on a disc. */
export function edgeMarks({ body, stitchWidthMm }: Plan): readonly EdgeMark[] {
  let marks = known.get(body);
  if (!marks) {
    marks = isDisc(body.outline)
      ? []
      : body.edges.flatMap((_, side) => marksOfSide(body, side, stitchWidthMm));
    known.set(body, marks);
  }
  return marks;
}

function marksOfSide(
  { outline, edges }: Plan['body'],
  side: number,
  stitchWidthMm: number,
): readonly EdgeMark[] {
  const edge = edges[side]!;
  const points = corners(outline, 0);
  const start = points[side]!;
  const end = points[(side + 1) % points.length]!;
  const whole = edge.spots.reduce((sum, s) => sum + s.lengthMm, 0);
  const length = Math.hypot(end.x - start.x, end.y - start.y);
  const along = { x: (end.x - start.x) / length, y: (end.y - start.y) / length };
  // The run of work is anticlockwise: the piece lies to the left of it, on a page whose y runs downwards.
  const inwards = { x: along.y, y: -along.x };
  const seams = new Set(edge.joins.map((spot) => spot + 1));
  const mark = (mm: number, reach: number): EdgeMark => {
    const from = {
      x: start.x + (along.x * mm * length) / whole,
      y: start.y + (along.y * mm * length) / whole,
    };
    return { from, to: { x: from.x + inwards.x * reach, y: from.y + inwards.y * reach } };
  };
  let mm = 0;
  return edge.spots.flatMap((spot, i): readonly EdgeMark[] => {
    const before = mm;
    mm += spot.lengthMm;
    if (seams.has(i)) return [mark(before + spot.lengthMm / 2, SEAM_REACH * stitchWidthMm)];
    return i === 0 || spot.lengthMm === 0 ? [] : [mark(before, REACH * stitchWidthMm)];
  });
}
