/** Simulated makers, for tests: hands with a truth of their own, that drifts, is measured badly and now and then mistyped. */
import { learnFlat, type Lay } from '../hands/flatness.ts';
import {
  PARTS,
  USUAL_PACE,
  knownFor,
  knownFrom,
  partFrom,
  type HandsPart,
  type KnownHands,
  type StitchObservation,
} from '../hands/hands.ts';
import type { StitchKind } from '../terms/stitches.ts';
import type { Hem } from '../document/hem.ts';
import { noted, type Deed } from '../document/record.ts';
import { estimatesOf, inHandsOf } from '../evidence/estimates.ts';
import { evidenceOf, handsFrom, type Evidence } from '../evidence/evidence.ts';
import { plan as planOf } from '../plan/planner.ts';
import { identityOfRound } from '../plan/types.ts';
import { TAIL_M } from '../yarn/yarn.ts';
import { stepDone } from '../work/progress.ts';
import { stepsOf } from '../work/steps.ts';
import { entry, rowsHem } from './hems.ts';
import { chanceOf, normal, type Chance } from '../chance.ts';

const KINDS: readonly StitchKind[] = ['sc', 'hdc', 'dc'];

/** How often a number is noted with its point in the wrong place. */
const SLIPS = 0.03;

/** How hands differ, by what is learned of them: among each other, from stitch to stitch, by day, and in what is measured. */
const TRUTH = {
  time: { hands: 0.35, stitch: 0.15, size: 0, drift: 0.1, error: 0.06 },
  yarn: { hands: 0.1, stitch: 0.04, size: 0.04, drift: 0.03, error: 0.07 },
  height: { hands: 0.08, stitch: 0.04, size: 0.04, drift: 0.03, error: 0.06 },
  width: { hands: 0.08, stitch: 0, size: 0.04, drift: 0.02, error: 0.03 },
} as const satisfies Readonly<Record<HandsPart, unknown>>;

/** Yarn weights or hooks that they have. */
const SIZES = ['4', '5'] as const;

/** What was foretold of one round, and what came. */
export interface Trial {
  /** Rounds that were logged before. */
  readonly logged: number;
  /** Logarithm of what was foretold over what came. */
  readonly off: number;
  readonly within: boolean;
}

/** A maker who works rounds, each foretold from those before. */
function simulatedMaker(of: HandsPart, seed: number, rounds: number): readonly Trial[] {
  const chance = chanceOf(seed);
  const { hands, stitch, size: ofSize, drift, error } = TRUTH[of];
  const own = normal(chance, hands);
  const byStitch = new Map(KINDS.map((kind) => [kind, own + normal(chance, stitch)]));
  const bySize = new Map(SIZES.map((size) => [size, normal(chance, ofSize)]));
  const seen: StitchObservation[] = [];
  return Array.from({ length: rounds }, (_, logged): Trial => {
    const kind = chance.pick(KINDS);
    const size = chance.pick(SIZES);
    const truth = byStitch.get(kind)! + bySize.get(size)! + normal(chance, drift);
    const { ratio, low, high } = knownFor(of, partFrom(of, seen), kind, size);
    const slip = chance.maybe(SLIPS) ? chance.pick([0.1, 10]) : 1;
    seen.push({ stitch: kind, size, ratio: Math.exp(truth + normal(chance, error)) * slip, error });
    return {
      logged,
      off: Math.log(ratio) - truth,
      within: Math.log(low) <= truth && truth <= Math.log(high),
    };
  });
}

/** People who look whether sides lie flat, each with a threshold of their own: what was learned of it after so many looks. */
function simulatedLooker(seed: number, looks: number): readonly Trial[] {
  const chance = chanceOf(seed);
  const own = normal(chance, 0.35);
  const seen: Lay[] = [];
  return Array.from({ length: looks }, (_, logged): Trial => {
    const { ratio, low, high } = learnFlat(null, seen);
    const strain = (0.005 + 0.09 * chance.next()) * (chance.maybe(0.5) ? -1 : 1);
    const shows = Math.log(Math.abs(strain) / Math.sqrt(0.02 * 0.05)) > own + normal(chance, 0.3);
    const told = chance.maybe(SLIPS) ? !shows : shows;
    seen.push({ strain, lies: told ? (strain > 0 ? 'ripples' : 'cups') : 'flat' });
    return { logged, off: Math.log(ratio) - own, within: Math.log(low) <= own && own <= Math.log(high) };
  });
}

