/** Parts of a published sentence. */
import type { Worked } from '../../procedure/acts.ts';
import type { InOrder } from '../../procedure/order.ts';
import type { Stitch } from '../../ring/stitch.ts';

/** Items one after the other; those that are empty are left out. */
export const listed = (...words: readonly string[]): string => words.filter((w) => w !== '').join(', ');

/** Stitches of a span, in the order of work. */
export const stitchesIn = (order: InOrder, { start, length }: Worked): readonly Stitch[] =>
  Array.from({ length }, (_, k) => order.stitch(start + k));
