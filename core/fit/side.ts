/**
 * The ways in which the rounds of a stack come out even on one side.
 *
 * Dynamic programming over rounds, from the last to the first. State: a round and what its ring offers on the
 * side. Invariant: what can still happen depends on the state alone, so for each state only the cheapest rest of
 * every kind is kept, and of every set of remainders that rounds past the corners look at. Cost: rounds × counts ×
 * changes, and where a pattern does not go into plain stitches the stitches of a trial ring. Method: Bellman (1957).
 *
 * A trial ring has the side in question, with its two corners, and an empty side that closes it. What a
 * side-wise round does on a side does not depend on the others, so the trial is exact.
 */
import { trialBase, type BaseRound, type SideChoice } from '../base/baseRound.ts';
import { evenEdge, type Edge } from '../piece/edge.ts';
import type { Outline } from '../piece/outline.ts';
import {
  comesOutEven,
  needsOf,
  needsOfPattern,
  patternOf,
  placeKindsUsed,
  waysOf,
  type Needs,
  type Ways,
} from '../ring/recipe.ts';
import { placesOnSide, sideSpan, tallySide, type Ring } from '../ring/ring.ts';
import { stitchOf, type Stitch } from '../ring/stitch.ts';
import { isPlain, workRound } from '../ring/work.ts';
import { circumstancesOf, type WrittenRound } from '../stack/stack.ts';
import { VISIBILITY } from './cost.ts';

/** A side as the fit sees it. */
export interface FitSide {
  readonly name: string;
  /** Stitches along the edge now. */
  readonly count: number;
  /** Count at which the base round lies flat; need not be whole. */
  readonly flat: number;
  readonly choice: SideChoice;
  readonly edge: Edge;
  /** Width of a border stitch, mm. */
  readonly stitchWidthMm: number;
  /** Turns of the corners before and after the side, radians; none for a disc. */
  readonly turns: readonly [number, number] | readonly [];
  /** Lowest and highest count to consider. */
  readonly from: number;
  readonly to: number;
}

/** The stack of rounds as the fit sees it. */
export interface FitStack {
  readonly base: BaseRound;
  readonly rounds: readonly WrittenRound[];
  /** For every round the height of the ring below it, in stitch widths of that round. */
  readonly heightsBelow: readonly number[];
  /** Rounds already worked: 0 none, 1 the base round, 2 the base and round 1, … Their counts stay. */
  readonly worked: number;
  /** False to allow no quiet change but those in force. */
  readonly quietChanges?: boolean;
  /** How many stitches may still be worked on trial rings; shared by all sides, and used up by the search. */
  readonly budget: Budget;
}

interface Budget {
  left: number;
}

/** Stitches worked on trial rings in one search: a usual hem takes some hundred thousand. */
export const FIT_BUDGET = 20_000_000;

/** One way along a side: its base count and the quiet change of every round. */
export interface SideWay {
  readonly count: number;
  readonly changes: readonly number[];
  readonly cost: number;
  readonly lopsided: boolean;
  /** Places that each round past the corners finds on this side, in the order of those rounds. */
  readonly places: readonly number[];
}

export interface SideSearch {
  /** For every base count, kind and set of remainders the cheapest way; sorted by cost. */
  readonly ways: readonly SideWay[];
  /** Round that no way got past, as an index into the stack; null when some way reaches the end. */
  readonly stopsAt: number | null;
}

/** A way through the rounds from some round on, as a list that shares its tails with other ways. */
interface Rest {
  readonly change: number;
  readonly then: Rest | null;
  readonly cost: number;
  readonly quiet: boolean;
  readonly lopsided: boolean;
  readonly places: readonly number[];
}

/** What a round finds on the side. */
interface State {
  readonly key: string;
  readonly stitches: number;
  readonly ring: () => Ring;
}

/** A round worked from a state: what it cost, and what it leaves; null after the last round. */
interface Step {
  readonly change: number;
  readonly cost: number;
  readonly lopsided: boolean;
  readonly places: readonly number[];
  readonly next: State | null;
}

const END: Rest = { change: 0, then: null, cost: 0, quiet: false, lopsided: false, places: [] };
const NOTHING_LEFT: readonly Rest[] = [END];

