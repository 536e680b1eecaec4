/**
 * The one door: a project becomes a plan. Every count, length, word and drawing that is shown comes from the
 * worked rings in it.
 */
import { placement, workBase } from '../base/baseRound.ts';
import { changePiece } from '../document/changePiece.ts';
import type { Hem } from '../document/hem.ts';
import { learnFlat, limitsFor } from '../hands/flatness.ts';
import { learnedSince } from '../hands/hands.ts';
import { FLAT_LIMITS, type FlatLimits } from '../flat/flat.ts';
import type { Body } from '../piece/edge.ts';
import { extent } from '../piece/outline.ts';
import { bodyOf, outlineProblems } from '../piece/piece.ts';
import { sameRound, workedRounds, type FrozenRound } from '../record/record.ts';
import { weighingEvents } from '../record/weighings.ts';
import { asFound } from '../ring/found.ts';
import { begunRound, writtenRounds, type Stack, type WrittenRound } from '../stack/stack.ts';
import { Stages } from '../stages.ts';
import { problemsOf } from './problems.ts';
import { heightSeen, laySeen, looksOf } from './observed.ts';
import { judged, planRounds, widthWithHook } from './rounds.ts';
import { planSide, spacingsOf } from './sides.ts';
import type { MadeRound, PathRound, Plan, RoundPlan } from './types.ts';
import { calibrationOf, planYarns } from './yarns.ts';
import { inAll } from '../problems.ts';

/** What was really done holds: a round that has been begun is worked as it was begun, with the counts that were found. */
export type Planner = (hem: Hem) => Plan;

/**
 * A planner remembers its last plan, so that an edit reworks only what stands on it.
 *
 * @param watch hears what is worked anew, stage by stage
 */
export function createPlanner(watch?: (stage: string) => void): Planner {
  const stages = new Stages(watch);
  return (hem) => {
    const made = planWith(stages, hem, workedRounds(hem.record));
    stages.pruned();
    return made;
  };
}

/** A plan computed afresh. */
export const plan: Planner = (hem) => createPlanner()(hem);

function planWith(stages: Stages, design: Hem, done: readonly FrozenRound[]): Plan {
  const hem = asBegun(stages, design, done);
  const { gauge, base } = hem;
  const stitchWidthMm = 100 / gauge.stitchesPer10Cm;
  const baseWidthMm = widthWithHook(hem, base.hookMm);
  const body = stages.run('body', [hem.piece], () => bodyOf(hem.piece));
  const placements = body.edges.map((edge, side) =>
    stages.run(
      `placement ${side}`,
      [edge, base.sides[side], base.stitch, base.crossing, base.rates, base.endRows, baseWidthMm],
      () => placement(base.sides[side]!, edge, base, baseWidthMm),
    ),
  );
  const baseWorked = stages.run(
    'base',
    [
      body,
      base.stitch,
      base.corner,
      base.clusterChains,
      base.crossing,
      ...base.sides.flatMap((s) => [s.school, s.crossings]),
      ...placements,
    ],
    () => workBase(body, base, placements),
  );
  const found = done[0]?.counts;
  const baseFound = found
    ? stages.run('base as found', [baseWorked, found], () => asFound(baseWorked, found))
    : baseWorked;
  const stack = stages.run('stack', [hem.rounds, ...done.map((d) => d.begun)], () => stackOn(done, hem));
  const { made, stopped } = planRounds(stages, hem, body, done, baseFound, stack.rounds);
  const looks = looksOf(hem.record);
  const begun = made.slice(0, done.length);
  const height = stages.run('height', [hem.hands, ...looks, ...begun], () =>
    learnedSince('height', hem.hands?.height ?? null, `${gauge.hookMm}`, heightSeen(looks, begun)),
  );
  // How a side lay is told beside the limits of the rule of thumb: what is judged does not bear on it.
  const flat = stages.run('flat', [hem.hands, height, body, ...looks, ...begun], () =>
    learnFlat(
      hem.hands?.flat ?? null,
      laySeen(looks, judgedAll(new Stages(), body, begun, height.ratio, FLAT_LIMITS)),
    ),
  );
  const flatLimits = stages.run('limits', [flat.ratio], () => limitsFor(flat));
  const paths = judgedAll(stages, body, made, height.ratio, flatLimits);
  const { language } = hem.preferences;
  const spacings = body.edges.map((edge, side) => {
    const { own, spots, crossings } = base.sides[side]!;
    return stages.run(
      `spacings ${side}`,
      [
        edge,
        base.stitch,
        base.crossing,
        base.rates,
        base.endRows,
        own,
        spots,
        crossings,
        baseWidthMm,
        language,
      ],
      () => spacingsOf(hem, side, edge, baseWidthMm),
    );
  });
  const sides = body.edges.map((edge, side) =>
    stages.run(
      `side ${side}`,
      [edge, placements[side], spacings[side], base, baseWorked, paths[0], baseWidthMm, flatLimits],
      () =>
        planSide(
          hem,
          body,
          side,
          placements[side]!,
          spacings[side]!,
          baseWorked.ring,
          paths[0]!,
          baseWidthMm,
          flatLimits,
        ),
    ),
  );
  const top = paths.reduce((most, r) => Math.max(most, r.heightMm), 0);
  const weighed = weighingEvents(hem.record);
  const calibrations = stages.run(
    'calibrations',
    [hem.weighIns, hem.yarns, stitchWidthMm, ...paths, ...weighed],
    () =>
      new Map(hem.yarns.map((yarn) => [yarn.id, calibrationOf(hem, weighed, yarn, paths, stitchWidthMm)])),
  );
  const rounds = paths.map((r, k) => {
    const { ratio } = calibrations.get(r.yarnId)!;
    const frozen = done[k] ?? null;
    const slower = slowerIn(hem, r);
    return stages.run(`yarn ${k}`, [r, ratio, hem.pace, slower, frozen], (): RoundPlan => ({
      ...r,
      done: frozen,
      yarnM: r.pathM * ratio,
      minutes: (r.total * slower) / hem.pace,
    }));
  });
  const finishedSize = extent(body.outline, top);
  const unit = hem.preferences.length;
  return {
    hem,
    body,
    stitchWidthMm,
    sides,
    rounds,
    bodySize: extent(body.outline, 0),
    finishedSize,
    borderWidthMm: top,
    height,
    flat,
    flatLimits,
    yarns: planYarns(hem, rounds, calibrations),
    blockedSize: {
      widthMm: finishedSize.widthMm * hem.blocking,
      heightMm: finishedSize.heightMm * hem.blocking,
    },
    minutes: rounds.reduce((sum, r) => sum + r.minutes, 0),
    problems: stages.run('problems', [body, stack, stopped, unit, ...sides, ...rounds], () => [
      ...outlineProblems(hem.piece, inAll('the piece'), unit),
      ...problemsOf(body, sides, rounds, unit),
      ...stack.problems,
      ...(stopped ? [stopped] : []),
    ]),
  };
}

