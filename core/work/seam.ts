/** The seam that is reached next in a base round, and the ways across it, each planned to its end. */
import { crossingOf, type BaseRound } from '../base/baseRound.ts';
import { CROSSINGS, CROSSING_IDS, type CrossingId } from '../base/crossings.ts';
import type { Hem } from '../document/hem.ts';
import type { Deed } from '../document/record.ts';
import { createPlanner } from '../plan/planner.ts';
import { identityOfRound, type Plan } from '../plan/types.ts';
import { orderOfWork } from '../procedure/order.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import { countsAsStitch } from '../ring/stitch.ts';
import { sameSoFar, spotWorked, spotsMade } from './baseSoFar.ts';
import { progressOf, stepInHand } from './progress.ts';
import { apartIn, outcomeOf, repaired, seenIn, type RepairOutcome } from './repairs.ts';
import { sideInHand } from './steps.ts';

export interface SeamAhead {
  readonly side: number;
  /** Number of the seam on its side, from 0. */
  readonly join: number;
  /** Stitches that are made before it is reached. */
  readonly stitches: number;
  /** How it is crossed as things stand, and how the one before it was; null for the first. */
  readonly crossing: CrossingId;
  readonly last: CrossingId | null;
  /** Seams that follow it in the round. */
  readonly further: number;
}

export interface SeamWay extends RepairOutcome {
  readonly crossing: CrossingId;
  readonly deeds: readonly Deed[];
  readonly then: Plan;
  /** Entry of the base round to look at. */
  readonly entry: number;
  /** Stitches of its side then. */
  readonly count: number;
  readonly shows: number;
}

/** A seam is told of from so many stitches before it on: as many as make one step. */
const NEAR = 10;

/** The seam that is reached next in the base round in hand; null where none is near. */
export function seamAhead(plan: Plan): SeamAhead | null {
  const { round, begun, made } = progressOf(plan);
  const step = round?.number === 0 && begun ? stepInHand(plan, 'repeat') : null;
  const side = step && sideInHand(step);
  if (!round || typeof side !== 'number') return null;
  const { joins } = plan.body.edges[side]!;
  const order = orderOfWork(round);
  const start = proceduresOf(plan)[0]!.start?.at ?? 0;
  const last = made > 0 ? spotsMade(plan).at(-1) : undefined;
  const reached = last?.side === side ? last.spot : -1;
  const join = joins.findIndex((first) => first > reached);
  if (join < 0) return null;
  let stitches = 0;
  for (let k = made; k < order.size && stitches <= NEAR; k++) {
    const at = spotWorked(plan, k);
    if (at && (at.side !== side || at.spot >= joins[join]!)) break;
    if (countsAsStitch(order.stitch(start + k))) stitches++;
  }
  const later = joinsFrom(plan, side, join);
  const before = joinBefore(plan, side, join);
  return stitches > NEAR
    ? null
    : {
        side,
        join,
        stitches,
        crossing: crossingAt(plan, side, join),
        last: before && crossingAt(plan, ...before),
        further: later.length - 1,
      };
}

const crossingAt = ({ hem }: Plan, side: number, join: number): CrossingId =>
  crossingOf(hem.base, hem.base.sides[side]!, join);

type Join = readonly [side: number, join: number];

/** Seams from one on that are still to be crossed, in the order of the outline. */
function joinsFrom(plan: Plan, side: number, join: number): readonly Join[] {
  const begun = new Set(spotsMade(plan).map((s) => s.side));
  return plan.body.edges.flatMap(({ joins }, s) =>
    joins.flatMap((_, j): readonly Join[] => ((s === side ? j >= join : !begun.has(s)) ? [[s, j]] : [])),
  );
}

/** The seam that was crossed before one. */
function joinBefore(plan: Plan, side: number, join: number): Join | null {
  if (join > 0) return [side, join - 1];
  const begun = spotsMade(plan).findLast((s) => s.side !== side && plan.body.edges[s.side]!.joins.length > 0);
  return begun ? [begun.side, plan.body.edges[begun.side]!.joins.length - 1] : null;
}

/** Every way across the seam ahead, as they are numbered; the counts of its side follow. @param all whether those after it are crossed so, too */
export function seamWays(plan: Plan, { side, join }: SeamAhead, all: boolean): readonly SeamWay[] {
  const planner = createPlanner();
  const round = plan.rounds[0]!;
  const { made } = progressOf(plan);
  const start = proceduresOf(plan)[0]!.start?.at ?? 0;
  const joins = all ? joinsFrom(plan, side, join) : [[side, join] as const];
  return CROSSING_IDS.flatMap((crossing): readonly SeamWay[] => {
    const base = crossed(plan, joins, crossing);
    const design: Hem = { ...plan.hem, record: [], base };
    const told = planner(design);
    if (!sameSoFar(plan, told, made)) return [];
    const deed: Deed = {
      did: 'altered',
      round: identityOfRound(round),
      why: 'seam',
      entry: null,
      base,
      counts: told.rounds[0]!.sides.map((s) => s.tally.stitches),
    };
    const hem = repaired(plan.hem, { deeds: [deed], edit: null });
    if (!hem) return [];
    const then = planner(hem);
    const order = orderOfWork(then.rounds[0]!);
    let at = made;
    while (at < order.size - 1) {
      const spot = spotWorked(then, at);
      if (spot && (spot.side !== side || spot.spot >= then.body.edges[side]!.joins[join]!)) break;
      at++;
    }
    return [
      {
        crossing,
        deeds: [deed],
        then,
        entry: order.entry(start + at),
        count: then.rounds[0]!.sides[side]!.tally.stitches,
        shows: seenIn(plan, then) + apartIn(plan, then),
        ...outcomeOf(then),
      },
    ];
  });
}

/** A base round with some of its seams crossed otherwise; counts that were asked for go with them. */
function crossed({ hem: { base } }: Plan, joins: readonly Join[], crossing: CrossingId): BaseRound {
  const size = (id: CrossingId): number =>
    CROSSINGS[id].stitches(base.stitch).reduce((sum, stitches) => sum + stitches.length, 0);
  return {
    ...base,
    sides: base.sides.map((choice, side) => {
      const here = joins.flatMap(([s, j]) => (s === side ? [j] : []));
      if (here.length === 0) return choice;
      const more = here.reduce((sum, j) => sum + size(crossing) - size(crossingOf(base, choice, j)), 0);
      return {
        ...choice,
        count: choice.count === null ? null : Math.max(1, choice.count + more),
        crossings: { ...choice.crossings, ...Object.fromEntries(here.map((j) => [String(j), crossing])) },
      };
    }),
  };
}