/** Changes tried in one round: one stitch in a plain round, a skip at either end in a pattern. */
const PLAIN_CHANGES = [0, 1, -1];
const SKIP_CHANGES = [0, 1, -1, 2, -2];
const NO_CHANGE = [0];

/** Searches one side. `fixedChanges` are the changes in force, kept in rounds that are worked already. */
export function searchSide(side: FitSide, stack: FitStack, fixedChanges: readonly number[]): SideSearch {
  const levels = levelsOf(side, stack);
  const known = stack.rounds.map(() => new Map<string, readonly Rest[]>());
  let farthest = 0;

  const restFrom = (k: number, state: State | null): readonly Rest[] => {
    if (k === stack.rounds.length || !state) return NOTHING_LEFT;
    farthest = Math.max(farthest, k);
    const before = known[k]!.get(state.key);
    if (before) return before;
    if (stack.budget.left < 0) return [];
    const free = k + 1 >= stack.worked && stack.quietChanges !== false;
    const steps = stepsFrom(state, k, side, stack, levels, free ? null : (fixedChanges[k] ?? 0));
    const found = cheapestOfEach(
      steps.flatMap((step) => restFrom(k + 1, step.next).map((rest) => after(step, rest))),
      stack,
    );
    known[k]!.set(state.key, found);
    return found;
  };

  const ways = baseCounts(side, stack).flatMap((count) => {
    const percent = (100 * (count - side.flat)) / side.flat;
    const cost = stack.worked > 0 ? 0 : percent * percent;
    return restFrom(0, baseState(side, stack, levels[0]!, count)).map((rest) => ({
      count,
      changes: changesOf(rest),
      cost: rest.cost + cost,
      lopsided: rest.lopsided,
      places: rest.places,
    }));
  });
  return ways.length > 0
    ? { ways: ways.sort((x, y) => x.cost - y.cost), stopsAt: null }
    : { ways, stopsAt: farthest };
}

function after(step: Step, rest: Rest): Rest {
  return {
    change: step.change,
    then: rest,
    cost: step.cost + rest.cost,
    quiet: rest.quiet || step.change !== 0,
    lopsided: step.lopsided || rest.lopsided,
    places: step.places.length === 0 ? rest.places : [...step.places, ...rest.places],
  };
}

function changesOf(rest: Rest): readonly number[] {
  const changes: number[] = [];
  for (let at = rest; at.then !== null; at = at.then) changes.push(at.change);
  return changes;
}

function cheapestOfEach(rests: readonly Rest[], stack: FitStack): readonly Rest[] {
  const best = new Map<string | number, Rest>();
  for (const rest of rests) {
    const kind = (rest.quiet ? 1 : 0) + (rest.lopsided ? 2 : 0);
    const key = rest.places.length === 0 ? kind : `${kind} ${remainders(rest.places, stack).join(' ')}`;
    const before = best.get(key);
    if (!before || rest.cost < before.cost) best.set(key, rest);
  }
  return [...best.values()];
}

/** Whether a way makes quiet changes, and whether it goes off centre: solutions are to differ in these. */
export const kindOf = (way: SideWay): string =>
  `${way.changes.some((c) => c !== 0) ? 'quiet' : ''}${way.lopsided ? ' lopsided' : ''}`;

/** Rounds that run past the corners, in order. */
export const ringRounds = (stack: FitStack): readonly WrittenRound[] =>
  stack.rounds.filter((r) => r.recipe.scope === 'ring');

/**
 * Places modulo what each round past the corners needs.
 *
 * @param places of the last so many of those rounds
 */
export function remainders(places: readonly number[], stack: FitStack): readonly number[] {
  if (places.length === 0) return places;
  const rounds = ringRounds(stack);
  const first = rounds.length - places.length;
  return places.map((count, i) => count % needsOf(rounds[first + i]!.recipe).modulus);
}

/** What is known of a level of the stack whatever the count. */
interface Level {
  /** The ring below the round, with few stitches on the side. */
  readonly ring: Ring;
  /** That ring is a plain one: every count of stitches can be put on its side. */
  readonly plain: boolean;
  /** Stitches that the round adds to those it finds when it is plain and works on a plain ring; else null. */
  readonly gain: number | null;
  /** Stitches of the side that decreases at inner corners take from the round's pattern. */
  readonly taken: number;
  /** What the round's pattern is like: whether it skips, whether it goes into stitches alone, what it needs. */
  readonly skips: boolean;
  readonly intoStitches: boolean;
  readonly needs: Needs | null;
  readonly otherNeeds: Needs | null;
}

