/**
 * Causes that can explain why a count is not what it should be. Each likely slip is played on the ring as it was to be
 * worked, and what it does to the count of every side is compared with what was found.
 */
import type { Plan, RoundPlan } from '../plan/types.ts';
import { orderOfWork, sideAfter } from '../procedure/order.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import { sideSpan, type Span } from '../ring/ring.ts';
import { countsAsStitch } from '../ring/stitch.ts';
import { sideOfEntries } from '../ring/ring.ts';
import { stepsOf } from './steps.ts';

/** Stitches found on each side between its corners; null where nobody counted. */
export type SideCounts = readonly (number | null)[];

export type WorkSlip =
  /**
   * A stitch is missing at a corner: the first one after it, which hides under it, was passed over, or one of the corner’s own was.
   * Where only one side is short, it may be either of its corners.
   */
  | { readonly kind: 'hidden stitch'; readonly corner: number; readonly side: number }
  /** A corner was worked as a single stitch. */
  | { readonly kind: 'corner'; readonly corner: number }
  /** A corner at either end of the side was made twice. */
  | { readonly kind: 'corner twice'; readonly side: number }
  /** The slip stitch of the join was taken for a stitch. */
  | { readonly kind: 'join'; readonly side: number }
  | { readonly kind: 'repeat'; readonly side: number; readonly missed: boolean }
  /** Along joined motifs, one of them. */
  | { readonly kind: 'missed motif'; readonly side: number; readonly number: number }
  /** Somewhere along the side a place was passed over, or taken twice. */
  | { readonly kind: 'places'; readonly side: number; readonly count: number }
  /** The stitches are right, and were counted wrong. */
  | { readonly kind: 'miscount'; readonly side: number; readonly count: number };

/** How likely a slip is, of those that explain what was found. */
export type Likelihood = 'likely' | 'possible' | 'less likely';

export interface Cause {
  readonly slip: WorkSlip;
  readonly likelihood: Likelihood;
  /** Stitches that it takes from each side, or adds to it. */
  readonly effect: readonly number[];
  /** Entry of the ring where to look. */
  readonly entry: number;
  /** Entries of the round from there to the place in hand, in the order of work; negative when it lies ahead. */
  readonly back: number;
}

/** How the count of each side differs from what it should be; 0 where nobody counted. */
export const differences = (round: RoundPlan, found: SideCounts): readonly number[] =>
  round.sides.map(({ tally }, side) => (found[side] ?? tally.stitches) - tally.stitches);

/** A slip with how often it is made in a round like this. */
type Slip = Omit<Cause, 'likelihood'> & { readonly chance: number };

/**
 * The slips that would lead to what was found, the likeliest first: each by itself, or together with one other. What a slip is worth
 * is the chance of everything with it that explains the counts (Bayes’ rule; that a slip was made is as likely as the craft’s
 * experience has it, see {@link CHANCES}). When no two do, each side that is off is explained by itself.
 *
 * @param made entries of the round that have been made
 */
export function causesOf(plan: Plan, number: number, found: SideCounts, made: number): readonly Cause[] {
  const round = plan.rounds[number]!;
  const wanted = differences(round, found);
  if (wanted.every((d) => d === 0)) return [];
  const counted = wanted.flatMap((_, side) => (typeof found[side] === 'number' ? [side] : []));
  // What has not been made yet has no slip in it, and one that nobody has counted tells nothing.
  const slips = slipsOf(plan, number, made, wanted).filter(
    ({ effect, back }) => back > 0 && counted.some((side) => effect[side] !== 0),
  );
  const ranked = rankedBy(slips, wanted, counted);
  return ranked.length > 0
    ? ranked
    : counted.flatMap((side) => {
        const alone = wanted.map((d, other) => (other === side ? d : 0));
        return wanted[side] === 0 ? [] : rankedBy(slips, alone, counted).slice(0, 1);
      });
}

/** Of all that explains what was found, less than this share is not worth a look. */
const WORTH_A_LOOK = 0.02;
/** Shares from which a cause is likely, or possible. */
const LIKELY = 0.35;
const POSSIBLE = 0.1;

