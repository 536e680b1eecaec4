/**
 * What can be done about a count that is not what it should be, each with its price and what comes of it. What is said of a
 * repair is read from the plan that it leads to.
 */
import type { Hem } from '../document/hem.ts';
import { noted, type Deed } from '../document/record.ts';
import { edit, performed, type Edit } from '../edits/edit.ts';
import { isPlain } from '../procedure/procedure.ts';
import { createPlanner, type Planner } from '../plan/planner.ts';
import { comesOutEven, workedRound, type Plan, type RoundPlan } from '../plan/types.ts';
import { takeSolution } from '../fit/apply.ts';
import { changesNothing, type FitSolution } from '../fit/fit.ts';
import { fitHem } from '../fit/open.ts';
import type { WrittenRound } from '../stack/stack.ts';
import { differences, type Cause, type Found } from './recount.ts';
import { cornerBefore, stepsOf } from './steps.ts';
import { rippedTo, stretchOf, type Left } from './progress.ts';

export interface Repair {
  readonly kind: 'rip' | 'quiet' | 'refit' | 'leave';
  /** What is noted, and what is changed in the design; both may be nothing. */
  readonly deeds: readonly Deed[];
  readonly edit: Edit | null;
  /** What is ripped out and made again. */
  readonly price: Left;
  /** For ripping: the place that is gone back to. For a quiet change: the round that makes up for it. */
  readonly made: number | null;
  readonly round: number | null;
  /** For a refit: what is to be changed, and the plan that it is told of. */
  readonly refit: { readonly solution: FitSolution; readonly plan: Plan } | null;
  /** Rounds that do not come out even then, and the worst that is said of how the border lies. */
  readonly uneven: readonly number[];
  readonly lies: 'flat' | 'blocks out' | 'not flat';
}

const NOTHING: Left = { stitches: 0, minutes: 0, metres: 0 };

/** The hem after a repair; null when it cannot be done. */
export function repaired(hem: Hem, { deeds, edit: change }: Pick<Repair, 'deeds' | 'edit'>): Hem | null {
  const outcome = change ? performed(hem, change) : { ok: true as const, value: hem };
  if (!outcome.ok) return null;
  const record = deeds.reduce((all, deed) => noted(all, deed, 'trial', hem.changed), hem.record);
  return { ...outcome.value, record };
}

/**
 * The ways to go on from a count, the cheapest first.
 *
 * @param made entries of the round that have been made
 * @param causes as {@link causesOf} gives them: where to rip back to
 */
export function repairsOf(
  plan: Plan,
  number: number,
  found: Found,
  made: number,
  causes: readonly Cause[],
): readonly Repair[] {
  const round = plan.rounds[number]!;
  const wrong = differences(round, found);
  if (wrong.every((d) => d === 0)) return [];
  const planner = createPlanner();
  const counted = countedDeeds(round, found, made);
  const candidates: readonly Omit<Repair, 'uneven' | 'lies'>[] = [
    ...quietRepairs(planner, plan, number, counted),
    ...refits(planner, plan, counted),
    { kind: 'leave', deeds: counted, edit: null, price: NOTHING, made: null, round: null, refit: null },
    ...ripping(plan, round, made, causes),
  ];
  return candidates.flatMap((candidate): readonly Repair[] => {
    const hem = repaired(plan.hem, candidate);
    return hem ? [{ ...candidate, ...outcomeOf(planner, hem) }] : [];
  });
}

/** What is noted when a count was taken: it holds from now on, and the place in hand goes with it. */
export function countedDeeds(round: RoundPlan, found: Found, made: number): readonly Deed[] {
  const named = workedRound(round);
  const off = differences(round, found).reduce((sum, d) => sum + d, 0);
  return [
    { did: 'counted', round: named, counts: round.sides.map((_, side) => found[side] ?? null) },
    ...(off === 0 ? [] : [{ did: 'made', round: named, stitches: Math.max(0, made + off) } as const]),
  ];
}

