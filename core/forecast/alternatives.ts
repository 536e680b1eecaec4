/** Other edges: the last entry of the stack exchanged, repeated, or carried to a wanted size. */
import { held } from '../held.ts';
import { spacingsFor, type SpacingId } from '../base/spacings.ts';
import type { Hem, RoundEntry } from '../document/hem.ts';
import type { Edit } from '../edits/edit.ts';
import { addRounds, asWorkedOn } from '../edits/rounds.ts';
import { createPlanner } from '../plan/planner.ts';
import { topOf, type Plan, type RoundPlan } from '../plan/types.ts';
import { familyNeededBelow } from '../rounds/facts.ts';
import { FAMILIES, familyWith } from '../rounds/registry.ts';
import { newEntry } from '../stack/stack.ts';
import type { CornerId } from '../terms/corners.ts';
import { nextHookMm } from '../terms/yarnWeights.ts';
import { yarnPlanOf } from '../plan/yarns.ts';

const withRounds = (hem: Hem, rounds: readonly RoundEntry[]): Hem => ({ ...hem, rounds });

/** Grams that a plan takes of a yarn, on the high side of its estimate. */
export function gramsAtMost(plan: Plan, yarnId: string): number {
  const { quantity } = yarnPlanOf(plan, yarnId);
  return quantity.grams * (1 + quantity.spread);
}

export interface RoundsLeft {
  readonly familyId: string;
  readonly name: string;
  /** Further rounds of this kind for which the rest is enough, on the high and on the low side of the estimate. */
  readonly surely: number;
  readonly perhaps: number;
}

const MOST_ROUNDS = 40;

/**
 * How many more rounds of each kind the rest of a yarn allows on top of a plan.
 *
 * @param restG what is left for them, g
 * @returns families that can stand on the plan's last round, worked in their first choice
 */
export function roundsFromRest(plan: Plan, yarnId: string, restG: number): readonly RoundsLeft[] {
  const top = topOf(plan);
  const { yarn, quantity } = yarnPlanOf(plan, yarnId);
  const { spread } = quantity;
  const planner = createPlanner();
  return FAMILIES.flatMap((family) => {
    if (familyNeededBelow(family, top.ring) !== null) return [];
    const most = family.repeatable ? Math.ceil(MOST_ROUNDS / family.roundsPerRepeat) : 1;
    const added = (times: number): readonly RoundPlan[] => {
      const entry = { ...asWorkedOn(plan.hem.base, newEntry(family, 'more', yarnId)), times };
      return planner(withRounds(plan.hem, [...plan.hem.rounds, entry])).rounds.slice(plan.rounds.length);
    };
    const used = (rounds: readonly RoundPlan[]): number =>
      rounds.reduce((sum, round) => sum + (round.yarnM * 100) / yarn.metresPer100G, 0);
    let times = 1;
    let rounds = added(times);
    // No more of them than the rest could be enough for.
    while (times < most && used(rounds) * (1 - spread) <= restG) {
      times = Math.min(2 * times, most);
      rounds = added(times);
    }
    const enough = (spread: number): number => {
      let count = rounds.length;
      while (count > 0 && used(rounds.slice(0, count)) * (1 + spread) > restG) count--;
      return count - (count % family.roundsPerRepeat);
    };
    return [{ familyId: family.id, name: family.name, surely: enough(spread), perhaps: enough(-spread) }];
  });
}

export interface OtherEdge {
  readonly familyId: string;
  readonly name: string;
  readonly metres: number;
  readonly balls: number;
  /** Balls fewer than the plan takes in all; negative when it takes more. */
  readonly ballsSaved: number;
  readonly even: boolean;
}

/** Yarn that each other edge would take in place of the last entry, in its yarn; the thriftiest first. */
export function otherEdges(plan: Plan): readonly OtherEdge[] {
  const last = plan.hem.rounds[plan.hem.rounds.length - 1];
  if (!last) return [];
  const below = plan.hem.rounds.slice(0, -1);
  const planner = createPlanner();
  const stump = planner(withRounds(plan.hem, below));
  const top = topOf(stump);
  const balls = (p: Plan): number => p.yarns.reduce((sum, y) => sum + y.quantity.balls, 0);
  return FAMILIES.filter((f) => f.id !== last.family && familyNeededBelow(f, top.ring) === null)
    .map((family) => {
      const other = planner(withRounds(plan.hem, [...below, newEntry(family, 'other', last.yarns[0]!)]));
      const added = other.rounds.slice(stump.rounds.length);
      return {
        familyId: family.id,
        name: family.name,
        metres: added.reduce((sum, r) => sum + r.yarnM, 0),
        balls: balls(other),
        ballsSaved: balls(plan) - balls(other),
        even: added.every((r) => r.even),
      };
    })
    .sort((a, b) => a.metres - b.metres);
}

