/**
 * Motifs joined side by side. The outline is traced round the motifs: straight where sides of motifs lie in a line, with outer
 * corners, and with inner corners where it steps or motifs leave a dip.
 */
import { held } from '../../held.ts';
import { commonProblem } from '../../problems.ts';
import { remembered } from '../../remembered.ts';
import { LIMITS } from '../../limits.ts';
import { pieceProblem } from '../problems.ts';
import { corners, extent, sideName, type Outline, type OutlineSide, type Point } from '../outline.ts';
import type { Body, Edge, Spot } from '../edge.ts';
import { wholeBetween, type Construction, type FabricShape } from '../construction.ts';
import { motifRounds, sizeOfMotif, type FabricRow } from '../fabric.ts';
import type { MotifEdge } from '../motifEdge.schema.ts';
import { LENGTH_CM } from '../edgeNumbers.ts';
import {
  clusterSpots,
  edgeWorkedBetween,
  solidSpot,
  solidSpots,
  solidWorkedInto,
  spotsOfEdge,
  widthsOfEdge,
} from '../motifEdge.ts';
import type { GridPiece } from './grid.schema.ts';
import { laidMotifs, type LaidMotif, type MotifSide } from './laidMotifs.ts';
import { type FieldSize } from './lattice.ts';
import { LATTICES } from './registry.ts';
import { traced } from './trace.ts';

/** The most motifs in a row, and rows of them. */
const MOST_ACROSS = 60;
const MOST_DOWN = 60;

/** Whether a piece has half motifs: not every lattice has them. */
export const hasHalves = ({ lattice, halves }: GridPiece): boolean =>
  halves && LATTICES[lattice].cut !== null;

/** Motifs across and down, as a maker counts them: whole ones where there are half ones too. */
export const fieldOf = (piece: GridPiece): FieldSize =>
  LATTICES[piece.lattice].size(piece.cells, hasHalves(piece));

/** The piece as a whole field of motifs. */
export function inField(piece: GridPiece, { across, down }: FieldSize): GridPiece {
  const halves = hasHalves(piece);
  const size = {
    across: wholeBetween(1, across, halves ? MOST_ACROSS - 1 : MOST_ACROSS),
    down: wholeBetween(1, down, MOST_DOWN),
  };
  return { ...piece, cells: LATTICES[piece.lattice].cells(size, halves) };
}

/** The outline of a piece, traced. */
function outlineOf(piece: GridPiece): Outline {
  const { runs, heading } = traced(piece);
  const motifMm = piece.motifCm * 10;
  const sides: OutlineSide[] = runs.map((run, i) => ({
    name: sideName(i),
    lengthMm: lengthOf(run.sides) * motifMm,
  }));
  const leftwards = Math.abs(Math.abs(heading) - Math.PI) < 1e-9;
  return { sides, turns: runs.map((run) => run.turn), ...(leftwards ? {} : { heading }) };
}

const lengthOf = (sides: readonly MotifSide[]): number => sides.reduce((sum, side) => sum + side.length, 0);

/** The edges of joined motifs. */
function bodyOf(piece: GridPiece): Body {
  const { runs } = traced(piece);
  const corner = piece.cornerChains > 0 ? 'corner space' : 'corner stitch';
  return {
    outline: outlineOf(piece),
    edges: edgesOf(piece),
    cornerPlaces: runs.map(({ turn }) => (turn < 0 ? `the two ${many(corner)} that meet` : `the ${corner}`)),
  };
}

const many = (corner: string): string => (corner.endsWith('stitch') ? `${corner}es` : `${corner}s`);

/** The side of a motif, or of a half one: as many stitches to the centimetre. */
function edgeAlong(piece: GridPiece, { length, cut }: Pick<MotifSide, 'length' | 'cut'>): MotifEdge {
  const { edge, halfStitches } = piece;
  if (!cut) return edge;
  if (edge.kind === 'clustered')
    return { ...edge, clusters: wholeBetween(1, (edge.clusters + 1) * length - 1, 1000) };
  const longest = longestCut(piece);
  const stitches =
    halfStitches === null ? (edge.stitches + 2) * length - 2 : ((halfStitches + 2) * length) / longest - 2;
  return { ...edge, stitches: wholeBetween(1, stitches, 1000) };
}

