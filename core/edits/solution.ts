/** The edit that takes up a solution of the fit. */
import type { Hem, RoundEntry } from '../document/hem.ts';
import type { CornerId } from '../terms/corners.ts';
import { edit, type Edit } from './edit.ts';

/** Changes of a solution of the fit. */
export interface SolutionChanges {
  /** Stitches along each edge, in the order of the sides, and the difference from the counts in force. */
  readonly counts: readonly number[];
  readonly changes: readonly number[];
  /** For every side the quiet change of every round of the stack. */
  readonly quiet: readonly (readonly number[])[];
  /** Other corner treatments, by the id of the entry. */
  readonly corners?: Readonly<Record<string, CornerId>>;
}

/** A round of the stack: which of its entry. */
interface StackRound {
  readonly entry: Pick<RoundEntry, 'id'>;
  readonly index: number;
}

/**
 * Takes a solution: its counts, quiet changes and corners.
 *
 * @param stack the unrolled rounds that the solution was found for
 * @param words what it changes, for whoever takes it back
 */
export const takeSolution = (
  stack: readonly StackRound[],
  solution: SolutionChanges,
  words = 'a change of counts',
): Edit => edit(`fit: ${words}`, (hem) => withSolution(hem, stack, solution));

/** A hem’s base round and rounds with the counts, quiet changes and corners of a solution. */
export function withSolution(
  hem: Hem,
  stack: readonly StackRound[],
  { counts, changes: bySide, quiet: bySides, corners = {} }: SolutionChanges,
): Pick<Hem, 'base' | 'rounds'> {
  const sides = hem.base.sides.map((s, i) => (bySide[i] === 0 ? s : { ...s, count: counts[i]! }));
  const rounds = hem.rounds.map((entry): RoundEntry => {
    const changes: Record<string, readonly number[]> = {};
    stack.forEach((round, k) => {
      const quiet = bySides.map((q) => q[k]!);
      if (round.entry.id === entry.id && quiet.some((c) => c !== 0)) changes[String(round.index)] = quiet;
    });
    const corner = Object.hasOwn(corners, entry.id) ? corners[entry.id]! : entry.corner;
    const same = corner === entry.corner && JSON.stringify(changes) === JSON.stringify(entry.changes);
    return same ? entry : { ...entry, corner, changes };
  });
  return { base: { ...hem.base, sides }, rounds };
}
