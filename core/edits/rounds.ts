/** Edits of the stack of rounds, and of borders put aside. */
import { editProblem } from './problems.ts';
import { commonProblem } from '../problems.ts';
import type { OwnWritten } from '../notation/ownRound.schema.ts';
import { OWN, type Hem, type RoundEntry } from '../document/hem.ts';
import { LIMITS } from '../limits.ts';
import { inAll, type Problem } from '../problems.ts';
import { familyById } from '../rounds/registry.ts';
import { edit, gone, type Edit } from './edit.ts';

const nameOf = ({ family }: RoundEntry): string => (familyById(family)?.name ?? 'your round').toLowerCase();

/** An entry as it is worked on a base round: where no tops are seen, a round that can go between the stitches does. */
export const asWorkedOn = ({ betweenPosts }: Hem['base'], entry: RoundEntry): RoundEntry =>
  betweenPosts && entry.into === 'stitch' && familyById(entry.family)?.places.includes('between')
    ? { ...entry, into: 'between' }
    : entry;

/** Where new rounds go: on top of the stack, or, in a border that ends in an edge, under it or in its place. */
export type StackPosition = 'on top' | 'under' | 'instead';

/**
 * New entries in the stack.
 *
 * @param edge id of the entry that they go under, or take the place of
 */
export const addRounds = (
  label: string,
  entries: readonly RoundEntry[],
  where: StackPosition = 'on top',
  edge: string | null = null,
): Edit =>
  edit(label, ({ rounds, base }) => {
    const added = entries.map((entry) => asWorkedOn(base, entry));
    if (where === 'on top') return { rounds: [...rounds, ...added] };
    const at = rounds.findIndex((r) => r.id === edge);
    if (at < 0) return gone('the edge');
    return {
      rounds: [...rounds.slice(0, at), ...added, ...rounds.slice(where === 'instead' ? at + 1 : at)],
    };
  });

export const removeRound = (entry: RoundEntry): Edit =>
  edit(`removed ${nameOf(entry)}`, (hem) => ({ rounds: hem.rounds.filter((r) => r.id !== entry.id) }));

/** An entry, and how many times fewer it is worked. */
export interface FewerRounds {
  readonly entry: RoundEntry;
  readonly fewer: number;
}

/** Leaves off rounds that nothing has been done of. */
export const leaveOffRounds = (less: readonly FewerRounds[]): Edit =>
  edit('removed rounds', ({ rounds }) => ({
    rounds: rounds.flatMap((r) => {
      const fewer = less.find(({ entry }) => entry.id === r.id)?.fewer ?? 0;
      return fewer >= r.times ? [] : [fewer === 0 ? r : keptChanges({ ...r, times: r.times - fewer })];
    }),
  }));

/** An entry moved to where another one stands now. */
export const moveRound = (id: string, to: string): Edit =>
  edit('order of rounds', (hem) => {
    const moved = hem.rounds.find((r) => r.id === id);
    const at = hem.rounds.findIndex((r) => r.id === to);
    if (!moved || at < 0) return gone('that round');
    const rest = hem.rounds.filter((r) => r.id !== id);
    return { rounds: [...rest.slice(0, at), moved, ...rest.slice(at)] };
  });

/** Choices of an entry. */
export type EntryChoice = Partial<
  Pick<
    RoundEntry,
    | 'stitch'
    | 'corner'
    | 'cornerOpen'
    | 'anew'
    | 'slide'
    | 'loop'
    | 'into'
    | 'size'
    | 'times'
    | 'facing'
    | 'hookMm'
    | 'yarns'
    | 'start'
  >
>;

/** A choice about an entry. @param what was chosen, for undo: “back loop” */
export const chooseRound = (entry: RoundEntry, what: string, choice: EntryChoice): Edit =>
  edit(`${nameOf(entry)}: ${what}`, (hem) =>
    withEntry(hem, entry.id, (e) => keptChanges({ ...e, ...choice })),
  );

/** Name and note of a round that the maker wrote. */
export const nameRound = (id: string, part: Partial<Pick<OwnWritten, 'name' | 'note'>>): Edit =>
  edit(
    'name of your round',
    (hem) =>
      withEntry(hem, id, (e) =>
        e.family === OWN && e.written
          ? { ...e, written: { ...e.written, ...part } }
          : editProblem('part-gone', inAll('the border'), { what: 'that round' }),
      ),
    `name ${id}`,
  );

