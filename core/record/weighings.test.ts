import { describe, expect, test } from '@jest/globals';
import { createPlanner, plan } from '../plan/planner.ts';
import { identityOfRound } from '../plan/types.ts';
import { chanceOf } from '../chance.ts';
import { seeds } from '../testing/seeds.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { after, workedInto } from '../testing/worked.ts';
import { insteadWords, reachWords } from '../work/ballWords.ts';
import { ballNow, ballsEnding, cornerBeforeBallEnds, reachOf } from '../work/balls.ts';
import { workedUpTo } from '../work/progress.ts';
import { stepsOf } from '../work/steps.ts';
import type { Deed } from '../document/record.ts';
import { lastWeighed, weighedStretches } from './weighings.ts';
import { yarnOf } from '../document/hem.ts';

const hem = rowsHem({
  counts: [61, 73, 61, 73],
  rounds: [entry({ id: 'a', times: 3 }), entry({ id: 's', family: 'shell', stitch: 'hdc', corner: 'three' })],
});
const round = (entryId: string | null, index = 0) => ({ entry: entryId, index });
const weighed = (
  grams: number,
  at: { readonly round: ReturnType<typeof round>; readonly stitches: number },
  ball: 'same' | 'new' = 'same',
): Deed => ({ did: 'weighed', yarn: 'y1', ball, grams, ...at });
const early = { round: round(null), stitches: 20 };
const late = { round: round('a', 1), stitches: 100 };

