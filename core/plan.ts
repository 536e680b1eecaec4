/**
 * The one door: a project becomes a plan. Every count, length, word and drawing that is shown comes from the
 * worked rings in it.
 */
import { basis, rates, schoolLabel, schoolsFor, type BasisPart, type SchoolId } from './base/schools.ts';
import { placement, schoolCount, stitchesAtJoins, workBase, type SideChoice } from './base/baseRound.ts';
import type { Hem, WorkedRound } from './document/hem.ts';
import {
  FLAT_LIMITS,
  entryWidths,
  feetOnBody,
  feetOnRing,
  naturalLengthMm,
  roundHeight,
  strain,
  verdict,
  type Feet,
  type Verdict,
} from './flat/flat.ts';
import { LIMITS } from './limits.ts';
import { extent, isDisc } from './piece/outline.ts';
import type { Body, Edge } from './piece/edge.ts';
import { bodyOf } from './piece/piece.ts';
import { outlineProblems } from './piece/soundness.ts';
import { oppositeSides } from './piece/symmetry.ts';
import { problem, type Problem } from './problems.ts';
import { sideCount, tallyRing, tallySide, type Ring, type Tally } from './ring/ring.ts';
import { patternOf } from './ring/recipe.ts';
import { isPlain, mostMade, workRound, type SideFit } from './ring/work.ts';
import { circumstancesOf, writtenRounds, type WrittenRound } from './stack/stack.ts';
import { Stages } from './stages.ts';
import { calibrate, type Calibration, type Weighing } from './yarn/calibrate.ts';
import { TAIL_M, quantity, yarnInRingM, yarnInStitchMm, type Quantity, type Yarn } from './yarn/yarn.ts';
import { stitchOf } from './ring/stitch.ts';

export interface SchoolPlan {
  readonly id: SchoolId;
  readonly label: string;
  readonly count: number;
  readonly basis: readonly BasisPart[];
  /** Stitches that cross joins, which come on top of the basis. */
  readonly atJoins: number;
  /** Strain of the base round on this side at that count. */
  readonly strain: number;
}

/** One side of the base round. */
export interface SidePlan {
  readonly name: string;
  readonly edge: Edge;
  readonly choice: SideChoice;
  /** Stitches along the edge, joins included. The corners' stitches come on top. */
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
  /** How it came to be in the stack; null for the base round. */
  readonly written: WrittenRound | null;
  /** Number of the worked round: the base round is 0. */
  readonly number: number;
  readonly name: string;
  readonly yarnId: string;
  /** Number of the round whose ring it is worked onto; −1 for the base round. */
  readonly onto: number;
  /** A free outer edge, or work that lies on the face of the round below. */
  readonly free: boolean;
  readonly ring: Ring;
  readonly sides: readonly RoundSide[];
  /** Stitches in the whole round, corners included. */
  readonly total: number;
  /** Width of a stitch in this round, mm. */
  readonly stitchWidthMm: number;
  /** Width of every entry of the ring in stitch widths; null when all are one wide. */
  readonly widths: Float32Array | null;
  /** Height of this round, and of its top above the body, mm. */
  readonly ownHeightMm: number;
  readonly heightMm: number;
  /** Yarn by the loop path, before anything that was weighed is taken into account; and with it. */
  readonly pathM: number;
  readonly yarnM: number;
  /** Working time at the maker's pace, minutes. */
  readonly minutes: number;
  readonly even: boolean;
}

/** A round before what was weighed and the maker's pace are taken into account. */
type PathRound = Omit<RoundPlan, 'yarnM' | 'minutes'>;

export interface YarnPlan {
  readonly yarn: Yarn;
  readonly quantity: Quantity;
  /** Ends to weave in: two for each stretch worked in this yarn without a break. */
  readonly ends: number;
  readonly calibration: Calibration;
  /** Price of the balls, when a ball has one. */
  readonly cost: number | null;
  /** Balls to buy beyond what is in the basket; null when it has not been said what is there. */
  readonly toBuy: number | null;
}

