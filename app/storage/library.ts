/**
 * All hems of this browser. What is written is written under a lock of its hem and with the next revision; what another
 * page wrote in between is united with it part by part (docs/decisions/0008). Nothing here shows anything.
 */
import { united, type PartChange } from '../../core/document/parts.ts';
import type { Hem } from '../../core/document/hem.ts';
import { withRecordOf } from '../../core/document/record.ts';
import type { Outcome } from '../../core/problems.ts';
import { Bin, type Binned } from './bin.ts';
import { within, type RecordStore } from './recordStore.ts';
import type { Draft, Drafts } from './drafts.ts';
import { History, type Version } from './history.ts';
import {
  changedOf,
  hemOfPhoto,
  isBegun,
  readRecord,
  type RecordFound,
  type KeptHem,
  type UndoSteps,
} from './records.ts';
import { isWritten, resumed, stepsOfDraft, withAside } from './resumed.ts';
import type { Tabs } from './tabs.ts';

/** A hem to be written, with where it comes from. */
export interface Writing {
  readonly hem: Hem;
  /** The hem and its revision as last read or written by the page that writes. */
  readonly common: Hem;
  readonly base: number;
  /** Every part that was touched since, as it became. */
  readonly changes: readonly PartChange[];
  readonly label: string;
  /** The page’s last edit, counted. */
  readonly edit: number;
  readonly steps: UndoSteps;
}

export type Written =
  | {
      readonly kind: 'written';
      readonly revision: number;
      /** The hem as it was written: with what another page had changed in other parts. */
      readonly hem: Hem;
      /** Parts that another page had changed too; as it had them they are in the history. */
      readonly conflicts: readonly string[];
      /** The record had been cleared away and was written anew. */
      readonly anew: boolean;
    }
  /** Another page has put the hem into the bin; what was to be written is kept there. */
  | { readonly kind: 'in the bin' };

export interface OpenedHem {
  readonly found: RecordFound;
  /** Steps of undo that still apply. */
  readonly steps: UndoSteps;
  /** Stored hem, where that is not `found` because an edit that was set aside cannot be written now. */
  readonly stored: Hem | null;
}

const NO_STEPS: UndoSteps = { past: [], future: [] };
const AWAITED = 'hems whose photos are here';
const AWAITED_DAYS = 60;
/** Hems that are put on the shelf in one writing. */
const ADDED_AT_ONCE = 50;
/** Pages remembered in a record. */
const MOST_WRITERS = 12;

export interface LibraryParts {
  readonly hems: RecordStore;
  readonly history: RecordStore;
  readonly bin: RecordStore;
  readonly undo: RecordStore;
  readonly photos: RecordStore;
  readonly pictures: RecordStore;
  readonly settings: RecordStore;
  readonly drafts: Drafts;
  readonly tabs: Tabs;
  readonly now: () => Date;
  /** Name of this page among all pages. */
  readonly page: string;
}

/** How a version is called that was taken to another device, or came from one. */
export const CARRIED = 'to or from another device';

/** Time for which the shelf waits for edits that were set aside to be written, ms: they are seen all the same. */
const DRAFTS_MS = 1000;

export class Library {
  readonly history: History;
  private readonly bin: Bin;
  private edits = 0;
  /** The last writing of each hem that was tried here: one that was given up may have come about all the same. */
  private readonly tried = new Map<string, { readonly revision: number; readonly edit: number }>();
  /** Edits that other pages had set aside and that are in a hem as it was opened here, by hem. */
  private readonly over = new Map<string, Draft['over']>();

  constructor(private readonly parts: LibraryParts) {
    this.history = new History(parts.history, parts.now);
    this.bin = new Bin(parts.bin, parts.settings, parts.now);
  }

  get page(): string {
    return this.parts.page;
  }

  /** The next number of an edit, counted through all hems of this page. */
  nextEdit(): number {
    return ++this.edits;
  }

  get drafts(): Drafts {
    return this.parts.drafts;
  }

