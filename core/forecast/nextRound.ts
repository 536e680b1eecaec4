/** Every family as the next round of a hem: where it goes, and what comes of it. */
import { held } from '../held.ts';
import type { Hem, RoundEntry } from '../document/hem.ts';
import { createPlanner } from '../plan/planner.ts';
import { topOf, type Plan, type RoundPlan, writtenOf } from '../plan/types.ts';
import { tallyRing, type Tally } from '../ring/ring.ts';
import { addRounds, type StackPosition } from '../edits/rounds.ts';
import { recipeOf } from '../notation/parse.ts';
import { firstChoice, familyNeededBelow, sitsOn } from '../rounds/facts.ts';
import type { Family } from '../rounds/family.ts';
import { plain } from '../rounds/plain.ts';
import { turnsSquarely } from '../piece/symmetry.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { entriesOnto } from '../stack/stack.ts';

export interface Tried {
  readonly family: string;
  /** The family that must come first; null when none must. */
  readonly ground: string | null;
  readonly fits: boolean;
  /** Stitches that the worst of its sides is from a count that fits; 0 where all fit. */
  readonly off: number;
  /** Share of the width of the added rounds that is chains, 0 to 1. */
  readonly airy: number;
  /** Yarn of an added round over that of the base round. */
  readonly yarn: number;
}

/** The edge that a border ends in, on which no usual round lies well; null while its outermost round is straight. */
export function edgeOf(plan: Plan): RoundEntry | null {
  const { written } = topOf(plan);
  return written && written.edge !== 'straight' ? written.entry : null;
}

/** The outermost round under the edge. */
const underEdge = (plan: Plan, edge: RoundEntry): RoundPlan =>
  plan.rounds[
    held(
      plan.rounds.find((r) => r.written?.entry === edge),
      'the edge is worked',
    ).onto
  ]!;

/**
 * Where a family can go in a border, the likeliest first: on top; where the border ends in an edge, under it, and an edge
 * in its place. On top of an edge goes what is made for its spaces, and what lies on the face. Nothing when the edge has been
 * worked and nothing goes on it.
 */
export function waysIn(plan: Plan, family: Family): readonly StackPosition[] {
  const edge = edgeOf(plan);
  const recipe = recipeOf(family.write(firstChoice(family), 0));
  if (!edge || recipe.surface) return ['on top'];
  const top = topOf(plan);
  const onTop: readonly StackPosition[] =
    sitsOn(recipe) !== 'stitch' && familyNeededBelow(family, top.ring) === null ? ['on top'] : [];
  if (top.done) return onTop;
  return family.edge === 'straight' ? ['under', 'instead', ...onTop] : ['instead', ...onTop];
}

/** Rounds that a family needs under it, and itself, as they would come into a plan. */
export function entriesFor(
  plan: Plan,
  family: Family,
  where: StackPosition,
  yarn: string,
  ids: readonly [string, string],
): readonly RoundEntry[] {
  const edge = edgeOf(plan);
  const below = where === 'on top' || !edge ? topOf(plan) : underEdge(plan, edge);
  const entries = entriesOnto(below.ring, family, yarn, ids, below.written?.entry);
  // On a piece whose corners are worked by their angles three in one would be too many, or too few.
  const byAngle = plan.hem.base.corner === 'angle' && !turnsSquarely(plan.body);
  return entries.map((entry) =>
    byAngle && entry.family === plain.id && entry.corner === 'three'
      ? { ...entry, corner: 'angle' as const }
      : entry,
  );
}

/** The hem with a family in it and what it needs, in a yarn that sets it off; null where it cannot go. */
export function withTrial(plan: Plan, family: Family, where = waysIn(plan, family)[0]): Hem | null {
  if (!where) return null;
  const yarn = trialYarn(plan);
  const entries = entriesFor(plan, family, where, yarn, TRIAL);
  const outcome = addRounds('a trial', entries, where, edgeOf(plan)?.id ?? null).on(plan.hem);
  return outcome.ok ? outcome.value : null;
}

const TRIAL = ['trial ground', 'trial'] as const;

function trialYarn({ hem, rounds }: Plan): string {
  const last = rounds[rounds.length - 1]!;
  return (hem.yarns.find((y) => y.id !== last.yarnId) ?? hem.yarns[0]!).id;
}

/** Puts every family into a plan where it goes likeliest, one at a time. The rounds below are planned once. */
export function tryFamilies(plan: Plan): readonly Tried[] {
  const planner = createPlanner();
  return FAMILIES.flatMap((family): readonly Tried[] => {
    const hem = withTrial(plan, family);
    if (!hem) return [];
    const tried = planner(hem);
    const added = tried.rounds.filter((r) =>
      (TRIAL as readonly string[]).includes(r.written?.entry.id ?? ''),
    );
    if (added.length === 0) return [];
    const first = writtenOf(added[0]!).entry;
    return [
      {
        family: family.id,
        ground: first.family === family.id ? null : first.family,
        // What it brings out of step above it is told too.
        fits: tried.rounds.slice(added[0]!.number).every((r) => r.even),
        off: Math.max(0, ...tried.rounds.slice(added[0]!.number).flatMap(stitchesOff)),
        airy: chainShare(added.map((r) => tallyRing(r.ring))),
        yarn: added.reduce((sum, r) => sum + r.yarnM, 0) / added.length / plan.rounds[0]!.yarnM,
      },
    ];
  });
}

/** Stitches that each side of a round is from the nearest count that fits. */
const stitchesOff = ({ sides }: RoundPlan): readonly number[] =>
  sides.map(({ fit }) => (fit ? Math.min(fit.over, fit.short) : 0));

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
