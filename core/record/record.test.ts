import { isDeepStrictEqual } from 'node:util';
import fc from 'fast-check';
import { describe, expect, test } from '@jest/globals';
import { yarnOf, type Hem, type RoundIdentity } from '../document/hem.ts';
import { performed } from '../edits/edit.ts';
import { createPlanner, plan } from '../plan/planner.ts';
import { identityOfRound, type Plan } from '../plan/types.ts';
import { randomEdit } from '../testing/randomEdits.ts';
import { chanceOf } from '../chance.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import { NOTHING_DONE, noted, unitedRecords, type Deed, type WorkRecord } from '../document/record.ts';
import { workedRounds } from './record.ts';

const hem = rowsHem({
  counts: [151, 169, 151, 169],
  rounds: [entry({ id: 'a', times: 2 }), entry({ id: 'b', family: 'shell', stitch: 'hdc' })],
});
const WHEN = '2026-02-03T10:00:00.000Z';

/** That a round of a plan was begun. */
function began(made: Plan, number: number): Deed {
  const { written } = made.rounds[number]!;
  const round = identityOfRound(made.rounds[number]!);
  const { hem: design, sides } = { ...made, sides: made.rounds[number]!.sides };
  const yarn = yarnOf(design, made.rounds[number]!.yarnId);
  const counts = sides.map((s) => s.tally.stitches);
  return written
    ? { did: 'began', round, entry: written.entry, ground: null, yarn, counts }
    : { did: 'began', round, entry: null, ground: { piece: design.piece, base: design.base }, yarn, counts };
}

const writtenDown = (deeds: readonly Deed[], device = 'laptop'): WorkRecord =>
  deeds.reduce((record, deed) => noted(record, deed, device, WHEN), NOTHING_DONE);

/** Rounds up to a number finished, with what was found in some of them. */
function workedUpTo(of: Hem, last: number, found: Readonly<Record<number, readonly (number | null)[]>> = {}) {
  const made = plan(of);
  return writtenDown(
    made.rounds.slice(0, last + 1).flatMap((r): readonly Deed[] => {
      const round = identityOfRound(r);
      const counts = found[r.number];
      return [
        began(made, r.number),
        ...(counts ? [{ did: 'counted', round, counts } as const] : []),
        { did: 'finished', round },
      ];
    }),
  );
}

const withRecord = (of: Hem, record: WorkRecord): Plan => plan({ ...of, record });

const BASE: RoundIdentity = { entry: null, index: 0 };
const A0: RoundIdentity = { entry: 'a', index: 0 };

