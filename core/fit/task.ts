/** A plan as a task for the fit, and what the fit says of it. */
import { writtenOf } from '../plan/types.ts';
import { isWorkedSide, roleOf } from '../piece/part.ts';
import { oppositeSides } from '../piece/symmetry.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import { quietChange } from '../stack/stack.ts';
import { tallyRing, tallySide } from '../ring/ring.ts';
import { fitWindow, solveFit, type Fit, type FitTask } from './fit.ts';
import { searchSide } from './side.ts';
import { FIT_BUDGET, type FitSide } from './sideTask.ts';

/** The fit of a plan as a task: its sides with their windows, and its stack. */
export function fitTask(p: Plan, worked = 0): FitTask {
  const { turns, part } = p.body.outline;
  const endsAt = (corner: number): boolean => roleOf(part, corner % turns.length, turns.length) !== 'turned';
  const written = p.rounds.slice(1);
  const sides = p.sides.map((s, i): FitSide => {
    const reach = fitWindow(s.flatCount);
    const flat = Math.round(s.flatCount);
    return {
      name: s.name,
      // What has been worked is as it was found.
      count: worked > 0 ? p.rounds[0]!.sides[i]!.tally.stitches - s.corners : s.count,
      flat: s.flatCount,
      choice: s.choice,
      edge: s.edge,
      stitchWidthMm: p.rounds[0]!.stitchWidthMm,
      turns: turns.length === 0 ? [] : [turns[i]!, turns[(i + 1) % turns.length]!],
      ends: turns.length === 0 ? [false, false] : [endsAt(i), endsAt(i + 1)],
      leftOut: !isWorkedSide(part, i, turns.length),
      from: Math.max(1, flat - reach),
      to: flat + reach,
    };
  });
  const ringWide = written.filter((r) => writtenOf(r).recipe.scope === 'ring');
  return {
    sides,
    opposite: oppositeSides(p.body),
    stack: {
      base: p.hem.base,
      rounds: written.map((r) => writtenOf(r)),
      heightsBelow: written.map((r) => p.rounds[r.onto]!.plannedHeightMm / r.stitchWidthMm),
      worked,
      budget: { left: FIT_BUDGET },
    },
    changes: p.sides.map((_, i) => written.map((r) => quietChange(writtenOf(r), i) + foundOff(r, i))),
    cornerPlaces: ringWide.map((r) => {
      const { ring } = p.rounds[r.onto]!;
      const onSides = ring.centres.reduce((sum, _, side) => sum + tallySide(ring, side).stitches, 0);
      return ring.centres.length === 0 ? 0 : tallyRing(ring).stitches - onSides;
    }),
  };
}

/** How many stitches more than planned were found in a round on a side. */
const foundOff = ({ done }: RoundPlan, side: number): number =>
  done ? done.counts[side]! - done.planned[side]! : 0;

/** The ways in which all rounds of a plan come out even, best first. */
export const fitPlan = (p: Plan, worked = 0): Fit => solveFit(fitTask(p, worked));

/** Counts within the window of a side at which every round comes out even without a quiet change, in ascending order. */
export function evenCounts(p: Plan, side: number): readonly number[] {
  const task = fitTask(p);
  // They are marks on a line: a border that would take long goes without.
  const stack = { ...task.stack, quietChanges: false, budget: { left: FIT_BUDGET / 10 } };
  const { ways } = searchSide(task.sides[side]!, stack, task.changes[side]!);
  return stack.budget.left < 0 ? [] : ways.map((w) => w.count).sort((x, y) => x - y);
}