/** Every round measured and judged; what is free is judged by the round that it is worked onto. */
function judgedAll(
  stages: Stages,
  body: Body,
  made: readonly MadeRound[],
  taller: number,
  limits: FlatLimits,
): readonly PathRound[] {
  const paths: PathRound[] = [];
  for (const [k, round] of made.entries()) {
    const below = paths[round.onto] ?? null;
    paths.push(
      stages.run(`judged ${k}`, [body, round, below, taller, limits], () =>
        judged(body, round, below, taller, limits),
      ),
    );
  }
  return paths;
}

/** How much longer these hands take for the stitch of a round than for others. */
function slowerIn({ hands }: Hem, { stitch }: PathRound): number {
  const time = hands?.time;
  return time ? (time.byStitch[stitch] ?? time.all).ratio / time.all.ratio : 1;
}

/** The hem on the piece and the base round that have been begun, with the yarns that were used. */
function asBegun(stages: Stages, hem: Hem, done: readonly FrozenRound[]): Hem {
  const ground = done[0]?.begun.ground;
  if (!ground) return hem;
  const yarns = stages.run('yarns', [hem.yarns, ...done.map((d) => d.yarn)], () => {
    const here = new Set(hem.yarns.map((y) => y.id));
    const gone = new Map(done.flatMap(({ yarn }) => (here.has(yarn.id) ? [] : [[yarn.id, yarn] as const])));
    return gone.size === 0 ? hem.yarns : [...hem.yarns, ...gone.values()];
  });
  const { piece } = ground;
  // It is worked in the yarn that it was begun with, whatever the base round of then names.
  const base = stages.run('ground', [ground.base, done[0]!.yarn.id], () =>
    ground.base.yarn === done[0]!.yarn.id ? ground.base : { ...ground.base, yarn: done[0]!.yarn.id },
  );
  // Borders that were put aside are for the piece as it is designed; what is begun stays on the piece that is there.
  const kept = stages.run('kept', [hem.kept, hem.piece, piece], () =>
    JSON.stringify(piece) === JSON.stringify(hem.piece) ? hem.kept : changePiece(hem, piece).kept,
  );
  return { ...hem, piece, base, kept, yarns };
}

/** The rounds that have been begun as they were then, and what the design has beyond them. */
function stackOn(done: readonly FrozenRound[], hem: Hem): Stack {
  const { rounds, problems } = writtenRounds(hem.rounds);
  const begun = done.flatMap(({ round, begun: { entry } }) =>
    entry ? [begunRound(entry, round.index)] : [],
  );
  const isBegun = ({ entry, index }: WrittenRound): boolean =>
    done.some(({ round }) => sameRound(round, { entry: entry.id, index }));
  return { rounds: [...begun, ...rounds.filter((r) => !isBegun(r))], problems };
}
