import { describe, expect, test } from '@jest/globals';
import { demoPlans } from '../../demo/read.ts';
import { NOTHING_DONE, type Deed } from '../document/record.ts';
import { createPlanner, plan } from '../plan/planner.ts';
import { identityOfRound } from '../plan/types.ts';
import { after, varied as hem, workedInto } from '../testing/worked.ts';
import { goodWords, ripPlaceWords } from './recountWords.ts';
import { placeInWords } from './progressWords.ts';
import { stepWords } from './stepWords.ts';
import { momentsOf } from './momentWords.ts';
import { ballsEnding } from './balls.ts';
import {
  leftOf,
  isUnderWay,
  placesToRipTo,
  progressOf,
  stepDone,
  stepInHand,
  stepTakenBack,
  workedUpTo,
} from './progress.ts';
import { yarnEndsOf } from '../procedure/ends.ts';
import { closedOf, lastGoodRound, looksAt } from './looks.ts';
import { partOfAll } from '../testing/seeds.ts';
import { STRIDES, stepsOf } from './steps.ts';

describe('a border that is worked', () => {
  test.each(STRIDES)('goes from the first stitch to the last, by %s', (stride) => {
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
    expect([...said].slice(0, 4)).toEqual(
      stride === 'corner'
        ? ['not begun', 'base round, side A', 'base round, side B', 'base round, side C']
        : ['not begun', 'base round, side A', 'base round, corner A/B', 'base round, side B'],
    );
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
    // Of the yarn that comes off, a twentieth is lost.
    const all = places.find((p) => p.round === 0)!.price;
    const worked = at.rounds.slice(0, 2).reduce((sum, r) => sum + r.yarnM, 0) + 0.6 * at.rounds[2]!.yarnM;
    expect(all.metres / worked).toBeCloseTo(0.95, 2);
    // The further back, the more comes off.
    places.slice(1).forEach((p, i) => expect(p.price.stitches).toBeGreaterThan(places[i]!.price.stitches));
    for (const place of places) {
      const then = plan(after(at.hem, [place.deed]));
      const { round, made } = progressOf(then);
      expect([round!.number, made]).toEqual([place.round, place.made]);
      // Ripped out to the last stitch, it is as before it was begun; the record says what was done.
      expect([isUnderWay(then), placeInWords(then)]).toEqual(
        place.round === 0 && place.made === 0
          ? [false, 'not begun']
          : [true, expect.stringMatching(/round \d/)],
      );
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
    expect(texts(1).match(/hides behind/g)).toHaveLength(3);
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

describe('what was seen', () => {
  const all = plan(after(hem, workedUpTo(plan(hem), 4)));
  const round = identityOfRound(all.rounds[4]!);
  const look: Extract<Deed, { did: 'looked' }> = {
    did: 'looked',
    round,
    lies: ['flat', null, 'ripples', null],
    sizeCm: [120, 150],
    sidesCm: [null, null, null, null],
    depthCm: 2.5,
    note: 'soft',
    photo: null,
  };

  test('is told of its round, the last first, and changes nothing that is there', () => {
    const then = plan(after(all.hem, [look, { ...look, note: 'softer' }]));
    expect(looksAt(then, then.rounds[4]!).map((l) => l.note)).toEqual(['softer', 'soft']);
    expect(looksAt(then, then.rounds[1]!)).toEqual([]);
    expect(then.rounds.map((r) => r.ring)).toEqual(all.rounds.map((r) => r.ring));
  });

  test('and what was counted say up to where it is good', () => {
    expect(lastGoodRound(all)).toBeNull();
    const named = (k: number) => identityOfRound(all.rounds[k]!);
    const counted = (k: number, off: number): Deed => ({
      did: 'counted',
      round: named(k),
      counts: all.rounds[k]!.sides.map((s, side) => s.tally.stitches + (side === 0 ? off : 0)),
    });
    const good = (deeds: readonly Deed[]) => lastGoodRound(plan(after(all.hem, deeds)))?.number ?? null;
    const flat = (k: number): Deed => ({ ...look, round: named(k), lies: ['flat', 'flat', 'flat', 'flat'] });
    expect(good([counted(1, 0)])).toBe(1);
    expect(good([counted(1, 0), counted(2, 1)])).toBe(1);
    expect(good([counted(1, 0), flat(2)])).toBe(2);
    // A look speaks against a count that was right.
    expect(good([counted(1, 0), counted(2, 0), { ...look, round: named(2) }])).toBe(1);
    expect(goodWords(plan(after(all.hem, [counted(1, 0)])).rounds[1]!)).toBe(
      'Good through round 1, by its count or its look.',
    );
  });

  test('closes the border when the ends are in, until something is ripped', () => {
    expect(closedOf(all)).toBeNull();
    expect(yarnEndsOf(all)).toBe(2);
    const closed = plan(after(all.hem, [{ did: 'closed', round, ends: 2, pins: 40 }, look]));
    expect(closedOf(closed)).toMatchObject({ ends: 2, pins: 40 });
    expect(placeInWords(closed)).toBe('done');
    const back = plan(after(closed.hem, [placesToRipTo(closed)[0]!.deed]));
    expect(closedOf(back)).toBeNull();
  });
});

test('another stride goes on from where the work is, also within a side or at its corner', () => {
  for (const [, { hem }] of partOfAll(demoPlans(), 3)) {
    const design = { ...hem, record: NOTHING_DONE };
    const rounds = plan(design).rounds.length;
    for (let number = 0; number < rounds; number++) {
      const { length } = plan(design).rounds[number]!.ring.made;
      for (const share of [0.13, 0.38, 0.77]) {
        const at = workedInto(design, number, share);
        const { made } = progressOf(at);
        if (made === 0 || made >= length) continue;
        for (const stride of STRIDES) {
          const step = stepInHand(at, stride)!;
          expect([hem.name, number, stride, step.from]).toEqual([hem.name, number, stride, made]);
          const words = stepWords(at, number, step, 'us');
          expect(words.now.join(' ')).not.toMatch(/undefined|NaN/);
          if (step.turn) expect(step.turn.first).toBeLessThanOrEqual(step.turn.last);
        }
      }
    }
    // Side by side up to the corner, then a side with its corner: only the corner is left of it.
    let now = design;
    for (let k = 0; k < 40; k++) {
      const at = plan(now);
      const next = stepInHand(at, 'side')!;
      if (progressOf(at).begun && next.where.on === 'corner' && next.does === 'make') {
        const both = stepInHand(at, 'corner')!;
        expect([hem.name, both.from, both.to, both.where]).toEqual([
          hem.name,
          next.from,
          next.to,
          next.where,
        ]);
      }
      now = after(now, stepDone(at, next));
    }
  }
});
