/**
 * What the maker does, act by act: the one sequence from which the written pattern is printed and by which the work can be
 * walked. It follows from the worked ring; every act that makes stitches names its span of the ring.
 */
import { isDisc } from '../piece/outline.ts';
import { chainsBetween, crossingOf } from '../base/baseRound.ts';
import type { CrossingId } from '../base/crossings.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import {
  isOneInEach,
  patternOf,
  placeKindsUsed,
  plainStitchOf,
  totalPlacesUsed,
  waysOf,
  type CornerRecipe,
  type Instruction,
} from '../ring/recipe.ts';
import { isGap, placesOnSide, placesInSpan, type PlaceKind, type Ring, type Span } from '../ring/ring.ts';
import { placesTaken, isChainRun, isOrnament, type Stitch } from '../ring/stitch.ts';
import { ahead, cornerAfter, inOrder, sideAfter, sitsSomewhere, type InOrder } from './order.ts';
import { placeOf, type Place } from './place.ts';
import {
  betweenCornerAnd,
  startsOf,
  stitchesThere,
  type Between,
  type First,
  type RoundStart,
} from './start.ts';

/** Entries in the order of work, from `start` on; numbers may run past the end of the ring and round it. */
export type Worked = Span;

/** How the way from the last join to the start of a round goes. */
export type WayThere =
  /** New yarn is joined there; it may be where the last round was joined. */
  | { readonly by: 'joining'; readonly same: boolean }
  /** The start is where the last round was joined. */
  | { readonly by: 'staying' }
  /** Slip stitches into the next so many stitches and spaces lead there. */
  | { readonly by: 'slipping'; readonly over: number }
  /** The start lies just before the join, in the middle of the corner. */
  | { readonly by: 'stepping back' }
  /** The last round lies on the face of another, and the start is in that other. */
  | { readonly by: 'going over' };

/** A place with two in it, or two places taken together. */
export interface Change {
  readonly kind: 'increase' | 'decrease';
  /** Stitches made in the place, or places taken together. */
  readonly count: number;
  /** Number of the first of these places on its side from 1, in the order of work. */
  readonly number: number;
  readonly worked: Worked;
}

export type Act =
  | { readonly do: 'fasten off'; readonly yarn: string }
  | { readonly do: 'take hook'; readonly mm: number; readonly back: boolean }
  | { readonly do: 'turn'; readonly facing: 'right' | 'wrong' }
  | { readonly do: 'work on the face'; readonly of: number }
  | {
      readonly do: 'start';
      readonly place: Place;
      readonly yarn: string;
      readonly way: WayThere;
      readonly beginning: RoundStart['beginning'];
      readonly first: First;
      /** The first stitch. */
      readonly stitch: Stitch;
      /** The first stitch; along a side, all that go into its place. */
      readonly worked: Worked;
    }
  /** Strands are knotted in, the first there. */
  | { readonly do: 'knot'; readonly place: Place }
  | {
      readonly do: 'side';
      readonly side: number;
      /** All of it; or only from the start of the round, or up to it. */
      readonly part: 'whole' | 'from the start' | 'up to the start';
      readonly along: Along;
      readonly worked: Worked;
    }
  | {
      readonly do: 'corner';
      readonly corner: number;
      readonly part: 'whole' | 'last' | 'first';
      readonly recipe: CornerRecipe;
      /** What of the ring below, or of the edge, it goes into. */
      readonly into: CornerPlace;
      readonly worked: Worked;
      /** Entries in the order of work that are the new corner’s middle; empty where it has none. */
      readonly centre: Worked;
    }
  | {
      readonly do: 'join';
      readonly first: First;
      readonly stitch: Stitch;
      /** How far it lies from the nearest corner; null in the middle of one, and on a circle. */
      readonly between: Between | null;
    };

export type CornerPlace =
  | { readonly on: 'edge' }
  | { readonly on: 'stitch' | 'two stitches' | 'picot' | 'nothing' }
  | { readonly on: 'space'; readonly chains: number };

/** What is done along a side. */
export type Along =
  /** Into the edge of the piece: stitches for each spot. */
  | {
      readonly into: 'edge';
      readonly stitch: Stitch;
      readonly placement: readonly number[];
      readonly crossings: readonly CrossingId[];
      /** Chains before, between and after. */
      readonly chains: number;
    }
  /** One stitch in each place. */
  | {
      readonly into: 'each';
      readonly stitch: Stitch;
      readonly kind: PlaceKind;
      /** How many there are, the ones that a corner takes up included. */
      readonly places: number;
      readonly changes: readonly Change[];
    }
  /** A stretch that repeats. */
  | {
      readonly into: 'repeats';
      readonly steps: readonly Instruction[];
      readonly repeats: number;
      /** Entries with which they begin. */
      readonly begins: readonly number[];
      /** Places used by what comes after the last repeat. */
      readonly lastPlaces: number;
      /** Places passed over before that, since the pattern does not come out even. */
      readonly leftOver: number;
      /** Places too few for it to be worked at all: then nothing is. */
      readonly missing: number;
      /** Places more or fewer passed over at the first skip and the last. */
      readonly atFirstSkip: number;
      readonly atLastSkip: number;
      readonly lopsided: boolean;
    };

