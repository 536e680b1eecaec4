/**
 * What can have gone wrong when a count is not what it should be. Each likely slip is played on the ring as it was to be
 * worked, and what it does to the count of every side is compared with what was found.
 */
import type { Plan, RoundPlan } from '../plan/types.ts';
import { orderOfWork, sideAfter } from '../procedure/order.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import { sideSpan, type Span } from '../ring/ring.ts';
import { countsAsStitch } from '../ring/stitch.ts';
import { sideOfEntries } from './sides.ts';
import { stepsOf } from './steps.ts';

/** Stitches found on each side between its corners; null where nobody counted. */
export type SideCounts = readonly (number | null)[];

export type WorkSlip =
  /** The first stitch after a corner, which hides under it, was passed over. */
  | { readonly kind: 'hidden stitch'; readonly corner: number; readonly side: number }
  /** A corner was worked as a single stitch. */
  | { readonly kind: 'corner'; readonly corner: number }
  /** The slip stitch of the join was taken for a stitch. */
  | { readonly kind: 'join'; readonly side: number }
  | { readonly kind: 'repeat'; readonly side: number; readonly missed: boolean }
  /** Along joined motifs, one of them. */
  | { readonly kind: 'missed motif'; readonly side: number; readonly number: number }
  /** Somewhere along the side a place was passed over, or taken twice. */
  | { readonly kind: 'places'; readonly side: number; readonly count: number };

