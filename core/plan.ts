/**
 * The one door: a project becomes a plan. Every count, length, word and drawing that is shown comes from the
 * worked rings in it.
 */
import { basis, rates, schoolLabel, schoolsFor, type BasisPart, type SchoolId } from './base/schools.ts';
import { placement, schoolCount, workBase, type SideChoice } from './base/baseRound.ts';
import type { Hem, RoundEntry } from './document/hem.ts';
import { fitBase, type Fit, type FitSide } from './fit/fit.ts';
import { trials, type Trial } from './fit/trial.ts';
import { FLAT_LIMITS, naturalLengthMm, roundHeight, strain, verdict, type Verdict } from './flat/flat.ts';
import { recipeOf } from './notation/parse.ts';
import { extent } from './piece/outline.ts';
import { bodyOf, type Body, type Edge } from './piece/piece.ts';
import { problem, type Problem } from './problems.ts';
import type { Recipe } from './ring/recipe.ts';
import { sideCount, tallyRing, tallySide, type Ring, type Tally } from './ring/ring.ts';
import { workRound, type SideFit } from './ring/work.ts';
import { familyById } from './rounds/registry.ts';
import type { Family } from './rounds/family.ts';
import { Stages } from './stages.ts';
import { quantity, TAIL_M, yarnInRingM, type Quantity, type Yarn } from './yarn/yarn.ts';

export interface SchoolPlan {
  readonly id: SchoolId;
  readonly label: string;
  readonly count: number;
  readonly basis: readonly BasisPart[];
}

/** One side of the base round. */
export interface SidePlan {
  readonly name: string;
  readonly edge: Edge;
  readonly choice: SideChoice;
  /** Stitches along the edge. The corners' stitches come on top. */
  readonly count: number;
  readonly schools: readonly SchoolPlan[];
  /** Count along the edge at which the base round has no strain; need not be whole. */
  readonly flatCount: number;
  /** Counts along the edge between which it lies flat, and between which it will block out. */
  readonly flatFrom: number;
  readonly flatTo: number;
  readonly blocksFrom: number;
  readonly blocksTo: number;
  /** Stitches for each spot of the edge. */
  readonly placement: readonly number[];
}

export interface RoundSide {
  readonly tally: Tally;
  /** Null for the base round, which fits whatever its counts are. */
  readonly fit: SideFit | null;
  /** Signed fraction; that of the round's feet for a free outer edge. */
  readonly strain: number;
  readonly verdict: Verdict;
}

/** One worked round, the base round first. */
export interface RoundPlan {
  /** Null for the base round. */
  readonly entry: RoundEntry | null;
  readonly family: Family | null;
  readonly recipe: Recipe | null;
  /** Number of the worked round: the base round is 0. */
  readonly number: number;
  readonly name: string;
  readonly yarnId: string;
  readonly ring: Ring;
  readonly sides: readonly RoundSide[];
  /** Stitches in the whole round, corners included. */
  readonly total: number;
  /** Height of this round, and of its top above the body, mm. */
  readonly ownHeightMm: number;
  readonly heightMm: number;
  readonly yarnM: number;
  readonly even: boolean;
}

export interface YarnPlan {
  readonly yarn: Yarn;
  readonly quantity: Quantity;
  /** Ends to weave in: two for each stretch worked in this yarn without a break. */
  readonly ends: number;
}

export interface Plan {
  readonly hem: Hem;
  readonly body: Body;
  /** Width of a border stitch, mm. */
  readonly stitchWidthMm: number;
  readonly sides: readonly SidePlan[];
  readonly rounds: readonly RoundPlan[];
  readonly bodySize: { readonly widthMm: number; readonly heightMm: number };
  readonly finishedSize: { readonly widthMm: number; readonly heightMm: number };
  readonly yarns: readonly YarnPlan[];
  readonly trial: (count: number) => Trial;
  readonly problems: readonly Problem[];
}

export type Planner = (hem: Hem) => Plan;

/** A planner remembers its last plan, so that an edit reworks only what stands on it. */
export function createPlanner(): Planner {
  const stages = new Stages();
  return (hem) => planWith(stages, hem);
}

/** A plan computed afresh. */
export const plan = (hem: Hem): Plan => createPlanner()(hem);

