/** The side of a motif, as its maker describes it. */
import { Type } from '@sinclair/typebox';
import { byKind, record, said, stitches, whole, type Of, named } from '../schema.ts';
import { stitch } from '../terms/terms.schema.ts';

const solid = record({
  kind: Type.Literal('solid'),
  stitch,
  stitches: said('stitches on a side, between its corners', stitches),
  between: said('worked into the spaces between its posts, not into its tops', Type.Boolean()),
});
const clustered = record({
  kind: Type.Literal('clustered'),
  clusters: said('clusters on a side, those of the corners included', whole(2, 2000)),
  stitchesEach: whole(2, 9),
  chainsBetween: said('chains between clusters; 0 leaves a gap', whole(0, 5)),
});

export const motifEdge = named('motifEdge', byKind(solid, clustered));

/** The side of a motif: stitch tops, or clusters with gaps or chains between. */
export type MotifEdge = Of<typeof motifEdge>;
