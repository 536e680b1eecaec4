import { describe, expect, test } from '@jest/globals';
import { demoPlan, demoPlans } from '../../demo/read.ts';
import { changePiece } from '../document/changePiece.ts';
import { plan } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import type { Piece } from '../piece/piece.ts';
import { corners, isDisc, type Point } from '../piece/outline.ts';
import { IN_NOTHING, entryOf, isGap, sideCount, sideSpan } from '../ring/ring.ts';
import { isChainRun, isOrnament, stitchHeight } from '../ring/stitch.ts';
import { withEveryFamily } from '../testing/bodies.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { chartOf } from './chart.ts';
import { edgeFeet } from './feet.ts';
import { edgeChartOf } from './edgeChart.ts';
import { landmarksOf } from './landmarks.ts';

const small = rowsHem({ stitches: 42, rows: [{ stitch: 'dc', count: 22 }], widthCm: 30, heightCm: 31 });
const withPiece = (piece: Piece): Plan => {
  const hem = rowsHem({ rounds: [entry({ times: 2 })] });
  return plan({ ...hem, ...changePiece(hem, piece) });
};
const GRID: Piece = {
  kind: 'grid',
  lattice: 'squares',
  halves: false,
  halfStitches: null,
  cornerChains: 2,
  cells: ['###', '###'],
  edge: { kind: 'solid', stitch: 'dc', stitches: 20, between: false },
  motifCm: 14,
};

/** Distance of a point from a segment. */
function fromSegment(p: Point, a: Point, b: Point): number {
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const t = Math.min(1, Math.max(0, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / length ** 2));
  return Math.hypot(p.x - a.x - t * (b.x - a.x), p.y - a.y - t * (b.y - a.y));
}