const NO_PATTERN = { skips: false, intoStitches: false, needs: null, otherNeeds: null };

const FEW = 24;

/** The outline of a trial ring: its two corners, no lengths. */
const outlineOf = (side: FitSide): Outline => ({
  sides: side.turns.map((_, i) => ({ name: String(i), lengthMm: 0 })),
  turns: [...side.turns],
});

function levelsOf(side: FitSide, stack: FitStack): readonly Level[] {
  const outline = outlineOf(side);
  let ring = trialBase(stack.base, side.choice, evenly(side.edge), side.turns, FEW, side.stitchWidthMm);
  let plain = !readsEdge(side, stack);
  return [...stack.rounds, null].map((round, k) => {
    if (round === null) return { ring, plain, gain: null, taken: 0, ...NO_PATTERN };
    const { recipe } = round;
    const alone = { ...round, entry: { ...round.entry, changes: {} } };
    const worked = workRound(ring, recipe, circumstancesOf(alone, outline, stack.heightsBelow[k]!));
    const stays = recipe.surface === true || recipe.scope === 'ring';
    const roundIsPlain = isPlain(patternOf(recipe.side)) && !stays;
    const stitches = tallySide(ring, 0).stitches;
    const ways = waysOf(recipe, side.turns.length > 0);
    const level: Level = {
      ring,
      plain,
      gain: roundIsPlain && plain ? tallySide(worked.ring, 0).stitches - stitches : null,
      taken: stitches - worked.sides[0]!.places,
      ...likenessOf(round, ways),
    };
    if (!stays) {
      ring = worked.ring;
      plain = plain && roundIsPlain;
    }
    return level;
  });
}

/** An edge that takes any count one by one. */
const evenly = (edge: Edge): Edge => ({
  ...evenEdge({ kind: 'counted stitch' }, FEW, edge.measuredMm, 'stitch'),
  ...(edge.loopChains === undefined ? {} : { loopChains: edge.loopChains }),
});

/**
 * Whether what is worked onto the base round depends on where its stitches sit in the edge: where they are worked in
 * loops, and where a round goes into gaps, pairs or spaces of the base round itself.
 */
function readsEdge(side: FitSide, stack: FitStack): boolean {
  if (side.choice.school === 'loops' && side.edge.loopChains !== undefined) return true;
  for (const { recipe } of stack.rounds) {
    const kinds = placeKindsUsed(recipe.side);
    if (kinds.has('gap') || kinds.has('pair') || kinds.has('space')) return true;
    // What follows goes into this round.
    if (!recipe.surface) return false;
  }
  return false;
}

function likenessOf({ recipe, sitsOn }: WrittenRound, ways: Ways): Pick<Level, keyof typeof NO_PATTERN> {
  const { head, body, tail } = patternOf(ways.own);
  return {
    skips: [...head, ...body, ...tail].some((s) => s.do === 'skip'),
    intoStitches: sitsOn === 'stitch' && placeKindsUsed(ways.own).size === 1,
    needs: needsOfPattern(patternOf(ways.own), recipe.scope),
    otherNeeds: ways.other ? needsOfPattern(patternOf(ways.other), recipe.scope) : null,
  };
}

function baseCounts(side: FitSide, stack: FitStack): readonly number[] {
  if (stack.worked > 0) return [side.count];
  return Array.from({ length: side.to - side.from + 1 }, (_, i) => side.from + i);
}

function baseState(side: FitSide, stack: FitStack, level: Level, count: number): State {
  if (level.plain) return plainState(level, tallySide(level.ring, 0).stitches + count - FEW);
  const ring = once(() =>
    trialBase(stack.base, side.choice, side.edge, side.turns, count, side.stitchWidthMm),
  );
  return { key: `${count}`, stitches: count, ring };
}

/** A plain ring with so many stitches on the side. */
const plainState = (level: Level, stitches: number): State => ({
  key: `${stitches}`,
  stitches,
  ring: once(() => withStitches(level.ring, stitches)),
});

