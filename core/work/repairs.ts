/**
 * Repairs of a count that is not what it should be, each with its price and outcome. What is said of a
 * repair is read from the plan that it leads to.
 *
 * The price is what a maker would mind, in minutes: those of what is ripped and made again, and for what is seen of it
 * {@link MINUTES_SEEN} for every unit of fit/cost.ts. Cheapest of all is, of those after which every round fits, the one
 * with the lowest price: changes that are not ripped are those of the fit, which is proved best, or one that brings back the
 * counts of the design, or makes sides that face each other alike, in a single round.
 */
import { held } from '../held.ts';
import { VISIBILITY } from '../fit/cost.ts';
import type { Hem } from '../document/hem.ts';
import { noted, type Deed } from '../document/record.ts';
import { adjustmentsBy, makeUpFor, withdrawn } from '../edits/adjustments.ts';
import { performed, type Edit } from '../edits/edit.ts';
import { isPlainRound, proceduresOf } from '../procedure/procedure.ts';
import { orderOfWork } from '../procedure/order.ts';
import { createPlanner, type Planner } from '../plan/planner.ts';
import { planComesOutEven, identityOfRound, type Plan, type RoundPlan, writtenOf } from '../plan/types.ts';
import { takeSolution } from '../edits/solution.ts';
import { changesNothing, type FitSolution } from '../fit/fit.ts';
import { fitHem } from '../fit/open.ts';
import { oppositeSides } from '../piece/symmetry.ts';
import { sideSpan } from '../ring/ring.ts';
import { countsAsStitch } from '../ring/stitch.ts';
import { quietChange } from '../stack/stack.ts';
import { differences, type Cause, type SideCounts } from './recount.ts';
import { previousCorner, stepsOf } from './steps.ts';
import { comesFree, rippedTo, stretchLeft, type Left } from './progress.ts';

/** Worth of one unit of visibility, in minutes of work. A judgement. */
const MINUTES_SEEN = 10;
/** Stitches that can be worked into the last place before a corner, or taken together there, without it being seen. */
const MOST_FUDGED = 2;

/** Something that can be done, before it is known what comes of it. */
interface Way {
  readonly kind: 'rip' | 'quiet' | 'fudge' | 'refit' | 'leave';
  /** Deeds to note and a change of the design; both may be nothing. */
  readonly deeds: readonly Deed[];
  readonly edit: Edit | null;
  /** Stitches that are ripped out and made again; of its yarn, what comes free. */
  readonly price: Left;
  /** For ripping: the place that is gone back to. */
  readonly made: number | null;
  /** For a quiet change: the round that makes up for it. For ripping and a fudge: the round in hand. */
  readonly round: number | null;
  /** For a fudge: the side, and the stitches that it is short of, or over when below 0. */
  readonly fudge: { readonly side: number; readonly more: number } | null;
  /** For a refit: what is to be changed, and the plan that it is told of. */
  readonly refit: { readonly solution: FitSolution; readonly plan: Plan } | null;
}

/** Outcome of a plan: rounds that do not come out even, and the worst that is said of how the border lies. */
export interface RepairOutcome {
  readonly uneven: readonly number[];
  readonly lies: 'flat' | 'blocks out' | 'not flat';
}

export interface Repair extends Way, RepairOutcome {
  /** The plan that it leads to, and where in it the change is. */
  readonly then: Plan;
  readonly place: { readonly round: number; readonly entry: number };
  /** How much is seen of it; 0 is nothing. Of the unit of fit/cost.ts. */
  readonly shows: number;
}

const NOTHING: Left = { stitches: 0, minutes: 0, metres: 0 };
const NO_WAY: Omit<Way, 'kind' | 'deeds'> = {
  edit: null,
  price: NOTHING,
  made: null,
  round: null,
  fudge: null,
  refit: null,
};

/** The hem after a repair; null when it cannot be done. */
export function repaired(hem: Hem, { deeds, edit: change }: Pick<Way, 'deeds' | 'edit'>): Hem | null {
  const outcome = change ? performed(hem, change) : { ok: true as const, value: hem };
  if (!outcome.ok) return null;
  const record = deeds.reduce((all, deed) => noted(all, deed, 'trial', hem.changed), hem.record);
  return { ...outcome.value, record };
}

/** Price of a repair, minutes. */
export const priceOf = ({ price, shows }: { readonly price?: Left; readonly shows: number }): number =>
  (price?.minutes ?? 0) + MINUTES_SEEN * shows;

type Ranked = RepairOutcome & Parameters<typeof priceOf>[0];