/** Takes another edge in place of the last entry, in its yarn. @param id of the new entry */
export const takeEdge = ({ hem }: Plan, { familyId, name }: OtherEdge, id: string): Edit => {
  const last = held(hem.rounds.at(-1), 'a plan has a base round');
  const entry = newEntry(familyWith(familyId), id, last.yarns[0]!);
  return addRounds(`last round: ${name.toLowerCase()}`, [entry], 'instead', last.id);
};

/** Strain on the side where it is worst. */
export function worstStrain(round: RoundPlan): number {
  return round.sides.reduce((worst, s) => (Math.abs(s.strain) > Math.abs(worst) ? s.strain : worst), 0);
}

/** The last entry that can be worked on top of itself, or undefined. */
function lastRepeatable(hem: Hem): RoundEntry | undefined {
  const last = hem.rounds[hem.rounds.length - 1];
  return last && FAMILIES.find((f) => f.id === last.family)?.repeatable ? last : undefined;
}

/** The plan with its last entry repeated so many times in all. */
const repeated = (hem: Hem, times: number): Hem =>
  withRounds(hem, [...hem.rounds.slice(0, -1), { ...hem.rounds[hem.rounds.length - 1]!, times }]);

export interface FirstToShow {
  /** Number of the worked round from which it shows; null when it does not within forty repeats. */
  readonly round: number | null;
  readonly strain: number;
}

/** If the last entry went on and on: the round from which the border no longer blocks out. Null where it cannot. */
export function firstToShow(plan: Plan): FirstToShow | null {
  if (!lastRepeatable(plan.hem)) return null;
  const { rounds } = createPlanner()(repeated(plan.hem, MOST_ROUNDS));
  const found = rounds.find((r) => Math.abs(worstStrain(r)) > plan.flatLimits.blocks);
  return { round: found?.number ?? null, strain: worstStrain(found ?? rounds[rounds.length - 1]!) };
}

export interface CornerForecast {
  readonly corner: CornerId;
  /** Worst strain after so many more rounds. */
  readonly strain: number;
}

/** Flatness of each corner treatment of plain rounds in a stitch, after `rounds` of them on top of the base. */
export function compareCorners(
  plan: Plan,
  stitch: RoundEntry['stitch'],
  rounds: number,
): readonly CornerForecast[] {
  const plain = familyWith('plain');
  const planner = createPlanner();
  return plain.corners.map((corner) => {
    const entry = {
      ...asWorkedOn(plan.hem.base, newEntry(plain, 'compared', plan.hem.base.yarn)),
      stitch,
      corner,
      times: rounds,
    };
    const made = planner(withRounds(plan.hem, [entry])).rounds;
    return { corner, strain: worstStrain(made[made.length - 1]!) };
  });
}

export interface SpacingForecast {
  readonly spacing: SpacingId;
  /** Worst strain after so many more rounds, of the sides to which the spacing applies. */
  readonly strain: number;
}

/**
 * Flatness of each spacing after `rounds` plain rounds in a stitch, three in the corner, when it is taken on every
 * side to which it applies. The user's own rate is left out: it is not a rule.
 */
export function compareSpacings(
  plan: Plan,
  stitch: RoundEntry['stitch'],
  rounds: number,
): readonly SpacingForecast[] {
  const plain = familyWith('plain');
  const planner = createPlanner();
  const entry = {
    ...asWorkedOn(plan.hem.base, newEntry(plain, 'compared', plan.hem.base.yarn)),
    stitch,
    times: rounds,
  };
  const applies = plan.body.edges.map(spacingsFor);
  const spacings = [...new Set(applies.flat())].filter((id) => id !== 'own');
  return spacings.map((spacing) => {
    const sides = plan.hem.base.sides.map((s, i) =>
      applies[i]!.includes(spacing) ? { ...s, school: spacing, count: null } : s,
    );
    const made = planner({ ...plan.hem, base: { ...plan.hem.base, sides }, rounds: [entry] }).rounds;
    const strains = made[made.length - 1]!.sides.filter((_, i) => applies[i]!.includes(spacing)).map(
      (s) => s.strain,
    );
    return { spacing, strain: strains.reduce((worst, s) => (Math.abs(s) > Math.abs(worst) ? s : worst), 0) };
  });
}

export interface HookForecast {
  readonly hookMm: number;
  /** Of the base round on its worst side, at the counts that it has now. */
  readonly strain: number;
}

/** How flat the base round lies on the hook one size smaller, on its own, and on the one a size larger. */
export function baseHooks(plan: Plan): readonly HookForecast[] {
  const { base } = plan.hem;
  const planner = createPlanner();
  const sides = base.sides.map((s, i) => ({ ...s, count: plan.sides[i]!.count || null }));
  const own = plan.rounds[0]!.hookMm;
  return [...new Set([nextHookMm(own, 'smaller'), own, nextHookMm(own, 'larger')])].map((hookMm) => {
    const made = planner({ ...plan.hem, rounds: [], base: { ...base, hookMm, sides } });
    return { hookMm, strain: worstStrain(made.rounds[0]!) };
  });
}