/** The ways of working round `k` onto a state. */
function stepsFrom(
  state: State,
  k: number,
  side: FitSide,
  stack: FitStack,
  levels: readonly Level[],
  fixed: number | null,
): readonly Step[] {
  const round = stack.rounds[k]!;
  const level = levels[k]!;
  if (round.recipe.scope === 'ring') {
    const places = placesOnSide(state.ring(), 0, new Set([round.sitsOn])).length;
    return [{ change: 0, cost: 0, lopsided: false, places: [places], next: state }];
  }
  if (level.gain === null) return patternedSteps(state, k, side, stack, level, fixed);
  const { gain } = level;
  return (fixed === null ? PLAIN_CHANGES : [fixed]).map((change) => ({
    change,
    cost: VISIBILITY.plain(change, k, stack),
    lopsided: false,
    places: [],
    next: plainState(levels[k + 1]!, state.stitches + gain + change),
  }));
}

function patternedSteps(
  state: State,
  k: number,
  side: FitSide,
  stack: FitStack,
  level: Level,
  fixed: number | null,
): readonly Step[] {
  const round = stack.rounds[k]!;
  const { recipe } = round;
  const { intoStitches, needs, otherNeeds } = level;
  const changes = fixed !== null ? [fixed] : level.skips ? SKIP_CHANGES : NO_CHANGE;
  return changes.flatMap((change): readonly Step[] => {
    const cost = VISIBILITY.skip(change, k, stack);
    const found = intoStitches
      ? wayOut(state.stitches - level.taken - change, needs!, otherNeeds)
      : 'to be worked';
    if (found === 'none') return [];
    const last = k === stack.rounds.length - 1;
    if (found !== 'to be worked' && last) {
      const lopsided = found === 'lopsided';
      return [
        { change, cost: cost + (lopsided ? VISIBILITY.lopsided : 0), lopsided, places: [], next: null },
      ];
    }
    // A search that would go on and on is given up; whoever asked is told.
    stack.budget.left -= state.stitches;
    if (stack.budget.left < 0) return [];
    const entry = { ...round.entry, changes: { [String(round.index)]: [change, 0] } };
    const circumstances = circumstancesOf({ ...round, entry }, outlineOf(side), stack.heightsBelow[k]!);
    const worked = workRound(state.ring(), recipe, circumstances);
    const fit = worked.sides[0]!;
    if (fit.over > 0 || fit.short > 0 || fit.stuck) return [];
    const next = recipe.surface ? state : workedState(worked.ring);
    return [
      {
        change,
        cost: cost + (fit.lopsided ? VISIBILITY.lopsided : 0),
        lopsided: fit.lopsided,
        places: [],
        next,
      },
    ];
  });
}

/** How a pattern that goes into stitches comes out on a count. */
function wayOut(places: number, needs: Needs, other: Needs | null): 'none' | 'even' | 'lopsided' {
  if (comesOutEven(places, needs)) return 'even';
  return other && comesOutEven(places, other) ? 'lopsided' : 'none';
}

function workedState(ring: Ring): State {
  const { stitches, spaces, chains } = tallySide(ring, 0);
  return { key: `${stitches} ${spaces} ${chains}`, stitches, ring: () => ring };
}

/** A plain ring with another number of stitches on its first side. */
function withStitches(ring: Ring, stitches: number): Ring {
  const span = sideSpan(ring, 0);
  const middle = (span.start + (span.length >> 1)) % ring.made.length;
  const more = stitches - tallySide(ring, 0).stitches;
  const plain: Stitch = stitchOf({ kind: ring.made[middle]!.kind });
  const made = [...ring.made];
  const into = Array.from(ring.into, (place) => place);
  if (more >= 0) {
    made.splice(middle, 0, ...Array.from({ length: more }, () => plain));
    // Places of their own, so that no two of them count as a group.
    into.splice(middle, 0, ...Array.from({ length: more }, (_, i) => OWN_PLACES + i));
  } else {
    const first = Math.max(span.start + 3, middle + more);
    made.splice(first, -more);
    into.splice(first, -more);
  }
  const shift = more;
  const centres = ring.centres.map((c) => (c.start > span.start ? { ...c, start: c.start + shift } : c));
  return { made, into: Int32Array.from(into), centres };
}

const OWN_PLACES = 1_000_000;

function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | undefined;
  return () => (made ??= { value: make() }).value;
}
