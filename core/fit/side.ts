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
import { held } from '../held.ts';
import { trialBase } from '../base/baseRound.ts';
import type { Edge } from '../piece/edge.ts';
import { plainChange } from '../ring/along.ts';
import { withStitches } from '../ring/found.ts';
import { meetsNeeds, needsOf, type Needs } from '../ring/recipe.ts';
import { placesOnSide, tallySide, type Ring } from '../ring/ring.ts';
import { workRound } from '../ring/work.ts';
import { circumstancesOf, type WrittenRound } from '../stack/stack.ts';
import { VISIBILITY } from './cost.ts';
import { FEW, fitLevels, readsEdge, outlineOf, type Level } from './levels.ts';
import { isLast, type FitSide, type FitStack } from './sideTask.ts';

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

/** Places that a round finds on the side. */
interface State {
  readonly key: string | number;
  readonly stitches: number;
  readonly ring: Ring;
}

/** A plain ring with so many stitches on the side, made when it is asked for. */
class PlainState implements State {
  private made: Ring | undefined;

  constructor(
    private readonly level: Level,
    readonly stitches: number,
  ) {}

  get key(): number {
    return this.stitches;
  }

  get ring(): Ring {
    return (this.made ??= withStitches(this.level.ring, 0, this.stitches));
  }
}

/** A round worked from a state: what it cost, and what it leaves; null after the last round. */
interface Step {
  readonly change: number;
  readonly cost: number;
  readonly lopsided: boolean;
  readonly places: readonly number[];
  readonly next: State | null;
}

const NO_PLACES: readonly number[] = [];
const END: Rest = { change: 0, then: null, cost: 0, quiet: false, lopsided: false, places: NO_PLACES };
const END_REACHED: Found = { rests: [END], reach: 0 };

/** Changes tried in one round: one stitch in a plain round, a skip at either end in a pattern. */
const PLAIN_CHANGES = [0, 1, -1];
const SKIP_CHANGES = [0, 1, -1, 2, -2];
const NO_CHANGE = [0];

/** Findings from a state on: the ways, and the farthest round that was come to. */
interface Found {
  readonly rests: readonly Rest[];
  readonly reach: number;
}

/** Findings for a side: its levels, and what follows from every state, by round. */
interface Table {
  readonly levels: readonly Level[];
  readonly known: readonly Map<string | number, Found>[];
}

/**
 * Findings for all sides of a search: sides that are alike in what bears on it share it, whatever their
 * lengths and counts.
 */
export class Tables {
  private readonly tables = new Map<string, Table>();
  private readonly edges: Edge[] = [];

  of(side: FitSide, stack: FitStack, fixedChanges: readonly number[]): Table {
    const { edge, turns, ends, choice } = side;
    if (!this.edges.includes(edge)) this.edges.push(edge);
    const own = readsEdge(side, stack)
      ? [this.edges.indexOf(edge), side.stitchWidthMm, choice.own, choice.crossings]
      : [];
    const key = JSON.stringify([turns, ends, choice.school, fixedChanges, own]);
    let table = this.tables.get(key);
    if (!table) {
      table = {
        levels: fitLevels(side, stack),
        known: stack.rounds.map(() => new Map<string | number, Found>()),
      };
      this.tables.set(key, table);
    }
    return table;
  }
}

