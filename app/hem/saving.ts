/**
 * The saving of an open hem: soon after an edit, at the latest two seconds into continuous editing, one writing at a
 * time. Before the database is asked, what an edit changed is set aside, so that a page that ends loses nothing. What
 * cannot be written is said and tried again until it is.
 */
import { changesBetween, touchedParts, type PartChange } from '../../core/document/parts.ts';
import type { Hem } from '../../core/document/hem.ts';
import { notedSince } from '../../core/document/record.ts';
import { StorageHangs, isFull } from '../storage/recordStore.ts';
import type { Draft } from '../storage/drafts.ts';
import type { Writing, Written } from '../storage/library.ts';
import type { UndoStep, UndoSteps } from '../storage/records.ts';

/** `binned`: another page has deleted the hem. */
export type SavingState = 'saved' | 'saving' | 'failed' | 'full' | 'hangs' | 'binned';

export interface SavingParts {
  readonly page: string;
  /** The next number of an edit, counted through all hems of this page. */
  readonly nextEdit: () => number;
  readonly write: (writing: Writing) => Promise<Written>;
  /** Reads what is stored now; null when it is not there. */
  readonly read: () => Promise<{ readonly hem: Hem; readonly revision: number } | null>;
  readonly keepAgain: (hem: Hem) => Promise<void>;
  /** Keeps an edit that may not get saved any more, at once; false when there is no room. */
  readonly setAside: (draft: Omit<Draft, 'over'>) => boolean;
  readonly dropAside: (edit: number) => void;
  /** Parts that another page had changed too, and have become as here. */
  readonly conflicting: (parts: readonly string[], hem: Hem) => void;
  /** The record had been cleared from storage and was written anew. */
  readonly writtenAnew: () => void;
  /** Takes over what all pages share now, with changes made here since. @returns the hem that is open then */
  readonly took: (common: Hem, changes: readonly PartChange[]) => Hem;
  /** The state changed. */
  readonly changed?: () => void;
}

const SAVE_AFTER_MS = 250;
/** Longest time that continuous editing goes on without a writing. */
const SAVE_AT_LATEST_MS = 1000;
const RETRY_MS = [500, 1000, 2000, 4000, 8000, 15_000] as const;

export class Saving {
  state: SavingState = 'saved';
  private hem: Hem;
  private label = '';
  private steps: UndoSteps = { past: [], future: [] };
  /** Every part that was touched since `common`, as it became: those that are being written, and those after them. */
  private sent: readonly PartChange[] = [];
  private touched: readonly PartChange[] = [];
  /** Edits are counted: the last one made, and the last one known to be written. */
  private edits = 0;
  private written = 0;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private since: number | null = null;
  private failures = 0;
  private underWay: Promise<void> | null = null;

  constructor(
    /** Last hem that this page and storage had in common. */
    private common: Hem,
    private revision: number,
    private readonly parts: SavingParts,
    /** The steps of undo that were written last. */
    private keptSteps: UndoSteps = { past: [], future: [] },
  ) {
    this.hem = common;
  }

  get unsaved(): boolean {
    return this.edits > this.written && this.state !== 'binned';
  }

  edited(hem: Hem, label: string, steps: UndoSteps): void {
    this.touched = touchedParts(this.touched, changesBetween(this.hem, hem));
    this.hem = hem;
    this.label = label;
    this.steps = { past: [...steps.past], future: [...steps.future] };
    this.edits = this.parts.nextEdit();
    // Set once for a run of edits; each of them puts the writing off, but not beyond the latest.
    this.since ??= performance.now();
    if (this.state === 'saved') this.state = 'saving';
    if (this.state === 'saving') {
      const left = this.since + SAVE_AT_LATEST_MS - performance.now();
      this.schedule(Math.max(0, Math.min(SAVE_AFTER_MS, left)));
    }
    this.putAside(this.state === 'saving' ? 'line' : 'whole');
  }

  leave(): void {
    if (this.unsaved) this.putAside('whole');
    void this.flush();
  }

