/**
 * Where rounds begin, followed from ring to ring: each begins with one entry, into which it is joined when it has come
 * round, and the next one begins in, or beyond, that join, unless the maker begins it anew.
 */
import { writtenOf } from '../plan/types.ts';
import { hasLastRow } from '../piece/piece.ts';
import { isDisc } from '../piece/outline.ts';
import { STITCHES_BEFORE_CORNER, type StartOfRound } from '../base/start.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import { entryOf, isGap, type Span } from '../ring/ring.ts';
import { isChainRun, isOrnament } from '../ring/stitch.ts';
import {
  alikeFrom,
  type Close,
  closingStitch,
  spaceAtEnd,
  spiralRefused,
  stepsDown,
  stepsUp,
  type CloseRefused,
} from './close.ts';
import { candidatesOf, firstStitch, partOf, type StartCandidate } from './candidates.ts';
import type { RoundStart } from './roundStart.ts';
import { firstStitchOf } from './first.ts';
import { startOfRow } from './rows.ts';
import { ahead, isKnotted, orderOfWork, sideAfter, sitsSomewhere, type InOrder } from './order.ts';

/** The start of every round; null for one that is knotted on and needs none, or finds nothing to be worked into. */
export function roundStarts(plan: Plan): readonly (RoundStart | null)[] {
  const starts: (RoundStart | null)[] = [];
  let changes = 0;
  const { part } = plan.body.outline;
  plan.rounds.forEach((round, number) => {
    const before = plan.rounds[number - 1];
    const { lastRow, colour } = plan.hem.base.start;
    const joinsYarn = before === undefined ? lastRow === 'cut' : before.yarnId !== round.yarnId;
    if (before && joinsYarn) changes++;
    // New yarn can come in with the join of the round before where the round goes on from that.
    const comesIn = joinsYarn && colour !== 'anew' && before !== undefined && round.onto === before.number;
    const choice = choiceOf(plan, round, joinsYarn && !comesIn, changes);
    if (part) return void starts.push(startOfRow(plan, round, part, choice.start));
    starts.push(startOf(plan, round, choice, { starts, joinsYarn, comesIn }));
  });
  return plan.hem.base.start.close === 'spiral' && !part ? inSpiral(plan, starts) : starts;
}

interface Before {
  /** Of the rounds before. */
  readonly starts: readonly (RoundStart | null)[];
  readonly joinsYarn: boolean;
  readonly comesIn: boolean;
}

function startOf(
  plan: Plan,
  round: RoundPlan,
  { start, anew }: Choice,
  { starts, joinsYarn, comesIn }: Before,
): RoundStart | null {
  if (isKnotted(round) || round.ring.into.every((place) => !sitsSomewhere(place))) return null;
  const order = orderOfWork(round);
  const candidates = candidatesOf(plan, round, order);
  const below = round.onto < 0 ? null : plan.rounds[round.onto]!;
  /** The entry of the ring below in which that was joined. */
  const joined = starts[round.onto]?.join ?? null;
  const found =
    anew || below === null || joined === null
      ? beginning(round, order, candidates, start)
      : climbing(below, order, candidates, joined);
  const { at, beginning: begun } = found ?? fallback(order);
  const place = order.into(at);
  // Rather than slip a long way to where the maker wants to begin, the yarn is cut.
  const cuts =
    below !== null &&
    !joinsYarn &&
    joined !== null &&
    ahead(below.ring, joined, place, order.travel) > MOST_FORWARD &&
    ahead(below.ring, joined, place, -order.travel as 1 | -1) > MOST_BACK;
  const slipsIntoWork =
    below !== null &&
    !joinsYarn &&
    joined !== null &&
    plan.hem.base.start.within &&
    slipsInto(below, joined, place, order);
  const isBeside = below !== null && joined !== null && isAtTheJoin(below, joined, place, order);
  const { colour } = plan.hem.base.start;
  const change = comesIn && isBeside && colour !== 'anew' ? colour : null;
  const cut = (joinsYarn && change === null) || cuts || slipsIntoWork;
  const corner = begun.in === 'corner' && !begun.whole ? round.layout.corners[begun.corner]! : null;
  const isParted = corner !== null && corner.start < at && at + 1 < corner.start + corner.length;
  const next = order.stitch(at + 1);
  const first = firstStitchOf(order.stitch(at), {
    ...start,
    joinsYarn: cut,
    own: round.written?.entry.start != null,
    space: isParted && isChainRun(next) ? next.chains : 0,
  });
  const close = closeOf(plan, round, order, at);
  return {
    at,
    beginning: begun,
    place,
    joins: cut,
    change,
    anew,
    first: first.first,
    close: close.close,
    join: order.entry(close.close.by === 'stitch' ? at - 1 : at),
    up: [],
    down: [],
    refused: { first: first.refused, close: close.refused },
  };
}

