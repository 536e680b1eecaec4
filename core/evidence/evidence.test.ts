import { describe, expect, test } from '@jest/globals';
import { demoPlans } from '../../demo/read.ts';
import { plan } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import { after } from '../testing/worked.ts';
import { evidenceOf, handsFrom } from './evidence.ts';
import { knownFrom } from '../hands/hands.ts';
import { estimatesOf, inHandsOf } from './estimates.ts';

const begun: Plan = demoPlans().find(([, p]) => p.hem.record.some((e) => e.did === 'weighed'))![1];

describe('the record of a hem', () => {
  test('tells time, yarn and counts, and what it foretells says what it rests on', () => {
    const hands = handsFrom([evidenceOf(begun.hem)]);
    expect(hands.yarn.all.basis).toBe('these hands');
    expect(hands.time.all.observations).toBeGreaterThan(1);
    expect(hands.counted.sides).toBeGreaterThan(3);
    const foretold = estimatesOf(plan(inHandsOf(begun.hem, knownFrom(hands), hands.time.all)));
    for (const r of foretold.rounds) {
      for (const x of [r.metres, r.grams, r.minutes, r.heightCm]) {
        expect(x.low).toBeLessThan(x.value);
        expect(x.value).toBeLessThan(x.high);
      }
      expect(r.metres.basis).toBe('these hands');
    }
  });

  test('teaches nothing that was struck', () => {
    const weighed = begun.hem.record.filter((e) => e.did === 'weighed');
    const struck = after(
      begun.hem,
      weighed.map(({ id, round }) => ({ did: 'struck', round, entry: id, counts: false, grams: null })),
    );
    expect(evidenceOf(begun.hem).yarn.length).toBeGreaterThan(0);
    expect(evidenceOf(struck).yarn).toEqual([]);
  });

  test('teaches nothing that is not theirs', () => {
    const { time, yarn, height, counted } = evidenceOf(begun.hem, () => false);
    expect([time, yarn, height, counted]).toEqual([[], [], [], []]);
  });

  test('of nothing done is nothing', () => {
    const hands = handsFrom([evidenceOf({ ...begun.hem, record: [] })]);
    expect(hands.time.all).toMatchObject({ basis: 'rule of thumb', observations: 0, ratio: 1 });
  });
});