  /** Sets an edit of a hem that is open here aside. @returns whether there was room for it */
  setAside(draft: Omit<Draft, 'over'>): boolean {
    return this.parts.drafts.put({ ...draft, over: this.over.get(draft.id) ?? {} });
  }

  get tabs(): Tabs {
    return this.parts.tabs;
  }

  /** All hems, those that are worked on before the others, last changed first; damaged ones too. Edits that were set aside are written before. */
  async list(): Promise<readonly RecordFound[]> {
    const taken = async (): Promise<void> => {
      for (const id of this.parts.drafts.ids()) await this.takeDrafts(id);
    };
    // A page that was put to sleep may hold on to a hem: the shelf does not wait for it.
    await within(taken(), DRAFTS_MS).catch(() => undefined);
    const aside = new Map(this.parts.drafts.ids().map((id) => [id, this.parts.drafts.of(id)]));
    const all = await this.parts.hems.all();
    return all
      .map(([id, value]) => this.asSeen(readRecord(id, value), aside.get(id) ?? []))
      .sort(
        (a, b) =>
          Number(isBegun(b)) - Number(isBegun(a)) || order(changedOf(b), changedOf(a)) || order(a.id, b.id),
      );
  }

  /** A hem with the last edit that was made to it; null when it is not here. */
  async open(id: string): Promise<OpenedHem | null> {
    await this.takeDrafts(id);
    const value = await this.parts.hems.get(id);
    if (value === null || value === undefined) return null;
    const stored = readRecord(id, value);
    const found = this.asSeen(stored);
    const steps = await this.stepsOf(id, stored.revision);
    const aside = this.parts.drafts.of(id).filter((draft) => !isWritten(stored, draft));
    const last = aside.at(-1);
    if (!last || found === stored || !stored.outcome.ok) return { found, steps, stored: null };
    this.over.set(id, asideOf(aside));
    return { found, steps: stepsOfDraft(last, steps), stored: stored.outcome.value };
  }

  /** Stored state of a hem, with the edits that are set aside and could not be written: what its maker saw last. */
  private asSeen(found: RecordFound, aside = this.parts.drafts.of(found.id)): RecordFound {
    return aside.reduce((seen, draft) => {
      const hem = isWritten(found, draft) ? null : resumed(seen, draft);
      return hem ? withAside(seen, hem, draft) : seen;
    }, found);
  }

  /** A hem as it is stored; null when it is not here. */
  async peek(id: string): Promise<RecordFound | null> {
    const value = await this.parts.hems.get(id);
    return value === null || value === undefined ? null : readRecord(id, value);
  }

  /** Writes a hem. Throws when storage refuses or does not answer; then nothing is changed. */
  async write(writing: Writing): Promise<Written> {
    const { id } = writing.hem;
    const written = await this.parts.tabs.alone(id, async (): Promise<Written> => {
      const value = await this.parts.hems.get(id);
      if (value === null || value === undefined) {
        if (await this.bin.get(id)) {
          await this.bin.put(id, this.recordOf(writing.hem, writing, writing.base + 1, {}));
          return { kind: 'in the bin' };
        }
        return this.put(writing, writing.hem, [], { revision: writing.base, writers: {} }, true);
      }
      const found = readRecord(id, value);
      const tried = this.tried.get(id);
      const own = tried?.revision === found.revision && tried.edit === found.writers[this.parts.page];
      if (found.revision === writing.base || own) return this.put(writing, writing.hem, [], found, false);
      if (!found.outcome.ok) {
        // What another page left cannot be read: it is kept as it is, and this page’s hem goes on.
        await this.history.add(id, found.revision, 'what another page left', found.raw, true);
        return this.put(writing, writing.hem, ['everything'], found, false);
      }
      const { hem, conflicts } = united(writing.common, writing.hem, found.outcome.value, writing.changes);
      if (conflicts.length > 0)
        await this.keepVersion(id, found, 'before another page changed the same', true);
      return this.put(writing, hem, conflicts, found, false);
    });
    this.tell('hem', id);
    return this.asserted(writing, written);
  }