/** Searches one side. `fixedChanges` are the changes in force, kept in rounds that are worked already. */
export function searchSide(
  side: FitSide,
  stack: FitStack,
  fixedChanges: readonly number[],
  tables = new Tables(),
): SideSearch {
  if (side.leftOut) {
    const nothing = stack.rounds.map(() => 0);
    const places = ringRounds(stack).map(() => 0);
    return {
      ways: [{ count: side.count, changes: nothing, cost: 0, lopsided: false, places }],
      stopsAt: null,
    };
  }
  const { levels, known } = tables.of(side, stack, fixedChanges);

  const from = (k: number, state: State | null): Found => {
    if (k === stack.rounds.length || !state) return END_REACHED;
    const before = known[k]!.get(state.key);
    if (before) return before;
    if (stack.budget.left < 0) return { rests: [], reach: k };
    const free = k + 1 >= stack.worked && stack.quietChanges !== false;
    const fixed = free ? null : (fixedChanges[k] ?? 0);
    const cheapest = new Cheapest(stack);
    const { gain, taken } = levels[k]!;
    let reach = k;
    if (gain !== null) {
      // By far the most rounds are these: what follows is looked up by its count.
      const next = known[k + 1];
      for (const change of fixed === null ? PLAIN_CHANGES : [fixed]) {
        const stitches = state.stitches + gain + plainChange(change, state.stitches - taken);
        const cost = VISIBILITY.plain(change, isLast(k, stack));
        const then =
          next?.get(stitches) ?? from(k + 1, next ? new PlainState(levels[k + 1]!, stitches) : null);
        for (const rest of then.rests) cheapest.offer(change, cost, false, NO_PLACES, rest);
        reach = Math.max(reach, then.reach);
      }
    } else {
      for (const step of otherSteps(state, k, side, stack, levels[k]!, fixed)) {
        const then = from(k + 1, step.next);
        for (const rest of then.rests)
          cheapest.offer(step.change, step.cost, step.lopsided, step.places, rest);
        reach = Math.max(reach, then.reach);
      }
    }
    const found = { rests: cheapest.all(), reach };
    known[k]!.set(state.key, found);
    return found;
  };

  let farthest = 0;
  const ways = baseCounts(side, stack).flatMap((count) => {
    const percent = (100 * (count - side.flat)) / side.flat;
    const cost = stack.worked > 0 ? 0 : percent * percent;
    const { rests, reach } = from(0, baseState(side, stack, levels[0]!, count));
    farthest = Math.max(farthest, reach);
    return rests.map((rest) => ({
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

function changesOf(rest: Rest): readonly number[] {
  const changes: number[] = [];
  for (let at = rest; at.then !== null; at = at.then) changes.push(at.change);
  return changes;
}

/** The cheapest of every kind of what is offered, and, past the corners, of every remainder. */
class Cheapest {
  /** By kind where nothing runs past the corners, else by kind and remainders. */
  private readonly byKind: (Rest | undefined)[] = [undefined, undefined, undefined, undefined];
  private readonly byRemainders = new Map<string, Rest>();

  constructor(private readonly stack: FitStack) {}

  offer(change: number, stepCost: number, isLopsided: boolean, past: readonly number[], rest: Rest): void {
    const quiet = rest.quiet || change !== 0;
    const lopsided = rest.lopsided || isLopsided;
    const kind = (quiet ? 1 : 0) + (lopsided ? 2 : 0);
    const cost = stepCost + rest.cost;
    if (past.length + rest.places.length === 0) {
      const before = this.byKind[kind];
      if (before === undefined || cost < before.cost)
        this.byKind[kind] = { change, then: rest, cost, quiet, lopsided, places: NO_PLACES };
      return;
    }
    const places = [...past, ...rest.places];
    const key = `${kind} ${remainders(places, this.stack).join(' ')}`;
    const before = this.byRemainders.get(key);
    if (before === undefined || cost < before.cost)
      this.byRemainders.set(key, { change, then: rest, cost, quiet, lopsided, places });
  }

  all(): readonly Rest[] {
    return [...this.byKind.filter((rest) => rest !== undefined), ...this.byRemainders.values()];
  }
}

/** Whether a way makes quiet changes, and whether it goes off centre: solutions are to differ in these. */
export const wayKind = (way: SideWay): string =>
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

function baseCounts(side: FitSide, stack: FitStack): readonly number[] {
  if (stack.worked > 0) return [side.count];
  return Array.from({ length: side.to - side.from + 1 }, (_, i) => side.from + i);
}

function baseState(side: FitSide, stack: FitStack, level: Level, count: number): State {
  if (level.plain) return new PlainState(level, tallySide(level.ring, 0).stitches + count - FEW);
  let ring: Ring | undefined;
  return {
    key: `edge ${count}`,
    stitches: count,
    get ring() {
      return (ring ??= trialBase(
        stack.base,
        side.choice,
        side.edge,
        outlineOf(side),
        count,
        side.stitchWidthMm,
      ));
    },
  };
}

/** The ways of working round `k`, which is not a plain one on a plain ring, onto a state. */
function otherSteps(
  state: State,
  k: number,
  side: FitSide,
  stack: FitStack,
  level: Level,
  fixed: number | null,
): readonly Step[] {
  const round = stack.rounds[k]!;
  if (round.recipe.scope === 'ring') {
    const places = placesOnSide(state.ring, 0, new Set([round.sitsOn])).length;
    return [{ change: 0, cost: 0, lopsided: false, places: [places], next: state }];
  }
  return patternedSteps(state, k, side, stack, level, fixed);
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
    const cost = VISIBILITY.skip(change, isLast(k, stack));
    const found = intoStitches
      ? wayOut(state.stitches - level.taken - change, held(needs, 'a round has needs'), otherNeeds)
      : 'to be worked';
    if (found === 'none') return [];
    const last = isLast(k, stack);
    if (found !== 'to be worked' && last) {
      const lopsided = found === 'lopsided';
      return [
        { change, cost: cost + (lopsided ? VISIBILITY.lopsided : 0), lopsided, places: [], next: null },
      ];
    }
    // A search that would go on and on is given up; whoever asked is told.
    stack.budget.left -= state.stitches;
    if (stack.budget.left < 0) return [];
    const outline = outlineOf(side);
    const changed = outline.sides.map((_, i) => (i === 0 ? change : 0));
    const entry = { ...round.entry, changes: { [String(round.index)]: changed } };
    const circumstances = circumstancesOf({ ...round, entry }, outline, stack.heightsBelow[k]!);
    const worked = workRound(state.ring, recipe, circumstances);
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
  if (meetsNeeds(places, needs)) return 'even';
  return other && meetsNeeds(places, other) ? 'lopsided' : 'none';
}

function workedState(ring: Ring): State {
  const { stitches, spaces, chains } = tallySide(ring, 0);
  return { key: `${stitches} ${spaces} ${chains}`, stitches, ring };
}
