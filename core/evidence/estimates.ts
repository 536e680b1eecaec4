/** Estimates of a plan, each with its range and basis. */
import type { Verdict } from '../flat/flat.ts';
import {
  PRIORS,
  USUAL_PACE,
  acrossAll,
  driftOf,
  inOwnWords,
  knownFor,
  ruleOfThumb,
  type Hands,
} from '../hands/hands.ts';
import { willLie, type Lay } from '../hands/flatness.ts';
import type { Known } from '../hands/hands.schema.ts';
import { RANGE, learnOn, overRounds, type Learned } from '../hands/ratio.ts';
import type { Hem } from '../document/hem.ts';
import { extent } from '../piece/outline.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import { timeSeen } from './evidence.ts';
import { remembered } from '../remembered.ts';
import { COUNTED_GAUGE, isGaugeCounted, widthErrorOf } from '../plan/observed.ts';
import { yarnPlanOf } from '../plan/yarns.ts';

/** A number that is foretold; from `low` to `high` it comes out some nine times in ten. */
export interface Estimate {
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly basis: Known['basis'];
  /** That it rests on. */
  readonly observations: number;
}

const estimate = (value: number, { ratio, low, high, basis, observations }: Known): Estimate => ({
  value,
  low: (value * low) / ratio,
  high: (value * high) / ratio,
  basis,
  observations,
});

/** A round as these hands will work it. */
export interface RoundEstimate {
  readonly round: number;
  readonly name: string;
  readonly yarn: string;
  readonly metres: Estimate;
  readonly grams: Estimate;
  readonly minutes: Estimate;
  /** From the edge of the piece to the top of the round, cm. */
  readonly heightCm: Estimate;
  /** Strain of each side, as a signed fraction, what it comes to, and how the side will lie; null where that cannot be known. */
  readonly sides: readonly {
    readonly strain: Estimate;
    readonly verdict: Verdict;
    readonly lies: Lay['lies'] | null;
  }[];
}

export interface Estimates {
  readonly rounds: readonly RoundEstimate[];
  /** Yarns that the border takes, ends to weave in included. */
  readonly yarns: readonly { readonly yarn: string; readonly grams: Estimate; readonly balls: number }[];
  readonly minutes: Estimate;
  /** Finished, before blocking. */
  readonly widthCm: Estimate;
  readonly heightCm: Estimate;
}

/** Stitches in a minute that a hem takes. */
const PACES = [1, 200] as const;

/** The pace that a ratio of time comes to, in whole stitches a minute. */
export const paceOf = ({ ratio }: Known): number =>
  Math.min(PACES[1], Math.max(PACES[0], Math.round(USUAL_PACE / ratio)));

/** Knowledge of the pace: of these hands before, and what the log of the hem adds. */
export const paceKnown = (plan: Plan): Learned =>
  learnOn(plan.hem.hands?.time?.all ?? null, acrossAll('time'), timeSeen(plan));

/** Paces that could be taken over so far: of the hands, and of the log after each stretch of it. */
const pacesTold = remembered((plan: Plan): ReadonlySet<number> => {
  const hands = plan.hem.hands?.time?.all ?? null;
  const seen = timeSeen(plan);
  return new Set(
    Array.from({ length: seen.length + 1 }, (_, k) =>
      learnOn(hands, acrossAll('time'), seen.slice(0, k)),
    ).flatMap((told) => (told.basis === 'rule of thumb' ? [] : [paceOf(told)])),
  );
});

/** Basis of a plan’s time: the pace that its maker has given is their own word unless the hands or the log have said it. */
function timeOf(plan: Plan): Known {
  const known = paceKnown(plan);
  const { pace } = plan.hem;
  if (known.basis !== 'rule of thumb' && pacesTold(plan).has(pace)) return known;
  return pace === USUAL_PACE ? ruleOfThumb('time') : inOwnWords('time', USUAL_PACE / pace).all;
}

/** A strain is as sure as the width of a stitch is, by the gauge that was counted or by what is known of the hands. */
function strainOf({ hem }: Plan, round: RoundPlan, strain: number): Estimate {
  const counted = isGaugeCounted(hem);
  const known = knownFor('width', hem.hands?.width ?? null, round.stitch, `${round.hookMm}`);
  const off = counted ? Math.exp(RANGE * COUNTED_GAUGE) : Math.sqrt(known.high / known.low);
  return {
    value: strain,
    low: (1 + strain) / off - 1,
    high: (1 + strain) * off - 1,
    basis: counted ? 'swatch' : known.basis,
    observations: counted ? 1 : known.observations,
  };
}

/** Estimates of every round, every yarn, of time and size. */
export function estimatesOf(plan: Plan): Estimates {
  const time = timeOf(plan);
  const { height } = plan;
  const heightOver = (rounds: number): Known =>
    overRounds(
      height,
      PRIORS.height,
      rounds,
      driftOf(
        'height',
        plan.hem.hands?.height ?? null,
        plan.rounds.slice(0, rounds).map((r) => r.stitch),
      ),
    );
  const error = widthErrorOf(plan.hem);
  const rounds = plan.rounds.map((r): RoundEstimate => {
    const { yarn, calibration } = yarnPlanOf(plan, r.yarnId);
    return {
      round: r.number,
      name: r.name,
      yarn: yarn.name,
      metres: estimate(r.yarnM, calibration),
      grams: estimate((r.yarnM * 100) / yarn.metresPer100G, calibration),
      minutes: estimate(
        r.minutes,
        overRounds(time, acrossAll('time'), 1, driftOf('time', plan.hem.hands?.time ?? null, [r.stitch])),
      ),
      heightCm: estimate(r.heightMm / 10, heightOver(r.number + 1)),
      sides: r.sides.map(({ strain, verdict }) => ({
        strain: strainOf(plan, r, strain),
        verdict,
        lies: willLie(strain, error, plan.flat),
      })),
    };
  });
  const top = plan.borderWidthMm;
  const size = (which: 'widthMm' | 'heightMm'): Estimate => {
    const of = heightOver(plan.rounds.length);
    const at = (mm: number): number => extent(plan.body.outline, mm)[which] / 10;
    return {
      ...estimate(0, of),
      value: at(top),
      low: at((top * of.low) / of.ratio),
      high: at((top * of.high) / of.ratio),
    };
  };
  return {
    rounds,
    yarns: plan.yarns.flatMap(({ yarn, quantity, calibration }) =>
      quantity.metres > 0
        ? [
            {
              yarn: yarn.name,
              grams: {
                ...estimate(quantity.grams, calibration),
                low: quantity.grams * (1 - quantity.spread),
                high: quantity.grams * (1 + quantity.spread),
              },
              balls: quantity.balls,
            },
          ]
        : [],
    ),
    minutes: estimate(
      plan.minutes,
      overRounds(
        time,
        acrossAll('time'),
        plan.rounds.length,
        driftOf(
          'time',
          plan.hem.hands?.time ?? null,
          plan.rounds.map((r) => r.stitch),
        ),
      ),
    ),
    widthCm: size('widthMm'),
    heightCm: size('heightMm'),
  };
}

/** A hem as if it were begun now by hands of which so much is known. */
export const inHandsOf = (hem: Hem, known: Hem['hands'], time: Hands['time']['all'] | null): Hem => ({
  ...hem,
  hands: known,
  pace: time && time.basis !== 'rule of thumb' ? paceOf(time) : hem.pace,
});
