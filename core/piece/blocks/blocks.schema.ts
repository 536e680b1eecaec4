import { Type } from '@sinclair/typebox';
import { lengthCm, oneOf, record, said, whole, type Of } from '../../schema.ts';

export const blocksSchema = record({
  kind: Type.Literal('blocks'),
  stitch: oneOf('hdc', 'dc'),
  loopChains: said('chains between singles, where the base round is worked in loops', whole(1, 6)),
  blocksWide: whole(2, 2000),
  blocksHigh: whole(2, 2000),
  widthCm: lengthCm,
  heightCm: lengthCm,
});

/** Blocks worked from corner to corner. */
export type BlocksPiece = Of<typeof blocksSchema>;
