import fc from 'fast-check';
import { describe, expect, test } from '@jest/globals';
import { recipeOf } from '../notation/parse.ts';
import { plan } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import { CORNERS, type CornerId } from '../terms/corners.ts';
import type { RoundEntry } from '../document/hem.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { meetsNeeds, needsOf, sidePattern, placesOver } from './recipe.ts';
import {
  IN_NOTHING,
  entryOf,
  isGap,
  sideSpan,
  tallyCentre,
  tallyRing,
  tallySide,
  type Ring,
} from './ring.ts';
import { placesTaken } from './stitch.ts';

const sideCounts = (ring: Ring): readonly number[] => ring.centres.map((_, s) => tallySide(ring, s).stitches);

/** Base sides of 148 along the edge hold 150 between the corners' centres. */
const on150 = (corner: CornerId, times: number, base: CornerId = 'three') =>
  plan(
    rowsHem({
      counts: [148, 148, 148, 148],
      base: { corner: base },
      rounds: [entry({ corner, times })],
    }),
  ).rounds.map((r) => sideCounts(r.ring)[0]);

describe('plain rounds between stitches', () => {
  test('beside a corner stitch there is a space, too: 150 stitches have 151, which makes 153 with three in the corner', () => {
    const [, made] = plan(
      rowsHem({ counts: [148, 148, 148, 148], rounds: [entry({ into: 'between' })] }),
    ).rounds;
    expect(made!.sides.map((s) => s.fit!.places)).toEqual([151, 151, 151, 151]);
    expect(sideCounts(made!.ring)).toEqual([153, 153, 153, 153]);
  });

  test('beside a corner space there is none: 150 stitches have 149', () => {
    const hem = rowsHem({
      counts: [148, 148, 148, 148],
      base: { corner: 'chain-2' },
      rounds: [entry({ into: 'between', corner: 'twos' })],
    });
    expect(plan(hem).rounds[1]!.sides.map((s) => s.fit!.places)).toEqual([149, 149, 149, 149]);
  });

  test('into stitches and chain spaces: each takes one', () => {
    const own = {
      text: 'side: *sc in next st, ch 2, sk 1*, sc in next st\ncorner: 3 sc in corner',
      language: 'us',
      name: '',
      note: '',
    } as const;
    const hem = rowsHem({
      counts: [7, 7, 7, 7],
      rounds: [entry({ id: 'o', family: 'own', written: own }), entry({ into: 'either' })],
    });
    const [base, loops, made] = plan(hem).rounds;
    // 9 stitches: 5 with 4 spaces between them, and one of each corner at either end.
    expect([sideCounts(base!.ring)[0], sideCounts(loops!.ring)[0]]).toEqual([9, 7]);
    expect(made!.sides[0]!.fit!.places).toBe(11);
  });
});

describe('rounded corners', () => {
  const totals = (given: Partial<RoundEntry>, count = 148): readonly number[] => {
    const made = plan(
      rowsHem({
        counts: [count, count, count, count],
        rounds: [entry({ corner: 'rounded', times: 8, ...given })],
      }),
    ).rounds.map((r) => r.total);
    return made.slice(1).map((total, k) => (total - made[k]!) / 4);
  };

  // φ · h at a right angle: 1.57 stitch heights of 0.95, 1.35 and 1.9.
  test.each([
    ['sc', 1.5],
    ['hdc', 2.1],
    ['dc', 3],
  ] as const)('of %s gain some %d stitches in a round, when they are round', (stitch, gain) => {
    const round = totals({ stitch }).slice(1);
    expect(round.reduce((sum, g) => sum + g, 0) / round.length).toBeCloseTo(gain, 0.5);
    expect(Math.max(...round) - Math.min(...round)).toBeLessThanOrEqual(1);
  });

  test('of a wide arc cut the point off first', () => {
    expect(totals({ stitch: 'hdc', size: 4 })[0]).toBe(0);
    expect(totals({ stitch: 'hdc', size: 1 })[0]).toBe(2);
  });

  test('have one stitch in their middle, and their increases beside it, within the arc', () => {
    const [, round] = plan(
      rowsHem({ counts: [40, 40, 40, 40], rounds: [entry({ stitch: 'dc', corner: 'rounded', size: 4 })] }),
    ).rounds;
    const { made, into, centres } = round!.ring;
    const doubled = made.flatMap((_, i) => (into[i] === into[(i + 1) % made.length] ? [i] : []));
    expect(doubled.length).toBeGreaterThan(0);
    for (const i of doubled)
      expect(
        Math.min(
          ...centres.map((c) => Math.abs(((i - c.start + made.length / 2) % made.length) - made.length / 2)),
        ),
      ).toBeLessThan(7);
    expect(centres.every((c) => c.length === 1)).toBe(true);
  });

  test('are the same from the wrong side, and all that is worked on them stays round', () => {
    const rounds = (facing: 'right' | 'wrong') =>
      plan(
        rowsHem({
          counts: [40, 40, 40, 40],
          rounds: [
            entry({ corner: 'rounded', times: 3, facing }),
            entry({ id: 'r2', corner: 'walk', family: 'slip-edge' }),
          ],
        }),
      ).rounds;
    const [right, wrong] = [rounds('right'), rounds('wrong')];
    expect(wrong.map((r) => r.total)).toEqual(right.map((r) => r.total));
    const radii = right.map((r) => r.radiusMm);
    expect(radii[0]).toBe(0);
    for (let k = 2; k < radii.length; k++) expect(radii[k]).toBeGreaterThan(radii[k - 1]!);
  });
});

