/**
 * Edits set aside at once, for a page that closes before they could be written, and while writing fails: a database may
 * not finish then, local storage does. A draft is given up only when what it holds is known to be written.
 */
import type { Hem } from '../../core/document/hem.ts';
import type { PartChange } from '../../core/document/parts.ts';
import type { UndoSteps } from './records.ts';

export interface Draft {
  readonly id: string;
  /** The page that set it aside, and its last edit, counted. */
  readonly page: string;
  readonly edit: number;
  /** Revision on which the edits were made. */
  readonly base: number;
  readonly hem: Hem;
  readonly changes: readonly PartChange[];
  readonly steps: UndoSteps;
  readonly label: string;
}

const PREFIX = 'zig-hem draft ';
/** What an earlier version of the application set aside: the bare hem. */
const OLD_PREFIX = 'zig-hem unsaved ';

export type DraftStore = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

/** Drafts in a store; without one there are none. */
export class Drafts {
  constructor(private readonly store: () => DraftStore | null) {}

  /** False when there is no room for it, or no store. */
  put(draft: Draft): boolean {
    try {
      const store = this.store();
      store?.setItem(PREFIX + draft.id, JSON.stringify(draft));
      return store !== null;
    } catch {
      return false;
    }
  }

  /** The draft of a hem; null when there is none that can be read. */
  get(id: string): Draft | null {
    try {
      const store = this.store();
      const text = store?.getItem(PREFIX + id) ?? null;
      if (text !== null) return asDraft(JSON.parse(text), id);
      const old = store?.getItem(OLD_PREFIX + id) ?? null;
      if (old === null) return null;
      const hem = JSON.parse(old) as Hem;
      const none = { past: [], future: [] };
      return {
        id,
        page: 'an earlier version',
        edit: 1,
        base: 0,
        hem,
        changes: [],
        steps: none,
        label: 'an edit',
      };
    } catch {
      return null;
    }
  }

  /** Gives a draft up, unless the page has set a later edit aside since. */
  drop(id: string, page: string, edit: number): void {
    const draft = this.get(id);
    if (draft && (draft.page !== page || draft.edit <= edit)) this.remove(id);
  }

  remove(id: string): void {
    try {
      this.store()?.removeItem(PREFIX + id);
      this.store()?.removeItem(OLD_PREFIX + id);
    } catch {
      // It stays, and is seen to be written already when it is looked at again.
    }
  }

  /** Ids of all hems that have a draft. */
  ids(): readonly string[] {
    try {
      const store = this.store();
      if (!store) return [];
      const keys = Array.from({ length: store.length }, (_, i) => store.key(i) ?? '');
      return [PREFIX, OLD_PREFIX].flatMap((prefix) =>
        keys.flatMap((key) => (key.startsWith(prefix) ? [key.slice(prefix.length)] : [])),
      );
    } catch {
      return [];
    }
  }
}

function asDraft(value: unknown, id: string): Draft | null {
  const d = value as Partial<Draft> | null;
  const sound =
    typeof d === 'object' &&
    d?.id === id &&
    typeof d.page === 'string' &&
    Number.isSafeInteger(d.edit) &&
    Number.isSafeInteger(d.base) &&
    Array.isArray(d.changes);
  if (!sound) return null;
  const steps =
    Array.isArray(d.steps?.past) && Array.isArray(d.steps.future) ? d.steps : { past: [], future: [] };
  return { ...(d as Draft), steps };
}
