import { describe, expect, test } from '@jest/globals';
import type { Hem } from '../document/hem.ts';
import { describeAlike } from '../edits/hem.ts';
import { performed } from '../edits/edit.ts';
import { minutesOf } from '../hands/pace.ts';
import { waysToEqualSides } from '../forecast/equalSides.ts';
import { plan } from '../plan/planner.ts';
import { alikeWords, joiningLines } from '../print/alike.ts';
import { PIECES, on, small } from '../testing/anyHem.ts';
import { entry } from '../testing/hems.ts';
import { TAIL_M, yarnInStitchMm } from '../yarn/yarn.ts';
import { stitchOf } from '../ring/stitch.ts';
import { ONE_PIECE, type Alike } from './alike.ts';
import { JOIN_IDS } from './joinIds.ts';
import { seamWords } from './joinWords.ts';
import { laidOut, seamsOf } from './seams.ts';

const square = PIECES.find(([name]) => name === 'a solid square')![1];

const many = (alike: Partial<Alike>, hem: Partial<Hem> = {}): Hem => ({
  ...on(square, small({ rounds: [entry({ times: 2 })] })),
  ...hem,
  alike: { ...ONE_PIECE, count: 24, across: 4, ...alike },
});

/** Joins that somebody makes who follows the order of the seams: pairs of pieces, by their row and column from 1. */
function followed(count: number, across: number): readonly string[] {
  const layout = laidOut({ count, across });
  const text = seamWords(seamsOf(layout)).join(' ');
  return [...text.matchAll(/between (rows|columns) (\d+) and (\d+) \((\d+) pieces?/g)].flatMap(
    ([, noun, first, second, pieces]) => {
      if (Number(second) !== Number(first) + 1) throw new Error(`${first} and ${second} are no neighbors`);
      return Array.from({ length: Number(pieces) }, (_, k) =>
        noun === 'rows' ? `${first},${k + 1} ${second},${k + 1}` : `${k + 1},${first} ${k + 1},${second}`,
      );
    },
  );
}

/** All pairs of pieces that lie beside each other. */
function neighbours(count: number, across: number): readonly string[] {
  const at = (k: number): string => `${Math.floor(k / across) + 1},${(k % across) + 1}`;
  return Array.from({ length: count }, (_, k) => [
    ...((k + 1) % across !== 0 && k + 1 < count ? [`${at(k)} ${at(k + 1)}`] : []),
    ...(k + across < count ? [`${at(k)} ${at(k + across)}`] : []),
  ]).flat();
}

describe('the order of seams', () => {
  test('24 pieces, 4 across: 5 seams across and 3 down, which run over 15, and 16 ends', () => {
    const seams = seamsOf(laidOut({ count: 24, across: 4 }));
    expect(seams.map((s) => `${s.runs} ${s.pieces}`)).toEqual([
      ...Array.from({ length: 5 }, () => 'across 4'),
      ...Array.from({ length: 3 }, () => 'down 6'),
    ]);
    expect(seams.reduce((sum, s) => sum + s.crosses, 0)).toBe(15);
    expect(plan(many({ join: 'sewn' })).joining).toMatchObject({ ends: 16 });
  });

  test('followed as it is told, joins every two neighbors once', () => {
    for (let count = 2; count <= 40; count++)
      for (let across = 1; across <= 9; across++)
        expect([count, across, [...followed(count, across)].sort()]).toEqual([
          count,
          across,
          [...neighbours(count, Math.min(across, count))].sort(),
        ]);
  });
});

describe('pieces that are no squares', () => {
  const motif = (corners: number): Hem => {
    const piece = { kind: 'motif', corners, cornerChains: 2, sideCm: 12 } as const;
    const edge = { kind: 'solid', stitch: 'dc', stitches: 19, between: false } as const;
    return { ...on({ ...piece, edge }, small({ rounds: [entry()] })) };
  };
  const joined = (corners: number, count: number, across: number) =>
    plan({ ...motif(corners), alike: { ...ONE_PIECE, count, across, join: 'slip stitch' } });

  test('hexagons meet in rows, and rows in zigzags', () => {
    const { joining } = joined(6, 12, 4);
    // Three rows of 4: 3 upright seams in each; 7 sides between the first and the second, and between that and the third.
    expect(joining!.pairs.map(({ sides, times }) => [sides.join(), times])).toEqual([
      ['0,3', 9],
      ['1,4', 8],
      ['2,5', 6],
    ]);
    expect(joining!.seams.map((s) => `${s.runs} ${s.pieces}`)).toEqual([
      'apart 3',
      'apart 3',
      'apart 3',
      'zigzag 7',
      'zigzag 7',
    ]);
    expect(joining!.ends).toBe(2 * (9 + 2));
    expect(joining!.joins).toBe(joining!.pairs[0]!.joins * (9 + 8 + 6));
  });

  test('a last row of hexagons that is shorter touches as many as it lies under', () => {
    const zigzags = (count: number, across: number): readonly number[] =>
      joined(6, count, across).joining!.seams.flatMap((s) => (s.runs === 'zigzag' ? [s.pieces] : []));
    // The second row lies half a piece further on: 2 pieces touch 2 each, 4 all but one.
    expect(zigzags(6, 4)).toEqual([4]);
    expect(zigzags(8, 4)).toEqual([7]);
    // The third does not: its first piece touches one alone.
    expect(zigzags(10, 4)).toEqual([7, 3]);
  });

  test('hexagons meet wherever their middles lie a piece apart', () => {
    for (let count = 2; count <= 30; count++)
      for (let across = 1; across <= 7; across++) {
        const columns = Math.min(count, across);
        const middles = Array.from({ length: count }, (_, k) => {
          const row = Math.floor(k / columns);
          return { x: (k % columns) + (row % 2) / 2, y: (row * Math.sqrt(3)) / 2 };
        });
        const apart = middles.flatMap((a, i) =>
          middles.slice(i + 1).filter((b) => Math.hypot(a.x - b.x, a.y - b.y) < 1.01),
        ).length;
        const { pairs, seams } = joined(6, count, across).joining!;
        const sum = (of: readonly { readonly n: number }[]): number => of.reduce((all, { n }) => all + n, 0);
        expect([count, across, sum(pairs.map((p) => ({ n: p.times })))]).toEqual([count, across, apart]);
        expect([count, across, sum(seams.map((x) => ({ n: x.pieces })))]).toEqual([count, across, apart]);
      }
  });

  test('triangles meet their likes in strips, and bases between strips', () => {
    const { joining } = joined(3, 15, 5);
    // Three strips of 5: 4 slanting sides in each; 3 bases below the first, 2 below the second.
    expect(joining!.pairs.map(({ sides, times }) => [sides.join(), times])).toEqual([
      ['0,0', 5],
      ['1,1', 6],
      ['2,2', 6],
    ]);
    expect(joining!.unequal).toEqual([]);
    expect(joining!.ends).toBe(2 * 5);
  });

  test('each seam is told with what it joins, and larger pieces come to a size', () => {
    for (const [corners, words] of [
      [
        6,
        /side A meets D.*every seam by itself: row 1 \(3 seams\).*zigzag: between rows 1 and 2 \(7 sides\)/,
      ],
      [3, /two sides A meet.*zigzag: row 1 \(3 sides\).*straight go: between rows 1 and 2 \(2 sides\)/],
    ] as const) {
      const made = joined(corners, 8, 4);
      expect(joiningLines(made, 'us').join(' ')).toMatch(words);
      expect(alikeWords(made)[0]).toMatch(/^Make 8\. Joined, 4 across, 2 down: about \d+/);
    }
    expect(joined(5, 8, 4).joining).toMatchObject({ refused: 'leaves gaps' });
    expect(joined(8, 8, 4).joining).toMatchObject({ refused: 'leaves gaps' });
  });
});

describe('joining', () => {
  test('a square of 21 stitches with 3 rounds around it: 27 on a side, 29 joins with the corners', () => {
    const made = plan(many({ join: 'slip stitch' }));
    const { joining, rounds } = made;
    expect(rounds[2]!.sides[0]!.tally.stitches).toBe(27);
    expect(joining).toMatchObject({ joins: 29 * (5 * 4 + 3 * 6), refused: null });
    expect(joining!.pairs).toEqual([
      { where: 'between rows', sides: [0, 2], times: 20, joins: 29 },
      { where: 'in a row', sides: [1, 3], times: 18, joins: 29 },
    ]);
    const each = yarnInStitchMm(
      stitchOf({ kind: 'slst' }),
      made.stitchWidthMm,
      made.hem.yarns[0]!.diameterMm,
    );
    expect(joining!.metres).toBeCloseTo((joining!.joins * each) / 1000 + 16 * TAIL_M);
  });

  test('yarn and time are those of all pieces, and of joining them', () => {
    const one = plan({ ...many({}), alike: ONE_PIECE });
    const all = plan(many({ join: 'single crochet' }));
    const metres = (p: typeof one): number => p.yarns.reduce((sum, y) => sum + y.quantity.metres, 0);
    expect(metres(all)).toBeCloseTo(24 * metres(one) + all.joining!.metres);
    expect(plan(many({})).minutesInAll).toBeCloseTo(24 * one.minutes);
    expect(all.minutesInAll).toBeGreaterThan(
      24 * one.minutes + minutesOf(all.joining!.movements, one.hem.pace),
    );
    expect(all.minutes).toBeCloseTo(one.minutes);
  });

  test('as they are made: a slip stitch takes the place of the middle chain of 3, of the one, of either of 2', () => {
    const own = (chains: number) => ({
      text: `side: *sc in next st, ch ${chains}, sk 1*, sc in next st\ncorner: (sc, ch ${chains}, sc) in corner`,
      language: 'us' as const,
      name: '',
      note: '',
    });
    const told = (chains: number): string => {
      const rounds = [entry({ id: 'o', family: 'own', written: own(chains) })];
      return joiningLines(plan(many({ join: 'as they are made' }, { rounds })), 'us').join(' ');
    };
    expect(told(3)).toContain('for a ch-3 sp: ch 1, sl st in the ch-3 sp across, ch 1.');
    expect(told(1)).toContain('for a ch-1 sp: sl st in the ch-1 sp across.');
    expect(told(2)).toContain('for a ch-2 sp: ch 1, sl st in the ch-2 sp across.');
    expect(plan(many({ join: 'as they are made' })).joining).toMatchObject({ refused: 'no chain spaces' });
    // Corners that are stitches are joined to nothing.
    const written = {
      ...own(3),
      text: 'side: *sc in next st, ch 3, sk 1*, sc in next st\ncorner: 3 sc in corner',
    };
    const rounds = [entry({ id: 'o', family: 'own', written })];
    const { joining, rounds: made } = plan(many({ join: 'as they are made' }, { rounds }));
    const spaces = made.at(-1)!.ring.made.filter((s) => s.chains === 3).length / 4;
    expect(joining!.withCorners).toBe(false);
    expect(joining!.pairs.map((p) => p.joins)).toEqual([spaces, spaces]);
  });

  test('is refused with its reason', () => {
    const disc = PIECES.find(([name]) => name === 'a disc')![1];
    const shells = [entry({ family: 'shell' })];
    expect(plan(many({ count: 1, join: 'sewn' })).joining).toMatchObject({ refused: 'one piece' });
    expect(
      plan({ ...on(disc, small()), alike: { ...ONE_PIECE, count: 3, join: 'flat' } }).joining,
    ).toMatchObject({
      refused: 'leaves gaps',
    });
    expect(plan(many({ join: 'sewn' }, { rounds: shells })).joining).toMatchObject({
      refused: 'last round not straight',
    });
    expect(plan(many({})).joining).toBeNull();
  });

  test('sides that meet and do not pair off are told, and a base count that mends it is planned and offered', () => {
    const hem = many({ join: 'sewn' });
    const sides = hem.base.sides.map((s, i) => (i === 2 ? { ...s, count: 24 } : s));
    const off = plan({ ...hem, base: { ...hem.base, sides } });
    expect(off.joining!.unequal).toEqual([{ sides: [0, 2], places: [27, 30] }]);
    expect(joiningLines(off, 'us')[0]).toBe(
      'Take care: sides A and C meet and do not pair off: 27 on A, 30 on C.',
    );
    const [way] = waysToEqualSides(off);
    const outcome = performed(off.hem, way!.edit);
    expect(outcome.ok && plan(outcome.value).joining!.unequal).toEqual([]);
    expect(waysToEqualSides(plan(hem))).toEqual([]);
  });

  test('a pattern says how many, how large, and every way to join them', () => {
    expect(alikeWords(plan({ ...many({}), alike: ONE_PIECE }))).toEqual([]);
    expect(alikeWords(plan(many({})))).toEqual(['Make 24.']);
    for (const join of JOIN_IDS)
      for (const language of ['us', 'uk'] as const)
        expect(joiningLines(plan(many({ join })), language).join(' ')).not.toMatch(/undefined|NaN/);
    expect(alikeWords(plan(many({ join: 'flat', count: 23 })))[0]).toMatch(
      /^Make 23\. Joined, 4 across, 6 down, 3 in the last row: about \d/,
    );
  });

  test('fewer pieces than are done are none', () => {
    const outcome = performed(many({ done: 20 }), describeAlike({ count: 12 }));
    expect(outcome.ok && outcome.value.alike).toMatchObject({ count: 12, done: 12 });
  });
});
