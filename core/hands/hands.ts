/** Knowledge of hands: pace, yarn, height and width of stitches, what still lies flat. Each is a ratio to a rule of thumb. */
import { held } from '../held.ts';
import type { StitchKind } from '../terms/stitches.ts';
import type { Known, KnownHands, KnownPart } from './hands.schema.ts';
import {
  RANGE,
  learn,
  learnAcross,
  learnOn,
  spreadOfMean,
  type Learned,
  type Observation,
  type Prior,
} from './ratio.ts';

export type { Known, KnownHands, KnownPart } from './hands.schema.ts';

export const PARTS = ['time', 'yarn', 'height', 'width'] as const;
/** Parts that are known for all stitches, and by stitch and size. */
export type HandsPart = (typeof PARTS)[number];

/** Everything learned. */
export interface Hands extends Readonly<Record<HandsPart, LearnedPart>> {
  /** Strain that still lies flat. */
  readonly flat: Learned;
  readonly counted: Counted;
}

/** Something that is learned for all stitches, and for each stitch, and each yarn weight or hook, on top of that. */
export interface LearnedPart {
  readonly all: Learned;
  readonly byStitch: Readonly<Record<string, Learned>>;
  readonly bySize: Readonly<Record<string, Learned>>;
}

/** Sides that were counted, and those of them that had fewer or more stitches than planned: in all, and by where. */
export interface Counted {
  readonly sides: number;
  readonly fewer: number;
  readonly more: number;
  readonly where: readonly {
    readonly place: CountedPlace;
    readonly sides: number;
    readonly off: number;
  }[];
}

export const COUNTED_PLACES = ['base round', 'straight rounds', 'rounds with chains or groups'] as const;
export type CountedPlace = (typeof COUNTED_PLACES)[number];

/** Stitches in a minute where nothing is known of the hands. */
export const USUAL_PACE = 18;

/** Standard deviations of the logarithm: of hands among each other, of their hems, from hem to hem for good, and of days. */
export const PRIORS = {
  time: { about: 1, spread: 0.42, hem: 0.13, ages: 0.07, drift: 0.12 },
  yarn: { about: 1, spread: 0.08, hem: 0.06, ages: 0.015, drift: 0.035 },
  height: { about: 1, spread: 0.08, hem: 0.05, ages: 0.015, drift: 0.035 },
  width: { about: 1, spread: 0.08, hem: 0.065, ages: 0.03, drift: 0.025 },
} as const satisfies Readonly<Record<HandsPart, Prior>>;
/** In the same hands from stitch to stitch, and from one yarn weight or hook to another. */
const APART: Readonly<Record<HandsPart, { readonly stitch: number; readonly size: number }>> = {
  time: { stitch: 0.15, size: 0 },
  yarn: { stitch: 0.04, size: 0.04 },
  height: { stitch: 0.04, size: 0.04 },
  width: { stitch: 0, size: 0.04 },
};

/** Something observed of a stitch, with a yarn of a weight or with a hook. */
export interface StitchObservation extends Observation {
  readonly stitch: StitchKind;
  /** The yarn weight’s number, or the hook in mm; empty where it does not matter. */
  readonly size: string;
}

/** A part by what was seen of it on each hem, the oldest first: for all stitches first, each size about that, and each stitch about both. */
export function partFrom(of: HandsPart, hems: readonly (readonly StitchObservation[])[]): LearnedPart {
  const seen = hems.flat();
  const prior = PRIORS[of];
  const apart = APART[of];
  const across = acrossAll(of);
  const all = learnAcross(hems, across);
  const about = (each: number): Prior => ({
    ...prior,
    about: all.ratio,
    spread: Math.hypot(each, spreadOfMean(all, across)),
  });
  const sizes = apart.size > 0 ? distinct(seen.map((s) => s.size)) : [];
  const bySize = Object.fromEntries(
    sizes.map((size) => [
      size,
      learnAcross(
        hems.map((one) => one.filter((s) => s.size === size)),
        about(apart.size),
      ),
    ]),
  );
  const kinds = apart.stitch > 0 ? distinct(seen.map((s) => s.stitch)) : [];
  const byStitch = Object.fromEntries(
    kinds.map((kind) => [
      kind,
      learnAcross(
        // What the size does is told by the size.
        hems.map((one) =>
          one.flatMap((s) =>
            s.stitch === kind ? [{ ...s, ratio: (s.ratio * all.ratio) / (bySize[s.size] ?? all).ratio }] : [],
          ),
        ),
        about(apart.stitch),
      ),
    ]),
  );
  return { all, byStitch, bySize };
}

const distinct = <T extends string>(values: readonly T[]): readonly T[] => [...new Set(values)];

/** Among all stitches and sizes, one from another is a drift too. */
export const acrossAll = (of: HandsPart): Prior => ({
  ...PRIORS[of],
  drift: Math.hypot(PRIORS[of].drift, APART[of].stitch, APART[of].size),
});

