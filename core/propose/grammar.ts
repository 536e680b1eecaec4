/**
 * The borders that are tried: a ground of plain rounds, a middle that can be worked on (or none), an edge (or none), each with its first
 * choices. What a family must stand on comes with it.
 */
import type { RoundEntry } from '../document/hem.ts';
import { FAMILIES } from '../rounds/registry.ts';
import type { Family } from '../rounds/family.ts';
import { plain } from '../rounds/plain.ts';
import { slipEdge } from '../rounds/slipEdge.ts';
import { newEntry } from '../stack/stack.ts';

/** The parts of a border, innermost first. */
export interface Shape {
  readonly ground: { readonly stitch: RoundEntry['stitch']; readonly times: number };
  readonly middle: string | null;
  readonly edge: string | null;
}

export const GROUNDS = ['sc', 'hdc', 'dc'] as const;

/** Families that others can stand on, but plain rounds, which are the ground. */
export const MIDDLES: readonly Family[] = FAMILIES.filter(
  (f) => f.repeatable && f.id !== plain.id && f.id !== slipEdge.id,
);

/** Families that end a border. */
export const EDGES: readonly Family[] = FAMILIES.filter((f) => !f.repeatable || f.id === slipEdge.id);

/** What is shared by the shapes that are tried one after the other. */
export interface Start {
  readonly stitch: (typeof GROUNDS)[number];
  readonly middle: Family | null;
}

export const STARTS: readonly Start[] = GROUNDS.flatMap((stitch) =>
  [null, ...MIDDLES].map((middle) => ({ stitch, middle })),
);

/** The rounds of a ground. */
export const groundOf = (ground: Shape['ground'], yarn: string): readonly RoundEntry[] =>
  ground.times === 0
    ? []
    : [{ ...newEntry(plain, 'ground', yarn), stitch: ground.stitch, times: ground.times }];

/** How much two shapes differ: 0 for the same, 1 for nothing in common. What is seen most counts most. */
export function apart(a: Shape, b: Shape): number {
  const wide = Math.abs(a.ground.times - b.ground.times) / Math.max(1, a.ground.times, b.ground.times);
  return (
    (a.edge === b.edge ? 0 : 0.5) +
    (a.middle === b.middle ? 0 : 0.25) +
    (a.ground.stitch === b.ground.stitch ? 0 : 0.15) +
    0.1 * wide
  );
}
