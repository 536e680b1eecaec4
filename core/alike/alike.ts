/** A single piece, which is joined to none; the types of many alike. */
import type { Alike } from './alike.schema.ts';

export type { Alike, JoinId } from './alike.schema.ts';

/** A single piece. */
export const ONE_PIECE: Alike = { count: 1, across: 1, done: 0, join: 'not joined', yarn: null };