export interface Plan {
  readonly hem: Hem;
  readonly body: Body;
  /** Width of a border stitch with the border's own hook, mm. */
  readonly stitchWidthMm: number;
  readonly sides: readonly SidePlan[];
  readonly rounds: readonly RoundPlan[];
  readonly bodySize: { readonly widthMm: number; readonly heightMm: number };
  readonly finishedSize: { readonly widthMm: number; readonly heightMm: number };
  /** After blocking, by the user's own factor. */
  readonly blockedSize: { readonly widthMm: number; readonly heightMm: number };
  /** Working time of the whole border at the maker's pace. */
  readonly minutes: number;
  readonly yarns: readonly YarnPlan[];
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
    stages.run(`placement ${side}`, [edge, base.sides[side], base.crossing, stitchWidthMm], () =>
      placement(base.sides[side]!, edge, base, stitchWidthMm),
    ),
  );
  const schools = base.sides.map((s) => s.school).join();
  const crossings = stages.run(
    'crossings',
    [base.crossing, ...base.sides.map((s) => s.crossings)],
    () => ({}),
  );
  const baseRing = stages.run(
    'base',
    [body, base.stitch, base.corner, schools, crossings, ...placements],
    () => workBase(body, base, placements),
  );
  const stack = stages.run('stack', [hem.rounds], () => writtenRounds(hem.rounds));
  const { paths, stopped } = planRounds(stages, hem, body, baseRing, stack.rounds, stitchWidthMm);
  const sides = body.edges.map((edge, side) =>
    stages.run(`side ${side}`, [edge, placements[side], base, paths[0], stitchWidthMm], () =>
      planSide(hem, body, side, placements[side]!, paths[0]!, stitchWidthMm),
    ),
  );
  const top = paths.reduce((most, r) => Math.max(most, r.heightMm), 0);
  const calibrations = stages.run(
    'calibrations',
    [hem.weighIns, hem.yarns, paths, stitchWidthMm],
    () => new Map(hem.yarns.map((yarn) => [yarn.id, calibrationOf(hem, yarn, paths, stitchWidthMm)])),
  );
  const rounds = paths.map((r, k) => {
    const { factor } = calibrations.get(r.yarnId)!;
    return stages.run(`yarn ${k}`, [r, factor, hem.pace], (): RoundPlan => ({
      ...r,
      yarnM: r.pathM * factor,
      minutes: r.total / hem.pace,
    }));
  });
  const finishedSize = extent(body.outline, top);
  return {
    hem,
    body,
    stitchWidthMm,
    sides,
    rounds,
    bodySize: extent(body.outline, 0),
    finishedSize,
    yarns: planYarns(hem, rounds, calibrations),
    blockedSize: {
      widthMm: finishedSize.widthMm * hem.blocking,
      heightMm: finishedSize.heightMm * hem.blocking,
    },
    minutes: rounds.reduce((sum, r) => sum + r.minutes, 0),
    problems: stages.run('problems', [body, sides, rounds, stack, stopped], () => [
      ...outlineProblems(hem.piece, 'the piece'),
      ...problemsOf(body, sides, rounds),
      ...stack.problems,
      ...(stopped ? [stopped] : []),
    ]),
  };
}

/**
 * Width of a stitch made with another hook: it follows the square root of the hook, so that a hook half a
 * size smaller (5 to 4.5 mm) makes stitches 5 % narrower. A rule of thumb until a round has been measured.
 */
const widthWithHook = (widthMm: number, hookMm: number | null, usualMm: number): number =>
  hookMm === null ? widthMm : widthMm * Math.sqrt(hookMm / usualMm);

function planRounds(
  stages: Stages,
  hem: Hem,
  body: Body,
  baseRing: Ring,
  stack: readonly WrittenRound[],
  usualWidthMm: number,
): { readonly paths: readonly PathRound[]; readonly stopped: Problem | null } {
  const diameter = (id: string): number => hem.yarns.find((y) => y.id === id)!.diameterMm;
  const { yarn: baseYarn } = hem.base;
  const rounds = [
    stages.run('round 0', [body, baseRing, usualWidthMm, baseYarn, diameter(baseYarn)], () =>
      planRound(body, usualWidthMm, diameter(baseYarn), {
        written: null,
        number: 0,
        name: 'Base round',
        yarnId: baseYarn,
        onto: -1,
        ring: baseRing,
        fits: null,
        below: null,
      }),
    ),
  ];
  let onto = 0;
  let size = rounds[0]!.total;
  const stop = (code: 'round-too-large' | 'round-makes-nothing', k: number, values: Problem['values'] = {}) =>
    stages.run('stopped', [code, k, stack[k], ...Object.values(values)], () =>
      problem(code, `round ${k + 1}`, { round: stack[k]!.name, ...values }),
    );
  for (const [k, written] of stack.entries()) {
    const below = rounds[onto]!;
    const { entry, recipe, index } = written;
    const widthMm = widthWithHook(usualWidthMm, entry.hookMm, hem.gauge.hookMm);
    const room = Math.min(LIMITS.stitchesInRound, LIMITS.stitchesInBorder - size);
    const most = stages.run(
      `most ${k + 1}`,
      [below.ring, recipe, entry, index, body.outline, widthMm, room],
      () =>
        mostMade(below.ring, recipe, circumstancesOf(written, body.outline, below.heightMm / widthMm), room),
    );
    if (most > room) {
      const ofRound = room === LIMITS.stitchesInRound;
      const stopped = stop('round-too-large', k, {
        most: ofRound ? LIMITS.stitchesInRound : LIMITS.stitchesInBorder,
        of: ofRound ? 'in one round' : 'in the border',
      });
      return { paths: rounds, stopped };
    }
    const round = stages.run(`round ${k + 1}`, [body, below, written, widthMm, diameter(entry.yarn)], () => {
      const worked = stages.run(
        `ring ${k + 1}`,
        [
          below.ring,
          below.heightMm / widthMm,
          recipe,
          entry.corner,
          entry.changes[String(index)],
          body.outline,
        ],
        () => workRound(below.ring, recipe, circumstancesOf(written, body.outline, below.heightMm / widthMm)),
      );
      if (worked.ring.made.length === 0) return null;
      return planRound(body, widthMm, diameter(entry.yarn), {
        written,
        number: k + 1,
        name: written.name,
        yarnId: entry.yarn,
        onto,
        ring: worked.ring,
        fits: worked.sides,
        below,
      });
    });
    if (round === null) return { paths: rounds, stopped: stop('round-makes-nothing', k) };
    rounds.push(round);
    size += round.total;
    if (!recipe.surface) onto = k + 1;
  }
  return { paths: rounds, stopped: null };
}

