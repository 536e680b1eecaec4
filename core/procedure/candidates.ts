/** Entries with which a round can begin. */
import { isAtJoin } from '../base/baseRound.ts';
import { isDisc } from '../piece/outline.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import { isOneInEach, sidePattern, waysOf, type RecipeStep } from '../ring/recipe.ts';
import { isChainRun, isOrnament } from '../ring/stitch.ts';
import { sitsSomewhere, type InOrder } from './order.ts';

/** Beginnings of a round. */
export type RoundBeginning =
  /** The last part of a corner, whose first part ends the round; or, with `whole`, all of it. */
  | { readonly in: 'corner'; readonly corner: number; readonly whole: boolean }
  /** A stitch of a side that is worked plainly. */
  | { readonly in: 'side'; readonly side: number }
  /**
   * The first stitches of a turn of the repeat, counted from 0; of the whole ring where the pattern runs round it. Within
   * a turn, the step of its body that comes first; of what comes before the repeats, its step counted back from them, −1
   * the last; else null.
   */
  | { readonly in: 'repeat'; readonly side: number; readonly repeat: number; readonly step: number | null };

export interface StartCandidate {
  readonly at: number;
  readonly beginning: RoundBeginning;
}

/** Every entry that a round could begin with. */
export function candidatesOf(plan: Plan, round: RoundPlan, order: InOrder): readonly StartCandidate[] {
  const { layout, written } = round;
  const found: StartCandidate[] = [];
  layout.corners.forEach((span, corner) => {
    for (const whole of [true, false]) {
      const at = whole
        ? firstStitch(order, span.start, span.start + span.length)
        : partOf(round, order, corner, true);
      if (at !== undefined) found.push({ at, beginning: { in: 'corner', corner, whole } });
    }
  });
  const corners = !isDisc(plan.body.outline);
  const plain = written === null || isOneInEach(sidePattern(waysOf(written.recipe, corners).own));
  // A pattern round the whole ring with places left over, or with another skip, ends where it began.
  const around = written?.recipe.scope === 'ring' || !corners;
  const fit = round.sides[0]?.fit;
  const even = fit?.over === 0 && fit.change === 0;
  layout.sides.forEach((span, side) => {
    const within = around || written === null ? [] : stepsWithin(plan, round, side);
    const end = span.start + span.length;
    if (plain) {
      for (let at = span.start; at < end; at++) {
        if (isFirstThere(order, at) && !(written === null && crosses(plan, side, order.into(at))))
          found.push({ at, beginning: { in: 'side', side } });
      }
    } else {
      const repeats = around && !even ? span.repeats.slice(0, 1) : span.repeats;
      repeats.forEach((start, repeat) => {
        // Worked against the order of the ring, a decrease is known by the last of its places.
        const decrease = order.travel === 1;
        const at = firstStitch(order, start, span.repeats[repeat + 1] ?? span.tail, decrease);
        if (at !== undefined) found.push({ at, beginning: { in: 'repeat', side, repeat, step: null } });
        for (const { entry, step } of within.filter((x) => x.step >= 0 || repeat === 0)) {
          if (isFirstThere(order, start + entry))
            found.push({ at: start + entry, beginning: { in: 'repeat', side, repeat, step } });
        }
      });
    }
  });
  return found;
}

/** Steps of a repeat after its first stitches at which a round can begin, each with its entry in the repeat. */
function stepsWithin(
  { hem, body: piece }: Plan,
  { written, sides }: RoundPlan,
  side: number,
): readonly { readonly entry: number; readonly step: number }[] {
  if (!hem.base.start.within || !written) return [];
  const ways = waysOf(written.recipe, !isDisc(piece.outline));
  const pattern = sidePattern(sides[side]?.fit?.lopsided && ways.other ? ways.other : ways.own);
  const { head, body } = pattern;
  // What goes back to places that were passed over cannot be begun behind them.
  if ([...head, ...body].some((s) => s.do === 'work' && s.at !== 'next')) return [];
  const first = firstWorkOf(body);
  let entry = -head.reduce((sum, s) => sum + entriesOf(s), 0);
  return [...head, ...body].flatMap((s, k) => {
    const here = entry;
    const step = k - head.length;
    entry += entriesOf(s);
    const [only] = s.do === 'work' ? s.what : [];
    const isOther = step < 0 || step > first;
    return only && isOther && !isChainRun(only) && !isOrnament(only) ? [{ entry: here, step }] : [];
  });
}

/** Entries of the ring that a step makes. */
const entriesOf = (s: RecipeStep): number =>
  s.do === 'skip' ? 0 : s.do === 'make' ? 1 : s.what.length * s.times;

/** The first step of a repeat that works stitches. */
export const firstWorkOf = (body: readonly RecipeStep[]): number =>
  body.findIndex((s) => s.do === 'work' && s.what.some((x) => !isChainRun(x)));

/** The first entry from one up to another that is worked into something. @param decrease it may be several stitches in one */
export function firstStitch(order: InOrder, from: number, to: number, decrease = false): number | undefined {
  for (let w = from; w < to; w++) {
    if (!sitsSomewhere(order.into(w))) continue;
    return order.stitch(w).form === 'together' && !decrease ? undefined : w;
  }
  return undefined;
}

/** Whether an entry is the first in its place, and takes up no more than that. */
function isFirstThere(order: InOrder, w: number): boolean {
  const place = order.into(w);
  if (!sitsSomewhere(place) || order.stitch(w).form === 'together') return false;
  for (let k = 1; k < order.size; k++) {
    const before = order.into(w - k);
    if (sitsSomewhere(before)) return before !== place;
  }
  return true;
}

/** How many stitches go into the place of an entry, from it on. */
export function stitchesThere(order: InOrder, at: number): number {
  const place = order.into(at);
  let count = 1;
  while (count < order.size && order.into(at + count) === place) count++;
  return count;
}

function crosses(plan: Plan, side: number, place: number): boolean {
  const first = plan.body.edges.slice(0, side).reduce((sum, e) => sum + e.spots.length + 1, 1);
  return isAtJoin(plan.sides[side]!.edge, place - first);
}

/** The entry with which the last part of a corner begins: its middle stitch, or the one after it, or after its chains. */
export function partOf(
  { ring, layout }: RoundPlan,
  order: InOrder,
  corner: number,
  centred: boolean,
): number | undefined {
  const span = layout.corners[corner]!;
  const centre = ring.centres[corner]!;
  if (span.length === 0 || centre.length === 0) return undefined;
  const start = order.travel === 1 ? centre.start : order.size - centre.start - centre.length;
  const end = span.start + span.length;
  const after = firstStitch(order, start + centre.length, end);
  if (isChainRun(order.stitch(start))) return after;
  if (centre.length === 2) return firstStitch(order, start + 1, end) ?? after;
  if (order.stitch(start).form === 'together' || !sitsSomewhere(order.into(start))) return after;
  return centred ? start : (after ?? start);
}
