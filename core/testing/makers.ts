/**
 * Simulated makers, for tests: hands of several kinds, most of which do not follow the model that is fitted. They work hems, note
 * what the application lets them note, with scales, tapes and clocks that err, and now and then mistype.
 */
import { learnFlat, type Lay } from '../hands/flatness.ts';
import {
  PARTS,
  knownFor,
  knownFrom,
  partFrom,
  type HandsPart,
  type KnownHands,
  type StitchObservation,
} from '../hands/hands.ts';
import { usualGauge } from '../hands/gauge.ts';
import { FLAT_LIMITS } from '../flat/flat.ts';
import type { StitchKind } from '../terms/stitches.ts';
import type { Hem } from '../document/hem.ts';
import { noted, type Deed } from '../document/record.ts';
import { estimatesOf, inHandsOf, type Estimate } from '../evidence/estimates.ts';
import { evidenceOf, handsFrom, type Evidence } from '../evidence/evidence.ts';
import { createPlanner } from '../plan/planner.ts';
import { identityOfRound, type Plan, type RoundPlan } from '../plan/types.ts';
import { entry, rowsHem } from './hems.ts';
import { chanceOf, normal, type Chance } from '../chance.ts';

const KINDS: readonly StitchKind[] = ['sc', 'hdc', 'dc'];

/** Standard deviations of a logarithm. */
type Spreads = Readonly<Record<HandsPart, number>>;
const spreads = (yarn: number, time: number, height: number, width: number): Spreads => ({
  yarn,
  time,
  height,
  width,
});

/** Ways in which makers differ from hem to hem and from round to round. */
interface Manner {
  /** From hem to hem, and from round to round. */
  readonly hems: Spreads;
  readonly rounds: Spreads;
  /** Rounds of far outliers: Student’s t with 3 degrees of freedom, in place of a normal distribution. */
  readonly tails?: true;
  /** Slower in the beginning by this factor less one, half as much after so many rounds. */
  readonly learning?: { readonly slower: number; readonly half: number };
  /** Slower and looser with every round of a hem. */
  readonly tired?: Spreads;
  /** Tension that wanders from round to round, and stays where it came. */
  readonly wanders?: Spreads;
  /** A yarn of another color, and another hook, take more or less. */
  readonly colours?: number;
  /** How often a number is noted with its point in the wrong place. */
  readonly slips: number;
}

const STEADY = spreads(0.045, 0.1, 0.03, 0.03);
const DAILY = spreads(0.03, 0.1, 0.03, 0.02);
const SLIPS = 0.02;

/** Each kind is tried by itself. */
export const MANNERS = {
  steady: { hems: STEADY, rounds: DAILY, slips: SLIPS },
  'getting quicker': { hems: STEADY, rounds: DAILY, learning: { slower: 0.5, half: 9 }, slips: SLIPS },
  'tiring in each hem': {
    hems: STEADY,
    rounds: DAILY,
    tired: spreads(0.008, 0.03, 0.008, 0.006),
    slips: SLIPS,
  },
  moody: { hems: spreads(0.07, 0.17, 0.05, 0.05), rounds: DAILY, slips: SLIPS },
  'now and then far off': { hems: STEADY, rounds: DAILY, tails: true, slips: SLIPS },
  'drifting in tension': {
    hems: STEADY,
    rounds: DAILY,
    wanders: spreads(0.014, 0.03, 0.014, 0.01),
    slips: SLIPS,
  },
  'by color and hook': { hems: STEADY, rounds: DAILY, colours: 0.05, slips: SLIPS },
  mistyping: { hems: STEADY, rounds: DAILY, slips: 0.04 },
} as const satisfies Readonly<Record<string, Manner>>;
export type MannerName = keyof typeof MANNERS;
export const MANNER_NAMES = Object.keys(MANNERS) as readonly MannerName[];

/** How hands differ among each other, and from stitch to stitch. */
const HANDS = spreads(0.1, 0.35, 0.08, 0.08);
const BY_STITCH = spreads(0.04, 0.15, 0.04, 0);
/** People differ in what strain they see, and see it earlier or later from one time to another. */
const SEES = 0.35;
const SEES_AT_TIMES = 0.3;
/** A scale, g; a tape, cm; a clock, minutes. */
const SCALE_G = 0.5;
const TAPE_CM = 0.3;
const CLOCK_MINUTES = 1.5;

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
export interface Trial {
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

const START = Date.parse('2026-01-05T18:00:00Z');
const DAY_MS = 86_400_000;
const STEP_MINUTES = 8;
/** Of this size a round takes some grams. */
const THROW = { stitches: 90, rows: [{ stitch: 'dc', count: 44 }], widthCm: 66, heightCm: 64 } as const;

const zero = (): Record<HandsPart, number> => ({ yarn: 0, time: 0, height: 0, width: 0 });

/** The truth of a maker, round by round. */
class Maker {
  private readonly own: Spreads;
  private readonly byStitch: ReadonlyMap<StitchKind, Spreads>;
  /** Logarithm of the threshold of strain that shows, beside the rule of thumb. */
  readonly sees: number;
  private readonly colours: Record<string, number> = {};
  private readonly wandered = zero();
  private mood: Spreads = zero();
  private rounds = 0;
  private inHem = 0;

