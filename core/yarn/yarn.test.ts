import { describe, expect, test } from '@jest/globals';
import { legKind, movementsOf } from '../ring/making.ts';
import { chainRun, isChainRun, stitchOf, type Form, type Stitch } from '../ring/stitch.ts';
import { STITCHES } from '../terms/stitches.ts';
import { withEveryFamily } from '../testing/bodies.ts';
import type { Ring } from '../ring/ring.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { plan } from '../plan/planner.ts';
import { TAIL_M, quantity, yarnInRingM, yarnInStitchMm } from './yarn.ts';

const W = 7;
const D = 3;
const mm = (given: Parameters<typeof stitchOf>[0]): number => yarnInStitchMm(stitchOf(given), W, D);

describe('the loop path', () => {
  test('in ordinary worsted gives about what crocheters measure', () => {
    const about: readonly (readonly [Stitch['kind'], number])[] = [
      ['slst', 28],
      ['sc', 40],
      ['hdc', 62],
      ['dc', 74],
      ['tr', 96],
    ];
    for (const [kind, expected] of about)
      expect([kind, Math.abs(mm({ kind }) - expected) < 4]).toEqual([kind, true]);
    expect(yarnInStitchMm(chainRun(1), W, D)).toBeCloseTo(3.1 * W, 9);
  });

  test('a single is 3.1 w + 2 h + 2 d, a double 3.1 w + 3 h + 4 d with its own height', () => {
    expect(mm({ kind: 'sc' })).toBeCloseTo(3.1 * W + 2 * 0.95 * W + 2 * D, 9);
    expect(mm({ kind: 'dc' })).toBeCloseTo(3.1 * W + 3 * 1.9 * W + 4 * D, 9);
  });

  test('taller stitches take more, as do wider ones and thicker yarn', () => {
    const kinds = ['slst', 'sc', 'esc', 'hdc', 'hhdc', 'dc', 'tr', 'dtr'] as const;
    const lengths = kinds.map((kind) => mm({ kind }));
    expect([...lengths].sort((a, b) => a - b)).toEqual(lengths);
    for (const kind of kinds) {
      const s = stitchOf({ kind });
      expect(yarnInStitchMm(s, W * 1.1, D)).toBeGreaterThan(yarnInStitchMm(s, W, D));
      expect(yarnInStitchMm(s, W, D * 1.1)).toBeGreaterThan(yarnInStitchMm(s, W, D));
    }
  });

  test('clusters take a leg for each leg and one top; a popcorn has a top for each', () => {
    const top = 3.1 * W;
    const leg = mm({ kind: 'dc' }) - top;
    expect(mm({ kind: 'dc', form: 'bobble', legs: 5 })).toBeCloseTo(5 * leg + top, 9);
    expect(mm({ kind: 'dc', form: 'popcorn', legs: 5 })).toBeCloseTo(5 * (leg + top), 9);
    expect(mm({ kind: 'dc', form: 'together', legs: 2 })).toBeCloseTo(2 * leg + top, 9);
    expect(mm({ kind: 'ch', form: 'picot', chains: 3 })).toBeCloseTo(3 * top + mm({ kind: 'slst' }), 9);
    expect(mm({ kind: 'dc', post: 'front' }) - mm({ kind: 'dc' })).toBeCloseTo(W / 2, 9);
  });
});

