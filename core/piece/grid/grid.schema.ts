import { Type } from '@sinclair/typebox';
import { lengthCm, list, oneOf, orNull, record, said, whole, type Of } from '../../schema.ts';
import { motifEdge } from '../motifEdge.schema.ts';
import { LATTICE_IDS } from './latticeIds.ts';

export const gridSchema = record({
  kind: Type.Literal('grid'),
  lattice: said('how its motifs lie side by side', oneOf(...LATTICE_IDS)),
  halves: said(
    'the lattice has half motifs where they make its edges straight; nothing follows from it for squares',
    Type.Boolean(),
  ),
  cells: said(
    'rows of the lattice from the top, “#” for a motif and “.” for none; the motifs hang together by their sides',
    list(Type.String({ pattern: '^[#.]{1,61}$' }), 121, 1),
  ),
  edge: said('the side of a motif', motifEdge),
  halfStitches: said(
    'stitches along the long side of a half motif, between its corners; null for as many as its length comes to',
    orNull(whole(1, 1000)),
  ),
  cornerChains: said('chains of the corner spaces of a motif’s last round; 0 for a stitch', whole(0, 3)),
  motifCm: said('a side of a motif', lengthCm),
});

/** Motifs joined side by side; the outline may be stepped. */
export type GridPiece = Of<typeof gridSchema>;
