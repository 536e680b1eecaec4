import { describe, expect, test } from '@jest/globals';
import type { Hem } from '../document/hem.ts';
import { plan as planOf } from '../plan/planner.ts';
import { planComesOutEven, identityOfRound, type Plan } from '../plan/types.ts';
import { after } from '../testing/worked.ts';
import { progressOf, placesToRipTo, stepDone, stepInHand } from '../work/progress.ts';
import { causesOf, differences } from '../work/recount.ts';
import { countedDeeds, repaired, repairsOf } from '../work/repairs.ts';
import { sideInHandOf, sideWaysOf } from '../work/sideWays.ts';
import { practiceMat } from './mat.ts';
import { seeds } from '../testing/seeds.ts';
import { MAKER_SKILLS, TASKS, promptOf, tableOf, tasksDone, type SimulatedMaker } from './maker.ts';

const NOW = new Date('2026-03-01T10:00:00Z');

/** What a person does that a prompt asks for. @returns the hem after it, and whether the person had to do something */
function answered(plan: Plan, maker: SimulatedMaker): readonly [Hem, boolean] {
  const { hem } = plan;
  const { round, made } = progressOf(plan);
  const prompt = promptOf(plan, maker);
  const table = tableOf(plan, maker);
  switch (prompt) {
    case 'let work':
      return [after(hem, stepDone(plan, stepInHand(plan, 'corner')!)), false];
    case 'weigh': {
      const ball = hem.record.some((e) => e.did === 'weighed') ? 'same' : 'new';
      const named = identityOfRound(round!);
      const grams = table.ballG;
      const { yarnId: yarn } = round!;
      return [after(hem, [{ did: 'weighed', round: named, stitches: made, yarn, ball, grams }]), true];
    }
    case 'count':
    case 'stuck': {
      // Where it is not known which round is wrong, all are counted, from the base round up.
      const number = plan.rounds.findIndex(
        (r) => r.done && differences(r, table.counts[r.number]!).some((d) => d !== 0),
      );
      const last = plan.rounds.findLast((r) => r.done)!;
      const of = plan.rounds[number] ?? last;
      const found = table.counts[of.number]!;
      const whole = of.ring.made.length;
      if (number < 0) return [after(hem, countedDeeds(of, found, whole)), true];
      const repairs = repairsOf(plan, of.number, found, whole, causesOf(plan, of.number, found, whole));
      const off = Math.max(...differences(of, found).map(Math.abs));
      const repair = repairs.find((r) => (r.kind === 'rip') === off > 3) ?? repairs[0]!;
      return [repaired(hem, repair)!, true];
    }
    case 'rip':
      return [after(hem, [placesToRipTo(plan)[0]!.deed]), true];
    case 'done':
      return [hem, false];
  }
}

describe('practice', () => {
  test('the mat comes out even and lies flat enough', () => {
    const made = planOf(practiceMat(NOW));
    expect(planComesOutEven(made)).toBe(true);
    expect(made.rounds).toHaveLength(4);
  });

  test.each(MAKER_SKILLS)(
    'a %s maker’s mistakes are found and repaired: what lies there is what is believed',
    (skill) => {
      for (const seed of seeds(10)) {
        const maker = { skill, seed };
        let plan = planOf(practiceMat(NOW));
        let asked = 0;
        for (let k = 0; k < 200 && promptOf(plan, maker) !== 'done'; k++) {
          const [hem, person] = answered(plan, maker);
          if (person) asked++;
          plan = planOf(hem);
        }
        expect([seed, promptOf(plan, maker)]).toEqual([seed, 'done']);
        expect([...tasksDone(plan)]).toEqual([...TASKS]);
        expect([seed, tableOf(plan, maker).counts]).toEqual([
          seed,
          plan.rounds.map((r) => r.sides.map((s) => s.tally.stitches)),
        ]);
        // Three minutes: no more to do than that.
        expect([seed, asked <= 12]).toEqual([seed, true]);
      }
    },
  );

  test('what lies on the table up to a corner is told as it is; ended by that, the side comes out as planned', () => {
    let met = 0;
    for (const seed of seeds(12)) {
      const maker: SimulatedMaker = { skill: 'hasty', seed };
      let now = planOf(practiceMat(NOW));
      for (
        let step = stepInHand(now, 'repeat');
        step && progressOf(now).round!.number < 3;
        step = stepInHand(now, 'repeat')
      ) {
        const { upToCorner } = tableOf(now, maker);
        const inHand = sideInHandOf(now);
        const more = upToCorner && inHand ? upToCorner.places - inHand.places : 0;
        const [way] = inHand && more !== 0 ? sideWaysOf(now, more) : [];
        if (way && inHand && way.kind !== 'as it comes') {
          met++;
          now = planOf(after(now.hem, way.deeds));
          const { counts, upToCorner: left } = tableOf(now, maker);
          expect(counts[inHand.round.number]![inHand.side]).toBe(way.count);
          // The record knows now what is there.
          expect(left?.places ?? sideInHandOf(now)?.places).toBe(sideInHandOf(now)?.places);
        }
        now = planOf(after(now.hem, stepDone(now, stepInHand(now, 'repeat')!)));
      }
    }
    expect(met).toBeGreaterThan(3);
  });

  test('the same seed makes the same mistakes, another one others', () => {
    const counts = (seed: number): unknown => {
      const maker = { skill: 'learner', seed } as const;
      let plan = planOf(practiceMat(NOW));
      while ((progressOf(plan).round?.number ?? 9) < 2 || !plan.rounds[1]!.done?.finished)
        plan = planOf(after(plan.hem, stepDone(plan, stepInHand(plan, 'corner')!)));
      return tableOf(plan, maker).counts;
    };
    expect(counts(4)).toEqual(counts(4));
    expect(new Set([1, 2, 3, 4, 5, 6, 7, 8].map((s) => JSON.stringify(counts(s)))).size).toBeGreaterThan(3);
  });
});
