/**
 * Which base counts and quiet changes make every round come out even, and at what cost.
 *
 * Each side is searched by itself (side.ts); sides that face each other are then paired, and the pairs put
 * together one after the other. State of the putting together: the remainders, so far, of what the rounds past
 * the corners find on the whole ring. The cheapest for each state is kept, so the best solution is proved
 * best; the others returned are the best that differ from it in kind.
 */
import { held } from '../held.ts';
import { needsOf } from '../ring/recipe.ts';
import type { Edge } from '../piece/edge.ts';
import type { Verdict } from '../flat/flat.ts';
import type { CornerId } from '../terms/corners.ts';
import { VISIBILITY } from './cost.ts';
import { wayKind, remainders, ringRounds, searchSide, Tables, type SideWay } from './side.ts';
import type { FitSide, FitStack } from './sideTask.ts';

export interface FitTask {
  readonly sides: readonly FitSide[];
  /** Pairs of side numbers that should agree; sides in no pair stand alone. */
  readonly opposite: readonly (readonly [number, number])[];
  readonly stack: FitStack;
  /** For every side the quiet changes in force, by round. */
  readonly changes: readonly (readonly number[])[];
  /** Places that the corners of the whole ring add for each round past the corners. */
  readonly cornerPlaces: readonly number[];
}

export interface FitSolution {
  /** Stitches along each edge, in the order of the sides. */
  readonly counts: readonly number[];
  /** Difference from the counts in force, for each side. */
  readonly changes: readonly number[];
  /** For every side the quiet change of every round. */
  readonly quiet: readonly (readonly number[])[];
  /** Smaller is better; 0 is every side flat to the stitch. See cost.ts for the unit. */
  readonly cost: number;
  readonly lopsided: boolean;
  /** How flat the whole border lies with it, as planned again; undefined before that. */
  readonly worst?: Worst;
  /** Other corner treatments, by the id of the entry; where corners were left open. */
  readonly corners?: Readonly<Record<string, CornerId>>;
}

/** Where a border lies least flat. */
export interface Worst {
  readonly strain: number;
  readonly verdict: Verdict;
  /** Number of the worked round, and of the side. */
  readonly round: number;
  readonly side: number;
}

/** Ways to let a stack come out even that does not: going on with the pattern below, a ground round before what stands in the way, a change further
 * than is usual, a plain round, or to leave it off. */
export type WayOut =
  | { readonly by: 'ground'; readonly family: string }
  | { readonly by: 'larger change'; readonly solution: FitSolution }
  | { readonly by: 'going on' }
  | { readonly by: 'plain round' }
  | { readonly by: 'leaving it off' };

export interface Fit {
  /** Best first. */
  readonly solutions: readonly FitSolution[];
  /** Index of the round that stands in the way, when there is no solution. */
  readonly standsInTheWay: number | null;
  /** The border is too large for all ways to be looked at: that there is no solution says nothing. */
  readonly givenUp?: boolean;
  /** The nearest change that would free it; null when none of those tried does. */
  readonly freedBy?: WayOut | null;
}

/** Solutions that are looked at more closely; fewer are shown. */
const MOST_CANDIDATES = 12;
/** Ways of a group kept for each state beside the cheapest, so that solutions can differ in kind. */
const KEPT_PER_STATE = 3;

/** How far round the flat count to look: a tenth of it, at least 8 and at most 40 stitches. */
export const fitWindow = (flat: number): number => Math.min(40, Math.max(8, Math.round(flat / 10)));

interface Joint {
  readonly ways: ReadonlyMap<number, SideWay>;
  readonly cost: number;
  readonly rest: readonly number[];
}

/**
 * Solves a task.
 *
 * @returns solutions, the first of least cost of all; none when no choice within the sides' windows fits
 */
