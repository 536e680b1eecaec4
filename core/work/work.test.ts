import { describe, expect, test } from '@jest/globals';
import { demoPlans } from '../../demo/read.ts';
import { NOTHING_DONE, noted, type Deed } from '../document/record.ts';
import type { Hem } from '../document/hem.ts';
import { createPlanner, plan } from '../plan/planner.ts';
import { workedRound, type Plan } from '../plan/types.ts';
import { anyHem } from '../testing/anyHem.ts';
import { chanceOf } from '../testing/chance.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { causeWords, outcomeWords, repairWords, ripPlaceWords } from '../words/recountWords.ts';
import { placeInWords } from '../words/progressWords.ts';
import { momentsOf } from '../words/momentWords.ts';
import { ballsEnding } from './balls.ts';
import {
  leftOf,
  placesToRipTo,
  progressOf,
  stepDone,
  stepInHand,
  stepTakenBack,
  workedUpTo,
} from './progress.ts';
import { closedOf, endsOf, looksAt } from './looks.ts';
import { causesOf } from './recount.ts';
import { countedDeeds, repaired, repairsOf } from './repairs.ts';
import { stepsOf } from './steps.ts';

const WHEN = '2026-02-03T10:00:00.000Z';
const after = (hem: Hem, deeds: readonly Deed[]): Hem => ({
  ...hem,
  record: deeds.reduce((all, deed) => noted(all, deed, 'here', WHEN), hem.record),
});
const hem = rowsHem({
  counts: [41, 53, 41, 53],
  rounds: [
    entry({ id: 'a', times: 2 }),
    entry({ id: 's', family: 'shell', stitch: 'hdc', corner: 'three' }),
    entry({ id: 'z', family: 'reverse-edge' }),
  ],
});
/** All rounds up to a number worked as planned, and the next begun and made up to a part of it. */
function workedInto(of: Hem, number: number, part: number): Plan {
  const before = number === 0 ? plan(of) : plan(after(of, workedUpTo(plan(of), number - 1)));
  const made = Math.round(before.rounds[number]!.ring.made.length * part);
  const first = stepDone(before, stepInHand(before, 'side')!);
  const round = first.find((d) => d.did === 'began')!.round;
  return plan(after(before.hem, [...first, { did: 'made', round, stitches: made }]));
}

describe('a border that is worked', () => {
  test.each(['repeat', 'side'] as const)('goes from the first stitch to the last, by %s', (stride) => {
    const planner = createPlanner();
    let at = planner(hem);
    const rings = at.rounds.map((r) => r.ring);
    const said = new Set<string>();
    let before = -1;
    for (let step = stepInHand(at, stride); step; step = stepInHand(at, stride)) {
      const { part, round, made } = progressOf(at);
      expect(part).toBeGreaterThanOrEqual(before);
      expect(step.from).toBe(step.does === 'begin' ? 0 : made);
      expect(leftOf(at).border.stitches).toBeGreaterThanOrEqual(leftOf(at).round.stitches);
      said.add(placeInWords(at));
      before = part;
      // Taken back, it is to be done again.
      const next = planner(after(at.hem, stepDone(at, step)));
      const back = planner(after(next.hem, stepTakenBack(next, stride)));
      expect([progressOf(back).round?.number, progressOf(back).made]).toEqual([round!.number, made]);
      at = next;
    }
    expect(progressOf(at)).toMatchObject({ round: null, part: 1 });
    expect(at.rounds.map((r) => r.ring)).toEqual(rings);
    expect(placeInWords(at)).toBe('all worked');
    expect([...said].slice(0, 4)).toEqual([
      'not begun',
      'base round, side A',
      'base round, corner A/B',
      'base round, side B',
    ]);
    expect(said).toContain('round 2 next');
  });

  test('that others began is gone on with, and can be ripped back to any corner and any round', () => {
    const at = workedInto(hem, 2, 0.6);
    const places = placesToRipTo(at);
    expect(places.map((p) => ripPlaceWords(at, p))).toEqual([
      'To corner B/C of round 2',
      'To corner A/B of round 2',
      'All of round 2',
      'All of round 1',
      'All of the border',
    ]);
    // The further back, the more comes off.
    places.slice(1).forEach((p, i) => expect(p.price.stitches).toBeGreaterThan(places[i]!.price.stitches));
    for (const place of places) {
      const then = progressOf(plan(after(at.hem, [place.deed])));
      expect([then.round!.number, then.made]).toEqual([place.round, place.made]);
    }
  });

  test('minds the right things at the right moment', () => {
    const at = plan(hem);
    const texts = (number: number): string =>
      stepsOf(at, number, 'repeat')
        .flatMap((s) => momentsOf(at, number, s, 'us'))
        .map((m) => m.text)
        .join('\n');
    expect(texts(0)).toMatch(/small children/);
    // The round begins in the one on side A.
    expect(texts(1).match(/hides under/g)).toHaveLength(3);
    expect(texts(1)).toContain('Before you join, count: A 45 · B 57 · C 45 · D 57.');
  });

  test.each(demoPlans())('every ball of %s ends once', (_, made) => {
    const ends = made.rounds.flatMap((r) =>
      stepsOf(made, r.number, 'repeat').flatMap((s) =>
        ballsEnding(made, r.number, s).map((e) => `${r.yarnId} ${e.ball}`),
      ),
    );
    expect(new Set(ends).size).toBe(ends.length);
    for (const { yarn, quantity } of made.yarns) {
      const whole = Math.floor(quantity.grams / yarn.ballG + 1e-6);
      expect(ends.filter((e) => e.startsWith(`${yarn.id} `))).toHaveLength(quantity.metres > 0 ? whole : 0);
    }
  });
});

