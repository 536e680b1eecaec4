/**
 * Files of older versions brought up to the one in force, a step for each version. A step only adds what the later
 * version needs; it does not check: what was unsound stays so and is named by the check that follows.
 */
import { VERSION } from './hem.ts';

type Value = Readonly<Record<string, unknown>>;

const isRecord = (value: unknown): value is Value =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The step from version n is at n − 1. */
const STEPS: readonly ((file: Value) => Value)[] = [
  // Version 2: paper for the printed pattern, and the maker's own notes.
  (file) => ({
    ...file,
    notes: file.notes ?? '',
    preferences: isRecord(file.preferences) ? { paper: 'a4', ...file.preferences } : file.preferences,
  }),
];

/** A file of any known version as one of the version in force; anything else is given back as it is. */
export function migrate(value: unknown): unknown {
  if (!isRecord(value)) return value;
  let file = value;
  while (typeof file.version === 'number' && file.version >= 1 && file.version < VERSION) {
    const step = STEPS[file.version - 1];
    // A version that is no whole number is left to the check.
    if (!step) break;
    file = { ...step(file), version: file.version + 1 };
  }
  return file;
}
