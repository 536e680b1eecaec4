/** What the record of a hem tells of the hands that worked it, beside rules of thumb: what all hems of a maker teach comes from it. */
import { held } from '../held.ts';
import { yarnOf, type Hem, type WorkEvent } from '../document/hem.ts';
import { standing } from '../document/record.ts';
import { naturalLengthMm } from '../flat/flat.ts';
import { usualGauge } from '../hands/gauge.ts';
import { learnFlat, type Lay } from '../hands/flatness.ts';
import {
  COUNTED_PLACES,
  PARTS,
  USUAL_PACE,
  partFrom,
  type Counted,
  type CountedPlace,
  type Hands,
  type HandsPart,
  type StitchObservation,
} from '../hands/hands.ts';
import { heightSeen, laySeen, looksOf, yarnSeen } from '../plan/observed.ts';
import { plan as planOf } from '../plan/planner.ts';
import { isRound, type Plan, type RoundPlan } from '../plan/types.ts';
import { yarnWeight } from '../terms/yarnWeights.ts';
import { isPause } from '../work/session.ts';

/** All that a hem’s record tells. */
export interface Evidence extends Readonly<Record<HandsPart, readonly StitchObservation[]>> {
  readonly flat: readonly Lay[];
  readonly counted: readonly CountedSide[];
}

/** A side that was counted. */
export interface CountedSide {
  readonly place: CountedPlace;
  /** Stitches more than planned; below 0 for fewer. */
  readonly off: number;
}

/** A tape, cm; stitches that lie tighter or looser than they would by themselves, as a fraction; a gauge that was counted, too. */
const TAPE_CM = 0.3;
const PULLED = 0.02;
const GAUGE = 0.02;
/** Minutes that go by otherwise while work is noted. */
const MINUTES = 1.5;

/** Whether an entry of a record is of these hands, and to be taken into account. */
type IsTheirs = (event: WorkEvent) => boolean;

/** What the record of a hem tells, planned by rules of thumb alone. @param isTheirs which of its events are taken into account */
export function evidenceOf(hem: Hem, isTheirs: IsTheirs = () => true): Evidence {
  const plan = planOf({ ...hem, hands: null });
  const record = standing(hem.record).filter(isTheirs);
  const looks = looksOf(record);
  const { rounds } = plan;
  return {
    time: timeSeen(plan, isTheirs),
    // Swatches are noted without a time: whoever leaves out what was noted leaves them out, too, when nothing else is theirs.
    yarn: hem.yarns.flatMap((yarn) =>
      yarnSeen(record.length > 0 ? hem.weighIns : [], record, yarn, rounds, plan.stitchWidthMm),
    ),
    height: heightSeen(looks, rounds),
    width: record.length > 0 ? widthSeen(hem, plan, looks) : [],
    flat: laySeen(looks, rounds),
    counted: record.flatMap((e) => {
      const round = e.did === 'counted' ? rounds.find((r) => isRound(r, e.round)) : undefined;
      if (e.did !== 'counted' || !round?.done) return [];
      const place = placeOf(round);
      return e.counts.flatMap((found, side) => {
        const planned = held(round.done, 'the round was done').planned[side];
        return found === null || planned === undefined ? [] : [{ place, off: found - planned }];
      });
    }),
  };
}

/** What the records of several hems tell, each read by itself: one that cannot be planned tells nothing, and hurts no other. */
export const evidenceOfEach = (hems: readonly Hem[], isTheirs?: IsTheirs): readonly Evidence[] =>
  hems.flatMap((hem) => {
    try {
      return [evidenceOf(hem, isTheirs)];
    } catch {
      return [];
    }
  });

function placeOf({ number, ring }: RoundPlan): CountedPlace {
  if (number === 0) return 'base round';
  const { made } = ring;
  return made.every((s) => s.kind === made[0]!.kind && s.form === made[0]!.form)
    ? 'straight rounds'
    : 'rounds with chains or groups';
}

