/** A hem with the edits of a draft: what its maker saw last, whether it can be written now or not. */
import { done } from '../../core/problems.ts';
import { settleReferences, withChanges } from '../../core/document/parts.ts';
import type { Hem } from '../../core/document/hem.ts';
import { unitedRecords, withRecordOf } from '../../core/document/record.ts';
import type { Draft } from './drafts.ts';
import { readKept, type RecordFound, type UndoSteps } from './records.ts';

/** Whether what is stored holds a draft’s edits already. */
export const isWritten = (found: RecordFound, draft: Draft): boolean =>
  (found.writers[draft.page] ?? 0) >= draft.edit;

/**
 * Applies a draft to the hem that is stored.
 *
 * @param found what is stored; null when nothing is
 * @returns null when it cannot be told by this version of the application; then the draft stays for one that can
 */
export function resumed(found: RecordFound | null, draft: Draft): Hem | null {
  const whole = draft.hem ? readKept(draft.id, draft.hem) : null;
  if (whole && !whole.ok) return null;
  const theirs = found?.outcome.ok ? found.outcome.value : (whole?.value ?? null);
  if (!theirs) return null;
  const record = unitedRecords(theirs.record, draft.noted);
  const mine = whole?.value ?? { ...theirs, record };
  const untouched = draft.changes.length === 0 && mine.record.length <= theirs.record.length;
  const onTop = whole !== null && (found?.revision === draft.base || untouched);
  const design = onTop ? mine : settleReferences(withChanges(theirs, draft.changes), [mine]);
  return withRecordOf(withRecordOf(design ?? mine, theirs), mine);
}

/** A record as it would be with a draft’s edits written. */
export const withAside = (found: RecordFound, hem: Hem, draft: Draft): RecordFound => ({
  ...found,
  outcome: done(hem),
  raw: hem,
  label: draft.label,
  aside: `${draft.page} ${draft.edit}`,
});

/** The steps of undo of a draft, behind those that were stored with what it was made from. */
export const stepsOfDraft = ({ kept, steps }: Draft, stored: UndoSteps): UndoSteps => ({
  past: [...stored.past.slice(kept.from, kept.to), ...steps.past],
  future: steps.future,
});
