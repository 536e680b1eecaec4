import { isDeepStrictEqual } from 'node:util';
import fc from 'fast-check';
import { demoPlan, demoPlans } from '../../demo/read.ts';
import { describe, expect, test } from '@jest/globals';
import { CROSSING_IDS } from '../base/crossings.ts';
import { changePiece, plainSide } from '../document/changePiece.ts';
import type { Hem } from '../document/hem.ts';
import { likeSides } from './symmetry.ts';
import { createPlanner, plan } from '../plan/planner.ts';
import { tallyRing, tallySide } from '../ring/ring.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { writtenPattern } from '../print/steps/pattern.ts';
import { patternText } from '../print/patternText.ts';
import { corners, lengthAt, throughCorners } from './outline.ts';
import { bodyOf, withCornerAt, type Piece } from './piece.ts';
import type { GridPiece } from './grid/grid.schema.ts';

const hemOf = (piece: Piece, part: Partial<Hem> = {}): Hem => {
  const hem = rowsHem();
  return { ...hem, ...changePiece(hem, piece), ...part };
};

const motifs = (across: number, stitches: number): GridPiece => ({
  kind: 'grid',
  lattice: 'squares',
  halves: false,
  halfStitches: null,
  cornerChains: 2,
  cells: Array.from({ length: 3 }, () => '#'.repeat(across)),
  edge: { kind: 'solid', stitch: 'dc', stitches: stitches, between: false },
  motifCm: 15,
});

describe('joined motifs', () => {
  test.each([
    ['both', 154],
    ['together', 149],
    ['tall', 149],
    ['seam', 149],
    ['skip', 144],
  ] as const)('six of 24 stitches, crossed %s: %i', (crossing, count) => {
    const hem = hemOf(motifs(6, 24));
    const made = plan({ ...hem, base: { ...hem.base, crossing } });
    expect(made.sides[0]!.count).toBe(count);
    // Two together is one stitch, and the corner puts one of its three on either side.
    expect(tallySide(made.rounds[0]!.ring, 0).stitches).toBe(count + 2);
  });

  test('a single join may be crossed in its own way, and the words say which', () => {
    const hem = hemOf(motifs(6, 24));
    const sides = hem.base.sides.map((s, i) => (i === 0 ? { ...s, crossings: { '2': 'skip' as const } } : s));
    const made = plan({ ...hem, base: { ...hem.base, sides } });
    expect(made.sides[0]!.count).toBe(152);
    expect(patternText(writtenPattern(made, 'us'))).toContain(
      'at seams 1, 2, 4 and 5: 1 sc in each of its two corner spaces; at seam 3: nothing, skip it',
    );
  });

  test('a count by hand leaves the joins alone', () => {
    const hem = hemOf(motifs(6, 24));
    const sides = hem.base.sides.map((s) => ({ ...s, count: 160 }));
    const made = plan({ ...hem, base: { ...hem.base, sides } });
    const { placement, edge } = made.sides[0]!;
    expect(placement.reduce((a, b) => a + b, 0)).toBe(160);
    for (const first of edge.joins) expect(placement.slice(first, first + 3)).toEqual([1, 0, 1]);
  });

  test('the base round takes two together at an inner corner, and works three into an outer one', () => {
    const made = demoPlan('stepped');
    const { ring, layout } = made.rounds[0]!;
    layout.corners.forEach(({ start, length }, corner) => {
      const worked = Array.from({ length }, (_, k) => ring.made[(start + k) % ring.made.length]!);
      const inner = made.body.outline.turns[corner]! < 0;
      expect([corner, worked.map((s) => s.legs)]).toEqual([corner, inner ? [2] : [1, 1, 1]]);
    });
  });

  test('a stepped grid has inner corners, whose sides lose what outer corners gain', () => {
    const stepped: GridPiece = { ...motifs(1, 20), cells: ['##.', '###', '###'] };
    const { outline } = bodyOf(stepped);
    expect(outline.turns.filter((t) => t < 0)).toHaveLength(1);
    expect(outline.turns.reduce((a, b) => a + b, 0)).toBeCloseTo(2 * Math.PI, 6);
    const made = plan(hemOf(stepped, { rounds: [entry({ corner: 'angle', times: 3 })] }));
    const inner = outline.turns.findIndex((t) => t < 0);
    const counts = made.rounds.map((r) => r.sides[inner]!.tally.stitches);
    expect(new Set(counts).size).toBe(1);
    expect(made.rounds.every((r) => r.even)).toBe(true);
  });
});

