/**
 * The one door: a project becomes a plan. Every count, length, word and drawing that is shown comes from the
 * worked rings in it. {@link planWith} is its table of stages, in the order of the computation; each stands in a file
 * beside this one.
 */
import { joiningOf } from '../alike/joining.ts';
import { held } from '../held.ts';
import { yarnOf, type Hem } from '../document/hem.ts';
import { bodyAlong } from '../piece/along.ts';
import type { RowsAlong } from '../piece/part.schema.ts';
import type { Body, Edge } from '../piece/edge.ts';
import { isWorkedSide } from '../piece/part.ts';
import { extent } from '../piece/outline.ts';
import { bodyOf, type Piece } from '../piece/piece.ts';
import { workedRounds, type FrozenRound } from '../record/record.ts';
import { weighingEvents } from '../record/weighings.ts';
import { baseAsFound, baseCorners, baseRing, choiceAlong, placedAlong } from './base.ts';
import { hemAsBegun, stackOnBegun } from './begun.ts';
import { judgeRounds } from './judged.ts';
import { flatLimitsOf, flatSeen, heightMeasured } from './measured.ts';
import { looksOf, widthErrorOf } from './observed.ts';
import { faultsOf } from './faults.ts';
import { planRounds, widthWithHook } from './rounds.ts';
import { planSide, spacingsAlong } from './sides.ts';
import { minutesOf, weavingMinutes } from '../hands/pace.ts';
import { Stages } from './stages.ts';
import type { Plan } from './types.ts';
import { calibrateYarn, planYarns, roundWithYarn, slowerIn } from './yarns.ts';

/** Plans a hem. The work that was really done holds: a round that has been begun is worked as it was begun, with the counts that were found. */
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

interface BodyInputs {
  readonly piece: Piece;
  readonly along: RowsAlong | null;
}

/** The piece with the part of its outline that the border goes along. */
function bodyWithPart({ piece, along }: BodyInputs): Body {
  const body = bodyOf(piece);
  return along ? bodyAlong(body, along) : body;
}