describe('plain rounds', () => {
  test('three in the corner stitch: 150, 152, 154, 156', () => {
    expect(on150('three', 3)).toEqual([150, 152, 154, 156]);
  });

  test('(2, ch 2, 2) in the corner space: 150, 154, 158, 162', () => {
    expect(on150('twos', 3, 'chain-2')).toEqual([150, 154, 158, 162]);
  });

  test('(3, ch 2, 3) grows by six', () => {
    expect(on150('threes', 2, 'chain-2')).toEqual([150, 156, 162]);
  });

  test('four and three by turns grows by five in two rounds on every side', () => {
    const { rounds } = plan(
      rowsHem({ counts: [148, 148, 148, 148], rounds: [entry({ corner: 'fours', times: 4 })] }),
    );
    expect(sideCounts(rounds[2]!.ring)).toEqual([155, 155, 155, 155]);
    expect(sideCounts(rounds[4]!.ring)).toEqual([160, 160, 160, 160]);
    expect(rounds[1]!.ring.centres.map((c) => c.length)).toEqual([2, 2, 2, 2]);
    expect(rounds[2]!.ring.centres.map((c) => c.length)).toEqual([1, 1, 1, 1]);
  });
});

describe('shell edge', () => {
  const shellOn = (along: number) =>
    plan(
      rowsHem({
        counts: [along, along, along, along],
        base: { corner: 'chain-2' },
        rounds: [entry({ family: 'shell', stitch: 'hdc' })],
      }),
    ).rounds[1]!;

  test('needs 3 over 4, computed from its repeat', () => {
    expect(needsOf(shellOn(149).written!.recipe)).toEqual({ on: 'side', modulus: 4, remainder: 3, least: 3 });
  });

  test('151 between chain-2 corners: 37 shells of five, seven in each corner', () => {
    const round = shellOn(149);
    expect(round.even).toBe(true);
    expect(round.sides.map((s) => s.fit!.repeats)).toEqual([37, 37, 37, 37]);
    expect(round.total).toBe(4 * (37 * 6 + 1 + 7));
  });

  test.each([
    [150, 1, 3],
    [148, 3, 1],
  ])('%i along the edge is over by %i, short by %i', (along, over, short) => {
    const round = shellOn(along);
    expect(round.even).toBe(false);
    expect(round.sides.map((s) => [s.fit!.over, s.fit!.short])).toEqual(
      [0, 1, 2, 3].map(() => [over, short]),
    );
  });
});