describe('stitches sit where they are worked', () => {
  const plans = [...withEveryFamily(small), ...demoPlans()];

  test.each(plans)('%s: every foot is the top, or the gap, that the stitch goes into', (_, made) => {
    const charts = chartOf(made);
    made.rounds.slice(1).forEach((round) => {
      const chart = charts[round.number]!;
      const below = charts[round.onto]!;
      const size = below.ring.made.length;
      const astray: unknown[] = [];
      round.ring.into.forEach((place, i) => {
        if (place === IN_NOTHING) return;
        const { form, legs } = round.ring.made[i]!;
        if (form === 'together') {
          const next = (entryOf(place) + legs - 1) % size;
          const between = (below.headX[entryOf(place)]! + below.headX[next]!) / 2;
          const isCentre = round.ring.centres.some((c) => c.start === i && c.length > 0);
          if (!isCentre && Math.abs(chart.footX[i]! - between) > 0.0005)
            astray.push([i, chart.footX[i], between]);
          return;
        }
        const k = entryOf(place);
        const before = (k - 1 + size) % size;
        const x = isGap(place) ? (below.headX[k]! + below.headX[before]!) / 2 : below.headX[k]!;
        const y = isGap(place) ? (below.headY[k]! + below.headY[before]!) / 2 : below.headY[k]!;
        if (chart.footX[i] !== Math.fround(x) || chart.footY[i] !== Math.fround(y))
          astray.push([i, chart.footX[i], chart.footY[i], x, y]);
      });
      expect([round.name, astray]).toEqual([round.name, []]);
    });
  });

  test('two that are worked together where the ring begins stand between its last top and its first', () => {
    const written = {
      text: 'side: *sc2tog, ch 1*\ncorner: (sc, ch 2, sc) in corner',
      language: 'us',
      name: '',
      note: '',
    } as const;
    let over = 0;
    for (let count = 40; count < 46; count++) {
      const sides = small.base.sides.map((s) => ({ ...s, count }));
      const rounds = [entry(), entry({ id: 'r2', family: 'own', written })];
      const made = plan({ ...small, base: { ...small.base, sides }, rounds });
      const [, below, above] = chartOf(made);
      expect([...above!.headX, ...above!.headY].filter(Number.isNaN)).toEqual([]);
      const size = below!.ring.made.length;
      const i = above!.ring.into.indexOf(size - 1);
      if (above!.ring.made[i]?.form !== 'together') continue;
      over++;
      expect(above!.footX[i]).toBeCloseTo((below!.headX[size - 1]! + below!.headX[0]!) / 2, 3);
    }
    expect(over).toBeGreaterThan(0);
  });

  test.each(plans)('%s: tops follow each other along a side, in the order of work', (_, made) => {
    const { outline } = made.body;
    made.rounds.forEach((round, k) => {
      if (round.free || isDisc(outline)) return;
      const { ring, headX, headY } = chartOf(made)[k]!;
      const points = corners(outline, round.heightMm);
      for (let side = 0; side < sideCount(ring); side++) {
        const [a, b] = [points[side]!, points[(side + 1) % points.length]!];
        const { start, length } = sideSpan(ring, side);
        const along = Array.from({ length }, (_unused, j) => {
          const i = (start + j) % ring.made.length;
          return (headX[i]! - a.x) * (b.x - a.x) + (headY[i]! - a.y) * (b.y - a.y);
        });
        const back = along.filter((x, j) => j > 0 && x < along[j - 1]! - 0.01);
        expect([round.name, side, back]).toEqual([round.name, side, []]);
      }
    });
  });

  test('away from the corners a stitch stands straight over its foot', () => {
    const made = plan({ ...small, rounds: [entry({ times: 3 })] });
    for (const { ring, headX, headY, footX, footY } of chartOf(made).slice(1)) {
      const { start, length } = sideSpan(ring, 0);
      const leans = Array.from({ length: length - 16 }, (_, k) => {
        const i = (start + 8 + k) % ring.made.length;
        return Math.abs(headX[i]! - footX[i]!) / (footY[i]! - headY[i]!);
      });
      expect(Math.max(...leans)).toBeLessThan(0.05);
    }
  });

  test.each(plans)('%s: the tops of a straight round lie on the outline grown to its height', (_, made) => {
    const { outline } = made.body;
    made.rounds.forEach((round, k) => {
      if (round.free) return;
      const chart = chartOf(made)[k]!;
      const points = corners(outline, round.heightMm);
      const offs: number[] = [];
      for (let side = 0; side < sideCount(round.ring); side++) {
        const span = sideSpan(round.ring, side);
        for (let n = 0; n < span.length; n++) {
          const i = (span.start + n) % round.ring.made.length;
          if (isOrnament(round.ring.made[i]!)) continue;
          const p = { x: chart.headX[i]!, y: chart.headY[i]! };
          const off = isDisc(outline)
            ? Math.hypot(p.x, p.y) - points[0]!.x
            : fromSegment(p, points[side]!, points[(side + 1) % points.length]!);
          offs.push(Math.abs(off));
        }
      }
      expect(Math.max(0, ...offs)).toBeLessThan(0.01);
    });
  });

  test('the stitches of one row end stand along its post, those of a corner meet in one place', () => {
    const { body, rounds } = plan(small);
    const chart = chartOf(plan(small))[0]!;
    const { into } = rounds[0]!.ring;
    // Side B: its spots follow the corner, the spots of A and the corner before B.
    const first = body.edges[0]!.spots.length + 2;
    const two = [...into.keys()].filter((i) => into[i] === first);
    expect(two).toHaveLength(2);
    const apart = Math.abs(chart.footY[two[0]!]! - chart.footY[two[1]!]!);
    expect(apart).toBeCloseTo(body.edges[1]!.spots[0]!.lengthMm / 2, 2);
    const corner = [...into.keys()].filter((i) => into[i] === 0);
    expect(corner).toHaveLength(3);
    expect(new Set(corner.map((i) => `${chart.footX[i]} ${chart.footY[i]}`)).size).toBe(1);
  });
});

