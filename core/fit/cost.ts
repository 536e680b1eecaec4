/**
 * Costs to the maker, in the unit of one per cent of strain on a side, squared.
 *
 * A base count costs the square of its distance from the flat one in per cent. A quiet change costs by how much
 * it is seen: hardly in a plain round that others cover, more in the last one, most in a patterned last round.
 */
export const VISIBILITY = {
  /** A stitch more or fewer in a plain round, for each stitch; more in the last round, which nothing covers. */
  plain: (change: number, isLast: boolean): number => Math.abs(change) * (isLast ? 1.5 : 0.6),
  /** A place more or fewer passed over in a patterned round, for each. */
  skip: (change: number, isLast: boolean): number => Math.abs(change) * (isLast ? 2 : 1.2),
  /** A pattern that goes along the side off centre. */
  lopsided: 0.8,
  /** Sides that face each other and differ, and for each stitch by which they do. */
  unequal: 1,
  unequalStitch: 1,
  /** A corner other than the one in force, where it was left open. */
  corner: 0.7,
} as const;