export interface Cause {
  readonly slip: WorkSlip;
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

/**
 * The slips that would lead to what was found, the likeliest first. When no single one does, each side that is off is
 * explained by itself.
 *
 * @param made entries of the round that have been made
 */
export function causesOf(plan: Plan, number: number, found: SideCounts, made: number): readonly Cause[] {
  const round = plan.rounds[number]!;
  const wanted = differences(round, found);
  if (wanted.every((d) => d === 0)) return [];
  // What has not been made yet has no slip in it.
  const likely = slipsOf(plan, number, made).filter(({ back }) => back > 0);
  const counted = wanted.map((_, side) => found[side] !== null && found[side] !== undefined);
  const explains = (effect: readonly number[], of: readonly number[]): boolean =>
    effect.every((e, side) => !counted[side] || e === of[side]);
  const single = likely.filter(({ effect }) => explains(effect, wanted));
  const causes =
    single.length > 0
      ? single
      : (together(likely, (effect) => explains(effect, wanted)) ??
        wanted.flatMap((d, side) => {
          if (d === 0) return [];
          const alone = wanted.map((_, other) => (other === side ? d : 0));
          return likely.find(({ effect }) => explains(effect, alone)) ?? anywhere(round, side, d, made, plan);
        }));
  const seen = new Set<string>();
  return causes.filter(({ slip }) => {
    const key = JSON.stringify({ ...slip, number: undefined });
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

/** How unlikely a slip is; two slips are as unlikely as both. */
function unlikely({ slip }: Cause): number {
  switch (slip.kind) {
    case 'hidden stitch':
      return 1;
    case 'corner':
    case 'join':
    case 'repeat':
      return 1.5;
    case 'missed motif':
      return 2;
    case 'places':
      return 2 + Math.abs(slip.count);
  }
}

/**
 * The likeliest two slips that were made both, where no single one explains what was found; null when no two do. Of slips
 * that do the same, only the likeliest is looked at. Cost: kinds of effect, squared.
 */
function together(
  likely: readonly Cause[],
  explains: (effect: readonly number[]) => boolean,
): readonly Cause[] | null {
  const byEffect = new Map<string, Cause>();
  for (const cause of likely) {
    const key = cause.effect.join(' ');
    const before = byEffect.get(key);
    if (!before || unlikely(cause) < unlikely(before)) byEffect.set(key, cause);
  }
  const kinds = [...byEffect.values()];
  let best: { readonly pair: readonly Cause[]; readonly cost: number } | null = null;
  kinds.forEach((a, i) => {
    for (const b of kinds.slice(i)) {
      const cost = unlikely(a) + unlikely(b);
      if (best && cost >= best.cost) continue;
      if (explains(a.effect.map((e, side) => e + b.effect[side]!))) best = { pair: [a, b], cost };
    }
  });
  return (best as { readonly pair: readonly Cause[] } | null)?.pair ?? null;
}

/** How far an entry lies behind the place in hand. */
function backTo(plan: Plan, { number }: RoundPlan, entry: number, made: number): number {
  const round = plan.rounds[number]!;
  const order = orderOfWork(round);
  const first = proceduresOf(plan)[number]!.start?.at ?? 0;
  const worked = order.travel === 1 ? entry : order.size - 1 - entry;
  return made - ((((worked - first) % order.size) + order.size) % order.size);
}

function anywhere(round: RoundPlan, side: number, count: number, made: number, plan: Plan): Cause {
  const { start, length } = sideSpan(round.ring, side);
  const entry = (start + Math.floor(length / 2)) % round.ring.made.length;
  return {
    slip: { kind: 'places', side, count },
    effect: round.sides.map((_, other) => (other === side ? count : 0)),
    entry,
    back: backTo(plan, round, entry, made),
  };
}

/** Every slip that is likely in a round, with what it does. */
function slipsOf(plan: Plan, number: number, made: number): readonly Cause[] {
  const round = plan.rounds[number]!;
  const { ring } = round;
  const order = orderOfWork(round);
  const sideOf = sideOfEntries(ring);
  const procedure = proceduresOf(plan)[number]!;
  const sides = round.sides.length;
  const causes: Cause[] = [];
  const note = (slip: WorkSlip, entries: readonly number[], sign: 1 | -1): void => {
    const effect = new Array<number>(sides).fill(0);
    for (const e of entries)
      if (sideOf[e]! >= 0 && countsAsStitch(ring.made[e]!)) effect[sideOf[e]!]! += sign;
    if (effect.every((e) => e === 0) || entries.length === 0) return;
    // A corner in which the round begins lies in part behind, in part ahead.
    const entry = entries.find((e) => backTo(plan, round, e, made) > 0) ?? entries[0]!;
    causes.push({ slip, effect, entry, back: backTo(plan, round, entry, made) });
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
      if (first !== undefined) note({ kind: 'hidden stitch', corner, side }, [first], -1);
      note({ kind: 'corner', corner }, spanOf(span), -1);
    });
  }
  const end = order.entry((procedure.start?.at ?? 0) - 1);
  const before = sideOf[end]! >= 0 ? sideOf[end]! : sideOf[order.entry(procedure.start?.at ?? 0)]!;
  if (procedure.start && before >= 0) {
    const effect = new Array<number>(sides).fill(0);
    effect[before] = 1;
    causes.push({
      slip: { kind: 'join', side: before },
      effect,
      entry: end,
      back: backTo(plan, round, end, made),
    });
  }
  for (const step of stepsOf(plan, number, 'repeat')) {
    if (step.turn?.of !== 'repeats' || step.where.on !== 'side') continue;
    const { side } = step.where;
    const entries = entriesOf(step.from, step.to);
    note({ kind: 'repeat', side, missed: true }, entries, -1);
    note({ kind: 'repeat', side, missed: false }, entries, 1);
  }
  if (number === 0) motifs(plan, note);
  for (let side = 0; side < sides; side++) {
    for (const count of [-1, 1, -2, 2]) causes.push(anywhere(round, side, count, made, plan));
  }
  return causes;
}

/** Along joined motifs, the stitches of each. */
function motifs(plan: Plan, note: (slip: WorkSlip, entries: readonly number[], sign: 1 | -1) => void): void {
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
        note({ kind: 'missed motif', side, number: m }, entries, -1);
      }
    }
    first += spots.length + 1;
  });
}
