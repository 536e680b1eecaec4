/**
 * Borders for a piece and a wish. Every shape of the grammar is planned on the ring that is there, by the planner that plans everything
 * else; shapes with the same ground and middle follow each other, so that only what differs is worked anew.
 *
 * State: none between calls; a call searches one start of the grammar, so that several workers can share the work. Invariant: what is
 * returned has been planned whole, keeps every limit of the wish, and fits all the way round, if need be by the change that the
 * fit proves cheapest. Cost: one planned border for each shape that the bounds let through; a fit for the few that are near.
 */
import type { BaseRound } from '../base/baseRound.ts';
import type { Hem, RoundEntry } from '../document/hem.ts';
import { changePiece } from '../document/changePiece.ts';
import { NOTHING_DONE } from '../document/record.ts';
import { applySolution } from '../fit/apply.ts';
import { changesNothing, type FitSolution } from '../fit/fit.ts';
import { fitHem } from '../fit/open.ts';
import { worstStrain } from '../forecast/alternatives.ts';
import { supplyOf, type Supply } from '../forecast/supply.ts';
import { createPlanner } from '../plan/planner.ts';
import { comesOutEven, type Plan } from '../plan/types.ts';
import type { Piece } from '../piece/piece.ts';
import type { Ring } from '../ring/ring.ts';
import { entriesOnto } from '../stack/stack.ts';
import { characterOf, type Character } from './character.ts';
import { EDGES, STARTS, groundOf, type Shape, type Start } from './grammar.ts';
import { SKILLS, type Wish } from './wish.ts';

/** Why a border is not proposed: the wish that stands in the way. */
export const OBSTACLES = [
  'width',
  'look',
  'skill',
  'loose parts',
  'basket',
  'time',
  'fit',
  'flatness',
] as const;
export type Obstacle = (typeof OBSTACLES)[number];

/** A border that is proposed, with what speaks for it. */
export interface Proposal {
  readonly shape: Shape;
  readonly base: BaseRound;
  readonly rounds: readonly RoundEntry[];
  readonly widthMm: number;
  readonly minutes: number;
  /** Strain of the least flat round and side. */
  readonly worst: number;
  readonly supply: Supply;
  /** What the yarns come to, g on the high side. */
  readonly grams: number;
  readonly looks: readonly string[];
  readonly skill: Character['skill'];
  /** It fits as it is; else a change that hides makes it fit. */
  readonly asItIs: boolean;
  /** The less, the nearer to the wish: what a maker would mind. */
  readonly cost: number;
}

export interface Searched {
  readonly proposals: readonly Proposal[];
  /** Borders that were planned exactly. */
  readonly planned: number;
  /** How many did not suit because of what alone. */
  readonly obstacles: Readonly<Partial<Record<Obstacle, number>>>;
}

/** Further off the wished width than this no border is proposed, as a fraction. */
const WIDTH_OFF = 0.2;
/** Over the time that there is. */
const TIME_OVER = 1.1;
/** Rounds of a ground where no width is wished. */
const USUAL_TIMES = [1, 3] as const;
const MOST_TIMES = 40;
/** A fit is looked for where everything else suits, for so many of a start. */
const MOST_FITS = 2;

/** How many starts there are. */
export const SLICES = STARTS.length;