export function solveFit(task: FitTask): Fit {
  const searches = searchAlike(task);
  if (task.stack.budget.left < 0) return { solutions: [], standsInTheWay: null, givenUp: true };
  const stops = searches.flatMap((s) => (s.stopsAt === null ? [] : [s.stopsAt]));
  if (stops.length > 0) return { solutions: [], standsInTheWay: Math.max(...stops) };
  const paired = new Set(task.opposite.flat());
  const groups: readonly (readonly number[])[] = [
    ...task.opposite,
    ...task.sides.flatMap((_, i) => (paired.has(i) ? [] : [[i]])),
  ];
  const moduli = ringRounds(task.stack).map((r) => needsOf(r.recipe).modulus);
  let joints: readonly Joint[] = [{ ways: new Map(), cost: 0, rest: moduli.map(() => 0) }];
  for (const group of groups) {
    const options = group.length === 2 ? pairs(group, searches, task) : singles(group[0]!, searches, task);
    joints = thin(
      joints.flatMap((a) => options.map((b) => joined(a, b, moduli))),
      KEPT_PER_STATE,
    );
  }
  const wanted = ringRounds(task.stack).map((r, i) => {
    const { modulus, remainder } = needsOf(r.recipe);
    return (((remainder - task.cornerPlaces[i]!) % modulus) + modulus) % modulus;
  });
  const whole = joints.filter((j) => j.rest.every((r, i) => r === wanted[i]));
  if (whole.length === 0) {
    return { solutions: [], standsInTheWay: task.stack.rounds.findIndex((r) => r.recipe.scope === 'ring') };
  }
  return { solutions: differing(whole.map((j) => solution(j, task))), standsInTheWay: null };
}

/** Searches every side once; sides that are alike in all that matters share a search. */
function searchAlike({ sides, stack, changes }: FitTask): readonly ReturnType<typeof searchSide>[] {
  const known = new Map<string, ReturnType<typeof searchSide>>();
  const edges: Edge[] = [];
  const tables = new Tables();
  return sides.map((side, i) => {
    const fixed = stack.worked > 0 ? [side.count, ...changes[i]!] : [];
    if (!edges.includes(side.edge)) edges.push(side.edge);
    const { school, own, crossings } = side.choice;
    const key = JSON.stringify([
      [side.flat, side.from, side.to, side.turns, side.ends, side.leftOut, edges.indexOf(side.edge)],
      [school, own, crossings, fixed],
    ]);
    const search = known.get(key) ?? searchSide(side, stack, changes[i]!, tables);
    known.set(key, search);
    return search;
  });
}

type Searches = readonly ReturnType<typeof searchSide>[];

/** Ways of a side by kind and remainders; within a class each base count has one way. */
function classes(search: Searches[number], task: FitTask): readonly (readonly SideWay[])[] {
  const found = new Map<string, SideWay[]>();
  for (const way of search.ways) {
    const key = `${wayKind(way)} ${remainders(way.places, task.stack).join(' ')}`;
    const kept = found.get(key);
    if (kept) kept.push(way);
    else found.set(key, [way]);
  }
  return [...found.values()];
}

function singles(side: number, searches: Searches, task: FitTask): readonly Joint[] {
  return classes(searches[side]!, task).flatMap((ways) =>
    ways.slice(0, KEPT_PER_STATE).map((way) => ({
      ways: new Map([[side, way]]),
      cost: way.cost,
      rest: remainders(way.places, task.stack),
    })),
  );
}