  private async put(
    writing: Writing,
    hem: Hem,
    conflicts: readonly string[],
    before: Pick<RecordFound, 'revision' | 'writers'>,
    anew: boolean,
  ): Promise<Written> {
    const { id } = writing.hem;
    const revision = before.revision + 1;
    await this.attempt(() => this.keepFirst(writing.common, before.revision));
    this.tried.set(id, { revision, edit: writing.edit });
    await this.parts.hems.set(id, this.recordOf(hem, writing, revision, before.writers));
    // What follows is of use, but the hem is safe without it.
    await this.attempt(() => this.history.add(id, revision, writing.label, hem));
    await this.attempt(() => this.parts.undo.set(id, { revision, ...writing.steps }));
    return { kind: 'written', revision, hem, conflicts, anew };
  }

  /**
   * Where pages cannot keep out of each other’s way, another may have written in between: then what was written here is
   * not in what is stored, and is written again on top of that.
   */
  private async asserted(writing: Writing, written: Written): Promise<Written> {
    if (this.parts.tabs.locked || written.kind !== 'written') return written;
    await new Promise((passed) => setTimeout(passed, 60));
    const found = await this.peek(writing.hem.id);
    if (!found || (found.writers[this.parts.page] ?? 0) >= writing.edit) return written;
    return this.write({ ...writing, base: found.revision - 1 });
  }

  /** How a hem was before its first edit is its first version. */
  private async keepFirst(hem: Hem, revision: number): Promise<void> {
    if ((await this.history.of(hem.id)).length > 0) return;
    await this.history.add(hem.id, revision, 'as it came', hem);
  }

  private recordOf(
    hem: Hem,
    { label, edit }: Pick<Writing, 'label' | 'edit'>,
    revision: number,
    writers: RecordFound['writers'],
  ): KeptHem {
    const others = Object.entries(writers).filter(([page]) => page !== this.parts.page);
    const latest = Math.max(edit, writers[this.parts.page] ?? 0);
    const known = [...others.slice(1 - MOST_WRITERS), [this.parts.page, latest] as const];
    const taken = this.over.get(hem.id) ?? {};
    return { kept: 1, revision, hem, label, writers: { ...Object.fromEntries(known), ...taken } };
  }

  /**
   * Puts hems on the shelf, in order. What stands there stays as an earlier version.
   *
   * @param under hears how many have been put there, and may end it between two of them
   * @returns how many were put there
   */
  async add(
    hems: readonly Hem[],
    label: string,
    under: { readonly told?: (done: number) => void; readonly signal?: AbortSignal } = {},
  ): Promise<number> {
    let added = 0;
    for (let from = 0; from < hems.length && !under.signal?.aborted; from += ADDED_AT_ONCE) {
      const some = hems.slice(from, from + ADDED_AT_ONCE);
      const ids = hems.map(({ id }) => id);
      // One that comes twice replaces the first: that is done one after the other.
      const once = some.filter(({ id }) => ids.indexOf(id) === ids.lastIndexOf(id));
      const record = (hem: Hem) => [hem.id, this.recordOf(hem, { label, edit: 0 }, 1, {})] as const;
      const taken = new Set(once.length > 1 ? await this.parts.hems.addAll(once.map(record)) : ids);
      for (const hem of some)
        if (taken.has(hem.id) || !once.includes(hem)) await this.replace(hem, label);
        else this.parts.drafts.remove(hem.id);
      added += some.length;
      under.told?.(added);
    }
    this.tell('shelf');
    return added;
  }

