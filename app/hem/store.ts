/** The open hem: its edits as invertible patches, its plan, and its saving. */
import { applyPatches, enablePatches, produceWithPatches, type Draft, type Patch } from 'immer';
import type { Hem } from '../../core/document/hem.ts';
import { createPlanner, type Plan } from '../../core/plan.ts';

enablePatches();

interface Edit {
  readonly label: string;
  readonly forward: readonly Patch[];
  readonly back: readonly Patch[];
  /** Edits with the same key that follow each other without a pause are one step of undo. */
  readonly joinKey: string | null;
}

export interface HemState {
  readonly plan: Plan;
  readonly undoLabel: string | null;
  readonly redoLabel: string | null;
  readonly saved: 'saved' | 'saving' | 'failed';
}

export interface HemStoreParts {
  readonly save: (hem: Hem) => Promise<void>;
  /** Keeps an edit that may not get saved any more, at once. */
  readonly setAside: (hem: Hem) => void;
  readonly now: () => Date;
}

const SAVE_AFTER_MS = 250;

/** Holds one hem while it is open. Every change goes through {@link HemStore.edit}. */
export class HemStore {
  private hem: Hem;
  private readonly planner = createPlanner();
  private readonly past: Edit[] = [];
  private future: Edit[] = [];
  private readonly listeners = new Set<() => void>();
  private saving: ReturnType<typeof setTimeout> | null = null;
  /** There are edits of which it is not known that they were written; a write that is under way does not count. */
  private unsaved = false;
  private state: HemState;

  constructor(
    hem: Hem,
    private readonly parts: HemStoreParts,
  ) {
    this.hem = hem;
    this.state = this.next('saved');
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly get = (): HemState => this.state;

  /**
   * Changes the hem.
   *
   * @param label what was done, as undo names it: “Undo: side B to 207”
   * @param joinKey edits in a row with the same key are undone together, as those of one drag
   */
  edit(label: string, change: (draft: Draft<Hem>) => void, joinKey: string | null = null): void {
    const [next, forward, back] = produceWithPatches(this.hem, change);
    if (next === this.hem) return;
    const last = this.past[this.past.length - 1];
    if (joinKey !== null && last?.joinKey === joinKey) {
      const joined = {
        label,
        forward: [...last.forward, ...forward],
        back: [...back, ...last.back],
        joinKey,
      };
      this.past[this.past.length - 1] = joined;
    } else this.past.push({ label, forward, back, joinKey });
    this.future = [];
    this.put(next);
  }

  /** Ends a run of joined edits: the next one is a step of its own. */
  endJoin(): void {
    const last = this.past[this.past.length - 1];
    if (last?.joinKey) this.past[this.past.length - 1] = { ...last, joinKey: null };
  }

  undo(): void {
    const edit = this.past.pop();
    if (!edit) return;
    this.future.push(edit);
    this.put(applyPatches(this.hem, edit.back as Patch[]));
  }

  redo(): void {
    const edit = this.future.pop();
    if (!edit) return;
    this.past.push(edit);
    this.put(applyPatches(this.hem, edit.forward as Patch[]));
  }

  /** The page may be closed: what is not yet saved is set aside, and written if there is time. */
  leave(): void {
    if (this.unsaved) this.parts.setAside(this.hem);
    void this.flush();
  }

  /** Writes what is not yet saved. */
  async flush(): Promise<void> {
    if (this.saving === null) return;
    clearTimeout(this.saving);
    this.saving = null;
    const { hem } = this;
    try {
      await this.parts.save(hem);
      if (this.hem === hem) {
        this.unsaved = false;
        this.announce('saved');
      }
    } catch {
      this.announce('failed');
    }
  }

  private put(hem: Hem): void {
    this.hem = { ...hem, changed: this.parts.now().toISOString() };
    this.unsaved = true;
    if (this.saving !== null) clearTimeout(this.saving);
    this.saving = setTimeout(() => void this.flush(), SAVE_AFTER_MS);
    this.announce('saving');
  }

  private announce(saved: HemState['saved']): void {
    this.state = this.next(saved);
    for (const listener of this.listeners) listener();
  }

  private next(saved: HemState['saved']): HemState {
    return {
      plan: this.state?.plan.hem === this.hem ? this.state.plan : this.planner(this.hem),
      undoLabel: this.past[this.past.length - 1]?.label ?? null,
      redoLabel: this.future[this.future.length - 1]?.label ?? null,
      saved,
    };
  }
}
