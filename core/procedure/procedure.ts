/**
 * Procedures, act by act: the one sequence from which the written pattern is printed and by which the work can be
 * walked. It follows from the worked ring.
 */
import { remembered } from '../remembered.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import { placeKindsUsed } from '../ring/recipe.ts';
import { entryOf, isGap, type PlaceKind, type Ring } from '../ring/ring.ts';
import { isChainRun, isOrnament } from '../ring/stitch.ts';
import type { Act, ActOf, CornerPlace, Procedure, WayThere, Worked } from './acts.ts';
import { alongOf } from './along.ts';
import { ahead, cornerAfter, orderOfWork, sideAfter, sitsSomewhere, type InOrder } from './order.ts';
import { placeOf, type PlaceOfWork } from './place.ts';
import { betweenCornerAnd } from './between.ts';
import { held } from '../held.ts';
import { alongRow } from './rows.ts';
import type { RoundStart } from './roundStart.ts';
import { roundStarts } from './start.ts';
import { stitchesThere } from './candidates.ts';

/** The procedure of every round of a plan, the base round first. */
export const proceduresOf = remembered((plan: Plan): readonly Procedure[] => {
  const starts = roundStarts(plan);
  return plan.rounds.map((round, i) => procedureOf(plan, round, starts[i]!, starts));
});

function procedureOf(
  plan: Plan,
  round: RoundPlan,
  start: RoundStart | null,
  starts: readonly (RoundStart | null)[],
): Procedure {
  const before = plan.rounds[round.number - 1];
  const order = orderOfWork(round);
  const acts: Act[] = [];
  const joins = start?.joins ?? false;
  if (before && (joins || start?.change)) acts.push({ do: 'fasten off', yarn: before.yarnId, drawn: joins });
  if (before && before.hookMm !== round.hookMm)
    acts.push({ do: 'take hook', mm: round.hookMm, back: round.hookMm === plan.hem.gauge.hookMm });
  if ((before?.facing ?? 'right') !== round.facing) acts.push({ do: 'turn', facing: round.facing });
  if (round.written?.recipe.surface) acts.push({ do: 'work on the face', of: round.onto });
  const joinedAt = (number: number): number => starts[number]?.join ?? 0;
  if (start) {
    const stitch = order.stitch(start.at);
    const kind = placeKind(plan.rounds[round.onto]?.ring ?? null, round, start, order);
    const place = placeOf(plan, round.onto, start.place, kind, order.travel, joinedAt(round.onto));
    acts.push({
      do: 'start',
      place,
      yarn: round.yarnId,
      way: wayTo(plan, round, start, order, starts, kind, place),
      beginning: start.beginning,
      first: start.first,
      up: start.up,
      stitch,
      worked: { start: start.at, length: start.beginning.in === 'side' ? stitchesThere(order, start.at) : 1 },
    });
  }
  if (!start && sitsSomewhere(order.into(0))) {
    const place = placeOf(plan, round.onto, order.into(0), 'stitch', order.travel, joinedAt(round.onto));
    acts.push({ do: 'knot', place });
  }
  acts.push(
    ...(plan.body.outline.part ? rowStretches(plan, round, order) : stretches(plan, round, start, order)),
  );
  if (start && start.close.by !== 'the end of the row') {
    acts.push({
      do: 'join',
      first: start.first,
      up: start.up,
      stitch: order.stitch(start.at),
      close: start.close,
      inThirdLoop: takesThirdLoop(plan, round, start),
      down: start.down,
      change: changeAfter(plan, round, starts),
      between: betweenCornerAnd(round, start.close.by === 'stitch' ? start.at - 1 : start.at),
    });
  }
  return { round, start, acts };
}

/** Whether a round is worked into the third loops of another, that of its first stitch too. */
function takesThirdLoop(
  plan: Plan,
  { number, ring }: RoundPlan,
  { join, first, close }: RoundStart,
): boolean {
  const over = plan.rounds.find((r) => r.onto === number);
  const isTop = first.by !== 'chain' || !first.counts;
  if (!over || close.by !== 'slip stitch' || !isTop || ring.made[join]!.kind !== 'hdc') return false;
  const at = over.ring.into.indexOf(join);
  return at >= 0 && over.ring.made[at]!.loop === 'third';
}