describe('a count that is not right', () => {
  const at = workedInto(hem, 3, 1);
  const made = progressOf(at).made;
  const expected = at.rounds[3]!.sides.map((s) => s.tally.stitches);
  const causes = (...off: number[]) =>
    causesOf(
      at,
      3,
      expected.map((n, i) => n + off[i]!),
      made,
    );

  test('that is right has no cause', () => {
    expect(causes(0, 0, 0, 0)).toEqual([]);
    expect(causesOf(at, 3, [null, null, null, null], made)).toEqual([]);
  });

  test('is explained by what usually goes wrong, the likeliest first', () => {
    expect(causes(-6, 0, 0, 0)[0]).toMatchObject({ slip: { kind: 'repeat', side: 0, missed: true } });
    expect(causes(0, 6, 0, 0)[0]).toMatchObject({ slip: { kind: 'repeat', side: 1, missed: false } });
    const plain = workedInto(hem, 1, 1);
    const counts = plain.rounds[1]!.sides.map((s) => s.tally.stitches);
    const of = (...off: number[]) =>
      causesOf(
        plain,
        1,
        counts.map((n, i) => n + off[i]!),
        progressOf(plain).made,
      ).map((c) => c.slip);
    expect(of(-1, 0, 0, 0)).toEqual([
      { kind: 'hidden stitch', corner: 0, side: 0 },
      { kind: 'places', side: 0, count: -1 },
    ]);
    // Two neighbours one short: the corner between them.
    expect(of(0, -1, -1, 0)[0]).toEqual({ kind: 'corner', corner: 2 });
    // One over where the round is joined.
    expect(of(0, 0, 0, 1).map((s) => s.kind)).toEqual(['places']);
    expect(of(1, 0, 0, 0)[0]).toEqual({ kind: 'join', side: 0 });
    // Several slips are told one by one.
    expect(of(-1, 0, 0, 2)).toEqual([
      { kind: 'hidden stitch', corner: 0, side: 0 },
      { kind: 'places', side: 3, count: 2 },
    ]);
  });

  test('only the sides that were counted say anything', () => {
    const some = causesOf(at, 3, [expected[0]! - 6, null, null, null], made);
    expect(some[0]).toMatchObject({ slip: { kind: 'repeat', side: 0, missed: true } });
    expect(some[0]!.back).toBeGreaterThan(0);
  });

  test('has ways to go on, and each comes to what it says, on any hem', () => {
    let kinds = new Set<string>();
    for (let seed = 1; seed <= 40; seed++) {
      const chance = chanceOf(seed);
      const of = { ...anyHem(chance), record: NOTHING_DONE };
      const rounds = plan(of).rounds.length;
      const worked = workedInto(of, chance.int(0, rounds - 1), 1);
      const { round, made: done } = progressOf(worked);
      const found = round!.sides.map(({ tally }) =>
        chance.pick([null, tally.stitches, Math.max(1, tally.stitches + chance.int(-2, 2))]),
      );
      const why = causesOf(worked, round!.number, found, done);
      for (const cause of why) expect(causeWords(worked, cause)).not.toMatch(/undefined|NaN/);
      for (const repair of repairsOf(worked, round!.number, found, done, why)) {
        kinds = kinds.add(repair.kind);
        const then = plan(repaired(worked.hem, repair)!);
        expect(repairWords(worked, repair)).not.toMatch(/undefined|NaN/);
        expect(repair.uneven).toEqual(then.rounds.filter((r) => !r.even).map((r) => r.number));
        expect(outcomeWords(repair).startsWith('Then every round fits.')).toBe(repair.uneven.length === 0);
        if (repair.kind === 'rip') {
          expect(progressOf(then)).toMatchObject({ made: repair.made });
          continue;
        }
        // What was found is what there is from now on.
        const now = then.rounds[round!.number]!;
        found.forEach((count, side) => {
          if (count !== null) expect(now.sides[side]!.tally.stitches).toBe(count);
        });
        if (repair.kind === 'refit') expect(repair.uneven).toEqual([]);
        // What is made up for in a plain round is as it was planned from there on.
        if (repair.kind === 'quiet') {
          const counts = (p: Plan) => p.rounds[repair.round!]!.sides.map((s) => s.tally.stitches);
          expect([seed, counts(then)]).toEqual([seed, counts(worked)]);
        }
      }
    }
    expect([...kinds]).toEqual(expect.arrayContaining(['leave', 'quiet', 'rip']));
  });

  test('that is noted keeps the place in hand', () => {
    const half = workedInto(hem, 1, 0.5);
    const { round, made: done } = progressOf(half);
    const [first] = round!.sides;
    const deeds = countedDeeds(round!, [first!.tally.stitches - 1, null, null, null], done);
    const then = plan(after(half.hem, deeds));
    expect(progressOf(then).made).toBe(done - 1);
    expect(placeInWords(then)).toBe(placeInWords(half));
  });

  test('that makes a later round uneven is fitted again with what is there', () => {
    const shell = rowsHem({
      counts: [43, 43, 43, 43],
      rounds: [entry({ id: 'a' }), entry({ id: 's', family: 'shell', stitch: 'hdc', corner: 'three' })],
    });
    const worked = workedInto(shell, 0, 1);
    expect(worked.rounds.every((r) => r.even)).toBe(true);
    const { round, made: done } = progressOf(worked);
    const found = round!.sides.map(({ tally }) => tally.stitches + 1);
    const repairs = repairsOf(worked, 0, found, done, []);
    const leave = repairs.find((r) => r.kind === 'leave')!;
    expect(leave.uneven).toEqual([2]);
    const refit = repairs.find((r) => r.kind === 'refit')!;
    expect(refit.uneven).toEqual([]);
    expect(repairWords(worked, refit)).toMatch(/^Go on, and fit what comes to what is there: ./);
    const then = plan(repaired(worked.hem, refit)!);
    expect(then.rounds[0]!.sides.map((s) => s.tally.stitches)).toEqual(found);
  });
});

