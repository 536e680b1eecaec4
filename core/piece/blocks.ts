/** Blocks worked from corner to corner: along every side, blocks with gaps between them. */
import { rectangle } from './outline.ts';
import type { Body, Edge, Spot } from './edge.ts';
import type { BlocksPiece } from './piece.ts';

/** The edges of a piece in blocks: b blocks and b − 1 gaps on a side. */
export function bodyOfBlocks(piece: BlocksPiece): Body {
  const along = (blocks: number, lengthMm: number): Edge => {
    const block: Spot = { kind: 'block', stitch: piece.stitch, lengthMm: lengthMm / blocks };
    const gap: Spot = { kind: 'block gap', lengthMm: 0 };
    return {
      spots: Array.from({ length: 2 * blocks - 1 }, (_, i) => (i % 2 === 0 ? block : gap)),
      numbering: { noun: 'place', from: 'first' },
      joins: [],
      loopChains: piece.stitch === 'hdc' ? 2 : 3,
      measuredMm: lengthMm,
      computedMm: lengthMm,
    };
  };
  const wide = along(piece.blocksWide, piece.widthCm * 10);
  const high = along(piece.blocksHigh, piece.heightCm * 10);
  return {
    outline: rectangle(piece.widthCm * 10, piece.heightCm * 10),
    edges: [wide, high, wide, high],
    cornerPlaces: Array.from({ length: 4 }, () => 'the corner block’s tip'),
  };
}