const AFTER = [0, 1, 2, 3, 6, 12] as const;

/** What makers learn. */
export const LEARNED = [...PARTS, 'what lies flat'] as const;

const MAKERS = 1000;
const ROUNDS = 13;

/** A thousand makers, each with thirteen rounds or looks, by what is learned. */
export const thousandMakers = (): ReadonlyMap<(typeof LEARNED)[number], readonly Trial[]> =>
  new Map(
    LEARNED.map((of) => [
      of,
      Array.from({ length: MAKERS }, (_, seed) =>
        of === 'what lies flat' ? simulatedLooker(seed + 1, ROUNDS) : simulatedMaker(of, seed + 1, ROUNDS),
      ).flat(),
    ]),
  );

/** How well makers were foretold after so many logged rounds: a line of a table for each part. */
export function estimateRows(of: ReturnType<typeof thousandMakers>): readonly string[] {
  return [...of].flatMap(([name, trials]) => {
    const cells = AFTER.map((logged) => {
      const some = trials.filter((t) => t.logged === logged);
      const off = some.reduce((sum, t) => sum + Math.abs(t.off), 0) / some.length;
      const held = some.filter((t) => t.within).length / some.length;
      return `${(100 * off).toFixed(1)} %, ${(100 * held).toFixed(1)} %`;
    });
    return [`| ${name} | ${cells.join(' | ')} |`];
  });
}

/** What is known of some hands, by chance. */
export function anyHands(chance: Chance): KnownHands | null {
  const seen = (): readonly StitchObservation[] =>
    Array.from({ length: chance.int(0, 6) }, () => ({
      stitch: chance.pick(KINDS),
      size: chance.pick(SIZES),
      ratio: chance.pick([0.3, 0.8, 0.95, 1, 1.1, 1.4, 6]),
      error: chance.pick([0.005, 0.05, 0.4]),
    }));
  const looks = Array.from({ length: chance.int(0, 5) }, (): Lay => ({
    strain: chance.pick([0, 0.01, -0.04, 0.2]),
    lies: chance.pick(['flat', 'ripples', 'cups'] as const),
  }));
  return knownFrom({
    time: partFrom('time', seen()),
    yarn: partFrom('yarn', seen()),
    height: partFrom('height', seen()),
    width: partFrom('width', seen()),
    flat: learnFlat(null, looks),
  });
}

/** What was foretold of a whole border before it was begun, and what came. */
export interface HemTrial {
  /** Hems that were worked before. */
  readonly before: number;
  readonly of: 'yarn' | 'time' | 'height';
  readonly off: number;
  readonly within: boolean;
}

const START = Date.parse('2026-01-05T18:00:00Z');
const DAY_MS = 86_400_000;
const STEP_MINUTES = 8;
/** What they hem: of this size a round takes some grams. */
const THROW = { stitches: 90, rows: [{ stitch: 'dc', count: 44 }], widthCm: 66, heightCm: 64 } as const;

/** A maker who works three small hems, each foretold from the records of those before; every record is read as the application reads it. */
export function makerOfHems(seed: number): readonly HemTrial[] {
  return threeHems(seed).trials;
}