describe('blocks from corner to corner', () => {
  test('30 blocks of half doubles: 30 chain spaces, then 64 stitches between the corner spaces', () => {
    const piece: Piece = {
      kind: 'blocks',
      stitch: 'hdc',
      loopChains: 2,
      blocksWide: 30,
      blocksHigh: 30,
      widthCm: 80,
      heightCm: 80,
    };
    const hem = hemOf(piece, {
      rounds: [entry({ family: 'fill-loops', stitch: 'hdc', corner: 'twos', size: 2 })],
    });
    const made = plan({ ...hem, base: { ...hem.base, corner: 'chain-2' } });
    expect(tallySide(made.rounds[0]!.ring, 0).spaces).toBe(30);
    expect(tallySide(made.rounds[1]!.ring, 0).stitches).toBe(64);
    expect(made.rounds[1]!.even).toBe(true);
  });

  test('of doubles: threes give 3b + 4', () => {
    const piece: Piece = {
      kind: 'blocks',
      stitch: 'dc',
      loopChains: 3,
      blocksWide: 21,
      blocksHigh: 21,
      widthCm: 80,
      heightCm: 80,
    };
    const hem = hemOf(piece, {
      rounds: [entry({ family: 'fill-loops', stitch: 'dc', corner: 'twos', size: 3 })],
    });
    const made = plan({ ...hem, base: { ...hem.base, corner: 'chain-2' } });
    expect(tallySide(made.rounds[1]!.ring, 0).stitches).toBe(3 * 21 + 4);
  });
});

test('loops have the chains that the maker gives them', () => {
  const piece = {
    kind: 'blocks',
    stitch: 'hdc',
    blocksWide: 30,
    blocksHigh: 30,
    widthCm: 60,
    heightCm: 60,
  } as const;
  const chains = (loopChains: number): readonly number[] => {
    const hem = { ...rowsHem(), ...changePiece(rowsHem(), { ...piece, loopChains }) };
    const sides = hem.base.sides.map((s) => ({ ...s, school: 'loops' as const, count: null }));
    const { made } = plan({ ...hem, base: { ...hem.base, sides } }).rounds[0]!.ring;
    return [...new Set(made.map((s) => s.chains))].sort();
  };
  expect(chains(1)).toEqual([0, 1]);
  expect(chains(4)).toEqual([0, 4]);
});

