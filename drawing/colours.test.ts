import { describe, expect, test } from '@jest/globals';
import { lab } from 'd3-color';
import { faded, isDark, tonesOf } from './colours.ts';

describe('a color', () => {
  test('fades from itself to the ground, evenly to the eye', () => {
    const [yarn, ground] = ['#7a2e3b', '#f8f6f0'];
    expect([faded(yarn, ground, 0), faded(yarn, ground, 1)]).toEqual([yarn, ground]);
    const steps = [0, 0.25, 0.5, 0.75, 1].map((part) => lab(faded(yarn, ground, part)));
    const rises = steps.slice(1).map((step, i) => step.l - steps[i]!.l);
    const mean = rises.reduce((sum, by) => sum + by, 0) / rises.length;
    for (const by of rises) expect(Math.abs(by - mean)).toBeLessThan(0.6);
  });

  test('is faded anew however many were mixed before', () => {
    const mixed = Array.from({ length: 1200 }, (_, i) => `#${(i * 4099).toString(16).padStart(6, '0')}`);
    for (const colour of mixed) expect(faded(colour, colour)).toBe(colour);
    expect(faded(mixed[0]!, '#ffffff', 1)).toBe('#ffffff');
  });

  test('has a darker edge and a lighter light, whatever it is', () => {
    for (const colour of ['#101010', '#2c4a8a', '#b5651d', '#e8e4d8', '#ffffff']) {
      const { edge, body, light } = tonesOf(colour);
      expect(body).toBe(colour);
      expect(lab(edge).l).toBeLessThan(lab(body).l);
      expect(lab(light).l).toBeGreaterThanOrEqual(Math.min(97.5, lab(body).l));
    }
  });

  test('is dark where light letters are read better on it', () => {
    expect(['#000000', '#2c4a8a', '#e8e4d8', '#ffffff'].map(isDark)).toEqual([true, true, false, false]);
  });
});
