/** The color of a piece where a border lies beside it. */
import type { Hem } from '../document/hem.ts';
import { corners } from '../piece/outline.ts';
import { bodyOf, partAt } from '../piece/piece.ts';

/** Points of a side that are looked at. */
const LOOKED_AT = 5;

/** The color that a border lies beside: that of most of the edge of the piece. */
export function colourAtEdge({ piece, pieceColour, partColours }: Hem): string {
  if (Object.keys(partColours).length === 0) return pieceColour;
  const around = corners(bodyOf(piece).outline, 0);
  const lengths = new Map<string, number>();
  around.forEach((a, side) => {
    const b = around[(side + 1) % around.length]!;
    for (let k = 0; k < LOOKED_AT; k++) {
      const t = (k + 0.5) / LOOKED_AT;
      const part = partAt(piece, { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) });
      const colour = partColours[String(part)] ?? pieceColour;
      lengths.set(colour, (lengths.get(colour) ?? 0) + Math.hypot(b.x - a.x, b.y - a.y));
    }
  });
  return [...lengths].sort((a, b) => b[1] - a[1])[0]![0];
}
