import fc from 'fast-check';
import { describe, expect, test } from '@jest/globals';
import { NOTHING_DONE, keyOf, noted, unitedRecords, type Deed, type WorkRecord } from '../document/record.ts';
import type { Hem, RoundIdentity } from '../document/hem.ts';
import { plan } from '../plan/planner.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { workedUpTo } from '../work/progress.ts';
import { logEntryWords, logCsv } from './logWords.ts';
import { weighedStretches } from '../record/weighings.ts';
import { daysOf, logKind, logOf, rhythmOf, stretchesOf } from './log.ts';

const hem = rowsHem({ counts: [61, 73, 61, 73], rounds: [entry({ id: 'a', times: 2 })] });
const base: RoundIdentity = { entry: null, index: 0 };
const first: RoundIdentity = { entry: 'a', index: 0 };
const time = (minute: number, day = 3): string => new Date(Date.UTC(2026, 1, day, 9, minute)).toISOString();

/** A hem of which something was done, each deed at its own time. */
const done = (deeds: readonly (readonly [Deed, string])[], of: Hem = hem): Hem => ({
  ...of,
  record: deeds.reduce<WorkRecord>((all, [deed, at]) => noted(all, deed, 'laptop', at), NOTHING_DONE),
});

const begun = workedUpTo(plan(hem), 0);
const begin = begun.find((d) => d.did === 'began')!;
const made = (stitches: number, round = base): Deed => ({ did: 'made', round, stitches });
const weighed = (grams: number, stitches: number): Deed => ({
  did: 'weighed',
  round: base,
  stitches,
  yarn: 'y1',
  ball: 'same',
  grams,
});

const worked = done([
  [begin, time(0)],
  [made(10), time(1)],
  [weighed(48, 10), time(2)],
  [made(60), time(8)],
  [made(70), time(9)],
  [weighed(40, 70), time(10)],
  [{ did: 'counted', round: base, counts: [62, 73, null, 73] }, time(11)],
  [made(120), time(40)],
]);
const record = worked.record;
const strike = (k: number, part: { counts?: boolean; grams?: number | null } = {}): Deed => ({
  did: 'struck',
  round: record[k]!.round,
  entry: record[k]!.id,
  counts: part.counts ?? false,
  grams: part.grams ?? null,
});
const after = (...deeds: readonly Deed[]): Hem => ({
  ...worked,
  record: deeds.reduce((all, deed) => noted(all, deed, 'laptop', time(50)), record),
});