describe('a record', () => {
  test('says which rounds are done, and how far the one under way is', () => {
    const made = plan(hem);
    const record = writtenDown([
      began(made, 0),
      { did: 'made', round: BASE, stitches: 40 },
      { did: 'made', round: BASE, stitches: 668 },
      { did: 'finished', round: BASE },
      began(made, 1),
      { did: 'made', round: A0, stitches: 12 },
    ]);
    expect(workedRounds(record)).toMatchObject([
      { round: BASE, finished: true, stitches: 668 },
      { round: A0, finished: false, stitches: 12, found: [] },
    ]);
  });

  test('ripping back takes off what lies above, and what was found', () => {
    const record = workedUpTo(hem, 2, { 1: [153, null, 153, null] });
    expect(workedRounds(record)[1]!.counts).toEqual([153, 173, 153, 173]);
    const back = noted(record, { did: 'ripped', round: A0, stitches: 30, found: [] }, 'laptop', WHEN);
    expect(workedRounds(back)).toMatchObject([
      { round: BASE, finished: true },
      { round: A0, finished: false, stitches: 30, found: [], counts: [155, 173, 155, 173] },
    ]);
    const off = noted(back, { did: 'ripped', round: A0, stitches: 0, found: [] }, 'laptop', WHEN);
    expect(workedRounds(off)).toHaveLength(1);
    expect(workedRounds(record)).toHaveLength(3);
  });

  test('what does not go with what holds changes nothing', () => {
    const made = plan(hem);
    const odd: readonly Deed[] = [
      { did: 'made', round: A0, stitches: 5 },
      { did: 'finished', round: A0 },
      began(made, 1),
      { did: 'ripped', round: A0, stitches: 1, found: [] },
    ];
    expect(workedRounds(writtenDown(odd))).toEqual([]);
    const twice = writtenDown([began(made, 0), { did: 'made', round: BASE, stitches: 9 }, began(made, 0)]);
    expect(workedRounds(twice)).toMatchObject([{ stitches: 9 }]);
  });

  /** Three copies that were carried on apart from a common beginning. */
  const copies = fc
    .tuple(fc.array(fc.nat(6)), fc.array(fc.nat(6)), fc.array(fc.nat(6)), fc.array(fc.nat(6)))
    .map(([common, one, other, third]): readonly [WorkRecord, WorkRecord, WorkRecord] => {
      const made = plan(hem);
      const deeds: readonly Deed[] = [
        began(made, 0),
        { did: 'made', round: BASE, stitches: 100 },
        { did: 'counted', round: BASE, counts: [151, null, 152, null] },
        { did: 'finished', round: BASE },
        began(made, 1),
        { did: 'made', round: A0, stitches: 7 },
        { did: 'ripped', round: A0, stitches: 3, found: [] },
      ];
      const on = (record: WorkRecord, which: readonly number[], device: string): WorkRecord =>
        which.reduce((r, w) => noted(r, deeds[w]!, device, WHEN), record);
      const start = on(NOTHING_DONE, common, 'laptop');
      return [on(start, one, 'laptop'), on(start, other, 'phone'), on(start, third, 'tablet')];
    });

  test('goes on from what is known of it, and comes to the same', () => {
    const made = plan(hem);
    for (let seed = 1; seed <= 30; seed++) {
      const chance = chanceOf(seed);
      let record: WorkRecord = NOTHING_DONE;
      for (let k = 0; k < 30; k++) {
        const number = chance.int(0, 2);
        const round = identityOfRound(made.rounds[number]!);
        const deed = chance.pick<Deed>([
          began(made, number),
          { did: 'made', round, stitches: chance.int(0, 90) },
          { did: 'counted', round, counts: [chance.int(1, 90), null] },
          { did: 'finished', round },
          { did: 'paused', round },
          { did: 'ripped', round, stitches: chance.pick([0, 7]), found: [chance.int(1, 90)] },
        ]);
        const before = workedRounds(record);
        record = noted(record, deed, chance.pick(['laptop', 'phone']), WHEN);
        // One that came from elsewhere may be earlier than the last.
        if (chance.maybe(0.1))
          record = [...record.slice(0, -2), ...record.slice(-1), ...record.slice(-2, -1)];
        const after = workedRounds(record);
        expect(after).toEqual(workedRounds(structuredClone(record)));
        if (deed.did === 'paused' && record.at(-1)!.did === 'paused') expect(after).toEqual(before);
      }
    }
  });

  test('a stitch more reckons nothing anew but how far its round is', () => {
    const run: string[] = [];
    const planner = createPlanner((stage) => run.push(stage));
    const record = workedUpTo(hem, 0);
    planner({ ...hem, record });
    run.length = 0;
    planner({ ...hem, record: noted(record, { did: 'counted', round: BASE, counts: [] }, 'laptop', WHEN) });
    run.length = 0;
    const begun = noted(record, began(plan(hem), 1), 'laptop', WHEN);
    planner({ ...hem, record: begun });
    run.length = 0;
    planner({ ...hem, record: noted(begun, { did: 'made', round: A0, stitches: 9 }, 'laptop', WHEN) });
    expect(run).toEqual(['yarn 1', 'yarns', 'problems']);
  });

  test('copies unite to the same in any order and however often, and nothing is lost', () => {
    fc.assert(
      fc.property(copies, ([a, b, c]) => {
        const all = unitedRecords(unitedRecords(a, b), c);
        expect(unitedRecords(b, a)).toEqual(unitedRecords(a, b));
        expect(unitedRecords(a, unitedRecords(c, b))).toEqual(all);
        expect(unitedRecords(all, b)).toEqual(all);
        expect(all).toEqual(expect.arrayContaining([...a, ...b, ...c]));
        expect(workedRounds([...all].reverse())).toEqual(workedRounds(all));
      }),
      { seed: 7, numRuns: 150 },
    );
  });
});

