/**
 * The steps of a round: its procedure cut into what is done at one go. A place in a round is the number of entries of its
 * ring that have been made since its start, in the order of work; a step goes from one place to the next.
 */
import { rememberedBy } from '../remembered.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import { orderOfWork } from '../procedure/order.ts';
import { IN_NOTHING } from '../ring/ring.ts';
import { countsAsStitch } from '../ring/stitch.ts';
import { sideOfEntries } from '../ring/ring.ts';
import { stitchesBefore } from './sides.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import type { Act, Procedure } from '../procedure/acts.ts';

/** How much is done at one go. */
export type Stride = 'repeat' | 'side' | 'corner';
/** From the smallest to the largest; the last one is a side with the corner that it leads up to. */
export const STRIDES: readonly Stride[] = ['repeat', 'side', 'corner'];

export type StepPlace =
  | { readonly on: 'round' }
  | { readonly on: 'side'; readonly side: number }
  | { readonly on: 'corner'; readonly corner: number };

/** Which one it is of those that a side is made of. */
export interface Turn {
  readonly of: 'repeats' | 'stitches';
  /** From 1; of stitches the first and the last. */
  readonly first: number;
  readonly last: number;
  readonly all: number;
}

export interface WorkStep {
  /** Begun with yarn, hook, turn and the first stitches; made; or closed, by joining it where it joins. */
  readonly does: 'begin' | 'make' | 'end';
  readonly from: number;
  readonly to: number;
  readonly where: StepPlace;
  readonly act: Act | null;
  readonly turn: Turn | null;
  /** The corner that is made at the same go, from its own place on; null without any. */
  readonly then: WorkStep | null;
}

/** Stitches of a plain side that are made at one go: as many as are counted without losing the count. */
const TEN = 10;

/** The steps of a worked round of a plan, in their order. Together they make every entry of its ring once. */
export const stepsOf = (plan: Plan, round: number, stride: Stride): readonly WorkStep[] =>
  stepsOfProcedure(proceduresOf(plan)[round]!, stride);

const stepsOfProcedure = rememberedBy(cut);

function cut(procedure: Procedure, stride: Stride): readonly WorkStep[] {
  const { round, start, acts } = procedure;
  const { size } = orderOfWork(round);
  const first = acts.find((a) => a.do === 'start');
  // A row is begun with all that goes into its end stitch.
  const parted = acts.find((a) => a.do === 'corner' && (a.part === 'last' || round.ring.part !== undefined));
  // The first stitches are told with the start.
  const begun =
    first?.do !== 'start'
      ? 0
      : first.beginning.in === 'side'
        ? first.worked.length
        : parted?.do === 'corner'
          ? parted.worked.length
          : 0;
  const steps: WorkStep[] = [
    { does: 'begin', from: 0, to: begun, where: { on: 'round' }, act: first ?? null, turn: null, then: null },
  ];
  let made = 0;
  for (const act of acts) {
    if (act.do !== 'side' && act.do !== 'corner') continue;
    const from = Math.max(made, begun);
    made += act.worked.length;
    if (made <= from) continue;
    const where: StepPlace =
      act.do === 'corner'
        ? { on: 'corner', corner: act.corner }
        : isPastCorners(round)
          ? { on: 'round' }
          : { on: 'side', side: act.side };
    const whole: WorkStep = { does: 'make', from, to: made, where, act, turn: null, then: null };
    const before = steps[steps.length - 1]!;
    if (act.do === 'corner' && stride === 'corner' && before.where.on === 'side')
      steps[steps.length - 1] = { ...before, to: made, then: whole };
    else if (act.do === 'corner' || stride !== 'repeat') steps.push(whole);
    else steps.push(...cutSide(procedure, act, from, made, start?.at ?? 0));
  }
  steps.push({
    does: 'end',
    from: size,
    to: size,
    where: { on: 'round' },
    act: null,
    turn: null,
    then: null,
  });
  return steps;
}

