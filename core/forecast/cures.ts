/**
 * Cause of a border that does not lie flat, and its nearest cures. What a side has too much or too little of grows from
 * the base round outwards: each entry adds what its stitches make longer, less what the outline grows by. The entry that
 * adds most is the cause; another corner of it, or other counts of the base round, are planned again before they are offered.
 */
import type { Hem, RoundEntry } from '../document/hem.ts';
import type { FitSolution, Worst } from '../fit/fit.ts';
import { fitHem, worstOf } from '../fit/open.ts';
import { FLATNESS } from '../flat/flat.ts';
import { lengthAt, turnedCorners } from '../piece/outline.ts';
import { isWorkedSide } from '../piece/part.ts';
import { sidesWorked, type Plan, type RoundPlan } from '../plan/types.ts';
import { workedRounds } from '../record/record.ts';
import { familyById } from '../rounds/registry.ts';
import { countOf, troublesOf } from './troubles.ts';

export type StrainCause =
  /** Stitches of sides of the base round, as counts are shown, and those with which they would lie flat. */
  | { readonly kind: 'count'; readonly sides: readonly number[]; readonly has: number; readonly flat: number }
  /** Stitches that each of some rounds adds to a side at its corners, and those with which it would lie flat. */
  | {
      readonly kind: 'corners';
      readonly rounds: readonly number[];
      readonly sides: readonly number[];
      readonly has: number;
      readonly flat: number;
    }
  /** Rounds that are longer, or shorter, than what they are worked into by a share of it, beyond what the outline grows by. */
  | { readonly kind: 'stitches'; readonly rounds: readonly number[]; readonly longer: number };

/** A change with which every round fits and the border lies flatter, planned again. */
export interface Cure extends FitSolution {
  readonly worst: Worst;
}

export interface Cures {
  /** Null where no round stands out. */
  readonly cause: StrainCause | null;
  /** The best of each kind, the flattest first. */
  readonly ways: readonly Cure[];
}

/** Rounds whose stitches differ in width by less are of the same stitches. */
const SAME_WIDTH = 0.01;

interface Blamed {
  readonly side: number;
  /** Rounds from the base round up to the one that lies worst. */
  readonly chain: readonly RoundPlan[];
  /** Those of the entry that adds most to it. */
  readonly rounds: readonly RoundPlan[];
}

function blamedIn(plan: Plan): Blamed | null {
  const trouble = troublesOf(plan).find((t) => t.kind === 'not flat');
  if (!trouble) return null;
  const chain = chainTo(plan, trouble.round);
  const { rounds } = groupsOf(chain)
    .map((group) => ({ rounds: group, adds: sum(group, (r) => added(plan, r, trouble.side)) }))
    .reduce((one, other) =>
      other.adds * Math.sign(trouble.strain) > one.adds * Math.sign(trouble.strain) ? other : one,
    );
  return { side: trouble.side, chain, rounds };
}

/** Cause of what is worst about how a border lies; null where it lies flat, or no round stands out. */
export function strainCauseOf(plan: Plan): StrainCause | null {
  const blamed = blamedIn(plan);
  return blamed && causeOf(plan, blamed.rounds, blamed.side);
}

/** Cause and cures of what is worst about how a border lies; null where it lies flat. */
export function curesOf(plan: Plan): Cures | null {
  const blamed = blamedIn(plan);
  if (!blamed) return null;
  const { chain, rounds, side } = blamed;
  const caused = rounds[0]!;
  // What has been begun stays: then the next corners that are still open.
  const entry = caused.done
    ? chain.find((r) => !r.done && r.written && hasCorners(plan, r.written.entry))?.written?.entry
    : caused.written?.entry;
  const ways = [
    ...(entry && hasCorners(plan, entry) ? [withOtherCorner(plan, entry)] : []),
    withOtherCounts(plan, chain),
  ];
  return {
    cause: causeOf(plan, rounds, side),
    ways: ways
      .flatMap((way) => way ?? [])
      .sort((a, b) => flatness(a) - flatness(b) || Math.abs(a.worst.strain) - Math.abs(b.worst.strain)),
  };
}

/** Sum over rounds. */
const sum = (rounds: readonly RoundPlan[], of: (round: RoundPlan) => number): number =>
  rounds.reduce((all, round) => all + of(round), 0);

const flatness = (way: Cure): number => FLATNESS[way.worst.verdict];

/** Rounds from the base round up to one, each worked into the one before; of a free edge the round that it hangs on. */
function chainTo({ rounds }: Plan, number: number): readonly RoundPlan[] {
  const chain: RoundPlan[] = [];
  for (let at = rounds[number]; at; at = rounds[at.onto]) if (!at.free) chain.unshift(at);
  return chain;
}

/** Rounds of a chain by their entries. */
function groupsOf(chain: readonly RoundPlan[]): readonly (readonly RoundPlan[])[] {
  const groups = new Map<string | null, RoundPlan[]>();
  for (const round of chain) {
    const id = round.written?.entry.id ?? null;
    groups.set(id, [...(groups.get(id) ?? []), round]);
  }
  return [...groups.values()];
}

