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
import type { Hem, RoundEntry } from '../document/hem.ts';
import { riskOf, supplyOf } from '../forecast/supply.ts';
import { createPlanner } from '../plan/planner.ts';
import { comesOutEven, type Plan, type RoundPlan } from '../plan/types.ts';
import { familyById } from '../rounds/registry.ts';
import { workedRounds } from '../record/record.ts';
import { wouldComeOutEven } from '../ring/even.ts';
import { circumstancesOf, writtenRounds } from '../stack/stack.ts';
import { characterOf } from './character.ts';
import {
  Palette,
  LEAST_COLOUR_COST,
  colourCost,
  dressed,
  dressingsOf,
  yarnIn,
  type Dressing,
  type DressingKind,
} from './colours.ts';
import { entryFor, idOf, idUnder, partsOf, startsOf, type Layer, type Part, type Shape } from './grammar.ts';
import {
  CHANGE_COST,
  OBSTACLES,
  WIDTH_OFF,
  costOf,
  leftCost,
  minutesToGo,
  riskCost,
  obstaclesOf,
  outOfCharacter,
  worstOfAll,
  type Obstacle,
} from './suits.ts';
import { fillFor, trialOn, tried, type Trial, type TriedRound } from './trial.ts';
import { wantedWidthMm, type Wish } from './wish.ts';

/** A border that suits, or would with a change of counts. */
export interface Found {
  /** Told apart by it from every other. */
  readonly key: string;
  readonly shape: Shape;
  readonly dressing: DressingKind;
  readonly rounds: readonly RoundEntry[];
  /** It comes out even with the counts that are there; else a change of counts has yet to be found. */
  readonly asItIs: boolean;
  /** The less, the nearer to the wish: what a maker would mind, in per cent off the wished width. */
  readonly cost: number;
}

export interface Searched {
  /** The best of every edge, in the dressings that become it best. */
  readonly found: readonly Found[];
  /** Borders that were looked at, those of them that were planned exactly, and how many of these suit as they are. */
  readonly tried: number;
  readonly planned: number;
  readonly suit: number;
  /** How many did not suit because of what alone, as far as that could be known. */
  readonly obstacles: Readonly<Partial<Record<Obstacle, number>>>;
}

/** Rounds of a ground where no width is wished, and where the yarn says how many. */
const USUAL_TIMES = [3, 1] as const;
const TIMES_BY_YARN = [24, 18, 14, 11, 9, 7, 6, 5, 4, 3, 2, 1] as const;
/** Of these the largest few are taken for which the basket is enough. */
const MOST_BY_YARN = 2;
const MOST_TIMES = 40;
/** Shapes of an edge that are kept of a start, and dressings of a shape. */
const KEPT_SHAPES = 2;
const KEPT_DRESSINGS = 3;