/** Whether a pattern runs past the corners as one stretch. */
const isPastCorners = ({ ring, layout }: RoundPlan): boolean =>
  ring.centres.length > 1 && layout.sides.length === 1;

/** A side, or what is worked of it at one go, repeat by repeat or ten by ten. */
function cutSide(
  { round }: Procedure,
  act: Extract<Act, { do: 'side' }>,
  from: number,
  to: number,
  start: number,
): readonly WorkStep[] {
  const order = orderOfWork(round);
  /** In a pattern past the corners, each piece lies on the side of its first stitch. */
  const whereIs = (a: number): StepPlace => {
    if (!isPastCorners(round)) return { on: 'side', side: act.side };
    const side = sideOfEntries(round.ring)[order.entry(start + a)]!;
    return side < 0 ? { on: 'round' } : { on: 'side', side };
  };
  const piece = (a: number, b: number, turn: Turn | null): WorkStep => ({
    does: 'make',
    from: a,
    to: b,
    where: whereIs(a),
    act,
    turn,
    then: null,
  });
  if (act.along.into !== 'repeats') {
    const corners = round.ring.centres.length > 0;
    const sides = sideOfEntries(round.ring);
    /** Numbered as the side is counted: from the middle of the corner. */
    const turn = (a: number, b: number): Turn | null => {
      const before = corners ? stitchesBefore(round.ring, order, start + a) : a;
      const made = Array.from({ length: b - a }, (_, k) => order.stitch(start + a + k)).filter(
        countsAsStitch,
      );
      // Chains alone are none of those that are counted.
      if (made.length === 0) return null;
      const all = corners ? round.sides[sides[order.entry(start + a)]!]!.tally.stitches : round.total;
      return { of: 'stitches', first: before + 1, last: before + made.length, all };
    };
    const pieces: WorkStep[] = [];
    let a = from;
    while (a < to) {
      let b = Math.min(to, a + TEN);
      // What goes into one place is made at one go.
      while (
        b < to &&
        order.into(start + b) !== IN_NOTHING &&
        order.into(start + b) === order.into(start + b - 1)
      )
        b++;
      pieces.push(piece(a, b, turn(a, b)));
      a = b;
    }
    return pieces;
  }
  const { begins, repeats } = act.along;
  const span = round.layout.sides[act.side] ?? round.layout.sides[0]!;
  const place = (w: number): number => (((w - start) % order.size) + order.size) % order.size;
  const cuts = new Map(begins.map((w, i) => [place(w), i]));
  const tail = repeats > 0 ? place(span.tail) : -1;
  const at = [...new Set([from, ...cuts.keys(), tail])]
    .filter((p) => p >= from && p < to)
    .sort((a, b) => a - b);
  let repeat: number | null = null;
  return at.map((a, i) => {
    const here = cuts.get(a);
    if (here !== undefined) repeat = here + 1;
    else if (a === tail) repeat = null;
    const turn: Turn | null =
      repeat === null ? null : { of: 'repeats', first: repeat, last: repeat, all: repeats };
    return piece(a, at[i + 1] ?? to, turn);
  });
}

/** The step that goes on from a place; the last one when all is made. */
export function stepAt(steps: readonly WorkStep[], made: number): WorkStep {
  return steps.find((s) => s.does === 'make' && s.to > made) ?? steps[steps.length - 1]!;
}

/** The end of the side or corner before a place, for going back to; 0 before the first. */
export function previousCorner(plan: Plan, round: number, made: number): number {
  const ends = stepsOf(plan, round, 'side').filter((s) => s.to < made && s.where.on === 'corner');
  return ends[ends.length - 1]?.to ?? 0;
}

/** The side that a step is part of, or leads up to; null at the beginning and the end of a round. */
export function sideInHand({ where }: WorkStep): number | null {
  return where.on === 'side' ? where.side : null;
}
