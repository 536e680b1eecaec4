/**
 * The one door: a project becomes a plan. Every count, length, word and drawing that is shown comes from the
 * worked rings in it.
 */
import { placement, workBase } from '../base/baseRound.ts';
import { changePiece } from '../document/changePiece.ts';
import type { Hem } from '../document/hem.ts';
import { extent } from '../piece/outline.ts';
import { bodyOf, outlineProblems } from '../piece/piece.ts';
import { sameRound, workedRounds, type FrozenRound } from '../record/record.ts';
import { weighingEvents } from '../record/weighings.ts';
import { asFound } from '../ring/found.ts';
import { writtenRounds, type Stack, type WrittenRound } from '../stack/stack.ts';
import { Stages } from '../stages.ts';
import { problemsOf } from './problems.ts';
import { planRounds, widthWithHook } from './rounds.ts';
import { planSide } from './sides.ts';
import type { Plan, RoundPlan } from './types.ts';
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
  const baseWidthMm = widthWithHook(stitchWidthMm, base.hookMm, gauge.hookMm);
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
  const { paths, stopped } = planRounds(
    stages,
    hem,
    body,
    done,
    baseFound,
    stack.rounds,
    stitchWidthMm,
    baseWidthMm,
  );
  const sides = body.edges.map((edge, side) =>
    stages.run(
      `side ${side}`,
      [edge, placements[side], base, baseWorked, paths[0], baseWidthMm, hem.preferences.language],
      () => planSide(hem, body, side, placements[side]!, baseWorked.ring, paths[0]!, baseWidthMm),
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
    const { factor } = calibrations.get(r.yarnId)!;
    const made = done[k] ?? null;
    return stages.run(`yarn ${k}`, [r, factor, hem.pace, made], (): RoundPlan => ({
      ...r,
      done: made,
      yarnM: r.pathM * factor,
      minutes: r.total / hem.pace,
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
  // Borders that were put aside are for the piece as it is designed; what is begun stays on the piece that is there.
  const kept = stages.run('kept', [hem.kept, hem.piece, piece], () =>
    JSON.stringify(piece) === JSON.stringify(hem.piece) ? hem.kept : changePiece(hem, piece).kept,
  );
  return { ...hem, ...ground, kept, yarns };
}

/** The rounds that have been begun as they were then, and what the design has beyond them. */
function stackOn(done: readonly FrozenRound[], hem: Hem): Stack {
  const { rounds, problems } = writtenRounds(hem.rounds);
  const begun = done.flatMap(({ round, begun: { entry } }) =>
    entry ? (writtenRounds([entry]).rounds[round.index] ?? []) : [],
  );
  const isBegun = ({ entry, index }: WrittenRound): boolean =>
    done.some(({ round }) => sameRound(round, { entry: entry.id, index }));
  return { rounds: [...begun, ...rounds.filter((r) => !isBegun(r))], problems };
}
