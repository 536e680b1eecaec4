import { describe, expect, test } from '@jest/globals';
import { changePiece } from '../../document/changePiece.ts';
import { entriesFor } from '../../forecast/nextRound.ts';
import { plain as plainFamily } from '../../rounds/plain.ts';
import { plan } from '../../plan/planner.ts';
import { performed } from '../../edits/edit.ts';
import { describePiece } from '../../edits/piece.ts';
import { tallySide } from '../../ring/ring.ts';
import { rowsHem } from '../../testing/hems.ts';
import { corners, extent } from '../outline.ts';
import { bodyOf, partAt, withSideLength } from '../piece.ts';
import { likeSides } from '../symmetry.ts';
import type { GridPiece } from './grid.schema.ts';
import { inField, partOfMotif, placedMotifs, type PlacedMotif } from './grid.ts';
import { inRings, motifsLeftOut, withMotif } from './rearranged.ts';
import { neighboursOf, paintedMotifs, type MotifColours } from './painting.ts';
import { LATTICE_IDS } from './latticeIds.ts';
import { traced } from './trace.ts';

const one: GridPiece = {
  kind: 'grid',
  lattice: 'squares',
  halves: false,
  halfStitches: null,
  cells: ['#'],
  edge: { kind: 'solid', stitch: 'dc', stitches: 10, between: false },
  cornerChains: 2,
  motifCm: 8,
};
const field = (part: Partial<GridPiece>, across: number, down: number): GridPiece =>
  inField({ ...one, ...part }, { across, down });
const turnsOf = (piece: GridPiece): readonly number[] =>
  bodyOf(piece).outline.turns.map((turn) => Math.round((turn * 180) / Math.PI));

/** By hand, with pencil and paper: motifs, halves among them, and corners, each by the angle by which the border turns there. */
const BY_HAND: readonly (readonly [
  string,
  GridPiece,
  { readonly motifs: number; readonly turns: Readonly<Record<number, number>> },
])[] = [
  [
    '5 × 7 hexagons, a point up',
    field({ lattice: 'hexagons point up' }, 5, 7),
    { motifs: 35, turns: { 60: 26, '-60': 20 } },
  ],
  [
    '4 × 4 hexagons, a flat side up',
    field({ lattice: 'hexagons flat up' }, 4, 4),
    { motifs: 16, turns: { 60: 18, '-60': 12 } },
  ],
  // Left and right are straight; at the top and the bottom each of the dips between hexagons is an inner corner.
  [
    '5 × 7 hexagons with half ones',
    field({ lattice: 'hexagons point up', halves: true }, 5, 7),
    { motifs: 38, turns: { 60: 14, '-60': 8 } },
  ],
  [
    'a flower of seven hexagons',
    inRings({ ...one, lattice: 'hexagons point up' }, 1),
    { motifs: 7, turns: { 60: 12, '-60': 6 } },
  ],
  [
    'two rings of hexagons',
    inRings({ ...one, lattice: 'hexagons flat up' }, 2),
    { motifs: 19, turns: { 60: 18, '-60': 12 } },
  ],
  [
    '3 × 3 squares on their point',
    field({ lattice: 'squares on point' }, 3, 3),
    { motifs: 9, turns: { 90: 9, '-90': 5 } },
  ],
  // 12 whole ones in 4 rows of 3, 6 between them in 3 rows of 2; 2 · 3 half ones at the sides, 2 · 2 at top and bottom, 4 quarters.
  [
    '3 × 4 squares on their point, straight',
    field({ lattice: 'squares on point', halves: true }, 3, 4),
    { motifs: 12 + 6 + 6 + 4 + 4, turns: { 90: 4 } },
  ],
  ['a row of 5 triangles', field({ lattice: 'triangles' }, 5, 1), { motifs: 5, turns: { 120: 2, 60: 2 } }],
  [
    '5 × 2 triangles with half ones',
    field({ lattice: 'triangles', halves: true }, 5, 2),
    { motifs: 10, turns: { 90: 4 } },
  ],
];

test.each(BY_HAND)('%s', (_, piece, { motifs, turns }) => {
  expect(placedMotifs(piece)).toHaveLength(motifs);
  const counted = new Map<number, number>();
  for (const turn of turnsOf(piece)) counted.set(turn, (counted.get(turn) ?? 0) + 1);
  expect(Object.fromEntries(counted)).toEqual(turns);
  expect(traced(piece).whole).toBe(true);
});

describe.each(LATTICE_IDS)('%s', (lattice) => {
  test.each([false, true])('motifs lie on the piece, none over another, half ones: %s', (halves) => {
    const piece = field({ lattice, halves }, 4, 5);
    const { outline } = bodyOf(piece);
    expect(outline.turns.reduce((sum, turn) => sum + turn, 0)).toBeCloseTo(2 * Math.PI, 9);
    const { widthMm, heightMm } = extent(outline, 0);
    const all = placedMotifs(piece);
    const within = Math.max(...all.flatMap(({ points }) => points.map(({ x }) => Math.abs(x))));
    expect(within).toBeCloseTo(widthMm / 2, 6);
    // Their areas come to that of the outline.
    const area = (points: readonly { readonly x: number; readonly y: number }[]): number =>
      points.reduce((sum, a, i) => {
        const b = points[(i + 1) % points.length]!;
        return sum + (b.x * a.y - a.x * b.y) / 2;
      }, 0);
    expect(all.reduce((sum, { points }) => sum + area(points), 0)).toBeCloseTo(area(corners(outline, 0)), 3);
    expect(heightMm).toBeGreaterThan(100);
    for (const { middle, column, row } of all) expect(partAt(piece, middle)).toBe(partOfMotif(column, row));
  });

  test('rings around one motif grow by what touches them', () => {
    const counts = [1, 2, 3].map((rings) => placedMotifs(inRings({ ...one, lattice }, rings)).length);
    const told = { squares: [9, 25, 49], triangles: [13, 37, 73] }[lattice as string];
    expect(counts).toEqual(told ?? (lattice === 'squares on point' ? [9, 25, 49] : [7, 19, 37]));
  });
});