/** Length of the longest cut side, in sides of a motif; 0 where there is none. */
export const longestCut = remembered((piece: GridPiece): number =>
  laidMotifs(piece).reduce(
    (most, { sides }) => sides.reduce((m, side) => (side.cut ? Math.max(m, side.length) : m), most),
    0,
  ),
);

/** Sides of one length between corners of the same kinds, either way about, have one edge. */
function edgesOf(piece: GridPiece): readonly Edge[] {
  const { runs } = traced(piece);
  const known = new Map<string, Edge>();
  return runs.map(({ sides, turn }, i) => {
    const after = held(runs[(i + 1) % runs.length], 'a side has one after it').turn;
    const ends = [turn, after].map((angle) => angle.toFixed(4)).sort();
    const key = [
      ...sides.map(({ length, cut }) => `${length.toFixed(4)}${cut ? ' cut' : ''}`),
      ...ends,
    ].join();
    const edge = known.get(key) ?? edgeOf(sides, piece);
    known.set(key, edge);
    return edge;
  });
}

/** Spots of one motif after another, and at each seam a corner space, the seam and a corner space. */
function edgeOf(sides: readonly MotifSide[], piece: GridPiece): Edge {
  const { cornerChains } = piece;
  const spots: Spot[] = [];
  const joins: number[] = [];
  let pitchBefore = 0;
  for (const motif of sides) {
    const edge = edgeAlong(piece, motif);
    const motifMm = motif.length * piece.motifCm * 10;
    // The halves of the corners stand for two stitches more, on a side of clusters for one at either end.
    const pitch =
      motifMm / (edge.kind === 'clustered' ? edge.clusters * edge.stitchesEach + 2 : edge.stitches + 2);
    const space = (lengthMm: number): Spot => ({ kind: 'corner space', lengthMm, chains: cornerChains });
    if (spots.length > 0) {
      joins.push(spots.length);
      spots.push(space(pitchBefore), { kind: 'seam', lengthMm: 0 }, space(pitch));
    }
    if (edge.kind === 'clustered') spots.push(...clusterSpots(edge, motifMm - 2 * pitch));
    else {
      const spot: Spot = { ...solidSpot(edge), lengthMm: pitch };
      for (let k = solidSpots(edge, cornerChains); k > 0; k--) spots.push(spot);
    }
    pitchBefore = pitch;
  }
  const { edge } = piece;
  const lengthMm = lengthOf(sides) * piece.motifCm * 10;
  return {
    spots,
    numbering: { noun: 'place', from: 'first' },
    joins,
    ...(edge.kind === 'clustered' ? { clusterStitches: edge.stitchesEach } : solidWorkedInto(edge)),
    measuredMm: lengthMm,
    computedMm: lengthMm,
  };
}

/** Number of a motif among the parts that may have colours of their own; it stays the same when the grid grows. */
export const partOfMotif = (column: number, row: number): number => MOST_ACROSS * row + column;

export interface PlacedMotif {
  readonly column: number;
  readonly row: number;
  /** Corners in working order, and their middle, mm on the piece. */
  readonly points: readonly Point[];
  readonly middle: Point;
  readonly sides: readonly MotifSide[];
}

/** The motifs as they lie, mm on the piece, whose middle lies at the origin. */
export const placedMotifs = remembered((piece: GridPiece) => placed(piece, laidMotifs(piece)));

/** Motifs of a piece, or some that it has room for, as they lie on it, mm. */
export function placed(piece: GridPiece, motifs: readonly LaidMotif[]): readonly PlacedMotif[] {
  const sizeMm = piece.motifCm * 10;
  const { runs } = traced(piece);
  const start = held(runs[0]?.sides[0], 'an outline has a side').from;
  const at = held(corners(outlineOf(piece), 0)[0], 'an outline has a corner');
  const on = ({ x, y }: Point): Point => ({
    x: at.x + (x - start.x) * sizeMm,
    y: at.y + (y - start.y) * sizeMm,
  });
  return motifs.map(({ column, row, sides }) => {
    const points = sides.map(({ from }) => on(from));
    // Each corner as heavy as the side across from it: in a triangle, as far from every side.
    const across = sides.map(
      (_, i) => held(sides[(i + (points.length >> 1)) % points.length], 'a side').length,
    );
    const weight = across.reduce((sum, length) => sum + length, 0);
    const mean = (pick: (p: Point) => number): number =>
      points.reduce((sum, p, i) => sum + (across[i] ?? 0) * pick(p), 0) / weight;
    return { column, row, points, middle: { x: mean((p) => p.x), y: mean((p) => p.y) }, sides };
  });
}