describe('other bodies', () => {
  const clustered: Piece = {
    kind: 'motif',
    corners: 4,
    cornerChains: 2,
    edge: { kind: 'clustered', clusters: 10, stitchesEach: 3, chainsBetween: 1 },
    sideCm: 30,
  };

  test.each([
    ['each', 30 + 9],
    ['between', 20 + 9],
    ['clusters', 27],
  ] as const)('ten clusters of three with a chain between, %s: %i', (school, count) => {
    const hem = hemOf(clustered);
    const sides = hem.base.sides.map(() => plainSide(school));
    expect(plan({ ...hem, base: { ...hem.base, sides } }).sides[0]!.count).toBe(count);
  });

  test('regular polygons grow as their angle asks, and stay within a stitch of it', () => {
    for (const corners of [3, 5, 6, 8]) {
      const piece: Piece = {
        kind: 'motif',
        corners,
        cornerChains: 0,
        edge: { kind: 'solid', stitch: 'dc', stitches: 60, between: false },
        sideCm: 43,
      };
      const made = plan(hemOf(piece, { rounds: [entry({ stitch: 'hdc', corner: 'angle', times: 12 })] }));
      const first = made.rounds[0]!;
      const last = made.rounds[12]!;
      const gained = last.sides[0]!.tally.stitches - first.sides[0]!.tally.stitches;
      const wanted =
        (lengthAt(made.body.outline, 0, last.heightMm) - lengthAt(made.body.outline, 0, first.heightMm)) /
        made.stitchWidthMm;
      expect(Math.abs(gained - wanted)).toBeLessThanOrEqual(2);
    }
  });

  test('a disc gains 2π times its height, spread round', () => {
    const piece: Piece = { kind: 'counted', sides: [{ lengthCm: 150, stitches: 210, turnDegrees: 0 }] };
    const made = plan(hemOf(piece, { rounds: [entry({ stitch: 'dc', times: 3 })] }));
    const gained = tallyRing(made.rounds[3]!.ring).stitches - tallyRing(made.rounds[0]!.ring).stitches;
    expect(gained).toBe(Math.round(2 * Math.PI * (0.95 + 3 * 1.9)) - Math.round(2 * Math.PI * 0.95));
    expect(made.rounds.every((r) => r.even)).toBe(true);
  });

  test('cloth offers a hole for every pitch but the corners’', () => {
    const made = plan(hemOf({ kind: 'cloth', widthCm: 75, heightCm: 90, pitchMm: 10 }));
    expect(made.sides.map((s) => s.spacings.find((x) => x.id === 'each')!.count)).toEqual([74, 89, 74, 89]);
  });

  test('like sides are told from the piece', () => {
    expect(likeSides(bodyOf(rowsHem().piece))).toEqual([
      [0, 2],
      [1, 3],
    ]);
    expect(likeSides(bodyOf(clustered))).toEqual([[0, 1, 2, 3]]);
  });
});

describe('every demo', () => {
  const demos = demoPlans().map(([file, made]) => [file, made.hem] as const);

  test.each(demos)('%s: a left-handed plan has the same counts', (_, hem) => {
    const other = { ...hem, preferences: { ...hem.preferences, hand: 'left' as const } };
    const counts = (h: Hem) => plan(h).rounds.map((r) => [r.total, ...r.sides.map((s) => s.tally)]);
    expect(counts(other)).toEqual(counts(hem));
  });

  test('a plan that was edited step by step equals one computed afresh', () => {
    const planner = createPlanner();
    const hems = demos.map(([, hem]) => hem);
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: hems.length - 1 }),
        fc.integer({ min: -3, max: 3 }),
        fc.integer({ min: 1, max: 3 }),
        fc.constantFrom(...CROSSING_IDS),
        (which, more, times, crossing) => {
          const hem = hems[which]!;
          const counts = plan(hem).sides.map((s) => s.count + more);
          const edited: Hem = {
            ...hem,
            base: {
              ...hem.base,
              crossing,
              sides: hem.base.sides.map((s, i) => (i === 0 ? { ...s, count: counts[i]! } : s)),
            },
            rounds: hem.rounds.map((r, i) => (i === 0 ? { ...r, times } : r)),
          };
          planner(hem);
          const incremental = planner(edited);
          expect(isDeepStrictEqual(incremental, plan(edited))).toBe(true);
        },
      ),
      { seed: 5, numRuns: 40 },
    );
  });
});

describe('the last row of a piece in rows', () => {
  test('may be worked between its posts: one space more than there are stitches between the corners', () => {
    const hem = rowsHem({ stitches: 20 });
    const { piece } = hem;
    if (piece.kind !== 'rows') throw new Error('a piece in rows was wanted');
    const made = plan({ ...hem, ...changePiece(hem, { ...piece, lastRow: 'between the posts' }) });
    expect(made.body.edges[0]!.spots).toHaveLength(19);
    expect(made.sides[0]).toMatchObject({ count: 19, choice: { school: 'between' } });
    expect(patternText(writtenPattern(made, 'us'))).toContain(
      'Side A: 19 sc along the edge: 1 in each space between two sts.',
    );
    expect(plan(hem).sides[0]).toMatchObject({ count: 18, choice: { school: 'each' } });
  });
});