describe('a ball on the scale', () => {
  const deeds = (...between: readonly Deed[]) =>
    weighedStretches(after(hem, [weighed(48, early), ...between]).record);

  test('tells what went into the stitches since it was weighed before', () => {
    expect(deeds(weighed(35.5, late))).toEqual([
      expect.objectContaining({
        yarn: 'y1',
        grams: 12.5,
        from: expect.objectContaining(early),
        to: expect.objectContaining(late),
      }),
    ]);
    // Another ball, one that got heavier, another yarn, and what was ripped between tell nothing.
    expect(deeds(weighed(35.5, late, 'new'))).toEqual([]);
    expect(deeds(weighed(50, late))).toEqual([]);
    expect(deeds({ ...weighed(35.5, late), yarn: 'y2' } as Deed)).toEqual([]);
    expect(deeds({ did: 'ripped', round: round('a'), stitches: 3, found: [] }, weighed(35.5, late))).toEqual(
      [],
    );
  });

  test('is forgotten when something was ripped since', () => {
    const once = after(hem, [weighed(48, early)]);
    expect(lastWeighed(once.record, 'y1')).toMatchObject({ grams: 48 });
    expect(lastWeighed(once.record, 'y2')).toBeNull();
    expect(
      lastWeighed(after(once, [{ did: 'ripped', round: round(null), stitches: 3, found: [] }]).record, 'y1'),
    ).toBeNull();
  });

  test('sets the estimate right, and only the yarn is reckoned anew', () => {
    const done = plan(after(hem, workedUpTo(plan(hem), 2)));
    const share = (k: number, stitches: number): number => stitches / done.rounds[k]!.ring.made.length;
    const estimated =
      done.rounds[0]!.pathM * (1 - share(0, early.stitches)) +
      done.rounds[1]!.pathM +
      done.rounds[2]!.pathM * share(2, late.stitches);
    const grams = (estimated * 100) / done.hem.yarns[0]!.metresPer100G;
    // These hands take a tenth more.
    const taught = after(done.hem, [weighed(60, early), weighed(60 - 1.1 * grams, late)]);
    const run: string[] = [];
    const planner = createPlanner((stage) => run.push(stage));
    planner(done.hem);
    run.length = 0;
    const then = planner(taught);
    expect([...new Set(run.map((s) => s.replace(/ y?\d+$/, '')))].sort()).toEqual([
      'calibration',
      'problems',
      'yarn',
      'yarns',
    ]);
    const { ratio, low, high, observations } = then.yarns[0]!.calibration;
    expect(observations).toBe(1);
    expect(ratio).toBeGreaterThan(1.05);
    expect(ratio).toBeLessThan(1.1);
    expect(high / low).toBeLessThan(1.3);
    expect(then.rounds[3]!.yarnM / done.rounds[3]!.yarnM).toBeCloseTo(ratio, 6);
    // What is made after that bears on no weighing.
    run.length = 0;
    planner(after(taught, [{ did: 'paused', round: round('a', 1) }]));
    expect(run).toEqual([]);
  });

  test('ends where its metres do, and sooner or later by as much as the estimate may be off', () => {
    for (const seed of seeds(40)) {
      const chance = chanceOf(seed);
      const at = workedInto(hem, chance.int(0, 3), chance.int(5, 95) / 100);
      const grams = chance.int(1, 40);
      const { metres, ends, earliest, latest, spread } = reachOf(at, grams)!;
      const upTo = (place: { round: number; made: number }): number =>
        at.rounds.slice(0, place.round).reduce((sum, r) => sum + r.yarnM, 0) +
        at.rounds[place.round]!.yarnM * (place.made / at.rounds[place.round]!.ring.made.length);
      const done = at.rounds.find((r) => r.done && !r.done.finished)!;
      const here = upTo({ round: done.number, made: done.done!.stitches });
      const stitch = Math.max(...at.rounds.map((r) => r.yarnM / r.ring.made.length));
      const used = (place: { round: number; made: number } | null): number =>
        place ? upTo(place) - here : Infinity;
      const all = at.rounds.reduce((sum, r) => sum + r.yarnM, 0) - here;
      const near = (value: number, wanted: number): void =>
        wanted < all
          ? expect(Math.abs(value - wanted)).toBeLessThanOrEqual(2 * stitch)
          : expect(value).toBe(Infinity);
      near(used(ends), metres);
      near(used(earliest), metres / (1 + spread));
      near(used(latest), metres / (1 - spread));
      const words = reachWords(at, grams);
      expect(words).toHaveLength(2);
      for (const text of words) expect(text).not.toMatch(/undefined|NaN|null/);
    }
  });

  test('is said in words', () => {
    const at = workedInto(hem, 3, 0.5);
    expect(reachWords(at, 2)).toEqual([
      expect.stringMatching(/^Not enough for this round: the rest of it takes \d+–\d+ g\.$/),
      expect.stringMatching(/^\d+ m are left\. They end about round 3, side D\.$/),
    ]);
    expect(reachWords(at, 4)).toEqual([
      expect.stringMatching(/^It may run out in this round: /),
      expect.stringMatching(/They end about round 4, side A, between round 3, .* and round 4, side A\.$/),
    ]);
    expect(reachWords(at, 400)).toEqual([
      expect.stringMatching(/^Enough for this round: /),
      'Enough for all that is left in this yarn.',
    ]);
    expect(reachWords(plan(after(hem, workedUpTo(plan(hem), 4))), 40)).toEqual([]);
  });

  test('goes down with what is made, and says what to do instead when it may not last', () => {
    const at = workedInto(hem, 1, 0.1);
    const round = at.rounds[1]!;
    const named = identityOfRound(round);
    const weighedAt = round.done!.stitches;
    const { metresPer100G } = yarnOf(at.hem, round.yarnId);
    const whole = (round.yarnM * 100) / metresPer100G;
    const then = plan(after(at.hem, [weighed(0.5 * whole, { round: named, stitches: weighedAt })]));
    expect(ballNow(at)).toBeNull();
    expect(ballNow(then)).toBeCloseTo(0.5 * whole, 6);
    const more = round.ring.made.length / 4;
    const later = plan(
      after(then.hem, [{ did: 'made', round: named, stitches: Math.round(weighedAt + more) }]),
    );
    expect(ballNow(later)! / whole).toBeCloseTo(0.25, 1);
    const words = insteadWords(later, ballNow(later)!);
    expect(words[0]).toMatch(/^Join the next ball at round 1, corner [A-D].[A-D], where a join hides best/);
    expect(insteadWords(later, 10 * whole)).toEqual([]);
    // Where the corner lies that is named, the ball has surely not ended.
    const reach = reachOf(later, ballNow(later)!)!;
    const corner = cornerBeforeBallEnds(later, reach)!;
    expect(corner.made).toBeLessThanOrEqual(reach.earliest!.made);
    expect(corner.made).toBeGreaterThanOrEqual(later.rounds[1]!.done!.stitches);
    // With all but a few stitches of the side made there is no corner before its end.
    expect(insteadWords(later, 0.2)[0]).toMatch(/^Join the next ball here/);
  });

  test('says where to have the next one at hand', () => {
    const at = workedInto(hem, 1, 0.1);
    const [y] = at.yarns;
    const named = identityOfRound(at.rounds[1]!);
    const stitches = at.rounds[1]!.done!.stitches;
    const grams = (0.5 * at.rounds[1]!.yarnM * 100) / y!.yarn.metresPer100G;
    const then = plan(after(at.hem, [weighed(grams, { round: named, stitches })]));
    const ends = then.rounds.flatMap((r) =>
      stepsOf(then, r.number, 'side').flatMap((s) =>
        ballsEnding(then, r.number, s).map((e) => [r.number, s.where, e]),
      ),
    );
    // Half the round further on: from a tenth to six tenths of it.
    expect(ends[0]).toEqual([1, { on: 'side', side: 2 }, { name: y!.yarn.name, ball: null }]);
  });
});
