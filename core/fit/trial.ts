/**
 * Tries a base count: works the whole stack of rounds on a trial ring with a single side of that many
 * stitches, since what a side-wise round does on one side does not depend on the others.
 */
import { recipeOf } from '../notation/parse.ts';
import { plainRound } from '../terms/corners.ts';
import type { BaseRound } from '../base/baseRound.ts';
import type { Recipe } from '../ring/recipe.ts';
import { isChainRun, stitchOf, type Stitch } from '../ring/stitch.ts';
import { NOTHING, type Ring } from '../ring/ring.ts';
import { centreOf, workRound } from '../ring/work.ts';

/** What stands in the way of a count: the index of the first round that does not come out even, or none. */
export interface Trial {
  readonly even: boolean;
  readonly stopsAt: number;
  /** Some round goes along the side in its less symmetrical way. */
  readonly lopsided: boolean;
}

/** A ring with one corner and one side of `count` stitches, as the base round leaves it. */
function trialRing(base: BaseRound, count: number): Ring {
  const stitch = stitchOf({ kind: base.stitch });
  const corner = recipeOf(plainRound(base.stitch, base.corner, 0)).corner.group;
  const group = corner.length > 0 ? corner : [stitch];
  const made: Stitch[] = [...group];
  for (let k = 0; k < count; k++) made.push(stitch);
  const into = Int32Array.from(made, (s, i) => (isChainRun(s) ? NOTHING : i < group.length ? 0 : i));
  return { made, into, centres: [centreOf(group)] };
}

/**
 * Makes a trial of counts for a stack of rounds. Each count is worked once; cost of a first call is linear
 * in the count times the rounds.
 */
export function trials(base: BaseRound, recipes: readonly Recipe[]): (count: number) => Trial {
  const known = new Map<number, Trial>();
  return (count) => {
    let trial = known.get(count);
    if (!trial) {
      trial = tryCount(base, recipes, count);
      known.set(count, trial);
    }
    return trial;
  };
}

function tryCount(base: BaseRound, recipes: readonly Recipe[], count: number): Trial {
  let ring = trialRing(base, count);
  let lopsided = false;
  for (const [index, recipe] of recipes.entries()) {
    const worked = workRound(ring, recipe);
    const side = worked.sides[0]!;
    if (side.over > 0 || side.short > 0 || side.stuck) return { even: false, stopsAt: index, lopsided };
    lopsided ||= side.lopsided;
    ring = worked.ring;
  }
  return { even: true, stopsAt: -1, lopsided };
}