/** Order of ways to go on: those after which every round fits, of these the flattest, of these the cheapest. */
export function byRank(a: Ranked, b: Ranked): number {
  const rank = (r: Ranked): readonly number[] => [Math.min(1, r.uneven.length), FLATNESS[r.lies], priceOf(r)];
  const [ra, rb] = [rank(a), rank(b)];
  return ra.map((x, i) => x - rb[i]!).find((d) => d !== 0) ?? 0;
}

export function outcomeOf(then: Plan): RepairOutcome {
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

const FLATNESS = { flat: 0, 'blocks out': 1, 'not flat': 2 } as const;

/**
 * The ways to go on from a count: first those after which every round fits, of these the flattest, of these the cheapest.
 *
 * @param made entries of the round that have been made
 * @param causes as {@link causesOf} gives them: where to rip back to
 */
export function repairsOf(
  plan: Plan,
  number: number,
  found: SideCounts,
  made: number,
  causes: readonly Cause[],
): readonly Repair[] {
  const round = plan.rounds[number]!;
  const wrong = differences(round, found);
  if (wrong.every((d) => d === 0)) return [];
  const planner = createPlanner();
  const counted = countedDeeds(round, found, made);
  const by = (how: 'quiet' | 'fudge' | 'refit' | 'leave', change: Edit | null = null): Deed => ({
    did: 'repaired',
    round: identityOfRound(round),
    by: how,
    off: wrong,
    adjusted: change ? adjustmentsBy(plan.hem, change) : [],
  });
  const ways: readonly Way[] = [
    ...fudges(plan, round, found, made).map((w) => ({ ...w, deeds: [...w.deeds, by('fudge')] })),
    ...quietWays(planner, plan, number, counted).map((w) => ({
      ...w,
      deeds: [...w.deeds, by('quiet', w.edit)],
    })),
    ...refits(planner, plan, counted).map((w) => ({ ...w, deeds: [...w.deeds, by('refit', w.edit)] })),
    { ...NO_WAY, kind: 'leave', deeds: [...counted, by('leave')] },
    ...ripping(plan, round, made, causes),
  ];
  return ways
    .flatMap((way): readonly Repair[] => {
      const hem = repaired(plan.hem, way);
      return hem ? [withOutcome(plan, planner(hem), way, number, wrong)] : [];
    })
    .sort(byRank);
}

/** Deeds to note when a count was taken: it holds from now on, and the place in hand goes with it. */
export function countedDeeds(round: RoundPlan, found: SideCounts, made: number): readonly Deed[] {
  const named = identityOfRound(round);
  const off = differences(round, found).reduce((sum, d) => sum + d, 0);
  return [
    { did: 'counted', round: named, counts: round.sides.map((_, side) => found[side] ?? null) },
    ...(off === 0 ? [] : [{ did: 'made', round: named, stitches: Math.max(0, made + off) } as const]),
  ];
}

function withOutcome(plan: Plan, then: Plan, way: Way, number: number, wrong: readonly number[]): Repair {
  return {
    ...way,
    ...outcomeOf(then),
    then,
    place: placeOf(plan, then, way, number, wrong),
    shows:
      way.kind === 'fudge'
        ? VISIBILITY.plain(
            held(way.fudge, 'this way has a change to make').more,
            number === plan.rounds.length - 1,
          )
        : seenIn(plan, then) + apartIn(plan, then),
  };
}

/** How much is seen of what one plan does otherwise than another in rounds that have not been begun. */
export function seenIn(before: Plan, after: Plan): number {
  let seen = 0;
  for (const { written, number, done, sides } of after.rounds) {
    const was = before.rounds[number];
    if (!written || !was?.written || done) continue;
    const isLast = number === after.rounds.length - 1;
    const plain = isPlainRound(after, number);
    sides.forEach(({ fit }, side) => {
      const change = quietChange(written, side) - quietChange(writtenOf(was), side);
      if (change !== 0) seen += plain ? VISIBILITY.plain(change, isLast) : VISIBILITY.skip(change, isLast);
      if (fit?.lopsided && !was.sides[side]?.fit?.lopsided) seen += VISIBILITY.lopsided;
    });
  }
  return seen;
}

/** Sides that face each other and differ by more than in the design in the outermost round that both have. */
export function facingApart(
  before: Plan,
  after: Plan,
): readonly { readonly sides: readonly [number, number]; readonly by: number }[] {
  const k = Math.min(before.rounds.length, after.rounds.length) - 1;
  const [was, is] = [countsOf(before.rounds[k]!), countsOf(after.rounds[k]!)];
  return oppositeSides(before.body).flatMap(([a, b]) => {
    const by = is[a]! - is[b]!;
    return Math.abs(by) > Math.abs(was[a]! - was[b]!) ? [{ sides: [a, b] as const, by }] : [];
  });
}

/** How much is seen of sides that face each other and differ. */
export const apartIn = (before: Plan, after: Plan): number =>
  facingApart(before, after).reduce(
    (sum, { by }) => sum + VISIBILITY.unequal + VISIBILITY.unequalStitch * Math.abs(by),
    0,
  );

/** Where to look for what a repair does. */
function placeOf(
  plan: Plan,
  then: Plan,
  way: Way,
  number: number,
  wrong: readonly number[],
): Repair['place'] {
  const side = Math.max(
    0,
    wrong.findIndex((d) => d !== 0),
  );
  const middle = (k: number): Repair['place'] => {
    const { ring } = then.rounds[k]!;
    const { start, length } = sideSpan(ring, side);
    return { round: k, entry: (start + (length >> 1)) % ring.made.length };
  };
  if (way.made !== null && way.round !== null) {
    const round = then.rounds[way.round];
    // A round that the design no longer has is gone with what was ripped of it.
    if (!round) return { round: then.rounds.length - 1, entry: 0 };
    const first = proceduresOf(then)[way.round]!.start?.at ?? 0;
    return { round: way.round, entry: orderOfWork(round).entry(first + Math.max(0, way.made - 1)) };
  }
  if (way.edit) {
    const changed = then.rounds.find(({ written, number: k }) => {
      const was = plan.rounds[k]?.written;
      return written && was && wrong.some((_, s) => quietChange(written, s) !== quietChange(was, s));
    });
    for (const act of changed ? proceduresOf(then)[changed.number]!.acts : []) {
      if (act.do === 'side' && act.along.into === 'each' && act.along.changes.length > 0) {
        const at = act.along.changes[0]!.worked.start;
        return {
          round: held(changed, 'what is changed was found').number,
          entry: orderOfWork(held(changed, 'what is changed was found')).entry(at),
        };
      }
    }
    if (changed) return middle(changed.number);
  }
  return middle(number);
}

/**
 * Stitches added in the last place before the corner, or taken together there, as long as the work has not gone further
 * than that corner: the count is then as it should be.
 */
function fudges(plan: Plan, round: RoundPlan, found: SideCounts, made: number): readonly Way[] {
  const wrong = differences(round, found);
  const side = wrong.findIndex((d) => d !== 0);
  const more = -wrong[side]!;
  if (
    round.done?.finished !== false ||
    wrong.some((d, other) => d !== 0 && other !== side) ||
    Math.abs(more) > MOST_FUDGED ||
    !(round.number === 0 || isPlainRound(plan, round.number))
  )
    return [];
  const last = stepsOf(plan, round.number, 'side').findLast((s) => s.does === 'make' && s.from < made);
  const steps = stepsOf(plan, round.number, 'side');
  const at = last?.where.on === 'corner' ? steps[steps.indexOf(last) - 1] : last;
  if (at?.where.on !== 'side' || at.where.side !== side || at.to > made) return [];
  const end = at.to;
  const order = orderOfWork(round);
  const first = proceduresOf(plan)[round.number]!.start?.at ?? 0;
  // The stitches that are taken together are made again.
  const back = end - (more < 0 ? 2 * -more : 0);
  for (let k = Math.min(back, end - 1); k < end; k++)
    if (k < at.from || !countsAsStitch(order.stitch(first + k))) return [];
  const named = identityOfRound(round);
  const counts = round.sides.map(({ tally }, s) => (s === side ? tally.stitches : (found[s] ?? null)));
  return [
    {
      ...NO_WAY,
      kind: 'fudge',
      deeds: [
        ...(back < made ? [rippedTo(plan, round, back)] : []),
        { did: 'made', round: named, stitches: end },
        { did: 'counted', round: named, counts },
      ],
      price: comesFree(stretchLeft(plan, round, back, made)),
      made: end,
      round: round.number,
      fudge: { side, more },
    },
  ];
}

/** Back to the corner before where it went wrong, or to the beginning of the round. */
function ripping(plan: Plan, round: RoundPlan, made: number, causes: readonly Cause[]): readonly Way[] {
  const worthRipping = causes.filter((c) => c.slip.kind !== 'miscount' && c.likelihood !== 'less likely');
  const behind = (worthRipping.length > 0 ? worthRipping : causes).flatMap(({ back }) =>
    back > 0 ? [made - back] : [],
  );
  const earliest = behind.length > 0 ? Math.min(...behind) : 0;
  // A slip in a corner is mended by making that corner again.
  const begins = stepsOf(plan, round.number, 'side').filter((s) => s.does === 'make' && s.from <= earliest);
  const at =
    begins.at(-1)?.where.on === 'corner'
      ? held(begins.at(-1), 'a round that was begun has a beginning').from
      : previousCorner(plan, round.number, earliest + 1);
  // What the round begins with is no place of its own to go back to.
  const begun = stepsOf(plan, round.number, 'side')[0]!.to;
  const places = [...new Set([at <= begun ? 0 : at, 0])].filter((p) => p < made);
  return places.map((place) => ({
    ...rip(plan, round, place),
    price: comesFree(stretchLeft(plan, round, place, made)),
    made: place,
    round: round.number,
  }));
}

/** Changes for counts that come off are taken back with them. */
function rip(plan: Plan, round: RoundPlan, place: number): Way {
  const deed = rippedTo(plan, round, place);
  const record = noted(plan.hem.record, deed, 'trial', plan.hem.changed);
  return { ...NO_WAY, kind: 'rip', deeds: [deed], edit: withdrawn(plan.hem, record) };
}

/** The rounds that are not yet worked, fitted to what is there. */
function refits(planner: Planner, plan: Plan, counted: readonly Deed[]): readonly Way[] {
  const left = repaired(plan.hem, { deeds: counted, edit: null });
  if (!left) return [];
  const then = planner(left);
  if (planComesOutEven(then)) return [];
  const stack = then.rounds.slice(1).map((r) => writtenOf(r));
  const ways = fitHem(left)
    .solutions.filter((s) => !changesNothing(s))
    .map((solution): Way => ({
      ...NO_WAY,
      kind: 'refit',
      deeds: counted,
      edit: takeSolution(stack, solution),
      refit: { solution, plan: then },
    }));
  const [best] = ways
    .flatMap((way) => {
      const hem = repaired(plan.hem, way);
      if (!hem) return [];
      const planned = planner(hem);
      return [{ way, seen: seenIn(plan, planned) + apartIn(plan, planned) }];
    })
    .sort((a, b) => a.seen - b.seen);
  return best ? [best.way] : [];
}

/**
 * Stitches more or fewer on the sides that are off, in the next plain round that has not been begun: as many as bring back the design;
 * where not every round fits then, as many as bring them to the sides that face them, if every round does.
 */
function quietWays(planner: Planner, plan: Plan, number: number, counted: readonly Deed[]): readonly Way[] {
  const left = repaired(plan.hem, { deeds: counted, edit: null });
  if (!left) return [];
  const then = planner(left);
  const changedTo = (next: RoundPlan, counts: readonly number[]): readonly { way: Way; then: Plan }[] => {
    const now = countsOf(then.rounds[next.number]!);
    const { entry, index } = writtenOf(next);
    const change = makeUpFor(
      entry.id,
      index,
      now.map((n, side) => counts[side]! - n),
    );
    const hem = repaired(plan.hem, { deeds: counted, edit: change });
    const made = hem && planner(hem);
    // Not every round takes a stitch more or fewer.
    if (!made || countsOf(made.rounds[next.number]!).some((n, side) => n !== counts[side])) return [];
    return [
      { way: { ...NO_WAY, kind: 'quiet', deeds: counted, edit: change, round: next.number }, then: made },
    ];
  };
  for (const next of plan.rounds) {
    if (next.number <= number || next.done !== null || !isPlainRound(plan, next.number)) continue;
    const planned = countsOf(next);
    const now = then.rounds[next.number];
    if (!now || !next.written) break;
    // What is off in the round that was counted may have grown or shrunk by then.
    const off = countsOf(now).map((n, side) => n !== planned[side]);
    if (!off.includes(true)) break;
    const [back] = changedTo(next, planned);
    if (!back) continue;
    if (planComesOutEven(back.then)) return [back.way];
    const facing = new Map(oppositeSides(plan.body).flatMap(([a, b]) => [[a, b] as const, [b, a] as const]));
    const alike = planned.map((n, side) => (off[side] ? (planned[facing.get(side) ?? side] ?? n) : n));
    const even = changedTo(next, alike).filter((changed) => planComesOutEven(changed.then));
    return [back, ...even].map(({ way }) => way);
  }
  return [];
}

const countsOf = ({ sides }: RoundPlan): readonly number[] => sides.map((s) => s.tally.stitches);
