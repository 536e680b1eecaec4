/** Simulated makers, for tests: hands with a truth of their own, that drifts, is measured badly and now and then mistyped. */
import { learnFlat, type Lay } from '../hands/flatness.ts';
import {
  PARTS,
  knownFor,
  knownFrom,
  partFrom,
  type HandsPart,
  type KnownHands,
  type Seen,
} from '../hands/hands.ts';
import type { StitchKind } from '../terms/stitches.ts';
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
  const seen: Seen[] = [];
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
  const seen = (): readonly Seen[] =>
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
