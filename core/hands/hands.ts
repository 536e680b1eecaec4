/** What the records of hems teach about the hands that worked them: pace, yarn and height, each by stitch, and counts that were off. */
import type { WorkEvent } from '../document/hem.ts';
import { standing } from '../document/record.ts';
import { isRound, type Plan, type RoundPlan } from '../plan/types.ts';
import { metresBetween } from '../plan/yarns.ts';
import { weighedStretches } from '../record/weighings.ts';
import { countsAsStitch } from '../ring/stitch.ts';
import type { StitchKind } from '../terms/stitches.ts';
import { isPause } from '../work/session.ts';
import { RANGE, learn, type Learned, type Observation, type Prior } from './ratio.ts';

/** Beside everything that is learned stands what it is a ratio of. */
export interface Hands {
  /** Time over that at {@link USUAL_PACE}, all stitches and by stitch. */
  readonly time: Part;
  /** Yarn over that of the loop path. */
  readonly yarn: Part;
  /** Height of the rounds over that of the stitches by the book. */
  readonly height: Part;
  /** Sides that were counted, and those of them that were not as planned. */
  readonly counted: { readonly sides: number; readonly off: number };
}

/** Something that is learned for all stitches, and for each stitch on top of that. */
export interface Part {
  readonly all: Learned;
  readonly by: Partial<Record<StitchKind, Learned>>;
}

/** Stitches in a minute where nothing is known of the hands. */
export const USUAL_PACE = 18;

/** Standard deviations of the logarithm: of hands among each other, of days, and of stitches in the same hands. */
const PRIORS = {
  time: { about: 1, spread: 0.35, drift: 0.1 },
  yarn: { about: 1, spread: 0.1, drift: 0.03 },
  height: { about: 1, spread: 0.08, drift: 0.03 },
} as const satisfies Readonly<Record<string, Prior>>;
const BY_STITCH: Readonly<Record<keyof typeof PRIORS, number>> = { time: 0.15, yarn: 0.04, height: 0.04 };

/** A kitchen scale, g; a tape, cm; minutes that go by otherwise while work is noted. */
const SCALE_G = 0.7;
const TAPE_CM = 0.3;
const MINUTES = 1.5;

/** Something observed of a stitch. */
export interface Seen extends Observation {
  readonly stitch: StitchKind;
}

/** All that a plan’s record tells. */
export interface Evidence {
  readonly time: readonly Seen[];
  readonly yarn: readonly Seen[];
  readonly height: readonly Seen[];
  readonly counted: Hands['counted'];
}

