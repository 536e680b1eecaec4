/** Measures the core in one run; peers are compared as ratios. Times are printed, never asserted. */
import highsLoader from 'highs';
import type { Hem } from '../core/document/hem.ts';
import { integerProgram } from './integerProgram.ts';
import { demoPlan } from '../demo/read.ts';
import { NOTHING_FOUND, searchSlice, slicesOf, joinSearches } from '../core/propose/search.ts';
import { NO_WISH } from '../core/propose/wish.ts';
import { solveFit } from '../core/fit/fit.ts';
import { fitTask } from '../core/fit/task.ts';
import { createPlanner, plan } from '../core/plan/planner.ts';
import { entry, rowsHem } from '../core/testing/hems.ts';

/** Median milliseconds of one call. */
function median(times: number, work: () => unknown): number {
  const taken = Array.from({ length: times }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
  return taken.sort((a, b) => a - b)[Math.floor(times / 2)]!;
}

const square = (side: number, rounds: Hem['rounds']): Hem =>
  rowsHem({
    counts: [side, side, side, side],
    stitches: side + 2,
    widthCm: side / 1.4,
    heightCm: side / 1.4,
    rounds,
  });

const usual = square(250, [
  entry({ id: 'a', times: 6 }),
  entry({ id: 'b', stitch: 'hdc', times: 3 }),
  entry({ id: 'e', family: 'shell', stitch: 'hdc' }),
]);
const huge = square(2000, [
  entry({ id: 'a', times: 39 }),
  entry({ id: 'e', family: 'shell', stitch: 'hdc' }),
]);

function afterEdit(hem: Hem): () => unknown {
  const planner = createPlanner();
  planner(hem);
  let more = 0;
  return () => {
    more = 1 - more;
    const sides = hem.base.sides.map((s) => ({ ...s, count: s.count! + more }));
    return planner({ ...hem, base: { ...hem.base, sides } });
  };
}

const line = (what: string, ms: number, budget: string): void =>
  console.log(`${what.padEnd(58)} ${ms.toFixed(2).padStart(9)} ms   budget ${budget}`);

for (let warm = 0; warm < 20; warm++) plan(usual);
line('plan, 4 × 250 stitches, 10 rounds, after an edit of all sides', median(41, afterEdit(usual)), '3 ms');
line('plan, 4 × 2,000 stitches, 40 rounds, after an edit of all sides', median(9, afterEdit(huge)), '50 ms');
global.gc?.();
const before = process.memoryUsage().heapUsed;
const held = plan(huge);
const megabytes = (process.memoryUsage().heapUsed - before) / 1e6;
console.log(
  `memory of that plan (${held.rounds.length} rounds)`.padEnd(58),
  `${megabytes.toFixed(0).padStart(9)} MB   budget 200 MB`,
);

const task = fitTask(plan(usual));
for (let warm = 0; warm < 40; warm++) solveFit(task);
const own = median(41, () => solveFit(task));
line('fit proved optimal, usual hem', own, '20 ms');
line(
  'fit proved optimal, huge hem',
  median(5, () => solveFit(fitTask(held))),
  '–',
);

const highs = await highsLoader();
const program = integerProgram(task);
highs.solve(program);
const solver = median(5, () => highs.solve(program));
line('the same model in a general integer-programming solver', solver, '–');
const agree = Math.abs(highs.solve(program).ObjectiveValue - solveFit(task).solutions[0]!.cost) < 1e-4;
console.log(
  `ratio: ${(solver / own).toFixed(0)} × (budget 100 ×); the two optima ${agree ? 'agree' : 'DIFFER'}`,
);

/** Borders proposed for a throw: every part of the search, one after the other, as one worker does it. */
const throwPlan = demoPlan('harbour');
const parts = (): readonly (() => ReturnType<typeof searchSlice>)[] =>
  Array.from(
    { length: slicesOf(throwPlan.hem) },
    (_, slice) => () => searchSlice(throwPlan.hem, { ...NO_WISH, widthCm: 4 }, slice),
  );
parts()[0]!();
const begun = performance.now();
const searched = parts()
  .map((part) => part())
  .reduce(joinSearches, NOTHING_FOUND);
const taken = performance.now() - begun;
line('borders proposed for a throw, the whole search in one worker', taken, '10,000 ms');
console.log(
  `of ${searched.tried} looked at, planned exactly in a second`.padEnd(58),
  `${((searched.planned / taken) * 1000).toFixed(0).padStart(9)}      budget 500`,
);
