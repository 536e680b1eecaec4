import { describe, expect, test } from '@jest/globals';
import { plan } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import { rectangle, regular } from '../piece/outline.ts';
import { chainRun, stitchOf } from '../ring/stitch.ts';
import { IN_NOTHING, type Ring } from '../ring/ring.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { FLAT_LIMITS, entryWidths, feetOnRing, roundHeight, strain, verdict } from './flat.ts';

describe('the verdict', () => {
  test('is flat within ±2 %, blocks out to ±5 %, and beyond shows which way', () => {
    expect([0, 0.02, -0.02, 0.021, -0.05, 0.051, -0.051].map((s) => verdict(s))).toEqual([
      'flat',
      'flat',
      'flat',
      'blocks out',
      'blocks out',
      'ripples',
      'cups',
    ]);
    expect(verdict(0.03, { ...FLAT_LIMITS, flat: 0.04 })).toBe('flat');
  });
});

describe('strain', () => {
  test('is length over what the grown outline needs', () => {
    const square = rectangle(1000, 1000);
    expect(strain(1000, square, 0, 0)).toBeCloseTo(0, 9);
    // A side gains h·tan(45°) at either end.
    expect(strain(1000, square, 0, 50)).toBeCloseTo(1000 / 1100 - 1, 9);
    expect(strain(1100, square, 0, 50)).toBeCloseTo(0, 9);
    const disc = regular(0, 1000);
    expect(strain(1000 + 2 * Math.PI * 50, disc, 0, 50)).toBeCloseTo(0, 9);
    expect(strain(10, rectangle(0, 1000), 0, 0)).toBe(0);
  });

  const strains = (made: Plan, round: number): readonly number[] =>
    made.rounds[round]!.sides.map((s) => s.strain);

  test('more stitches ripple, fewer draw in, on the side that has them', () => {
    const flat = plan(rowsHem()).sides.map((s) => Math.round(s.flatCount));
    const off = (by: number): number =>
      strains(plan(rowsHem({ counts: [flat[0]! + by, flat[1]!, flat[2]!, flat[3]!] })), 0)[0]!;
    expect(Math.abs(off(0))).toBeLessThan(0.005);
    expect(off(8)).toBeGreaterThan(0.04);
    expect(off(-8)).toBeLessThan(-0.04);
  });

  test('plain rounds with three in the corner fall behind, (2, ch 2, 2) runs ahead', () => {
    const last = (corner: 'three' | 'twos'): number =>
      strains(
        plan(rowsHem({ base: { corner }, rounds: [entry({ stitch: 'hdc', corner, times: 10 })] })),
        10,
      )[0]!;
    expect(last('three')).toBeLessThan(-0.03);
    expect(last('twos')).toBeGreaterThan(last('three') + 0.05);
  });

  test('a smaller hook draws the same count in', () => {
    const withHook = (hookMm: number | null): number =>
      strains(plan(rowsHem({ rounds: [entry({ hookMm })] })), 1)[0]!;
    expect(withHook(4.5)).toBeLessThan(withHook(null) - 0.03);
  });
});

describe('chains give way', () => {
  const sc = stitchOf({ kind: 'sc' });
  const below: Ring = {
    made: Array.from({ length: 12 }, () => sc),
    into: new Int32Array(12).fill(0),
    centres: [],
  };
  /** Stitches in every `step`th place below, with `chains` between. */
  const mesh = (step: number, chains: number): Ring => {
    const places = Array.from({ length: 12 / step }, (_, k) => k * step);
    return {
      made: places.flatMap(() => [sc, chainRun(chains)]),
      into: Int32Array.from(places.flatMap((p) => [p, IN_NOTHING])),
      centres: [],
    };
  };
  const widths = (step: number, chains: number): readonly number[] => [
    ...entryWidths(mesh(step, chains), () => feetOnRing(below, null, 1))!,
  ];

  test('they fill what the stitches leave of the distance, and no more than their length', () => {
    expect(widths(2, 1)).toEqual(Array.from({ length: 6 }, () => [1, 1]).flat());
    // Slack: three chains over one place take one place.
    expect(widths(2, 3)).toEqual(Array.from({ length: 6 }, () => [1, 1]).flat());
    // Too short: one chain over three places pulls.
    expect(widths(4, 1)).toEqual(Array.from({ length: 3 }, () => [1, 1]).flat());
    expect(widths(1, 2)).toEqual(Array.from({ length: 12 }, () => [1, 0]).flat());
  });

  test('a ring without chains needs no widths', () => {
    expect(entryWidths(below, () => feetOnRing(below, null, 1))).toBeNull();
  });
});

test('a round is as tall as its tallest stitch; a post stitch sinks by a third', () => {
  const ring = (...kinds: Parameters<typeof stitchOf>[0][]): Ring => ({
    made: kinds.map((k) => stitchOf(k)),
    into: new Int32Array(kinds.length),
    centres: [],
  });
  expect(roundHeight(ring({ kind: 'sc' }, { kind: 'dc' }, { kind: 'slst' }))).toBeCloseTo(1.9);
  expect(roundHeight(ring({ kind: 'dc', post: 'front' }))).toBeCloseTo(1.9 * 0.67);
  expect(roundHeight(ring({ kind: 'ch', chains: 5 }))).toBe(0);
});
