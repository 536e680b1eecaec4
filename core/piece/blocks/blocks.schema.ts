import { Type } from '@sinclair/typebox';
import { lengthCm, oneOf, record, whole, type Of } from '../../schema.ts';

export const blocksSchema = record({
  kind: Type.Literal('blocks'),
  stitch: oneOf('hdc', 'dc'),
  blocksWide: whole(2, 2000),
  blocksHigh: whole(2, 2000),
  widthCm: lengthCm,
  heightCm: lengthCm,
});

/** Blocks worked from corner to corner. */
export type BlocksPiece = Of<typeof blocksSchema>;