describe('every special stitch takes the sum of what its hook does, counted by hand', () => {
  const TOP_MM = 3.1 * W;
  const doubleLeg = 3 * 1.9 * W + 4 * D;
  const byHand: Readonly<Record<Form, readonly (readonly [Stitch, number])[]>> = {
    plain: [[stitchOf({ kind: 'slst' }), TOP_MM + 2 * D]],
    together: [[stitchOf({ kind: 'sc', form: 'together', legs: 2 }), 2 * (2 * 0.95 * W + 2 * D) + TOP_MM]],
    puff: [[stitchOf({ kind: 'hdc', form: 'puff', legs: 3 }), 3 * (3 * 1.35 * W + 4 * D) + TOP_MM]],
    bobble: [[stitchOf({ kind: 'dc', form: 'bobble', legs: 5 }), 5 * doubleLeg + TOP_MM]],
    popcorn: [[stitchOf({ kind: 'dc', form: 'popcorn', legs: 5 }), 5 * (doubleLeg + TOP_MM)]],
    picot: [[stitchOf({ kind: 'ch', form: 'picot', chains: 3 }), 3 * TOP_MM + (TOP_MM + 2 * D)]],
    // A chain of three, and five doubles that share a top: about 35 cm in worsted.
    dot: [[stitchOf({ kind: 'ch', form: 'dot', chains: 3, legs: 5 }), 3 * TOP_MM + 5 * doubleLeg + TOP_MM]],
    // Three slip stitches for one place.
    cord: [[stitchOf({ kind: 'slst', form: 'cord', legs: 3 }), 3 * (TOP_MM + 2 * D)]],
    reverse: [[stitchOf({ kind: 'sc', form: 'reverse' }), mm({ kind: 'sc' })]],
    twisted: [[stitchOf({ kind: 'sc', form: 'twisted' }), mm({ kind: 'sc' })]],
    tassel: [[stitchOf({ kind: 'ch', form: 'tassel' }), 40 * W]],
  };

  test.each(Object.entries(byHand))('%s', (_, stitches) => {
    for (const [stitch, expected] of stitches) expect(yarnInStitchMm(stitch, W, D)).toBeCloseTo(expected, 9);
  });

  test('so does every stitch of every family: no less than its chains, its tops and the strands of its legs', () => {
    const seen = new Set(
      withEveryFamily(rowsHem()).flatMap(([, made]) => made.rounds.flatMap((r) => r.ring.made)),
    );
    expect(new Set([...seen].map((s) => s.form)).size).toBeGreaterThanOrEqual(10);
    for (const s of seen) {
      if (s.form === 'tassel') continue;
      const does = movementsOf(s).map((m) => m.do);
      const chains = s.form === 'picot' || s.form === 'dot' || isChainRun(s) ? s.chains : 0;
      const strands = 2 * does.filter((d) => d === 'draw up').length * STITCHES[legKind(s)].height * W;
      expect([s, yarnInStitchMm(s, W, D) >= chains * TOP_MM + strands]).toEqual([s, true]);
    }
  });
});

test('a ring takes what its stitches take, in whatever order they stand', () => {
  const sc = stitchOf({ kind: 'sc' });
  const dc = stitchOf({ kind: 'dc' });
  const ring = (made: readonly Stitch[]): Ring => ({ made, into: new Int32Array(made.length), centres: [] });
  const mixed = yarnInRingM(ring([sc, dc, sc, chainRun(2), dc, sc]), W, D);
  expect(mixed).toBeCloseTo((3 * mm({ kind: 'sc' }) + 2 * mm({ kind: 'dc' }) + 2 * 3.1 * W) / 1000, 9);
  expect(yarnInRingM(ring([sc, sc, sc, dc, dc, chainRun(2)]), W, D)).toBeCloseTo(mixed, 9);
  expect(yarnInRingM(ring([]), W, D)).toBe(0);
});

describe('a quantity', () => {
  const yarn = rowsHem().yarns[0]!;

  test('rounds balls up on the high side of the range', () => {
    const perBall = (yarn.ballG * yarn.metresPer100G) / 100;
    expect(quantity(perBall / 1.21, yarn, 0.2).balls).toBe(1);
    expect(quantity(perBall / 1.19, yarn, 0.2).balls).toBe(2);
    expect(quantity(perBall / 1.19, yarn, 0.1).balls).toBe(1);
  });

  test('of a plan is its rounds and two tails for every stretch in a colour', () => {
    const made = plan(
      rowsHem({ rounds: [entry(), entry({ id: 'b', yarn: 'y2' }), entry({ id: 'c' }), entry({ id: 'd' })] }),
    );
    const [plain, other] = made.yarns;
    const rounds = (id: string): number =>
      made.rounds.filter((r) => r.yarnId === id).reduce((sum, r) => sum + r.yarnM, 0);
    expect([plain!.ends, other!.ends]).toEqual([4, 2]);
    expect(plain!.quantity.metres).toBeCloseTo(rounds('y1') + 4 * TAIL_M, 9);
    expect(other!.quantity.metres).toBeCloseTo(rounds('y2') + 2 * TAIL_M, 9);
  });
});
