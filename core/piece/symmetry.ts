/** Sides that one would treat alike. */
import type { Body } from './edge.ts';
import { isWorkedSide } from './part.ts';

/** Pairs of sides that face each other and are worked. */
export const oppositeSides = (body: Body): readonly (readonly [number, number])[] =>
  facingSides(body).filter((pair) =>
    pair.every((side) => isWorkedSide(body.outline.part, side, body.edges.length)),
  );

/** Whether all corners are right angles, outer or inner. */
export const turnsSquarely = ({ outline }: Pick<Body, 'outline'>): boolean =>
  outline.turns.every((turn) => Math.abs(Math.abs(turn) - Math.PI / 2) < 0.05);

/** Pairs of sides that face each other: those of an outline whose two halves have equal turns and lengths. */
export function facingSides({ outline }: Pick<Body, 'outline'>): readonly (readonly [number, number])[] {
  const { sides, turns } = outline;
  const half = sides.length / 2;
  if (sides.length % 2 === 1 || sides.length < 4) return [];
  const alike = sides
    .slice(0, half)
    .every(
      (side, i) =>
        Math.abs(side.lengthMm - sides[i + half]!.lengthMm) < 0.05 * side.lengthMm &&
        Math.abs(turns[i]! - turns[i + half]!) < 0.05,
    );
  return alike ? Array.from({ length: half }, (_, i) => [i, i + half] as const) : [];
}

/**
 * Sides that one would treat alike: those that face each other, and those whose edges are the same. Every
 * side is in exactly one group; groups and their sides are in working order.
 */
export function likeSides(body: Body): readonly (readonly number[])[] {
  const opposite = new Map(oppositeSides(body));
  const groups: number[][] = [];
  body.edges.forEach((edge, side) => {
    const group = groups.find((g) => g.some((i) => opposite.get(i) === side || body.edges[i] === edge));
    if (group) group.push(side);
    else groups.push([side]);
  });
  return groups;
}
