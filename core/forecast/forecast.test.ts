import fc from 'fast-check';
import { describe, expect, test } from '@jest/globals';
import type { WeighIn } from '../document/hem.ts';
import { plan } from '../plan/planner.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { learnedSince } from '../hands/hands.ts';
import { spreadAbout } from '../hands/ratio.ts';
import {
  baseHooks,
  compareCorners,
  compareSpacings,
  firstToShow,
  otherEdges,
  roundsFromRest,
  takeEdge,
} from './alternatives.ts';
import { plain } from '../rounds/plain.ts';
import { familyById } from '../rounds/registry.ts';
import { newEntry } from '../stack/stack.ts';
import { edgeOf, waysIn } from './nextRound.ts';
import { takeSize, waysToSize } from './sizes.ts';
import { ballEnds, basketReach, riskOf, supplyOf } from './supply.ts';
import { basketWords } from './supplyWords.ts';
import { performed } from '../edits/edit.ts';
import { demoPlans } from '../../demo/read.ts';
import type { Plan } from '../plan/types.ts';
import { partOfAll } from '../testing/seeds.ts';
import { compareBorders } from './borders.ts';

describe('calibration', () => {
  const calibrate = (seen: Parameters<typeof learnedSince>[3]) => learnedSince('yarn', null, '4', seen);
  const weighed = (grams: number, ratio: number) => ({ ratio, error: 0.7 / grams });

  test('starts at ±20 % and narrows with every weighing', () => {
    const one = weighed(44, 1.1);
    const spreads = [[], [one], [one, one], [one, one, one]].map((w) => spreadAbout(calibrate(w)));
    expect(spreads[0]).toBeCloseTo(0.2, 2);
    spreads.slice(1).forEach((s, i) => expect(s).toBeLessThan(spreads[i]!));
    expect(spreads[1]).toBeLessThan(0.1);
  });

  test('comes close to what was weighed, between it and the estimate, whatever the order', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.7, max: 1.4, noNaN: true }), { minLength: 1, maxLength: 6 }),
        (ratios) => {
          const weighings = ratios.map((r) => weighed(50 * r, r));
          const { ratio } = calibrate(weighings);
          expect(calibrate([...weighings].reverse()).ratio).toBeCloseTo(ratio, 5);
          expect(ratio).toBeGreaterThanOrEqual(Math.min(1, ...ratios) - 1e-9);
          expect(ratio).toBeLessThanOrEqual(Math.max(1, ...ratios) + 1e-9);
        },
      ),
      { seed: 3 },
    );
  });

  test('a heavy round teaches more than a light swatch', () => {
    const heavy = calibrate([weighed(60, 1.2)]);
    const light = calibrate([weighed(1.2, 1.2)]);
    expect(spreadAbout(heavy)).toBeLessThan(spreadAbout(light));
    expect(heavy.ratio).toBeGreaterThan(light.ratio);
  });

  test('a weigh-in moves the yarn of its own colour alone', () => {
    const weighIn: WeighIn = {
      id: 'w',
      yarn: 'y1',
      of: { kind: 'round', round: { entry: null, index: 0 } },
      grams: 20,
    };
    const rounds = [entry({ yarn: 'y2' })];
    const before = plan(rowsHem({ rounds }));
    const after = plan({ ...rowsHem({ rounds }), weighIns: [weighIn] });
    const estimated = (before.rounds[0]!.yarnM * 100) / 190;
    expect(after.rounds[0]!.yarnM / before.rounds[0]!.yarnM).toBeCloseTo(
      after.yarns[0]!.calibration.ratio,
      9,
    );
    expect(Math.sign(after.yarns[0]!.calibration.ratio - 1)).toBe(Math.sign(20 - estimated));
    expect(after.rounds[1]!.yarnM).toBe(before.rounds[1]!.yarnM);
    expect(after.yarns[0]!.quantity.spread).toBeLessThan(after.yarns[1]!.quantity.spread);
  });
});

