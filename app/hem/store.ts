/** The open hem: its edits, its undo, its plan, and its saving. */
import { isPlanProblem } from '../../core/plan/problems.ts';
import { editProblem } from '../../core/edits/problems.ts';
import { hemProblem } from './problems.ts';
import {
  changesBetween,
  inverted,
  isBegunOn,
  joinedChanges,
  settleReferences,
  withChanges,
  type PartChange,
} from '../../core/document/parts.ts';
import type { Hem } from '../../core/document/hem.ts';
import { hemBytes } from '../../core/document/size.ts';
import { noted, withRecordOf, type Deed } from '../../core/document/record.ts';
import { checkHem } from '../../core/document/check.ts';
import { LIMITS } from '../../core/limits.ts';
import { performed, type Edit } from '../../core/edits/edit.ts';
import { createPlanner } from '../../core/plan/planner.ts';
import type { Plan } from '../../core/plan/types.ts';
import { inAll, type Problem } from '../../core/problems.ts';
import { workedRounds } from '../../core/record/record.ts';
import { Saving, type SavingParts, type SavingState } from './saving.ts';
import type { UndoStep, UndoSteps } from '../storage/records.ts';

export interface HemState {
  readonly plan: Plan;
  readonly undoLabel: string | null;
  readonly redoLabel: string | null;
  readonly saved: SavingState;
}

export interface HemStoreParts {
  /** Names the page in what is noted. */
  readonly page: string;
  readonly now: () => Date;
  /** Tells why an edit was not done; nothing was changed. */
  readonly refused: (problems: readonly Problem[]) => void;
}

/** Where a hem is kept, and how it stood there when it was opened. */
export interface KeptWhere {
  readonly storage: Omit<SavingParts, 'page' | 'took' | 'changed'>;
  readonly revision: number;
  readonly steps: UndoSteps;
  /** Stored hem, where the hem holds edits that could not be written yet; else null. */
  readonly stored: Hem | null;
}

const NO_STEPS: UndoSteps = { past: [], future: [] };

const MOST_STEPS = 100;

/** Holds one hem while it is open. Every change goes through {@link HemStore.do}. */
export class HemStore {
  private hem: Hem;
  private readonly planner = createPlanner();
  private past: UndoStep[];
  private future: UndoStep[];
  private readonly listeners = new Set<() => void>();
  /** Null for a hem that is kept nowhere. */
  private readonly saving: Saving | null;
  private state: HemState;

  constructor(
    hem: Hem,
    private readonly parts: HemStoreParts,
    keeping: KeptWhere | null = null,
  ) {
    this.hem = hem;
    const steps = keeping?.steps ?? NO_STEPS;
    // What was done before the page was opened is a step of its own.
    this.past = steps.past.map((step, i, all) => (i === all.length - 1 ? { ...step, mergeKey: null } : step));
    this.future = [...steps.future];
    this.saving =
      keeping &&
      new Saving(
        keeping.stored ?? hem,
        keeping.revision,
        {
          ...keeping.storage,
          page: parts.page,
          took: (common, changes) => this.take(common, changes),
          changed: () => this.announce(),
        },
        steps,
      );
    if (keeping?.stored) this.saving?.edited(hem, this.past.at(-1)?.label ?? 'an edit', this.steps);
    this.state = this.next(this.planner(hem));
  }

