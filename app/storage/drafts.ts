/**
 * Edits set aside in local storage, which is written at once and outlives a page that closes: a line at every edit, with
 * what it changed, before the database is asked; the whole hem where the database refuses. A draft is given up only when
 * what it holds is known to be written.
 */
import type { Hem, WorkEvent } from '../../core/document/hem.ts';
import type { PartChange } from '../../core/document/parts.ts';
import type { UndoSteps } from './records.ts';

export interface Draft {
  readonly id: string;
  /** The page that set it aside, and its last edit, counted. */
  readonly page: string;
  readonly edit: number;
  /** Revision on which the edits were made; every part that they touched, and what was noted of the work since. */
  readonly base: number;
  readonly changes: readonly PartChange[];
  readonly noted: readonly WorkEvent[];
  /** Steps of undo that follow a stretch of those that are stored. */
  readonly kept: { readonly from: number; readonly to: number };
  readonly steps: UndoSteps;
  readonly label: string;
  /** Last edits of other pages that were taken over from their drafts: this one stands in their place. */
  readonly over: Readonly<Record<string, number>>;
  /** The whole hem, for when what it was made from is gone; null in a line that is written with every edit. */
  readonly hem: Hem | null;
}

/** Followed by page and hem: each page has its own, so that none writes over another’s. */
const PREFIX = 'zig-hem edit ';
/** Drafts of earlier versions of the application, by hem: a draft, and the bare hem. */
const OLD_PREFIX = 'zig-hem draft ';
const OLDEST_PREFIX = 'zig-hem unsaved ';

export type DraftStore = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

/** Drafts in a store; without one there are none. */
export class Drafts {
  constructor(private readonly store: () => DraftStore | null) {}

  /** False when there is no room for it, or no store. Where the whole hem finds no room, its changes may. */
  put(draft: Draft): boolean {
    const key = `${PREFIX}${draft.page}/${draft.id}`;
    const store = this.reached();
    if (!store) return false;
    for (const kept of draft.hem ? [draft, { ...draft, hem: null }] : [draft]) {
      try {
        store.setItem(key, JSON.stringify(kept));
        for (const [page, edit] of Object.entries(draft.over)) this.drop(draft.id, page, edit);
        return true;
      } catch {
        // The smaller one is tried.
      }
    }
    return false;
  }

  /** The drafts of a hem that can be read, each page’s own, in the order of the revisions that they were made on. */
  of(id: string): readonly Draft[] {
    const all = this.keys().flatMap((key) => (idOf(key) === id ? (this.read(key) ?? []) : []));
    return all
      .filter(({ page, edit }) => !all.some(({ over }) => (over[page] ?? 0) >= edit))
      .sort((a, b) => a.base - b.base);
  }

  /** Gives a page’s draft up, unless the page has set a later edit aside since. */
  drop(id: string, page: string, edit: number): void {
    for (const key of this.keys()) {
      const draft = idOf(key) === id ? this.read(key) : null;
      if (draft?.page === page && draft.edit <= edit) this.removeKey(key);
    }
  }

  /** Gives up all drafts of a hem. */
  remove(id: string): void {
    for (const key of this.keys()) if (idOf(key) === id) this.removeKey(key);
  }

  /** Gives up what cannot be read as a draft at all. */
  clear(id: string): void {
    for (const key of this.keys()) if (idOf(key) === id && !this.read(key)) this.removeKey(key);
  }

  /** Ids of all hems that have a draft. */
  ids(): readonly string[] {
    return [...new Set(this.keys().flatMap((key) => idOf(key) ?? []))];
  }

  private reached(): DraftStore | null {
    try {
      return this.store();
    } catch {
      return null;
    }
  }

  private keys(): readonly string[] {
    try {
      const store = this.store();
      return store ? Array.from({ length: store.length }, (_, i) => store.key(i) ?? '') : [];
    } catch {
      return [];
    }
  }

  private read(key: string): Draft | null {
    const id = idOf(key);
    try {
      const text = this.store()?.getItem(key) ?? null;
      if (text === null || id === null) return null;
      const value: unknown = JSON.parse(text);
      return asDraft(key.startsWith(OLDEST_PREFIX) ? bareHem(id, value as Hem) : value, id);
    } catch {
      return null;
    }
  }

  private removeKey(key: string): void {
    try {
      this.store()?.removeItem(key);
    } catch {
      // It stays, and is seen to be written already when it is looked at again.
    }
  }
}

/** The hem that a key of local storage speaks of; null where it is no draft’s. */
function idOf(key: string): string | null {
  if (key.startsWith(PREFIX)) return key.slice(key.indexOf('/', PREFIX.length) + 1);
  const old = [OLD_PREFIX, OLDEST_PREFIX].find((prefix) => key.startsWith(prefix));
  return old === undefined ? null : key.slice(old.length);
}

const bareHem = (id: string, hem: Hem): unknown => ({
  id,
  page: 'an earlier version',
  edit: 1,
  base: 0,
  hem,
  changes: [],
  label: 'an edit',
});

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
  return {
    ...(d as Draft),
    steps,
    noted: d.noted ?? [],
    over: d.over ?? {},
    kept: d.kept ?? { from: 0, to: 0 },
    hem: d.hem ?? null,
  };
}
