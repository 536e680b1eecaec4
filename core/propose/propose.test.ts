import { describe, expect, test } from '@jest/globals';
import type { Hem } from '../document/hem.ts';
import { worstStrain } from '../forecast/alternatives.ts';
import { supplyOf } from '../forecast/supply.ts';
import { plan as planOf } from '../plan/planner.ts';
import { comesOutEven } from '../plan/types.ts';
import { rowsHem } from '../testing/hems.ts';
import { workedInto } from '../testing/worked.ts';
import { reasonsOf, obstacleWords, shapeWords } from '../words/proposeWords.ts';
import { characterOf } from './character.ts';
import { EDGES, MIDDLES, STARTS, apart, groundOf } from './grammar.ts';
import { picked } from './pick.ts';
import { SLICES, searchSlice, type Proposal, type Searched } from './search.ts';
import { NO_WISH, SKILLS, type Wish } from './wish.ts';

const hem: Hem = rowsHem({
  stitches: 61,
  rows: [{ stitch: 'dc', count: 32 }],
  widthCm: 43,
  heightCm: 45,
  counts: [59, 61, 59, 61],
});
const search = (of: Hem, wish: Wish, slices: readonly number[]): readonly Searched[] =>
  slices.map((slice) => searchSlice(of, wish, slice));
const proposalsOf = (found: readonly Searched[]): readonly Proposal[] => found.flatMap((f) => f.proposals);
const without = (id: string | null): number =>
  STARTS.findIndex((s) => s.stitch === 'sc' && (s.middle?.id ?? null) === id);
const FEW = [without(null), without('moss'), without('v-stitch')];

describe('borders that are proposed', () => {
  const wish: Wish = { ...NO_WISH, widthCm: 3, noLooseParts: true, minutes: 240 };
  const found = proposalsOf(search(hem, wish, FEW));

  test('fit, lie flat enough and keep every word of the wish, planned again', () => {
    expect(found.length).toBeGreaterThan(10);
    for (const p of found) {
      const plan = planOf({ ...hem, base: p.base, rounds: p.rounds });
      const { looks, looseParts, skill } = characterOf(plan);
      expect([p.shape, comesOutEven(plan)]).toEqual([p.shape, true]);
      expect(plan.borderWidthMm).toBeCloseTo(p.widthMm, 6);
      expect(Math.abs(plan.borderWidthMm / 30 - 1)).toBeLessThanOrEqual(0.2);
      expect(Math.max(...plan.rounds.map((r) => Math.abs(worstStrain(r))))).toBeLessThanOrEqual(0.05);
      expect([looseParts, plan.minutes <= 264]).toEqual([false, true]);
      expect([[...looks], skill]).toEqual([p.looks, p.skill]);
      // What fits as it is leaves the base round alone.
      if (p.asItIs) expect(p.base).toBe(hem.base);
      expect(`${shapeWords(plan, p)}: ${reasonsOf(plan, p).join(', ')}`).not.toMatch(/undefined|NaN|null/);
    }
  });

  test('include the best that there is: an exhaustive search of the plain borders with an edge finds none nearer', () => {
    const only: Wish = { ...NO_WISH, widthCm: 3 };
    const best = proposalsOf(search(hem, only, [without(null)])).filter((p) => p.asItIs)[0]!;
    let nearest = Infinity;
    for (let times = 0; times <= 12; times++) {
      for (const edge of [null, ...EDGES]) {
        const rounds = best.rounds.filter((r) => r.id !== 'ground');
        const shape = { ground: { stitch: 'sc', times }, middle: null, edge: edge?.id ?? null } as const;
        // The edge of the best one, on grounds of every height.
        if (shape.edge !== best.shape.edge || (times === 0 && !edge)) continue;
        const plan = planOf({ ...hem, rounds: [...groundOf(shape.ground, 'y2'), ...rounds] });
        if (comesOutEven(plan)) nearest = Math.min(nearest, Math.abs(plan.borderWidthMm / 30 - 1));
      }
    }
    expect(Math.abs(best.widthMm / 30 - 1)).toBeLessThanOrEqual(nearest + 1e-9);
  });

  test('differ from each other, and follow what is said of them', () => {
    const handful = picked(found, 6);
    expect(handful).toHaveLength(6);
    expect(handful[0]!.cost).toBe(Math.min(...found.map((p) => p.cost)));
    expect(new Set(handful.map((p) => p.shape.edge)).size).toBeGreaterThan(3);
    const unlike = handful[0]!.shape;
    for (const p of picked(found, 6, { like: null, unlike: [unlike] }))
      expect(apart(p.shape, unlike)).toBeGreaterThanOrEqual(0.3);
    const like = handful[3]!.shape;
    const near = (some: readonly Proposal[]): number =>
      some.reduce((sum, p) => sum + apart(p.shape, like), 0) / some.length;
    expect(near(picked(found, 6, { like, unlike: [] }))).toBeLessThan(near(handful));
    expect([apart(like, like), apart(like, { ...like, edge: 'no such edge' })]).toEqual([0, 0.5]);
  });

  test('are not there when nothing suits, and it is said what stands in the way', () => {
    const [none] = search(hem, { ...NO_WISH, widthCm: 3, minutes: 1 }, [without(null)]);
    expect(none!.proposals).toEqual([]);
    expect(none!.obstacles.time).toBeGreaterThan(0);
    expect(obstacleWords(none!.obstacles)[0]!.words).toMatch(/^But for the time, \d+ borders? would suit\.$/);
    const easy = proposalsOf(search(hem, { ...NO_WISH, skill: 'easy', look: 'lacy' }, FEW));
    for (const p of easy) expect([p.skill, p.looks.includes('lacy')]).toEqual(['easy', true]);
  });

  test('take no more than is in the basket, when that is wished', () => {
    const poor = { ...hem, yarns: hem.yarns.map((y) => ({ ...y, haveG: 6 })) };
    const from = proposalsOf(search(poor, { ...NO_WISH, fromBasket: true }, FEW));
    for (const p of from) {
      const plan = planOf({ ...poor, base: p.base, rounds: p.rounds });
      expect(plan.yarns.map(supplyOf)).not.toContain('runs out');
    }
    expect(from.length).toBeLessThan(proposalsOf(search(poor, NO_WISH, FEW)).length);
  });

  test('stand on what has been worked', () => {
    const begun = workedInto(
      { ...hem, rounds: groundOf({ stitch: 'sc', times: 3 }, 'y2').map((r) => ({ ...r, id: 'mine' })) },
      1,
      0.5,
    );
    const on = proposalsOf(search(begun.hem, { ...NO_WISH, widthCm: 4 }, [without(null)]));
    expect(on.length).toBeGreaterThan(0);
    for (const p of on) expect(p.rounds[0]!.id).toBe('mine');
  });

  test('come from a grammar that has every family once', () => {
    expect(SLICES).toBe(3 * (1 + MIDDLES.length));
    const names = [...MIDDLES, ...EDGES].map((f) => f.id);
    expect(new Set(names).size).toBe(names.length);
    expect(SKILLS).toHaveLength(3);
  });
});