  private get steps(): UndoSteps {
    return { past: this.past, future: this.future };
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly get = (): HemState => this.state;

  /** Does an edit. What would leave the hem unsound, or cannot be planned, is not done but told. @returns whether it was done */
  do(edit: Edit): boolean {
    const outcome = performed(this.hem, edit);
    if (!outcome.ok) return this.refuse(outcome.problems);
    const changes = changesBetween(this.hem, outcome.value);
    if (changes.length === 0) return true;
    const { label, mergeKey } = edit;
    return this.put(outcome.value, label, () => {
      const last = this.past[this.past.length - 1];
      if (mergeKey !== null && last?.mergeKey === mergeKey) {
        this.past[this.past.length - 1] = { label, mergeKey, changes: joinedChanges(last.changes, changes) };
      } else this.past = [...this.past.slice(1 - MOST_STEPS), { label, mergeKey, changes }];
      this.future = [];
    });
  }

  /**
   * Notes what was done to the border itself. No undo reaches it. What cannot be planned is not noted but told.
   *
   * @returns whether it was noted
   */
  note(...deeds: readonly Deed[]): boolean {
    if (deeds.length === 0) return true;
    if (this.hem.record.length + deeds.length > LIMITS.events) {
      return this.refuse([hemProblem('record-full', inAll('the hem'), { most: LIMITS.events })]);
    }
    const at = this.parts.now().toISOString();
    const record = deeds.reduce((all, deed) => noted(all, deed, this.parts.page, at), this.hem.record);
    const outcome = checkHem({ ...this.hem, record });
    return outcome.ok ? this.put(outcome.value, 'worked', () => undefined) : this.refuse(outcome.problems);
  }

  /** Ends a run of joined edits: the next one is a step of its own. */
  endJoin(): void {
    const last = this.past[this.past.length - 1];
    if (last?.mergeKey) this.past[this.past.length - 1] = { ...last, mergeKey: null };
  }

  undo(): void {
    const step = this.past[this.past.length - 1];
    if (!step) return;
    this.step(`took back: ${step.label}`, inverted(step.changes), () => {
      this.past.pop();
      this.future.push(step);
    });
  }

  redo(): void {
    const step = this.future[this.future.length - 1];
    if (!step) return;
    this.step(step.label, step.changes, () => {
      this.future.pop();
      this.past.push({ ...step, mergeKey: null });
    });
  }

  private step(label: string, changes: readonly PartChange[], move: () => void): void {
    if (workedRounds(this.hem.record).length > 0 && changes.every(({ part }) => isBegunOn(part))) {
      // Taking it back would change nothing that is seen: what was done before it can still be reached.
      move();
      this.refuse([editProblem('begun-stays', { in: 'edit', label }, {})]);
      return this.announce();
    }
    const hem = settleReferences(withChanges(this.hem, changes), [this.hem]);
    if (hem) this.put(hem, label, move);
    else {
      // What it would bring back no longer goes with the rest: it is given up, so that what lies before it can be reached.
      move();
      this.refuse([hemProblem('step-gone', { in: 'edit', label: 'undo' }, { what: label })]);
      this.announce();
    }
  }

  /** The page may be closed: what is not yet saved is set aside, and written if there is time. */
  leave(): void {
    this.saving?.leave();
  }

  /** True while the page holds something that is not known to be written. */
  get unsaved(): boolean {
    return this.saving?.unsaved ?? false;
  }

  /** Writes at once what is not yet saved. */
  async flush(): Promise<void> {
    await this.saving?.flush();
  }

  /** Another page has written this hem: what it did is seen here too. */
  async heard(): Promise<void> {
    await this.saving?.heard();
  }

  /** Keeps the hem here again after it was deleted by another page. */
  async keepAgain(): Promise<void> {
    await this.saving?.keepAgain();
  }

  private refuse(problems: readonly Problem[]): false {
    this.parts.refused(problems);
    return false;
  }

  /** Plans a hem and makes it the one that is open. One that cannot be planned is refused and never stored. */
  private put(hem: Hem, label: string, move: () => void): boolean {
    const changed = { ...hem, changed: this.parts.now().toISOString() };
    let plan: Plan;
    try {
      plan = this.planner(changed);
    } catch (error) {
      return this.refuse([
        hemProblem('not-planned', { in: 'edit', label }, { detail: (error as Error).message.slice(0, 200) }),
      ]);
    }
    const beyond = beyondLimits(plan).find((p) => !beyondLimits(this.state.plan).includes(p));
    if (beyond && beyondLimits(this.state.plan).length === 0) return this.refuse([beyond]);
    const bytes = hemBytes(changed);
    if (bytes > LIMITS.hemBytes && bytes > hemBytes(this.hem))
      return this.refuse([hemProblem('hem-too-large', inAll('this hem'), { most: LIMITS.hemBytes / 1e6 })]);
    move();
    this.hem = changed;
    this.saving?.edited(changed, label, this.steps);
    this.state = this.next(plan);
    this.call();
    return true;
  }

  /** Takes over what was written: the hem that other pages share, with what was edited here since. */
  private take(common: Hem, changes: readonly PartChange[]): Hem {
    const hem =
      changes.length === 0
        ? common
        : (settleReferences(withChanges(common, changes), [this.hem]) ?? this.hem);
    const whole = withRecordOf(hem, this.hem);
    try {
      this.state = this.next(this.planner(whole));
      this.hem = whole;
    } catch {
      // What another page wrote cannot be planned here: this page goes on with its own.
    }
    this.call();
    return this.hem;
  }

  private announce(): void {
    this.state = this.next(this.state.plan);
    this.call();
  }

  private call(): void {
    for (const listener of this.listeners) listener();
  }

  private next(plan: Plan): HemState {
    return {
      plan,
      undoLabel: this.past[this.past.length - 1]?.label ?? null,
      redoLabel: this.future[this.future.length - 1]?.label ?? null,
      saved: this.saving?.state ?? 'saved',
    };
  }
}

const beyondLimits = (plan: Plan): readonly Problem[] =>
  plan.problems.filter((p) => isPlanProblem(p, 'round-too-large'));
