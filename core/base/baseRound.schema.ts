/** The base round as the maker chose it. */
import { Type } from '@sinclair/typebox';
import { LIMITS } from '../limits.ts';
import {
  between,
  byNumber,
  id,
  list,
  named,
  oneOf,
  orNull,
  record,
  said,
  whole,
  type Of,
} from '../schema.ts';
import { rowsAlong } from '../piece/part.schema.ts';
import { corner, stitch } from '../terms/terms.schema.ts';
import { CROSSING_IDS, type CrossingId } from './crossings.ts';
import { START_WAYS } from './startWays.ts';
import { SPACING_IDS, type SpacingId } from './spacingIds.ts';

const crossing = named('crossing', Type.Unsafe<CrossingId>({ enum: [...CROSSING_IDS] }));

const ownRate = record({ stitches: whole(1, 50), spots: whole(1, 50) });

const sideChoice = record({
  school: said('how stitches are spaced', Type.Unsafe<SpacingId>({ enum: [...SPACING_IDS] })),
  own: said('the maker’s own rate: so many stitches to so many spots', ownRate),
  count: said(
    'stitches along the edge, joins included; null leaves it to the spacing',
    orNull(whole(1, 20_000)),
  ),
  crossings: said(
    'how single joins of this side are crossed, by their number from "0", where it is not the usual way',
    byNumber(crossing),
  ),
  spots: said(
    'by eye: stitches in single spots of the edge, by their number from "0" in working order',
    byNumber(whole(0, 9)),
  ),
});

const roundStart = {
  at: said(
    'in the corner before the side, begun with its last part, worked whole at once, from one of its stitches on, or with the stitch before its chain space; before that corner; part of the way along the side; in its middle; or so many stitches after that corner',
    oneOf(...START_WAYS.at),
  ),
  stitches: said(
    'so many stitches after the corner, where that is said; the pattern begins there or just before; or the number of the stitch of the corner',
    whole(1, 20_000),
  ),
  side: said('number of the side, from 0', whole(0, LIMITS.sides - 1)),
  join: said(
    'of starts in a corner: at its centre every time, or straight up while the corner moves out',
    oneOf(...START_WAYS.join),
  ),
  first: said(
    'the first stitch: as is usual for it; after a chain that does not count; a chain that counts as it; singles stacked in its place; from a loop drawn up to its height; or, where yarn is new, worked standing',
    oneOf(...START_WAYS.first),
  ),
  chains: said('chains that it begins with; null for as many as are usual', orNull(whole(0, 8))),
};

/** Where one round begins and is joined. */
export const startOfRound = named('startOfRound', record(roundStart));

const start = record({
  ...roundStart,
  newYarn: said(
    'where new yarn is joined: where the round before would have gone on, or at the next corner',
    oneOf(...START_WAYS.newYarn),
  ),
  colour: said(
    'how new yarn comes in where the round goes on from the join: cut and joined anew; as the slip stitch that closes the round before, or as the last yarn over of its last stitch',
    oneOf(...START_WAYS.colour),
  ),
  lastRow: said(
    'yarn of the piece: cut; or still on the hook, after a last row that was worked with that side facing',
    oneOf(...START_WAYS.lastRow),
  ),
  within: said(
    'whether a round may begin within a repeat where that is nearer, and is joined anew rather than slip over what it works into',
    Type.Boolean(),
  ),
  close: said(
    'how rounds are closed: with a slip stitch; one that ends with a chain space with a stitch in place of its chains, or with a lower stitch after a chain; or not at all, in a spiral',
    oneOf(...START_WAYS.close),
  ),
  ends: said(
    'what is done with ends of yarn: crocheted over as the work goes on, or all woven in at the end',
    oneOf(...START_WAYS.ends),
  ),
  ending: said('how the last round is closed', oneOf(...START_WAYS.ending)),
});

const rate = between(0, 6);
const rowRates = record({
  slst: rate,
  sc: rate,
  esc: rate,
  hdc: rate,
  hhdc: rate,
  dc: rate,
  tr: rate,
  dtr: rate,
});

export const baseRound = named(
  'base',
  record({
    stitch,
    corner,
    yarn: id,
    crossing: said('how joins between motifs are crossed', crossing),
    hookMm: said('hook of the base round; null for the border’s own', orNull(between(0.5, 40))),
    rates: said('the maker’s own table: stitches in a row end, by the kind of its row', rowRates),
    endRows: said(
      'at the corners of rows: the corner’s stitches come on top of those of its end row, or one of them is the end row’s own',
      oneOf('added', 'own'),
    ),
    betweenPosts: said(
      'no tops are seen: edges and plain rounds are worked between the posts, and counted by feel',
      Type.Boolean(),
    ),
    clusterChains: said('chains between clusters that are worked into gaps', whole(0, 3)),
    start: said('where rounds begin and are joined', start),
    part: said('rows along some of the sides alone; null all round', orNull(rowsAlong)),
    sides: said('one for each side of the outline', list(sideChoice, LIMITS.sides, 1)),
  }),
);

/** The user's own rate: so many stitches to so many spots. */
export type OwnRate = Of<typeof ownRate>;
/** Choices of the user for one side. */
export type SideChoice = Of<typeof sideChoice>;
/** Where one round begins and is joined. */
export type StartOfRound = Of<typeof startOfRound>;
/** Where rounds begin and are joined. */
export type RoundStarts = Of<typeof start>;
/** Stitches in a row end, by the kind of its row; may be a fraction, such as 1.5 for three in two. */
export type RowRates = Of<typeof rowRates>;
export type BaseRound = Of<typeof baseRound>;
