import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { demoPlans } from '../../demo/read.ts';
import { plan } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import { makerOfHems } from '../testing/makers.ts';
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

describe('makers who work three hems', () => {
  const trials = Array.from({ length: 60 }, (_, seed) => makerOfHems(seed + 1)).flat();

  test.each(['yarn', 'time', 'height'] as const)('%s: errors fall from hem to hem, ranges hold', (of) => {
    const page = readFileSync('docs/estimates.md', 'utf8');
    const line = new RegExp(`^\\| ${of} of a border .*$`, 'm').exec(page)![0];
    const told = [...line.matchAll(/([\d.]+) %, ([\d.]+) %/g)].map((m) => [Number(m[1]), Number(m[2])]);
    const errors = [0, 1, 2].map((before) => {
      const some = trials.filter((t) => t.of === of && t.before === before);
      const off = (100 * some.reduce((sum, t) => sum + Math.abs(t.off), 0)) / some.length;
      // A thousand were worked for the page, sixty here.
      expect(Math.abs(off / told[before]![0]! - 1)).toBeLessThan(0.35);
      expect(told[before]![1]).toBeGreaterThanOrEqual(90);
      expect(told[before]![1]).toBeLessThanOrEqual(95.5);
      return off;
    });
    expect(errors[1]).toBeLessThan(0.75 * errors[0]!);
    expect(errors[2]).toBeLessThan(errors[1]!);
    const held = trials.filter((t) => t.of === of && t.within).length / (trials.length / 3);
    expect([of, held > 0.86, held < 0.99]).toEqual([of, true, true]);
  });
});