/** What two parts of a search found together. */
export function together(a: Searched, b: Searched): Searched {
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
export const slicesOf = (hem: Hem): number => startsOf(hem).length;

/**
 * The rounds of a hem that stay under whatever is proposed: those that have been begun, and, where that is wished, all but the edge that
 * ends the border.
 */
function roundsThatStay(hem: Hem, wish: Wish): readonly RoundEntry[] {
  const begun = new Set(workedRounds(hem.record).map((d) => d.begun.entry?.id));
  const last = hem.rounds.at(-1);
  const edge = last && !familyById(last.family)?.repeatable ? last.id : null;
  return hem.rounds.filter((r) => begun.has(r.id) || (wish.onRounds && r.id !== edge));
}

/** Whether what stays ends in an edge on which nothing goes. */
export function endsInEdge(hem: Hem, wish: Wish): boolean {
  const last = writtenRounds(roundsThatStay(hem, wish)).rounds.findLast((r) => !r.recipe.surface);
  return last !== undefined && last.edge !== 'straight';
}

interface Candidate {
  readonly shape: Shape;
  readonly rounds: readonly RoundEntry[];
  /** Worked on the short ring: all that is above the ground, and what the edge adds. */
  readonly trial: Trial;
  readonly edgeRounds: readonly TriedRound[];
  readonly widthMm: number;
}

/** Candidates that share all rounds but those of the edge. */
interface Group {
  /** The same for groups that differ in how often their ground is worked alone. */
  readonly over: string;
  readonly under: readonly RoundEntry[];
  readonly candidates: Candidate[];
}

/** The part of the search that belongs to a start of the grammar. @param slice from 0 to {@link slicesOf} */
export function searchSlice(hem: Hem, wish: Wish, slice: number): Searched {
  if (endsInEdge(hem, wish)) return NOTHING_FOUND;
  const planner = createPlanner();
  const stays = roundsThatStay(hem, wish);
  const standing = planner({ ...hem, rounds: stays });
  const palette = new Palette(hem);
  // What stays is filled first where it is of loops or meshes.
  const fill = fillFor(trialOn(topOf(standing)), palette.yarns[0]);
  const stay = fill ? [...stays, fill] : stays;
  const foot = fill ? planner({ ...hem, rounds: stay }) : standing;
  const wanted = wantedWidthMm(wish, foot);
  const kept = new Kept();
  const obstacles: Partial<Record<Obstacle, number>> = {};
  const against = (obstacle: Obstacle): void => {
    obstacles[obstacle] = (obstacles[obstacle] ?? 0) + 1;
  };
  const counted = { tried: 0, planned: 0, suit: 0 };
  const lasting = new Map<string, number>();
  for (const { over, under, candidates } of groupsOf(
    hem,
    wish,
    slice,
    foot,
    stay,
    palette.yarns[0],
    against,
  )) {
    const enough = lasting.get(over) ?? 0;
    if (byYarn(wish, foot) && enough === MOST_BY_YARN) continue;
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
    const sound = comesOutEven(ground) && Math.abs(worstOfAll(ground)) <= ground.flatLimits.blocks;
    const near = (c: Candidate): void => {
      const off = wanted === null ? 0 : Math.abs(c.widthMm / wanted - 1);
      if (off > WIDTH_OFF || (wish.minutes !== null && minutesToGo(ground) > wish.minutes)) return;
      against('fit');
      kept.take(c, [...ground.rounds, ...c.edgeRounds], null, 100 * off + CHANGE_COST, palette, wish);
    };
    for (const c of candidates) {
      const [first] = writtenRounds(c.rounds.slice(under.length)).rounds;
      const below = top.plannedHeightMm / top.stitchWidthMm;
      if (!sound) near(c);
      else if (
        first &&
        !wouldComeOutEven(top.ring, first.recipe, circumstancesOf(first, ground.body.outline, below))
      ) {
        near(c);
      } else {
        const plan = planner({ ...hem, rounds: c.rounds });
        counted.planned++;
        if (isBeyond(plan)) continue;
        const [only, ...more] = obstaclesOf(plan, wish, false);
        if (only === undefined) {
          counted.suit++;
          if (!kept.take(c, plan.rounds, plan, costOf(plan, wish) + leftCost(plan, wish), palette, wish))
            against('basket');
        } else if (only === 'fit' || only === 'flatness') near(c);
        else if (more.length === 0) against(only);
      }
    }
  }
  return { found: kept.all(), ...counted, obstacles };
}

/** Something that goes beyond the limits is no border. */
const isBeyond = (plan: Plan): boolean =>
  plan.problems.some((p) => p.code === 'round-too-large' || p.code === 'round-makes-nothing');

const topOf = ({ rounds }: Plan): RoundPlan => rounds.findLast((r) => !r.written?.recipe.surface)!;

/** The borders of a start that the bounds let through, those with the same ground and middle after each other. */
function groupsOf(
  hem: Hem,
  wish: Wish,
  slice: number,
  foot: Plan,
  stay: readonly RoundEntry[],
  yarn: string,
  against: (obstacle: Obstacle) => void,
): readonly Group[] {
  const wanted = wantedWidthMm(wish, foot);
  const taller = foot.height.ratio;
  const bare = trialOn(stay.length > 0 ? topOf(foot) : null);
  const trials = new Map<Layer | null, Map<Trial, Trial>>();
  const on = (below: Trial, layer: Layer | null, part: Part): Trial => {
    if (layer === null) return below;
    const known = trials.get(layer) ?? new Map<Trial, Trial>();
    trials.set(layer, known);
    const trial = known.get(below) ?? tried(hem, below, layer, yarn, [idUnder(part), idOf(part)]);
    known.set(below, trial);
    return trial;
  };
  const grounds = new Map<string, readonly RoundEntry[]>();
  const groups = new Map<string, Group>();
  const names = new Map<Layer | null, number>();
  const nameOf = (layer: Layer | null): number => {
    if (!names.has(layer)) names.set(layer, names.size);
    return names.get(layer)!;
  };
  for (const { ground, middle, edge } of partsOf(startsOf(hem)[slice]!, hem, foot.body)) {
    const onGround = on(bare, ground, 'ground');
    const onMiddle = on(onGround, middle, 'middle');
    const trial = on(onMiddle, edge, 'edge');
    const restMm = foot.borderWidthMm + taller * (trial.highMm - onGround.highMm);
    const roundMm = Math.max(0.1, taller * onGround.highMm);
    const times = byYarn(wish, foot)
      ? TIMES_BY_YARN
      : timesFor(wanted === null ? null : (wanted - restMm) / roundMm);
    const outside = outOfCharacter(characterOf(trial.rounds), wish);
    if (times.length === 0 || outside.length > 0) {
      if (times.length === 0 && outside.length === 0) against('width');
      else if (times.length > 0 && outside.length === 1) against(outside[0]!);
      continue;
    }
    for (const t of times) {
      // Nothing at all is no border.
      if (t === 0 && !middle && !edge) continue;
      const key = `${nameOf(ground)} ${t}`;
      const layer = t > 0 && ground ? { ...ground, times: t } : null;
      const rounds = grounds.get(key) ?? (layer ? [entryFor(layer, idOf('ground'), [yarn])] : []);
      grounds.set(key, rounds);
      const over = `${nameOf(ground)} ${nameOf(middle)}`;
      const whole = `${over} ${t}`;
      const middles = middle ? onMiddle.entries : [];
      const group = groups.get(whole) ?? { over, under: [...stay, ...rounds, ...middles], candidates: [] };
      groups.set(whole, group);
      const edges = edge ? trial.entries : [];
      group.candidates.push({
        shape: { ground: layer, middle, edge },
        rounds: [...group.under, ...edges],
        trial,
        edgeRounds: edge ? trial.rounds.slice(onMiddle.rounds.length) : [],
        widthMm: restMm + t * roundMm,
      });
    }
  }
  // The most rounds of a ground come first.
  return [...groups.values()].sort((a, b) => (a.over < b.over ? -1 : a.over > b.over ? 1 : 0));
}

/** Whether it is the yarn that says how often a ground is worked. */
const byYarn = (wish: Wish, foot: Plan): boolean =>
  wish.basket === 'used up' && wantedWidthMm(wish, foot) === null;

/** Whether all the yarns that are there together are enough, could be or surely, whatever is worked in which. */
function couldLast({ yarns }: Plan, surely: boolean): boolean {
  if (yarns.some(({ yarn }) => yarn.haveG === null)) return true;
  const needed = yarns.reduce(
    (sum, { quantity: q }) => sum + q.metres * (surely ? 1 + q.spread : 1 - q.spread),
    0,
  );
  return needed <= yarns.reduce((sum, { yarn }) => sum + (yarn.haveG! * yarn.metresPer100G) / 100, 0);
}

/** How often a ground is worked, the most first. @param exact what would come to the wished width; null for any */
function timesFor(exact: number | null): readonly number[] {
  if (exact === null) return USUAL_TIMES;
  return [...new Set([Math.ceil(exact), Math.floor(exact)])].filter((t) => t >= 0 && t <= MOST_TIMES);
}

/** The best few of every edge, in the dressings that become them best. */
class Kept {
  private readonly byEdge = new Map<string, (readonly Found[])[]>();

  /**
   * @param plan null where it has yet to be proved
   * @returns false where the basket does not last in any dressing
   */
  take(
    { shape, rounds }: Candidate,
    worked: readonly (RoundPlan | TriedRound)[],
    plan: Plan | null,
    cost: number,
    palette: Palette,
    wish: Wish,
  ): boolean {
    const key = `${shape.edge?.family} ${plan !== null}`;
    const kept = this.byEdge.get(key) ?? [];
    this.byEdge.set(key, kept);
    const worst = kept[KEPT_SHAPES - 1]?.[0];
    // No dressing makes up for so much.
    if (worst && cost + LEAST_COLOUR_COST >= worst.cost) return true;
    const dressings = dressingsFor(shape, worked, plan, palette, wish);
    if (dressings.length === 0) return false;
    kept.push(
      dressings.map(({ dressing, minds }) => ({
        key: JSON.stringify([shape, dressing]),
        shape,
        dressing: dressing.kind,
        rounds: dressed(rounds, dressing),
        asItIs: plan !== null,
        cost: cost + minds,
      })),
    );
    kept.sort((a, b) => a[0]!.cost - b[0]!.cost).splice(KEPT_SHAPES);
    return true;
  }

  all(): readonly Found[] {
    return [...this.byEdge.values()].flat(2).sort((a, b) => a.cost - b.cost);
  }
}

/** The dressing of each kind that is minded least, of those for which the basket is enough where that is wished; the best few. */
function dressingsFor(
  { ground, middle, edge }: Shape,
  worked: readonly (RoundPlan | TriedRound)[],
  plan: Plan | null,
  palette: Palette,
  wish: Wish,
): readonly { readonly dressing: Dressing; readonly minds: number }[] {
  const best = new Map<DressingKind, { readonly dressing: Dressing; readonly minds: number }>();
  const parts = { ground: ground?.times ?? 0, middle: middle ? 1 : 0, edge: edge ? 1 : 0 };
  for (const dressing of dressingsOf(palette, parts)) {
    const supply = plan && wish.basket !== 'any' ? supplyIn(plan, dressing) : LASTS;
    if (!supply.lasts) continue;
    const bands = worked.map((r) => ({ yarn: yarnIn(r, dressing), heightMm: r.ownHeightMm }));
    const minds = colourCost(palette, bands, dressing.kind) + riskCost(supply.risk, wish);
    if (minds < (best.get(dressing.kind)?.minds ?? Infinity)) best.set(dressing.kind, { dressing, minds });
  }
  return [...best.values()].sort((a, b) => a.minds - b.minds).slice(0, KEPT_DRESSINGS);
}

const LASTS = { lasts: true, risk: 0 } as const;

/** Whether what is there could be enough of every yarn, and the greatest chance that it is not. */
function supplyIn(plan: Plan, dressing: Dressing): { readonly lasts: boolean; readonly risk: number } {
  const metres = new Map<string, number>();
  for (const r of plan.rounds) {
    const yarn = yarnIn(r, dressing);
    metres.set(yarn, (metres.get(yarn) ?? 0) + r.yarnM);
  }
  const needs = plan.yarns.map((y) => ({
    ...y,
    quantity: { ...y.quantity, grams: ((metres.get(y.yarn.id) ?? 0) * 100) / y.yarn.metresPer100G },
  }));
  return {
    lasts: needs.every((y) => supplyOf(y) !== 'runs out'),
    risk: Math.max(0, ...needs.map(riskOf)),
  };
}
