/**
 * Edits of a hem. An edit is a value: what it is called, and what it makes of a hem, or why it cannot. The
 * invariants of the document are kept here and not in screens: whatever edits follow each other, the check accepts
 * what they leave.
 */
import { editProblem } from './problems.ts';
import { checkHem } from '../document/check.ts';
import type { Hem } from '../document/hem.ts';
import { workedRounds } from '../record/record.ts';
import { done, failed, inAll, type Outcome, type Problem } from '../problems.ts';

export interface Edit {
  /** Name of the edit, as undo tells it: “side B to 207”. */
  readonly label: string;
  /** Edits with the same key that follow each other without a pause are one step of undo, as those of one drag. */
  readonly mergeKey: string | null;
  readonly on: (hem: Hem) => Outcome<Hem>;
  /** It is about the piece or the base round, which stay as they are once they have been begun. */
  readonly beforeWork?: boolean;
}

/** An edit that changes some entries of the hem, or says why it cannot be done. */
export const edit = (
  label: string,
  change: (hem: Hem) => Partial<Hem> | Problem,
  mergeKey: string | null = null,
): Edit => ({
  label,
  mergeKey,
  on: (hem) => {
    const changed = change(hem);
    return isProblem(changed) ? failed(changed) : done({ ...hem, ...changed });
  },
});

/** An edit of the piece or the base round: once that has been begun it is refused, because it could not come about. */
export const beforeWork = (...parts: Parameters<typeof edit>): Edit => ({
  ...edit(...parts),
  beforeWork: true,
});

const isProblem = (value: Partial<Hem> | Problem): value is Problem => 'code' in value;

/** Something that an edit was about is not in the hem any more. */
export const gone = (what: string): Problem => editProblem('part-gone', inAll('the hem'), { what });

/** Does an edit to a hem. What it leaves is sound, or it is not done and the problems say why. */
export function performed(hem: Hem, { on, label, beforeWork: early }: Edit): Outcome<Hem> {
  if (early && workedRounds(hem.record).length > 0)
    return failed(editProblem('begun-stays', { in: 'edit', label }, {}));
  const outcome = on(hem);
  return outcome.ok && outcome.value !== hem ? checkHem(outcome.value) : outcome;
}
