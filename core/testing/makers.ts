/**
 * Simulated makers work hems, each foretold from those before: they note what the application lets them note, with scales, tapes and
 * clocks that err, and now and then mistype. Compares what was foretold with what came.
 */
import { learnFlat, type Lay } from '../hands/flatness.ts';
import { knownFor, knownFrom, type HandsPart } from '../hands/hands.ts';
import { usualGauge } from '../hands/gauge.ts';
import { FLAT_LIMITS } from '../flat/flat.ts';
import type { Hem } from '../document/hem.ts';
import { estimatesOf, inHandsOf, type Estimate } from '../evidence/estimates.ts';
import { evidenceOf, handsFrom, type Evidence } from '../evidence/evidence.ts';
import { createPlanner } from '../plan/planner.ts';
import { entry, rowsHem } from './hems.ts';
import { MAKER_STITCHES, MANNERS, Maker, SEES_AT_TIMES, type MannerName } from './maker.ts';
import { Noter, type Noted } from './noter.ts';
import { chanceOf, normal, type Chance } from '../chance.ts';

/** A scale, g; a tape, cm; a clock, minutes. */
const SCALE_G = 0.5;
const TAPE_CM = 0.3;
const CLOCK_MINUTES = 1.5;
/** A gauge that is counted, as a logarithm. */
const SWATCH = 0.02;

export const FORETOLD = [
  'yarn of a border',
  'yarn of a round',
  'time of a border',
  'time of a round',
  'height of a border',
  'height of a round',
  'width of a stitch',
  'what lies flat',
] as const;
export type Foretold = (typeof FORETOLD)[number];

/** A number that was foretold before a hem was begun, and what came. */
export interface MakerTrial {
  /** Hems that were worked before. */
  readonly before: number;
  readonly of: Foretold;
  /** Logarithms of what was foretold over what came: by the application, by the last hem alone, by the mean of all before; null without any. */
  readonly off: number;
  readonly last: number | null;
  readonly mean: number | null;
  readonly within: boolean;
  /** Half of the range, as a logarithm. */
  readonly reach: number;
}

/** How a side was seen to lie, and how that was foretold before: null where it was told that it cannot be known. */
export interface SideTrial {
  readonly before: number;
  /** A gauge was counted on a swatch of the hem. */
  readonly counted: boolean;
  readonly told: Lay['lies'] | null;
  readonly lay: Lay['lies'];
}

const START = Date.parse('2026-01-05T18:00:00Z');
const DAY_MS = 86_400_000;
/** Of this size a round takes some grams. */
const THROW = { stitches: 90, rows: [{ stitch: 'dc', count: 44 }], widthCm: 66, heightCm: 64 } as const;

/** A ratio that whoever has no application would go by: what came over the book, hem by hem. */
interface Came {
  readonly yarn: number;
  readonly time: number;
  readonly height: number;
  readonly width: number;
}

/** A maker of a kind who works hems, each foretold from the records of those before; every record is read as the application reads it. */
export function makerOfHems(
  name: MannerName,
  seed: number,
  hems = 4,
): {
  readonly trials: readonly MakerTrial[];
  readonly sides: readonly SideTrial[];
  readonly hems: readonly Hem[];
} {
  const chance = chanceOf(seed * 2 + 1);
  const swatches = chanceOf(seed * 2);
  const maker = new Maker(chance, MANNERS[name]);
  const evidence: Evidence[] = [];
  const trials: MakerTrial[] = [];
  const sides: SideTrial[] = [];
  const worked: Hem[] = [];
  const came: Came[] = [];
  for (let before = 0; before < hems; before++) {
    const {
      hem,
      trials: told,
      sides: lay,
      ratios,
    } = workHem(maker, chance, swatches, before, evidence, came);
    trials.push(...told);
    sides.push(...lay);
    came.push(ratios);
    evidence.push(evidenceOf(hem));
    worked.push(hem);
  }
  return { trials, sides, hems: worked };
}

