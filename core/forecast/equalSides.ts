/** Sides that meet when pieces are joined, made equal: a base count that does it, planned before it is offered. */
import { setCount } from '../edits/base.ts';
import { performed, type Edit } from '../edits/edit.ts';
import { createPlanner } from '../plan/planner.ts';
import { planComesOutEven, type Plan } from '../plan/types.ts';
import { plural } from '../say/measures.ts';

export interface EqualSides {
  readonly words: string;
  readonly edit: Edit;
}

/** Base stitches by which a side is changed at the most. */
const MOST = 12;

/**
 * The least change of one base count for each pair of sides that meet and do not pair off. Every round fits with it
 * where every round did before.
 */
export function waysToEqualSides(plan: Plan): readonly EqualSides[] {
  const { joining, hem } = plan;
  if (!joining || joining.unequal.length === 0) return [];
  const planner = createPlanner();
  const even = planComesOutEven(plan);
  return joining.unequal.flatMap(({ sides }) => {
    for (let by = 1; by <= MOST; by++) {
      for (const change of [by, -by]) {
        for (const side of [sides[1], sides[0]]) {
          const { name, count, corners } = plan.sides[side]!;
          if (count + change < 1) continue;
          const edit = setCount(`side ${name}`, [side], count + corners + change, corners);
          const outcome = performed(hem, edit);
          if (!outcome.ok) continue;
          const then = planner(outcome.value);
          const still = then.joining?.unequal.some((u) => u.sides[0] === sides[0]) ?? true;
          if (still || (even && !planComesOutEven(then))) continue;
          const words = `In the base round work ${plural(by, 'stitch')} ${change > 0 ? 'more' : 'fewer'} on side ${name}: then sides ${plan.sides[sides[0]]!.name} and ${plan.sides[sides[1]]!.name} pair off.`;
          return [{ words, edit }];
        }
      }
    }
    return [];
  });
}
