/** Edits of what a hem is called, how it is told, and what the maker says of themselves. */
import { NOTHING_DONE } from '../document/record.ts';
import type { Alike } from '../alike/alike.ts';
import type { Hem, Preferences } from '../document/hem.ts';
import type { KnownHands } from '../hands/hands.schema.ts';
import { edit, type Edit } from './edit.ts';

export const rename = (name: string): Edit =>
  edit('name', (hem) => ({ name: name.trim() === '' ? hem.name : name }), 'name');

const PREFERENCE_LABELS: Readonly<Record<keyof Preferences, (value: string) => string>> = {
  language: (v) => `${v.toUpperCase()} terms`,
  hand: (v) => `${v} hand`,
  length: (v) => `lengths in ${v}`,
  paper: () => 'paper',
};

/** Sets one preference. */
export const prefer = <K extends keyof Preferences>(key: K, value: Preferences[K]): Edit =>
  edit(PREFERENCE_LABELS[key](value), (hem) => ({ preferences: { ...hem.preferences, [key]: value } }));

/** The maker's own notes. */
export const writeNotes = (notes: string): Edit => edit('notes', () => ({ notes }), 'notes');

/** For whom it is made, and when. */
export const writeMade = (made: Partial<Pick<Hem, 'madeFor' | 'madeOn'>>): Edit =>
  edit('made for', () => made, 'made for');

/** How many pieces have this border, and how they are joined. Fewer pieces than are done are none. */
export const describeAlike = (part: Partial<Alike>): Edit =>
  edit(
    'many alike',
    ({ alike: before }) => {
      const alike = { ...before, ...part };
      return { alike: { ...alike, done: Math.min(alike.done, alike.count) } };
    },
    `alike ${Object.keys(part).join()}`,
  );

/** Stitches in a minute. */
export const setPace = (pace: number): Edit => edit('pace', () => ({ pace }), 'pace');

/** Sets what is known of the hands that work it; null for rules of thumb alone. @param pace stitches in a minute; null leaves it */
export const reckonWith = (hands: KnownHands | null, pace: number | null): Edit =>
  edit(hands ? 'your hands' : 'typical values', () => ({ hands, ...(pace !== null && { pace }) }));

/** Size after blocking over size before. */
export const setBlocking = (blocking: number): Edit => edit('blocking', () => ({ blocking }), 'blocking');

/** The hem as it was in an earlier version of it. */
export const takeUpVersion = (version: Hem): Edit =>
  edit('restored an earlier version', (hem) => ({
    ...version,
    id: hem.id,
    created: hem.created,
    record: hem.record,
  }));

/** A hem as one of its own: what is copied is never the same hem, and nothing has been done to it. @param now ISO 8601 */
export const copyOf = (hem: Hem, id: string, name: string, now: string): Hem => ({
  ...hem,
  id,
  name: [...name].slice(0, 200).join(''),
  created: now,
  changed: now,
  record: NOTHING_DONE,
});
