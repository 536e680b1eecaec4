/** Where the feet of stitches stand: on the round below, or on the edge of the piece. */
import type { Body } from '../piece/edge.ts';
import { alongSide, wholeEdge } from '../piece/along.ts';
import { roleOf } from '../piece/part.ts';
import { corners, isDisc, type Outline, type Point } from '../piece/outline.ts';
import { entryOf, isGap } from '../ring/ring.ts';
import type { RoundChart } from './roundChart.ts';

/** Finds the point that a place lies at, for the `k`th of `n` stitches that are worked into it. */
export type FootFinder = (place: number, k?: number, n?: number) => Point;

export function ringFeet(below: RoundChart): FootFinder {
  const size = below.ring.made.length;
  return (place) => {
    // What follows the last entry is the first: there a stitch may have its other leg.
    const i = entryOf(place) % size;
    const here = { x: below.headX[i]!, y: below.headY[i]! };
    if (!isGap(place)) return here;
    const before = (i - 1 + size) % size;
    return { x: (here.x + below.headX[before]!) / 2, y: (here.y + below.headY[before]!) / 2 };
  };
}

/** How far inside the edge of cloth its holes lie, mm. */
export const HOLE_DEPTH_MM = 8;

/**
 * Feet of the base round: the spots of the body's edges by their number round the piece; the corner before a side
 * comes before its spots. Stitches in one row end stand along its post; those of any other spot meet in its middle.
 */
export function edgeFeet(body: Body): FootFinder {
  const spots: { readonly at: (t: number) => Point; readonly long: boolean }[] = [];
  const points = corners(body.outline, 0);
  body.edges.forEach((edge, side) => {
    const corner = endFoot(body, side) ?? points[side] ?? { x: 0, y: 0 };
    spots.push({ at: () => corner, long: false });
    const along = placer(body, side);
    let before = 0;
    for (const spot of edge.spots) {
      const start = before;
      const depth = spot.kind === 'hole' ? HOLE_DEPTH_MM : 0;
      spots.push({ at: (t) => along(start + t * spot.lengthMm, depth), long: spot.kind === 'row end' });
      before += spot.lengthMm;
    }
  });
  return (place, k = 0, n = 1) => {
    const { at, long } = spots[place]!;
    return at(long ? (k + 0.5) / n : 0.5);
  };
}

/** Foot of an end stitch of rows: its spot, or the middle of the room that the spots of its side leave for it; null at any other corner. */
function endFoot(body: Body, corner: number): Point | null {
  const { outline, edges } = body;
  const role = roleOf(outline.part, corner, outline.turns.length);
  if (role !== 'first' && role !== 'last') return null;
  const side = role === 'first' ? corner : (corner + edges.length - 1) % edges.length;
  const { spots } = wholeEdge(edges[side]!);
  const upTo = (count: number): number => spots.slice(0, count).reduce((sum, s) => sum + s.lengthMm, 0);
  const place = placer({ ...body, edges: edges.map(wholeEdge) }, side);
  const [from, to] = outline.part?.spots ?? [0, null];
  const own = role === 'first' ? from : (to ?? 0);
  if (own > 0) return place((upTo(own - 1) + upTo(own)) / 2, 0);
  const beside = alongSide(body, side).lead / 2;
  return place(role === 'first' ? -beside : upTo(spots.length) + beside, 0);
}

/**
 * Finds a point of the body by its distance along a side’s spots and its depth inside the piece, both mm. Spots that are
 * shorter than the side together leave room for its corners, as much at either end.
 */
export function placer({ outline, edges }: Body, side: number): (along: number, depth: number) => Point {
  const points = corners(outline, 0);
  const { spots } = wholeEdge(edges[side]!);
  const whole = spots.reduce((sum, s) => sum + s.lengthMm, 0) || 1;
  const before = spots.slice(0, edges[side]!.stretch?.from ?? 0).reduce((sum, s) => sum + s.lengthMm, 0);
  const path = sidePath(outline, points, side);
  if (isDisc(outline)) {
    const radius = points[0]!.x;
    return (along, depth) => {
      const { x, y } = path(along / whole);
      return { x: x * (1 - depth / radius), y: y * (1 - depth / radius) };
    };
  }
  const from = path(0);
  const to = path(1);
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  const lead = Math.max(0, length - whole) / 2;
  // Work runs anticlockwise: with y downwards the piece lies to the left of it.
  const inX = (to.y - from.y) / length;
  const inY = -(to.x - from.x) / length;
  return (along, depth) => {
    const { x, y } = path((lead + ((before + along) * (length - 2 * lead)) / whole) / length);
    return { x: x + inX * depth, y: y + inY * depth };
  };
}

/** The point at a fraction of a side: a straight line between corners, or round the circle of a disc. */
export function sidePath(outline: Outline, points: readonly Point[], side: number): (t: number) => Point {
  if (isDisc(outline)) {
    const radius = points[0]!.x;
    return (t) => ({ x: radius * Math.sin(-2 * Math.PI * t), y: -radius * Math.cos(2 * Math.PI * t) });
  }
  const from = points[side]!;
  const to = points[(side + 1) % points.length]!;
  return (t) => ({ x: from.x + (to.x - from.x) * t, y: from.y + (to.y - from.y) * t });
}
