/**
 * The fit of a whole hem, with corners that were left open, and what would free a stack that does not fit.
 *
 * Corners left open are shared by all sides, so every choice of them is a stack of its own; each is solved to its
 * optimum and the solutions are ranked together.
 */
import { held } from '../held.ts';
import type { Hem, RoundEntry } from '../document/hem.ts';
import { fitPlan, fitTask } from './task.ts';
import { performed } from '../edits/edit.ts';
import { FLATNESS } from '../flat/flat.ts';
import { createPlanner, type Planner } from '../plan/planner.ts';
import { planComesOutEven, type Plan, writtenOf } from '../plan/types.ts';
import { workedRounds } from '../record/record.ts';
import { familyNeededBelow } from '../rounds/facts.ts';
import { familyById, familyWith } from '../rounds/registry.ts';
import { asWorkedOn } from '../edits/rounds.ts';
import { goesOnFrom, newEntry, quietChange } from '../stack/stack.ts';
import type { CornerId } from '../terms/corners.ts';
import { VISIBILITY } from './cost.ts';
import { takeSolution } from '../edits/solution.ts';
import { solveFit, type Fit, type FitSolution, type WayOut, type Worst } from './fit.ts';

/** At most so many choices of open corners are tried; entries further out are then left as they are. */
const MOST_CHOICES = 64;
const MOST_SOLUTIONS = 6;

/** Solves the fit of a hem; see {@link Fit}. Rounds that have been begun keep their counts. */
export function fitHem(hem: Hem, worked = workedRounds(hem.record).length): Fit {
  const planner = createPlanner();
  const found = cornerChoices(hem).map((corners) => {
    const made = planner(withCorners(hem, corners));
    const fit = fitPlan(made, worked);
    // What was found in a round that has been worked is no change of the design.
    const asDesigned = (s: FitSolution): FitSolution => ({
      ...s,
      quiet: s.quiet.map((q, side) =>
        q.map((c, k) => (k + 1 < worked ? quietChange(writtenOf(made.rounds[k + 1]!), side) : c)),
      ),
    });
    const changed = Object.entries(corners).filter(
      ([id, c]) =>
        held(
          hem.rounds.find((r) => r.id === id),
          'a fit names entries of its hem',
        ).corner !== c,
    );
    const cost = VISIBILITY.corner * changed.length;
    const solutions = fit.solutions.map(asDesigned).map((s): FitSolution =>
      changed.length === 0
        ? s
        : {
            ...s,
            cost: s.cost + cost,
            corners: Object.fromEntries(changed),
          },
    );
    return { ...fit, solutions };
  });
  const solutions = worthShowing(
    proved(hem, planner, [...asItIs(planner(hem)), ...found.flatMap((f) => f.solutions)]),
  );
  const { standsInTheWay, givenUp } = found[0]!;
  if (solutions.length === 0 && givenUp) return { solutions, standsInTheWay: null, givenUp };
  if (solutions.length > 0 || standsInTheWay === null) return { solutions, standsInTheWay: null };
  return { solutions, standsInTheWay, freedBy: freedBy(hem, standsInTheWay, worked) };
}

/**
 * A stack that comes out even needs no change, also where the search cannot tell: it leaves out what rounds that run past the
 * corners offer to those on them.
 */
function asItIs(made: Plan): readonly FitSolution[] {
  const worked = made.rounds.slice(1);
  if (!planComesOutEven(made) || worked.length === 0) return [];
  return [
    {
      counts: made.sides.map((s) => s.count),
      changes: made.sides.map(() => 0),
      quiet: made.sides.map((_, side) => worked.map((r) => quietChange(writtenOf(r), side))),
      cost: 0,
      lopsided: worked.some((r) => r.sides.some((s) => s.fit?.lopsided)),
    },
  ];
}

/** Solutions that hold when they are taken and all is planned again, with how flat the border lies then. */
function proved(hem: Hem, planner: Planner, solutions: readonly FitSolution[]): readonly FitSolution[] {
  const stack = planner(hem)
    .rounds.slice(1)
    .map((r) => writtenOf(r));
  return solutions.flatMap((solution) => {
    const outcome = performed(hem, takeSolution(stack, solution));
    if (!outcome.ok) return [];
    const made = planner(outcome.value);
    const holds = made.rounds.length === stack.length + 1 && planComesOutEven(made);
    return holds ? [{ ...solution, worst: worstOf(made) }] : [];
  });
}