/** What a round is mostly made of. */
function stitchOfRound({ ring }: RoundPlan): StitchKind {
  const counts = new Map<StitchKind, number>();
  for (const s of ring.made) if (countsAsStitch(s)) counts.set(s.kind, (counts.get(s.kind) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'sc';
}

/** What the record of a plan tells of the hands. @param isTheirs which of its events are taken into account */
export function evidenceOf(plan: Plan, isTheirs: (event: WorkEvent) => boolean = () => true): Evidence {
  const record = standing(plan.hem.record).filter(isTheirs);
  const roundOf = (event: WorkEvent): RoundPlan | undefined =>
    plan.rounds.find((r) => isRound(r, event.round));
  const counts = record.flatMap((e) => {
    const planned = e.did === 'counted' ? roundOf(e)?.done?.planned : undefined;
    return e.did === 'counted' && planned
      ? e.counts.flatMap((found, i) => (found === null ? [] : [found !== planned[i]]))
      : [];
  });
  return {
    time: timeOf(record, roundOf),
    yarn: weighedStretches(record).flatMap(({ yarn: id, from, to, grams }): readonly Seen[] => {
      const yarn = plan.hem.yarns.find((y) => y.id === id);
      const round = plan.rounds.find((r) => isRound(r, to.round));
      const metres = yarn ? metresBetween(plan.rounds, id, from, to) : 0;
      if (!yarn || !round || metres <= 0) return [];
      const foretold = (metres * 100) / yarn.metresPer100G;
      return [
        { stitch: stitchOfRound(round), ratio: grams / foretold, error: (SCALE_G * Math.SQRT2) / grams },
      ];
    }),
    height: record.flatMap((e): readonly Seen[] => {
      const round = e.did === 'looked' ? roundOf(e) : undefined;
      if (e.did !== 'looked' || e.depthCm === null || !round || round.heightMm <= 0) return [];
      const error = TAPE_CM / e.depthCm;
      return [{ stitch: stitchOfRound(round), ratio: (10 * e.depthCm) / round.heightMm, error }];
    }),
    counted: { sides: counts.length, off: counts.filter(Boolean).length },
  };
}

/** How long stretches of work took, by the times at which steps were noted in one sitting. */
function timeOf(
  record: readonly WorkEvent[],
  roundOf: (event: WorkEvent) => RoundPlan | undefined,
): readonly Seen[] {
  const events = [...record].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
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
  return [...stretches.values()].flatMap(({ round, minutes, entries }): readonly Seen[] => {
    const stitches = (entries * round.total) / Math.max(1, round.ring.made.length);
    if (stitches < 20 || minutes <= 0) return [];
    const ratio = (minutes * USUAL_PACE) / stitches;
    return [{ stitch: stitchOfRound(round), ratio, error: MINUTES / minutes }];
  });
}

/** What evidence teaches. */
export function handsFrom(evidence: readonly Evidence[]): Hands {
  const part = (of: 'time' | 'yarn' | 'height'): Part =>
    partFrom(
      of,
      evidence.flatMap((e) => e[of]),
    );
  return {
    time: part('time'),
    yarn: part('yarn'),
    height: part('height'),
    counted: {
      sides: evidence.reduce((sum, e) => sum + e.counted.sides, 0),
      off: evidence.reduce((sum, e) => sum + e.counted.off, 0),
    },
  };
}

/** A part by what was seen of it: for all stitches first, and each stitch about that. */
export function partFrom(of: 'time' | 'yarn' | 'height', seen: readonly Seen[]): Part {
  const prior = PRIORS[of];
  // Among all stitches, one from another is a drift too.
  const across = { ...prior, drift: Math.hypot(prior.drift, BY_STITCH[of]) };
  const all = learn(seen, across);
  const kinds = [...new Set(seen.map((s) => s.stitch))];
  return {
    all,
    by: Object.fromEntries(
      kinds.map((kind) => [
        kind,
        learn(
          seen.filter((s) => s.stitch === kind),
          { about: all.ratio, spread: Math.hypot(BY_STITCH[of], spreadOf(all, across)), drift: prior.drift },
        ),
      ]),
    ),
  };
}

/** How sure what holds for all stitches is, as the standard deviation of its logarithm. */
const spreadOf = ({ low, high }: Learned, { drift }: Prior): number =>
  Math.sqrt(Math.max(0, (Math.log(high / low) / (2 * RANGE)) ** 2 - drift ** 2));

/** What holds for a stitch: its own, else what holds for all. */
export const learnedFor = (part: Part, stitch: StitchKind): Learned => part.by[stitch] ?? part.all;

/** A number that is foretold, with its range and what it rests on. */
export interface Foretold {
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly basis: Learned['basis'];
  readonly observations: number;
}

const foretold = (value: number, { ratio, low, high, basis, observations }: Learned): Foretold => ({
  value: value * ratio,
  low: value * low,
  high: value * high,
  basis,
  observations,
});

/** A round as these hands will work it. */
export interface RoundForetold {
  readonly round: number;
  readonly name: string;
  readonly yarn: string;
  readonly metres: Foretold;
  readonly grams: Foretold;
  readonly minutes: Foretold;
  /** From the edge of the piece to the top of the round, cm. */
  readonly heightCm: Foretold;
}

/** Every round of a plan as these hands will work it. */
export function foretell(plan: Plan, hands: Hands): readonly RoundForetold[] {
  return plan.rounds.map((r) => {
    const stitch = stitchOfRound(r);
    const yarn = plan.hem.yarns.find((y) => y.id === r.yarnId)!;
    const metres = foretold(r.pathM, learnedFor(hands.yarn, stitch));
    const grams = 100 / yarn.metresPer100G;
    return {
      round: r.number,
      name: r.name,
      yarn: yarn.name,
      metres,
      grams: { ...metres, value: metres.value * grams, low: metres.low * grams, high: metres.high * grams },
      minutes: foretold(r.total / USUAL_PACE, learnedFor(hands.time, stitch)),
      heightCm: foretold(r.heightMm / 10, learnedFor(hands.height, stitch)),
    };
  });
}
