/** A hem with the smallest change after which every round fits. */
import type { Hem } from '../document/hem.ts';
import { performed } from '../edits/edit.ts';
import { takeSolution } from '../edits/solution.ts';
import { plan } from '../plan/planner.ts';
import { planComesOutEven, writtenOf } from '../plan/types.ts';
import { fitHem } from './open.ts';

/** @returns the same hem where every round fits already, or nothing is found */
export function fitted(hem: Hem): Hem {
  const made = plan(hem);
  const [best] = planComesOutEven(made) ? [] : fitHem(hem).solutions;
  if (!best) return hem;
  const stack = made.rounds.slice(1).map((r) => writtenOf(r));
  const outcome = performed(hem, takeSolution(stack, best));
  return outcome.ok ? outcome.value : hem;
}
