/** Notes of the work, with what follows of it for the rounds that are still to come. */
import { withdrawn } from '../../core/edits/adjustments.ts';
import { noted, type Deed } from '../../core/document/record.ts';
import type { HemStore } from './store.ts';

/** Notes something that may take counts away, and takes back what was changed for them. @returns whether it was noted */
export function noteWithdrawing(store: HemStore, deed: Deed): boolean {
  const { hem } = store.get().plan;
  const change = withdrawn(hem, noted(hem.record, deed, 'trial', hem.changed));
  if (!store.note(deed)) return false;
  if (change) store.do(change);
  return true;
}
