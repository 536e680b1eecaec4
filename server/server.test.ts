import { describe, expect, test } from '@jest/globals';
import { SimulatedScale } from './scale.ts';

describe('the simulated scale', () => {
  /** Chance from a fixed seed (a linear congruence). */
  const seeded = (): (() => number) => {
    let state = 12345;
    return () => {
      state = (state * 1103515245 + 12345) % 2147483648;
      return state / 2147483648;
    };
  };
  const settle = (scale: SimulatedScale): readonly number[] =>
    Array.from({ length: 60 }, () => scale.read().grams);

  test('swings to what is put on it and then stays within a few tenths', () => {
    const scale = new SimulatedScale(seeded());
    scale.put(48.2);
    const readings = settle(scale);
    expect(readings[0]!).toBeLessThan(30);
    for (const r of readings.slice(30)) expect(Math.abs(r - 48.2)).toBeLessThan(0.4);
    expect(new Set(readings.slice(30)).size).toBeGreaterThan(1);
  });

  test('tare makes a bowl count as nothing', () => {
    const scale = new SimulatedScale(seeded());
    scale.put(210);
    settle(scale);
    scale.tare();
    scale.put(210 + 37.5);
    expect(Math.abs(settle(scale)[59]! - 37.5)).toBeLessThan(0.4);
  });
});