test('a motif offers the spaces between its posts: one more than its stitches beside corner stitches, one fewer beside spaces', () => {
  const edge = { kind: 'solid', stitch: 'dc', stitches: 20, between: true } as const;
  const spaces = (corners: number, cornerChains: number): readonly string[] =>
    bodyOf({ kind: 'motif', corners, cornerChains, edge, sideCm: 15 }).edges[0]!.spots.map((s) => s.kind);
  expect(new Set(spaces(4, 2))).toEqual(new Set(['between stitches']));
  expect([spaces(4, 2).length, spaces(4, 0).length, spaces(0, 0).length]).toEqual([19, 21, 20]);
  const joined = bodyOf({
    kind: 'grid',
    lattice: 'squares',
    halves: false,
    halfStitches: null,
    cells: ['##'],
    cornerChains: 2,
    edge,
    motifCm: 15,
  });
  expect(joined.edges[0]!.spots.filter((s) => s.kind === 'between stitches')).toHaveLength(38);
});

test('26 stitches offer 25 spaces between the posts of row 1, and 24 of its stitches', () => {
  const hem = rowsHem({ stitches: 26 });
  const { piece } = hem;
  if (piece.kind !== 'rows') throw new Error('a piece in rows was wanted');
  const along = (foundation: typeof piece.foundation) =>
    plan({ ...hem, ...changePiece(hem, { ...piece, foundation }) }).sides[2]!;
  expect(along('between the posts of row 1')).toMatchObject({ count: 25, choice: { school: 'between' } });
  expect(along('stitches of row 1').count).toBe(24);
});

describe('a corner elsewhere', () => {
  const points = fc
    .array(fc.double({ min: 0.7, max: 1.3, noNaN: true }), { minLength: 3, maxLength: 9 })
    .map((radii) => {
      const angles = radii.map((_, i) => Math.PI / 3 + (2 * Math.PI * i) / radii.length);
      return radii.map((r, i) => ({ x: 300 * r * Math.cos(angles[i]!), y: -300 * r * Math.sin(angles[i]!) }));
    });

  test('closes the outline again, and leaves the sides that do not meet there as they were', () => {
    fc.assert(
      fc.property(points, fc.nat(8), fc.double({ min: -90, max: 90, noNaN: true }), (line, at, by) => {
        const { lengthsMm, turns } = throughCorners(line);
        const piece: Piece = {
          kind: 'counted',
          sides: lengthsMm.map((mm, i) => ({
            lengthCm: Math.round(mm) / 10,
            stitches: Math.max(1, Math.round(mm / 7)),
            turnDegrees: Math.round((turns[i]! * 1800) / Math.PI) / 10,
          })),
        };
        const corner = at % line.length;
        const from = corners(bodyOf(piece).outline, 0)[corner]!;
        const moved = withCornerAt(piece, corner, { x: from.x + by, y: from.y - by / 2 });
        fc.pre(moved !== null && moved.kind === 'counted');
        const codes = plan(hemOf(moved)).problems.map((p) => p.code);
        expect(codes).not.toContain('corners-differ');
        expect(codes).not.toContain('outline-open');
        const before = (corner + line.length - 1) % line.length;
        if (moved.kind !== 'counted') return;
        moved.sides.forEach((s, i) => {
          if (i !== corner && i !== before) expect(s.lengthCm).toBe(piece.sides[i]!.lengthCm);
        });
      }),
      { numRuns: 60 },
    );
  });

  test('that folds the outline over itself is refused', () => {
    const square: Piece = {
      kind: 'counted',
      sides: [50, 50, 50, 50].map((lengthCm) => ({ lengthCm, stitches: 70, turnDegrees: 90 })),
    };
    expect(withCornerAt(square, 0, { x: -2000, y: 100 })).toBeNull();
  });
});
