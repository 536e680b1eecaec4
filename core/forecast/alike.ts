/** Sides that face each other and differ, made alike. */
import { held } from '../held.ts';
import { setCount } from '../edits/base.ts';
import { performed, type Edit } from '../edits/edit.ts';
import { plan as planOf } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import { countOf } from './troubles.ts';

/**
 * Makes sides that face each other alike: the one that leaves more rounds fitting, and then the flatter border. Null when
 * the base round has been worked, or the counts cannot be had.
 */
export function madeAlike(plan: Plan, [a, b]: readonly [number, number]): Edit | null {
  if (plan.rounds[0]!.done) return null;
  const ways = [
    [a, b],
    [b, a],
  ].flatMap(([of, like]) => {
    const { name, corners } = plan.sides[held(of, 'sides are compared by those that were given')]!;
    const made = setCount(
      `side ${name}`,
      [held(of, 'sides are compared by those that were given')],
      countOf(plan, held(like, 'sides are compared by those that were given')),
      corners,
    );
    const outcome = performed(plan.hem, made);
    if (!outcome.ok) return [];
    const then = planOf(outcome.value);
    const strain = Math.max(...then.rounds.flatMap((r) => r.sides.map((s) => Math.abs(s.strain))));
    return [{ made, uneven: then.rounds.filter((r) => !r.even).length, strain }];
  });
  return ways.sort((x, y) => x.uneven - y.uneven || x.strain - y.strain)[0]?.made ?? null;
}
