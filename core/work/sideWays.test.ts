import { describe, expect, test } from '@jest/globals';
import { checkHem } from '../document/check.ts';
import { plan } from '../plan/planner.ts';
import { planComesOutEven, topOf, writtenOf, type Plan } from '../plan/types.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { entriesOnto } from '../stack/stack.ts';
import { fitHem } from '../fit/open.ts';
import { performed } from '../edits/edit.ts';
import { takeSolution } from '../edits/solution.ts';
import { anyHem } from '../testing/anyHem.ts';
import { chanceOf } from '../chance.ts';
import { entry, flatBlanket, rowsHem } from '../testing/hems.ts';
import { partOfAll, seeds, withSeed } from '../testing/seeds.ts';
import { after, workedInto } from '../testing/worked.ts';
import { progressOf, stepDone, stepInHand } from './progress.ts';
import { byRank, priceOf } from './repairs.ts';
import { MOST_OFF, endedOpposite, sideInHandOf, sideWaysOf, type SideEnding } from './sideWays.ts';
import { onTableWords, sideWayOutcome, sideWayWords } from './sideWayWords.ts';
import { stepsOf } from './steps.ts';
import { stepWords } from './stepWords.ts';

/** On a side of a round, or another where the round begins on that, so many of its entries before the corner. */
function nearEnd(of: Plan, side: number, before: number): Plan {
  const round = progressOf(of).round!;
  const steps = stepsOf(of, round.number, 'side').filter(
    (s) => s.does === 'make' && s.act?.do === 'side' && s.act.part !== 'up to the start',
  );
  const step = steps.find(({ where }) => where.on === 'side' && where.side === side) ?? steps[0];
  const stitches = step ? Math.max(step.from, step.to - before) : 0;
  return plan(after(of.hem, [{ did: 'made', round: round.done!.round, stitches }]));
}

const taken = (of: Plan, way: SideEnding): Plan => plan(after(of.hem, way.deeds));
const kindsOf = (ways: readonly SideEnding[]): readonly string[] => ways.map((w) => w.kind);

describe('the end of a plain side that is not as planned', () => {
  const hem = flatBlanket([entry({ id: 'a', corner: 'three' }), entry({ id: 'b', corner: 'three' })]);
  const now = nearEnd(workedInto(hem, 1, 0), 0, 10);
  const inHand = sideInHandOf(now)!;

  test('is told by the places on the table', () => {
    expect([inHand.side, inHand.places]).toEqual([0, 10]);
    expect(onTableWords(now, inHand)).toBe('10 sts of the round below are left on side A, up to the corner.');
    expect(sideWaysOf(now, 0)).toEqual([]);
    expect(sideWaysOf(now, MOST_OFF + 1)).toEqual([]);
  });

  test('with one more, two are worked together or the side gets one more; the counts of later rounds follow', () => {
    const ways = sideWaysOf(now, 1);
    expect(kindsOf(ways)).toEqual(['two together', 'as it comes']);
    const [together, asItComes] = ways;
    expect(together!.count).toBe(now.rounds[1]!.sides[0]!.tally.stitches);
    expect(asItComes!.count).toBe(together!.count + 1);
    const planned = now.rounds[2]!.sides[0]!.tally.stitches;
    expect([together, asItComes].map((w) => w!.then.rounds[2]!.sides[0]!.tally.stitches)).toEqual([
      planned,
      planned + 1,
    ]);
    // The round below has the one that was found there.
    expect(together!.then.rounds[0]!.sides[0]!.tally.stitches).toBe(
      now.rounds[0]!.sides[0]!.tally.stitches + 1,
    );
    expect(sideWayWords(inHand, together!, 'us')).toBe(
      'Work 2 together once, with 5 sts left up to the corner',
    );
    expect(sideWayWords(inHand, asItComes!, 'us')).toBe(
      `Work it as it comes: ${planned - 1} sts on the side`,
    );
    expect(sideWayOutcome(now, asItComes!)).toMatch(/C stays 1 st short of A\.$/);
    expect(sideWayOutcome(now, together!)).toMatch(/^Then every round fits\./);
  });

  test('with two fewer, two go into one twice, at the places that were picked', () => {
    const [two] = sideWaysOf(now, -2, inHand.used + 1);
    expect([two!.kind, two!.at]).toEqual([
      'two in one',
      [
        { at: inHand.used + 1, by: 1 },
        { at: inHand.used + 3, by: 1 },
      ],
    ]);
    expect(sideWayWords(inHand, two!, 'us')).toBe(
      'Work 2 in one st twice, with 6 and 4 sts left up to the corner',
    );
    // The steps say it where it was picked.
    const on = taken(now, two!);
    expect(stepWords(on, 1, stepInHand(on, 'side')!, 'us').now[0]).toBe(
      '[1 sc in the next st, 2 sc in the next st] 2 times, 1 sc in each of the next 4 sts.',
    );
    expect(progressOf(on).made).toBe(progressOf(now).made);
  });

  test('is offered again on the side that faces it, and on no other', () => {
    const [way] = sideWaysOf(now, 1);
    const on = taken(now, way!);
    expect(endedOpposite(on)).toBeNull();
    expect(endedOpposite(nearEnd(on, 1, 8))).toBeNull();
    expect(endedOpposite(nearEnd(on, 2, 8))).toEqual({ side: 0, more: 1 });
  });
});

