/** Faults of a description that its fields cannot show one by one. */
import { LIMITS } from '../limits.ts';
import { problem, type Problem } from '../problems.ts';
import { holesOnSide } from './cloth.ts';
import { openingCm } from './counted.ts';
import { hangsTogether, outlineOfGrid } from './grid.ts';
import type { Piece } from './piece.ts';

/**
 * What is wrong with an outline as it was described: it may not close, and a grid may fall apart. It can be planned all
 * the same, so that it can be mended step by step; the plan tells of it.
 */
export function outlineProblems(piece: Piece, place: string): readonly Problem[] {
  if (piece.kind === 'grid') return hangsTogether(piece.cells) ? [] : [problem('grid-apart', place)];
  if (piece.kind !== 'counted' || piece.sides.length === 1) return [];
  const turns = piece.sides.reduce((sum, s) => sum + s.turnDegrees, 0);
  if (Math.abs(turns - 360) > 1) return [problem('corners-differ', place, { turns: Math.round(turns) })];
  const gap = openingCm(piece);
  const around = piece.sides.reduce((sum, s) => sum + s.lengthCm, 0);
  return gap > 0.05 * around ? [problem('outline-open', place, { gap: gap.toFixed(1) })] : [];
}

/** What lets a piece not be planned at all: nothing is there, or more than can be worked with. */
export function beyondPlanning(piece: Piece, place: string): readonly Problem[] {
  if (piece.kind === 'grid') {
    if (!piece.cells.some((row) => row.includes('#'))) return [problem('grid-empty', place)];
    const { sides } = outlineOfGrid(piece.cells);
    if (sides > LIMITS.sides) return [tooMany(place, sides, 'sides', LIMITS.sides)];
  }
  const spots = spotsOf(piece);
  const of = 'stitches and spaces along its edges';
  return spots > LIMITS.spots ? [tooMany(place, spots, of, LIMITS.spots)] : [];
}

const tooMany = (place: string, count: number, of: string, most: number): Problem =>
  problem('too-many', place, { count, of, most });

/** Spots that the edges of a piece offer all round, counted without laying them out. */
function spotsOf(piece: Piece): number {
  switch (piece.kind) {
    case 'rows':
      return 2 * (piece.stitches + piece.rows.reduce((sum, run) => sum + run.count, 0));
    case 'motif': {
      const { edge } = piece;
      const side =
        edge.kind === 'solid'
          ? edge.stitches
          : edge.clusters * (2 * edge.stitchesEach - 1) + edge.clusters - 1;
      return Math.max(1, piece.corners) * side;
    }
    case 'blocks':
      return 4 * (piece.blocksWide + piece.blocksHigh);
    case 'grid':
      return outlineOfGrid(piece.cells).motifs * (piece.motifStitches + 3);
    case 'cloth':
      return (
        2 * (holesOnSide(piece.widthCm * 10, piece.pitchMm) + holesOnSide(piece.heightCm * 10, piece.pitchMm))
      );
    case 'counted':
      return piece.sides.reduce((sum, s) => sum + s.stitches, 0);
  }
}
