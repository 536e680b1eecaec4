import fc from 'fast-check';
import highsLoader, { type Highs } from 'highs';
import { beforeAll, describe, expect, test } from '@jest/globals';
import type { Hem, RoundEntry } from '../document/hem.ts';
import { fitPlan, fitTask } from './task.ts';
import { oppositeSides } from '../piece/symmetry.ts';
import { plan } from '../plan/planner.ts';
import { planComesOutEven } from '../plan/types.ts';
import { isPlainPattern, needsOf, sidePattern } from '../ring/recipe.ts';
import { entry, rowsHem, sideChoice } from '../testing/hems.ts';
import { takeSolution } from '../edits/solution.ts';
import { VISIBILITY } from './cost.ts';
import { solveFit, type FitSolution, type FitTask } from './fit.ts';
import { fitHem } from './open.ts';
import { integerProgram } from '../../bench/integerProgram.ts';
import { solutionWords } from './fitWords.ts';

const shell = entry({ id: 'edge', family: 'shell', stitch: 'hdc' });
const stacks: readonly (readonly RoundEntry[])[] = [
  [shell],
  [entry({ id: 'a' }), shell],
  [
    entry({ id: 'a', corner: 'chain-2' }),
    entry({ id: 'm', family: 'cluster', corner: 'threes', stitch: 'dc' }),
  ],
  [entry({ id: 'a', times: 2 }), entry({ id: 'p', family: 'popcorns' }), entry({ id: 'b' })],
  [entry({ id: 'm', family: 'moss' }), entry({ id: 'a' }), entry({ id: 'c', family: 'chevron' })],
];

const square = (count: number, rounds: readonly RoundEntry[], widthCm = 20): Hem =>
  rowsHem({ counts: [count, count, count, count], widthCm, heightCm: widthCm, rounds });

/** The hem with a solution taken. */
function taken(hem: Hem, stack: Parameters<typeof takeSolution>[0], solution: FitSolution): Hem {
  const outcome = takeSolution(stack, solution).on(hem);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
  return outcome.value;
}

describe('a solution', () => {
  test.each(stacks.map((rounds, i) => [i, rounds] as const))(
    'of stack %i comes out even when it is applied, at the cost that it says',
    (_, rounds) => {
      const made = plan(square(26, rounds));
      const stack = made.rounds.slice(1).map((r) => r.written!);
      const { solutions } = fitPlan(made);
      expect(solutions.length).toBeGreaterThan(0);
      for (const s of solutions) {
        const applied = plan(taken(made.hem, stack, s));
        expect([s.changes, s.quiet, planComesOutEven(applied)]).toEqual([s.changes, s.quiet, true]);
        expect(applied.sides.map((side) => side.count)).toEqual(s.counts);
      }
      expect(solutions.map((s) => s.cost)).toEqual(solutions.map((s) => s.cost).sort((a, b) => a - b));
    },
  );

  test('of the whole ring makes a clover come out', () => {
    const picots = entry({ id: 'e', family: 'triple-picot', size: 5, corner: 'three' });
    const made = plan(rowsHem({ counts: [150, 168, 150, 168], rounds: [entry(), picots] }));
    expect(planComesOutEven(made)).toBe(false);
    const stack = made.rounds.slice(1).map((r) => r.written!);
    for (const s of fitPlan(made).solutions) {
      expect(planComesOutEven(plan(taken(made.hem, stack, s)))).toBe(true);
    }
  });

  test('keeps what is worked already', () => {
    const rounds = [entry({ id: 'a', times: 2 }), shell];
    const made = plan(square(26, rounds));
    const [best] = fitPlan(made, 2).solutions;
    expect(best!.changes).toEqual([0, 0, 0, 0]);
    expect(best!.quiet.map((q) => q[0])).toEqual([0, 0, 0, 0]);
    expect(best!.quiet.every((q) => q[1] !== 0 || q[2] !== 0)).toBe(true);
  });

  test('says which round stands in the way when there is none', () => {
    const made = plan(square(26, [shell, entry({ id: 'x', family: 'gap-scallop' })]));
    expect(fitPlan(made)).toEqual({ solutions: [], standsInTheWay: 1 });
  });

  test('differs from the others in kind', () => {
    const { solutions } = fitPlan(plan(square(28, [entry({ id: 'a', times: 2 }), shell], 21)));
    expect(solutions.some((s) => s.quiet.some((q) => q.some((c) => c !== 0)))).toBe(true);
    expect(solutions.some((s) => s.quiet.every((q) => q.every((c) => c === 0)))).toBe(true);
  });
});

