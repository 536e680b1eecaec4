/**
 * Square motifs joined edge to edge. The outline is traced round the motifs: straight where motifs lie side
 * by side, with outer corners, and with inner corners where the grid steps.
 */
import { commonProblem } from '../../problems.ts';
import { pieceProblem } from '../problems.ts';
import { sideName, type OutlineSide } from '../outline.ts';
import type { Body, Edge, Spot } from '../edge.ts';
import { boxLine, wholeBetween, type Construction, type FabricShape } from '../construction.ts';
import { motifRounds, sizeOfMotif, type FabricRow } from '../fabric.ts';
import { LIMITS } from '../../limits.ts';
import {
  clusterSpots,
  edgeWorkedBetween,
  solidSpot,
  solidSpots,
  solidWorkedInto,
  spotsOfEdge,
  widthsOfEdge,
} from '../motifEdge.ts';
import { hangsTogether, outlineOfGrid, traceRuns } from './trace.ts';
import type { GridPiece } from './grid.schema.ts';

/** The edges of a grid of joined motifs. */
function bodyOf(piece: GridPiece): Body {
  const runs = traceRuns(piece.cells);
  const motifMm = piece.motifCm * 10;
  const sides: OutlineSide[] = runs.map((run, i) => ({ name: sideName(i), lengthMm: run.motifs * motifMm }));
  return {
    outline: { sides, turns: runs.map((run) => (run.inner ? -Math.PI / 2 : Math.PI / 2)) },
    edges: runs.map((run) => edgeOf(run.motifs, piece, motifMm)),
    cornerPlaces: runs.map((run) => {
      const corner = piece.cornerChains > 0 ? 'corner space' : 'corner stitch';
      return run.inner ? `the two ${many(corner)} that meet` : `the ${corner}`;
    }),
  };
}

const many = (corner: string): string => (corner.endsWith('stitch') ? `${corner}es` : `${corner}s`);

/** Spots of one motif after another, and at each seam a corner space, the seam and a corner space. */
function edgeOf(motifs: number, { edge, cornerChains }: GridPiece, motifMm: number): Edge {
  const clustered = edge.kind === 'clustered';
  // The halves of the corners stand for two stitches more, on a side of clusters for one at either end.
  const pitch = motifMm / (clustered ? edge.clusters * edge.stitchesEach + 2 : edge.stitches + 2);
  const side: readonly Spot[] = clustered
    ? clusterSpots(edge, motifMm - 2 * pitch)
    : Array.from({ length: solidSpots(edge, cornerChains) }, () => ({ ...solidSpot(edge), lengthMm: pitch }));
  const space: Spot = { kind: 'corner space', lengthMm: pitch, chains: cornerChains };
  const seam: Spot = { kind: 'seam', lengthMm: 0 };
  const spots: Spot[] = [];
  const joins: number[] = [];
  for (let motif = 0; motif < motifs; motif++) {
    if (motif > 0) {
      joins.push(spots.length);
      spots.push(space, seam, space);
    }
    spots.push(...side);
  }
  return {
    spots,
    numbering: { noun: 'place', from: 'first' },
    joins,
    ...(clustered ? { clusterStitches: edge.stitchesEach } : solidWorkedInto(edge)),
    measuredMm: motifs * motifMm,
    computedMm: motifs * motifMm,
  };
}

/** The cells with a motif. */
const motifsOf = ({ cells }: GridPiece): readonly { readonly x: number; readonly y: number }[] =>
  cells.flatMap((row, y) => [...row].flatMap((cell, x) => (cell === '#' ? [{ x, y }] : [])));

/** How far in a motif is drawn with its rounds, as a part of its size. */
const ROUNDS = [0.24, 0.38];

/** The motifs with their left upper corners, mm on the piece. */
function motifsOn(
  piece: GridPiece,
): readonly { readonly x: number; readonly y: number; readonly leftMm: number; readonly topMm: number }[] {
  const sizeMm = piece.motifCm * 10;
  const motifs = motifsOf(piece);
  const xs = motifs.map((m) => m.x);
  const ys = motifs.map((m) => m.y);
  const left = (-(Math.max(...xs) + 1 + Math.min(...xs)) / 2) * sizeMm;
  const top = (-(Math.max(...ys) + 1 + Math.min(...ys)) / 2) * sizeMm;
  return motifs.map(({ x, y }) => ({ x, y, leftMm: left + x * sizeMm, topMm: top + y * sizeMm }));
}

/** Number of a motif among the parts that may have colours of their own; it stays the same when the grid grows. */
export const partOfMotif = (column: number, row: number): number => 60 * row + column;

