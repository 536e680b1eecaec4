/**
 * The spacings, the plainest first. `each`: the full rate of every kind of spot. `three in four`, `two in three`, `one in two`: those of
 * knitting, whose stitches and rows are narrower than a border’s. `halves`: the closer rate of row ends.
 * `kinds`: row ends by the maker's own table. On clusters `between` works between all stitches, `gaps` only between
 * clusters, `clusters` puts a whole cluster in each gap. `loops` works blocks as singles with chains between. `gauge`: by
 * length. `own`: the user's rate.
 */
export const SPACING_IDS = [
  'each',
  'three in four',
  'two in three',
  'one in two',
  'halves',
  'kinds',
  'between',
  'gaps',
  'clusters',
  'loops',
  'gauge',
  'own',
] as const;

export type SpacingId = (typeof SPACING_IDS)[number];
