/** Proofs: a proposal is planned again, whole and in its yarns, before it is shown; with a change of counts where it needs one. */
import { writtenOf } from '../plan/types.ts';
import type { BaseRound } from '../base/baseRound.ts';
import type { Hem, RoundEntry } from '../document/hem.ts';
import { withSolution } from '../edits/solution.ts';
import { changesNothing } from '../fit/fit.ts';
import { fitHem } from '../fit/open.ts';
import { supplyOf, type Supply } from '../forecast/supply.ts';
import { createPlanner } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import { leftOfBorder } from '../work/progress.ts';
import { characterOf, type Character } from './character.ts';
import { Palette, colourCost, type DressingKind } from './colours.ts';
import type { Shape } from './grammar.ts';
import type { BorderFound } from './found.ts';
import {
  CHANGE_COST,
  costOf,
  leftCost,
  obstaclesOf,
  riskCost,
  riskOfAll,
  shareUsed,
  worstOfAll,
} from './suits.ts';
import type { EdgeLook, Wish } from './wish.ts';
import { strainCauseWords } from '../forecast/cureWords.ts';
import { strainCauseOf } from '../forecast/cures.ts';

/** A border that is proposed, with what speaks for it. */
export interface Proposal {
  /** That of what was found. */
  readonly key: string;
  readonly shape: Shape;
  readonly dressing: DressingKind;
  readonly base: BaseRound;
  readonly rounds: readonly RoundEntry[];
  readonly widthMm: number;
  readonly blockedSize: Plan['blockedSize'];
  /** Working time that is left. */
  readonly minutes: number;
  /** Strain of the least flat round and side. */
  readonly worst: number;
  /** Cause, in a sentence, where it does not lie flat of itself; else null. */
  readonly why: string | null;
  readonly supply: Supply;
  /** Chance that a yarn runs out, 0 to 1. */
  readonly risk: number;
  /** Share of what is in the basket that it uses, 0 to 1; 0 where that has not been said. */
  readonly used: number;
  /** Weight of all yarns, g on the high side. */
  readonly grams: number;
  /** Of each yarn that it takes, g on the high side. */
  readonly gramsBy: readonly { readonly yarn: string; readonly grams: number }[];
  /** It ends in an edge that is meant to ripple. */
  readonly ruffles: boolean;
  readonly looks: readonly EdgeLook[];
  readonly skill: Character['skill'];
  /** It fits as it is; else a change that hides makes it fit. */
  readonly asItIs: boolean;
  /** Yarns from the piece outwards, each with its share of the width. */
  readonly yarns: readonly { readonly yarn: string; readonly share: number }[];
  readonly cost: number;
}

/** Changes of the fit that are tried for a border. */
const MOST_CHANGES = 3;

/**
 * Proves what was found.
 *
 * @param bases base rounds with which other borders came out even: what they share is tried before a fit is looked for
 * @returns null when it does not keep the wish after all, or no change makes it come out even
 */
export function prove(
  hem: Hem,
  wish: Wish,
  found: BorderFound,
  bases: readonly BaseRound[] = [],
): Proposal | null {
  const planner = createPlanner();
  const keeps = (plan: Plan): boolean => obstaclesOf(plan, wish, true).length === 0;
  const whole: Hem = { ...hem, rounds: found.rounds };
  const asIs = planner(whole);
  if (keeps(asIs)) return proposalOf(asIs, found, wish, true);
  if (found.asItIs) return null;
  for (const base of bases) {
    const plan = planner({ ...whole, base });
    if (keeps(plan)) return proposalOf(plan, found, wish, false);
  }
  const stack = asIs.rounds.slice(1).map((r) => writtenOf(r));
  const solutions = fitHem(whole).solutions.filter((s) => !changesNothing(s));
  for (const solution of solutions.slice(0, MOST_CHANGES)) {
    const plan = planner({ ...whole, ...withSolution(whole, stack, solution) });
    if (keeps(plan)) return proposalOf(plan, found, wish, false);
  }
  return null;
}

const worstSupply = (plan: Plan): Supply => {
  const all = plan.yarns.filter((y) => y.quantity.metres > 0).map(supplyOf);
  return (['runs out', 'may run out', 'not said', 'lasts'] as const).find((s) => all.includes(s)) ?? 'lasts';
};

function proposalOf(
  plan: Plan,
  { key, shape, dressing }: BorderFound,
  wish: Wish,
  asItIs: boolean,
): Proposal {
  const { looks, skill } = characterOf(plan.rounds.slice(1));
  const cause = strainCauseOf(plan);
  const bands = plan.rounds.map((r) => ({ yarn: r.yarnId, heightMm: r.ownHeightMm }));
  const colours = colourCost(new Palette(plan.hem), bands, dressing);
  return {
    key,
    shape,
    dressing,
    base: plan.hem.base,
    rounds: plan.hem.rounds,
    widthMm: plan.borderWidthMm,
    blockedSize: plan.blockedSize,
    minutes: leftOfBorder(plan).minutes,
    worst: worstOfAll(plan),
    why: cause && strainCauseWords(plan, cause),
    supply: worstSupply(plan),
    risk: riskOfAll(plan),
    used: shareUsed(plan),
    grams: plan.yarns.reduce((sum, y) => sum + y.quantity.grams * (1 + y.quantity.spread), 0),
    gramsBy: plan.yarns.flatMap(({ yarn, quantity: { grams, spread } }) =>
      grams > 0 ? [{ yarn: yarn.id, grams: grams * (1 + spread) }] : [],
    ),
    ruffles: plan.rounds.some((r) => r.written?.family?.ruffles ?? false),
    looks: [...looks],
    skill,
    asItIs,
    yarns: bandsOf(plan),
    cost:
      costOf(plan, wish) +
      colours +
      riskCost(riskOfAll(plan), wish) +
      leftCost(plan, wish) +
      (asItIs ? 0 : CHANGE_COST),
  };
}

function bandsOf({ rounds, borderWidthMm }: Plan): Proposal['yarns'] {
  const bands: { yarn: string; share: number }[] = [];
  for (const { yarnId, ownHeightMm } of rounds) {
    const share = borderWidthMm > 0 ? ownHeightMm / borderWidthMm : 0;
    const last = bands.at(-1);
    if (last?.yarn === yarnId) last.share += share;
    else bands.push({ yarn: yarnId, share });
  }
  return bands;
}