function workHem(
  maker: Maker,
  chance: Chance,
  swatches: Chance,
  before: number,
  evidence: readonly Evidence[],
  earlier: readonly Came[],
): {
  readonly hem: Hem;
  readonly trials: readonly MakerTrial[];
  readonly sides: readonly SideTrial[];
  readonly ratios: Came;
} {
  const rounds = [1, 2, 3].map((k) =>
    entry({ id: `r${k}`, stitch: chance.pick(MAKER_STITCHES), yarn: k === 2 ? 'y2' : 'y1' }),
  );
  const some = (): number => Math.round(90 * (1 + 0.08 * (2 * chance.next() - 1)));
  const counts = [some(), some(), some(), some()];
  const plain = rowsHem({ ...THROW, counts, rounds });
  const { weight } = plain.yarns[0]!;
  const bare = { ...plain, id: `hem ${before}`, gauge: usualGauge(weight, null) };
  const hands = handsFrom(evidence);
  const known = knownFrom(hands);
  const hem = { ...inHandsOf(bare, known, hands.time.all), gauge: usualGauge(weight, known) };
  const planner = createPlanner();
  const book = planner(bare);
  const foretold = estimatesOf(planner(hem));
  maker.begins();
  const { stitchesPer10Cm, ...gauge } = bare.gauge;
  // A gauge is counted as it is told: in half stitches.
  const swatch =
    Math.round((2 * stitchesPer10Cm) / (maker.swatchWidth() * Math.exp(normal(swatches, SWATCH)))) / 2;
  const counted = estimatesOf(planner({ ...hem, gauge: { ...gauge, stitchesPer10Cm: swatch } }));
  const sides: SideTrial[] = [];
  const record = new Noter(hem, book, START + before * 30 * DAY_MS);
  const sums = { yarn: 0, time: 0, height: 0, width: 0 };
  const bookSums = { yarn: 0, time: 0, height: 0 };
  const trials: MakerTrial[] = [];
  /** Forecast of whoever goes by earlier hems. */
  const rivals = (of: HandsPart, byBook: number, really: number): Pick<MakerTrial, 'last' | 'mean'> => {
    const last = earlier.at(-1);
    if (!last) return { last: null, mean: null };
    const mean = earlier.reduce((sum, c) => sum + c[of], 0) / earlier.length;
    return { last: Math.log((byBook * last[of]) / really), mean: Math.log((byBook * mean) / really) };
  };
  const tell = (
    of: Foretold,
    part: HandsPart,
    told: Pick<Estimate, 'value' | 'low' | 'high'>,
    byBook: number,
    really: number,
  ): void => {
    trials.push({
      before,
      of,
      off: Math.log(told.value / really),
      ...rivals(part, byBook, really),
      within: told.low <= really && really <= told.high,
      reach: Math.log(told.high / told.low) / 2,
    });
  };
  book.rounds.forEach((round, k) => {
    const truth = maker.works(round.stitch, `${round.yarnId} ${before % 2}`);
    const { metresPer100G } = bare.yarns.find((y) => y.id === round.yarnId)!;
    const byBook = {
      yarn: (round.pathM * 100) / metresPer100G,
      time: round.minutes,
      height: round.ownHeightMm / 10,
    };
    const really = { yarn: byBook.yarn * truth.yarn, time: byBook.time * truth.time };
    for (const part of ['yarn', 'time', 'height'] as const) {
      sums[part] += byBook[part] * truth[part];
      bookSums[part] += byBook[part];
    }
    sums.width += truth.width / book.rounds.length;
    tell('yarn of a round', 'yarn', foretold.rounds[k]!.grams, byBook.yarn, really.yarn);
    tell('time of a round', 'time', foretold.rounds[k]!.minutes, byBook.time, really.time);
    tell('height of a round', 'height', foretold.rounds[k]!.heightCm, bookSums.height, sums.height);
    const noted: Noted = {
      grams: maker.slip(really.yarn),
      minutes: really.time + normal(chance, Math.min(CLOCK_MINUTES, really.time / 5)),
      scale: () => normal(chance, SCALE_G),
      depthCm: maker.slip(Math.max(0.2, sums.height + normal(chance, Math.min(TAPE_CM, sums.height / 5)))),
      sidesCm: round.sides.map((side, s) => {
        if (s > 0) return null;
        // The piece holds the border back, more or less.
        const strain = (1 + side.strain) * truth.width - 1;
        const held = 66 * (1 + strain * (0.4 + 0.6 * chance.next())) + normal(chance, TAPE_CM);
        return maker.slip(held);
      }),
      lies: round.sides.map((side): Lay['lies'] => {
        const strain = (1 + side.strain) * truth.width - 1;
        const threshold =
          Math.log(Math.sqrt(FLAT_LIMITS.flat * FLAT_LIMITS.blocks)) +
          maker.sees +
          normal(chance, SEES_AT_TIMES);
        const shows = Math.log(Math.max(1e-4, Math.abs(strain))) > threshold;
        return shows ? (strain > 0 ? 'ripples' : 'cups') : 'flat';
      }),
    };
    record.round(round, noted);
    for (const [estimates, isCounted] of [
      [foretold, false],
      [counted, true],
    ] as const)
      noted.lies.forEach((lay, side) =>
        sides.push({ before, counted: isCounted, told: estimates.rounds[k]!.sides[side]!.lies, lay }),
      );
  });
  // Ends to weave in are no matter of hands.
  const ends =
    foretold.yarns.reduce((sum, y) => sum + y.grams.value, 0) -
    foretold.rounds.reduce((sum, r) => sum + r.grams.value, 0);
  const sum = (of: (e: Estimate) => number): number => foretold.yarns.reduce((s, y) => s + of(y.grams), 0);
  const border = { value: sum((e) => e.value), low: sum((e) => e.low), high: sum((e) => e.high) };
  tell('yarn of a border', 'yarn', border, bookSums.yarn + ends, sums.yarn + ends);
  const weaving = book.endsMinutes;
  tell(
    'time of a border',
    'time',
    foretold.minutes,
    bookSums.time + weaving,
    sums.time + weaving * (sums.time / bookSums.time),
  );
  tell(
    'height of a border',
    'height',
    foretold.rounds[foretold.rounds.length - 1]!.heightCm,
    bookSums.height,
    sums.height,
  );
  const width = knownFor('width', known?.width ?? null, 'sc', `${bare.gauge.hookMm}`);
  tell('width of a stitch', 'width', { value: width.ratio, low: width.low, high: width.high }, 1, sums.width);
  const flat = learnFlat(known?.flat ?? null, []);
  trials.push({
    before,
    of: 'what lies flat',
    off: Math.log(flat.ratio) - maker.sees,
    last: null,
    mean: null,
    within: Math.log(flat.low) <= maker.sees && maker.sees <= Math.log(flat.high),
    reach: Math.log(flat.high / flat.low) / 2,
  });
  const ratios = {
    yarn: sums.yarn / bookSums.yarn,
    time: sums.time / bookSums.time,
    height: sums.height / bookSums.height,
    width: sums.width,
  };
  return { hem: record.hem, trials, sides, ratios };
}

