import { describe, expect, test } from '@jest/globals';
import { parseRound } from '../notation/parse.ts';
import { printRound } from '../notation/print.ts';
import { STITCHES, abbreviation, stitchCalled, stitchName, type StitchKind } from './stitches.ts';
import { CORNERS, cornerTreatment, plainRound } from './corners.ts';
import { YARN_WEIGHTS, hookLabel, nextHookMm, yarnWeight } from './yarnWeights.ts';

const KINDS = Object.keys(STITCHES) as readonly StitchKind[];

describe('the two languages', () => {
  test('the stitches that mean something else across the sea', () => {
    const twins: readonly (readonly [us: string, uk: string])[] = [
      ['sl st', 'ss'],
      ['sc', 'dc'],
      ['esc', 'edc'],
      ['hdc', 'htr'],
      ['hhdc', 'hhtr'],
      ['dc', 'tr'],
      ['tr', 'dtr'],
      ['dtr', 'trtr'],
    ];
    for (const [us, uk] of twins) expect(abbreviation(stitchCalled(us, 'us')!, 'uk')).toBe(uk);
    expect(stitchName(stitchCalled('dc', 'uk')!, 'us')).toBe('single crochet');
    expect(stitchCalled('sc', 'uk')).toBeUndefined();
    expect(stitchCalled('htr', 'us')).toBeUndefined();
  });

  test('no word means two stitches in one language, and each is found by its own', () => {
    for (const language of ['us', 'uk'] as const) {
      expect(new Set(KINDS.map((k) => abbreviation(k, language))).size).toBe(KINDS.length);
      expect(new Set(KINDS.map((k) => stitchName(k, language))).size).toBe(KINDS.length);
      for (const kind of KINDS) expect(stitchCalled(abbreviation(kind, language), language)).toBe(kind);
    }
  });
});

test('heights rise from the slip stitch to the double treble, and a chain that stands for a stitch rises with them', () => {
  const order = ['slst', 'sc', 'esc', 'hdc', 'dc', 'tr', 'dtr'] as const;
  const heights = order.map((k) => STITCHES[k].height);
  expect([...heights].sort((a, b) => a - b)).toEqual(heights);
  for (const kind of order) {
    const [fewest, most] = STITCHES[kind].turningChain;
    expect(fewest).toBeLessThanOrEqual(most);
  }
  const chains = order.map((k) => STITCHES[k].turningChain[1]);
  expect([...chains].sort((a, b) => a - b)).toEqual(chains);
});

describe('corner treatments', () => {
  test.each(CORNERS.map((c) => [c.id] as const))(
    '%s is read, printed and read again in both languages',
    (id) => {
      for (let round = 0; round < 4; round++) {
        const us = parseRound(plainRound('dc', id, round), 'us');
        if (!us.ok) throw new Error(JSON.stringify(us.problems));
        const uk = parseRound(printRound(us.value, 'uk'), 'uk');
        expect(uk).toEqual(us);
      }
    },
  );

  test('four and three by turns change over which of the pair takes three', () => {
    const pairs = [0, 1, 2, 3].map((round) => {
      const read = parseRound(plainRound('sc', 'fours', round), 'us');
      return read.ok && read.value.corner.pair!.map((p) => p.length);
    });
    expect(pairs).toEqual([
      [3, 1],
      [3, 1],
      [1, 3],
      [1, 3],
    ]);
  });

  test('one that does not exist is a bug', () => {
    expect(() => cornerTreatment('none' as never)).toThrow(RangeError);
  });
});

describe('yarn weights and hooks', () => {
  test('the heavier, the thicker, the fewer stitches, the fewer metres, the larger the hook', () => {
    YARN_WEIGHTS.slice(1).forEach((w, i) => {
      const lighter = YARN_WEIGHTS[i]!;
      expect(w.number).toBe(lighter.number + 1);
      expect(w.diameterMm).toBeGreaterThan(lighter.diameterMm);
      expect(w.stitchesPer10Cm).toBeLessThan(lighter.stitchesPer10Cm);
      expect(w.metresPer100G).toBeLessThan(lighter.metresPer100G);
      expect(w.hookMm[0]).toBeGreaterThan(lighter.hookMm[0]);
      expect(w.hookMm[0]).toBeLessThan(w.hookMm[1]);
    });
    expect(() => yarnWeight(8 as never)).toThrow(RangeError);
  });

  test('a hook has its letter where there is one', () => {
    expect([4, 4.5, 5, 9].map((mm) => hookLabel(mm, 'us'))).toEqual([
      'US G-6 (4 mm)',
      'US 7 (4.5 mm)',
      'US H-8 (5 mm)',
      'US M/N-13 (9 mm)',
    ]);
    expect(hookLabel(5, 'uk')).toBe('5 mm');
    expect([nextHookMm(5, 'larger'), nextHookMm(5, 'smaller'), nextHookMm(15, 'larger')]).toEqual([
      5.5, 4.5, 15,
    ]);
  });
});