describe('an entry that was wrong', () => {
  test('a count that is struck stays in the log and counts no longer', () => {
    const found = (of: Hem): readonly number[] => plan(of).rounds[0]!.done!.counts;
    expect(found(worked)[0]).toBe(62);
    const struck = after(strike(6));
    expect(found(struck)[0]).toBe(plan(hem).rounds[0]!.sides[0]!.tally.stitches);
    const line = logOf(struck).find((e) => e.event.did === 'counted')!;
    expect([line.struck, logEntryWords(line)]).toEqual([
      true,
      `Base round counted: A 62 (planned ${found(struck)[0]}), B 73 (planned ${found(struck)[1]}), D 73 (planned ${found(struck)[3]})`,
    ]);
    expect(logOf(struck)).toHaveLength(logOf(worked).length);
    expect(found(after(strike(6), strike(6, { counts: true })))[0]).toBe(62);
  });

  test('a weighing that is put right counts in its own place', () => {
    expect(weighedStretches(record).map((s) => s.grams)).toEqual([8]);
    const right = after(strike(5, { grams: 41 }));
    expect(weighedStretches(right.record).map((s) => [s.grams, s.to.stitches])).toEqual([[7, 70]]);
    expect(plan(right).yarns[0]!.calibration.ratio).not.toBe(plan(worked).yarns[0]!.calibration.ratio);
    expect(logOf(right).map(logEntryWords)).toContain(
      'Plain yarn weighed: 41 g (noted as 40 g) left of the ball',
    );
    expect(weighedStretches(after(strike(5)).record)).toEqual([]);
  });

  test('what was made cannot be struck', () => {
    expect(plan(after(strike(7))).rounds[0]!.done!.stitches).toBe(120);
    expect(logOf(worked).map((e) => [e.event.did, e.canBeStruck])).toContainEqual(['made', false]);
  });

  test('copies that were struck apart unite to the same, in any order and however often', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(2, 5, 6), fc.boolean(), fc.constantFrom('laptop', 'phone')), {
          maxLength: 8,
        }),
        (strikes) => {
          const copies = strikes.map(([k, counts, device], i) =>
            noted(record, strike(k, { counts }), `${device} ${i}`, time(51)),
          );
          const one = copies.reduce(unitedRecords, record);
          const other = [...copies, ...copies].reverse().reduce(unitedRecords, record);
          expect(plan({ ...worked, record: one }).rounds[0]!.done!.counts).toEqual(
            plan({ ...worked, record: other }).rounds[0]!.done!.counts,
          );
          expect(weighedStretches(one).map((s) => s.grams)).toEqual(
            weighedStretches(other).map((s) => s.grams),
          );
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('the log', () => {
  test('tells steps of one sitting as one stretch, and a pause parts them', () => {
    const stretches = stretchesOf(logOf(worked).filter((e) => logKind(e) === 'stitches'));
    expect(stretches.map((s) => [s.entries, s.last.event.did === 'made' && s.last.event.stitches])).toEqual([
      [3, 70],
      [1, 120],
    ]);
  });

  test('numbers rounds as they were, also those that are gone', () => {
    const later = done([
      ...begun.map((d, i) => [d, time(i)] as const),
      [{ ...begin, round: first, entry: hem.rounds[0]!, ground: null }, time(5)],
      [{ did: 'ripped', round: first, stitches: 0, found: [] }, time(6)],
    ]);
    expect(logOf(later).map(logEntryWords).slice(-2)).toEqual([
      'Round 1 begun in Plain yarn',
      'Round 1 ripped out',
    ]);
  });

  test('is a table, and every entry a line', () => {
    const lines = logCsv([after(strike(6))])
      .trim()
      .split('\n');
    expect(lines[0]).toBe('when,hem,round,kind,entry,struck');
    expect(lines).toHaveLength(1 + record.length);
    expect(lines.filter((l) => l.endsWith(',yes'))).toHaveLength(1);
  });
});

describe('days', () => {
  const dayOf = (at: string): string => at.slice(0, 10);

  test('have the minutes with the hook in hand, and the stitches made', () => {
    expect(daysOf([record], dayOf)).toEqual([{ day: '2026-02-03', minutes: 11, stitches: 120 }]);
  });

  test('what is ripped is taken off again, with what stood on it', () => {
    const ripped = done([
      [begin, time(0)],
      [made(100), time(5)],
      [made(30, first), time(9)],
      [{ did: 'ripped', round: base, stitches: 40, found: [] }, time(0, 4)],
    ]);
    expect(daysOf([ripped.record], dayOf)).toEqual([
      { day: '2026-02-03', minutes: 9, stitches: 130 },
      { day: '2026-02-04', minutes: 0, stitches: -90 },
    ]);
  });

  test('give a rhythm over the days that have gone by, of the last two weeks', () => {
    const day = (d: number, minutes: number) => ({
      day: `2026-02-${String(d).padStart(2, '0')}`,
      minutes,
      stitches: 9,
    });
    expect(rhythmOf([day(1, 500), day(20, 60), day(23, 60)], '2026-02-24')).toEqual({
      minutesADay: 24,
      days: 5,
    });
    expect(rhythmOf([day(1, 500)], '2026-02-24')).toBeNull();
  });

  test('of several hems come together', () => {
    expect(daysOf([record, record], dayOf)[0]).toMatchObject({ minutes: 22, stitches: 240 });
  });
});

test('every entry has a key of its own', () => {
  expect(new Set(record.map(keyOf)).size).toBe(record.length);
});