export interface Procedure {
  readonly round: RoundPlan;
  readonly start: RoundStart | null;
  readonly acts: readonly Act[];
}

const known = new WeakMap<Plan, readonly Procedure[]>();

/** The procedure of every round of a plan, the base round first. */
export function proceduresOf(plan: Plan): readonly Procedure[] {
  let procedures = known.get(plan);
  if (!procedures) {
    const starts = startsOf(plan);
    procedures = plan.rounds.map((round, i) => procedureOf(plan, round, starts[i]!, starts));
    known.set(plan, procedures);
  }
  return procedures;
}

function procedureOf(
  plan: Plan,
  round: RoundPlan,
  start: RoundStart | null,
  starts: readonly (RoundStart | null)[],
): Procedure {
  const before = plan.rounds[round.number - 1];
  const order = inOrder(round);
  const acts: Act[] = [];
  const joins = start?.joins ?? false;
  if (before && joins) acts.push({ do: 'fasten off', yarn: before.yarnId });
  if (before && before.hookMm !== round.hookMm)
    acts.push({ do: 'take hook', mm: round.hookMm, back: round.hookMm === plan.hem.gauge.hookMm });
  if ((before?.facing ?? 'right') !== round.facing) acts.push({ do: 'turn', facing: round.facing });
  if (round.written?.recipe.surface) acts.push({ do: 'work on the face', of: round.onto });
  const joinedAt = (number: number): number => {
    const s = starts[number];
    return number < 0 || !s ? 0 : inOrder(plan.rounds[number]!).entry(s.at);
  };
  if (start) {
    const stitch = order.stitch(start.at);
    acts.push({
      do: 'start',
      place: placeOf(
        plan,
        round.onto,
        start.place,
        placeKind(plan.rounds[round.onto]?.ring ?? null, round, start, order),
        order.travel,
        joinedAt(round.onto),
      ),
      yarn: round.yarnId,
      way: wayTo(plan, round, start, order, joinedAt),
      beginning: start.beginning,
      first: start.first,
      stitch,
      worked: { start: start.at, length: start.beginning.in === 'side' ? stitchesThere(order, start.at) : 1 },
    });
  }
  if (!start && sitsSomewhere(order.into(0))) {
    const place = placeOf(plan, round.onto, order.into(0), 'stitch', order.travel, joinedAt(round.onto));
    acts.push({ do: 'knot', place });
  }
  acts.push(...stretches(plan, round, start, order));
  if (start) {
    acts.push({
      do: 'join',
      first: start.first,
      stitch: order.stitch(start.at),
      between: betweenCornerAnd(round, start.at),
    });
  }
  return { round, start, acts };
}

/** As what the place of the first stitch is worked. */
function placeKind(below: Ring | null, round: RoundPlan, start: RoundStart, order: InOrder): PlaceKind {
  const stitch = order.stitch(start.at);
  if (stitch.post !== 'none') return 'post';
  if (below === null || round.written === null) return 'stitch';
  const kinds = placeKindsUsed(round.written.recipe.side);
  if (isGap(start.place)) return kinds.has('pair') ? 'pair' : 'gap';
  if (!isChainRun(below.made[start.place]!)) return 'stitch';
  return kinds.has('gap') ? 'gap' : 'space';
}

function wayTo(
  plan: Plan,
  round: RoundPlan,
  start: RoundStart,
  order: InOrder,
  joinedAt: (round: number) => number,
): WayThere {
  if (round.number === 0) return { by: 'joining', same: false };
  const join = joinedAt(round.onto);
  const over = round.onto !== round.number - 1;
  if (start.joins) return { by: 'joining', same: !over && start.place === join };
  if (over) return { by: 'going over' };
  const { ring } = plan.rounds[round.onto]!;
  if (!isGap(start.place) && start.place === join) return { by: 'staying' };
  const far = ahead(ring, join, start.place, order.travel);
  if (far > ring.made.length / 2) return { by: 'stepping back' };
  // What is slipped over: stitches that bear the next round, and at last the place itself.
  let sts = isGap(start.place) || isChainRun(ring.made[start.place]!) ? 0 : 1;
  for (let k = 1; k < far; k++) {
    const s = ring.made[(join + order.travel * k + ring.made.length * 2) % ring.made.length]!;
    if (!isChainRun(s) && !isOrnament(s)) sts++;
  }
  return { by: 'slipping', over: sts };
}

