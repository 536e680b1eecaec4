/** A solution of the fit put into a hem. */
import type { Hem } from '../document/hem.ts';
import type { WrittenRound } from '../stack/stack.ts';
import type { FitSolution } from './fit.ts';

/**
 * The base round and rounds of a hem with a solution's counts and quiet changes.
 *
 * @param stack the unrolled rounds that the solution was found for
 */
export function applySolution(
  hem: Hem,
  stack: readonly WrittenRound[],
  solution: FitSolution,
): Pick<Hem, 'base' | 'rounds'> {
  const sides = hem.base.sides.map((s, i) =>
    solution.changes[i] === 0 ? s : { ...s, count: solution.counts[i]! },
  );
  const rounds = hem.rounds.map((entry) => {
    const changes: Record<string, readonly number[]> = {};
    stack.forEach((round, k) => {
      const quiet = solution.quiet.map((q) => q[k]!);
      if (round.entry.id === entry.id && quiet.some((c) => c !== 0)) changes[String(round.index)] = quiet;
    });
    const corner = solution.corners?.[entry.id] ?? entry.corner;
    const same = corner === entry.corner && JSON.stringify(changes) === JSON.stringify(entry.changes);
    return same ? entry : { ...entry, corner, changes };
  });
  return { base: { ...hem.base, sides }, rounds };
}
