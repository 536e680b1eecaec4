/** Faults of a description that its fields cannot show one by one. */
import { problem, type Problem } from '../problems.ts';
import { openingCm } from './counted.ts';
import { hangsTogether } from './grid.ts';
import type { Piece } from './piece.ts';

/** An outline that was typed in may not close, and a grid may fall apart. */
export function outlineProblems(piece: Piece, place: string): readonly Problem[] {
  if (piece.kind === 'grid') return hangsTogether(piece.cells) ? [] : [problem('grid-apart', place)];
  if (piece.kind !== 'counted' || piece.sides.length === 1) return [];
  const turns = piece.sides.reduce((sum, s) => sum + s.turnDegrees, 0);
  if (Math.abs(turns - 360) > 1) return [problem('corners-differ', place, { turns: Math.round(turns) })];
  const gap = openingCm(piece);
  const around = piece.sides.reduce((sum, s) => sum + s.lengthCm, 0);
  return gap > 0.05 * around ? [problem('outline-open', place, { gap: gap.toFixed(1) })] : [];
}