describe('the basket', () => {
  const hem = rowsHem({ rounds: [entry({ times: 3 }), entry({ id: 'b', yarn: 'y2', times: 2 })] });
  const having = (first: number | null, second: number | null): Plan =>
    plan({ ...hem, yarns: hem.yarns.map((y, i) => ({ ...y, haveG: [first, second][i]! })) });
  const made = plan(hem);
  /** Grams of the first rounds of a yarn, by the estimate. */
  const grams = (rounds: number): number => {
    const { yarn } = made.yarns[0]!;
    const metres = made.rounds.slice(0, rounds).reduce((sum, r) => sum + r.yarnM, 0);
    return (metres * 100) / yarn.metresPer100G;
  };

  test('is enough, doubtful or not by the range of the estimate, round by round', () => {
    const { spread } = made.yarns[0]!.quantity;
    expect(basketReach(having(null, null))).toBeNull();
    expect(basketReach(having(900, 900))).toEqual({ safe: 5, doubtful: null, out: null, unsaid: [] });
    expect(basketReach(having(900, null))!.unsaid).toEqual(['y2']);
    // Enough for two rounds even if they take all that the range allows, and not for three.
    expect(basketReach(having(grams(2) * (1 + spread) + 0.01, 900))).toMatchObject({ safe: 1, doubtful: 2 });
    expect(basketReach(having(grams(2) * (1 - spread) - 0.01, 900))!.out).toBe(1);
    expect(basketReach(having(1, 900))).toMatchObject({ safe: -1, doubtful: 0, out: 0 });
    expect(basketReach(having(900, 1))).toMatchObject({ safe: 3, doubtful: 4, out: 4 });
  });

  test('says so in a sentence', () => {
    expect(basketWords(made)).toBeNull();
    expect(basketWords(having(900, 900))).toBe('Your yarn: enough for the whole border.');
    expect(basketWords(having(900, 1))).toBe(
      'Your yarn: safe to the end of round 3, not enough for round 4.',
    );
    expect(basketWords(having(1, null))).toBe(
      'Your yarn: not enough for the base round. Say how much Other yarn is here to have it counted too.',
    );
  });

  test('the end of a ball lies on the side that is said of it', () => {
    for (const end of ballEnds(plan(rowsHem({ rounds: [entry({ stitch: 'dc', times: 6 })] })))) {
      const { ring } = plan(rowsHem({ rounds: [entry({ stitch: 'dc', times: 6 })] })).rounds[end.round]!;
      expect(end.entry).toBeLessThan(ring.made.length);
      const next = end.side + 1 < ring.centres.length ? ring.centres[end.side + 1]!.start : Infinity;
      expect(end.entry).toBeLessThanOrEqual(next);
    }
  });
});

describe('balls', () => {
  const hem = rowsHem({ rounds: [entry({ stitch: 'dc', times: 6 })] });
  const made = plan(hem);

  test('end where their metres are used up, each within its range', () => {
    const ends = ballEnds(made);
    const ballM = (50 * 190) / 100;
    const whole = made.rounds.reduce((sum, r) => sum + r.yarnM, 0);
    expect(ends).toHaveLength(Math.floor(whole / ballM));
    for (const end of ends) {
      const before = made.rounds.slice(0, end.round).reduce((sum, r) => sum + r.yarnM, 0);
      expect(before).toBeLessThanOrEqual(end.ball * ballM);
      expect(before + made.rounds[end.round]!.yarnM).toBeGreaterThan(end.ball * ballM);
      expect(end.earliest).toBeLessThanOrEqual(end.round);
      expect(end.latest).toBeGreaterThanOrEqual(end.round);
    }
  });

  test('a basket lasts, may run out, or runs out', () => {
    const { grams } = made.yarns[0]!.quantity;
    const judged = [1.3, 1, 0.7, null].map((part) => {
      const haveG = part === null ? null : grams * part;
      const yarns = hem.yarns.map((y, i) => (i === 0 ? { ...y, haveG } : y));
      return supplyOf(plan({ ...hem, yarns }).yarns[0]!);
    });
    expect(judged).toEqual(['lasts', 'may run out', 'runs out', 'not said']);
  });

  test('that a yarn runs out is as likely as its range says', () => {
    const made = plan(rowsHem({ rounds: [entry({ times: 2 })] }));
    const [y] = made.yarns;
    const { grams, spread } = y!.quantity;
    const risk = (haveG: number | null): number => riskOf({ ...y!, yarn: { ...y!.yarn, haveG } });
    expect(risk(grams)).toBeCloseTo(0.5, 6);
    // The range is 1.9 standard deviations either way: 97 in 100 lie below its upper end.
    expect(risk(grams * (1 + spread))).toBeCloseTo(0.0287, 3);
    expect(risk(grams * (1 - spread))).toBeCloseTo(0.9713, 3);
    expect([risk(null), risk(90_000)]).toEqual([0, expect.closeTo(0, 9)]);
    expect(risk(0)).toBeGreaterThan(0.99999);
  });

  test('to buy is what is missing on the high side', () => {
    const yarns = hem.yarns.map((y) => ({ ...y, haveG: 0, price: 4 }));
    const { quantity, toBuy, cost } = plan({ ...hem, yarns }).yarns[0]!;
    expect(toBuy).toBe(quantity.balls);
    expect(cost).toBe(4 * quantity.balls);
  });
});

