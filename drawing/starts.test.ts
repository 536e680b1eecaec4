import { describe, expect, test } from '@jest/globals';
import type { StartOfRound } from '../core/base/start.ts';
import { plan } from '../core/plan/planner.ts';
import { PIECES, on, small } from '../core/testing/anyHem.ts';
import { entry } from '../core/testing/hems.ts';
import { waysOfJoins } from './starts.ts';

const ROUNDS = 6;

const linesFrom = (start: Partial<StartOfRound>) => {
  const hem = small({ rounds: [entry({ times: ROUNDS })] });
  const made = plan({ ...hem, base: { ...hem.base, start: { ...hem.base.start, ...start } } });
  const { widthMm, heightMm } = made.bodySize;
  const { made: points, straight } = waysOfJoins(made);
  return { points, straight: straight!, half: { x: widthMm / 2, y: heightMm / 2 } };
};

describe('the way of the joins and the straight one', () => {
  test('beside a side it runs square to the side, where the joins wander', () => {
    const { points, straight } = linesFrom({ at: 'middle of the side', side: 0 });
    expect(points).toHaveLength(ROUNDS + 1);
    const [from, to] = straight;
    expect(from).toEqual(points[0]);
    expect(to.x).toBeCloseTo(from.x);
    // Side A lies at the top: outwards is upwards.
    expect(to.y).toBeLessThan(from.y);
    expect(to.y).toBeCloseTo(points[ROUNDS]!.y, 1);
  });

  test('from the middle of a corner it runs along the diagonal', () => {
    const { points, straight, half } = linesFrom({ at: 'corner', side: 0 });
    const [from, to] = straight;
    expect(Math.sign(to.x - from.x)).toBe(Math.sign(from.x));
    expect(Math.abs(to.x - from.x)).toBeCloseTo(Math.abs(to.y - from.y));
    expect(Math.abs(from.x)).toBeGreaterThan(half.x * 0.8);
    expect(points).toHaveLength(ROUNDS + 1);
  });

  test('round a circle it runs away from the middle, and one round has none', () => {
    const [, disc] = PIECES.find(([name]) => name === 'a disc')!;
    const { made, straight } = waysOfJoins(plan(on(disc, small({ rounds: [entry({ times: 3 })] }))));
    const [from, to] = straight!;
    expect(Math.atan2(to.y, to.x)).toBeCloseTo(Math.atan2(from.y, from.x));
    expect(Math.hypot(to.x, to.y)).toBeCloseTo(Math.hypot(made[3]!.x, made[3]!.y), 0);
    expect(waysOfJoins(plan(on(disc, small({ rounds: [] })))).straight).toBeNull();
  });
});