/** The part of the search that belongs to a start of the grammar. @param slice from 0 to {@link SLICES} */
export function searchSlice(hem: Hem, wish: Wish, slice: number): Searched {
  const start = STARTS[slice]!;
  const planner = createPlanner();
  const kept = begunOf(planner(hem));
  const found: Proposal[] = [];
  const obstacles: Partial<Record<Obstacle, number>> = {};
  const nearly: Candidate[] = [];
  let planned = 0;
  for (const candidate of candidatesOf(hem, kept, start, wish)) {
    const plan = planner({ ...hem, rounds: candidate.rounds });
    planned++;
    // Something that stands beyond the limits is no border.
    if (plan.problems.some((p) => p.code === 'round-too-large' || p.code === 'round-makes-nothing')) continue;
    const against = obstaclesOf(plan, wish);
    const [only, ...more] = against;
    if (!only) found.push(proposalOf(plan, candidate, wish, true));
    else if (against.every((o) => o === 'fit' || o === 'flatness')) nearly.push({ ...candidate, plan });
    else if (more.length === 0) obstacles[only] = (obstacles[only] ?? 0) + 1;
  }
  nearly.sort((a, b) => costOf(a.plan!, wish, false) - costOf(b.plan!, wish, false));
  for (const [k, candidate] of nearly.entries()) {
    const fitted = k < MOST_FITS ? withFit(hem, candidate) : null;
    const plan = fitted && planner(fitted.hem);
    if (plan && obstaclesOf(plan, wish).length === 0) {
      found.push(proposalOf(plan, { shape: candidate.shape, rounds: fitted.hem.rounds }, wish, false));
    } else {
      const [only] = obstaclesOf(candidate.plan!, wish);
      obstacles[only!] = (obstacles[only!] ?? 0) + 1;
    }
  }
  return { proposals: found.sort((a, b) => a.cost - b.cost), planned, obstacles };
}

interface Candidate {
  readonly shape: Shape;
  readonly rounds: readonly RoundEntry[];
  readonly plan?: Plan;
}

/** Entries of which something has been worked: they stay. */
const begunOf = (plan: Plan): readonly RoundEntry[] => {
  const begun = new Set(plan.rounds.flatMap((r) => (r.done && r.written ? [r.written.entry.id] : [])));
  return plan.hem.rounds.filter((r) => begun.has(r.id));
};

/** A piece of a few stitches: rounds are as high on it as on any other. */
const TINY: Piece = {
  kind: 'rows',
  foundation: 'both loops of the chain',
  lastRow: 'stitch tops',
  stitches: 25,
  rows: [{ stitch: 'dc', count: 8 }],
  widthCm: 18,
  heightCm: 12,
};

/**
 * The borders of a start, those with the same ground after each other. Heights of the parts add up, so that the ground that comes to a
 * wished width is known beforehand.
 */
function candidatesOf(
  hem: Hem,
  kept: readonly RoundEntry[],
  { stitch, middle }: Start,
  wish: Wish,
): readonly Candidate[] {
  const yarn = hem.yarns.find((y) => y.id !== hem.base.yarn)?.id ?? hem.base.yarn;
  const planner = createPlanner();
  const tiny = { ...hem, ...changePiece(hem, TINY), record: NOTHING_DONE };
  const highMm = (rounds: readonly RoundEntry[]): number => planner({ ...tiny, rounds }).borderWidthMm;
  const bareMm = highMm([]);
  const ground = (times: number): readonly RoundEntry[] => groundOf({ stitch, times }, yarn);
  const roundMm = Math.max(0.1, highMm(ground(1)) - bareMm);
  const real = createPlanner();
  const keptMm = real({ ...hem, rounds: kept }).borderWidthMm;
  const topOn = (rounds: readonly RoundEntry[]): Ring => topOf(real({ ...hem, rounds })).ring;
  const added = (
    below: Ring,
    family: Start['middle'],
    ids: readonly [string, string],
  ): readonly RoundEntry[] => (family ? entriesOnto(below, family, yarn, ids) : []);
  const onGround = topOn([...kept, ...ground(1)]);
  const middles = added(onGround, middle, ['under the middle', 'middle']);
  const onMiddle = middle ? topOn([...kept, ...ground(1), ...middles]) : onGround;
  const candidates = [null, ...EDGES].flatMap((edge): readonly Candidate[] => {
    const edges = added(onMiddle, edge, ['under the edge', 'edge']);
    const restMm = keptMm + highMm([...ground(1), ...middles, ...edges]) - bareMm - roundMm;
    const wanted = wish.widthCm === null ? null : (wish.widthCm * 10 - restMm) / roundMm;
    const times =
      wanted === null
        ? USUAL_TIMES
        : [...new Set([Math.floor(wanted), Math.ceil(wanted)])].filter((t) => t >= 0 && t <= MOST_TIMES);
    // Nothing at all is no border.
    return times
      .filter((t) => t > 0 || middle || edge)
      .map((t) => ({
        shape: { ground: { stitch, times: t }, middle: middle?.id ?? null, edge: edge?.id ?? null },
        rounds: [...kept, ...ground(t), ...middles, ...edges],
      }));
  });
  return candidates.sort((a, b) => a.shape.ground.times - b.shape.ground.times);
}