function rankedBy(
  slips: readonly Slip[],
  wanted: readonly number[],
  counted: readonly number[],
): readonly Cause[] {
  const key = (effect: readonly number[]): string => counted.map((side) => effect[side]).join(' ');
  const byEffect = new Map<string, number>();
  for (const { effect, chance } of slips)
    byEffect.set(key(effect), (byEffect.get(key(effect)) ?? 0) + chance);
  const target = key(wanted);
  const weighed = slips.map((slip) => {
    const rest = wanted.map((d, side) => d - slip.effect[side]!);
    const others = byEffect.get(key(rest)) ?? 0;
    // A slip is not made together with itself.
    const another =
      key(rest) === key(slip.effect) ? Math.max(0, others - slip.chance) + slip.chance / 2 : others;
    return { slip, weight: slip.chance * ((key(slip.effect) === target ? 1 : 0) + another) };
  });
  const merged = new Map<string, { readonly slip: Slip; weight: number }>();
  for (const { slip, weight } of weighed) {
    if (weight === 0) continue;
    const of = JSON.stringify({ ...slip.slip, number: undefined });
    const before = merged.get(of);
    if (before) before.weight += weight;
    else merged.set(of, { slip, weight });
  }
  const all = [...merged.values()].sort((a, b) => b.weight - a.weight);
  const most = all.reduce((sum, { weight }) => sum + weight, 0);
  return all.flatMap(({ slip: { chance: _, ...cause }, weight }): readonly Cause[] => {
    const share = weight / most;
    if (share < WORTH_A_LOOK) return [];
    return [
      { ...cause, likelihood: share >= LIKELY ? 'likely' : share >= POSSIBLE ? 'possible' : 'less likely' },
    ];
  });
}

/** How far an entry lies behind the place in hand. */
function backTo(plan: Plan, { number }: RoundPlan, entry: number, made: number): number {
  const round = plan.rounds[number]!;
  const order = orderOfWork(round);
  const first = proceduresOf(plan)[number]!.start?.at ?? 0;
  const worked = order.travel === 1 ? entry : order.size - 1 - entry;
  return made - ((((worked - first) % order.size) + order.size) % order.size);
}

/**
 * How often a slip is made: at a corner, at the join, in a repeat, at a motif, along a side. A judgement: that the first stitch after a
 * corner hides is what every teacher warns of, and whoever counts a long side loses the count about as often as a stitch.
 */
const CHANCES = {
  hidden: 0.03,
  ownStitch: 0.015,
  corner: 0.015,
  cornerTwice: 0.008,
  join: 0.03,
  repeat: 0.02,
  motif: 0.01,
  place: 0.02,
  twoPlaces: 0.004,
  /** Of one, of two, of ten, of any other number. */
  miscount: [0.02, 0.004, 0.006, 0.0004],
} as const;

function miscountChance(off: number): number {
  const [one, two, ten, other] = CHANCES.miscount;
  const by = Math.abs(off);
  return by === 1 ? one : by === 2 ? two : by === 10 ? ten : other;
}

