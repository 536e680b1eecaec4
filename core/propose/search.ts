/**
 * Borders for a piece and a wish. What can be known of a border before it is planned is looked at first: how high its parts are and
 * what they are like (worked on a short ring), whether its multiples come out on the ring that it would stand on. What is left is
 * planned on the ring that is there, by the planner that plans everything else; borders that share their rounds but the edge follow each
 * other, so that only the edge is worked anew.
 *
 * State: none between calls; a call searches one start of the grammar, so that several workers can share the work. Invariant: what is
 * found as it is keeps every word of the wish; what would need a change of counts has yet to be proved (prove.ts). Cost: one planned
 * border for each that the bounds let through.
 */
import { held } from '../held.ts';
import { isPlanProblem } from '../plan/problems.ts';
import type { Hem } from '../document/hem.ts';
import { createPlanner } from '../plan/planner.ts';
import { planComesOutEven, topOf, type Plan } from '../plan/types.ts';
import { wouldComeOutEven } from '../ring/even.ts';
import { circumstancesOf, writtenRounds } from '../stack/stack.ts';
import { leftOfBorder } from '../work/progress.ts';
import { byYarn, endsInEdge, footingOf, groupsOf, type Candidate } from './candidates.ts';
import { Palette } from './colours.ts';
import { Kept, type BorderFound } from './found.ts';
import { KEEP_NOTHING, shapeStarts, type Keep } from './grammar.ts';
import {
  CHANGE_COST,
  OBSTACLES,
  WIDTH_OFF,
  costOf,
  leftCost,
  obstaclesOf,
  worstOfAll,
  type Obstacle,
} from './suits.ts';
import { wantedWidthMm, type Wish } from './wish.ts';

export interface Searched {
  /** The best of every edge, in the dressings that become it best. */
  readonly found: readonly BorderFound[];
  /** Borders that were looked at, those of them that were planned exactly, and how many of these suit as they are. */
  readonly tried: number;
  readonly planned: number;
  readonly suit: number;
  /** How many did not suit because of what alone, as far as that could be known. */
  readonly obstacles: Readonly<Partial<Record<Obstacle, number>>>;
}

/** Where the yarn says how often a ground is worked, so many of the largest are taken for which it is enough. */
const MOST_BY_YARN = 2;

/** Joins what two parts of a search found. */
export function joinSearches(a: Searched, b: Searched): Searched {
  const obstacles = { ...a.obstacles };
  for (const obstacle of OBSTACLES) {
    const more = b.obstacles[obstacle] ?? 0;
    if (more > 0) obstacles[obstacle] = (obstacles[obstacle] ?? 0) + more;
  }
  return {
    found: [...a.found, ...b.found],
    tried: a.tried + b.tried,
    planned: a.planned + b.planned,
    suit: a.suit + b.suit,
    obstacles,
  };
}

export const NOTHING_FOUND: Searched = { found: [], tried: 0, planned: 0, suit: 0, obstacles: {} };

/** How many parts the search of a hem has. */
export const slicesOf = (hem: Hem): number => shapeStarts(hem).length;

/** The part of the search that belongs to a start of the grammar. @param slice from 0 to {@link slicesOf} */
export function searchSlice(hem: Hem, wish: Wish, slice: number, keep: Keep = KEEP_NOTHING): Searched {
  if (endsInEdge(hem, wish)) return NOTHING_FOUND;
  const planner = createPlanner();
  const palette = new Palette(hem);
  const footing = footingOf(hem, wish, keep, palette.yarns[0], planner);
  const wanted = wantedWidthMm(wish, footing.foot);
  const kept = new Kept();
  const obstacles: Partial<Record<Obstacle, number>> = {};
  const against = (obstacle: Obstacle): void => {
    obstacles[obstacle] = (obstacles[obstacle] ?? 0) + 1;
  };
  const counted = { tried: 0, planned: 0, suit: 0 };
  const lasting = new Map<string, number>();
  for (const { over, under, candidates } of groupsOf(footing, shapeStarts(hem)[slice]!, against)) {
    const enough = lasting.get(over) ?? 0;
    if (byYarn(footing) && enough === MOST_BY_YARN) continue;
    const ground = planner({ ...hem, rounds: under });
    counted.tried += candidates.length;
    counted.planned++;
    if (isBeyond(ground)) continue;
    if (wish.basket !== 'any' && !couldLast(ground, wish.basket === 'used up')) {
      candidates.forEach(() => against('basket'));
      continue;
    }
    lasting.set(over, enough + 1);
    const top = topOf(ground);
    const sound = planComesOutEven(ground) && Math.abs(worstOfAll(ground)) <= ground.flatLimits.blocks;
    const near = (c: Candidate, only: 'fit' | 'flatness'): void => {
      const off = wanted === null ? 0 : Math.abs(c.widthMm / wanted - 1);
      if (off > WIDTH_OFF || (wish.minutes !== null && leftOfBorder(ground).minutes > wish.minutes)) return;
      against(only);
      kept.take(c, [...ground.rounds, ...c.edgeRounds], null, 100 * off + CHANGE_COST, palette, footing);
    };
    for (const c of candidates) {
      const [first] = writtenRounds(c.rounds.slice(under.length)).rounds;
      const below = top.plannedHeightMm / top.stitchWidthMm;
      if (!sound) near(c, planComesOutEven(ground) ? 'flatness' : 'fit');
      else if (
        first &&
        !wouldComeOutEven(top.ring, first.recipe, circumstancesOf(first, ground.body.outline, below))
      ) {
        near(c, 'fit');
      } else {
        const plan = planner({ ...hem, rounds: c.rounds });
        counted.planned++;
        if (isBeyond(plan)) continue;
        const [only, ...more] = obstaclesOf(plan, wish, false);
        if (only === undefined) {
          counted.suit++;
          if (!kept.take(c, plan.rounds, plan, costOf(plan, wish) + leftCost(plan, wish), palette, footing))
            against('basket');
        } else if (only === 'fit' || only === 'flatness') near(c, only);
        else if (more.length === 0) against(only);
      }
    }
  }
  return { found: kept.all(), ...counted, obstacles };
}

/** Something that goes beyond the limits is no border. */
const isBeyond = (plan: Plan): boolean =>
  plan.problems.some((p) => isPlanProblem(p, 'round-too-large', 'round-makes-nothing'));

/** Whether all the yarns that are there together are enough, could be or surely, whatever is worked in which. */
function couldLast({ yarns }: Plan, surely: boolean): boolean {
  if (yarns.some(({ yarn }) => yarn.haveG === null)) return true;
  const needed = yarns.reduce(
    (sum, { quantity: q }) => sum + q.metres * (surely ? 1 + q.spread : 1 - q.spread),
    0,
  );
  return (
    needed <=
    yarns.reduce(
      (sum, { yarn }) =>
        sum + (held(yarn.haveG, 'asked only of yarn that was weighed') * yarn.metresPer100G) / 100,
      0,
    )
  );
}
