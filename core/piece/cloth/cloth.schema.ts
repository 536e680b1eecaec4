import { Type } from '@sinclair/typebox';
import { between, lengthCm, record, said, type Of } from '../../schema.ts';

export const clothSchema = record({
  kind: Type.Literal('cloth'),
  widthCm: lengthCm,
  heightCm: lengthCm,
  pitchMm: said('distance between holes, mm', between(1, 100)),
});

/** Woven cloth or fleece with a row of holes. */
export type ClothPiece = Of<typeof clothSchema>;