describe('how far the rest goes', () => {
  const made = plan(rowsHem({ rounds: [entry()] }));

  test('so many rounds that the rest is enough for them, and not for one more', () => {
    const rest = 60;
    const plainRounds = roundsFromRest(made, 'y1', rest).find((r) => r.familyId === 'plain')!;
    expect(plainRounds.perhaps).toBeGreaterThanOrEqual(plainRounds.surely);
    const grams = (times: number): number => {
      const more = plan({ ...made.hem, rounds: [...made.hem.rounds, entry({ id: 'more', times })] });
      const added = more.rounds.slice(made.rounds.length).reduce((sum, r) => sum + r.yarnM, 0);
      return ((added * 100) / 190) * 1.2;
    };
    expect(grams(plainRounds.surely)).toBeLessThanOrEqual(rest);
    expect(grams(plainRounds.surely + 1)).toBeGreaterThan(rest);
  });

  test('a rest of yarn is enough for as many rounds of any kind as are said, and for no more', () => {
    let ended = 0;
    for (const [, made] of partOfAll(demoPlans(), 3)) {
      const { yarn } = made.yarns[0]!;
      for (const rest of [0, 3, 25]) {
        for (const { familyId, surely, perhaps } of roundsFromRest(made, yarn.id, rest)) {
          const family = familyById(familyId)!;
          const each = family.roundsPerRepeat;
          expect([familyId, surely % each, perhaps % each, surely <= perhaps]).toEqual([
            familyId,
            0,
            0,
            true,
          ]);
          const grams = (rounds: number): number => {
            const more = { ...newEntry(family, 'more', yarn.id), times: Math.ceil(rounds / each) };
            const { rounds: all } = plan({ ...made.hem, rounds: [...made.hem.rounds, more] });
            const added = all.slice(made.rounds.length, made.rounds.length + rounds);
            return added.reduce((sum, r) => sum + (r.yarnM * 100) / yarn.metresPer100G, 0);
          };
          const { spread } = made.yarns[0]!.quantity;
          if (perhaps > 0) expect(grams(perhaps) * (1 - spread)).toBeLessThanOrEqual(rest);
          if (surely > 0) expect(grams(surely) * (1 + spread)).toBeLessThanOrEqual(rest);
          // Forty rounds are enough to think of, and an edge ends the border.
          if (perhaps >= 40 || (perhaps > 0 && !family.repeatable)) continue;
          expect([familyId, grams(perhaps + each) * (1 - spread) > rest]).toEqual([familyId, true]);
          ended++;
        }
      }
    }
    expect(ended).toBeGreaterThan(75);
  });

  test('another edge that is taken saves the balls that it was said to, and fits', () => {
    let taken = 0;
    for (const [, made] of demoPlans()) {
      // Small balls, so that there are some to be saved.
      const small = plan({ ...made.hem, yarns: made.hem.yarns.map((y) => ({ ...y, ballG: 5 })) });
      const balls = (p: Plan): number => p.yarns.reduce((sum, y) => sum + y.quantity.balls, 0);
      if (small.rounds.at(-1)!.done) continue;
      for (const other of otherEdges(small).filter((o) => o.ballsSaved > 0 && o.even)) {
        const outcome = performed(small.hem, takeEdge(small, other, 'taken'));
        if (!outcome.ok) throw new Error(other.name);
        const then = plan(outcome.value);
        expect([other.name, balls(small) - balls(then)]).toEqual([other.name, other.ballsSaved]);
        expect(then.rounds.filter((r) => r.written?.entry.id === 'taken').every((r) => r.even)).toBe(true);
        taken++;
      }
    }
    expect(taken).toBeGreaterThan(5);
  });

  test('another edge in place of the last is measured on the same ring', () => {
    const edges = otherEdges(
      plan(rowsHem({ rounds: [entry(), entry({ id: 'e', family: 'scallop', stitch: 'dc' })] })),
    );
    expect(edges.map((e) => e.metres)).toEqual(edges.map((e) => e.metres).sort((a, b) => a - b));
    expect(edges.find((e) => e.familyId === 'slip-edge')!.ballsSaved).toBeGreaterThanOrEqual(0);
    expect(edges.some((e) => e.familyId === 'gap-scallop')).toBe(false);
  });
});