const topOf = ({ rounds }: Plan) => rounds.findLast((r) => !r.written?.recipe.surface)!;

function obstaclesOf(plan: Plan, wish: Wish): readonly Obstacle[] {
  const { looks, skill, looseParts } = characterOf(plan);
  const width = wish.widthCm === null ? 0 : plan.borderWidthMm / 10 / wish.widthCm - 1;
  const against: readonly (readonly [Obstacle, boolean])[] = [
    ['width', Math.abs(width) > WIDTH_OFF],
    ['look', wish.look !== null && !looks.has(wish.look)],
    ['skill', wish.skill !== null && SKILLS.indexOf(skill) > SKILLS.indexOf(wish.skill)],
    ['loose parts', wish.noLooseParts && looseParts],
    ['basket', wish.fromBasket && plan.yarns.some((y) => supplyOf(y) === 'runs out')],
    ['time', wish.minutes !== null && plan.minutes > TIME_OVER * wish.minutes],
    ['fit', !comesOutEven(plan)],
    ['flatness', Math.abs(worstOfAll(plan)) > plan.flatLimits.blocks],
  ];
  return against.flatMap(([obstacle, stands]) => (stands ? [obstacle] : []));
}

const worstOfAll = ({ rounds }: Plan): number =>
  rounds.map(worstStrain).reduce((worst, s) => (Math.abs(s) > Math.abs(worst) ? s : worst), 0);

const worstSupply = (plan: Plan): Supply => {
  const all = plan.yarns.filter((y) => y.quantity.metres > 0).map(supplyOf);
  return (['runs out', 'may run out', 'not said', 'lasts'] as const).find((s) => all.includes(s)) ?? 'lasts';
};

/** What a maker would mind, in one number: per cent off the wished width, strain beyond what lies flat, a change, yarn at risk. */
function costOf(plan: Plan, wish: Wish, asItIs: boolean): number {
  const width = wish.widthCm === null ? 0 : Math.abs(plan.borderWidthMm / 10 / wish.widthCm - 1) * 100;
  const strain = Math.max(0, Math.abs(worstOfAll(plan)) / plan.flatLimits.flat - 1) * 6;
  const supply = wish.fromBasket && worstSupply(plan) === 'may run out' ? 8 : 0;
  const time = wish.minutes === null ? 0 : Math.max(0, plan.minutes / wish.minutes - 1) * 40;
  return width + strain + supply + time + (asItIs ? 0 : 4);
}

function proposalOf(plan: Plan, { shape, rounds }: Candidate, wish: Wish, asItIs: boolean): Proposal {
  const { looks, skill } = characterOf(plan);
  return {
    shape,
    base: plan.hem.base,
    rounds,
    widthMm: plan.borderWidthMm,
    minutes: plan.minutes,
    worst: worstOfAll(plan),
    supply: worstSupply(plan),
    grams: plan.yarns.reduce((sum, y) => sum + y.quantity.grams * (1 + y.quantity.spread), 0),
    looks: [...looks],
    skill,
    asItIs,
    cost: costOf(plan, wish, asItIs),
  };
}

/** With the change that the fit proves cheapest; null when there is none, or the base round has been worked. */
function withFit(
  hem: Hem,
  { rounds, plan }: Candidate,
): { readonly hem: Hem; readonly solution: FitSolution } | null {
  const whole = { ...hem, rounds };
  const solution = fitHem(whole).solutions.find((s) => !changesNothing(s));
  if (!solution || !plan) return null;
  const stack = plan.rounds.slice(1).map((r) => r.written!);
  return { hem: { ...whole, ...applySolution(whole, stack, solution) }, solution };
}
