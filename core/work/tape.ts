/**
 * Will it lie? One reading of the tape, after the first ten centimetres of a round, tells how the whole border will lie before
 * it is made: stitches laid flat are longer or shorter than the edge beneath them. What the plan expects is a second, weaker
 * voice: both are normal as logarithms, and are joined by their precisions. The ways on are planned to their end.
 */
import type { BaseRound } from '../base/baseRound.ts';
import type { Hem, WorkEvent } from '../document/hem.ts';
import { compareEvents, standing, type Deed } from '../document/record.ts';
import { performed, type Edit } from '../edits/edit.ts';
import { takeSolution } from '../edits/solution.ts';
import type { FitSolution } from '../fit/fit.ts';
import { fitHem } from '../fit/open.ts';
import { FLAT_LIMITS } from '../flat/flat.ts';
import { normalUpTo } from '../hands/flatness.ts';
import { RANGE } from '../hands/ratio.ts';
import { createPlanner } from '../plan/planner.ts';
import { widthErrorOf } from '../plan/observed.ts';
import {
  identityOfRound,
  isRound,
  planComesOutEven,
  sidesWorked,
  writtenOf,
  type Plan,
  type RoundPlan,
} from '../plan/types.ts';
import { orderOfWork } from '../procedure/order.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import { countsAsStitch } from '../ring/stitch.ts';
import { sameSoFar, spotsMade } from './baseSoFar.ts';
import { comesFree, progressOf, rippedTo, stretchLeft, type Left } from './progress.ts';
import { outcomeOf, repaired, type RepairOutcome } from './repairs.ts';
import { sideInHand, stepAt, stepsOf } from './steps.ts';

type Gauged = Extract<WorkEvent, { did: 'gauged' }>;

/** Length after which the tape is asked for, mm. */
const FIRST_MM = 100;
/** A round is measured anew where it lies otherwise than the one below by so much. */
const CHANGES_IT = 0.015;
/** One standard deviation of a length that is read with care off a tape, both ends together, mm. */
const READ_MM = 1.5;
/** How far what a plan expects is off, beyond the width of a stitch: a logarithm. */
const MODEL = 0.04;
/** Said to be sure from such a chance on: for makers of whom a third voice knows nothing it held 97 times in 100 (tape.test.ts). */
const SURE = 0.8;

export type Lies = 'flat' | 'ripples' | 'cups';

export interface Tape {
  readonly round: number;
  readonly side: number;
  /** Of what was measured, by the tape and what the plan expects: from low to high nine times in ten. */
  readonly strain: number;
  readonly low: number;
  readonly high: number;
  /** How it will lie if it goes on like this; null where that cannot be told yet. */
  readonly lies: Lies | null;
  /** Rounds that will be seen to lie so, if all goes on as planned: the first of them; null for none. */
  readonly from: number | null;
}

export interface TapeWay extends RepairOutcome {
  readonly kind: 'rip' | 'from here' | 'next side' | 'wait';
  readonly deeds: readonly Deed[];
  /** Change of the design that goes with it, once what is ripped is off; null where it stays. */
  readonly edit: Edit | null;
  readonly price: Left;
  readonly then: Plan | null;
  /** Strain that is left of the worst side, by the tape. */
  readonly strain: number;
}

/** Stitches that make ten centimetres. */
export const firstStitches = (round: RoundPlan): number =>
  Math.max(2, Math.round(FIRST_MM / round.stitchWidthMm));

/** The reading of the round in hand; null before there is one. */
function readingOf({ hem }: Plan, round: RoundPlan): Gauged | null {
  const { stitches = 0 } = round.done ?? {};
  return (
    standing(hem.record).findLast(
      (e): e is Gauged => e.did === 'gauged' && isRound(round, e.round) && e.made <= stitches,
    ) ?? null
  );
}

/** Whether the tape is asked for: once for a round that changes how the border lies, on its first side, from ten centimetres on. */
export function isTapeAsked(plan: Plan): boolean {
  const { round, begun, made } = progressOf(plan);
  if (!round || !begun || round.free || readingOf(plan, round)) return false;
  const steps = stepsOf(plan, round.number, 'side');
  const first = steps.find((s) => s.does === 'make' && s.where.on === 'side');
  const now = stepAt(steps, made);
  const side = sideInHand(now);
  if (!first || side === null || now.act !== first.act) return false;
  const below = plan.rounds[round.onto];
  const changes = below ? round.sides[side]!.strain - below.sides[side]!.strain : 1;
  return (
    Math.abs(changes) >= CHANGES_IT && stitchesOnSide(plan, round, now.from, made) >= firstStitches(round)
  );
}

