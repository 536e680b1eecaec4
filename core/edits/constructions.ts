/** A piece of another construction, about as big as the one at hand. */
import { placement } from '../base/baseRound.ts';
import type { Hem } from '../document/hem.ts';
import { wholeBetween } from '../piece/construction.ts';
import { extent } from '../piece/outline.ts';
import { beginPiece, bodyOf, type Piece } from '../piece/piece.ts';

/** A starting point for a construction that keeps the size of the hem's piece. */
export function constructionOf(kind: Piece['kind'], hem: Hem): Piece {
  const { outline } = bodyOf(hem.piece);
  const size = extent(outline, 0);
  return beginPiece(kind, {
    widthCm: wholeBetween(1, size.widthMm / 10, 2000),
    heightCm: wholeBetween(1, size.heightMm / 10, 2000),
    stitchWidthMm: 100 / hem.gauge.stitchesPer10Cm,
    outline,
    stitchesAlong: (side) => stitchesAlong(hem, side),
  });
}

/** Stitches that the base round works along a side. */
function stitchesAlong({ piece, base, gauge }: Hem, side: number): number {
  const counts = placement(base.sides[side]!, bodyOf(piece).edges[side]!, base, 100 / gauge.stitchesPer10Cm);
  return counts.reduce((sum, c) => sum + c, 0);
}