function outcomeOf(planner: Planner, hem: Hem): Pick<Repair, 'uneven' | 'lies'> {
  const then = planner(hem);
  const verdicts = then.rounds.flatMap((r) => r.sides.map((s) => s.verdict));
  return {
    uneven: then.rounds.filter((r) => !r.even).map((r) => r.number),
    lies: verdicts.every((v) => v === 'flat')
      ? 'flat'
      : verdicts.every((v) => v === 'flat' || v === 'blocks out')
        ? 'blocks out'
        : 'not flat',
  };
}

/** Back to the corner before where it went wrong, or to the beginning of the round. */
function ripping(
  plan: Plan,
  round: RoundPlan,
  made: number,
  causes: readonly Cause[],
): readonly Omit<Repair, 'uneven' | 'lies'>[] {
  const behind = causes.flatMap(({ back }) => (back > 0 ? [made - back] : []));
  const earliest = behind.length > 0 ? Math.min(...behind) : 0;
  // A slip in a corner is mended by making that corner again.
  const begins = stepsOf(plan, round.number, 'side').filter((s) => s.does === 'make' && s.from <= earliest);
  const at =
    begins.at(-1)?.where.on === 'corner'
      ? begins.at(-1)!.from
      : cornerBefore(plan, round.number, earliest + 1);
  const places = [...new Set([at, 0])].filter((p) => p < made);
  return places.map((place) => ({
    kind: 'rip',
    deeds: [rippedTo(round, place)],
    edit: null,
    price: stretchOf(round, place, made),
    made: place,
    round: round.number,
    refit: null,
  }));
}

/** What is not yet worked, fitted to what is there. */
function refits(
  planner: Planner,
  plan: Plan,
  counted: readonly Deed[],
): readonly Omit<Repair, 'uneven' | 'lies'>[] {
  const left = repaired(plan.hem, { deeds: counted, edit: null });
  if (!left) return [];
  const then = planner(left);
  if (comesOutEven(then)) return [];
  const solution = fitHem(left).solutions.find((s) => !changesNothing(s));
  if (!solution) return [];
  const stack = then.rounds.slice(1).map((r) => r.written!);
  return [
    {
      kind: 'refit',
      deeds: counted,
      edit: takeSolution(stack, solution),
      price: NOTHING,
      made: null,
      round: null,
      refit: { solution, plan: then },
    },
  ];
}

/** A stitch more or fewer on the sides that are off, in the next plain round that has not been begun. */
function quietRepairs(
  planner: Planner,
  plan: Plan,
  number: number,
  counted: readonly Deed[],
): readonly Omit<Repair, 'uneven' | 'lies'>[] {
  const left = repaired(plan.hem, { deeds: counted, edit: null });
  if (!left) return [];
  const then = planner(left);
  for (const next of plan.rounds) {
    if (next.number <= number || next.done !== null || !isPlain(plan, next.number)) continue;
    const planned = countsOf(next);
    const now = then.rounds[next.number];
    if (!now || !next.written) break;
    // What is off in the round that was counted may have grown or shrunk by then.
    const wrong = countsOf(now).map((n, side) => n - planned[side]!);
    if (wrong.every((d) => d === 0)) break;
    const change = madeUp(next.written, wrong);
    const hem = repaired(plan.hem, { deeds: counted, edit: change });
    // Not every round takes a stitch more or fewer.
    const after = hem && planner(hem).rounds[next.number];
    if (!after || countsOf(after).some((n, side) => n !== planned[side])) continue;
    return [
      {
        kind: 'quiet',
        deeds: counted,
        edit: change,
        price: NOTHING,
        made: null,
        round: next.number,
        refit: null,
      },
    ];
  }
  return [];
}

const countsOf = ({ sides }: RoundPlan): readonly number[] => sides.map((s) => s.tally.stitches);

/** As many stitches more or fewer in a worked round of an entry as are wrong on each side. */
const madeUp = ({ entry, index }: WrittenRound, wrong: readonly number[]): Edit =>
  edit('makes up for a count', (hem) => ({
    rounds: hem.rounds.map((r) => {
      if (r.id !== entry.id) return r;
      const { [String(index)]: before, ...rest } = r.changes;
      const after = wrong.map((d, side) => (before?.[side] ?? 0) - d);
      return { ...r, changes: after.some((c) => c !== 0) ? { ...rest, [String(index)]: after } : rest };
    }),
  }));
