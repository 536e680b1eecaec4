import { Type } from '@sinclair/typebox';
import { lengthCm, list, oneOf, record, said, whole, type Of } from '../../schema.ts';
import { stitch } from '../../terms/terms.schema.ts';

const foundation = oneOf(
  'both loops of the chain',
  'one loop of the chain',
  'stitches of row 1',
  'between the posts of row 1',
);

export const rowsSchema = record({
  kind: Type.Literal('rows'),
  stitches: said('stitches in a row', whole(4, 5000)),
  rows: said(
    'runs of rows of one kind, from the foundation upwards',
    list(record({ stitch, count: whole(1, 5000) }), 2000, 1),
  ),
  foundation: said('what the base round goes into along the foundation', foundation),
  lastRow: said('what it goes into along the last row', oneOf('stitch tops', 'between the posts')),
  widthCm: lengthCm,
  heightCm: lengthCm,
});

/** Place that the base round goes into along the foundation. */
export type FoundationChoice = Of<typeof foundation>;

/** Rows worked back and forth from a foundation chain. */
export type RowsPiece = Of<typeof rowsSchema>;