function planWith(stages: Stages, design: Hem, done: readonly FrozenRound[]): Plan {
  const hem = hemAsBegun(stages, design, done);
  const { gauge, base, hands, preferences } = hem;
  const { stitch, corner, clusterChains, crossing, rates, endRows } = base;
  const stitchWidthMm = 100 / gauge.stitchesPer10Cm;
  const baseWidthMm = widthWithHook(hem, base.hookMm);

  const body = stages.run('body', bodyWithPart, { piece: hem.piece, along: base.part });
  const { outline, edges } = body;

  // What was said of single spots and seams is said of the whole side.
  const choices = edges.map((edge, side) =>
    edge.stretch
      ? stages.run(`choice ${side}`, choiceAlong, { edge, choice: base.sides[side]! })
      : base.sides[side]!,
  );
  const ratesAlong = (edge: Edge, side: number) => {
    const { own, spots, crossings } = choices[side]!;
    return { edge, stitch, crossing, rates, endRows, own, spots, crossings, widthMm: baseWidthMm };
  };
  const placements = edges.map((edge, side) => {
    const { school, count } = base.sides[side]!;
    const isWorked = isWorkedSide(outline.part, side, edges.length);
    return stages.run(`placement ${side}`, placedAlong, {
      ...ratesAlong(edge, side),
      school,
      count,
      isWorked,
    });
  });
  const baseWorked = stages.run('base', baseRing, {
    body,
    stitch,
    corner,
    clusterChains,
    crossing,
    placements,
    spacings: base.sides.map((s) => s.school),
    crossings: choices.map((s) => s.crossings),
  });
  const counts = done[0]?.counts;
  const baseFound = counts
    ? stages.run('base as found', baseAsFound, { worked: baseWorked, counts })
    : baseWorked;
  const corners = stages.run('base corners', baseCorners, {
    stitch,
    corner,
    turns: outline.turns,
    part: outline.part,
  });

  const stack = stages.run('stack', stackOnBegun, {
    entries: hem.rounds,
    rounds: done.map((d) => d.round),
    begun: done.map((d) => d.begun),
    rows: base.part === null ? null : base.part.cut ? 'cut' : 'turned',
  });
  const { made, stopped } = planRounds(stages, hem, {
    body,
    done,
    stack: stack.rounds,
    base: { ...baseFound, corners },
  });

  const looks = looksOf(hem.record);
  const begun = made.slice(0, done.length);
  const height = stages.run('height', heightMeasured, {
    looks,
    begun,
    hookMm: gauge.hookMm,
    known: hands?.height ?? null,
  });
  const taller = height.ratio;
  const flat = stages.run('flat', flatSeen, {
    looks,
    begun,
    outline,
    taller,
    known: hands?.flat ?? null,
    error: widthErrorOf(hem),
  });
  const flatLimits = stages.run('limits', flatLimitsOf, { flat });
  const judged = judgeRounds(stages, made, { outline, taller, limits: flatLimits });

  const sides = edges.map((edge, side) => {
    const choice = choices[side]!;
    const spacings = stages.run(`spacings ${side}`, spacingsAlong, {
      ...ratesAlong(edge, side),
      language: preferences.language,
    });
    return stages.run(`side ${side}`, planSide, {
      side,
      edge,
      choice,
      spacings,
      widthMm: baseWidthMm,
      limits: flatLimits,
      name: outline.sides[side]!.name,
      placement: placements[side]!,
      ring: baseWorked.ring,
      baseRound: judged[0]!,
    });
  });

  const weighed = weighingEvents(hem.record);
  const known = hands?.yarn ?? null;
  const calibrations = hem.yarns.map((yarn) =>
    stages.run(`calibration ${yarn.id}`, calibrateYarn, {
      yarn,
      weighed,
      known,
      rounds: judged,
      widthMm: stitchWidthMm,
      weighIns: hem.weighIns,
    }),
  );
  const ratioOf = new Map(hem.yarns.map(({ id }, y) => [id, calibrations[y]!.ratio]));
  const rounds = judged.map((round, k) =>
    stages.run(`yarn ${k}`, roundWithYarn, {
      round,
      pace: hem.pace,
      done: done[k] ?? null,
      ratio: held(ratioOf.get(round.yarnId), 'every round has a yarn of the hem'),
      slower: slowerIn(hands, round.stitch),
      newYarn: judged[k - 1]?.yarnId !== round.yarnId,
      turned: (judged[k - 1]?.facing ?? 'right') !== round.facing,
    }),
  );
  const last = rounds[rounds.length - 1]!;
  const joinedWith = hem.alike.yarn ?? last.yarnId;
  const joining = stages.run('joining', joiningOf, {
    alike: hem.alike,
    outline,
    ring: last.ring,
    edge: last.written?.edge ?? 'straight',
    widthMm: stitchWidthMm,
    diameterMm: yarnOf(hem, joinedWith).diameterMm,
  });
  const yarns = stages.run('yarns', planYarns, {
    pieces: hem.alike.count,
    joining,
    joinedWith,
    yarns: hem.yarns,
    rounds,
    calibrations,
    known,
    lastRow: hem.base.start.lastRow,
  });

  const endsMinutes = weavingMinutes(
    yarns.reduce((sum, y) => sum + y.ends, 0),
    hem.pace,
  );

  const minutes = rounds.reduce((sum, r) => sum + r.minutes, 0) + endsMinutes;

  const borderWidthMm = judged.reduce((most, r) => Math.max(most, r.heightMm), 0);
  const finishedSize = extent(outline, borderWidthMm);
  const problems = stages.run('problems', faultsOf, {
    piece: hem.piece,
    body,
    sides,
    rounds,
    stopped,
    unit: preferences.length,
    ofStack: stack.problems,
  });
  return {
    hem,
    body,
    stitchWidthMm,
    sides,
    rounds,
    finishedSize,
    borderWidthMm,
    height,
    flat,
    flatLimits,
    yarns,
    problems,
    bodySize: extent(outline, 0),
    blockedSize: {
      widthMm: finishedSize.widthMm * hem.blocking,
      heightMm: finishedSize.heightMm * hem.blocking,
    },
    minutes,
    endsMinutes,
    joining,
    minutesInAll:
      minutes * hem.alike.count +
      (joining ? minutesOf(joining.movements, hem.pace) + weavingMinutes(joining.ends, hem.pace) : 0),
  };
}