function changeAfter(
  plan: Plan,
  { number }: RoundPlan,
  starts: readonly (RoundStart | null)[],
): ActOf<'join'>['change'] {
  const as = starts[number + 1]?.change;
  return as ? { to: plan.rounds[number + 1]!.yarnId, as } : null;
}

/** As what the place of the first stitch is worked. */
function placeKind(below: Ring | null, round: RoundPlan, start: RoundStart, order: InOrder): PlaceKind {
  const stitch = order.stitch(start.at);
  if (stitch.post !== 'none') return 'post';
  if (below === null || round.written === null) return 'stitch';
  const kinds = placeKindsUsed(round.written.recipe.side);
  if (kinds.has('either')) return 'either';
  if (isGap(start.place)) return kinds.has('pair') ? 'pair' : kinds.has('between') ? 'between' : 'gap';
  if (!isChainRun(below.made[start.place]!)) return 'stitch';
  return kinds.has('gap') ? 'gap' : 'space';
}

function wayTo(
  plan: Plan,
  round: RoundPlan,
  start: RoundStart,
  order: InOrder,
  starts: readonly (RoundStart | null)[],
  kind: PlaceKind,
  { on }: PlaceOfWork,
): WayThere {
  const { lastRow } = plan.hem.base.start;
  if (round.number === 0)
    return start.joins ? { by: 'joining', same: false } : { by: 'going on', turns: lastRow === 'wrong side' };
  if (start.close.by === 'the end of the row')
    return { by: start.joins ? 'joining' : 'at its end', same: false };
  const closed = starts[round.onto]?.close;
  const join = starts[round.onto]?.join ?? 0;
  const over = round.onto !== round.number - 1;
  if (start.joins) return { by: 'joining', same: !over && start.place === join };
  if (over) return { by: 'going over' };
  const { ring } = plan.rounds[round.onto]!;
  if (!isGap(start.place) && start.place === join) {
    if (closed?.by === 'stitch') return { by: 'around the close', stitch: closed.stitch };
    return { by: closed?.by === 'nothing' ? 'going round' : 'staying' };
  }
  // A gap lies before its entry in the order of the ring.
  const behind = order.travel === 1 ? join : (join + 1) % ring.made.length;
  if (on !== 'corner' && isGap(start.place) && entryOf(start.place) === behind)
    return { by: 'reaching back' };
  const far = ahead(ring, join, start.place, order.travel);
  if (far > ring.made.length / 2) return { by: 'stepping back' };
  const through: { kind: PlaceKind; count: number }[] = [];
  const slip = (kind: PlaceKind): void => {
    const last = through[through.length - 1];
    if (last?.kind === kind) last.count++;
    else through.push({ kind, count: 1 });
  };
  // A gap lies before its entry in the order of the ring: against it that entry is passed first.
  const passed = isGap(start.place) && order.travel === -1 ? far + 1 : far;
  for (let k = 1; k < passed; k++) {
    const s = ring.made[(join + order.travel * k + ring.made.length * 2) % ring.made.length]!;
    if (!isOrnament(s)) slip(isChainRun(s) ? 'space' : 'stitch');
  }
  slip(kind === 'post' ? 'stitch' : kind);
  const sts = through.reduce((sum, s) => sum + (s.kind === 'stitch' ? s.count : 0), 0);
  return { by: 'slipping', over: sts, through };
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

/** A row’s end stitches, sides and corners in the order in which they are worked. */
function rowStretches(plan: Plan, round: RoundPlan, order: InOrder): readonly Act[] {
  const part = held(plan.body.outline.part, 'rows go along a part');
  return alongRow(part, round).flatMap(({ corner, side }) => [
    cornerAct(plan, round, corner, 'whole', order, round.layout.corners[corner]!),
    ...(side === null ? [] : [sideAct(plan, round, side, 'whole', order, round.layout.sides[side]!)]),
  ]);
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

/** Whether a round is one stitch in each place along every side. */
export const isPlainRound = (plan: Plan, round: number): boolean =>
  proceduresOf(plan)[round]!.acts.every((a) => a.do !== 'side' || a.along.into === 'each');
