/** Records of a hem, and how they are read: nothing that storage holds is believed before it is checked. */
import { storageProblem } from './problems.ts';
import { checkHem } from '../../core/document/check.ts';
import { FORMAT } from '../../core/document/format.ts';
import type { Hem } from '../../core/document/hem.ts';
import { failed, type Outcome, inAll } from '../../core/problems.ts';
import type { PartChange } from '../../core/document/parts.ts';

export interface KeptHem {
  /** Version of this envelope. */
  readonly kept: 1;
  /** How often the hem was written; it orders what was written, which no clock does. */
  readonly revision: number;
  readonly hem: Hem;
  /** Last edit. */
  readonly label: string;
  /** The last edit of each page that this writing holds, by the page’s own name. */
  readonly writers: Readonly<Record<string, number>>;
}

/** A record as it was found. */
export interface RecordFound {
  readonly id: string;
  readonly revision: number;
  readonly label: string;
  readonly writers: Readonly<Record<string, number>>;
  /** The hem, or what is wrong with what is kept in its place. */
  readonly outcome: Outcome<Hem>;
  /** Record in the hem’s place, whatever it is. */
  readonly raw: unknown;
  /** The last edit beyond the revision that is set aside and cannot be written now; null when all is written. */
  readonly aside: string | null;
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Reads a record; earlier versions of the application kept the bare hem. */
export function readRecord(id: string, value: unknown): RecordFound {
  const envelope = isRecord(value) && 'hem' in value && value.format !== FORMAT ? value : null;
  const raw = envelope ? envelope.hem : value;
  let read: Outcome<Hem> | undefined;
  const revision =
    typeof envelope?.revision === 'number' && Number.isSafeInteger(envelope.revision) ? envelope.revision : 0;
  return {
    id,
    revision: Math.max(0, revision),
    label: typeof envelope?.label === 'string' ? envelope.label : '',
    writers: isRecord(envelope?.writers) ? (envelope.writers as RecordFound['writers']) : {},
    // A long shelf is checked as it is looked through.
    get outcome() {
      return (read ??= readKept(id, raw));
    },
    raw,
    aside: null,
  };
}

/** A hem that storage holds, checked. It answers to the name under which it is kept. */
export function readKept(id: string, raw: unknown): Outcome<Hem> {
  if (!isRecord(raw)) return failed(storageProblem('record-damaged', inAll('this hem')));
  const outcome = checkHem(raw);
  if (!outcome.ok || outcome.value.id === id) return outcome;
  return { ok: true, value: { ...outcome.value, id } };
}

/** The name of a hem as far as it can be told. */
export function nameOf({ outcome, raw, id }: Pick<RecordFound, 'outcome' | 'raw' | 'id'>): string {
  if (outcome.ok) return outcome.value.name;
  const name = isRecord(raw) ? raw.name : null;
  return typeof name === 'string' && name.trim() !== '' ? name.slice(0, 200) : `Hem ${id.slice(0, 12)}`;
}

/** When a hem was changed last by its own word, for its place on the shelf. */
export function changedOf({ raw }: Pick<RecordFound, 'raw'>): string {
  const changed = isRecord(raw) ? raw.changed : null;
  return typeof changed === 'string' ? changed : '';
}

/** Whether something has been done to the border, by the hem’s own word. */
export function isBegun({ raw }: Pick<RecordFound, 'raw'>): boolean {
  const record = isRecord(raw) ? raw.record : null;
  return Array.isArray(record) && record.length > 0;
}

/** A step of undo: what was done, part by part. */
export interface UndoStep {
  readonly label: string;
  readonly changes: readonly PartChange[];
  /** Edits with the same key that follow each other without a pause are one step, as those of one drag. */
  readonly mergeKey: string | null;
}

export interface UndoSteps {
  readonly past: readonly UndoStep[];
  readonly future: readonly UndoStep[];
}

/** The key under which a photo of a hem is kept, and the hem by such a key. */
export const photoKey = (hem: string, photo: string): string => `${hem}/${photo}`;
export const hemOfPhoto = (key: string): string => key.slice(0, key.lastIndexOf('/'));
