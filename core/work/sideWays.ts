/**
 * Ways to end the side in hand where more places, or fewer, lie on the table than are planned: a change at a place that is still
 * ahead, a repeat more or fewer, or the side as it comes. Each is planned to its end before it is offered.
 */
import type { RoundEntry } from '../document/hem.ts';
import type { Deed } from '../document/record.ts';
import { VISIBILITY } from '../fit/cost.ts';
import { held } from '../held.ts';
import { createPlanner, type Planner } from '../plan/planner.ts';
import { identityOfRound, isEven, writtenOf, type Plan, type RoundPlan } from '../plan/types.ts';
import { oppositeSides } from '../piece/symmetry.ts';
import type { ActOf } from '../procedure/acts.ts';
import { orderOfWork, type InOrder } from '../procedure/order.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import { skipsAlong, type PlacedChange } from '../ring/along.ts';
import { placeKindsUsed, sidePattern, totalPlacesUsed, type RecipeStep } from '../ring/recipe.ts';
import { countSide } from '../ring/ring.ts';
import { countsAsStitch } from '../ring/stitch.ts';
import { workRound } from '../ring/work.ts';
import { circumstancesOf } from '../stack/stack.ts';
import { apartIn, byRank, outcomeOf, repaired, seenIn, type RepairOutcome } from './repairs.ts';
import { progressOf, stepInHand } from './progress.ts';
import { Places } from './stepPlaces.ts';

/** The side in hand up to its corner. */
export interface SideInHand {
  readonly round: RoundPlan;
  readonly side: number;
  readonly act: ActOf<'side'>;
  /** Places on the table beyond the last one that was worked into, up to the corner. */
  readonly places: number;
  /** Places of the side that are used by now. */
  readonly used: number;
}

export type SideEndingKind =
  | 'two together'
  | 'two in one'
  | 'skip more'
  | 'skip fewer'
  | 'more repeats'
  | 'fewer repeats'
  | 'as it comes';

export interface SideEnding extends RepairOutcome {
  readonly kind: SideEndingKind;
  /** Places that it takes up beyond those planned, or leaves when below 0: all of them, but for a change beside repeats. */
  readonly more: number;
  /** Repeats more or fewer. */
  readonly repeats: number;
  /** Where its changes are made: places, or skips of a pattern, along the side. */
  readonly at: readonly PlacedChange[];
  /** Places, or skips, from which on they could be made. */
  readonly spots: readonly number[];
  readonly deeds: readonly Deed[];
  /** The plan that it leads to, and the entry of the round in hand where it is made. */
  readonly then: Plan;
  readonly entry: number;
  /** Stitches of the side then. */
  readonly count: number;
  /** How much is seen of it; 0 is nothing. Of the unit of fit/cost.ts. */
  readonly shows: number;
}

/** Places more or fewer that are still looked at as the end of a side: beyond it is another count. */
export const MOST_OFF = 4;
/** Places beside whole repeats that are made up for at skips. */
const MOST_BESIDE = 2;

/** The side in hand, where its end can be told by places on the table; null elsewhere, and where its places are not stitches. */
export function sideInHandOf(plan: Plan): SideInHand | null {
  const { round, begun, made } = progressOf(plan);
  const rest = round && begun ? stepInHand(plan, 'side') : null;
  if (!round || rest?.does !== 'make' || rest.where.on !== 'side' || rest.act?.do !== 'side') return null;
  const { act } = rest;
  if (
    act.part === 'up to the start' ||
    act.along.into === 'edge' ||
    round.layout.sides.length < plan.sides.length
  )
    return null;
  const kinds = placeKindsUsed(writtenOf(round).recipe.side);
  if (kinds.size !== 1 || !kinds.has('stitch')) return null;
  const procedure = proceduresOf(plan)[round.number]!;
  const places = new Places(plan, procedure, plan.hem.preferences.language);
  if (places.goBack) return null;
  const begin = places.beginOf(act.side);
  if (begin === undefined) return null;
  const all = places.endOf(act.side) - begin;
  const first = procedure.start?.at ?? 0;
  let used = 0;
  for (let w = act.worked.start; w < first + made; w++)
    used = Math.max(used, (places.usedBy(w)?.to ?? begin - 1) + 1 - begin);
  return all > used ? { round, side: act.side, act, places: all - used, used } : null;
}