function stitchesOnSide(plan: Plan, round: RoundPlan, from: number, to: number): number {
  const order = orderOfWork(round);
  const first = proceduresOf(plan)[round.number]!.start?.at ?? 0;
  let count = 0;
  for (let k = from; k < to; k++) if (countsAsStitch(order.stitch(first + k))) count++;
  return count;
}

/** A reading to note. @param longMm of the stitches, laid flat @param beneathMm of the edge beneath them */
export function gauged(plan: Plan, stitches: number, longMm: number, beneathMm: number): Deed | null {
  const { round, made } = progressOf(plan);
  const side = round && sideInHand(stepAt(stepsOf(plan, round.number, 'side'), made));
  if (!round || typeof side !== 'number') return null;
  const named = identityOfRound(round);
  return {
    did: 'gauged',
    round: named,
    side,
    made,
    stitches,
    longCm: longMm / 10,
    beneathCm: beneathMm / 10,
  };
}

/** Where the rule of thumb has it seen, and these hands. */
const seenFrom = ({ flat }: Plan): number => Math.sqrt(FLAT_LIMITS.flat * FLAT_LIMITS.blocks) * flat.ratio;

/** Finding of the tape for the round in hand; null without a reading of it. */
export function tapeOf(plan: Plan): Tape | null {
  const { round } = progressOf(plan);
  const reading = round && readingOf(plan, round);
  if (!round || !reading) return null;
  // It was of other counts.
  const isPast = ({ did, id, round: of }: WorkEvent): boolean =>
    did === 'altered' && isRound(round, of) && compareEvents({ id: reading.id }, { id }) < 0;
  if (standing(plan.hem.record).some(isPast)) return null;
  const { longCm, beneathCm, side } = reading;
  const expected = Math.log(Math.max(0.05, 1 + round.sides[side]!.strain));
  const unsure = Math.hypot(widthErrorOf(plan.hem), MODEL);
  const read = Math.log(longCm / beneathCm);
  const error = Math.hypot(READ_MM / (10 * longCm), READ_MM / (10 * beneathCm));
  const [a, b] = [1 / unsure ** 2, 1 / error ** 2];
  const mean = (a * expected + b * read) / (a + b);
  const spread = Math.sqrt(1 / (a + b));
  const at = (z: number): number => Math.exp(mean + z * spread) - 1;
  const limit = seenFrom(plan);
  const ripples = 1 - normalUpTo((Math.log(1 + limit) - mean) / spread);
  const cups = normalUpTo((Math.log(1 - limit) - mean) / spread);
  const lies: Lies | null =
    ripples >= SURE ? 'ripples' : cups >= SURE ? 'cups' : 1 - ripples - cups >= SURE ? 'flat' : null;
  const shift = Math.exp(mean - expected);
  const shown = plan.rounds.find(
    (r) =>
      r.number >= round.number &&
      !r.free &&
      r.sides.some(({ strain }) => Math.abs((1 + strain) * shift - 1) > limit),
  );
  return {
    round: round.number,
    side,
    strain: at(0),
    low: at(-RANGE),
    high: at(RANGE),
    lies,
    from: shown?.number ?? null,
  };
}

/** By how much all sides are longer than planned, as a factor. */
const shiftOf = (plan: Plan, tape: Tape): number =>
  (1 + tape.strain) / Math.max(0.05, 1 + plan.rounds[tape.round]!.sides[tape.side]!.strain);

const NOTHING: Left = { stitches: 0, minutes: 0, metres: 0 };

/**
 * Ways on from a reading after which the border would not lie flat: ripping what is there of the round, other counts from here or
 * from the next corner on, or waiting. Other counts are those of the fit, for stitches as wide as the tape has them.
 */