describe('what was seen', () => {
  const all = plan(after(hem, workedUpTo(plan(hem), 4)));
  const round = workedRound(all.rounds[4]!);
  const look: Deed = {
    did: 'looked',
    round,
    lies: ['flat', null, 'ripples', null],
    sizeCm: [120, 150],
    note: 'soft',
  };

  test('is told of its round, the last first, and changes nothing that is there', () => {
    const then = plan(after(all.hem, [look, { ...look, note: 'softer' }]));
    expect(looksAt(then, then.rounds[4]!).map((l) => l.note)).toEqual(['softer', 'soft']);
    expect(looksAt(then, then.rounds[1]!)).toEqual([]);
    expect(then.rounds.map((r) => r.ring)).toEqual(all.rounds.map((r) => r.ring));
  });

  test('closes the border when the ends are in, until something is ripped', () => {
    expect(closedOf(all)).toBeNull();
    expect(endsOf(all)).toBe(2);
    const closed = plan(after(all.hem, [{ did: 'closed', round, ends: 2, pins: 40 }, look]));
    expect(closedOf(closed)).toMatchObject({ ends: 2, pins: 40 });
    expect(placeInWords(closed)).toBe('done');
    const back = plan(after(closed.hem, [placesToRipTo(closed)[0]!.deed]));
    expect(closedOf(back)).toBeNull();
  });
});
