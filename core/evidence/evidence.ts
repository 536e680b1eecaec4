/** Evidence of the hands that worked a hem, read from its record beside rules of thumb. */
import { held } from '../held.ts';
import { yarnOf, type Hem, type WorkEvent } from '../document/hem.ts';
import { standing } from '../document/record.ts';
import { naturalLengthMm } from '../flat/flat.ts';
import { usualGauge } from '../hands/gauge.ts';
import { learnFlat, type LaysOfHem } from '../hands/flatness.ts';
import {
  COUNTED_PLACES,
  type LearnedPart,
  USUAL_PACE,
  partFrom,
  type Counted,
  type CountedPlace,
  type Hands,
  type HandsPart,
  type StitchObservation,
} from '../hands/hands.ts';
import type { Known } from '../hands/hands.schema.ts';
import type { Learned } from '../hands/ratio.ts';
import { heightSeen, laySeen, looksOf, widthErrorOf, yarnSeen } from '../plan/observed.ts';
import { plan as planOf } from '../plan/planner.ts';
import { isRound, type Plan, type RoundPlan } from '../plan/types.ts';
import { yarnWeight } from '../terms/yarnWeights.ts';
import { minutesOf } from '../hands/pace.ts';
import { stretchOf } from '../procedure/stretch.ts';
import { isPause } from '../work/session.ts';

/** All that a hem’s record tells. */
export interface Evidence extends Readonly<Record<HandsPart, readonly StitchObservation[]>> {
  readonly flat: LaysOfHem;
  /** When something was last noted of it, ISO 8601; empty while nothing was. */
  readonly last: string;
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
const PULLED = 0.06;
const GAUGE = 0.02;
/** Minutes that go by otherwise while work is noted. */
const MINUTES = 1.5;

/** Whether an entry of a record is of these hands, and to be taken into account. */
type IsTheirs = (event: WorkEvent) => boolean;

/** A hem in stitches as wide as is usual for its yarn and hook, so that what hems tell of heights and of yarn can be compared. */
function inUsualWidths(hem: Hem): Hem {
  const { weight } = yarnOf(hem, hem.base.yarn);
  const { hookMm } = hem.gauge;
  const usual = usualGauge(weight, null);
  return {
    ...hem,
    hands: null,
    gauge: { hookMm, stitchesPer10Cm: usual.stitchesPer10Cm / Math.sqrt(hookMm / usual.hookMm) },
  };
}

/** Evidence from the record of a hem, planned by rules of thumb alone. @param isTheirs which of its events are taken into account */
export function evidenceOf(hem: Hem, isTheirs: IsTheirs = () => true): Evidence {
  const plan = planOf(inUsualWidths(hem));
  const record = standing(hem.record).filter(isTheirs);
  const looks = looksOf(record);
  const { rounds } = plan;
  // Strains are told as they were foretold, by the gauge of the hem.
  const asReckoned = looks.length > 0 ? planOf({ ...hem, hands: null }) : plan;
  return {
    time: timeSeen(plan, isTheirs),
    // Swatches are noted without a time: whoever leaves out what was noted leaves them out, too, when nothing else is theirs.
    yarn: hem.yarns.flatMap((yarn) =>
      yarnSeen(record.length > 0 ? hem.weighIns : [], record, yarn, rounds, plan.stitchWidthMm, null),
    ),
    height: heightSeen(looks, rounds),
    width: record.length > 0 ? widthSeen(hem, asReckoned, looks) : [],
    flat: { lays: laySeen(looks, asReckoned.rounds), error: widthErrorOf(hem) },
    last: record.reduce((latest, e) => (e.at > latest ? e.at : latest), ''),
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

/** Evidence from several hems, each read by itself: one that cannot be planned tells nothing, and hurts no other. */
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

/** Work on a round in one sitting. */
interface Stretch {
  readonly round: RoundPlan;
  minutes: number;
  stitches: number;
  movements: number;
}

/** How long stretches of work took beside the usual pace, by the times at which steps were noted in one sitting. */
export function timeSeen(plan: Plan, isTheirs: IsTheirs = () => true): readonly StitchObservation[] {
  const roundOf = (event: WorkEvent): RoundPlan | undefined =>
    plan.rounds.find((r) => isRound(r, event.round));
  const events = standing(plan.hem.record)
    .filter(isTheirs)
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const stretches = new Map<string, Stretch>();
  let sitting = 0;
  events.slice(1).forEach((event, i) => {
    const before = events[i]!;
    if (isPause(plan.hem.record, before, event)) sitting++;
    const round = roundOf(event);
    const goesOn = before.did === 'made' || before.did === 'began';
    if (isPause(plan.hem.record, before, event) || event.did !== 'made' || !goesOn || !round) return;
    if (roundOf(before) !== round) return;
    const key = `${sitting} ${round.number}`;
    const stretch = stretches.get(key) ?? { round, minutes: 0, stitches: 0, movements: 0 };
    stretch.minutes += (Date.parse(event.at) - Date.parse(before.at)) / 60_000;
    const made = before.did === 'made' ? before.stitches : 0;
    const { stitches, movements } = stretchOf(plan, round, made, event.stitches);
    const undone = stretchOf(plan, round, event.stitches, made);
    stretch.stitches += stitches - undone.stitches;
    stretch.movements += movements - undone.movements;
    stretches.set(key, stretch);
  });
  return [...stretches.values()].flatMap(
    ({ round, minutes, stitches, movements }): readonly StitchObservation[] => {
      if (stitches < 20 || minutes <= 0) return [];
      const ratio = minutes / minutesOf(movements, USUAL_PACE);
      return [{ stitch: round.stitch, size: '', ratio, error: MINUTES / minutes }];
    },
  );
}

/**
 * Heights and yarn were told in stitches of the usual width, and will be asked for in stitches as wide as these hands make them.
 *
 * @param widthOf of a size; of all sizes for ''
 */
function besideWidth(part: LearnedPart, widthOf: (size: string) => Known): LearnedPart {
  const beside = (learned: Learned, size: string): Learned => {
    const { ratio } = widthOf(size);
    return learned.basis === 'rule of thumb'
      ? learned
      : { ...learned, ratio: learned.ratio / ratio, low: learned.low / ratio, high: learned.high / ratio };
  };
  const each = (by: LearnedPart['bySize'], sized: boolean): LearnedPart['bySize'] =>
    Object.fromEntries(Object.entries(by).map(([key, learned]) => [key, beside(learned, sized ? key : '')]));
  return { all: beside(part.all, ''), byStitch: each(part.byStitch, false), bySize: each(part.bySize, true) };
}

/** Hands, learned from evidence. */
export function handsFrom(evidence: readonly Evidence[]): Hands {
  const hems = [...evidence].sort((a, b) => (a.last < b.last ? -1 : a.last > b.last ? 1 : 0));
  const part = (of: HandsPart) =>
    partFrom(
      of,
      hems.map((e) => e[of]),
    );
  const counted = evidence.flatMap((e) => e.counted);
  const width = part('width');
  return {
    time: part('time'),
    yarn: besideWidth(part('yarn'), () => width.all),
    height: besideWidth(part('height'), (hook) => width.bySize[hook] ?? width.all),
    width,
    flat: learnFlat(
      null,
      hems.map((e) => e.flat),
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
