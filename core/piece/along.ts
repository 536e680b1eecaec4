/** A piece of which a border goes along a part: the edges that are worked, and how much of the sides is left free. */
import type { RowsAlong } from './part.schema.ts';
import type { Body, Edge } from './edge.ts';
import { partAlong } from './part.ts';

/** The body as rows along a part find it. */
export function bodyAlong(body: Body, { first, sides, from, to }: RowsAlong): Body {
  const n = body.edges.length;
  const part = partAlong({ first, sides }, n);
  const lastSide = (first + sides - 1) % n;
  const edges = body.edges.map((edge, side) => {
    const begin = side === first ? from : 0;
    const end = side === lastSide && to !== null ? to - 1 : edge.spots.length;
    return begin === 0 && end === edge.spots.length ? edge : clipped(edge, begin, end);
  });
  const free = (side: number, spots: Edge['spots'], isEnd: boolean): number => {
    const { lead, scale } = alongSide(body, side);
    return isEnd ? lead + scale * lengthOf(spots) : 0;
  };
  const freeMm = [
    free(first, body.edges[first]!.spots.slice(0, Math.max(0, from - 1)), from > 0),
    free(lastSide, body.edges[lastSide]!.spots.slice(to ?? 0), to !== null),
  ] as const;
  return { ...body, edges, outline: { ...body.outline, part: { ...part, freeMm, spots: [from, to] } } };
}

const lengthOf = (spots: Edge['spots']): number => spots.reduce((sum, s) => sum + s.lengthMm, 0);

/** The whole edge of a side, of which a part may be worked. */
export const wholeEdge = (edge: Edge): Edge => edge.stretch?.of ?? edge;

/** The spot, counted from 0 on its whole side, that holds the end stitch of rows at a corner; null where the corner does. */
export function endSpot(
  { outline, edges }: Pick<Body, 'outline' | 'edges'>,
  corner: number,
): { readonly side: number; readonly spot: number } | null {
  const { part } = outline;
  const [from, to] = part?.spots ?? [0, null];
  if (from > 0 && corner === part?.first) return { side: corner, spot: from - 1 };
  if (to !== null && corner === part?.last)
    return { side: (corner + edges.length - 1) % edges.length, spot: to - 1 };
  return null;
}

/** Spots and joins of the whole side that come before those of a stretch of it. */
export function beforeStretch({ stretch }: Edge): { readonly spots: number; readonly joins: number } {
  if (!stretch) return { spots: 0, joins: 0 };
  return { spots: stretch.from, joins: stretch.of.joins.filter((j) => j < stretch.from).length };
}

/** Where the spots of a side lie: what they leave at either end for its corners, mm, and by how much they are drawn together. */
export function alongSide(
  { outline, edges }: Body,
  side: number,
): { readonly lead: number; readonly scale: number } {
  const whole = lengthOf(wholeEdge(edges[side]!).spots) || 1;
  const { lengthMm } = outline.sides[side]!;
  const lead = Math.max(0, lengthMm - whole) / 2;
  return { lead, scale: (lengthMm - 2 * lead) / whole };
}

/** Spots of an edge from one up to another, as an edge of its own. */
function clipped(edge: Edge, from: number, to: number): Edge {
  const spots = edge.spots.slice(from, to);
  const share = lengthOf(spots) / (lengthOf(edge.spots) || 1);
  return {
    ...edge,
    spots,
    joins: edge.joins.filter((j) => j >= from && j + 2 < to).map((j) => j - from),
    measuredMm: edge.measuredMm * share,
    computedMm: edge.computedMm * share,
    stretch: { from, of: edge },
  };
}

/** Whether rows can begin and end where they are said to: in spots of their sides, outside the seams, with some between. */
export function isPartOf(
  body: Pick<Body, 'outline' | 'edges'>,
  { first, sides, from, to }: RowsAlong,
): boolean {
  const n = body.outline.turns.length;
  if (first >= n || sides >= n) return false;
  const [begin, end] = [body.edges[first]!, body.edges[(first + sides - 1) % n]!];
  const isFree = (edge: Edge, spot: number): boolean =>
    spot <= edge.spots.length && !edge.joins.some((j) => spot > j && spot <= j + 3);
  if (from > 0 && !isFree(begin, from)) return false;
  if (to !== null && (!isFree(end, to) || (sides === 1 && to < from + 3))) return false;
  return from < begin.spots.length - 1 && (to === null || to > 1);
}