/** How a round is closed that is no part of a spiral. A round of slip stitches needs no needle: its join cannot be seen. */
function closeOf(
  plan: Plan,
  { number }: RoundPlan,
  order: InOrder,
  at: number,
): { readonly close: Close; readonly refused: CloseRefused | null } {
  const { ending, close: wish, colour } = plan.hem.base.start;
  const isLast = number === plan.rounds.length - 1;
  if (ending === 'needle' && isLast && order.stitch(at).kind !== 'slst')
    return { close: { by: 'needle' }, refused: null };
  const slipped = (refused: CloseRefused | null) => ({ close: { by: 'slip stitch' } as const, refused });
  if (wish === 'slip stitch' || wish === 'spiral') return slipped(null);
  const space = spaceAtEnd(order, at);
  if (space === 0) return slipped('no space at its end');
  const next = plan.rounds[number + 1];
  if (next && next.yarnId !== plan.rounds[number]!.yarnId && colour === 'closing slip stitch')
    return slipped('new yarn closes it');
  return { close: closingStitch(space, wish), refused: null };
}

/** Rounds that go on in a spiral are not joined; where they begin, and where they end, the step is hidden. */
function inSpiral(plan: Plan, starts: readonly (RoundStart | null)[]): readonly (RoundStart | null)[] {
  const refused = starts.map((start, k): CloseRefused | null => {
    const next = starts[k + 1];
    const round = plan.rounds[k + 1];
    if (!round || !start) return null;
    if (!next) return 'begun elsewhere';
    const own = round.written?.entry.start ?? null;
    return spiralRefused(plan.rounds[k]!, round, orderOfWork(round).stitch(next.at), {
      wish: (own ?? plan.hem.base.start).first,
      staysAt: next.place === start.join && !next.joins && next.change === null,
      anew: next.anew,
    });
  });
  const goesOn = (k: number): boolean =>
    k >= 0 && k + 1 < starts.length && starts[k] != null && refused[k] === null;
  return starts.map((start, k) => {
    if (!start) return null;
    const order = orderOfWork(plan.rounds[k]!);
    const stitch = order.stitch(start.at);
    const begins = goesOn(k) && !goesOn(k - 1);
    const before = goesOn(k - 1) ? plan.rounds[k - 1]! : null;
    const from = before ? orderOfWork(before).stitch(starts[k - 1]!.at - 1) : undefined;
    const climbs = (begins || goesOn(k - 1)) && stitch.form === 'plain' && (!from || from.form === 'plain');
    const ends = goesOn(k - 1) && !goesOn(k) && starts[k + 1]?.joins !== false;
    const up = climbs ? stepsUp(stitch, from) : [];
    const last = order.stitch(start.at - 1);
    const down = ends && last.form === 'plain' && !isChainRun(last) ? stepsDown(last) : [];
    const fits = down.length > 0 && alikeFrom(order, start.at - 1, -1, down.length) === down.length;
    return {
      ...start,
      ...(goesOn(k - 1) && { first: { by: 'itself' as const } }),
      up: up.slice(0, alikeFrom(order, start.at, 1, up.length)),
      down: fits ? down : [],
      ...(begins && up.length > 0 && { first: { by: 'chain' as const, chains: 1, counts: false, space: 0 } }),
      close: goesOn(k) || fits ? { by: 'nothing' as const } : start.close,
      refused: { ...start.refused, close: refused[k]! },
    };
  });
}

