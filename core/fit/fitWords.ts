/** Findings of the fit, as one would say them. */
import { capital } from '../terms/words.ts';
import { roundIn } from '../plan/roundNames.ts';
import { held } from '../held.ts';
import { changesNothing, type FitSolution, type WayOut } from './fit.ts';
import { writtenOf, type Plan } from '../plan/types.ts';
import { familyWith } from '../rounds/registry.ts';
import { cornerTreatment } from '../terms/corners.ts';
import { WORDS } from '../terms/words.ts';
import { listWords } from '../say/lists.ts';
import { plural } from '../say/measures.ts';

/**
 * A solution: what changes in the base round, then the quiet changes, round by round, then the corners.
 *
 * @param plan the plan that it was found for
 */
export function solutionWords(plan: Plan, solution: FitSolution): string {
  if (changesNothing(solution)) return 'Change nothing';
  const names = plan.sides.map((s) => s.name);
  const { changes, quiet } = solution;
  const { skip } = WORDS[plan.hem.preferences.language];
  const keepsBase = changes.every((c) => c === 0);
  const inRounds = plan.rounds.slice(1).flatMap((round) => {
    const inRound = quiet.map((q) => q[round.number - 1]!);
    if (inRound.every((c) => c === 0)) return [];
    const skips = writtenOf(round).recipe.side.some(
      (i) => i.do === 'skip' || (i.do === 'repeat' && i.body.some((s) => s.do === 'skip')),
    );
    return [
      `${capital(roundIn(plan, round.number))}: ${skips ? `${skip} ` : ''}${changeWords(inRound, names)}`,
    ];
  });
  const base = keepsBase
    ? inRounds.length > 0
      ? ['Keep the base round']
      : []
    : [`Base round: ${changeWords(changes, names)}`];
  return [...base, ...inRounds, ...cornerChanges(plan, solution)].join('. ');
}

/** A solution by what comes of it: “Base round, sides A and C: 125 stitches, 1 more. Round 2: 1 stitch more on every side”. */
export function resultWords(plan: Plan, solution: FitSolution): string {
  const { changes, counts } = solution;
  const groups = new Map<string, number[]>();
  changes.forEach((change, side) => {
    if (change === 0) return;
    const key = `${counts[side]! + plan.sides[side]!.corners} ${change}`;
    groups.set(key, [...(groups.get(key) ?? []), side]);
  });
  const base = [...groups].map(([key, sides]) => {
    const [count, change] = key.split(' ').map(Number) as [number, number];
    const names = sides.map((s) => plan.sides[s]!.name);
    const on =
      plan.sides.length === 1
        ? ''
        : sides.length === plan.sides.length
          ? ', every side'
          : `, ${sides.length === 1 ? 'side' : 'sides'} ${listWords(names)}`;
    return `Base round${on}: ${plural(count, 'stitch')}, ${Math.abs(change)} ${change > 0 ? 'more' : 'fewer'}`;
  });
  const rest = solutionWords(plan, { ...solution, changes: changes.map(() => 0) }).split('. ');
  return [
    ...base,
    ...(changesNothing({ ...solution, changes: changes.map(() => 0) })
      ? []
      : rest.filter((r) => base.length === 0 || r !== 'Keep the base round')),
  ].join('. ');
}

function cornerChanges({ hem }: Plan, { corners = {} }: FitSolution): readonly string[] {
  return Object.entries(corners).map(([id, corner]) => {
    const name = familyWith(
      held(
        hem.rounds.find((r) => r.id === id),
        'a fit names entries of its hem',
      ).family,
    ).name.toLowerCase();
    return `Corners of the ${name}: ${cornerTreatment(corner).name}`;
  });
}

/** Advice that would free a stack that does not fit. */
export function wayOutWords(plan: Plan, way: WayOut): string {
  switch (way.by) {
    case 'ground':
      return `Add ${familyWith(way.family).name.toLowerCase()} before it.`;
    case 'larger change':
      return `It fits with a larger change. ${solutionWords(plan, way.solution)}.`;
    case 'going on':
      return 'Let its pattern go on from the round below.';
    case 'plain round':
      return 'Add a plain round before it.';
    case 'leaving it off':
      return 'Without it all other rounds fit.';
  }
}

/** A change of counts: “1 stitch more on sides A and C”. */
export function changeWords(changes: readonly number[], names: readonly string[]): string {
  const bySize = new Map<number, string[]>();
  changes.forEach((change, i) => {
    if (change !== 0) bySize.set(change, [...(bySize.get(change) ?? []), names[i]!]);
  });
  return [...bySize]
    .map(([change, on]) => {
      const what = `${plural(Math.abs(change), 'stitch')} ${change > 0 ? 'more' : 'fewer'}`;
      // A piece without corners has no sides to tell apart.
      if (names.length === 1) return what;
      const all = on.length === names.length && on.length > 2;
      return `${what} on ${all ? 'every side' : `${on.length === 1 ? 'side' : 'sides'} ${listWords(on)}`}`;
    })
    .join(', ');
}
