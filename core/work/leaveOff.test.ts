import { describe, expect, test } from '@jest/globals';
import { demoPlans } from '../../demo/read.ts';
import { performed } from '../edits/edit.ts';
import { leaveOffRounds } from '../edits/rounds.ts';
import { basketReach } from '../forecast/supply.ts';
import { plan } from '../plan/planner.ts';
import { planComesOutEven } from '../plan/types.ts';
import { leftOffWords } from '../log/foundWords.ts';
import { leaveOff } from './leaveOff.ts';
import { leftOf } from './progress.ts';

describe('what to leave off', () => {
  test('is ready in time, fits all the way round, leaves off no more than it must, and leaves what is begun', () => {
    let said = 0;
    for (const [, made] of demoPlans()) {
      const { minutes } = leftOf(made).border;
      for (const share of [0.9, 0.6, 0.3]) {
        const ways = leaveOff(made, { to: 'minutes', minutes: minutes * share });
        for (const way of ways) {
          const outcome = performed(made.hem, leaveOffRounds(way.entries));
          if (!outcome.ok) throw new Error(leftOffWords(way));
          const then = plan(outcome.value);
          expect(planComesOutEven(then)).toBe(true);
          expect(leftOf(then).border.minutes).toBeCloseTo(way.minutesLeft, 6);
          expect(way.minutesLeft).toBeLessThanOrEqual(minutes * share);
          expect(made.rounds.length - then.rounds.length).toBe(way.rounds);
          expect(then.rounds.filter((r) => r.done)).toHaveLength(made.rounds.filter((r) => r.done).length);
          expect(leftOffWords(way)).toMatch(/^Leave off .+: about .+ are left$/);
          said++;
        }
        const left = ways.map((w) => w.minutesLeft);
        expect([...left].sort((a, b) => b - a)).toEqual(left);
      }
      expect(leaveOff(made, { to: 'minutes', minutes })).toEqual([]);
    }
    expect(said).toBeGreaterThan(15);
  });

  test('leaves what the basket is surely enough for, when that is what is wanted', () => {
    let said = 0;
    for (const [, made] of demoPlans()) {
      for (const share of [0.9, 0.5]) {
        const hem = {
          ...made.hem,
          yarns: made.yarns.map(({ yarn, quantity }) => ({
            ...yarn,
            haveG: Math.floor(share * quantity.grams),
          })),
        };
        const poor = plan(hem);
        for (const way of leaveOff(poor, { to: 'basket' })) {
          const outcome = performed(hem, leaveOffRounds(way.entries));
          if (!outcome.ok) throw new Error(leftOffWords(way));
          expect(basketReach(plan(outcome.value))!.doubtful).toBeNull();
          said++;
        }
      }
      const rich = plan({ ...made.hem, yarns: made.hem.yarns.map((y) => ({ ...y, haveG: 90_000 })) });
      expect(leaveOff(rich, { to: 'basket' })).toEqual([]);
    }
    expect(said).toBeGreaterThan(5);
  });
});