test('5 × 7 hexagons have sides of a few kinds, which one treats alike', () => {
  const groups = likeSides(bodyOf(field({ lattice: 'hexagons point up' }, 5, 7)));
  // Between two outer corners, between two inner ones, and between one of each, whichever comes first.
  expect(groups.length).toBeLessThanOrEqual(3);
  expect(groups.flat()).toHaveLength(46);
});

describe('colours', () => {
  const palette = ['#aa0000', '#00aa00', '#0000aa', '#aaaa00'];
  /** Pairs of joined motifs that have the same colour. */
  const alike = (piece: GridPiece, colours: MotifColours): number => {
    const of = ({ column, row }: PlacedMotif) => colours[String(partOfMotif(column, row))];
    return [...neighboursOf(placedMotifs(piece))].reduce(
      (sum, [motif, across]) => sum + across.filter((other) => of(other) === of(motif)).length,
      0,
    );
  };

  test.each(LATTICE_IDS)('of %s alternately and at random: neighbours differ', (lattice) => {
    for (const halves of [false, true]) {
      const piece = field({ lattice, halves }, 5, 6);
      for (const n of lattice.startsWith('hexagons') ? [3] : [2, 3])
        expect([n, alike(piece, paintedMotifs(piece, 'alternately', palette.slice(0, n)))]).toEqual([n, 0]);
      for (const seed of [1, 2, 3])
        expect(alike(piece, paintedMotifs(piece, 'at random', palette, seed))).toBe(0);
      expect(paintedMotifs(piece, 'at random', palette, 1)).not.toEqual(
        paintedMotifs(piece, 'at random', palette, 2),
      );
    }
  });

  test('of a single one all are that', () => {
    const piece = field({}, 3, 2);
    expect(new Set(Object.values(paintedMotifs(piece, 'at random', ['#123456'])))).toEqual(
      new Set(['#123456']),
    );
  });
});

test('a motif is left out and put back where it was', () => {
  const piece = field({ lattice: 'hexagons flat up', halves: true }, 4, 3);
  const without = withMotif(piece, 3, 0)!;
  expect(motifsLeftOut(without).map(({ column, row }) => [column, row])).toEqual([[3, 0]]);
  const [gap] = motifsLeftOut(without);
  const before = placedMotifs(piece).find(({ column, row }) => column === 3 && row === 0)!;
  expect(gap!.points).toHaveLength(before.points.length);
  expect(withMotif(without, 3, 0)!.cells).toEqual(piece.cells);
  expect(withMotif(one, 0, 0)).toBeNull();
});

test('a side that is measured tells the size of the motifs', () => {
  const straight = field({ lattice: 'squares on point', halves: true }, 3, 4);
  const piece = withSideLength(straight, 0, 60) as GridPiece;
  expect(piece.motifCm).toBeCloseTo(60 / 3 / Math.SQRT2, 9);
});

test('half motifs have the stitches that their long side comes to, or those that were counted', () => {
  const straight = field({ lattice: 'squares on point', halves: true }, 3, 4);
  const tops = (piece: GridPiece): number =>
    bodyOf(piece).edges[0]!.spots.filter(({ kind }) => kind === 'stitch top').length;
  // A quarter, two half ones, a quarter: 12 · √2 − 2 and half of 12 · √2 less 2.
  expect(tops(straight)).toBe(6 + 15 + 15 + 6);
  expect(tops({ ...straight, halfStitches: 18 })).toBe(8 + 18 + 18 + 8);
});

describe('a border around hexagons', () => {
  const start = rowsHem();
  const outcome = performed(start, describePiece('hexagons', field({ lattice: 'hexagons point up' }, 5, 7)));
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
  const made = plan(outcome.value);

  test('goes around corners by their angle: 2 stitches at 60°, 2 together in the dips', () => {
    expect(outcome.value.base.corner).toBe('angle');
    const { ring, layout } = made.rounds[0]!;
    layout.corners.forEach(({ start: first, length }, corner) => {
      const worked = Array.from({ length }, (_, k) => ring.made[(first + k) % ring.made.length]!);
      const inner = made.body.outline.turns[corner]! < 0;
      expect([corner, worked.map((s) => s.legs)]).toEqual([corner, inner ? [2] : [1, 1, 1]]);
    });
  });

  test('goes on so: a plain round that is added works them by their angle, too', () => {
    const [added] = entriesFor(made, plainFamily, 'on top', made.hem.yarns[0]!.id, ['a', 'b']);
    expect(added).toMatchObject({ family: 'plain', corner: 'angle' });
    const square = plan(start);
    const [usual] = entriesFor(square, plainFamily, 'on top', start.yarns[0]!.id, ['a', 'b']);
    expect(usual).toMatchObject({ corner: 'three' });
  });

  test('works each stitch of a side', () => {
    expect(made.sides.map((side) => side.count)).toEqual(made.sides.map(() => 10));
    expect(tallySide(made.rounds[0]!.ring, 0).stitches).toBeGreaterThanOrEqual(10);
  });

  test('is kept over another field of the same shape', () => {
    const more = changePiece(outcome.value, field({ lattice: 'hexagons point up' }, 6, 7));
    expect(more.base.sides).toHaveLength(50);
  });
});