  constructor(
    private readonly chance: Chance,
    readonly manner: Manner,
  ) {
    this.own = this.some(HANDS);
    this.byStitch = new Map(KINDS.map((kind) => [kind, this.some(BY_STITCH)]));
    this.sees = normal(chance, SEES);
  }

  private some(of: Spreads): Spreads {
    const one = (part: HandsPart): number => normal(this.chance, of[part]);
    return { yarn: one('yarn'), time: one('time'), height: one('height'), width: one('width') };
  }

  private daily(): Spreads {
    const { rounds, tails } = this.manner;
    if (!tails) return this.some(rounds);
    const t = (part: HandsPart): number => {
      const squares = [1, 2, 3].reduce((sum) => sum + normal(this.chance, 1) ** 2, 0);
      return normal(this.chance, rounds[part]) / Math.sqrt(Math.max(0.05, squares / 3));
    };
    return { yarn: t('yarn'), time: t('time'), height: t('height'), width: t('width') };
  }

  begins(): void {
    this.mood = this.some(this.manner.hems);
    this.inHem = 0;
  }

  /** The next round in a stitch and a color: factors beside the rules of thumb. */
  works(stitch: StitchKind, colour: string): Spreads {
    const { tired, wanders, learning, colours = 0 } = this.manner;
    const daily = this.daily();
    const step = wanders && this.some(wanders);
    const slower = learning ? Math.log(1 + learning.slower * 0.5 ** (this.rounds / learning.half)) : 0;
    const ofColour = (this.colours[colour] ??= normal(this.chance, colours));
    const of = (part: HandsPart): number => {
      this.wandered[part] += step?.[part] ?? 0;
      const all =
        this.own[part] +
        this.byStitch.get(stitch)![part] +
        this.mood[part] +
        this.wandered[part] +
        daily[part] +
        (tired?.[part] ?? 0) * this.inHem +
        (part === 'time' ? slower : part === 'yarn' ? ofColour : 0);
      return Math.exp(all);
    };
    const made = { yarn: of('yarn'), time: of('time'), height: of('height'), width: of('width') };
    this.rounds++;
    this.inHem++;
    return made;
  }

  slip(x: number): number {
    return this.chance.maybe(this.manner.slips) ? x * this.chance.pick([0.1, 10]) : x;
  }
}

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
): { readonly trials: readonly Trial[]; readonly hems: readonly Hem[] } {
  const chance = chanceOf(seed * 2 + 1);
  const maker = new Maker(chance, MANNERS[name]);
  const evidence: Evidence[] = [];
  const trials: Trial[] = [];
  const worked: Hem[] = [];
  const came: Came[] = [];
  for (let before = 0; before < hems; before++) {
    const { hem, trials: told, ratios } = workHem(maker, chance, before, evidence, came);
    trials.push(...told);
    came.push(ratios);
    evidence.push(evidenceOf(hem));
    worked.push(hem);
  }
  return { trials, hems: worked };
}

function workHem(
  maker: Maker,
  chance: Chance,
  before: number,
  evidence: readonly Evidence[],
  earlier: readonly Came[],
): { readonly hem: Hem; readonly trials: readonly Trial[]; readonly ratios: Came } {
  const rounds = [1, 2, 3].map((k) =>
    entry({ id: `r${k}`, stitch: chance.pick(KINDS), yarn: k === 2 ? 'y2' : 'y1' }),
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
  const record = new Noter(hem, book, START + before * 30 * DAY_MS);
  const sums = { yarn: 0, time: 0, height: 0, width: 0 };
  const bookSums = { yarn: 0, time: 0, height: 0 };
  const trials: Trial[] = [];
  /** Forecast of whoever goes by earlier hems. */
  const rivals = (of: HandsPart, byBook: number, really: number): Pick<Trial, 'last' | 'mean'> => {
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
    record.round(round, {
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
        const really = (1 + side.strain) * truth.width - 1;
        const threshold =
          Math.log(Math.sqrt(FLAT_LIMITS.flat * FLAT_LIMITS.blocks)) +
          maker.sees +
          normal(chance, SEES_AT_TIMES);
        const shows = Math.log(Math.max(1e-4, Math.abs(really))) > threshold;
        return shows ? (really > 0 ? 'ripples' : 'cups') : 'flat';
      }),
    });
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
  return { hem: record.hem, trials, ratios };
}