/** Corners and sides in the order in which they are worked, from the start round to it again. */
function stretches(plan: Plan, round: RoundPlan, start: RoundStart | null, order: InOrder): readonly Act[] {
  const corners = round.layout.corners.length;
  const wholeRing = round.layout.sides.length === 1;
  if (corners === 0 || wholeRing) {
    const first = start?.at ?? 0;
    const along: Act = sideAct(plan, round, 0, 'whole', order, { start: first, length: order.size });
    return wholeRing && corners > 0 ? [along, ...ringCorners(plan, round, order)] : [along];
  }
  const { travel } = order;
  const b = start?.beginning ?? { in: 'corner' as const, corner: 0, whole: true };
  const acts: Act[] = [];
  const firstCorner = b.in === 'corner' ? b.corner : cornerAfter(b.side, corners, travel);
  const at = start?.at ?? round.layout.corners[firstCorner]!.start;
  if (b.in !== 'corner') {
    const span = round.layout.sides[b.side]!;
    acts.push(
      sideAct(plan, round, b.side, 'from the start', order, {
        start: at,
        length: span.start + span.length - at,
      }),
    );
  }
  for (let k = 0, corner = firstCorner; k < corners; k++) {
    const span = round.layout.corners[corner]!;
    const begun = k === 0 && b.in === 'corner';
    const parted = begun && at > span.start;
    acts.push(
      cornerAct(plan, round, corner, parted ? 'last' : 'whole', order, {
        start: parted ? at : span.start,
        length: parted ? span.start + span.length - at : span.length,
      }),
    );
    const side = sideAfter(corner, corners, travel);
    const last = b.in !== 'corner' && side === b.side;
    const along = round.layout.sides[side]!;
    if (last) {
      acts.push(
        sideAct(plan, round, side, 'up to the start', order, {
          start: along.start,
          length: at - along.start,
        }),
      );
    } else acts.push(sideAct(plan, round, side, 'whole', order, along));
    corner = cornerAfter(side, corners, travel);
  }
  const begun = b.in === 'corner' ? round.layout.corners[b.corner]! : null;
  if (begun && at > begun.start) {
    acts.push(
      cornerAct(plan, round, firstCorner, 'first', order, { start: begun.start, length: at - begun.start }),
    );
  }
  return acts;
}

function cornerAct(
  plan: Plan,
  round: RoundPlan,
  corner: number,
  part: 'whole' | 'last' | 'first',
  order: InOrder,
  worked: Worked,
): Act {
  const { start, length } = round.ring.centres[corner]!;
  return {
    do: 'corner',
    corner,
    part,
    recipe: round.corners[corner]!,
    into: cornerPlace(plan, round, corner),
    worked,
    centre: { start: order.travel === 1 ? start : order.size - start - length, length },
  };
}

function cornerPlace(plan: Plan, round: RoundPlan, corner: number): CornerPlace {
  if (round.onto < 0) return { on: 'edge' };
  const { ring } = plan.rounds[round.onto]!;
  const { start, length } = ring.centres[corner]!;
  const middle = ring.made[start];
  if (length === 0 || middle === undefined) return { on: 'nothing' };
  if (isChainRun(middle)) return { on: 'space', chains: middle.chains };
  if (isOrnament(middle)) return { on: 'picot' };
  return { on: length === 2 ? 'two stitches' : 'stitch' };
}

/** In a pattern that runs round the whole ring: the corners, in the order of the ring. */
function ringCorners(plan: Plan, round: RoundPlan, order: InOrder): readonly Act[] {
  return round.ring.centres.map((centre, corner) => {
    const start = order.travel === 1 ? centre.start : order.size - centre.start - centre.length;
    return cornerAct(plan, round, corner, 'whole', order, { start, length: 0 });
  });
}

function sideAct(
  plan: Plan,
  round: RoundPlan,
  side: number,
  part: 'whole' | 'from the start' | 'up to the start',
  order: InOrder,
  worked: Worked,
): Act {
  const startPlace = part === 'whole' ? order.into(worked.start) : undefined;
  return { do: 'side', side, part, along: alongOf(plan, round, side, order, startPlace), worked };
}

function alongOf(
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
  if (isOneInEach(patternOf(ways.own)) && written.recipe.scope === 'side') {
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
  const fit = round.sides[layout.sides.length === 1 ? 0 : side]!.fit!;
  const steps = fit.lopsided ? ways.other! : ways.own;
  const pattern = patternOf(steps);
  const change = fit.change;
  const one = Math.sign(change);
  return {
    into: 'repeats',
    steps,
    repeats: fit.repeats,
    begins: layout.sides[side]!.repeats,
    lastPlaces: totalPlacesUsed(pattern.tail),
    leftOver: fit.over,
    missing: fit.repeats === 0 && fit.short > 0 && fit.over === 0 ? fit.short : 0,
    atFirstSkip: one,
    atLastSkip: Math.abs(change) > 1 ? change - one : 0,
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

/** Whether a round is one stitch in each place along every side. */
export const isPlain = (plan: Plan, round: number): boolean =>
  proceduresOf(plan)[round]!.acts.every((a) => a.do !== 'side' || a.along.into === 'each');