/** How wide stitches are beside the gauge of the yarn weight: a gauge of one’s own, and sides that were measured. */
function widthSeen(
  hem: Hem,
  { hem: begun, rounds }: Plan,
  looks: ReturnType<typeof looksOf>,
): readonly StitchObservation[] {
  const ruleMm = (round: Pick<RoundPlan, 'yarnId' | 'hookMm'>): number => {
    const weight = yarnWeight(yarnOf(begun, round.yarnId).weight);
    return (100 / weight.stitchesPer10Cm) * Math.sqrt(round.hookMm / weight.hookMm[0]);
  };
  const base = rounds[0]!;
  const { stitchesPer10Cm, hookMm } = hem.gauge;
  const gaugeMm = 100 / stitchesPer10Cm;
  const usualMm = ruleMm({ yarnId: base.yarnId, hookMm });
  // A gauge that nobody has touched tells nothing.
  const usual = usualGauge(yarnOf(begun, base.yarnId).weight, hem.hands);
  const gauge: readonly StitchObservation[] =
    usual.stitchesPer10Cm === stitchesPer10Cm && usual.hookMm === hookMm
      ? []
      : [{ stitch: 'sc', size: `${hookMm}`, ratio: gaugeMm / usualMm, error: GAUGE, swatch: true }];
  const measured = looks.flatMap((look) => {
    const round = rounds.find((r) => isRound(r, look.round));
    if (!round || round.free) return [];
    return look.sidesCm.flatMap((cm, side): readonly StitchObservation[] => {
      const of = round.sides[side];
      if (cm === null || !of) return [];
      const widths = naturalLengthMm(round.ring, side, 1, round.widths);
      if (widths <= 0) return [];
      const error = Math.hypot(TAPE_CM / cm, PULLED, of.strain);
      return [
        { stitch: round.stitch, size: `${round.hookMm}`, ratio: (10 * cm) / widths / ruleMm(round), error },
      ];
    });
  });
  return [...gauge, ...measured];
}

/** How long stretches of work took beside the usual pace, by the times at which steps were noted in one sitting. */
export function timeSeen(plan: Plan, isTheirs: IsTheirs = () => true): readonly StitchObservation[] {
  const roundOf = (event: WorkEvent): RoundPlan | undefined =>
    plan.rounds.find((r) => isRound(r, event.round));
  const events = standing(plan.hem.record)
    .filter(isTheirs)
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const stretches = new Map<string, { round: RoundPlan; minutes: number; entries: number }>();
  let sitting = 0;
  events.slice(1).forEach((event, i) => {
    const before = events[i]!;
    if (isPause(before, event)) sitting++;
    const round = roundOf(event);
    const goesOn = before.did === 'made' || before.did === 'began';
    if (isPause(before, event) || event.did !== 'made' || !goesOn || !round) return;
    if (roundOf(before) !== round) return;
    const key = `${sitting} ${round.number}`;
    const stretch = stretches.get(key) ?? { round, minutes: 0, entries: 0 };
    stretch.minutes += (Date.parse(event.at) - Date.parse(before.at)) / 60_000;
    stretch.entries += event.stitches - (before.did === 'made' ? before.stitches : 0);
    stretches.set(key, stretch);
  });
  return [...stretches.values()].flatMap(({ round, minutes, entries }): readonly StitchObservation[] => {
    const stitches = (entries * round.total) / Math.max(1, round.ring.made.length);
    if (stitches < 20 || minutes <= 0) return [];
    const ratio = (minutes * USUAL_PACE) / stitches;
    return [{ stitch: round.stitch, size: '', ratio, error: MINUTES / minutes }];
  });
}

/** What evidence teaches. */
export function handsFrom(evidence: readonly Evidence[]): Hands {
  const part = (of: HandsPart) =>
    partFrom(
      of,
      evidence.flatMap((e) => e[of]),
    );
  const counted = evidence.flatMap((e) => e.counted);
  return {
    ...(Object.fromEntries(PARTS.map((of) => [of, part(of)])) as Pick<Hands, HandsPart>),
    flat: learnFlat(
      null,
      evidence.flatMap((e) => e.flat),
    ),
    counted: countedFrom(counted),
  };
}

function countedFrom(sides: readonly CountedSide[]): Counted {
  return {
    sides: sides.length,
    fewer: sides.filter((s) => s.off < 0).length,
    more: sides.filter((s) => s.off > 0).length,
    where: COUNTED_PLACES.flatMap((place) => {
      const there = sides.filter((s) => s.place === place);
      return there.length === 0
        ? []
        : [{ place, sides: there.length, off: there.filter((s) => s.off !== 0).length }];
    }),
  };
}