describe('how long it lies flat', () => {
  test('pairs that never grow cup on a small square long before they do on a large one', () => {
    const spiders = (side: number): number => {
      const count = Math.round(side * 1.4);
      const rounds = [entry({ family: 'spider', times: 2 })];
      const hem = rowsHem({ counts: [count, count, count, count], widthCm: side, heightCm: side, rounds });
      return firstToShow(plan(hem))!.round ?? Infinity;
    };
    expect(spiders(20)).toBeLessThan(9);
    expect(spiders(150)).toBeGreaterThan(10);
  });

  test('corners are compared over the same rounds, and more increase means more length', () => {
    const strains = new Map(compareCorners(plan(rowsHem()), 'hdc', 10).map((c) => [c.corner, c.strain]));
    expect(strains.get('three')!).toBeLessThan(strains.get('twos')!);
    expect(strains.get('twos')!).toBeLessThan(strains.get('threes')!);
  });

  test('spacings are compared on the sides to which they apply, as if each had been chosen', () => {
    const hem = rowsHem({ rounds: [entry()] });
    const found = new Map(compareSpacings(plan(hem), 'hdc', 6).map((s) => [s.spacing, s.strain]));
    expect([...found.keys()].sort()).toEqual(['each', 'gauge', 'halves', 'kinds']);
    const chosen = hem.base.sides.map((s, i) => (i % 2 === 1 ? { ...s, school: 'halves' as const } : s));
    const rounds = [entry({ stitch: 'hdc', times: 6 })];
    const made = plan({ ...hem, base: { ...hem.base, sides: chosen }, rounds });
    expect(found.get('halves')).toBeCloseTo(made.rounds[6]!.sides[1]!.strain, 9);
    expect(Math.abs(found.get('gauge')!)).toBeLessThan(Math.abs(found.get('halves')!));
  });

  test.each(demoPlans())(
    'what is said of a wanted size comes about when it is taken, and no other number comes nearer: %s',
    (_, made) => {
      const wanted = { width: made.blockedSize.widthMm + 97, height: made.blockedSize.heightMm + 151 };
      const ways = waysToSize(made, wanted.width, wanted.height);
      // On an edge that has been worked nothing is grown.
      expect(new Set(ways.map((w) => w.stitch)).size).toBe(waysIn(made, plain).length === 0 ? 0 : 3);
      for (const way of ways) {
        const taken = (times: number): Plan => {
          const outcome = performed(made.hem, takeSize(made, { ...way, times }, 'new'));
          if (!outcome.ok) throw new Error('refused');
          return plan(outcome.value);
        };
        const off = ({ blockedSize: s }: Plan): number =>
          way.meets[0] === 'width'
            ? Math.abs(s.widthMm - wanted.width)
            : Math.abs(s.heightMm - wanted.height);
        const now = taken(way.times);
        expect(now.blockedSize).toEqual({ widthMm: way.widthMm, heightMm: way.heightMm });
        // An edge on it stays its edge.
        expect(now.rounds.at(-1)!.name).toBe(
          edgeOf(made) ? made.rounds.at(-1)!.name : now.rounds.at(-1)!.name,
        );
        expect(off(now)).toBeLessThanOrEqual(off(taken(way.times + 1)) + 1e-6);
        if (way.times > 1) expect(off(now)).toBeLessThanOrEqual(off(taken(way.times - 1)) + 1e-6);
      }
    },
  );

  test('nothing is said of a size that the piece is beyond', () => {
    const made = plan(rowsHem({ rounds: [entry()] }));
    expect(waysToSize(made, 100, 100)).toEqual([]);
  });

  test('borders put aside are planned on the same piece', () => {
    const hem = rowsHem({ rounds: [entry({ times: 2 })] });
    const kept = [{ id: 'k', name: 'Taller', base: hem.base, rounds: [entry({ stitch: 'tr', times: 2 })] }];
    const [inHand, taller] = compareBorders({ ...hem, kept });
    expect([inHand!.id, taller!.id]).toEqual([null, 'k']);
    expect(taller!.grams).toBeGreaterThan(inHand!.grams);
    expect(taller!.minutes).toBe(plan({ ...hem, rounds: kept[0]!.rounds }).minutes);
    expect(taller!.blockedSize).toEqual(plan({ ...hem, rounds: kept[0]!.rounds }).blockedSize);
    expect(taller!.blockedSize.widthMm).toBeGreaterThan(inHand!.blockedSize.widthMm);
  });
});

describe('the base round on another hook', () => {
  test('is told at the counts that it has, as it is planned with that hook', () => {
    const hem = rowsHem({ counts: [160, 176, 160, 176], rounds: [entry()] });
    const [smaller, own, larger] = baseHooks(plan(hem));
    expect([smaller!.hookMm, own!.hookMm, larger!.hookMm]).toEqual([4.5, 5, 5.5]);
    const with_ = (hookMm: number): number =>
      Math.max(...plan({ ...hem, base: { ...hem.base, hookMm } }).rounds[0]!.sides.map((s) => s.strain));
    expect(smaller!.strain).toBeCloseTo(with_(4.5), 9);
    expect(larger!.strain).toBeCloseTo(with_(5.5), 9);
    expect(smaller!.strain).toBeLessThan(own!.strain);
  });
});
