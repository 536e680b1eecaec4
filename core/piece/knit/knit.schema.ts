import { Type } from '@sinclair/typebox';
import { lengthCm, oneOf, record, said, whole, type Of } from '../../schema.ts';

const knitFabric = oneOf('garter', 'stockinette', 'ribbing');

export const knitSchema = record({
  kind: Type.Literal('knit'),
  fabric: said('how it was knitted', knitFabric),
  stitches: said('stitches that were cast on, as many as were bound off', whole(4, 5000)),
  rows: said('rows, of garter two to a ridge', whole(2, 20_000)),
  slipped: said('the first stitch of every row was slipped: one edge stitch for two rows', Type.Boolean()),
  widthCm: lengthCm,
  heightCm: lengthCm,
});

export type KnitFabric = Of<typeof knitFabric>;

/** A rectangle that was knitted. */
export type KnitPiece = Of<typeof knitSchema>;
