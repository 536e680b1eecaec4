/** Every family as the next round of a hem. */
import type { Hem, RoundEntry } from '../document/hem.ts';
import { createPlanner } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import { tallyRing, type Tally } from '../ring/ring.ts';
import type { Family } from '../rounds/family.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { entriesOnto } from '../stack/stack.ts';

export interface Tried {
  readonly family: string;
  /** The family that must come first; null when none must. */
  readonly ground: string | null;
  readonly fits: boolean;
  /** Share of the width of the added rounds that is chains, 0 to 1. */
  readonly airy: number;
  /** Yarn of an added round over that of the base round. */
  readonly yarn: number;
}

/** What a family needs under it and itself, in a yarn that sets it off, as they would come onto a plan. */
export function trialOf(plan: Plan, family: Family): readonly RoundEntry[] {
  const last = plan.rounds[plan.rounds.length - 1]!;
  const colour = plan.hem.yarns.find((y) => y.id !== last.yarnId) ?? plan.hem.yarns[0]!;
  const top = plan.rounds.findLast((r) => !r.written?.recipe.surface)!;
  return entriesOnto(top.ring, family, colour.id, ['trial ground', 'trial']);
}

/** The hem with a family on top, and what it needs under it. */
export const withTrial = (plan: Plan, family: Family): Hem => ({
  ...plan.hem,
  rounds: [...plan.hem.rounds, ...trialOf(plan, family)],
});

/** Puts every family on top of a plan, one at a time. The rounds below are planned once. */
export function tryFamilies(plan: Plan): readonly Tried[] {
  const planner = createPlanner();
  return FAMILIES.map((family) => {
    const tried = planner(withTrial(plan, family));
    const [first] = trialOf(plan, family);
    const extra = tried.rounds.slice(plan.rounds.length);
    return {
      family: family.id,
      ground: first!.family === family.id ? null : first!.family,
      fits: extra.every((r) => r.even),
      airy: chainShare(extra.map((r) => tallyRing(r.ring))),
      yarn: extra.reduce((sum, r) => sum + r.yarnM, 0) / extra.length / plan.rounds[0]!.yarnM,
    };
  });
}

function chainShare(tallies: readonly Tally[]): number {
  const sum = (of: (t: Tally) => number): number => tallies.reduce((total, t) => total + of(t), 0);
  return (
    sum((t) => t.chains) /
    Math.max(
      1,
      sum((t) => t.width),
    )
  );
}
