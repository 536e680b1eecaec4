import { describe, expect, test } from '@jest/globals';
import { learn, learnAcross } from './ratio.ts';
import { knownFor, partFrom, ruleOfThumb, type StitchObservation } from './hands.ts';

const PRIOR = { about: 1, spread: 0.1, hem: 0.05, ages: 0.01, drift: 0.03 };

describe('a ratio', () => {
  test('is the rule of thumb while nothing has been observed, and says so', () => {
    const { ratio, low, high, basis } = learn([], PRIOR);
    expect([ratio, basis]).toEqual([1, 'rule of thumb']);
    expect(Math.log(high)).toBeCloseTo(1.9 * Math.hypot(0.1, 0.05, 0.03), 9);
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

describe('several hems', () => {
  const hem = (ratio: number, observations = 4) =>
    Array.from({ length: observations }, () => ({ ratio, error: 0.03 }));

  test('tell less of the next one than as many observations of it would', () => {
    const [one, next] = [learnAcross([hem(1.1, 12)], PRIOR), learn(hem(1.1, 12), PRIOR)];
    expect(one.high / one.low).toBeGreaterThan(1.4 * (next.high / next.low - 1) + 1);
    // Many observations of one hem are little more than a few; of several hems they are.
    const few = learnAcross([hem(1.1, 3)], PRIOR);
    const hems = learnAcross([hem(1.1, 3), hem(1.1, 3), hem(1.1, 3), hem(1.1, 3)], PRIOR);
    const reach = ({ low, high }: { low: number; high: number }): number => Math.log(high / low);
    expect(reach(few) - reach(one)).toBeLessThan(0.35 * (reach(few) - reach(hems)));
  });

  test('count for more the later they are, and make a range as wide as they lie apart', () => {
    const quicker = { ...PRIOR, ages: 0.06 };
    const [up, down] = [
      learnAcross([hem(0.9), hem(1.1)], quicker),
      learnAcross([hem(1.1), hem(0.9)], quicker),
    ];
    expect(up.ratio).toBeGreaterThan(down.ratio);
    const reach = (ratios: readonly number[]): number => {
      const { low, high } = learnAcross(
        ratios.map((r) => hem(r)),
        PRIOR,
      );
      return Math.log(high / low);
    };
    expect(reach([0.9, 1.12, 0.95, 1.15])).toBeGreaterThan(1.15 * reach([1.02, 1.03, 1.02, 1.03]));
  });

  test('are not moved by one of them that was noted with its point in the wrong place', () => {
    const sound = learnAcross([hem(1.1), hem(1.08), hem(1.12)], PRIOR);
    const slipped = learnAcross([hem(1.1), hem(11, 1), hem(1.08), hem(1.12)], PRIOR);
    expect(Math.abs(Math.log(slipped.ratio / sound.ratio))).toBeLessThan(0.02);
    expect(slipped.doubted).toEqual([4]);
  });
});

test('a stitch that was never worked goes by what holds for all, one that was by its own', () => {
  const seen: StitchObservation[] = Array.from({ length: 9 }, (_, i) => ({
    stitch: i % 3 === 0 ? 'dc' : 'sc',
    size: '4',
    ratio: i % 3 === 0 ? 1.2 : 1.05,
    error: 0.03,
  }));
  const part = partFrom('yarn', [seen]);
  const known = (stitch: 'sc' | 'dc' | 'tr', size = '4') => knownFor('yarn', part, stitch, size);
  expect(known('dc').ratio).toBeGreaterThan(known('sc').ratio);
  expect(known('tr', '1')).toBe(part.all);
  // Another yarn weight is surely something else: its range is wider.
  expect(Math.log(known('dc', '1').high / known('dc', '1').low)).toBeGreaterThan(
    Math.log(known('dc').high / known('dc').low),
  );
  expect(knownFor('yarn', null, 'dc', '4')).toEqual(ruleOfThumb('yarn'));
});