/**
 * Ways to end the side in hand, the best first: those after which every round fits, of these the flattest, of these what is
 * seen least, as for repairs.
 *
 * @param more places more on the table than are planned, or fewer when below 0
 * @param from place, or skip, of the side at which changes are to begin; null where they show least
 */
export function sideWaysOf(plan: Plan, more: number, from: number | null = null): readonly SideEnding[] {
  const inHand = sideInHandOf(plan);
  if (!inHand || more === 0 || Math.abs(more) > Math.max(MOST_OFF, perRepeat(inHand) + MOST_BESIDE))
    return [];
  const planner = createPlanner();
  const trial: Trial = { plan, planner, inHand, more };
  const ways = inHand.act.along.into === 'each' ? plainWays(trial, from) : patternWays(trial, from);
  return ways.flatMap((way) => way ?? []).sort(byRank);
}

interface Trial {
  readonly plan: Plan;
  readonly planner: Planner;
  readonly inHand: SideInHand;
  readonly more: number;
}

const perRepeat = ({ act }: SideInHand): number =>
  act.along.into === 'repeats' ? totalPlacesUsed(sidePattern(act.along.steps).body) : 0;

const numbersFrom = (first: number, end: number): readonly number[] =>
  Array.from({ length: Math.max(0, end - first) }, (_, k) => first + k);

function plainWays(trial: Trial, from: number | null): readonly (SideEnding | null)[] {
  const { inHand, more } = trial;
  const { act, used, places } = inHand;
  if (act.along.into !== 'each') return [];
  const end = used + places + more;
  const together = more > 0;
  const spots = numbersFrom(used, together ? end - 1 : end);
  // Two together takes two places, and none of them beside each other.
  const apart = together ? 3 : 2;
  const count = Math.abs(more);
  const room = (count - 1) * apart;
  const middle = spots[Math.max(0, Math.floor((spots.length - 1 - room) / 2))];
  const first = Math.min(from ?? middle ?? 0, (spots.at(-1) ?? 0) - room);
  const at = numbersFrom(0, count).map((k) => ({ at: first + k * apart, by: together ? -1 : 1 }));
  const before = act.along.changes.map(({ number, kind, count: made }) => ({
    at: number - 1,
    by: kind === 'increase' ? made - 1 : -1,
  }));
  return [
    first >= used && spots.length > room
      ? tried(trial, {
          kind: together ? 'two together' : 'two in one',
          repeats: 0,
          at,
          spots,
          before,
          stitches: 0,
        })
      : null,
    tried(trial, { kind: 'as it comes', repeats: 0, at: [], spots: [], before, stitches: more }),
  ];
}

function patternWays(trial: Trial, from: number | null): readonly (SideEnding | null)[] {
  const { inHand, more, plan } = trial;
  const { along } = inHand.act;
  if (along.into !== 'repeats') return [];
  const pattern = sidePattern(along.steps);
  const each = perRepeat(inHand);
  const stitches = stitchesIn(pattern.body);
  const firstSkip = skipsBehind(plan, inHand);
  return [0, Math.sign(more)].map((repeats): SideEnding | null => {
    const beside = more - repeats * each;
    if (repeats !== 0 && (each === 0 || Math.abs(beside) > MOST_BESIDE)) return null;
    if (repeats === 0 && Math.abs(beside) > MOST_OFF) return null;
    const skips = skipsAlong(pattern, along.repeats + repeats);
    const spots = numbersFrom(firstSkip, skips.length).filter((k) => beside >= 0 || skips[k]! > 0);
    const at = spreadOver(spots, skips, beside, from);
    if (!at) return null;
    const kind =
      repeats > 0 ? 'more repeats' : repeats < 0 ? 'fewer repeats' : more > 0 ? 'skip more' : 'skip fewer';
    const before = along.skips.filter(({ at: k }) => k < firstSkip);
    // What was to be changed ahead goes on top of what is chosen now.
    const later = along.skips.filter(({ at: k }) => k >= firstSkip);
    const merged = [...at, ...later.filter(({ at: k }) => !at.some((c) => c.at === k))];
    if (merged.length < at.length + later.length) return null;
    return tried(trial, {
      kind,
      repeats,
      at,
      spots,
      before: [...before, ...later],
      stitches: repeats * stitches,
    });
  });
}