/** The cheapest few pairings of every two classes of facing sides. Ways come sorted, so most need no look. */
function pairs(group: readonly number[], searches: Searches, task: FitTask): readonly Joint[] {
  const [a, b] = group as readonly [number, number];
  const moduli = ringRounds(task.stack).map((r) => needsOf(r.recipe).modulus);
  const others = classes(searches[b]!, task);
  return classes(searches[a]!, task).flatMap((firsts) =>
    others.flatMap((seconds) => {
      const best: { first: SideWay; second: SideWay; cost: number }[] = [];
      for (const first of firsts) {
        for (const second of seconds) {
          const worst = best.length < KEPT_PER_STATE ? Infinity : best[best.length - 1]!.cost;
          if (first.cost + second.cost >= worst) break;
          const apart = Math.abs(first.count - second.count);
          const unequal = apart === 0 ? 0 : VISIBILITY.unequal + VISIBILITY.unequalStitch * apart;
          const cost = first.cost + second.cost + unequal;
          if (cost >= worst) continue;
          if (best.length === KEPT_PER_STATE) best.pop();
          let at = best.length;
          while (at > 0 && best[at - 1]!.cost > cost) at--;
          best.splice(at, 0, { first, second, cost });
        }
      }
      return best.map(({ first, second, cost }) => ({
        ways: new Map([
          [a, first],
          [b, second],
        ]),
        cost,
        rest: sumOf(remainders(first.places, task.stack), remainders(second.places, task.stack), moduli),
      }));
    }),
  );
}

const sumOf = (a: readonly number[], b: readonly number[], moduli: readonly number[]): readonly number[] =>
  moduli.map((m, i) => (a[i]! + b[i]!) % m);

const joined = (a: Joint, b: Joint, moduli: readonly number[]): Joint => ({
  ways: new Map([...a.ways, ...b.ways]),
  cost: a.cost + b.cost,
  rest: sumOf(a.rest, b.rest, moduli),
});

/** The cheapest few of every state and kind. */
function thin(joints: readonly Joint[], most: number): readonly Joint[] {
  const perState = new Map<string, Joint[]>();
  for (const joint of [...joints].sort((x, y) => x.cost - y.cost)) {
    const kinds = [...joint.ways.values()].map(wayKind);
    const key = `${joint.rest.join(' ')} ${[...new Set(kinds)].sort().join()}`;
    const kept = perState.get(key) ?? [];
    if (kept.length < most) kept.push(joint);
    perState.set(key, kept);
  }
  return [...perState.values()].flat().sort((x, y) => x.cost - y.cost);
}

function solution(joint: Joint, task: FitTask): FitSolution {
  const ways = task.sides.map((_, i) => held(joint.ways.get(i), 'each side has its ways'));
  const counts = ways.map((w) => w.count);
  const changes = counts.map((count, i) => count - task.sides[i]!.count);
  const quiet = ways.map((w) => w.changes);
  return {
    counts,
    changes,
    quiet,
    cost: joint.cost,
    lopsided: ways.some((w) => w.lopsided),
  };
}

/**
 * The best solution, the best of every other kind, then what is left in order of cost. Of the same base counts
 * only the cheapest is of use.
 */
function differing(solutions: readonly FitSolution[]): readonly FitSolution[] {
  const cheapest = new Map<string, FitSolution>();
  for (const s of [...solutions].sort((a, b) => a.cost - b.cost)) {
    const key = `${s.counts.join(' ')} ${s.lopsided ? 'lopsided' : ''}`;
    if (!cheapest.has(key)) cheapest.set(key, s);
  }
  const sorted = [...cheapest.values()];
  const kinds = new Set<string>();
  const first: FitSolution[] = [];
  const rest: FitSolution[] = [];
  for (const s of sorted) {
    const base = s.changes.some((c) => c !== 0) ? 'base' : '';
    const quiet = s.quiet.some((q) => q.some((c) => c !== 0)) ? 'quiet' : '';
    const kind = `${base} ${quiet} ${s.lopsided ? 'lopsided' : ''}`;
    (kinds.has(kind) ? rest : first).push(s);
    kinds.add(kind);
  }
  const chosen = [...first, ...rest].slice(0, MOST_CANDIDATES);
  return chosen.sort((a, b) => a.cost - b.cost);
}

/** Whether a solution leaves all as it is. */
export const changesNothing = ({ changes, quiet, corners }: FitSolution): boolean =>
  changes.every((c) => c === 0) && quiet.every((q) => q.every((c) => c === 0)) && corners === undefined;