interface RoundParts extends Pick<RoundPlan, 'written' | 'number' | 'name' | 'yarnId' | 'onto' | 'ring'> {
  readonly fits: readonly SideFit[] | null;
  readonly below: PathRound | null;
}

function planRound(body: Body, widthMm: number, diameterMm: number, parts: RoundParts): PathRound {
  const { fits, below, ...round } = parts;
  const surface = round.written?.recipe.surface ?? false;
  const free = surface || (round.written !== null && round.written.edge !== 'straight');
  const ownHeightMm = surface ? 0 : roundHeight(round.ring) * widthMm;
  const heightMm = (below?.heightMm ?? 0) + ownHeightMm;
  const feet = (): Feet =>
    below ? feetOnRing(below.ring, below.widths, below.stitchWidthMm / widthMm) : feetOnBody(body, widthMm);
  const widths = entryWidths(round.ring, feet);
  const judged = free && below ? below : { ring: round.ring, heightMm, stitchWidthMm: widthMm, widths };
  const sides = Array.from({ length: sideCount(round.ring) }, (_, side): RoundSide => {
    const natural = naturalLengthMm(judged.ring, side, judged.stitchWidthMm, judged.widths);
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
    free,
    sides,
    total: tallyRing(round.ring).stitches,
    stitchWidthMm: widthMm,
    widths,
    ownHeightMm,
    heightMm,
    pathM: yarnInRingM(round.ring, widthMm, diameterMm),
    even: sides.every(({ fit }) => fit === null || isEven(fit)),
  };
}

/** Whether a side came out even. */
export const isEven = (fit: SideFit): boolean => fit.over === 0 && fit.short === 0 && !fit.stuck;

function planSide(
  hem: Hem,
  body: Body,
  side: number,
  counts: readonly number[],
  baseRound: PathRound,
  widthMm: number,
): SidePlan {
  const { base } = hem;
  const choice = base.sides[side]!;
  const edge = body.edges[side]!;
  const count = counts.reduce((sum, c) => sum + c, 0);
  // Everything but the stitches along the edge: what corners and chains give to this side.
  const others = naturalLengthMm(baseRound.ring, side, widthMm, baseRound.widths) / widthMm - count;
  const unstrained = (count + others) / (1 + baseRound.sides[side]!.strain);
  const at = (s: number): number => unstrained * (1 + s) - others;
  return {
    name: body.outline.sides[side]!.name,
    edge,
    choice,
    count,
    schools: schoolsFor(edge)
      .filter((id) => id !== 'own' || choice.school === 'own')
      .map((id): SchoolPlan => {
        const schoolsCount = schoolCount(id, edge, base, choice, widthMm);
        return {
          id,
          label: schoolLabel(id, edge, choice.own, widthMm),
          count: schoolsCount,
          basis: basis(edge, rates(id, edge, widthMm, choice.own)),
          atJoins: stitchesAtJoins(edge, base, choice),
          strain: (schoolsCount + others) / unstrained - 1,
        };
      }),
    flatCount: at(0),
    flatFrom: at(-FLAT_LIMITS.flat),
    flatTo: at(FLAT_LIMITS.flat),
    blocksFrom: at(-FLAT_LIMITS.blocks),
    blocksTo: at(FLAT_LIMITS.blocks),
    placement: counts,
  };
}

/** Whether a round is the one that a weighing names. */
export const isRound = ({ written }: Pick<RoundPlan, 'written'>, { entry, index }: WorkedRound): boolean =>
  written ? written.entry.id === entry && written.index === index : entry === null;

/** How a round is named, wherever it stands. */
export const workedRound = ({ written }: RoundPlan): WorkedRound =>
  written ? { entry: written.entry.id, index: written.index } : { entry: null, index: 0 };

/** What the weighings of a yarn teach about it; those of rounds that are no longer there are left out. */
function calibrationOf(hem: Hem, yarn: Yarn, rounds: readonly PathRound[], widthMm: number): Calibration {
  const weighings = hem.weighIns.flatMap(({ of, grams, ...w }): readonly Weighing[] => {
    if (w.yarn !== yarn.id) return [];
    const pathM =
      of.kind === 'swatch'
        ? (of.stitches * yarnInStitchMm(stitchOf({ kind: of.stitch }), widthMm, yarn.diameterMm)) / 1000
        : (rounds.find((r) => r.yarnId === yarn.id && isRound(r, of.round))?.pathM ?? 0);
    return pathM > 0 ? [{ estimatedG: (pathM * 100) / yarn.metresPer100G, weighedG: grams }] : [];
  });
  return calibrate(weighings);
}

/** Yarn of each colour: its rounds, and two tails for every stretch worked without a break. */
function planYarns(
  hem: Hem,
  rounds: readonly RoundPlan[],
  calibrations: ReadonlyMap<string, Calibration>,
): readonly YarnPlan[] {
  return hem.yarns.map((yarn) => {
    let metres = 0;
    let stretches = 0;
    rounds.forEach((round, k) => {
      if (round.yarnId !== yarn.id) return;
      metres += round.yarnM;
      if (rounds[k - 1]?.yarnId !== yarn.id) stretches++;
    });
    const ends = 2 * stretches;
    const calibration = calibrations.get(yarn.id)!;
    const needed = quantity(metres + ends * TAIL_M, yarn, calibration.spread);
    const missingG = needed.grams * (1 + needed.spread) - (yarn.haveG ?? 0);
    return {
      yarn,
      quantity: needed,
      ends,
      calibration,
      cost: yarn.price === null ? null : yarn.price * needed.balls,
      toBuy: yarn.haveG === null ? null : Math.max(0, Math.ceil(missingG / yarn.ballG)),
    };
  });
}

/** Whether every round of a plan comes out even. */
export const comesOutEven = (p: Plan): boolean => p.rounds.every((r) => r.even);

const TAPE_TOLERANCE = 0.06;

const PLACE_WORDS = {
  stitch: 'stitches',
  post: 'posts',
  space: 'chain spaces',
  gap: 'gaps between clusters',
  pair: 'pairs of stitches',
} as const;

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
  for (const round of rounds) problems.push(...roundProblems(rounds, round, sides, isDisc(body.outline)));
  return problems;
}