interface Lengths {
  /** By its own stitches, and to lie flat, mm. */
  readonly own: number;
  readonly needed: number;
}

function lengthsOf({ body: { outline } }: Plan, round: RoundPlan, side: number): Lengths {
  const needed = lengthAt(outline, side, round.heightMm, round.radiusMm);
  return { own: needed * (1 + round.sides[side]!.strain), needed };
}

/** Lengths by which a round is longer than the one that it is worked into; of the base round its own. */
function grown(plan: Plan, round: RoundPlan, side: number): Lengths {
  const own = lengthsOf(plan, round, side);
  const below = plan.rounds[round.onto];
  if (!below) return own;
  const under = lengthsOf(plan, below, side);
  return { own: own.own - under.own, needed: own.needed - under.needed };
}

/** Length that a round adds to a side beyond what lies flat, mm. */
function added(plan: Plan, round: RoundPlan, side: number): number {
  const { own, needed } = grown(plan, round, side);
  return own - needed;
}

function causeOf(plan: Plan, rounds: readonly RoundPlan[], side: number): StrainCause | null {
  const first = rounds[0]!;
  const numbers = rounds.map((r) => r.number);
  const below = plan.rounds[first.onto];
  if (!below) {
    const flatAt = (s: number): number => Math.round(plan.sides[s]!.flatCount + plan.sides[s]!.corners);
    const has = countOf(plan, side);
    const sides = sidesWorked(plan).filter((s) => countOf(plan, s) === has && flatAt(s) === flatAt(side));
    return has === flatAt(side) ? null : { kind: 'count', sides, has, flat: flatAt(side) };
  }
  const entry = first.written?.entry;
  const sameStitches = Math.abs(first.stitchWidthMm / below.stitchWidthMm - 1) < SAME_WIDTH;
  if (!entry || !hasCorners(plan, entry) || !sameStitches) {
    const longer = sum(rounds, (r) => added(plan, r, side)) / lengthsOf(plan, below, side).own;
    return { kind: 'stitches', rounds: numbers, longer };
  }
  const mean = (s: number, of: (grown: Lengths) => number): number =>
    Math.round(sum(rounds, (r) => of(grown(plan, r, s)) / r.stitchWidthMm) / rounds.length);
  const has = mean(side, ({ own }) => own);
  const flat = mean(side, ({ needed }) => needed);
  const sides = sidesWorked(plan).filter(
    (s) => mean(s, ({ own }) => own) === has && mean(s, ({ needed }) => needed) === flat,
  );
  return has === flat || has < 0 || flat < 0 ? null : { kind: 'corners', rounds: numbers, sides, has, flat };
}

const hasCorners = ({ body: { outline } }: Plan, { family }: RoundEntry): boolean =>
  turnedCorners(outline).length > 0 && (familyById(family)?.corners.length ?? 0) > 1;

/** The way that lies flattest with another corner of an entry; null where none is better than what there is. */
function withOtherCorner(plan: Plan, { id }: RoundEntry): Cure | null {
  const { hem } = plan;
  if (plan.rounds.some((r) => r.done && r.written?.entry.id === id)) return null;
  const open: Hem = {
    ...hem,
    rounds: hem.rounds.map((r) => ({ ...r, cornerOpen: r.id === id })),
  };
  const ways = fitHem(open).solutions.filter((s) => s.corners?.[id] !== undefined);
  return bestOf(plan, ways);
}

/** The way that lies flattest with other counts of the base round, as far off as the border is. */
function withOtherCounts(plan: Plan, chain: readonly RoundPlan[]): Cure | null {
  const { hem, sides, body } = plan;
  if (workedRounds(hem.record).length > 0) return null;
  const base = chain[0]!;
  const by = sides.map((_, side) => {
    if (!isWorkedSide(body.outline.part, side, body.outline.turns.length)) return 0;
    const off = chain.map((r) => {
      const { own, needed } = lengthsOf(plan, r, side);
      return own - needed;
    });
    // As much too long somewhere as too short elsewhere.
    return -Math.round((Math.max(...off) + Math.min(...off)) / 2 / base.stitchWidthMm);
  });
  if (by.every((change) => change === 0)) return null;
  const moved: Hem = {
    ...hem,
    base: {
      ...hem.base,
      sides: hem.base.sides.map((s, i) =>
        by[i] === 0 ? s : { ...s, count: Math.max(1, sides[i]!.count + by[i]!) },
      ),
    },
  };
  const ways = fitHem(moved).solutions.map((s) => ({
    ...s,
    changes: s.counts.map((count, side) => count - sides[side]!.count),
  }));
  return bestOf(plan, ways);
}

/** The flattest of some ways, then the one that changes least; null where none lies flatter than what there is. */
function bestOf(plan: Plan, ways: readonly FitSolution[]): Cure | null {
  const now = FLATNESS[worstOf(plan).verdict];
  const [best] = ways
    .flatMap(({ worst, ...way }) => (worst ? [{ ...way, worst }] : []))
    .filter((way) => flatness(way) < now)
    .sort((a, b) => flatness(a) - flatness(b) || a.cost - b.cost);
  return best ?? null;
}