/** The hems that a steady maker has worked. */
export const threeHems = (seed: number): { readonly hems: readonly Hem[] } => makerOfHems('steady', seed, 3);

/** How a number was foretold: mean errors, and how often its range held, of 1. */
export interface Score {
  readonly off: number;
  readonly last: number | null;
  readonly mean: number | null;
  readonly held: number;
  readonly reach: number;
}

export function scoreOf(trials: readonly MakerTrial[]): Score {
  const average = (values: readonly number[]): number =>
    values.reduce((sum, x) => sum + x, 0) / values.length;
  const rival = (of: (t: MakerTrial) => number | null): number | null => {
    const some = trials.flatMap((t) => of(t) ?? []);
    return some.length === 0 ? null : average(some.map(Math.abs));
  };
  return {
    off: average(trials.map((t) => Math.abs(t.off))),
    last: rival((t) => t.last),
    mean: rival((t) => t.mean),
    held: average(trials.map((t) => (t.within ? 1 : 0))),
    reach: average(trials.map((t) => t.reach)),
  };
}

/** How makers of a kind were foretold: a line of a table for each number, a cell for each hem. */
export const estimateRows = (name: MannerName, trials: readonly MakerTrial[]): readonly string[] =>
  FORETOLD.map((of) => {
    const cells = [0, 1, 2, 3].map((before) => {
      const { off, last, held, reach } = scoreOf(trials.filter((t) => t.of === of && t.before === before));
      const percent = (x: number): string => (100 * x).toFixed(0);
      const beside = last === null ? '' : ` (${percent(last)})`;
      return `${percent(off)}${beside}, ±${percent(reach)}: ${percent(held)}`;
    });
    return `| ${name} | ${of} | ${cells.join(' | ')} |`;
  });

/** How sides were foretold to lie: how many of 100 could be told, and how many of those came so, a cell for each hem. */
export const sideRows = (name: MannerName, sides: readonly SideTrial[]): readonly string[] =>
  [true, false].map((counted) => {
    const cells = [0, 1, 2, 3].map((before) => {
      const { told, right } = sidesSaidRight(
        sides.filter((s) => s.counted === counted && s.before === before),
      );
      return `${(100 * told).toFixed(0)}: ${(100 * right).toFixed(0)}`;
    });
    return `| ${name} | ${counted ? 'counted' : 'usual'} | ${cells.join(' | ')} |`;
  });

/** Share of sides of which it was told how they will lie, and share of those that lay so, of 1. */
export function sidesSaidRight(sides: readonly SideTrial[]): {
  readonly told: number;
  readonly right: number;
} {
  const told = sides.filter((s) => s.told !== null);
  return {
    told: told.length / sides.length,
    right: told.filter((s) => s.told === s.lay).length / Math.max(1, told.length),
  };
}
