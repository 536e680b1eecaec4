/** The way along a side of the outline grown outwards, between the middles of its corners, which are points or arcs. */
import { corners, endsOfSide, isDisc, turnAt, type Outline, type Point } from '../piece/outline.ts';
import { sidePath } from './feet.ts';

export interface WayOfSide {
  /** The point at a fraction of the way. */
  readonly path: (t: number) => Point;
  /** How far along it a point lies, as a fraction; on a disc within half the way round from `near`. */
  readonly along: (x: number, y: number, near: number) => number;
}

/**
 * @param heightMm of the outline above the piece
 * @param radiusMm of the arcs at its convex corners; 0 for points
 */
export function sideWay(outline: Outline, heightMm: number, radiusMm: number, side: number): WayOfSide {
  if (isDisc(outline)) {
    return {
      path: sidePath(outline, corners(outline, heightMm), side),
      along: (x, y, near) => {
        const t = Math.atan2(-x, -y) / (2 * Math.PI);
        return t + Math.round(near - t);
      },
    };
  }
  const [from, to] = endsOfSide(outline, heightMm, side);
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = Math.hypot(dx, dy) || 1;
  const turns = [turnAt(outline, side), turnAt(outline, side + 1)] as const;
  const tangents = turns.map((turn) => (turn > 0 ? Math.tan(turn / 2) : 0)) as [number, number];
  // Arcs meet in the middle of a side at the most.
  const radius = Math.min(radiusMm, length / Math.max(1e-9, tangents[0] + tangents[1]));
  if (radius <= 0)
    return {
      path: (t) => ({ x: from.x + dx * t, y: from.y + dy * t }),
      along: (x, y) => ((x - from.x) * dx + (y - from.y) * dy) / length ** 2,
    };
  const u = { x: dx / length, y: dy / length };
  // Work runs anticlockwise: with y downwards the piece lies to the left of it.
  const out = { x: -u.y, y: u.x };
  const [first, last] = tangents.map((t) => t * radius) as [number, number];
  const [arc, lastArc] = turns.map((turn) => (Math.max(0, turn) / 2) * radius) as [number, number];
  const straight = length - first - last;
  const whole = arc + straight + lastArc || 1;
  /** A point by its distance along the side from its first point, and its height over the side, mm. */
  const at = (along: number, high: number): Point => ({
    x: from.x + u.x * along + out.x * high,
    y: from.y + u.y * along + out.y * high,
  });
  const onArc = (middle: number, angle: number): Point =>
    at(middle + radius * Math.sin(angle), radius * (Math.cos(angle) - 1));
  return {
    path: (t) => {
      const s = t * whole;
      if (s < arc) return onArc(first, (s - arc) / radius);
      if (s <= arc + straight) return at(first + s - arc, 0);
      return onArc(length - last, (s - arc - straight) / radius);
    },
    along: (x, y) => {
      const q = (x - from.x) * u.x + (y - from.y) * u.y;
      const high = (x - from.x) * out.x + (y - from.y) * out.y;
      const angle = (middle: number): number => Math.atan2(q - middle, Math.max(1e-9, high + radius));
      if (q < first) return (arc + Math.max(-arc, angle(first) * radius)) / whole;
      if (q <= length - last) return (arc + q - first) / whole;
      return (arc + straight + Math.min(lastArc, angle(length - last) * radius)) / whole;
    },
  };
}
