/** Knowledge of the hands that work a hem, as it was when the hem was begun. */
import { between, byName, oneOf, orNull, record, said, whole, type Of, named } from '../schema.ts';

/** A ratio and its range beyond these is no matter of hands. */
const ratio = between(0.1, 10);

const known = named(
  'known',
  record({
    ratio: said('what is found over what the rule of thumb says', ratio),
    low: said('from here to `high` lies what is found next, some nine times in ten', ratio),
    high: ratio,
    basis: oneOf('rule of thumb', 'swatch', 'own word', 'these hands'),
    observations: whole(0, 1_000_000),
  }),
);

const part = named(
  'handsPart',
  record({
    all: known,
    byStitch: said('by the stitch', byName(known)),
    bySize: said('by the yarn weight’s number, or the hook in mm', byName(known)),
  }),
);

export const knownHands = record({
  time: said('beside 18 stitches a minute; null for the rule of thumb, here as below', orNull(part)),
  yarn: said('beside the path of the yarn, by stitch and yarn weight', orNull(part)),
  height: said('of rounds beside the stitches by the book, by stitch and hook', orNull(part)),
  width: said('of a stitch beside the gauge of the yarn weight, by hook', orNull(part)),
  flat: said('strain that still lies flat beside the rule of thumb', orNull(known)),
});

/** Knowledge of a ratio. */
export type Known = Of<typeof known>;
/** Something that is known for all stitches, for each stitch, and for each yarn weight or hook. */
export type KnownPart = Of<typeof part>;
export type KnownHands = Of<typeof knownHands>;