  private async replace(hem: Hem, label: string): Promise<void> {
    await this.parts.tabs.alone(hem.id, async () => {
      const value = await this.parts.hems.get(hem.id);
      const found = value === null || value === undefined ? null : readRecord(hem.id, value);
      const revision = (found?.revision ?? 0) + 1;
      // What stands there stays in the history, whatever it is.
      if (found) await this.keepVersion(hem.id, found, 'before it was replaced', true);
      // What was done was done, whatever replaces it.
      const whole = found?.outcome.ok ? withRecordOf(hem, found.outcome.value) : hem;
      await this.parts.hems.set(hem.id, this.recordOf(whole, { label, edit: 0 }, revision, {}));
      if (found) await this.attempt(() => this.parts.undo.remove(hem.id));
      this.parts.drafts.remove(hem.id);
    });
    this.tell('hem', hem.id);
  }

  /** Keeps in mind how a hem was when it was taken to another device, or came from one. */
  async keepCarried(hem: Hem): Promise<void> {
    const found = await this.peek(hem.id);
    if (found) await this.attempt(() => this.history.add(hem.id, found.revision, CARRIED, hem, true));
  }

  /** Puts a hem into the bin, as it is, damaged or not. */
  async remove(id: string): Promise<void> {
    await this.parts.tabs.alone(id, async () => {
      const value = await this.parts.hems.get(id);
      // Nothing can be kept of nothing; its card goes all the same.
      if (value !== null && value !== undefined) await this.bin.put(id, value);
      await this.parts.hems.remove(id);
      this.parts.drafts.remove(id);
    });
    this.tell('hem', id);
    this.tell('shelf');
  }

  /** Takes a hem out of the bin again. It leaves the bin only when it is back on the shelf. */
  async putBack(id: string): Promise<void> {
    await this.parts.tabs.alone(id, async () => {
      const binned = await this.bin.get(id);
      if (!binned) return;
      const there = await this.parts.hems.get(id);
      if (there === null || there === undefined) await this.parts.hems.set(id, binned.kept);
      await this.bin.remove(id);
    });
    this.tell('hem', id);
    this.tell('shelf');
  }

  /** Contents of the bin, last deleted first. */
  binned(): Promise<readonly Binned[]> {
    return this.bin.list();
  }

  /** Empties the bin of some hems, for good. @returns what takes that back */
  async discard(ids: readonly string[]): Promise<() => Promise<void>> {
    const back = await this.bin.discard(ids);
    this.tell('shelf');
    return async () => {
      await back();
      this.tell('shelf');
    };
  }

  /** Lets go of what has been in the bin for long enough. */
  async emptyBin(): Promise<void> {
    for (const id of await this.bin.due()) {
      await this.bin.remove(id);
      if ((await this.parts.hems.get(id)) === null) {
        await this.history.forget(id);
        await this.parts.undo.remove(id);
      }
    }
    await this.clearPictures();
  }

  /** Lets go of photos and pictures of hems that are neither on the shelf nor in the bin. */
  private async clearPictures(): Promise<void> {
    const { photos, pictures } = this.parts;
    const [ofWork, ofHems] = [await photos.keys(), await pictures.keys()];
    if (ofWork.length + ofHems.length === 0) return;
    const kept = new Set([...(await this.parts.hems.keys()), ...(await this.bin.ids())]);
    for (const id of await this.awaited(kept)) kept.add(id);
    for (const key of ofWork) if (!kept.has(hemOfPhoto(key))) await photos.remove(key);
    for (const key of ofHems) if (!kept.has(key)) await pictures.remove(key);
  }

  /** Keeps in mind that photos have come of hems that are not here: their backup may be in several files. */
  async awaitHems(ids: readonly string[]): Promise<void> {
    const before = (await this.parts.settings.get(AWAITED)) as Readonly<Record<string, unknown>> | null;
    const since = this.parts.now().toISOString();
    const all = { ...before, ...Object.fromEntries(ids.map((id) => [id, since])) };
    await this.parts.settings.set(AWAITED, all);
  }