describe('what was done, planned', () => {
  test('nothing done is the design alone', () => {
    expect(plan({ ...hem, record: NOTHING_DONE })).toEqual(plan(hem));
  });

  test('rounds worked as planned leave the plan as it is', () => {
    const counts = plan(hem).rounds[1]!.sides.map((s) => s.tally.stitches);
    const made = withRecord(hem, workedUpTo(hem, 1, { 1: counts }));
    expect(made.rounds.map((r) => [r.total, r.even, r.done !== null])).toEqual(
      plan(hem).rounds.map((r) => [r.total, r.even, r.number <= 1]),
    );
    expect(proceduresOf(made)).toHaveLength(made.rounds.length);
  });

  test.each([0, 1, 2])('what was found in round %i is what the next one is worked on', (number) => {
    const before = plan(hem);
    const planned = before.rounds[number]!.sides.map((s) => s.tally.stitches);
    const found = [planned[0]! + 1, null, planned[2]! - 2, planned[3]!];
    const made = withRecord(hem, workedUpTo(hem, number, { [number]: found }));
    const counts = (k: number): readonly number[] => made.rounds[k]!.sides.map((s) => s.tally.stitches);
    expect(counts(number)).toEqual([planned[0]! + 1, planned[1], planned[2]! - 2, planned[3]]);
    expect(made.rounds[number]!.ring.into).toHaveLength(made.rounds[number]!.ring.made.length);
    if (number < 2) {
      const then = before.rounds[number + 1]!.sides.map((s) => s.tally.stitches);
      expect(counts(number + 1)).toEqual([then[0]! + 1, then[1], then[2]! - 2, then[3]]);
    } else {
      const { fit } = made.rounds[3]!.sides[2]!;
      expect(fit!.places).toBe(before.rounds[3]!.sides[2]!.fit!.places - 2);
    }
    // Sides of the base round keep what they were to be: the difference is what was found.
    expect(made.sides.map((s) => s.corners)).toEqual(before.sides.map((s) => s.corners));
  });

  test('the layout of a round goes with its ring', () => {
    const planned = plan(hem).rounds[1]!.sides.map((s) => s.tally.stitches);
    const made = withRecord(hem, workedUpTo(hem, 1, { 1: planned.map((n, i) => n + [2, -3, 0, 1][i]!) }));
    const { layout, ring } = made.rounds[1]!;
    const spans = [...layout.corners, ...layout.sides].sort((a, b) => a.start - b.start);
    spans.forEach(({ start, length }, i) => {
      expect(start + length).toBe(spans[i + 1]?.start ?? ring.made.length);
    });
  });

  test('a round that was begun stands once, wherever the design puts it since', () => {
    const record = workedUpTo(hem, 1);
    const begun = plan(hem).rounds[1]!.written!.entry.id;
    const moved = { ...hem, rounds: [...hem.rounds].reverse(), record };
    const stands = plan(moved).rounds.map((r) =>
      r.written ? `${r.written.entry.id} ${r.written.index}` : 'base',
    );
    expect(stands).toHaveLength(plan(hem).rounds.length);
    expect(new Set(stands).size).toBe(stands.length);
    expect(stands[1]).toBe(`${begun} 0`);
  });

  test('no edit of the design rewrites what was done', () => {
    for (let seed = 1; seed <= 12; seed++) {
      const chance = chanceOf(seed);
      const last = chance.int(0, 2);
      const planned = plan(hem);
      const found = planned.rounds[last]!.sides.map(({ tally }) =>
        chance.pick([null, tally.stitches + chance.int(-2, 2)]),
      );
      const record = workedUpTo(hem, last, { [last]: found });
      const planner = createPlanner();
      const done = (made: Plan) =>
        made.rounds.slice(0, last + 1).map((r) => [r.name, r.yarnId, r.sides.map((s) => s.tally), r.ring]);
      const before = done(planner({ ...hem, record }));
      let edited = hem;
      for (let k = 0; k < 8; k++) {
        const edit = randomEdit(planner(edited), chance, `e${k}`);
        const outcome = edit && performed(edited, edit);
        if (outcome?.ok) edited = outcome.value;
        const made = planner({ ...edited, record });
        expect(isDeepStrictEqual(done(made), before)).toBe(true);
        expect(isDeepStrictEqual(made, plan({ ...edited, record }))).toBe(true);
      }
    }
  });
});