/** How far a point lies outside a motif, mm; below 0 within it. */
function farFrom({ points }: PlacedMotif, p: Point): number {
  return Math.max(
    ...points.map((a, i) => {
      const b = points[(i + 1) % points.length]!;
      const length = Math.hypot(b.x - a.x, b.y - a.y);
      // Work runs anticlockwise: with y downwards the motif lies to the left of its sides.
      return ((b.x - a.x) * (a.y - p.y) + (b.y - a.y) * (p.x - a.x)) / -length;
    }),
  );
}

/** The motif that a point lies on, or nearest to. */
function partAt(piece: GridPiece, _: unknown, point: Point): number {
  const [first, ...others] = placedMotifs(piece);
  let nearest = held(first, 'a piece has a motif');
  let far = farFrom(nearest, point);
  for (const motif of others) {
    const distance = farFrom(motif, point);
    if (distance < far) [nearest, far] = [motif, distance];
  }
  return partOfMotif(nearest.column, nearest.row);
}

/** From the middle of a motif to the nearest of its sides, mm. */
const reachOf = (motif: PlacedMotif): number => -farFrom(motif, motif.middle);

const stitchesOf = (piece: GridPiece): readonly FabricRow[] =>
  placedMotifs(piece).flatMap((motif) =>
    motifRounds(
      motif.middle,
      motif.points.map(({ x, y }) => ({ x: x - motif.middle.x, y: y - motif.middle.y })),
      reachOf(motif),
      piece.motifCm * 10,
      piece.edge,
      () => partOfMotif(motif.column, motif.row),
      (side) => held(motif.sides[side], 'a corner has the side after it').joined,
    ),
  );

/** How far in a motif is drawn with its rounds, as a part of its reach. */
const ROUNDS = [0.48, 0.76];

function fabricOf(piece: GridPiece): readonly FabricShape[] {
  const sizeMm = piece.motifCm * 10;
  return placedMotifs(piece).flatMap(({ points, middle }): readonly FabricShape[] => [
    { draw: 'line', thickMm: sizeMm * 0.03, along: { points } },
    ...ROUNDS.map((inset): FabricShape => {
      const inwards = (p: Point): Point => ({
        x: middle.x + (p.x - middle.x) * (1 - inset),
        y: middle.y + (p.y - middle.y) * (1 - inset),
      });
      return { draw: 'surface', along: { points: points.map(inwards) } };
    }),
  ]);
}

/** Size of a motif to begin with, cm. */
const USUAL_CM = 15;

/** Stitch widths along a motif, with the corner spaces at its seams. */
const widthsOf = ({ edge }: GridPiece): number => widthsOfEdge(edge) + (edge.kind === 'clustered' ? 2 : 0);

/** The longest of the sides that lie across. */
function sideAcross(piece: GridPiece): number {
  const outline = outlineOf(piece);
  const points = corners(outline, 0);
  const across = points.map((p, i) => {
    const q = held(points[(i + 1) % points.length], 'a corner has one after it');
    return Math.abs(q.x - p.x) - Math.abs(q.y - p.y);
  });
  // Sides of one length are alike: the first of them.
  const longest = Math.max(...across);
  return across.findIndex((long) => long > longest - 1);
}

/** The side whose middle lies furthest to the left. */
function sideOnTheLeft(piece: GridPiece): number {
  const points = corners(outlineOf(piece), 0);
  const middles = points.map(
    (p, i) => p.x + held(points[(i + 1) % points.length], 'a corner has one after it').x,
  );
  return middles.indexOf(Math.min(...middles));
}

