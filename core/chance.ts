/** Chance from a seed, so that what came of it can be played again. */
export interface Chance {
  /** A number from 0 up to, not including, 1. */
  readonly next: () => number;
  /** An integer from `least` to `most`, both included. */
  readonly int: (least: number, most: number) => number;
  readonly pick: <T>(list: readonly T[]) => T;
  readonly maybe: (share: number) => boolean;
}

/** The generator mulberry32 (Ettinger, public domain): 32 bits of state, a period of 2³². */
export function chanceOf(seed: number): Chance {
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const int = (least: number, most: number): number => least + Math.floor(next() * (most - least + 1));
  return {
    next,
    int,
    pick: (list) => list[int(0, list.length - 1)]!,
    maybe: (share) => next() < share,
  };
}

/** A normal number of a standard deviation, by the polar method (Marsaglia and Bray 1964). */
export function normal(chance: Chance, spread: number): number {
  for (;;) {
    const [u, v] = [2 * chance.next() - 1, 2 * chance.next() - 1];
    const s = u * u + v * v;
    if (s > 0 && s < 1) return spread * u * Math.sqrt((-2 * Math.log(s)) / s);
  }
}

/**
 * Share of a normal distribution that lies below so many standard deviations from its middle, by a rational approximation that is at most
 * 1.5·10⁻⁷ off (Hastings 1955; Abramowitz and Stegun 1964, 7.1.26).
 *
 * @example normalBelow(0).toFixed(6) // '0.500000'
 * @example normalBelow(1.645).toFixed(4) // '0.9500'
 */
export function normalBelow(deviations: number): number {
  const x = Math.abs(deviations) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const a = [0.254829592, -0.284496736, 1.421413741, -1.453152027, 1.061405429];
  const above = a.reduceRight((sum, c) => (sum + c) * t, 0) * Math.exp(-x * x);
  return deviations > 0 ? 1 - above / 2 : above / 2;
}
