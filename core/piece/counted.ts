/** An outline of any sides, counted by hand. */
import { sideName } from './outline.ts';
import { evenEdge, type Body } from './edge.ts';
import type { CountedPiece } from './piece.ts';

/** The edges of a counted piece. A single side without a turn is a disc. */
export function bodyOfCounted(piece: CountedPiece): Body {
  const disc = piece.sides.length === 1;
  return {
    outline: {
      sides: piece.sides.map((s, i) => ({ name: sideName(i), lengthMm: s.lengthCm * 10 })),
      turns: disc ? [] : piece.sides.map((s) => (s.turnDegrees * Math.PI) / 180),
    },
    edges: piece.sides.map((s) =>
      evenEdge({ kind: 'counted stitch' }, s.stitches, s.lengthCm * 10, 'stitch'),
    ),
    cornerPlaces: disc
      ? []
      : piece.sides.map((s) => (s.turnDegrees < 0 ? 'the inner corner' : 'the corner stitch')),
  };
}

/** How far a counted outline is from closing: the distance between its first and last point, cm. */
export function openingCm(piece: CountedPiece): number {
  let heading = 0;
  let x = 0;
  let y = 0;
  piece.sides.forEach((s, i) => {
    if (i > 0) heading += (s.turnDegrees * Math.PI) / 180;
    x += s.lengthCm * Math.cos(heading);
    y += s.lengthCm * Math.sin(heading);
  });
  return Math.hypot(x, y);
}