describe('every worked ring', () => {
  const stacks = fc.record({
    counts: fc.array(fc.integer({ min: 12, max: 90 }), { minLength: 4, maxLength: 4 }),
    base: fc.constantFrom<CornerId>('three', 'chain-1', 'chain-2'),
    corners: fc.array(fc.constantFrom(...CORNERS.map((c) => c.id)), { minLength: 1, maxLength: 6 }),
    shell: fc.boolean(),
  });

  test('uses up what the ring below offers place by place, and totals what its sides and corners hold', () => {
    fc.assert(
      fc.property(stacks, ({ counts, base, corners, shell }) => {
        const rounds = corners.map((corner, i) => entry({ id: `r${i}`, corner }));
        if (shell) rounds.push(entry({ id: 'edge', family: 'shell' }));
        const made = plan(rowsHem({ counts, base: { corner: base }, rounds }));
        for (const [k, round] of made.rounds.entries()) {
          const { ring } = round;
          const parts = ring.centres.map(
            (_, i) => tallySide(ring, i).stitches + tallyCentre(ring, i).stitches,
          );
          expect(parts.reduce((a, b) => a + b, 0)).toBe(tallyRing(ring).stitches);
          expect(round.total).toBe(tallyRing(ring).stitches);
          if (k === 0) continue;
          const below = made.rounds[k - 1]!.ring;
          const used = usedPlaces(ring);
          if (round.even) expect(used + skipped(round)).toBe(placesBelow(below));
          expect(Math.max(...ring.into)).toBeLessThan(below.made.length);
        }
      }),
      { seed: 23, numRuns: 60 },
    );
  });

  function usedPlaces(ring: Ring): number {
    const places = new Set<number>();
    ring.into.forEach((place, i) => {
      if (place === IN_NOTHING) return;
      if (isGap(place)) {
        // Worked between the two stitches of a corner's pair: both lie under it.
        places.add(entryOf(place)).add(entryOf(place) - 1);
        return;
      }
      for (let leg = 0; leg < placesTaken(ring.made[i]!); leg++) places.add(place + leg);
    });
    return places.size;
  }

  function skipped(round: ReturnType<typeof plan>['rounds'][number]): number {
    const { head, body, tail } = sidePattern(round.written!.recipe.side);
    const skips = (steps: typeof head): number =>
      steps.reduce((sum, s) => sum + (s.do === 'skip' ? s.count : 0), 0);
    return round.sides.reduce((sum, s) => sum + skips(head) + skips(tail) + s.fit!.repeats * skips(body), 0);
  }

  /** Stitches of the sides, and each corner's centre as the places it is worked in. */
  function placesBelow(below: Ring): number {
    return below.centres.reduce((sum, c, i) => sum + tallySide(below, i).stitches + c.length, 0);
  }

  test('a side never holds a centre', () => {
    const { rounds } = plan(rowsHem({ rounds: [entry({ corner: 'fours', times: 3 })] }));
    for (const { ring } of rounds) {
      const centres = new Set(ring.centres.flatMap((c) => [c.start, c.start + c.length - 1]));
      for (let s = 0; s < 4; s++) {
        const span = sideSpan(ring, s);
        for (let k = 0; k < span.length; k++) {
          expect(centres.has((span.start + k) % ring.made.length)).toBe(false);
        }
      }
    }
  });
});

describe('needs', () => {
  test('follow from the repeat', () => {
    const needs = (side: string) => needsOf(recipeOf(`side: ${side}\ncorner: 3 sc in corner`));
    expect(needs('*sc in next st*')).toMatchObject({ modulus: 1, remainder: 0 });
    expect(needs('sk 2, *3 dc in next st, sk 2*')).toMatchObject({ modulus: 3, remainder: 2 });
    expect(needs('sk 1, *(sc, ch 1, sc) in next st, sk 1*')).toMatchObject({ modulus: 2, remainder: 1 });
    expect(needs('[sc in next st] 2 times, *sc2tog, sc in next 3 sts*')).toMatchObject({
      modulus: 5,
      remainder: 2,
      least: 2,
    });
  });

  test('a count that is over by none comes out even, from the least upwards', () => {
    const needs = { on: 'side', modulus: 4, remainder: 3, least: 7 } as const;
    expect([3, 7, 11, 12].map((n) => meetsNeeds(n, needs))).toEqual([false, true, true, false]);
    expect([8, 9, 10].map((n) => placesOver(n, needs))).toEqual([1, 2, 3]);
  });
});

describe('a pattern past the corners', () => {
  const around = (corner: CornerId): Plan =>
    plan(
      rowsHem({
        counts: [149, 167, 149, 167],
        base: { corner },
        rounds: [entry({ family: 'triple-picot', stitch: 'sc', corner: 'three', size: 5 })],
      }),
    );

  test.each(['three', 'chain-1', 'chain-2', 'twos'] as const)(
    'over corners “%s” every side keeps its own stitches, and nothing is counted twice',
    (corner) => {
      const made = around(corner);
      const [below, above] = made.rounds;
      const { ring } = above!;
      const sides = made.sides.map((_, i) => tallySide(ring, i).stitches);
      const centres = ring.centres.map((_, i) => tallyCentre(ring, i).stitches);
      expect([...sides, ...centres].reduce((a, b) => a + b, 0)).toBe(tallyRing(ring).stitches);
      // Every fifth stitch takes four in place of one.
      sides.forEach((count, i) => {
        const grown = (count - below!.sides[i]!.tally.stitches) / below!.sides[i]!.tally.stitches;
        expect(grown).toBeGreaterThan(0.5);
        expect(grown).toBeLessThan(0.7);
      });
    },
  );
});
