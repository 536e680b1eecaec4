/**
 * Files of older versions brought up to the one in force, a step for each version. A step only adds what the later
 * version needs; it does not check: what was unsound stays so and is named by the check that follows.
 */
import { LIMITS } from '../limits.ts';
import { familyById } from '../rounds/registry.ts';
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
  // Version 3: what was weighed says which round of which entry it was, no longer its number in the stack.
  (file) => ({
    ...file,
    weighIns: Array.isArray(file.weighIns)
      ? file.weighIns.map((weighIn: unknown) => byEntry(weighIn, file.rounds))
      : file.weighIns,
  }),
];

/** A weighing of a round by number as one by entry. One of a round that is no longer there keeps its yarn and weight. */
function byEntry(weighIn: unknown, rounds: unknown): unknown {
  if (!isRecord(weighIn) || !isRecord(weighIn.of) || typeof weighIn.of.round !== 'number') return weighIn;
  const number = weighIn.of.round;
  const worked = [{ entry: null as unknown, index: 0 }];
  for (const entry of Array.isArray(rounds) ? (rounds as unknown[]) : []) {
    if (!isRecord(entry) || worked.length > number) continue;
    const family = typeof entry.family === 'string' ? familyById(entry.family) : undefined;
    const times = typeof entry.times === 'number' ? Math.min(entry.times, LIMITS.rounds) : 0;
    for (let index = 0; index < times * (family?.roundsPerRepeat ?? 1); index++) {
      worked.push({ entry: entry.id, index });
    }
  }
  const round = worked[number] ?? { entry: 'a round that was taken off', index: 0 };
  return { ...weighIn, of: { ...weighIn.of, round } };
}

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