interface Noted {
  readonly grams: number;
  readonly minutes: number;
  readonly scale: () => number;
  readonly depthCm: number;
  readonly sidesCm: readonly (number | null)[];
  readonly lies: readonly Lay['lies'][];
}

/** Notes the work on a hem as the Work page does. */
class Noter {
  constructor(
    public hem: Hem,
    private readonly plan: Plan,
    private clock: number,
  ) {}

  private note(deed: Deed): void {
    this.hem = {
      ...this.hem,
      record: noted(this.hem.record, deed, 'here', new Date(this.clock).toISOString()),
    };
  }

  round(made: RoundPlan, { grams, minutes, scale, depthCm, sidesCm, lies }: Noted): void {
    const round = identityOfRound(made);
    const { piece, base } = this.plan.hem;
    const yarn = this.plan.hem.yarns.find((y) => y.id === made.yarnId)!;
    const written = made.written?.entry ?? null;
    const counts = made.sides.map((s) => s.tally.stitches);
    this.note({
      did: 'began',
      round,
      entry: written,
      ground: written ? null : { piece, base },
      yarn,
      counts,
    });
    const ball = 500;
    const weigh = (of: 'same' | 'new', left: number): void =>
      this.note({
        did: 'weighed',
        round,
        stitches: of === 'new' ? 0 : made.ring.made.length,
        yarn: made.yarnId,
        ball: of,
        grams: Math.max(0, left + scale()),
      });
    weigh('new', ball);
    const { length } = made.ring.made;
    const steps = Math.ceil(minutes / STEP_MINUTES);
    this.note({ did: 'made', round, stitches: 1 });
    for (let k = 1; k <= steps; k++) {
      this.clock += (minutes * 60_000) / steps;
      this.note({ did: 'made', round, stitches: Math.max(1, Math.round((length * k) / steps)) });
    }
    weigh('same', ball - grams);
    this.note({ did: 'finished', round });
    this.note({
      did: 'looked',
      round,
      lies: [...lies],
      sizeCm: [null, null],
      sidesCm: [...sidesCm],
      depthCm,
      photo: null,
      note: '',
    });
    this.clock += DAY_MS;
  }
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

export function scoreOf(trials: readonly Trial[]): Score {
  const average = (values: readonly number[]): number =>
    values.reduce((sum, x) => sum + x, 0) / values.length;
  const rival = (of: (t: Trial) => number | null): number | null => {
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
export const estimateRows = (name: MannerName, trials: readonly Trial[]): readonly string[] =>
  FORETOLD.map((of) => {
    const cells = [0, 1, 2, 3].map((before) => {
      const { off, last, held, reach } = scoreOf(trials.filter((t) => t.of === of && t.before === before));
      const percent = (x: number): string => (100 * x).toFixed(0);
      const beside = last === null ? '' : ` (${percent(last)})`;
      return `${percent(off)}${beside}, ±${percent(reach)}: ${percent(held)}`;
    });
    return `| ${name} | ${of} | ${cells.join(' | ')} |`;
  });

/** Knowledge of some hands, by chance. */
export function anyHands(chance: Chance): KnownHands | null {
  const seen = (): readonly (readonly StitchObservation[])[] =>
    Array.from({ length: chance.int(0, 2) }, () =>
      Array.from({ length: chance.int(0, 4) }, () => ({
        stitch: chance.pick(KINDS),
        size: chance.pick(['4', '5']),
        ratio: chance.pick([0.3, 0.8, 0.95, 1, 1.1, 1.4, 6]),
        error: chance.pick([0.005, 0.05, 0.4]),
      })),
    );
  const lays = Array.from({ length: chance.int(0, 5) }, (): Lay => ({
    strain: chance.pick([0, 0.01, -0.04, 0.2]),
    lies: chance.pick(['flat', 'ripples', 'cups'] as const),
  }));
  const parts = Object.fromEntries(PARTS.map((of) => [of, partFrom(of, seen())])) as Record<
    HandsPart,
    ReturnType<typeof partFrom>
  >;
  return knownFrom({ ...parts, flat: learnFlat(null, [{ lays, error: 0.05 }]) });
}