describe('corners that were left open', () => {
  test('are changed where that comes out cheaper, and the solution holds when it is applied', () => {
    const open = entry({ id: 'a', corner: 'three', cornerOpen: true });
    const costs = [23, 24, 25, 26].map((count) => {
      const hem = square(count, [open, shell], count / 1.4 / 1.02);
      const [best] = fitHem(hem).solutions;
      const closed = fitHem({ ...hem, rounds: [{ ...open, cornerOpen: false }, shell] }).solutions[0]!;
      // With more to choose from it comes out flatter, or as flat and cheaper.
      if (best!.worst!.verdict === closed.worst!.verdict) expect(best!.cost).toBeLessThanOrEqual(closed.cost);
      else expect(closed.worst!.verdict).not.toBe('flat');
      const stack = plan(hem)
        .rounds.slice(1)
        .map((r) => r.written!);
      expect(planComesOutEven(plan(taken(hem, stack, best!)))).toBe(true);
      return { changed: best!.corners !== undefined, words: solutionWords(plan(hem), best!) };
    });
    expect(costs.some((c) => c.changed)).toBe(true);
    for (const c of costs) expect(c.words.includes('Corners of the plain round')).toBe(c.changed);
  });
});

describe('what stands in the way', () => {
  test('is named with the round that would free it', () => {
    const fit = fitHem(square(26, [entry({ id: 'x', family: 'gap-scallop' })]));
    expect(fit).toMatchObject({ solutions: [], standsInTheWay: 0 });
    expect(fit.freedBy).toEqual({ by: 'ground', family: 'cluster' });
  });

  test('or the count that it would take', () => {
    const worked = fitHem(square(26, [entry({ id: 'c', family: 'chevron' })], 20), 1);
    expect(worked.solutions).toEqual([]);
    expect(['plain round', 'leaving it off']).toContain(worked.freedBy!.by);
  });
});

describe('the optimum', () => {
  test('is that of an exhaustive search, over fixed seeds', () => {
    const cases = fc.record({
      count: fc.integer({ min: 14, max: 26 }),
      flat: fc.integer({ min: 15, max: 24 }),
      rounds: fc.constantFrom(...stacks.slice(0, 4)),
    });
    fc.assert(
      fc.property(cases, ({ count, flat, rounds }) => {
        const task = narrowed(fitTask(plan(square(count, rounds, flat / 1.4))), 2);
        const best = solveFit(task).solutions[0]?.cost ?? Infinity;
        expect(best).toBeCloseTo(exhaustive(square(count, rounds, flat / 1.4), task), 9);
      }),
      { seed: 77, numRuns: 12 },
    );
  });

  test('is that of an exhaustive search for a pattern round the whole ring', () => {
    const picots = entry({ id: 'e', family: 'triple-picot', size: 5, corner: 'three' });
    for (const count of [21, 22, 24]) {
      const hem = square(count, [picots], 16);
      const task = narrowed(fitTask(plan(hem)), 2);
      const counts = task.sides.map((s) => range(s.from, s.to));
      let best = Infinity;
      for (const a of counts[0]!)
        for (const b of counts[1]!)
          for (const c of counts[2]!)
            for (const d of counts[3]!) {
              const applied = plan({ ...hem, base: { ...hem.base, sides: [a, b, c, d].map(sideChoice) } });
              if (planComesOutEven(applied)) best = Math.min(best, baseCost(task, [a, b, c, d]));
            }
      expect(solveFit(task).solutions[0]!.cost).toBeCloseTo(best, 9);
    }
  });
});

