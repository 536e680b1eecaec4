/** A solution of the fit as an edit of the hem that it was found for. */
import type { Hem, RoundEntry } from '../document/hem.ts';
import { edit, type Edit } from '../edits/edit.ts';
import type { WrittenRound } from '../stack/stack.ts';
import type { FitSolution } from './fit.ts';

/**
 * Takes a solution: its counts, quiet changes and corners.
 *
 * @param stack the unrolled rounds that the solution was found for
 * @param words what it changes, for whoever takes it back
 */
export const takeSolution = (
  stack: readonly WrittenRound[],
  solution: FitSolution,
  words = 'a change of counts',
): Edit => edit(`fit: ${words}`, (hem) => applySolution(hem, stack, solution));

/** A hem’s base round and rounds with the counts, quiet changes and corners of a solution. */
export function applySolution(
  hem: Hem,
  stack: readonly WrittenRound[],
  solution: FitSolution,
): Pick<Hem, 'base' | 'rounds'> {
  const sides = hem.base.sides.map((s, i) =>
    solution.changes[i] === 0 ? s : { ...s, count: solution.counts[i]! },
  );
  const rounds = hem.rounds.map((entry): RoundEntry => {
    const changes: Record<string, readonly number[]> = {};
    stack.forEach((round, k) => {
      const quiet = solution.quiet.map((q) => q[k]!);
      if (round.entry.id === entry.id && quiet.some((c) => c !== 0)) changes[String(round.index)] = quiet;
    });
    const { corners = {} } = solution;
    const corner = Object.hasOwn(corners, entry.id) ? corners[entry.id]! : entry.corner;
    const same = corner === entry.corner && JSON.stringify(changes) === JSON.stringify(entry.changes);
    return same ? entry : { ...entry, corner, changes };
  });
  return { base: { ...hem.base, sides }, rounds };
}