  /** Ids of hems of which photos have come before them. One that has come, or has not come for long, is awaited no more. */
  private async awaited(here: ReadonlySet<string>): Promise<readonly string[]> {
    const before = (await this.parts.settings.get(AWAITED)) as Readonly<Record<string, unknown>> | null;
    if (!before) return [];
    const now = this.parts.now().getTime();
    const still = Object.entries(before).filter(
      ([id, since]) => !here.has(id) && Math.abs(now - Date.parse(String(since))) < AWAITED_DAYS * 86_400_000,
    );
    await this.attempt(() => this.parts.settings.set(AWAITED, Object.fromEntries(still)));
    return still.map(([id]) => id);
  }

  /** Earlier versions of a hem, newest first. */
  versions(id: string): Promise<readonly Version[]> {
    return this.history.of(id);
  }

  /** The hem of an earlier version; null when it is no longer there. */
  version(id: string, revision: number): Promise<Outcome<Hem> | null> {
    return this.history.read(id, revision);
  }

  /** Writes edits that were set aside, and gives them up then. Those that cannot be written now stay aside. */
  private async takeDrafts(id: string): Promise<void> {
    this.parts.drafts.clear(id);
    for (const draft of this.parts.drafts.of(id)) {
      try {
        await this.parts.tabs.alone(id, () => this.takeDraft(draft));
        this.parts.drafts.drop(id, draft.page, draft.edit);
        this.tell('hem', id);
      } catch {
        // It stays, and is seen all the same.
      }
    }
  }

  private async takeDraft(draft: Draft): Promise<void> {
    const { id } = draft;
    const value = await this.parts.hems.get(id);
    const found = value === null || value === undefined ? null : readRecord(id, value);
    if (found && isWritten(found, draft)) return;
    const binned = found ? null : await this.bin.get(id);
    const before = found ?? (binned ? readRecord(id, binned.kept) : null);
    const hem = resumed(before, draft);
    if (!hem) throw new Error('what was set aside cannot be read');
    const revision = (found?.revision ?? draft.base) + 1;
    // Edits are counted by each page: those of the draft say nothing of the edits of this one.
    const writer = { label: draft.label, edit: 0 };
    const made = this.recordOf(hem, writer, revision, found?.writers ?? {});
    const record = { ...made, writers: { ...made.writers, ...asideOf([draft]) } };
    // Deleted since: what was set aside is kept with what was deleted.
    if (binned) return this.bin.put(id, record);
    const steps = stepsOfDraft(draft, await this.stepsOf(id, draft.base));
    if (found && found.revision !== draft.base)
      await this.keepVersion(id, found, 'before an edit that was set aside', true);
    const outcome = found?.outcome;
    if (found && outcome?.ok) await this.attempt(() => this.keepFirst(outcome.value, found.revision));
    await this.parts.hems.set(id, record);
    await this.attempt(() => this.history.add(id, revision, draft.label, hem));
    await this.attempt(() => this.parts.undo.set(id, { revision, ...steps }));
  }

  private async stepsOf(id: string, revision: number): Promise<UndoSteps> {
    const kept = (await this.parts.undo.get(id).catch(() => null)) as
      (UndoSteps & { revision: unknown }) | null;
    const sound = kept?.revision === revision && Array.isArray(kept.past) && Array.isArray(kept.future);
    return sound ? { past: kept.past, future: kept.future } : NO_STEPS;
  }

  private async keepVersion(id: string, found: RecordFound, label: string, pinned: boolean): Promise<void> {
    const raw = found.outcome.ok ? found.outcome.value : found.raw;
    await this.attempt(() => this.history.add(id, found.revision, label, raw, pinned));
  }

  private async attempt(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch {
      // Of use, but nothing depends on it.
    }
  }

  private tell(kind: 'hem' | 'shelf', id: string | null = null): void {
    this.parts.tabs.tell({ kind, id, page: this.parts.page });
  }
}

/** The last edits that drafts hold, by page. */
const asideOf = (drafts: readonly Draft[]): Draft['over'] =>
  Object.assign({}, ...drafts.map(({ page, edit, over }) => ({ ...over, [page]: edit }))) as Draft['over'];

const order = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