/** The hems that a maker has worked, with what was foretold of each. */
export function threeHems(seed: number): {
  readonly trials: readonly HemTrial[];
  readonly hems: readonly Hem[];
} {
  const chance = chanceOf(seed * 2 + 1);
  const own = { yarn: normal(chance, 0.1), time: normal(chance, 0.35), height: normal(chance, 0.08) };
  const byStitch = new Map(
    KINDS.map((kind) => [
      kind,
      {
        yarn: normal(chance, 0.04),
        time: normal(chance, 0.15),
        height: normal(chance, 0.04),
      },
    ]),
  );
  const evidence: Evidence[] = [];
  const trials: HemTrial[] = [];
  const hems: Hem[] = [];
  const slip = (x: number): number => (chance.maybe(SLIPS) ? x * chance.pick([0.1, 10]) : x);
  for (let before = 0; before < 3; before++) {
    const rounds = [1, 2, 3].map((k) => entry({ id: `r${k}`, stitch: chance.pick(KINDS) }));
    const bare = { ...rowsHem({ ...THROW, rounds }), id: `hem ${before}` };
    const hands = handsFrom(evidence);
    const hem = inHandsOf(bare, knownFrom(hands), hands.time.all);
    const book = planOf(bare);
    const foretold = estimatesOf(planOf(hem));
    const { metresPer100G } = bare.yarns[0]!;
    const came = { yarn: 0, time: 0, height: 0 };
    let clock = START + before * 30 * DAY_MS;
    let ball = 500;
    let worked: Hem = hem;
    const note = (deed: Deed): void => {
      const at = new Date(clock).toISOString();
      worked = { ...worked, record: noted(worked.record, deed, 'here', at) };
    };
    for (const round of book.rounds) {
      const kind = byStitch.get(round.stitch)!;
      const truth = (of: keyof typeof own, drift: number): number =>
        Math.exp(own[of] + kind[of] + normal(chance, drift));
      const grams = ((round.pathM * 100) / metresPer100G) * truth('yarn', 0.03);
      const minutes = (round.total / USUAL_PACE) * truth('time', 0.1);
      came.yarn += grams;
      came.time += minutes;
      came.height += (round.ownHeightMm / 10) * truth('height', 0.03);
      const named = identityOfRound(round);
      const weigh = (of: 'same' | 'new'): void =>
        note({
          did: 'weighed',
          round: named,
          stitches: of === 'new' ? 0 : round.ring.made.length,
          yarn: round.yarnId,
          ball: of,
          grams: Math.max(0, ball + normal(chance, 0.5)),
        });
      const now = planOf(worked);
      for (const deed of stepDone(now, stepsOf(now, round.number, 'side')[0]!)) note(deed);
      if (!worked.record.some((e) => e.did === 'began' && e.round.entry === named.entry)) continue;
      weigh('new');
      const { length } = round.ring.made;
      const steps = Math.ceil(minutes / STEP_MINUTES);
      // What goes by otherwise while it is noted.
      const watch = normal(chance, Math.min(1.5, minutes / 5));
      note({ did: 'made', round: named, stitches: 1 });
      for (let k = 1; k <= steps; k++) {
        clock += ((minutes + watch) * 60_000) / steps;
        note({ did: 'made', round: named, stitches: Math.max(1, Math.round((length * k) / steps)) });
      }
      ball -= slip(grams);
      weigh('same');
      ball = 500;
      note({ did: 'finished', round: named });
      note({
        did: 'looked',
        round: named,
        lies: [],
        sizeCm: [null, null],
        sidesCm: [],
        depthCm: slip(Math.max(0.2, came.height + normal(chance, Math.min(0.3, came.height / 5)))),
        photo: null,
        note: '',
      });
      clock += DAY_MS;
    }
    // Ends to weave in are no matter of hands.
    const ends = (4 * TAIL_M * 100) / metresPer100G / 2;
    came.yarn += ends;
    const told = {
      yarn: foretold.yarns[0]!.grams,
      time: foretold.minutes,
      height: foretold.rounds[foretold.rounds.length - 1]!.heightCm,
    } as const;
    for (const part of ['yarn', 'time', 'height'] as const) {
      const { value, low, high } = told[part];
      trials.push({
        before,
        of: part,
        off: Math.log(value / came[part]),
        within: low <= came[part] && came[part] <= high,
      });
    }
    evidence.push(evidenceOf(worked));
    hems.push(worked);
  }
  return { trials, hems };
}

/** How well borders were foretold by makers who had worked so many hems before: a line of a table for each number. */
export function hemRows(trials: readonly HemTrial[]): readonly string[] {
  return (['yarn', 'time', 'height'] as const).map((of) => {
    const cells = [0, 1, 2].map((before) => {
      const some = trials.filter((t) => t.of === of && t.before === before);
      const off = some.reduce((sum, t) => sum + Math.abs(t.off), 0) / some.length;
      const held = some.filter((t) => t.within).length / some.length;
      return `${(100 * off).toFixed(1)} %, ${(100 * held).toFixed(1)} %`;
    });
    return `| ${of} of a border | ${cells.join(' | ')} |`;
  });
}