/** Quiet changes of rounds that an entry no longer has are given up. */
function keptChanges(entry: RoundEntry): RoundEntry {
  const rounds = entry.times * (familyById(entry.family)?.roundsPerRepeat ?? 1);
  const kept = <T>(byRound: Readonly<Record<string, T>>): Readonly<Record<string, T>> => {
    const those = Object.entries(byRound).filter(([index]) => Number(index) < rounds);
    return those.length === Object.keys(byRound).length ? byRound : Object.fromEntries(those);
  };
  const [changes, changesAt] = [kept(entry.changes), kept(entry.changesAt)];
  return changes === entry.changes && changesAt === entry.changesAt
    ? entry
    : { ...entry, changes, changesAt };
}

/** The text of a round that the maker writes; what cannot be read yet is kept as it is. */
export const writeRound = (id: string, text: string): Edit =>
  edit(
    'your round',
    (hem) =>
      withEntry(hem, id, (e) =>
        e.family === OWN && e.written
          ? { ...e, written: { ...e.written, text } }
          : editProblem('part-gone', inAll('the border'), { what: 'that round' }),
      ),
    `written ${id}`,
  );

function withEntry(
  hem: Hem,
  id: string,
  change: (entry: RoundEntry) => RoundEntry | Problem,
): Partial<Hem> | Problem {
  const entry = hem.rounds.find((r) => r.id === id);
  if (!entry) return gone('that round');
  const changed = change(entry);
  if ('code' in changed) return changed;
  return { rounds: hem.rounds.map((r) => (r.id === id ? changed : r)) };
}

/** Keeps the border in hand beside the one that is worked on. */
export const keepBorder = (id: string): Edit =>
  edit('saved this border', ({ base, rounds, kept }) =>
    kept.length >= LIMITS.kept
      ? tooMany(kept.length + 1)
      : { kept: [...kept, { id, name: `Border ${kept.length + 1}`, base, rounds }] },
  );

type Border = Pick<Hem, 'base' | 'rounds'>;

/** Tries a border on: the one in hand is put aside by itself, unless there is none. @param id of what is put aside */
export const tryOn = (border: Border, id: string, name: string): Edit =>
  edit('tried a border on', ({ base, rounds, kept }) => {
    if (rounds.length === 0) return border;
    if (kept.length >= LIMITS.kept) return tooMany(kept.length + 1);
    const aside = { id, name: [...`Before ${name}`].slice(0, 100).join(''), base, rounds };
    return { ...border, kept: [...kept, aside] };
  });

/** The same rounds on the same base round, whatever the entries are called. */
const isSameBorder = (a: Border, b: Border): boolean => {
  const told = ({ base, rounds }: Border): string =>
    JSON.stringify([base, rounds.map((r) => ({ ...r, id: '' }))]);
  return told(a) === told(b);
};

/** Puts a border beside the one that is worked on, to be compared with it; one that is there already is not put there again. */
export const putAside = (border: Border, id: string, name: string): Edit =>
  edit('a border beside this one', ({ kept }) => {
    if (kept.some((k) => isSameBorder(k, border))) return {};
    return kept.length >= LIMITS.kept
      ? tooMany(kept.length + 1)
      : { kept: [...kept, { id, name, ...border }] };
  });

/** A second one like a border that was kept, beside it. */
export const copyBorder = (id: string, copy: string): Edit =>
  edit('copied a border', ({ kept }) => {
    const at = kept.findIndex((k) => k.id === id);
    const original = kept[at];
    if (!original) return gone('that border');
    if (kept.length >= LIMITS.kept) return tooMany(kept.length + 1);
    const name = [...`${original.name} (copy)`].slice(0, 100).join('');
    return { kept: [...kept.slice(0, at + 1), { ...original, id: copy, name }, ...kept.slice(at + 1)] };
  });

const tooMany = (count: number): Problem =>
  commonProblem('too-many', inAll('the borders'), { count, of: 'borders', most: LIMITS.kept });

/** Works on a border that was kept; the one in hand is kept in its place. */
export const takeUpBorder = (id: string, name: string): Edit =>
  edit(`used ${name}`, ({ base, rounds, kept }) => {
    const chosen = kept.find((k) => k.id === id);
    if (!chosen) return gone('that border');
    const inHand = { id, name: [...`Before ${chosen.name}`].slice(0, 100).join(''), base, rounds };
    return { base: chosen.base, rounds: chosen.rounds, kept: kept.map((k) => (k.id === id ? inHand : k)) };
  });

export const renameBorder = (id: string, name: string): Edit =>
  edit(
    'name of a border',
    ({ kept }) => ({ kept: kept.map((k) => (k.id === id && name !== '' ? { ...k, name } : k)) }),
    `border ${id}`,
  );

export const discardBorder = (id: string, name: string): Edit =>
  edit(`discarded ${name}`, ({ kept }) => ({ kept: kept.filter((k) => k.id !== id) }));
