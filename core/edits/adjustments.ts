/** Quiet changes that answer a count: made, and withdrawn when what they answer is gone. */
import type { Hem, WorkEvent } from '../document/hem.ts';
import { standing, type WorkRecord } from '../document/record.ts';
import { sameRound, workedRounds } from '../record/record.ts';
import { edit, performed, type Edit } from './edit.ts';

type Repaired = Extract<WorkEvent, { did: 'repaired' }>;
export type Adjustment = Repaired['adjusted'][number];

/**
 * Stitches more or fewer on the sides of a worked round that has not been begun, on top of those that are there.
 *
 * @param more for each side
 */
export const makeUpFor = (entry: string, index: number, more: readonly number[]): Edit =>
  edit('makes up for a count', (hem) => ({
    rounds: hem.rounds.map((r) => {
      if (r.id !== entry) return r;
      const { [String(index)]: before, ...rest } = r.changes;
      const after = more.map((d, side) => (before?.[side] ?? 0) + d);
      return { ...r, changes: after.some((c) => c !== 0) ? { ...rest, [String(index)]: after } : rest };
    }),
  }));

/** The quiet changes that an edit makes, side by side. */
export function adjustmentsBy(hem: Hem, change: Edit): readonly Adjustment[] {
  const outcome = performed(hem, change);
  if (!outcome.ok) return [];
  return outcome.value.rounds.flatMap(({ id, changes }) => {
    const before = hem.rounds.find((r) => r.id === id)?.changes ?? {};
    return [...new Set([...Object.keys(before), ...Object.keys(changes)])].flatMap((index) =>
      Array.from(
        { length: Math.max(before[index]?.length ?? 0, changes[index]?.length ?? 0) },
        (_, side) => side,
      ).flatMap((side) => {
        const [from, to] = [before[index]?.[side] ?? 0, changes[index]?.[side] ?? 0];
        return from === to ? [] : [{ round: { entry: id, index: Number(index) }, side, from, to }];
      }),
    );
  });
}

/**
 * Takes back what was changed for counts that no longer hold: their stitches have come off, or their entry in the record
 * was struck. What has been begun, or changed again since, stays.
 *
 * @param record as it becomes
 * @returns null when there is nothing to take back
 */
export function withdrawn(hem: Hem, record: WorkRecord): Edit | null {
  const [before, after] = [workedRounds(hem.record), workedRounds(record)];
  const still = new Set(standing(record));
  const going = standing(hem.record)
    .filter((e): e is Repaired => e.did === 'repaired' && e.adjusted.length > 0)
    .flatMap((repair) => {
      const was = before.find((r) => sameRound(r.round, repair.round));
      const is = after.find((r) => sameRound(r.round, repair.round));
      const gone = (side: number): boolean =>
        !still.has(repair) || ((was?.found[side] ?? null) !== null && (is?.found[side] ?? null) === null);
      const answered = repair.off.flatMap((off, side) => (off === 0 ? [] : [side]));
      return repair.adjusted.filter(({ side }) =>
        // Beside what is off others may have been changed, so that sides go together: they answer all of it.
        answered.includes(side) ? gone(side) : answered.length > 0 && answered.every(gone),
      );
    })
    .filter(({ round }) => !after.some((r) => sameRound(r.round, round)));
  if (going.length === 0) return null;
  const change = edit('takes back what made up for a count', ({ rounds }) => ({
    rounds: going.reduceRight(
      (all, { round, side, from, to }) =>
        all.map((r) => {
          const here = r.changes[String(round.index)];
          if (r.id !== round.entry || (here?.[side] ?? 0) !== to) return r;
          const { [String(round.index)]: _, ...others } = r.changes;
          const sides = Array.from({ length: Math.max(here?.length ?? 0, side + 1) }, (__, i) =>
            i === side ? from : (here?.[i] ?? 0),
          );
          const changes = sides.some((c) => c !== 0) ? { ...others, [String(round.index)]: sides } : others;
          return { ...r, changes };
        }),
      rounds,
    ),
  }));
  return adjustmentsBy(hem, change).length > 0 ? change : null;
}