describe('lobes', () => {
  test('a shell fans out from one place, each stitch as long as it is tall', () => {
    const [, made] = withEveryFamily(small).find(([id]) => id === 'shell')!;
    const last = made.rounds[made.rounds.length - 1]!;
    const chart = chartOf(made)[last.number]!;
    const groups = new Map<number, number[]>();
    last.ring.into.forEach((place, i) => groups.set(place, [...(groups.get(place) ?? []), i]));
    const shells = [...groups.values()].filter((g) => g.length >= 5);
    expect(shells.length).toBeGreaterThan(8);
    for (const shell of shells) {
      const angles = shell.map((i) =>
        Math.atan2(chart.headY[i]! - chart.footY[i]!, chart.headX[i]! - chart.footX[i]!),
      );
      shell.forEach((i) => {
        const length = Math.hypot(chart.headX[i]! - chart.footX[i]!, chart.headY[i]! - chart.footY[i]!);
        expect(length).toBeCloseTo(stitchHeight(last.ring.made[i]!) * last.stitchWidthMm, 3);
      });
      const turned = angles.slice(1).map((a, k) => Math.sin(angles[k]! - a));
      // Work runs anticlockwise: each stitch of the fan is turned on from the one before, the same way.
      expect(new Set(turned.map(Math.sign)).size).toBe(1);
    }
  });
});

test('stitches lean together over places that are passed over', () => {
  const [, made] = withEveryFamily({
    ...small,
    base: { ...small.base, sides: small.base.sides.map((s) => ({ ...s, count: 41 })) },
  }).find(([id]) => id === 'chevron')!;
  const last = made.rounds[made.rounds.length - 1]!;
  const { headX, headY } = chartOf(made)[last.number]!;
  const span = sideSpan(last.ring, 0);
  const apart = Array.from({ length: span.length - 1 }, (_, k) => {
    const i = span.start + k;
    return Math.hypot(headX[i + 1]! - headX[i]!, headY[i + 1]! - headY[i]!) / last.stitchWidthMm;
  });
  expect(Math.max(...apart)).toBeLessThan(1.6);
});

test('loops of chains between stitches of one place stand out from the edge', () => {
  const [, made] = withEveryFamily(small).find(([id]) => id === 'triple-picot')!;
  const last = made.rounds[made.rounds.length - 1]!;
  const { headX, headY, footX, footY } = chartOf(made)[last.number]!;
  const loops = [...last.ring.made.keys()].filter((i) => isChainRun(last.ring.made[i]!));
  expect(loops.length).toBeGreaterThan(20);
  for (const i of loops) {
    const beside = Math.hypot(headX[i - 1]! - footX[i - 1]!, headY[i - 1]! - footY[i - 1]!);
    const out = Math.hypot(headX[i]! - footX[i - 1]!, headY[i]! - footY[i - 1]!);
    expect(out).toBeGreaterThan(beside + 0.8 * last.stitchWidthMm);
  }
});