function planWith(stages: Stages, hem: Hem): Plan {
  const { gauge, base } = hem;
  const stitchWidthMm = 100 / gauge.stitchesPer10Cm;
  const body = stages.run('body', [hem.piece], () => bodyOf(hem.piece));
  const placements = body.edges.map((edge, side) =>
    stages.run(`placement ${side}`, [edge, base.sides[side], stitchWidthMm], () =>
      placement(base.sides[side]!, edge, stitchWidthMm),
    ),
  );
  const baseRing = stages.run('base', [body, base.stitch, base.corner, ...placements], () =>
    workBase(body, base, placements),
  );
  const worked = stages.run('written', [hem.rounds], () => writtenRounds(hem.rounds));
  const rounds = planRounds(stages, hem, body, baseRing, worked, stitchWidthMm);
  const sides = body.edges.map((edge, side) =>
    stages.run(
      `side ${side}`,
      [body, edge, placements[side], base.sides[side], stitchWidthMm, base.stitch, base.corner],
      () => planSide(body, side, base.sides[side]!, placements[side]!, rounds[0]!, stitchWidthMm),
    ),
  );
  const last = rounds[rounds.length - 1]!;
  return {
    hem,
    body,
    stitchWidthMm,
    sides,
    rounds,
    bodySize: extent(body.outline, 0),
    finishedSize: extent(body.outline, last.heightMm),
    yarns: planYarns(hem, rounds),
    trial: stages.run('trial', [worked, base.stitch, base.corner], () =>
      trials(
        base,
        worked.map((w) => w.recipe),
      ),
    ),
    problems: stages.run('problems', [body, sides, rounds], () => problemsOf(body, sides, rounds)),
  };
}

interface WrittenRound {
  readonly entry: RoundEntry;
  readonly family: Family;
  readonly recipe: Recipe;
}

/** The stack of rounds unrolled: one recipe for each round that is worked. */
function writtenRounds(entries: readonly RoundEntry[]): readonly WrittenRound[] {
  return entries.flatMap((entry) => {
    const family = familyById(entry.family);
    if (!family) throw new RangeError(`no round family ${entry.family}`);
    const rounds = entry.times * family.roundsPerRepeat;
    return Array.from({ length: rounds }, (_, k) => ({
      entry,
      family,
      recipe: recipeOf(family.write(entry, k)),
    }));
  });
}

function planRounds(
  stages: Stages,
  hem: Hem,
  body: Body,
  baseRing: Ring,
  written: readonly WrittenRound[],
  widthMm: number,
): readonly RoundPlan[] {
  const diameter = (id: string): number => hem.yarns.find((y) => y.id === id)!.diameterMm;
  const first = stages.run('round 0', [body, baseRing, widthMm, hem.base.yarn, diameter(hem.base.yarn)], () =>
    planRound(body, widthMm, diameter(hem.base.yarn), {
      entry: null,
      family: null,
      recipe: null,
      number: 0,
      name: 'Base round',
      yarnId: hem.base.yarn,
      ring: baseRing,
      fits: null,
      below: null,
    }),
  );
  const rounds = [first];
  for (const [k, { entry, family, recipe }] of written.entries()) {
    const below = rounds[k]!;
    rounds.push(
      stages.run(`round ${k + 1}`, [body, below, recipe, entry, widthMm, diameter(entry.yarn)], () => {
        const { ring, sides } = stages.run(`ring ${k + 1}`, [below.ring, recipe], () =>
          workRound(below.ring, recipe),
        );
        return planRound(body, widthMm, diameter(entry.yarn), {
          entry,
          family,
          recipe,
          number: k + 1,
          name: family.name,
          yarnId: entry.yarn,
          ring,
          fits: sides,
          below,
        });
      }),
    );
  }
  return rounds;
}

interface RoundParts extends Pick<
  RoundPlan,
  'entry' | 'family' | 'recipe' | 'number' | 'name' | 'yarnId' | 'ring'
> {
  readonly fits: readonly SideFit[] | null;
  readonly below: RoundPlan | null;
}

function planRound(body: Body, widthMm: number, diameterMm: number, parts: RoundParts): RoundPlan {
  const { fits, below, ...round } = parts;
  const ownHeightMm = roundHeight(round.ring) * widthMm;
  const heightMm = (below?.heightMm ?? 0) + ownHeightMm;
  const free = round.family !== null && round.family.edge !== 'straight';
  const judged = free && below ? below : { ring: round.ring, heightMm };
  const sides = Array.from({ length: sideCount(round.ring) }, (_, side): RoundSide => {
    const natural = naturalLengthMm(judged.ring, side, widthMm);
    const s = strain(natural, body.outline, side, judged.heightMm);
    return {
      tally: tallySide(round.ring, side),
      fit: fits && (fits[side] ?? fits[0]!),
      strain: s,
      verdict: verdict(s),
    };
  });
  return {
    ...round,
    sides,
    total: tallyRing(round.ring).stitches,
    ownHeightMm,
    heightMm,
    yarnM: yarnInRingM(round.ring, widthMm, diameterMm),
    even: sides.every(({ fit }) => fit === null || (fit.over === 0 && fit.short === 0 && !fit.stuck)),
  };
}

