/** One big motif worked in rounds: solid sides of stitch tops, or clusters with gaps or chains between. */
import { corners, extent, isDisc, regular, type Outline, type Point } from '../outline.ts';
import { LENGTH_CM, withinLengths } from '../edgeNumbers.ts';
import { motifRounds, sharesOfRounds, sizeOfMotif } from '../fabric.ts';
import { evenEdge, type Body, type Edge } from '../edge.ts';
import { wholeBetween, type Construction, type FabricShape } from '../construction.ts';
import {
  clusterSpots,
  edgeWorkedBetween,
  solidSpot,
  solidSpots,
  solidWorkedInto,
  spotsOfEdge,
  widthsOfEdge,
} from '../motifEdge.ts';
import type { MotifPiece } from './motif.schema.ts';

/** The edges of a motif; all its sides are alike. The corners' stitches or spaces lie between the sides. */
function bodyOf(piece: MotifPiece): Body {
  const sideMm = piece.sideCm * 10;
  const edge = edgeOf(piece, sideMm);
  const outline = regular(piece.corners, sideMm);
  const corner = piece.cornerChains > 0 ? `the corner ch-${piece.cornerChains} sp` : 'the corner stitch';
  return {
    outline,
    edges: outline.sides.map(() => edge),
    cornerPlaces: outline.turns.map(() => corner),
  };
}

function edgeOf({ edge, corners: cornerCount, cornerChains }: MotifPiece, sideMm: number): Edge {
  if (edge.kind === 'solid') {
    const spots = solidSpots(edge, cornerCount === 0 ? null : cornerChains);
    return {
      ...evenEdge(solidSpot(edge), spots, sideMm, edge.between ? 'space' : 'stitch'),
      ...solidWorkedInto(edge),
    };
  }
  return {
    spots: clusterSpots(edge, sideMm),
    numbering: { noun: 'place', from: 'first' },
    joins: [],
    clusterStitches: edge.stitchesEach,
    measuredMm: sideMm,
    computedMm: sideMm,
  };
}

/** How far in its rounds are drawn, as a part of the way to its middle. */
const ROUNDS = [0.18, 0.36, 0.54, 0.72, 0.9];

