import { Type } from '@sinclair/typebox';
import { lengthCm, list, record, said, whole, type Of } from '../../schema.ts';
import { motifEdge } from '../motifEdge.schema.ts';

export const gridSchema = record({
  kind: Type.Literal('grid'),
  cells: said(
    'rows of the grid from the top, “#” for a motif and “.” for none; the motifs hang together by their edges',
    list(Type.String({ pattern: '^[#.]{1,60}$' }), 60, 1),
  ),
  edge: said('the side of a motif', motifEdge),
  cornerChains: said('chains of the corner spaces of a motif’s last round; 0 for a stitch', whole(0, 3)),
  motifCm: lengthCm,
});

/** Square motifs joined edge to edge; the outline may be stepped. */
export type GridPiece = Of<typeof gridSchema>;