export function tapeWays(plan: Plan, tape: Tape): readonly TapeWay[] {
  const { round, made } = progressOf(plan);
  if (!round || tape.lies === 'flat') return [];
  const shift = shiftOf(plan, tape);
  const worst = (then: Plan): number =>
    Math.max(
      ...then.rounds
        .filter((r) => !r.free)
        .flatMap((r) => r.sides.map((s) => Math.abs((1 + s.strain) * shift - 1))),
    );
  const price = comesFree(stretchLeft(plan, round, 0, made));
  const rip: TapeWay = {
    kind: 'rip',
    deeds: [rippedTo(plan, round, 0)],
    edit: null,
    price,
    then: null,
    strain: worst(plan),
    ...outcomeOf(plan),
  };
  const wait: TapeWay = { ...rip, kind: 'wait', deeds: [], price: NOTHING };
  if (round.number > 0) return [rip, wait];
  const solution = flatSolution(plan, shift);
  if (!solution) return [rip, wait];
  const planner = createPlanner();
  const design: Hem = { ...plan.hem, record: [] };
  const edit = takeSolution(
    plan.rounds.slice(1).map((r) => writtenOf(r)),
    solution,
  );
  const changed = performed(design, edit);
  if (!changed.ok) return [rip, wait];
  const planned = planner(changed.value);
  if (!planComesOutEven(planned)) return [rip, wait];
  const afresh = { ...rip, edit, then: planned, strain: worst(planned), ...outcomeOf(planned) };
  if (solution.quiet.some((q) => q.some((c) => c !== 0)) || solution.corners) return [afresh, wait];
  const flat = changed.value.base;
  const ways = (['from here', 'next side'] as const).flatMap((kind): readonly TapeWay[] => {
    const base = keptSoFar(plan, flat, tape.side, kind === 'next side');
    const told = base && planner({ ...design, base });
    if (!told || !planComesOutEven(told) || !sameSoFar(plan, told, made)) return [];
    const deed: Deed = {
      did: 'altered',
      round: identityOfRound(round),
      why: 'tape',
      entry: null,
      base,
      counts: told.rounds[0]!.sides.map((s) => s.tally.stitches),
    };
    const hem = repaired(plan.hem, { deeds: [deed], edit: null });
    const then = hem && planner(hem);
    return then
      ? [{ kind, deeds: [deed], edit: null, price: NOTHING, then, strain: worst(then), ...outcomeOf(then) }]
      : [];
  });
  return [...ways, afresh, wait];
}

/** Counts at which a border of stitches so much wider lies flattest and every round fits; null where they are those that it has. */
function flatSolution(plan: Plan, shift: number): FitSolution | null {
  const { hem, sides, rounds } = plan;
  const worked = new Set(sidesWorked(plan));
  const wanted = sides.map(({ count }, s) =>
    worked.has(s) ? Math.max(1, Math.round(count / ((1 + rounds[0]!.sides[s]!.strain) * shift))) : count,
  );
  const { gauge } = hem;
  const moved: Hem = {
    ...hem,
    record: [],
    gauge: { ...gauge, stitchesPer10Cm: gauge.stitchesPer10Cm / shift },
    base: { ...hem.base, sides: hem.base.sides.map((s, i) => ({ ...s, count: wanted[i]! })) },
  };
  const [best] = fitHem(moved).solutions;
  const changes = best?.counts.map((n, i) => n - sides[i]!.count) ?? [];
  return best && changes.some((c) => c !== 0) ? { ...best, changes } : null;
}

/** A base round whose side in hand stays as it is, as far as it is made, or all of it; null where nothing would change. */
function keptSoFar(plan: Plan, flat: BaseRound, side: number, whole: boolean): BaseRound | null {
  const { hem, sides } = plan;
  const spots = spotsMade(plan);
  const here = spots.flatMap((s) => (s.side === side ? [s.spot] : []));
  if (here.length === 0 || here.length < spots.length) return null;
  const [from, to] = [Math.min(...here), Math.max(...here)];
  const own = hem.base.sides[side]!;
  const { placement } = sides[side]!;
  const kept = Object.fromEntries(
    Array.from({ length: to - from + 1 }, (_, k) => [String(from + k), placement[from + k]!]),
  );
  // What is there is there; the rest makes up for it.
  const { count } = sides[side]!;
  const mine = whole
    ? { ...own, count }
    : { ...own, count: flat.sides[side]!.count, spots: { ...own.spots, ...kept } };
  return { ...flat, sides: flat.sides.map((s, i) => (i === side ? mine : s)) };
}