/** Where a border lies least flat. */
export function worstOf({ rounds }: Plan): Worst {
  let worst: Worst = { strain: 0, verdict: 'flat', round: 0, side: 0 };
  for (const { number, sides } of rounds) {
    sides.forEach(({ strain, verdict }, side) => {
      if (Math.abs(strain) > Math.abs(worst.strain)) worst = { strain, verdict, round: number, side };
    });
  }
  return worst;
}

const flatness = (s: FitSolution): number =>
  FLATNESS[held(s.worst, 'a stack that is worked has a worst round').verdict];

/** The flattest first, then the simplest; one that does all that a simpler one does, and more, is of no use. */
function worthShowing(solutions: readonly FitSolution[]): readonly FitSolution[] {
  const sorted = [...solutions].sort((a, b) => flatness(a) - flatness(b) || a.cost - b.cost);
  return sorted
    .filter((s, i) => !sorted.slice(0, i).some((t) => t.cost <= s.cost && isWithin(t, s)))
    .slice(0, MOST_SOLUTIONS);
}

/** Whether all that one solution changes is changed in another, in the same way. */
function isWithin(small: FitSolution, large: FitSolution): boolean {
  const within = (a: readonly number[], b: readonly number[]): boolean =>
    a.every((change, i) => change === 0 || change === b[i]);
  const corners = Object.entries(small.corners ?? {});
  return (
    within(small.changes, large.changes) &&
    small.quiet.every((q, i) => within(q, large.quiet[i]!)) &&
    corners.every(([id, corner]) => large.corners?.[id] === corner)
  );
}

function cornerChoices(hem: Hem): readonly Readonly<Record<string, CornerId>>[] {
  let choices: readonly Readonly<Record<string, CornerId>>[] = [{}];
  for (const entry of hem.rounds) {
    const family = familyById(entry.family);
    if (!entry.cornerOpen || !family || choices.length * family.corners.length > MOST_CHOICES) continue;
    // The corner in force first, so that of equal costs it is preferred.
    const corners = [entry.corner, ...family.corners.filter((c) => c !== entry.corner)];
    choices = choices.flatMap((c) => corners.map((corner) => ({ ...c, [entry.id]: corner })));
  }
  return choices;
}

const withCorners = (hem: Hem, corners: Readonly<Record<string, CornerId>>): Hem => ({
  ...hem,
  // An id may be any text, the name of something that every object inherits too.
  rounds: hem.rounds.map((r) =>
    Object.hasOwn(corners, r.id) && corners[r.id] !== r.corner ? { ...r, corner: corners[r.id]! } : r,
  ),
});

/** The smallest change, of those that help, which lets the rounds come out even; null when none of them does. */
function freedBy(hem: Hem, round: number, worked: number): WayOut | null {
  const planner = createPlanner();
  const made = planner(hem);
  const { entry } = writtenOf(made.rounds[round + 1]!);
  const at = hem.rounds.findIndex((r) => r.id === entry.id);
  const before = (added: RoundEntry): Hem => ({
    ...hem,
    rounds: [...hem.rounds.slice(0, at), added, ...hem.rounds.slice(at)],
  });
  const fits = (other: Hem): boolean => fitPlan(planner(other), worked).solutions.length > 0;
  if (entry.anew && goesOnFrom(hem.rounds[at - 1], { ...entry, anew: false })) {
    const goingOn = hem.rounds.map((r) => (r.id === entry.id ? { ...r, anew: false } : r));
    if (fits({ ...hem, rounds: goingOn })) return { by: 'going on' };
  }
  const family = familyById(entry.family);
  const top = made.rounds[made.rounds[round + 1]!.onto]!;
  const needed = family && familyNeededBelow(family, top.ring);
  if (needed) {
    const ground = familyWith(needed);
    if (fits(before(newEntry(ground, 'ground', entry.yarns[0]!)))) return { by: 'ground', family: needed };
  }
  const wide = fitTask(made, worked);
  const sides = wide.sides.map((s) => ({ ...s, from: Math.max(1, s.from - 60), to: s.to + 60 }));
  const [far] = solveFit({ ...wide, sides }).solutions;
  if (far) return { by: 'larger change', solution: far };
  const plain = familyWith('plain');
  if (fits(before(asWorkedOn(hem.base, newEntry(plain, 'plain', entry.yarns[0]!)))))
    return { by: 'plain round' };
  if (fits({ ...hem, rounds: hem.rounds.filter((r) => r.id !== entry.id) })) return { by: 'leaving it off' };
  return null;
}
