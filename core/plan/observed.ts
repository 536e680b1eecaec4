/** Observations of a hem’s rounds in its record: yarn that was weighed, heights that were measured, how sides lay. */
import type { Lay } from '../hands/flatness.ts';
import { usualGauge } from '../hands/gauge.ts';
import { RANGE } from '../hands/ratio.ts';
import { PRIORS, knownFor, type KnownPart, type StitchObservation } from '../hands/hands.ts';
import type { Hem, WorkEvent } from '../document/hem.ts';
import { standing, type WorkRecord } from '../document/record.ts';
import { weighedStretches, type WorkPlace } from '../record/weighings.ts';
import { stitchOf } from '../ring/stitch.ts';
import type { StitchKind } from '../terms/stitches.ts';
import { yarnInStitchMm, type Yarn } from '../yarn/yarn.ts';
import { isRound, type MadeRound, type PathRound } from './types.ts';

type YarnRound = Pick<PathRound, 'written' | 'yarnId' | 'pathM' | 'ring' | 'stitch'>;

/** A kitchen scale, g; a tape, cm. */
const SCALE_G = 0.7;
const TAPE_CM = 0.3;

/**
 * Yarn of a swatch by the loop path and by what is known of the hands, as that of a round is, metres.
 *
 * @param widthMm of a stitch
 */
export const swatchM = (
  { stitch, stitches }: { readonly stitch: StitchKind; readonly stitches: number },
  { diameterMm, weight }: Yarn,
  widthMm: number,
  known: KnownPart | null,
): number =>
  (stitches *
    yarnInStitchMm(stitchOf({ kind: stitch }), widthMm, diameterMm) *
    knownFor('yarn', known, stitch, `${weight}`).ratio) /
  1000;

/** Weighings of a yarn; of rounds that are no longer there it is left out. */
export function yarnSeen(
  weighIns: Hem['weighIns'],
  record: WorkRecord,
  yarn: Yarn,
  rounds: readonly YarnRound[],
  widthMm: number,
  known: KnownPart | null,
): readonly StitchObservation[] {
  const seen = (
    stitch: StitchKind,
    pathM: number,
    grams: number,
    swatch: boolean,
  ): readonly StitchObservation[] => {
    if (pathM <= 0 || grams <= 0) return [];
    // An error is that of what is expected: what is weighed too light by chance is no surer for it.
    const expected = (pathM * 100) / yarn.metresPer100G;
    const error = (SCALE_G * Math.SQRT2) / expected;
    return [{ stitch, size: `${yarn.weight}`, ratio: grams / expected, error, swatch }];
  };
  const told = weighIns.flatMap(({ of, grams, ...w }) => {
    if (w.yarn !== yarn.id) return [];
    if (of.kind === 'swatch') {
      return seen(of.stitch, swatchM(of, yarn, widthMm, known), grams, true);
    }
    const round = rounds.find((r) => r.yarnId === yarn.id && isRound(r, of.round));
    return round ? seen(round.stitch, round.pathM, grams, false) : [];
  });
  const inWork = weighedStretches(record).flatMap(({ from, to, grams, ...w }) => {
    const round = rounds.find((r) => isRound(r, to.round));
    if (w.yarn !== yarn.id || !round) return [];
    return seen(round.stitch, metresBetween(rounds, yarn.id, from, to), grams, false);
  });
  return [...told, ...inWork];
}

/** Yarn by the loop path from one place of the work to a later one, metres; 0 when either is not there any more. */
export function metresBetween(
  rounds: readonly Pick<PathRound, 'written' | 'yarnId' | 'pathM' | 'ring'>[],
  yarn: string,
  from: WorkPlace,
  to: WorkPlace,
): number {
  const first = rounds.findIndex((r) => isRound(r, from.round));
  const last = rounds.findIndex((r) => isRound(r, to.round));
  if (first < 0 || last < first) return 0;
  let sum = 0;
  for (let k = first; k <= last; k++) {
    const { yarnId, pathM, ring } = rounds[k]!;
    if (yarnId !== yarn) continue;
    const begins = k === first ? from.stitches : 0;
    const ends = k === last ? Math.min(to.stitches, ring.made.length) : ring.made.length;
    sum += pathM * Math.max(0, (ends - begins) / Math.max(1, ring.made.length));
  }
  return sum;
}

export type LookedEvent = Extract<WorkEvent, { did: 'looked' }>;

const NONE: readonly LookedEvent[] = [];

/** The looks of a record. */
export const looksOf = (record: WorkRecord): readonly LookedEvent[] => {
  const looks = standing(record).filter((e): e is LookedEvent => e.did === 'looked');
  return looks.length > 0 ? looks : NONE;
};

type HighRound = Pick<MadeRound, 'written' | 'plannedHeightMm' | 'plannedOwnHeightMm' | 'hookMm' | 'stitch'>;

/** Heights that were measured across the rounds, beside those that were planned; of the stitch that makes most of them. */
export const heightSeen = (
  looks: readonly LookedEvent[],
  rounds: readonly HighRound[],
): readonly StitchObservation[] =>
  looks.flatMap((look) => {
    const at = rounds.findIndex((r) => isRound(r, look.round));
    const round = rounds[at];
    if (look.depthCm === null || !round || round.plannedHeightMm <= 0) return [];
    const heights = new Map<StitchKind, number>();
    for (const r of rounds.slice(0, at + 1))
      heights.set(r.stitch, (heights.get(r.stitch) ?? 0) + r.plannedOwnHeightMm);
    const [stitch] = [...heights].sort((a, b) => b[1] - a[1])[0]!;
    const ratio = (10 * look.depthCm) / round.plannedHeightMm;
    return [{ stitch, size: `${round.hookMm}`, ratio, error: (10 * TAPE_CM) / round.plannedHeightMm }];
  });

/** However well the hands are known. */
const LEAST_WIDTH_ERROR = 0.08;
/** A gauge that was counted on a swatch. */
export const COUNTED_GAUGE = Math.hypot(0.02, PRIORS.width.drift);

type Gauged = Pick<Hem, 'yarns' | 'base' | 'gauge' | 'hands'>;

/** Whether a gauge was counted: it is another than the usual one. */
export function isGaugeCounted({ yarns, base, gauge, hands }: Gauged): boolean {
  const usual = usualGauge(yarns.find((y) => y.id === base.yarn)?.weight ?? 4, hands);
  return usual.stitchesPer10Cm !== gauge.stitchesPer10Cm || usual.hookMm !== gauge.hookMm;
}

/** Whether anything is known of the width of a stitch: a gauge that was counted, or these hands. */
export const isGaugeKnown = (hem: Gauged): boolean =>
  isGaugeCounted(hem) || (hem.hands?.width ?? null) !== null;

/** How unsure the width of a stitch of a hem is: one standard deviation of its logarithm, by a counted gauge, or by what is known of the hands. */
export function widthErrorOf(hem: Gauged): number {
  if (isGaugeCounted(hem)) return COUNTED_GAUGE;
  const { low, high } = knownFor('width', hem.hands?.width ?? null, 'sc', `${hem.gauge.hookMm}`);
  return Math.max(LEAST_WIDTH_ERROR, Math.log(high / low) / (2 * RANGE));
}

/** How sides lay, beside the strain that was planned. */
export const laySeen = (looks: readonly LookedEvent[], rounds: readonly PathRound[]): readonly Lay[] =>
  looks.flatMap((look) => {
    const round = rounds.find((r) => isRound(r, look.round));
    return look.lies.flatMap((lies, side) => {
      const of = round?.sides[side];
      return lies && of ? [{ strain: of.strain, lies }] : [];
    });
  });
