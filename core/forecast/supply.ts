/** Will the yarn last? Where each ball runs out, and how far the rest goes. */
import { held } from '../held.ts';
import { normalBelow } from '../chance.ts';
import { entryMade, madeWithYarn } from '../procedure/stretch.ts';
import { RANGE } from '../hands/ratio.ts';
import type { Plan, RoundPlan, YarnPlan } from '../plan/types.ts';
import { sideOfEntries, type Ring } from '../ring/ring.ts';
import { TAIL_M } from '../yarn/yarn.ts';

/** The end of a ball: where it is expected, and the rounds between which it may fall. */
export interface BallEnd {
  readonly yarnId: string;
  /** From 1. */
  readonly ball: number;
  readonly round: number;
  readonly side: number;
  /** Of the ring of the round; and how many are made before it. */
  readonly entry: number;
  readonly made: number;
  /** Rounds in which it ends if the estimate is as far too low, or too high, as its range allows. */
  readonly earliest: number;
  readonly latest: number;
}

/** Ends of all balls that a plan uses up, in the order in which they are expected. */
export function ballEnds(plan: Plan): readonly BallEnd[] {
  const ends = plan.yarns.flatMap((y) => endsOf(plan, y));
  return ends.sort((a, b) => a.round - b.round || a.made - b.made);
}

function endsOf(plan: Plan, { yarn, quantity }: YarnPlan): readonly BallEnd[] {
  const ballM = (yarn.ballG * yarn.metresPer100G) / 100;
  const rounds = plan.rounds.filter((r) => r.yarnId === yarn.id);
  const whole = rounds.reduce((sum, r) => sum + r.yarnM, 0);
  const ends: BallEnd[] = [];
  for (let ball = 1; ball * ballM < whole; ball++) {
    const at = placeOf(plan, rounds, ball * ballM);
    const early = placeOf(plan, rounds, (ball * ballM) / (1 + quantity.spread));
    const late = placeOf(plan, rounds, (ball * ballM) / (1 - quantity.spread));
    ends.push({ yarnId: yarn.id, ball, ...at, earliest: early.round, latest: late.round });
  }
  return ends;
}

/** Where so many metres of the rounds in one yarn have been used; the end of the last round if they never are. */
function placeOf(
  plan: Plan,
  rounds: readonly RoundPlan[],
  metres: number,
): Pick<BallEnd, 'round' | 'side' | 'entry' | 'made'> {
  let used = 0;
  for (const round of rounds) {
    if (used + round.yarnM > metres) {
      return at(plan, round, madeWithYarn(plan, round, (metres - used) / round.yarnM));
    }
    used += round.yarnM;
  }
  const last = rounds[rounds.length - 1]!;
  return at(plan, last, last.ring.made.length - 1);
}

function at(plan: Plan, round: RoundPlan, made: number): Pick<BallEnd, 'round' | 'side' | 'entry' | 'made'> {
  const entry = entryMade(plan, round, made);
  return { round: round.number, side: sideAt(round.ring, entry), entry, made };
}

/** The side that an entry lies on, or before which its corner lies; the end of rows lies behind its side. */
function sideAt(ring: Ring, entry: number): number {
  const sides = sideOfEntries(ring);
  const { part, centres } = ring;
  if (part && centres[part.last]!.start === entry) return (part.last + centres.length - 1) % centres.length;
  for (let k = 0; k < sides.length; k++) {
    const side = sides[(entry + k) % sides.length]!;
    if (side >= 0) return side;
  }
  return 0;
}

/** How a yarn in the basket compares with what the plan takes of it. */
export type Supply = 'lasts' | 'may run out' | 'runs out' | 'not said';

/** Judges a yarn by the range of its estimate. */
export function supplyOf({ yarn, quantity }: YarnPlan): Supply {
  if (yarn.haveG === null) return 'not said';
  if (yarn.haveG >= quantity.grams * (1 + quantity.spread)) return 'lasts';
  return yarn.haveG >= quantity.grams * (1 - quantity.spread) ? 'may run out' : 'runs out';
}

/**
 * Chance that more of a yarn is needed than is there, 0 to 1: needs are spread about the estimate as a normal number, of which the
 * range shown is {@link RANGE} standard deviations either way. 0 where it has not been said how much is there.
 */
export function riskOf({ yarn, quantity: { grams, spread } }: YarnPlan): number {
  if (yarn.haveG === null || grams === 0) return 0;
  const deviation = (spread * grams) / RANGE;
  if (deviation === 0) return grams > yarn.haveG ? 1 : 0;
  return normalBelow((grams - yarn.haveG) / deviation);
}

/** Chance that any of several yarns runs out, 0 to 1: each is wound and worked for itself. */
export const riskOfAny = (yarns: readonly YarnPlan[]): number =>
  1 - yarns.reduce((lasting, y) => lasting * (1 - riskOf(y)), 1);

/** How far what is in the basket goes. */
export interface BasketReach {
  /** The last round for which it is surely enough; −1 when it may not be for the base round. */
  readonly safe: number;
  /** The round in which the first yarn may run out, and the one in which one surely does; null when none. */
  readonly doubtful: number | null;
  readonly out: number | null;
  /** Yarns of which it has not been said how much is there. */
  readonly unsaid: readonly string[];
}

/** How far the yarns go of which it has been said how much is there; null when it has been said of none. */
export function basketReach(plan: Plan): BasketReach | null {
  const used = plan.yarns.filter((y) => y.quantity.metres > 0);
  const said = used.filter((y) => y.yarn.haveG !== null);
  if (said.length === 0) return null;
  /** The first round that takes more than there is, when all takes that much more or less than is estimated. */
  const firstShort = (factor: (spread: number) => number): number | null => {
    const rounds = said.flatMap(({ yarn, quantity: { spread } }) => {
      let left = (held(yarn.haveG, 'asked only of yarn that was weighed') * yarn.metresPer100G) / 100;
      const short = plan.rounds.find((r) => {
        if (r.yarnId === yarn.id) left -= r.yarnM * factor(spread);
        return left < 0;
      });
      return short ? [short.number] : [];
    });
    return rounds.length > 0 ? Math.min(...rounds) : null;
  };
  const doubtful = firstShort((spread) => 1 + spread);
  return {
    safe: (doubtful ?? plan.rounds.length) - 1,
    doubtful,
    out: firstShort((spread) => 1 - spread),
    unsaid: used.filter((y) => y.yarn.haveG === null).map((y) => y.yarn.id),
  };
}

/** Pieces, of many alike, for which what is in the basket is surely enough, and for which it can be at the most; without joining. */
export function basketPieces(plan: Plan): { readonly safe: number; readonly most: number } | null {
  const { count } = plan.hem.alike;
  const said = plan.yarns.filter((y) => y.yarn.haveG !== null && y.quantity.metres > 0);
  if (said.length === 0) return null;
  const pieces = (factor: (spread: number) => number): number =>
    Math.min(
      count,
      ...said.map(({ yarn, ends, quantity: { spread } }) => {
        const rounds = plan.rounds.reduce((sum, r) => sum + (r.yarnId === yarn.id ? r.yarnM : 0), 0);
        const have = (held(yarn.haveG, 'asked only of yarn that was weighed') * yarn.metresPer100G) / 100;
        const each = (rounds + ends * TAIL_M) * factor(spread);
        // Yarn that only joins is needed for no piece by itself.
        return each > 0 ? Math.floor(have / each) : count;
      }),
    );
  return { safe: pieces((spread) => 1 + spread), most: pieces((spread) => 1 - spread) };
}
