import { Type } from '@sinclair/typebox';
import { LIMITS } from '../../limits.ts';
import { between, lengthCm, list, record, said, stitches, type Of } from '../../schema.ts';

export const countedSchema = record({
  kind: Type.Literal('counted'),
  sides: said(
    'in working order; the turn is that of the corner before the side, negative at an inner corner',
    list(record({ lengthCm, stitches, turnDegrees: between(-150, 170) }), Math.min(40, LIMITS.sides), 1),
  ),
});

/** Any outline whose sides the maker has counted by hand. */
export type CountedPiece = Of<typeof countedSchema>;