/** Every slip that is likely in a round, with what it does. @param wanted how far each side is off */
function slipsOf(plan: Plan, number: number, made: number, wanted: readonly number[]): readonly Slip[] {
  const round = plan.rounds[number]!;
  const { ring } = round;
  const order = orderOfWork(round);
  const sideOf = sideOfEntries(ring);
  const procedure = proceduresOf(plan)[number]!;
  const sides = round.sides.length;
  const slips: Slip[] = [];
  const put = (slip: WorkSlip, effect: readonly number[], entry: number, chance: number): void =>
    void slips.push({ slip, effect, entry, back: backTo(plan, round, entry, made), chance });
  const only = (side: number, count: number): readonly number[] =>
    round.sides.map((_, other) => (other === side ? count : 0));
  const note = (slip: WorkSlip, entries: readonly number[], sign: 1 | -1, chance: number): void => {
    const effect = new Array<number>(sides).fill(0);
    for (const e of entries)
      if (sideOf[e]! >= 0 && countsAsStitch(ring.made[e]!)) effect[sideOf[e]!]! += sign;
    if (effect.every((e) => e === 0) || entries.length === 0) return;
    // A corner in which the round begins lies in part behind, in part ahead.
    const entry = entries.find((e) => backTo(plan, round, e, made) > 0) ?? entries[0]!;
    put(slip, effect, entry, chance);
  };
  const entriesOf = (from: number, to: number): readonly number[] =>
    Array.from({ length: to - from }, (_, k) => order.entry((procedure.start?.at ?? 0) + from + k));
  const spanOf = ({ start, length }: Span): readonly number[] =>
    Array.from({ length }, (_, k) => order.entry(start + k));
  const { corners, sides: along } = round.layout;
  if (corners.length === along.length) {
    corners.forEach((span, corner) => {
      const side = sideAfter(corner, corners.length, order.travel);
      const first = spanOf(along[side]!).find((e) => countsAsStitch(ring.made[e]!));
      const own = spanOf(span);
      const inCorner = own.filter((e) => countsAsStitch(ring.made[e]!)).length;
      if (first !== undefined)
        note(
          { kind: 'hidden stitch', corner, side },
          [first],
          -1,
          CHANCES.hidden + (inCorner > 1 ? 2 * CHANCES.ownStitch : 0),
        );
      note({ kind: 'corner', corner }, own, -1, CHANCES.corner);
      // The second one takes the place of a stitch of the side, or is squeezed in.
      for (const count of inCorner > 1 ? [inCorner, inCorner - 1] : [])
        put({ kind: 'corner twice', side }, only(side, count), own[0]!, CHANCES.cornerTwice);
    });
  }
  const end = order.entry((procedure.start?.at ?? 0) - 1);
  const before = sideOf[end]! >= 0 ? sideOf[end]! : sideOf[order.entry(procedure.start?.at ?? 0)]!;
  if (procedure.start && before >= 0) put({ kind: 'join', side: before }, only(before, 1), end, CHANCES.join);
  const repeats = stepsOf(plan, number, 'repeat').flatMap((step) =>
    step.turn?.of === 'repeats' && step.where.on === 'side' ? [{ step, side: step.where.side }] : [],
  );
  for (const { step, side } of repeats) {
    const entries = entriesOf(step.from, step.to);
    const chance = CHANCES.repeat / repeats.filter((r) => r.side === side).length;
    note({ kind: 'repeat', side, missed: true }, entries, -1, chance);
    note({ kind: 'repeat', side, missed: false }, entries, 1, chance);
  }
  if (number === 0) motifs(plan, (slip, entries) => note(slip, entries, -1, CHANCES.motif));
  for (let side = 0; side < sides; side++) {
    const { start, length } = sideSpan(ring, side);
    const middle = (start + Math.floor(length / 2)) % ring.made.length;
    for (const count of [-1, 1, -2, 2, -3, 3])
      put(
        { kind: 'places', side, count },
        only(side, count),
        middle,
        Math.abs(count) === 1 ? CHANCES.place : CHANCES.twoPlaces / (Math.abs(count) - 1),
      );
    for (const off of new Set([wanted[side]!, 1, -1, 2, -2, 10, -10]))
      if (off !== 0)
        put({ kind: 'miscount', side, count: off }, only(side, off), middle, miscountChance(off));
  }
  return slips;
}

/** Along joined motifs, the stitches of each. */
function motifs(plan: Plan, note: (slip: WorkSlip, entries: readonly number[]) => void): void {
  const { ring } = plan.rounds[0]!;
  let first = 1;
  plan.body.edges.forEach(({ spots, joins }, side) => {
    const seams = spots.flatMap((s, i) => (s.kind === 'seam' ? [i] : []));
    if (joins.length > 0) {
      const cuts = [-1, ...seams, spots.length];
      for (let m = 1; m < cuts.length; m++) {
        const entries = [...ring.into].flatMap((place, e) =>
          place - first > cuts[m - 1]! && place - first < cuts[m]! ? [e] : [],
        );
        note({ kind: 'missed motif', side, number: m }, entries);
      }
    }
    first += spots.length + 1;
  });
}