describe('the end of a patterned side', () => {
  const hem = rowsHem({
    counts: [41, 53, 41, 53],
    rounds: [entry({ id: 's', family: 'shell', stitch: 'dc', corner: 'three' })],
  });
  const now = nearEnd(workedInto(hem, 1, 0), 0, 12);
  const inHand = sideInHandOf(now)!;

  test('with one more or fewer, one more or fewer is passed over, at the skip that was picked', () => {
    const [last] = sideWaysOf(now, 1);
    expect([last!.kind, planComesOutEven(last!.then)]).toEqual(['skip more', true]);
    expect(sideWayWords(inHand, last!, 'us')).toBe('Skip 1 more at the last skip');
    const [first] = sideWaysOf(now, 1, last!.spots[0]);
    expect(first!.at).toEqual([{ at: last!.spots[0], by: 1 }]);
    expect(sideWayWords(inHand, first!, 'uk')).toBe('Miss 1 more at the next miss');
    expect(first!.count).toBe(now.rounds[1]!.sides[0]!.tally.stitches);
    const [fewer] = sideWaysOf(now, -1);
    expect(sideWayWords(inHand, fewer!, 'us')).toBe('Skip 1 fewer at the last skip');
  });

  test('with as many more as a repeat takes, one repeat more is worked', () => {
    const ways = sideWaysOf(now, 4);
    expect(kindsOf(ways)).toContain('more repeats');
    const way = ways.find((w) => w.kind === 'more repeats')!;
    expect(way.count).toBe(now.rounds[1]!.sides[0]!.tally.stitches + 6);
    expect(sideWayWords(inHand, way, 'us')).toBe('Work 1 repeat more');
  });
});