const stitchesIn = (steps: readonly RecipeStep[]): number =>
  steps.reduce(
    (sum, s) =>
      sum +
      (s.do === 'work'
        ? s.times * s.what.filter(countsAsStitch).length
        : s.do === 'make' && countsAsStitch(s.what)
          ? 1
          : 0),
    0,
  );

/** Skips of the side in hand that have been made, or belong to a repeat that has been begun. */
function skipsBehind(plan: Plan, { round, act, used }: SideInHand): number {
  if (act.along.into !== 'repeats') return 0;
  const { made } = progressOf(plan);
  const { size } = orderOfWork(round);
  const first = proceduresOf(plan)[round.number]!.start?.at ?? 0;
  const since = (w: number): number => (((w - first) % size) + size) % size;
  const { head, body } = sidePattern(act.along.steps);
  const begun = act.along.begins.findLastIndex((w) => since(w) < made);
  const ofHead = skipsAlong({ head, body: [], tail: [] }, 0).length;
  if (begun < 0) return used > 0 || since(act.worked.start) < made ? ofHead : 0;
  return ofHead + (begun + 1) * skipsAlong({ head: [], body, tail: [] }, 1).length;
}

/** Changes by one at skips one after the other, the last ones or from one on; null where there are too few of them. */
function spreadOver(
  spots: readonly number[],
  skips: readonly number[],
  by: number,
  from: number | null,
): readonly PlacedChange[] | null {
  const one = Math.sign(by);
  const count = Math.abs(by);
  const first = from === null ? -1 : spots.findIndex((k) => k >= from);
  const start = Math.max(0, Math.min(first < 0 ? spots.length : first, spots.length - count));
  const chosen = spots.slice(start, start + count);
  return chosen.length < count || (one < 0 && chosen.some((k) => skips[k]! < 1))
    ? null
    : chosen.map((at) => ({ at, by: one }));
}

interface Change extends Pick<SideEnding, 'kind' | 'repeats' | 'at' | 'spots'> {
  /** Changes of the side that stand already. */
  readonly before: readonly PlacedChange[];
  /** Stitches more of the side than were planned. */
  readonly stitches: number;
}

/** A way with its outcome; null where the round would not come out by it. */
function tried({ plan, planner, inHand, more }: Trial, change: Change): SideEnding | null {
  const { round, side } = inHand;
  const done = held(round.done, 'the round in hand was begun');
  const below = plan.rounds[round.onto]!;
  const placed = [...change.before, ...change.at];
  const count = done.planned[side]! + change.stitches;
  const entry = withChanges(round, side, placed, plan.sides.length);
  const deeds: readonly Deed[] = [
    {
      did: 'counted',
      round: identityOfRound(below),
      counts: below.sides.map(({ tally }, s) => (s === side ? tally.stitches + more : null)),
    },
    {
      did: 'altered',
      round: identityOfRound(round),
      why: 'side end',
      entry,
      base: null,
      counts: done.planned.map((n, s) => (s === side ? count : n)),
    },
  ];
  const hem = repaired(plan.hem, { deeds, edit: null });
  const then = hem && planner(hem);
  const now = then?.rounds[round.number];
  if (!then || !now || !comesTo(then, now, side, count)) return null;
  const isLast = round.number === plan.rounds.length - 1;
  const beside = change.at.reduce((sum, { by }) => sum + by, 0);
  return {
    kind: change.kind,
    more: beside,
    repeats: change.repeats,
    at: change.at,
    spots: change.spots,
    deeds,
    then,
    entry: entryAt(then, now, side, change.at[0]?.at ?? null),
    count: now.sides[side]!.tally.stitches,
    shows:
      (inHand.act.along.into === 'each'
        ? VISIBILITY.plain(beside, isLast)
        : VISIBILITY.skip(beside, isLast)) +
      seenIn(plan, then) +
      apartIn(plan, then),
    ...outcomeOf(then),
  };
}