/** Whether a stitch more in the base round is a place more for a round: so it is where all between them is plain. */
function basePasses(rounds: readonly RoundPlan[], round: RoundPlan): boolean {
  const intoStitches = (r: RoundPlan): boolean =>
    r.written?.sitsOn === 'stitch' || r.written?.sitsOn === 'post';
  if (!intoStitches(round)) return false;
  for (let below = rounds[round.onto]!; below.written; below = rounds[below.onto]!) {
    const { recipe } = below.written;
    if (recipe.scope !== 'side' || !isPlain(patternOf(recipe.side)) || !intoStitches(below)) return false;
  }
  return true;
}

function roundProblems(
  rounds: readonly RoundPlan[],
  round: RoundPlan,
  sides: readonly SidePlan[],
  disc: boolean,
): readonly Problem[] {
  const { written } = round;
  if (!written) return [];
  const place = `round ${round.number}`;
  const wholeRing = written.recipe.scope === 'ring' || disc;
  return round.sides.slice(0, wholeRing ? 1 : undefined).flatMap(({ fit }, i) => {
    const side = wholeRing ? 'all round' : sides[i]!.name;
    if (!fit) return [];
    if (fit.stuck) {
      const places = PLACE_WORDS[written.sitsOn];
      return [problem('nothing-to-work-into', place, { round: round.name, side, places })];
    }
    if (isEven(fit)) return [];
    const { places: count, over, short } = fit;
    const places = PLACE_WORDS[written.sitsOn];
    const help = !basePasses(rounds, round) ? 'other' : over === 0 || count < over ? 'more' : 'fewer or more';
    return [problem('not-even', place, { round: round.name, side, count, places, over, short, help })];
  });
}