describe('against an integer-programming solver', () => {
  let highs: Highs;
  beforeAll(async () => {
    highs = await highsLoader();
  });

  test('the same least cost on usual hems, over fixed seeds', () => {
    const cases = fc.record({
      counts: fc.array(fc.integer({ min: 120, max: 260 }), { minLength: 2, maxLength: 2 }),
      wide: fc.integer({ min: 90, max: 180 }),
      high: fc.integer({ min: 90, max: 180 }),
      rounds: fc.constantFrom(...stacks.slice(0, 4)),
    });
    fc.assert(
      fc.property(cases, ({ counts, wide, high, rounds }) => {
        const [a, b] = counts as [number, number];
        const made = plan(rowsHem({ counts: [a, b, a, b], widthCm: wide, heightCm: high, rounds }));
        const task = fitTask(made);
        const solved = highs.solve(integerProgram(task));
        expect(solved.Status).toBe('Optimal');
        expect(solveFit(task).solutions[0]!.cost).toBeCloseTo(solved.ObjectiveValue, 4);
      }),
      { seed: 99, numRuns: 8 },
    );
  });
});

const range = (from: number, to: number): readonly number[] =>
  Array.from({ length: to - from + 1 }, (_, i) => from + i);

/** The task with a smaller window. */
function narrowed(task: FitTask, reach: number): FitTask {
  const sides = task.sides.map((s) => ({
    ...s,
    from: Math.round(s.flat) - reach,
    to: Math.round(s.flat) + reach,
  }));
  return { ...task, sides };
}

/** Cost of base counts alone: distances and unequal facing sides. */
function baseCost(task: FitTask, counts: readonly number[]): number {
  const distance = counts.reduce(
    (sum, c, i) => sum + ((100 * (c - task.sides[i]!.flat)) / task.sides[i]!.flat) ** 2,
    0,
  );
  return task.opposite.reduce((sum, [a, b]) => {
    const apart = Math.abs(counts[a]! - counts[b]!);
    return sum + (apart === 0 ? 0 : VISIBILITY.unequal + VISIBILITY.unequalStitch * apart);
  }, distance);
}

/** Tries every base count and quiet change of one pair of facing sides on the worked hem; the other pair is alike. */
function exhaustive(hem: Hem, task: FitTask): number {
  const { stack } = task;
  const perRound = stack.rounds.map((r) => {
    const pattern = sidePattern(r.recipe.side);
    if (isPlainPattern(pattern)) return [0, 1, -1];
    const skips = [...pattern.head, ...pattern.body, ...pattern.tail].some((s) => s.do === 'skip');
    return skips ? [0, 1, -1, 2, -2] : [0];
  });
  const combinations = perRound.reduce<readonly (readonly number[])[]>(
    (all, options) => all.flatMap((c) => options.map((o) => [...c, o])),
    [[]],
  );
  const cheapest = new Map<number, number>();
  for (const count of range(task.sides[0]!.from, task.sides[0]!.to)) {
    for (const changes of combinations) {
      const solution = {
        counts: [count, count, count, count],
        changes: [1, 1, 1, 1],
        quiet: [changes, changes, changes, changes],
        cost: 0,
        lopsided: false,
        words: '',
      };
      const applied = plan(taken(hem, stack.rounds, solution));
      if (!planComesOutEven(applied)) continue;
      const quiet = changes.reduce((sum, c, k) => {
        const plain = isPlainPattern(sidePattern(stack.rounds[k]!.recipe.side));
        return sum + VISIBILITY[plain ? 'plain' : 'skip'](c, k === stack.rounds.length - 1);
      }, 0);
      const lopsided = applied.rounds.filter((r) => r.sides[0]!.fit?.lopsided).length * VISIBILITY.lopsided;
      cheapest.set(count, Math.min(cheapest.get(count) ?? Infinity, quiet + lopsided));
    }
  }
  expect(oppositeSides(plan(hem).body)).toHaveLength(2);
  expect(stack.rounds.every((r) => needsOf(r.recipe).on === 'side')).toBe(true);
  let best = Infinity;
  for (const [a, costA] of cheapest) {
    for (const [c, costC] of cheapest) {
      best = Math.min(
        best,
        costA +
          costC +
          baseCost({ ...task, opposite: [[0, 2]] }, [a, task.sides[1]!.flat, c, task.sides[3]!.flat]),
      );
    }
  }
  return 2 * best;
}
