/** How far the work on a border is: the round in hand, the place in it, and what is left. */
import { yarnOf } from '../document/hem.ts';
import type { Deed } from '../document/record.ts';
import { identityOfRound, type Plan, type RoundPlan } from '../plan/types.ts';
import { orderOfWork } from '../procedure/order.ts';
import { movementsInRing } from '../hands/pace.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import { stretchOf } from '../procedure/stretch.ts';
import { countsAsStitch } from '../ring/stitch.ts';
import { finishedSides } from './sides.ts';
import { stepAt, stepsOf, type WorkStep, type Stride } from './steps.ts';

export interface Progress {
  /** The round in hand; null when all are finished. */
  readonly round: RoundPlan | null;
  /** It has been begun. */
  readonly begun: boolean;
  /** Entries made of it. */
  readonly made: number;
  /** Part of the whole border that is made, by its stitches, 0 to 1. */
  readonly part: number;
}

export function progressOf({ rounds }: Plan): Progress {
  const round = rounds.find((r) => !r.done?.finished) ?? null;
  const all = rounds.reduce((sum, r) => sum + r.ring.made.length, 0);
  const before = rounds.reduce((sum, r) => sum + (r.done?.finished ? r.ring.made.length : 0), 0);
  const made = Math.min(round?.done?.stitches ?? 0, round?.ring.made.length ?? 0);
  return {
    round,
    begun: round?.done !== null && round !== null,
    made,
    part: all === 0 ? 0 : (before + made) / all,
  };
}

/** Whether anything of the border is there: what was ripped out to the last stitch is not. */
export const isUnderWay = ({ rounds }: Plan): boolean => rounds.some((round) => round.done !== null);

/** The step in hand; null when the border is finished. */
export function stepInHand(plan: Plan, stride: Stride): WorkStep | null {
  const { round, begun, made } = progressOf(plan);
  if (!round) return null;
  const steps = stepsOf(plan, round.number, stride);
  return begun ? restOfStep(plan, round, stepAt(steps, made), made) : steps[0]!;
}

/** Rest of a step from a place on: another stride may have been chosen within it, or a count have moved the place. */
function restOfStep(plan: Plan, round: RoundPlan, step: WorkStep, made: number): WorkStep {
  if (step.does !== 'make' || made <= step.from) return step;
  if (step.then && made >= step.then.from) return { ...step.then, from: made };
  const { turn } = step;
  if (turn?.of !== 'stitches') return { ...step, from: made };
  const order = orderOfWork(round);
  const first = proceduresOf(plan)[round.number]!.start?.at ?? 0;
  let done = 0;
  for (let k = step.from; k < made; k++) if (countsAsStitch(order.stitch(first + k))) done++;
  return { ...step, from: made, turn: { ...turn, first: Math.min(turn.last, turn.first + done) } };
}

/** Rest of the round or of the border from a place on: stitches, minutes, metres. */
export interface Left {
  readonly stitches: number;
  readonly minutes: number;
  readonly metres: number;
}

const NOTHING: Left = { stitches: 0, minutes: 0, metres: 0 };

/** Stitches, time and yarn of a stretch of a round. Beginning and joining it go with its movements. */
export function stretchLeft(plan: Plan, round: RoundPlan, from: number, to: number): Left {
  // A search asks this of thousands of borders, whose rounds are whole.
  if (from <= 0 && to >= round.ring.made.length)
    return { stitches: round.total, minutes: round.minutes, metres: round.yarnM };
  const { stitches, movements, yarn } = stretchOf(plan, round, from, to);
  const all = movementsInRing(round.ring);
  return {
    stitches,
    minutes: all === 0 ? 0 : (round.minutes * movements) / all,
    metres: round.yarnM * yarn,
  };
}

const sumOf = (parts: readonly Left[]): Left =>
  parts.reduce(
    (sum, p) => ({
      stitches: sum.stitches + p.stitches,
      minutes: sum.minutes + p.minutes,
      metres: sum.metres + p.metres,
    }),
    NOTHING,
  );

/** Rest of the border, with all its ends to weave in; nothing once its rounds are worked. */
export function leftOfBorder(plan: Plan): Left {
  const { round, made } = progressOf(plan);
  if (!round) return NOTHING;
  const later = plan.rounds.slice(round.number + 1).map((r) => stretchLeft(plan, r, 0, r.ring.made.length));
  const ends = { ...NOTHING, minutes: plan.endsMinutes };
  return sumOf([stretchLeft(plan, round, made, round.ring.made.length), ...later, ends]);
}

/** Rest of the side or corner in hand, of the round, and of the border. */
export function leftOf(plan: Plan): { readonly side: Left; readonly round: Left; readonly border: Left } {
  const { round, made } = progressOf(plan);
  if (!round) return { side: NOTHING, round: NOTHING, border: NOTHING };
  const size = round.ring.made.length;
  const side = stepAt(stepsOf(plan, round.number, 'side'), made);
  const rest = stretchLeft(plan, round, made, size);
  return { side: stretchLeft(plan, round, made, side.to), round: rest, border: leftOfBorder(plan) };
}