describe('the edge under the base round', () => {
  test.each(demoPlans())(
    '%s: a stitch for every spot that shows one, all of them inside the piece',
    (_, made) => {
      const { chart, lines, holes } = edgeChartOf(made.body, made.stitchWidthMm);
      const spots = made.body.edges.flatMap((e) => e.spots);
      const shown = spots.filter(
        (s) => !['seam', 'gap', 'block gap', 'corner space', 'between stitches', 'hole'].includes(s.kind),
      );
      const each = (kind: string): number => (kind === 'block' ? 3 : 1);
      expect(chart.ring.made).toHaveLength(shown.reduce((sum, s) => sum + each(s.kind), 0));
      expect(lines).toHaveLength(spots.filter((s) => s.kind === 'seam' || s.kind === 'block gap').length);
      expect(holes).toHaveLength(spots.filter((s) => s.kind === 'hole').length);
      const { widthMm, heightMm } = made.bodySize;
      for (const [x, y] of [...chart.footX.keys()].map((i) => [chart.footX[i]!, chart.footY[i]!] as const)) {
        expect(Math.abs(x)).toBeLessThan(widthMm / 2 + 0.01);
        expect(Math.abs(y)).toBeLessThan(heightMm / 2 + 0.01);
      }
    },
  );

  test('row ends stand along the side, worked from the foundation up', () => {
    const made = plan(small);
    const { chart } = edgeChartOf(made.body, made.stitchWidthMm);
    const first = made.body.edges[0]!.spots.length;
    const ends = made.body.edges[1]!.spots.map((_, i) => first + i);
    for (const i of ends) {
      expect(chart.headX[i]).toBeCloseTo(chart.footX[i]!, 3);
      expect(chart.headY[i]!).toBeLessThan(chart.footY[i]!);
    }
  });

  test('the stitches of row 1 stand on the edge, those of the last row end at it', () => {
    const { piece } = small;
    if (piece.kind !== 'rows') throw new Error('a piece in rows was wanted');
    const made = plan({ ...small, piece: { ...piece, foundation: 'stitches of row 1' } });
    const { chart } = edgeChartOf(made.body, made.stitchWidthMm);
    const last = chart.ring.made.length - made.body.edges[3]!.spots.length - 1;
    expect(chart.footY[last]).toBeCloseTo(made.bodySize.heightMm / 2, 3);
    expect(chart.headY[last]!).toBeLessThan(chart.footY[last]!);
    expect(chart.headY[0]).toBeCloseTo(-made.bodySize.heightMm / 2, 3);
    expect(chart.footY[0]!).toBeGreaterThan(chart.headY[0]!);
  });

  test('the feet of the base round lie on the edge, in working order', () => {
    const made = plan(small);
    const feet = edgeFeet(made.body);
    const along = made.body.edges[0]!.spots.map((_, i) => feet(1 + i));
    expect(along.every((p) => Math.abs(p.y + made.bodySize.heightMm / 2) < 1e-6)).toBe(true);
    along.slice(1).forEach((p, k) => expect(p.x).toBeLessThan(along[k]!.x));
  });
});

describe('parts to look at', () => {
  test('joins lie a motif apart, corners at the corners, middles between them', () => {
    const made = withPiece(GRID);
    const marks = landmarksOf(made, 0);
    const joins = marks.filter((l) => l.kind === 'join' && l.side === 0);
    expect(joins.map((l) => [Math.round(l.x), Math.round(l.y)])).toEqual([
      [70, -140],
      [-70, -140],
    ]);
    expect(marks.filter((l) => l.kind === 'corner')).toHaveLength(4);
    const middle = marks.find((l) => l.kind === 'side' && l.side === 2)!;
    expect(Math.abs(middle.x)).toBeLessThan(made.stitchWidthMm);
    expect(middle.y).toBeGreaterThan(140);
  });

  test('a disc has a side but no corner', () => {
    const rug = demoPlan('round');
    expect(landmarksOf(rug, 1).map((l) => l.kind)).toEqual(['side']);
  });

  test('chains lie between the stitches that they join', () => {
    const [, mesh] = withEveryFamily(small).find(([id]) => id === 'filet-mesh')!;
    const last = mesh.rounds[mesh.rounds.length - 1]!;
    const chart = chartOf(mesh)[last.number]!;
    const span = sideSpan(last.ring, 0);
    for (let k = 1; k < span.length - 1; k++) {
      const i = span.start + k;
      if (!isChainRun(last.ring.made[i]!)) continue;
      expect(chart.headX[i]!).toBeLessThan(chart.headX[i - 1]!);
      expect(chart.headX[i]!).toBeGreaterThan(chart.headX[i + 1]!);
    }
  });
});

test('three in every stitch are seen to ruffle: their tops go up and down, as those of a plain round do not', () => {
  /** How far tops lie from the side of the piece that they stand on, the least and the most. */
  const spread = (family: string): number => {
    const made = plan({ ...small, rounds: [entry(), entry({ id: 'edge', family })] });
    const { headY } = chartOf(made).at(-1)!;
    const { start, length } = sideSpan(made.rounds.at(-1)!.ring, 0);
    const heights = Array.from({ length: length - 20 }, (_, k) => headY[start + 10 + k]!);
    return (Math.max(...heights) - Math.min(...heights)) / made.stitchWidthMm;
  };
  expect(spread('ruffle')).toBeGreaterThan(0.8);
  expect(spread('plain')).toBeLessThan(0.05);
});