function planSide(
  body: Body,
  side: number,
  choice: SideChoice,
  counts: readonly number[],
  baseRound: RoundPlan,
  widthMm: number,
): SidePlan {
  const edge = body.edges[side]!;
  const count = counts.reduce((sum, c) => sum + c, 0);
  const { ring } = baseRound;
  // Everything but the stitches along the edge: what the corners give to this side.
  const corners = naturalLengthMm(ring, side, widthMm) / widthMm - count;
  const unstrained = (count + corners) / (1 + baseRound.sides[side]!.strain);
  const at = (s: number): number => unstrained * (1 + s) - corners;
  return {
    name: body.outline.sides[side]!.name,
    edge,
    choice,
    count,
    schools: schoolsFor(edge)
      .filter((id) => id !== 'own' || choice.school === 'own')
      .map((id) => ({
        id,
        label: schoolLabel(id, edge, choice.own),
        count: schoolCount(id, edge, widthMm, choice.own),
        basis: basis(edge, rates(id, edge, widthMm, choice.own)),
      })),
    flatCount: at(0),
    flatFrom: at(-FLAT_LIMITS.flat),
    flatTo: at(FLAT_LIMITS.flat),
    blocksFrom: at(-FLAT_LIMITS.blocks),
    blocksTo: at(FLAT_LIMITS.blocks),
    placement: counts,
  };
}

/** Yarn of each colour: its rounds, and two tails for every stretch worked without a break. */
function planYarns(hem: Hem, rounds: readonly RoundPlan[]): readonly YarnPlan[] {
  return hem.yarns.map((yarn) => {
    let metres = 0;
    let stretches = 0;
    rounds.forEach((round, k) => {
      if (round.yarnId !== yarn.id) return;
      metres += round.yarnM;
      if (rounds[k - 1]?.yarnId !== yarn.id) stretches++;
    });
    const ends = 2 * stretches;
    return { yarn, quantity: quantity(metres + ends * TAIL_M, yarn), ends };
  });
}

/** Pairs of sides that face each other: those of an outline with an even number of equal turns. */
export function oppositeSides(body: Body): readonly (readonly [number, number])[] {
  const sides = body.outline.sides.length;
  if (sides % 2 === 1 || sides < 4) return [];
  const half = sides / 2;
  return Array.from({ length: half }, (_, i) => [i, i + half] as const);
}

/** The ranked ways in which all rounds of a plan come out even. */
export function fitPlan(p: Plan): Fit {
  const sides: FitSide[] = p.sides.map((s) => ({ name: s.name, count: s.count, flat: s.flatCount }));
  return fitBase(sides, oppositeSides(p.body), p.trial);
}

const TAPE_TOLERANCE = 0.06;

function problemsOf(
  body: Body,
  sides: readonly SidePlan[],
  rounds: readonly RoundPlan[],
): readonly Problem[] {
  const problems: Problem[] = [];
  const tape = body.edges.find((edge) => Math.abs(edge.computedMm / edge.measuredMm - 1) > TAPE_TOLERANCE);
  if (tape) {
    problems.push(
      problem('tape-disagrees', 'the piece', {
        computed: Math.round(tape.computedMm / 10),
        measured: Math.round(tape.measuredMm / 10),
      }),
    );
  }
  for (const [a, b] of oppositeSides(body)) {
    const difference = Math.abs(sides[a]!.count - sides[b]!.count);
    if (difference > 0) {
      const names = `${sides[a]!.name} and ${sides[b]!.name}`;
      problems.push(problem('opposite-differ', 'the base round', { sides: names, difference }));
    }
  }
  for (const round of rounds) {
    round.sides.forEach(({ fit }, side) => {
      if (!fit || (fit.over === 0 && fit.short === 0)) return;
      problems.push(
        problem('not-even', `round ${round.number}`, {
          round: round.name,
          side: sides[side]!.name,
          count: fit.places,
          over: fit.over,
          short: fit.short,
        }),
      );
    });
  }
  return problems;
}