/** The entry of a round with changes of a side at the places that are given. */
function withChanges(
  round: RoundPlan,
  side: number,
  placed: readonly PlacedChange[],
  sides: number,
): RoundEntry {
  const { entry, index } = writtenOf(round);
  const key = String(index);
  const changes = numbersFrom(0, sides).map((s) =>
    s === side ? placed.reduce((sum, { by }) => sum + by, 0) : (entry.changes[key]?.[s] ?? 0),
  );
  const at = numbersFrom(0, sides).map((s) => (s === side ? placed : (entry.changesAt[key]?.[s] ?? [])));
  return {
    ...entry,
    changes: { ...entry.changes, [key]: changes },
    changesAt: { ...entry.changesAt, [key]: at },
  };
}

/** Whether a round, worked as it is written and not as it was found, comes to a count on a side and comes out even there. */
function comesTo(then: Plan, round: RoundPlan, side: number, count: number): boolean {
  const written = writtenOf(round);
  const below = then.rounds[round.onto]!;
  const high = below.plannedHeightMm / round.stitchWidthMm;
  const worked = workRound(below.ring, written.recipe, circumstancesOf(written, then.body.outline, high));
  const fit = worked.sides[side];
  return fit !== undefined && isEven(fit) && countSide(worked.ring, side).stitches === count;
}

/** The entry of the ring in which a place of a side is worked into, or before which a skip lies; that of its end without one. */
function entryAt(plan: Plan, round: RoundPlan, side: number, at: number | null): number {
  const procedure = proceduresOf(plan)[round.number]!;
  const order = orderOfWork(round);
  const act = procedure.acts.find((a): a is ActOf<'side'> => a.do === 'side' && a.side === side);
  const layout = round.layout.sides[side]!;
  if (at !== null && act?.along.into === 'each') {
    const places = new Places(plan, procedure, plan.hem.preferences.language);
    const begin = places.beginOf(side) ?? 0;
    for (let w = layout.start; w < layout.start + layout.length; w++)
      if ((places.usedBy(w)?.to ?? -1) - begin >= at) return order.entry(w);
  }
  if (at !== null && act?.along.into === 'repeats')
    return order.entry(skipEntry(act.along.steps, layout, at, order));
  return order.entry(layout.start + Math.max(0, layout.length - 1));
}

/** The entry, in the order of work, with which the repeat of a skip begins, or what comes after the last. */
function skipEntry(
  steps: Parameters<typeof sidePattern>[0],
  layout: RoundPlan['layout']['sides'][number],
  at: number,
  { size }: InOrder,
): number {
  const { head, body } = sidePattern(steps);
  const ofHead = skipsAlong({ head, body: [], tail: [] }, 0).length;
  const each = skipsAlong({ head: [], body, tail: [] }, 1).length;
  if (at < ofHead) return layout.start;
  const repeat = each === 0 ? layout.repeats.length : Math.floor((at - ofHead) / each);
  return (layout.repeats[repeat] ?? layout.tail) % size;
}

/** Ending of the side that faces the one in hand, where it was ended otherwise in this round: to be offered again. */
export function endedOpposite(plan: Plan): { readonly side: number; readonly more: number } | null {
  const inHand = sideInHandOf(plan);
  if (!inHand) return null;
  const { round, side } = inHand;
  const pair = oppositeSides(plan.body).find((sides) => sides.includes(side));
  const facing = pair && (pair[0] === side ? pair[1] : pair[0]);
  if (facing === undefined) return null;
  const { entry, index } = writtenOf(round);
  const found = entry.changesAt[String(index)]?.[facing] ?? [];
  const by = found.reduce((sum, c) => sum + c.by, 0);
  const own = entry.changesAt[String(index)]?.[side] ?? [];
  if (by === 0 || own.length > 0) return null;
  return { side: facing, more: inHand.act.along.into === 'each' ? -by : by };
}

/** The place, or skip, of a way that lies nearest to an entry of the round in hand, as that is in its plan. */
export function spotNearest(
  { then, spots }: SideEnding,
  number: number,
  side: number,
  entry: number,
): number | null {
  const round = then.rounds[number]!;
  const { size } = orderOfWork(round);
  const away = (spot: number): number => {
    const by = Math.abs(entryAt(then, round, side, spot) - entry);
    return Math.min(by, size - by);
  };
  return spots.reduce<number | null>(
    (best, spot) => (best === null || away(spot) < away(best) ? spot : best),
    null,
  );
}