export const motif: Construction<MotifPiece> = {
  name: 'One big motif',
  body: bodyOf,
  spots: (piece) => Math.max(1, piece.corners) * spotsOfEdge(piece.edge),
  begin: ({ widthCm, stitchWidthMm }) => ({
    kind: 'motif',
    corners: 4,
    cornerChains: 2,
    edge: {
      kind: 'solid',
      stitch: 'dc',
      stitches: wholeBetween(6, (10 * widthCm) / stitchWidthMm, 5000),
      between: false,
    },
    sideCm: widthCm,
  }),
  asked: [
    {
      what: 'Corners, or 0 for a circle',
      unit: 'corners',
      least: 0,
      most: 12,
      of: (piece) => piece.corners,
      // One or two corners enclose nothing.
      told: (piece, corners) => ({ ...piece, corners: corners > 0 && corners < 3 ? 3 : corners }),
    },
    {
      what: 'Stitches on a side',
      unit: 'stitches',
      least: 3,
      most: 5000,
      of: ({ edge }) => (edge.kind === 'solid' ? edge.stitches : edge.clusters * edge.stitchesEach),
      told: (piece, stitches) => ({
        ...piece,
        edge: { kind: 'solid', stitch: 'dc', stitches, between: false },
      }),
    },
    {
      what: 'Length of a side',
      unit: 'cm',
      least: 1,
      most: 1000,
      of: (piece) => piece.sideCm,
      told: (piece, sideCm) => ({ ...piece, sideCm }),
    },
  ],
  betweenPosts: (piece, between) => ({ ...piece, edge: edgeWorkedBetween(piece.edge, between) }),
  onEdges: ({ edge, corners: many }) => [
    {
      side: 0,
      what: many === 0 ? 'All the way around' : 'One side',
      unit: 'cm',
      ...LENGTH_CM,
      of: (piece) => piece.sideCm,
      told: (piece, sideCm) => ({ ...piece, sideCm }),
    },
    // Groups are counted apart from their stitches.
    ...(edge.kind === 'solid'
      ? [
          {
            side: 0,
            what: many === 0 ? 'Stitches all the way around' : 'Stitches on a side',
            unit: 'stitches' as const,
            least: 1,
            most: 20_000,
            of: (piece: MotifPiece) => (piece.edge.kind === 'solid' ? piece.edge.stitches : edge.stitches),
            told: (piece: MotifPiece, stitches: number): MotifPiece => ({
              ...piece,
              edge: { ...edge, stitches },
            }),
          },
        ]
      : []),
  ],
  // A circle is pulled as wide as it is; what has corners is pulled by them.
  pulled: (piece, { widthCm, heightCm }) => {
    const across = widthCm ?? heightCm;
    return across === undefined
      ? piece
      : { ...piece, sideCm: withinLengths(Number((across * Math.PI).toFixed(1))) };
  },
  withSideLength: (piece, _, sideCm) => ({ ...piece, sideCm }),
  // All its sides are alike: a corner further out makes every side longer.
  withCornerAt: (piece, corner, to) => {
    const from = corners(regular(piece.corners, piece.sideCm * 10), 0)[corner]!;
    const share = Math.hypot(to.x, to.y) / Math.hypot(from.x, from.y);
    const sideCm = Math.round(piece.sideCm * share * 10) / 10;
    return sideCm >= 0.5 && sideCm <= 2000 ? { ...piece, sideCm } : null;
  },
  sized: (before, after, follow) => {
    const sideCm = follow(before.sideCm, widthsOfEdge(before.edge), after.sideCm, widthsOfEdge(after.edge));
    return sideCm === after.sideCm ? after : { ...after, sideCm };
  },
  fabric: ({ corners: cornerCount }, { outline }) => {
    const { widthMm, heightMm } = extent(outline, 0);
    const reachMm = Math.min(widthMm, heightMm) / 2;
    return ROUNDS.map((part): FabricShape => {
      const along =
        cornerCount === 0
          ? { radiusMm: reachMm * (1 - part) }
          : { points: corners(outline, 0).map(({ x, y }) => ({ x: x * (1 - part), y: y * (1 - part) })) };
      return { draw: 'line', thickMm: reachMm * 0.012, along };
    });
  },
  stitches: ({ corners: cornerCount, edge, sideCm }, { outline }) => {
    const points = cornerCount === 0 ? [] : corners(outline, 0);
    return motifRounds(
      { x: 0, y: 0 },
      points,
      reachOf(outline),
      sideCm * 10,
      edge,
      (round) => round,
      () => false,
    );
  },
  partAt: () => 0,
  areas: ({ corners: cornerCount, edge, sideCm }, { outline }) => {
    const points = cornerCount === 0 ? circle(reachOf(outline)) : corners(outline, 0);
    return sharesOfRounds(reachOf(outline), sideCm * 10, edge).map((share, part) => ({
      part,
      points: points.map(({ x, y }) => ({ x: x * share, y: y * share })),
    }));
  },
  size: ({ corners: cornerCount, edge }) => sizeOfMotif(Math.max(1, cornerCount), edge),
};

/** A circle as an outline of many sides. */
const circle = (radiusMm: number): readonly Point[] =>
  Array.from({ length: 72 }, (_, k) => ({
    x: radiusMm * Math.cos((k * Math.PI) / 36),
    y: radiusMm * Math.sin((k * Math.PI) / 36),
  }));

/** From the middle of a regular outline to the middle of its sides, mm. */
function reachOf(outline: Outline): number {
  const [a, b] = corners(outline, 0) as [Point, Point];
  return isDisc(outline) ? a.x : Math.hypot((a.x + b.x) / 2, (a.y + b.y) / 2);
}
