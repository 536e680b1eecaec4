/** The part of a piece that a border goes along. */
import { Type } from '@sinclair/typebox';
import { LIMITS } from '../limits.ts';
import { orNull, record, said, whole, type Of } from '../schema.ts';

export const rowsAlong = record({
  first: said('number of the side with which the rows begin, from 0', whole(0, LIMITS.sides - 1)),
  sides: said('so many sides, one after the other', whole(1, LIMITS.sides - 1)),
  from: said('they begin in the spot of that side with this number; 0 in its corner', whole(0, 20_000)),
  to: said(
    'they end in the spot of the last side with this number; null in its corner',
    orNull(whole(1, 20_000)),
  ),
  cut: said(
    'the yarn is cut after every row, so that all are worked from the same end; else the work is turned',
    Type.Boolean(),
  ),
});

/** Rows along some of the sides alone. */
export type RowsAlong = Of<typeof rowsAlong>;