/** Whether a round goes on right where the one below was joined, or in the gap beside that. */
function isAtTheJoin({ ring }: RoundPlan, join: number, place: number, { travel }: InOrder): boolean {
  const behind = travel === 1 ? join : (join + 1) % ring.made.length;
  return isGap(place) ? entryOf(place) === behind : place === join;
}

/** Whether slip stitches to a start lie in stitches that the round is worked into. */
function slipsInto({ ring }: RoundPlan, join: number, place: number, order: InOrder): boolean {
  const far = ahead(ring, join, place, order.travel);
  if (far > MOST_FORWARD) return false;
  const size = ring.made.length;
  const passed = new Set(
    Array.from({ length: Math.max(0, far - 1) }, (_, k) => (join + order.travel * (k + 1) + size) % size),
  );
  for (let w = 0; passed.size > 0 && w < order.size; w++) if (passed.has(order.into(w))) return true;
  return false;
}

/** Entries that one would slip over to a new start, forward and back. */
const MOST_FORWARD = 6;
const MOST_BACK = 2;

interface Choice {
  readonly start: StartOfRound;
  readonly anew: boolean;
}

/** The start that a round follows, and whether it begins there anew. */
function choiceOf(plan: Plan, round: RoundPlan, joinsYarn: boolean, changes: number): Choice {
  const { start: usual } = plan.hem.base;
  const own = round.written?.entry.start ?? null;
  const moves = usual.newYarn === 'next corner' && own === null;
  const sides = plan.sides.length;
  const start: StartOfRound = own ?? { ...usual, side: moves ? (usual.side + changes) % sides : usual.side };
  if (round.number === 0 && usual.lastRow !== 'cut' && hasLastRow(plan.hem.piece)) {
    // Where its last row ended, and turned from the wrong side where that row began.
    const at = isInCorner(start) ? start.at : 'corner';
    return { start: { ...start, at, side: usual.lastRow === 'right side' ? 1 : 0 }, anew: true };
  }
  const inCorner = isInCorner(start);
  const anew =
    round.number === 0 ||
    (own !== null && writtenOf(round).index === 0) ||
    (joinsYarn && moves) ||
    (inCorner && !isDisc(plan.body.outline) && (start.join === 'centred' || joinsYarn));
  return { start, anew };
}

const IN_CORNER: ReadonlySet<StartOfRound['at']> = new Set([
  'corner',
  'whole corner',
  'stitch of the corner',
  'before the space',
]);
const isInCorner = ({ at }: StartOfRound): boolean => IN_CORNER.has(at);

/** A chosen stitch of a corner, or the one before its chain space; undefined where there is none that can begin a round. */
function withinCorner(
  { ring, layout }: RoundPlan,
  order: InOrder,
  { at, side: corner, stitches }: StartOfRound,
): number | undefined {
  if (at !== 'stitch of the corner' && at !== 'before the space') return undefined;
  const span = layout.corners[corner]!;
  const all = Array.from({ length: span.length }, (_, k) => span.start + k).filter(
    (w) => sitsSomewhere(order.into(w)) && order.stitch(w).form !== 'together',
  );
  if (at === 'stitch of the corner') return all[Math.min(stitches, all.length) - 1];
  const centre = ring.centres[corner]!;
  const start = order.travel === 1 ? centre.start : order.size - centre.start - centre.length;
  return centre.length > 0 && isChainRun(order.stitch(start)) ? all.findLast((w) => w < start) : undefined;
}