/** How rounds in these stitches differ from each other, beyond what is known of each stitch: a standard deviation of the logarithm. */
export function driftOf(of: HandsPart, part: KnownPart | null, stitches: readonly StitchKind[]): number {
  // Depths are measured across rounds of several stitches, so that of a single one little is known.
  const isKnown = (s: StitchKind): boolean => of !== 'height' && part?.byStitch[s] !== undefined;
  const unknown = part ? stitches.filter((s) => !isKnown(s)).length / Math.max(1, stitches.length) : 0;
  return Math.hypot(PRIORS[of].drift, APART[of].stitch * Math.sqrt(unknown));
}

/** A rule of thumb, with its range. */
export const ruleOfThumb = (of: HandsPart): Learned => learn([], acrossAll(of));

/** Knowledge of a stitch with a yarn or hook: by both where they are known, else by what holds for all. */
export function knownFor(of: HandsPart, part: KnownPart | null, stitch: StitchKind, size: string): Known {
  if (!part) return ruleOfThumb(of);
  const { all } = part;
  const ofStitch = part.byStitch[stitch];
  const ofSize = part.bySize[size];
  if (!ofStitch && !ofSize) return all;
  const apart = APART[of];
  const ratio = ((ofStitch ?? all).ratio * (ofSize ?? all).ratio) / all.ratio;
  const reach = ({ low, high }: Known): number => Math.log(high / low) / 2;
  const half = Math.sqrt(
    ofStitch && ofSize
      ? bothOf(reach(ofStitch), reach(ofSize), RANGE * nextHem(of))
      : ofStitch
        ? reach(ofStitch) ** 2 + (RANGE * apart.size) ** 2
        : reach(held(ofSize, 'the size was found')) ** 2 + (RANGE * apart.stitch) ** 2,
  );
  return {
    ratio,
    low: ratio * Math.exp(-half),
    high: ratio * Math.exp(half),
    basis: all.basis,
    observations: Math.max((ofStitch ?? all).observations, (ofSize ?? all).observations),
  };
}

/** How a round of a hem that is to come differs from what is common to all. */
const nextHem = (of: HandsPart): number => Math.hypot(PRIORS[of].drift, PRIORS[of].hem, PRIORS[of].ages);

/**
 * The square of a range by two that rest on the same observations in part: of the surer one only a part is added, and the drift of
 * days once.
 */
const bothOf = (a: number, b: number, daily: number): number =>
  Math.max(a, b) ** 2 + 0.75 * Math.max(0, Math.min(a, b) ** 2 - daily ** 2);

/**
 * Learns from a hem’s own observations on top of what is known of the hands; as a ratio to what these make of the rule of thumb.
 *
 * @param size the yarn weight’s number, or the hook in mm
 */
export const learnedSince = (
  of: HandsPart,
  part: KnownPart | null,
  size: string,
  observations: readonly Observation[],
): Learned => {
  const known = part && (part.bySize[size] ?? part.all);
  const about = known && { ...known, ratio: 1, low: known.low / known.ratio, high: known.high / known.ratio };
  return learnOn(about, PRIORS[of], observations);
};

/** A ratio beyond these is no matter of hands. */
const MOST = 10;

const kept = ({ ratio, low, high, basis, observations }: Known): Known => {
  const within = (x: number): number => Number(Math.min(MOST, Math.max(1 / MOST, x)).toPrecision(4));
  return { ratio: within(ratio), low: within(low), high: within(high), basis, observations };
};

const keptBy = (by: Readonly<Record<string, Known>>): Readonly<Record<string, Known>> =>
  Object.fromEntries(Object.entries(by).map(([key, known]) => [key, kept(known)]));

/** A part that is learned; null while it is a rule of thumb, or when it is not to be used. */
type Use = (of: keyof KnownHands) => boolean;

/** Knowledge that a hem carries with it. Null where there is nothing to carry. */
export function knownFrom(hands: Pick<Hands, keyof KnownHands>, uses: Use = () => true): KnownHands | null {
  const part = (of: HandsPart): KnownPart | null => {
    const { all, byStitch, bySize } = hands[of];
    if (!uses(of) || all.basis === 'rule of thumb') return null;
    return { all: kept(all), byStitch: keptBy(byStitch), bySize: keptBy(bySize) };
  };
  const known: KnownHands = {
    time: part('time'),
    yarn: part('yarn'),
    height: part('height'),
    width: part('width'),
    flat: uses('flat') && hands.flat.basis !== 'rule of thumb' ? kept(hands.flat) : null,
  };
  return Object.values(known).every((of) => of === null) ? null : known;
}

/** A part as its maker says that it is: surer than anything that was observed, and the same for all stitches. */
export function inOwnWords(of: HandsPart, ratio: number): LearnedPart {
  const { drift, hem } = acrossAll(of);
  const half = RANGE * Math.hypot(drift, hem);
  const all: Learned = {
    ratio,
    low: ratio * Math.exp(-half),
    high: ratio * Math.exp(half),
    basis: 'own word',
    observations: 0,
    doubted: [],
  };
  return { all, byStitch: {}, bySize: {} };
}
