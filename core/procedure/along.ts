/** Acts along a side, from one corner to the next. */
import { held } from '../held.ts';
import { chainsBetween, crossingOf } from '../base/baseRound.ts';
import { isDisc } from '../piece/outline.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import {
  isOneInEach,
  sidePattern,
  placeKindsUsed,
  plainStitchOf,
  totalPlacesUsed,
  waysOf,
} from '../ring/recipe.ts';
import { placesInSpan, placesOnSide, type Span } from '../ring/ring.ts';
import { placesTaken, type Stitch } from '../ring/stitch.ts';
import type { Along, Change } from './acts.ts';
import type { InOrder } from './order.ts';

/** @param startPlace the place in which the round begins, where it begins on this side */
export function alongOf(
  plan: Plan,
  round: RoundPlan,
  side: number,
  order: InOrder,
  startPlace: number | undefined,
): Along {
  const { written } = round;
  if (!written) {
    const { placement, choice, edge } = plan.sides[side]!;
    return {
      into: 'edge',
      stitch: baseStitch(round, plan),
      placement,
      crossings: edge.joins.map((_, join) => crossingOf(plan.hem.base, choice, join)),
      chains: chainsBetween(plan.hem.base, choice, edge),
    };
  }
  const corners = !isDisc(plan.body.outline);
  const ways = waysOf(written.recipe, corners);
  const below = plan.rounds[round.onto]!.ring;
  const { layout } = round;
  if (isOneInEach(sidePattern(ways.own)) && written.recipe.scope === 'side') {
    const kinds = placeKindsUsed(ways.own);
    const whole =
      corners && layout.sides.length > 1
        ? placesOnSide(below, side, kinds)
        : placesInSpan(below, { start: 0, length: below.made.length }, kinds);
    const places = order.travel === 1 ? whole : [...whole].reverse();
    return {
      into: 'each',
      stitch: plainStitchOf(written.recipe),
      kind: [...kinds][0] ?? 'stitch',
      places: places.length,
      changes: changesOf(order, layout.sides[side]!, corners ? places : from(places, startPlace)),
    };
  }
  const fit = held(round.sides[layout.sides.length === 1 ? 0 : side]!.fit, 'a side of a round has a fit');
  const steps = fit.lopsided ? held(ways.other, 'two ways that alternate are two') : ways.own;
  const pattern = sidePattern(steps);
  return {
    into: 'repeats',
    steps,
    repeats: fit.repeats,
    begins: layout.sides[side]!.repeats,
    lastPlaces: totalPlacesUsed(pattern.tail),
    leftOver: fit.over,
    missing: fit.repeats === 0 && fit.short > 0 && fit.over === 0 ? fit.short : 0,
    skips: fit.skips,
    lopsided: fit.lopsided,
  };
}

/** Places from one of them on, round to it again. */
function from(places: readonly number[], first: number | undefined): readonly number[] {
  const at = first === undefined ? -1 : places.indexOf(first);
  return at <= 0 ? places : [...places.slice(at), ...places.slice(0, at)];
}

/** The stitch of the base round, as most of its entries are. */
const baseStitch = (round: RoundPlan, plan: Plan): Stitch =>
  round.ring.made.find((s) => s.kind === plan.hem.base.stitch && s.form === 'plain') ?? round.ring.made[0]!;

/** Where a plain side has more stitches than places, or fewer. */
function changesOf(order: InOrder, span: Span, places: readonly number[]): readonly Change[] {
  const numberOf = new Map(places.map((place, i) => [place, i + 1]));
  const found: Change[] = [];
  for (let w = span.start; w < span.start + span.length;) {
    const place = order.into(w);
    let count = 1;
    while (w + count < span.start + span.length && order.into(w + count) === place) count++;
    const stitch = order.stitch(w);
    const taken = placesTaken(stitch);
    // In turned work the first place that is met is the last in the order of the ring.
    const number = (numberOf.get(place) ?? 0) - (order.travel === -1 ? taken - 1 : 0);
    if (taken > 1)
      found.push({ kind: 'decrease', count: taken, number, worked: { start: w, length: count } });
    else if (count > 1) found.push({ kind: 'increase', count, number, worked: { start: w, length: count } });
    w += count;
  }
  return found;
}