describe('a maker who finds one more or fewer, follows the first advice and works on, ends even', () => {
  /** A part of the families in every run, all in long ones, on a border where they fit. */
  const OF_STITCHES = partOfAll(
    FAMILIES.filter((f) => f.id !== 'plain'),
    6,
  );
  const shown = new Map<string, number>();

  test.each(OF_STITCHES.map((f) => f.id))('%s', (id) => {
    const ground = flatBlanket([entry({ id: 'a' })]);
    const family = FAMILIES.find((f) => f.id === id)!;
    const entries = entriesOnto(topOf(plan(ground)).ring, family, 'y1', ['under', 'it']);
    const stack = { ...ground, rounds: [...ground.rounds, ...entries] };
    const [solution] = fitHem(stack).solutions;
    const fitted = solution
      ? performed(
          stack,
          takeSolution(
            plan(stack)
              .rounds.slice(1)
              .map((r) => writtenOf(r)),
            solution,
          ),
        )
      : null;
    const hem = fitted?.ok ? fitted.value : stack;
    for (const [number, more] of plan(hem)
      .rounds.slice(1)
      .flatMap((r) => [[r.number, 1] as const, [r.number, -1] as const])) {
      let now = nearEnd(workedInto(hem, number, 0), 1, 9);
      const ways = sideWaysOf(now, more);
      const [best] = ways;
      if (!best || best.uneven.length > 0) continue;
      shown.set(id, (shown.get(id) ?? 0) + 1);
      // Cheapest of all ways at all places.
      for (const way of ways)
        for (const spot of way.spots.length > 0 ? way.spots : [null]) {
          const there = sideWaysOf(now, more, spot).find((w) => w.kind === way.kind);
          if (there) expect(byRank(best, there)).toBeLessThanOrEqual(0);
        }
      now = taken(now, best);
      for (let step = stepInHand(now, 'corner'); step; step = stepInHand(now, 'corner'))
        now = plan(after(now.hem, stepDone(now, step)));
      expect([number, more, planComesOutEven(now), now.rounds.every((r) => r.done!.finished)]).toEqual([
        number,
        more,
        true,
        true,
      ]);
    }
  });

  test('for most of them', () => expect(shown.size).toBeGreaterThan(OF_STITCHES.length / 2));
});

test('by chance: what is offered comes out as it was told, wherever it is picked, and is sound', () => {
  let offered = 0;
  for (const seed of seeds(60))
    withSeed(seed, (said) => {
      const chance = chanceOf(seed + 4000);
      const hem = anyHem(chance);
      const whole = plan(hem);
      if (whole.rounds.length < 2) return;
      const number = chance.int(1, whole.rounds.length - 1);
      let now = workedInto(hem, number, chance.next());
      said.push(`round ${number}`);
      for (let k = 0; k < 3; k++) {
        const inHand = sideInHandOf(now);
        if (!inHand) break;
        const more = chance.pick([-3, -2, -1, 1, 2, 3]);
        const ways = sideWaysOf(now, more);
        for (const [i, way] of ways.entries()) {
          offered++;
          said.push(`${more}: ${way.kind}`);
          const words = `${sideWayWords(inHand, way, 'us')} ${sideWayOutcome(now, way)}`;
          expect(words).not.toMatch(/undefined|NaN|null|-\d/);
          const on = taken(now, way);
          expect(checkHem(on.hem).ok).toBe(true);
          expect(on.rounds.map((r) => r.sides.map((s) => s.tally))).toEqual(
            way.then.rounds.map((r) => r.sides.map((s) => s.tally)),
          );
          expect([
            on.rounds[inHand.round.number]!.sides[inHand.side]!.tally.stitches,
            progressOf(on).made,
          ]).toEqual([way.count, progressOf(now).made]);
          expect(on.rounds.filter((r) => !r.even).map((r) => r.number)).toEqual(way.uneven);
          for (const step of stepsOf(on, inHand.round.number, 'side'))
            stepWords(on, inHand.round.number, step, 'us');
          // The first is the cheapest of those that are as even and as flat.
          const [first] = ways;
          if (i > 0 && first!.uneven.length === way.uneven.length && first!.lies === way.lies)
            expect(priceOf(first!)).toBeLessThanOrEqual(priceOf(way));
          const spot = way.spots.length > 0 ? chance.pick(way.spots) : null;
          const moved = sideWaysOf(now, more, spot).find((w) => w.kind === way.kind);
          if (moved) expect([moved.count, moved.shows]).toEqual([way.count, way.shows]);
        }
        const way = ways[chance.int(0, Math.max(0, ways.length - 1))];
        if (way) now = taken(now, way);
        const step = stepInHand(now, 'side');
        if (step) now = plan(after(now.hem, stepDone(now, step)));
      }
    });
  expect(offered).toBeGreaterThan(10);
});