/** The motif that a point lies on, or nearest to. */
function partAt(piece: GridPiece, _: unknown, point: { readonly x: number; readonly y: number }): number {
  const half = piece.motifCm * 5;
  const far = ({ leftMm, topMm }: { readonly leftMm: number; readonly topMm: number }): number =>
    Math.max(Math.abs(point.x - leftMm - half), Math.abs(point.y - topMm - half));
  const nearest = motifsOn(piece).reduce((a, b) => (far(b) < far(a) ? b : a));
  return partOfMotif(nearest.x, nearest.y);
}

/** Its neighbours across the sides of a motif: above, to the left, below, to the right, as its edge runs. */
const ACROSS = [
  [0, -1],
  [-1, 0],
  [0, 1],
  [1, 0],
] as const;

function stitchesOf(piece: GridPiece): readonly FabricRow[] {
  const { cells, edge, motifCm } = piece;
  const half = motifCm * 5;
  const square = [
    { x: half, y: -half },
    { x: -half, y: -half },
    { x: -half, y: half },
    { x: half, y: half },
  ];
  return motifsOn(piece).flatMap(({ x, y, leftMm, topMm }) =>
    motifRounds(
      { x: leftMm + half, y: topMm + half },
      square,
      half,
      2 * half,
      edge,
      () => partOfMotif(x, y),
      (side) => {
        const [dx, dy] = ACROSS[side]!;
        return cells[y + dy]?.[x + dx] === '#';
      },
    ),
  );
}

function fabricOf(piece: GridPiece): readonly FabricShape[] {
  const sizeMm = piece.motifCm * 10;
  return motifsOn(piece).flatMap(({ leftMm: x, topMm: y }): readonly FabricShape[] => {
    return [
      { draw: 'line', thickMm: sizeMm * 0.03, along: boxLine(x, y, sizeMm, sizeMm) },
      ...ROUNDS.map((inset): FabricShape => {
        const side = sizeMm * (1 - 2 * inset);
        return {
          draw: 'surface',
          x: x + sizeMm * inset,
          y: y + sizeMm * inset,
          widthMm: side,
          heightMm: side,
        };
      }),
    ];
  });
}

/** Size of a motif to begin with, cm. */
const USUAL_CM = 15;

/** Stitch widths along a motif, with the corner spaces at its seams. */
const widthsOf = ({ edge }: GridPiece): number => widthsOfEdge(edge) + (edge.kind === 'clustered' ? 2 : 0);

export const grid: Construction<GridPiece> = {
  name: 'Joined motifs',
  body: bodyOf,
  spots: (piece) => outlineOfGrid(piece.cells).motifs * (spotsOfEdge(piece.edge) + 3),
  beyondPlanning: ({ cells }, where) => {
    if (!cells.some((row) => row.includes('#'))) return [pieceProblem('grid-empty', where)];
    const { sides: count } = outlineOfGrid(cells);
    return count > LIMITS.sides
      ? [commonProblem('too-many', where, { count, of: 'sides', most: LIMITS.sides })]
      : [];
  },
  outlineProblems: ({ cells }, where) => (hangsTogether(cells) ? [] : [pieceProblem('grid-apart', where)]),
  begin: ({ widthCm, heightCm, stitchWidthMm }) => ({
    kind: 'grid',
    cornerChains: 2,
    cells: Array.from({ length: wholeBetween(1, heightCm / USUAL_CM, 60) }, () =>
      '#'.repeat(wholeBetween(1, widthCm / USUAL_CM, 60)),
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
      most: 60,
      of: ({ cells }) => Math.max(...cells.map((row) => row.length)),
      told: (piece, across) => ({ ...piece, cells: piece.cells.map(() => '#'.repeat(across)) }),
    },
    {
      what: 'Motifs down',
      unit: 'motifs',
      least: 1,
      most: 60,
      of: ({ cells }) => cells.length,
      told: (piece, down) => ({ ...piece, cells: Array.from({ length: down }, () => piece.cells[0]!) }),
    },
    {
      what: 'A motif measures',
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
  withSideLength: (piece, side, lengthCm) => ({
    ...piece,
    motifCm: lengthCm / traceRuns(piece.cells)[side]!.motifs,
  }),
  sized: (before, after, follow) => {
    const motifCm = follow(before.motifCm, widthsOf(before), after.motifCm, widthsOf(after));
    return motifCm === after.motifCm ? after : { ...after, motifCm };
  },
  fabric: fabricOf,
  stitches: stitchesOf,
  partAt,
  size: (piece) => motifsOf(piece).length * sizeOfMotif(4, piece.edge),
};
