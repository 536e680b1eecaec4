import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { LEARNED, estimateRows, thousandMakers, type Trial } from '../testing/makers.ts';
import { learn } from './ratio.ts';
import { knownFor, partFrom, ruleOfThumb, type StitchObservation } from './hands.ts';

const makers = thousandMakers();
const PRIOR = { about: 1, spread: 0.1, drift: 0.03 };

describe('a ratio', () => {
  test('is the rule of thumb while nothing has been observed, and says so', () => {
    const { ratio, low, high, basis } = learn([], PRIOR);
    expect([ratio, basis]).toEqual([1, 'rule of thumb']);
    expect(Math.log(high)).toBeCloseTo(1.9 * Math.hypot(0.1, 0.03), 9);
    expect(low * high).toBeCloseTo(1, 9);
  });

  test('goes to what is observed again and again, and its range narrows', () => {
    const of = (count: number) =>
      learn(
        Array.from({ length: count }, () => ({ ratio: 1.15, error: 0.05 })),
        PRIOR,
      );
    const [one, five, twenty] = [of(1), of(5), of(20)];
    expect([one.ratio, five.ratio, twenty.ratio].map((r) => Math.abs(r - 1.15))).toEqual(
      [one.ratio, five.ratio, twenty.ratio].map((r) => 1.15 - r),
    );
    expect(five.ratio).toBeGreaterThan(one.ratio);
    expect(twenty.ratio).toBeCloseTo(1.15, 2);
    expect(twenty.high / twenty.low).toBeLessThan(one.high / one.low);
    expect(twenty.basis).toBe('these hands');
  });

  test('is not moved by a slip of a factor of ten, which is named', () => {
    const sound = [1.1, 1.12, 1.09, 1.13].map((ratio) => ({ ratio, error: 0.05 }));
    for (const slip of [0.11, 11]) {
      const with_ = learn([...sound, { ratio: slip, error: 0.05 }], PRIOR);
      expect(with_.ratio).toBeCloseTo(learn(sound, PRIOR).ratio, 2);
      expect(with_.doubted).toEqual([4]);
    }
    expect(learn([{ ratio: 10, error: 0.05 }], PRIOR)).toMatchObject({
      basis: 'rule of thumb',
      doubted: [0],
    });
  });
});

describe('a thousand simulated makers', () => {
  test.each(LEARNED)('%s: errors fall with every round, ranges hold', (of) => {
    const trials = makers.get(of)!;
    const after_ = (logged: number): readonly Trial[] => trials.filter((t) => t.logged === logged);
    const error = (some: readonly Trial[]): number =>
      some.reduce((sum, t) => sum + Math.abs(t.off), 0) / some.length;
    const errors = [0, 1, 3, 6, 12].map((logged) => error(after_(logged)));
    expect([...errors].sort((a, b) => b - a)).toEqual(errors);
    expect(errors[4]! / errors[0]!).toBeLessThan(0.6);
    for (let logged = 0; logged < 13; logged++) {
      const some = after_(logged);
      const held = some.filter((t) => t.within).length / some.length;
      expect([of, logged, held >= 0.9, held <= 0.96]).toEqual([of, logged, true, true]);
    }
    expect(trials.filter((t) => t.within).length / trials.length).toBeLessThanOrEqual(0.95);
  });
});

test('the page of estimates has the figures of these makers', () => {
  const bare = (text: string): string => text.replace(/ +/g, ' ');
  const page = bare(readFileSync('docs/estimates.md', 'utf8'));
  for (const row of estimateRows(makers)) expect(page).toContain(bare(row));
});

test('a stitch that was never worked goes by what holds for all, one that was by its own', () => {
  const seen: StitchObservation[] = Array.from({ length: 9 }, (_, i) => ({
    stitch: i % 3 === 0 ? 'dc' : 'sc',
    size: '4',
    ratio: i % 3 === 0 ? 1.2 : 1.05,
    error: 0.03,
  }));
  const part = partFrom('yarn', seen);
  const known = (stitch: 'sc' | 'dc' | 'tr', size = '4') => knownFor('yarn', part, stitch, size);
  expect(known('dc').ratio).toBeGreaterThan(known('sc').ratio);
  expect(known('tr', '1')).toBe(part.all);
  // Another yarn weight is surely something else: its range is wider.
  expect(Math.log(known('dc', '1').high / known('dc', '1').low)).toBeGreaterThan(
    Math.log(known('dc').high / known('dc').low),
  );
  expect(knownFor('yarn', null, 'dc', '4')).toEqual(ruleOfThumb('yarn'));
});