/** Where a round begins that the maker begins anew. */
function beginning(
  round: RoundPlan,
  order: InOrder,
  candidates: readonly StartCandidate[],
  start: StartOfRound,
): StartCandidate | undefined {
  const corners = round.ring.centres.length;
  const { layout } = round;
  // A circle is counted from where it begins.
  if (corners === 0 || layout.corners.length === 0) return round.number === 0 ? undefined : candidates[0];
  const corner = start.side;
  if (isInCorner(start)) {
    const span = layout.corners[corner]!;
    const whole = start.at === 'whole corner';
    const at = whole
      ? firstStitch(order, span.start, span.start + span.length)
      : (withinCorner(round, order, start) ?? partOf(round, order, corner, start.join === 'centred'));
    if (at !== undefined) return { at, beginning: { in: 'corner', corner, whole } };
    // A corner with nothing to begin with is begun beside it.
    return nearest(candidates, order, span.start + span.length);
  }
  if (start.at === 'before the corner') {
    const side = sideAfter((corner - order.travel + corners) % corners, corners, order.travel);
    const span = layout.sides[side] ?? layout.sides[0]!;
    const stitches: number[] = [];
    for (let w = span.start; w < span.start + span.length; w++) {
      const s = order.stitch(w);
      if (!isChainRun(s) && !isOrnament(s)) stitches.push(w);
    }
    const wanted = stitches[Math.max(0, stitches.length - STITCHES_BEFORE_CORNER)];
    return onSide(candidates, side, wanted ?? span.start) ?? nearest(candidates, order, span.start);
  }
  const span = layout.sides[start.side] ?? layout.sides[0]!;
  const share = start.at === 'middle of the side' ? 2 : 3;
  const wanted =
    start.at === 'counted'
      ? nthStitch(order, span, start.stitches)
      : span.start + Math.floor(span.length / share);
  return onSide(candidates, start.side, wanted) ?? nearest(candidates, order, wanted);
}

/** The stitch of a side with a number from its corner on, in the order of the ring; the last where there are fewer. */
function nthStitch(order: InOrder, { start, length }: Span, number: number): number {
  const all = Array.from({ length }, (_, k) => (order.travel === 1 ? start + k : start + length - 1 - k));
  const stitches = all.filter((w) => !isChainRun(order.stitch(w)) && !isOrnament(order.stitch(w)));
  return stitches[Math.min(number, stitches.length) - 1] ?? start;
}

/** The candidate of a side that comes closest before an entry, or else the first after it. */
function onSide(
  candidates: readonly StartCandidate[],
  side: number,
  wanted: number,
): StartCandidate | undefined {
  const here = candidates.filter(({ beginning: b }) => b.in !== 'corner' && b.side === side);
  return here.findLast((c) => c.at <= wanted) ?? here[0];
}

const nearest = (
  candidates: readonly StartCandidate[],
  order: InOrder,
  from: number,
): StartCandidate | undefined => least(candidates, ({ at }) => (at - from + 2 * order.size) % order.size);

/** The candidate that sits in the join of the round below, or comes first after it. */
function climbing(
  below: RoundPlan,
  order: InOrder,
  candidates: readonly StartCandidate[],
  join: number,
): StartCandidate | undefined {
  return least(candidates, ({ at }) => ahead(below.ring, join, order.into(at), order.travel));
}

function least(
  candidates: readonly StartCandidate[],
  measure: (c: StartCandidate) => number,
): StartCandidate | undefined {
  let best: StartCandidate | undefined;
  let bestMeasure = Infinity;
  for (const candidate of candidates) {
    const m = measure(candidate);
    if (m < bestMeasure) [best, bestMeasure] = [candidate, m];
  }
  return best;
}

/** A round in which nothing stands by itself begins with whatever comes first. */
function fallback(order: InOrder): StartCandidate {
  for (let at = 0; at < order.size; at++) {
    if (sitsSomewhere(order.into(at))) return { at, beginning: { in: 'side', side: 0 } };
  }
  return { at: 0, beginning: { in: 'side', side: 0 } };
}