export const grid: Construction<GridPiece> = {
  name: 'Joined motifs',
  body: bodyOf,
  spots: (piece) =>
    traced(piece).runs.reduce(
      (sum, { sides }) => sides.reduce((all, side) => all + spotsOfEdge(edgeAlong(piece, side)) + 3, sum),
      0,
    ),
  beyondPlanning: (piece, where) => {
    if (laidMotifs(piece).length === 0) return [pieceProblem('grid-empty', where)];
    const count = traced(piece).runs.length;
    return count > LIMITS.sides
      ? [commonProblem('too-many', where, { count, of: 'sides', most: LIMITS.sides })]
      : [];
  },
  outlineProblems: (piece, where) => (traced(piece).whole ? [] : [pieceProblem('grid-apart', where)]),
  begin: ({ widthCm, heightCm, stitchWidthMm }) => ({
    kind: 'grid',
    lattice: 'squares',
    halves: false,
    halfStitches: null,
    cornerChains: 2,
    cells: LATTICES.squares.cells(
      {
        across: wholeBetween(1, widthCm / USUAL_CM, MOST_ACROSS),
        down: wholeBetween(1, heightCm / USUAL_CM, MOST_DOWN),
      },
      false,
    ),
    edge: {
      kind: 'solid',
      stitch: 'dc',
      stitches: wholeBetween(1, (10 * USUAL_CM) / stitchWidthMm - 2, 500),
      between: false,
    },
    motifCm: USUAL_CM,
  }),
  asked: [
    {
      what: 'Motifs across',
      unit: 'motifs',
      least: 1,
      most: MOST_ACROSS,
      of: (piece) => fieldOf(piece).across,
      told: (piece, across) => inField(piece, { ...fieldOf(piece), across }),
    },
    {
      what: 'Motifs down',
      unit: 'motifs',
      least: 1,
      most: MOST_DOWN,
      of: (piece) => fieldOf(piece).down,
      told: (piece, down) => inField(piece, { ...fieldOf(piece), down }),
    },
    {
      what: 'The side of a motif measures',
      unit: 'cm',
      least: 1,
      most: 200,
      of: (piece) => piece.motifCm,
      // As many stitches to the centimetre as before: they are counted later.
      told: (piece, motifCm) => ({
        ...piece,
        motifCm,
        edge:
          piece.edge.kind === 'solid'
            ? {
                ...piece.edge,
                stitches: wholeBetween(1, ((piece.edge.stitches + 2) * motifCm) / piece.motifCm - 2, 500),
              }
            : piece.edge,
      }),
    },
  ],
  betweenPosts: (piece, between) => ({ ...piece, edge: edgeWorkedBetween(piece.edge, between) }),
  onEdges: (piece) => [
    {
      side: sideAcross(piece),
      what: 'Motifs across',
      unit: 'motifs',
      least: 1,
      most: MOST_ACROSS,
      of: (p) => fieldOf(p).across,
      told: (p, across) => inField(p, { ...fieldOf(p), across }),
    },
    {
      side: sideOnTheLeft(piece),
      what: 'Motifs down',
      unit: 'motifs',
      least: 1,
      most: MOST_DOWN,
      of: (p) => fieldOf(p).down,
      told: (p, down) => inField(p, { ...fieldOf(p), down }),
    },
    {
      side: sideAcross(piece),
      what: piece.lattice === 'squares' ? 'One motif' : 'One side of a motif',
      unit: 'cm',
      ...LENGTH_CM,
      of: (p) => p.motifCm,
      told: (p, motifCm) => ({ ...p, motifCm }),
    },
  ],
  // It is pulled a motif at a time.
  pulled: (piece, { widthCm, heightCm }) => {
    const { across, down } = fieldOf(piece);
    const { widthMm, heightMm } = extent(outlineOf(piece), 0);
    return inField(piece, {
      across: widthCm === undefined ? across : (across * widthCm * 10) / widthMm,
      down: heightCm === undefined ? down : (down * heightCm * 10) / heightMm,
    });
  },
  withSideLength: (piece, side, lengthCm) => ({
    ...piece,
    motifCm: lengthCm / lengthOf(held(traced(piece).runs[side], 'a side is a run').sides),
  }),
  sized: (before, after, follow) => {
    const motifCm = follow(before.motifCm, widthsOf(before), after.motifCm, widthsOf(after));
    return motifCm === after.motifCm ? after : { ...after, motifCm };
  },
  fabric: fabricOf,
  stitches: stitchesOf,
  partAt,
  areas: (piece) =>
    placedMotifs(piece).map(({ column, row, points }) => ({ part: partOfMotif(column, row), points })),
  size: (piece) =>
    laidMotifs(piece).reduce((sum, { sides }) => sum + sizeOfMotif(sides.length, piece.edge), 0),
};
