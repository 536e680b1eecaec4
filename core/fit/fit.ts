/**
 * Which base counts make every round come out even, and at what cost. For every side the counts in a window
 * round the flat one are tried; opposite sides are then paired, and the pairings ranked together.
 *
 * Cost of a count is the square of its distance from the flat one as a percentage, so that one stitch on a
 * short side weighs more than one on a long side; unequal opposite sides and lopsided rounds add a penalty.
 */
import type { Trial } from './trial.ts';

export interface FitSide {
  readonly name: string;
  /** Stitches along the edge now. */
  readonly count: number;
  /** Count at which the base round lies flat; need not be whole. */
  readonly flat: number;
}

export interface FitSolution {
  /** Stitches along each edge, in the order of the sides. */
  readonly counts: readonly number[];
  /** Difference from the counts in force, for each side. */
  readonly changes: readonly number[];
  /** Smaller is better; 0 is every side flat to the stitch. */
  readonly cost: number;
  readonly lopsided: boolean;
  readonly words: string;
}

export interface Fit {
  readonly solutions: readonly FitSolution[];
  /** The counts in force come out even. */
  readonly even: boolean;
  /** Index of the round that most often stands in the way, when no count in the window comes out even. */
  readonly standsInTheWay: number | null;
}

const MOST_SOLUTIONS = 6;
const KEPT_FOR_A_PAIR = 4;
const UNEQUAL_PENALTY = 1;
const LOPSIDED_PENALTY = 0.5;

/** How far round the flat count to look: a tenth of it, at least 8 and at most 40 stitches. */
export const fitWindow = (flat: number): number => Math.min(40, Math.max(8, Math.round(flat / 10)));

/** Counts within the window of a side at which every round comes out even. */
export function evenCounts(side: FitSide, trial: (count: number) => Trial): readonly number[] {
  return windowOf(side).filter((count) => trial(count).even);
}

function windowOf(side: FitSide): readonly number[] {
  const reach = fitWindow(side.flat);
  const first = Math.max(1, Math.round(side.flat) - reach);
  return Array.from({ length: 2 * reach + 1 }, (_, i) => first + i);
}

interface Pairing {
  readonly sides: readonly number[];
  readonly counts: readonly number[];
  readonly cost: number;
}

/**
 * Ranks the ways in which all rounds come out even.
 *
 * @param opposite pairs of side numbers that should agree; sides in no pair stand alone
 * @returns at most six solutions, best first, and after them the counts in force when they come out even; none when a side has no even count in its window
 */
export function fitBase(
  sides: readonly FitSide[],
  opposite: readonly (readonly [number, number])[],
  trial: (count: number) => Trial,
): Fit {
  const paired = new Set(opposite.flat());
  const groups: readonly (readonly number[])[] = [
    ...opposite,
    ...sides.flatMap((_, i) => (paired.has(i) ? [] : [[i]])),
  ];
  const options = groups.map((group) => pairings(group, sides, trial));
  const even = sides.every((side) => trial(side.count).even);
  const kept = sides.map((side) => side.count);
  if (options.some((o) => o.length === 0)) {
    return { solutions: [], even, standsInTheWay: commonestStop(sides, trial) };
  }
  let combined: readonly Pairing[] = [{ sides: [], counts: [], cost: 0 }];
  for (const option of options) {
    combined = combined
      .flatMap((a) =>
        option.map((b) => ({
          sides: [...a.sides, ...b.sides],
          counts: [...a.counts, ...b.counts],
          cost: a.cost + b.cost,
        })),
      )
      .sort((a, b) => a.cost - b.cost)
      .slice(0, MOST_SOLUTIONS);
  }
  const solutions = combined.map((c) => solution(c, sides, trial));
  if (even && !solutions.some((s) => s.changes.every((c) => c === 0))) {
    const cost = groups.reduce(
      (sum, group) =>
        sum +
        costOfGroup(
          group,
          sides,
          group.map((i) => kept[i]!),
          trial,
        ),
      0,
    );
    solutions.push(solution({ sides: sides.map((_, i) => i), counts: kept, cost }, sides, trial));
  }
  return { solutions, even, standsInTheWay: null };
}

function pairings(
  group: readonly number[],
  sides: readonly FitSide[],
  trial: (count: number) => Trial,
): readonly Pairing[] {
  const [first, second] = group.map((i) => evenCounts(sides[i]!, trial));
  const counts = second ? first!.flatMap((a) => second.map((b) => [a, b])) : first!.map((a) => [a]);
  const found = counts.map((c) => ({ sides: group, counts: c, cost: costOfGroup(group, sides, c, trial) }));
  return found.sort((a, b) => a.cost - b.cost).slice(0, KEPT_FOR_A_PAIR);
}

/** Cost of the counts of one side, or of two that face each other. */
function costOfGroup(
  group: readonly number[],
  sides: readonly FitSide[],
  counts: readonly number[],
  trial: (count: number) => Trial,
): number {
  const alone = group.reduce((sum, side, i) => sum + costOf(sides[side]!, counts[i]!, trial), 0);
  const apart = group.length === 2 ? Math.abs(counts[0]! - counts[1]!) : 0;
  return alone + (apart === 0 ? 0 : UNEQUAL_PENALTY + apart);
}

function costOf(side: FitSide, count: number, trial: (count: number) => Trial): number {
  const percent = (100 * (count - side.flat)) / side.flat;
  return percent * percent + (trial(count).lopsided ? LOPSIDED_PENALTY : 0);
}

function solution(p: Pairing, sides: readonly FitSide[], trial: (count: number) => Trial): FitSolution {
  const counts = sides.map((_, i) => p.counts[p.sides.indexOf(i)]!);
  const changes = counts.map((count, i) => count - sides[i]!.count);
  return {
    counts,
    changes,
    cost: p.cost,
    lopsided: counts.some((count) => trial(count).lopsided),
    words: changeWords(
      changes,
      sides.map((s) => s.name),
    ),
  };
}

/**
 * A change of counts as one would say it.
 *
 * @example changeWords([1, 0, 1, 0], ['A', 'B', 'C', 'D']) // '+1 on A and C'
 */
export function changeWords(changes: readonly number[], names: readonly string[]): string {
  const bySize = new Map<number, string[]>();
  changes.forEach((change, i) => {
    if (change !== 0) bySize.set(change, [...(bySize.get(change) ?? []), names[i]!]);
  });
  if (bySize.size === 0) return 'As it is';
  return [...bySize]
    .map(([change, on]) => {
      const all = on.length === names.length && on.length > 2 ? 'every side' : on.join(' and ');
      return `${change > 0 ? '+' : '−'}${Math.abs(change)} on ${all}`;
    })
    .join(', ');
}

function commonestStop(sides: readonly FitSide[], trial: (count: number) => Trial): number | null {
  const stops = new Map<number, number>();
  for (const side of sides) {
    for (const count of windowOf(side)) {
      const { stopsAt } = trial(count);
      if (stopsAt >= 0) stops.set(stopsAt, (stops.get(stopsAt) ?? 0) + 1);
    }
  }
  return [...stops].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}
