/** Simulated makers, for tests: hands with a truth of their own, that drifts, is measured badly and now and then mistyped. */
import { learnedFor, partFrom, type Seen } from '../hands/hands.ts';
import type { StitchKind } from '../terms/stitches.ts';
import { chanceOf, type Chance } from './chance.ts';

/** A normal number, by the polar method (Marsaglia and Bray 1964). */
function normal(chance: Chance, spread: number): number {
  for (;;) {
    const [u, v] = [2 * chance.next() - 1, 2 * chance.next() - 1];
    const s = u * u + v * v;
    if (s > 0 && s < 1) return spread * u * Math.sqrt((-2 * Math.log(s)) / s);
  }
}

const KINDS: readonly StitchKind[] = ['sc', 'hdc', 'dc'];

/** How often a number is noted with its point in the wrong place. */
const SLIPS = 0.03;

/** How hands differ, by what is learned of them: among each other, from stitch to stitch, by day, and in what is measured. */
const TRUTH = {
  time: { hands: 0.35, stitch: 0.15, drift: 0.1, error: 0.06 },
  yarn: { hands: 0.1, stitch: 0.04, drift: 0.03, error: 0.07 },
  height: { hands: 0.08, stitch: 0.04, drift: 0.03, error: 0.06 },
} as const;

/** What was foretold of one round, and what came. */
export interface Trial {
  /** Rounds that were logged before. */
  readonly logged: number;
  /** Logarithm of what was foretold over what came. */
  readonly off: number;
  readonly within: boolean;
}

/** A maker who works rounds, each foretold from those before. */
export function simulatedMaker(of: keyof typeof TRUTH, seed: number, rounds: number): readonly Trial[] {
  const chance = chanceOf(seed);
  const { hands, stitch, drift, error } = TRUTH[of];
  const own = normal(chance, hands);
  const byStitch = new Map(KINDS.map((kind) => [kind, own + normal(chance, stitch)]));
  const seen: Seen[] = [];
  return Array.from({ length: rounds }, (_, logged): Trial => {
    const kind = chance.pick(KINDS);
    const truth = byStitch.get(kind)! + normal(chance, drift);
    const { ratio, low, high } = learnedFor(partFrom(of, seen), kind);
    const slip = chance.maybe(SLIPS) ? chance.pick([0.1, 10]) : 1;
    seen.push({ stitch: kind, ratio: Math.exp(truth + normal(chance, error)) * slip, error });
    return {
      logged,
      off: Math.log(ratio) - truth,
      within: Math.log(low) <= truth && truth <= Math.log(high),
    };
  });
}

const NAMES = { time: 'time', yarn: 'yarn', height: 'height' } as const;
const AFTER = [0, 1, 2, 3, 6, 12] as const;

/** How well a thousand makers were foretold after so many logged rounds: a line of a table for each part. */
export function estimateRows(makers = 1000): readonly string[] {
  return (Object.keys(NAMES) as (keyof typeof NAMES)[]).flatMap((of) => {
    const trials = Array.from({ length: makers }, (_, seed) => simulatedMaker(of, seed + 1, 13)).flat();
    const cells = AFTER.map((logged) => {
      const some = trials.filter((t) => t.logged === logged);
      const off = some.reduce((sum, t) => sum + Math.abs(t.off), 0) / some.length;
      const held = some.filter((t) => t.within).length / some.length;
      return `${(100 * off).toFixed(1)} %, ${(100 * held).toFixed(1)} %`;
    });
    return [`| ${NAMES[of]} | ${cells.join(' | ')} |`];
  });
}