/** That a round is begun, as it is planned now. */
function began(plan: Plan, number: number): Deed {
  const made = plan.rounds[number]!;
  const round = identityOfRound(made);
  const { piece, base } = plan.hem;
  const yarn = yarnOf(plan.hem, made.yarnId);
  const counts = made.sides.map((s) => s.tally.stitches);
  const entry = made.written?.entry ?? null;
  return { did: 'began', round, entry, ground: entry ? null : { piece, base }, yarn, counts };
}

/** Deeds to note when a step is done. */
export function stepDone(plan: Plan, step: WorkStep): readonly Deed[] {
  const { round, begun } = progressOf(plan);
  if (!round) return [];
  const named = identityOfRound(round);
  const begin = begun ? [] : [began(plan, round.number)];
  if (step.does === 'end') return [...begin, { did: 'finished', round: named }];
  return step.to === 0 ? begin : [...begin, { did: 'made', round: named, stitches: step.to }];
}

/** Deeds to note when the last step is taken back, as a slip of the finger is: nothing has been ripped. */
export function stepTakenBack(plan: Plan, stride: Stride): readonly Deed[] {
  const { round, begun, made } = progressOf(plan);
  if (round && begun) {
    const before = stepsOf(plan, round.number, stride).findLast((s) => s.to < made && s.does !== 'end');
    const named = identityOfRound(round);
    return before && (before.to > 0 || made > 0)
      ? [{ did: 'made', round: named, stitches: before.to }]
      : [{ did: 'ripped', round: named, stitches: 0, found: [] }];
  }
  const last = plan.rounds[round ? round.number - 1 : plan.rounds.length - 1];
  return last ? [{ did: 'reopened', round: identityOfRound(last) }] : [];
}

/** That all rounds up to a number are worked, as they are planned now: for whoever comes in mid-way. */
export function workedUpTo(plan: Plan, number: number): readonly Deed[] {
  return plan.rounds.slice(0, number + 1).flatMap((r): readonly Deed[] => {
    if (r.done?.finished) return [];
    const round = identityOfRound(r);
    return [
      ...(r.done ? [] : [began(plan, r.number)]),
      { did: 'made', round, stitches: r.ring.made.length },
      { did: 'finished', round },
    ];
  });
}

/** Of many pieces alike the next is taken up. */
export const nextPiece = (plan: Plan): Deed => ({ did: 'next', round: identityOfRound(plan.rounds[0]!) });

/** Stitches that come off when it is ripped: of its yarn, what can be used again. */
export const comesFree = (price: Left): Left => ({ ...price, metres: price.metres * (1 - RIP_LOSS) });

/**
 * Back to a place of a round: what was made after it, and all rounds after it, is ripped out. What was found on a side
 * stays found as long as none of its stitches comes off.
 */
export function rippedTo(plan: Plan, round: RoundPlan, made: number): Deed {
  const whole = finishedSides(plan, round.number, made);
  const found = round.done?.found ?? [];
  return {
    did: 'ripped',
    round: identityOfRound(round),
    stitches: made,
    found: whole.map((stays, side) => (stays && made > 0 ? (found[side] ?? null) : null)),
  };
}

/**
 * Yarn of what is ripped that is not used again, as a fraction: ends that are cut off, and what has felted or kinked. A
 * judgement; nothing has been measured.
 */
const RIP_LOSS = 0.05;

/** A place that can be ripped back to. */
export interface RipPlace {
  readonly round: number;
  readonly made: number;
  /** The corner after which it lies; null at the beginning or end of the round. */
  readonly corner: number | null;
  /** Stitches that come off; their metres are those that come free, less {@link RIP_LOSS}. */
  readonly price: Left;
  readonly deed: Deed;
}

/** The last corners of the round in hand, then the beginnings of the rounds below it: nearest first. */
export function placesToRipTo(plan: Plan): readonly RipPlace[] {
  const { round: inHand, begun, made: inHandMade } = progressOf(plan);
  const last = begun && inHand ? inHand : plan.rounds.findLast((r) => r.done !== null);
  if (!last) return [];
  const reached = begun ? inHandMade : last.ring.made.length;
  const places: RipPlace[] = [];
  const corners = stepsOf(plan, last.number, 'side').filter((s) => s.where.on === 'corner' && s.to < reached);
  for (const { to, where } of [...corners].reverse()) {
    const corner = where.on === 'corner' ? where.corner : null;
    const price = comesFree(stretchLeft(plan, last, to, reached));
    places.push({ round: last.number, made: to, corner, price, deed: rippedTo(plan, last, to) });
  }
  let price = NOTHING;
  for (const round of plan.rounds.slice(0, last.number + 1).reverse()) {
    price = sumOf([price, stretchLeft(plan, round, 0, round === last ? reached : round.ring.made.length)]);
    places.push({
      round: round.number,
      made: 0,
      corner: null,
      price: comesFree(price),
      deed: rippedTo(plan, round, 0),
    });
  }
  return places;
}