  /** A line holds what was edited since the last writing, and is small; the whole hem needs nothing that is stored. */
  private putAside(what: 'line' | 'whole'): void {
    const { hem, common, revision, edits, steps, label } = this;
    const kept = what === 'whole' ? NONE_KEPT : stepsKept(this.keptSteps.past, steps.past);
    this.parts.setAside({
      id: hem.id,
      page: this.parts.page,
      edit: edits,
      base: revision,
      changes: touchedParts(this.sent, this.touched),
      noted: notedSince(common.record, hem.record),
      kept,
      steps: { past: steps.past.slice(kept.to - kept.from), future: steps.future },
      label,
      hem: what === 'whole' ? hem : null,
    });
  }

  private schedule(ms: number): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), ms);
  }

  /** Writes what is not yet written; one writing at a time. */
  async flush(): Promise<void> {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
    if (this.underWay) {
      await this.underWay;
      return this.unsaved && this.timer === null ? this.flush() : undefined;
    }
    if (!this.unsaved) return;
    this.underWay = this.writeNow();
    await this.underWay;
    this.underWay = null;
    if (this.unsaved && this.timer === null) this.schedule(SAVE_AFTER_MS);
  }

  private async writeNow(): Promise<void> {
    const { hem, edits, label, steps, common, revision, touched } = this;
    this.since = null;
    this.sent = touched;
    this.touched = [];
    try {
      const written = await this.parts.write({
        hem,
        common,
        changes: touched,
        base: revision,
        label,
        edit: edits,
        steps,
      });
      this.failures = 0;
      if (written.kind === 'in the bin') {
        this.become('binned');
        return;
      }
      this.parts.dropAside(edits);
      this.written = edits;
      this.revision = written.revision;
      this.common = written.hem;
      this.keptSteps = steps;
      this.sent = [];
      if (written.hem !== hem) this.hem = this.parts.took(written.hem, changesBetween(hem, this.hem));
      if (written.conflicts.length > 0) this.parts.conflicting(written.conflicts, written.hem);
      if (written.anew) this.parts.writtenAnew();
      if (this.unsaved) this.putAside('line');
      this.become(this.unsaved ? 'saving' : 'saved');
    } catch (error) {
      this.touched = touchedParts(touched, this.touched);
      this.sent = [];
      this.putAside('whole');
      this.become(error instanceof StorageHangs ? 'hangs' : isFull(error) ? 'full' : 'failed');
      this.schedule(RETRY_MS[Math.min(this.failures++, RETRY_MS.length - 1)]!);
    }
  }

  /** Another page has written. What is unsaved here is united with it as it is written; else it is taken over. */
  async heard(): Promise<void> {
    if (this.unsaved) return this.flush();
    const before = this.edits;
    let stored;
    try {
      stored = await this.parts.read();
    } catch {
      // The next writing here finds out what is the matter.
      return;
    }
    // Something was done here while it was read: the next writing unites the two.
    if (this.edits !== before) return;
    if (!stored) return this.become('binned');
    if (stored.revision <= this.revision && this.state === 'saved') return;
    this.revision = stored.revision;
    this.common = stored.hem;
    this.hem = this.parts.took(stored.hem, []);
    this.become('saved');
  }

  async keepAgain(): Promise<void> {
    await this.parts.keepAgain(this.hem);
    const stored = await this.parts.read();
    if (!stored) return;
    this.revision = stored.revision;
    this.common = stored.hem;
    this.written = this.edits;
    this.touched = [];
    this.become('saved');
  }

  private become(state: SavingState): void {
    this.state = state;
    this.parts.changed?.();
  }
}

const NONE_KEPT = { from: 0, to: 0 } as const;

/** The stretch of the steps that are stored with which those of now begin. */
function stepsKept(stored: readonly UndoStep[], now: readonly UndoStep[]): Draft['kept'] {
  const from = now[0] ? stored.indexOf(now[0]) : -1;
  if (from < 0) return NONE_KEPT;
  const other = now.findIndex((step, i) => step !== stored[from + i]);
  return { from, to: other < 0 ? from + now.length : from + other };
}
