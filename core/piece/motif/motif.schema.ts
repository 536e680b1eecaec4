import { Type } from '@sinclair/typebox';
import { lengthCm, record, said, whole, type Of } from '../../schema.ts';
import { motifEdge } from '../motifEdge.schema.ts';

export const motifSchema = record({
  kind: Type.Literal('motif'),
  corners: said('0 for a disc', Type.Unsafe<number>({ enum: [0, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12] })),
  cornerChains: said('chains of the corner spaces of its last round; 0 for a stitch', whole(0, 3)),
  edge: motifEdge,
  sideCm: said('length of a side; all round on a disc', lengthCm),
});

/** One big motif worked in rounds from its centre: a regular polygon, or a disc with `corners` 0. */
export type MotifPiece = Of<typeof motifSchema>;
