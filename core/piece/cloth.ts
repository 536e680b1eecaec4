/** Cloth or fleece: a row of holes at a chosen pitch round a rectangle. */
import { rectangle } from './outline.ts';
import { evenEdge, type Body } from './edge.ts';
import type { ClothPiece } from './piece.ts';

/** Holes on a side of cloth: as many pitches as fit between the corner holes, less one. */
export const holesOnSide = (lengthMm: number, pitchMm: number): number =>
  Math.max(0, Math.round(lengthMm / pitchMm) - 1);

/** The edges of a piece of cloth. Every corner has a hole of its own. */
export function bodyOfCloth(piece: ClothPiece): Body {
  const outline = rectangle(piece.widthCm * 10, piece.heightCm * 10);
  return {
    outline,
    edges: outline.sides.map(({ lengthMm }) =>
      evenEdge({ kind: 'hole' }, holesOnSide(lengthMm, piece.pitchMm), lengthMm, 'hole'),
    ),
    cornerPlaces: outline.sides.map(() => 'the corner hole'),
  };
}
