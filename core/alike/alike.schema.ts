/** Many pieces with the same border, as the project file has them, and how they are joined. */
import { Type } from '@sinclair/typebox';
import { LIMITS } from '../limits.ts';
import { JOIN_IDS } from './joinIds.ts';
import { oneOf, record, said, whole, type Of } from '../schema.ts';

export const alike = record({
  count: said('pieces with this border', whole(1, LIMITS.alike)),
  across: said('how many of them lie side by side once they are joined', whole(1, LIMITS.alike)),
  done: said('how many have got their border', whole(0, LIMITS.alike)),
  join: said('how they are joined', oneOf(...JOIN_IDS)),
  yarn: said(
    'id of the yarn that joins them; null for that of the last round',
    Type.Unsafe<string | null>({ type: ['string', 'null'], minLength: 1, maxLength: 64 }),
  ),
});

export type Alike = Of<typeof alike>;
export type JoinId = Alike['join'];
