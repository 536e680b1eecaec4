/** A round as it is told of: an entry of the stack, and which of its worked rounds is meant. */
import { Type } from '@sinclair/typebox';
import { startOfRound } from '../base/baseRound.schema.ts';
import { ownRound } from '../notation/ownRound.schema.ts';
import type { Loop } from '../ring/stitch.ts';
import {
  between,
  byNumber,
  id,
  list,
  oneOf,
  orNull,
  record,
  said,
  text,
  whole,
  type Of,
  named,
} from '../schema.ts';
import { PLAIN_PLACES } from '../terms/places.ts';
import { LIMITS } from '../limits.ts';
import { corner, stitch } from '../terms/terms.schema.ts';

export const roundEntry = named(
  'roundEntry',
  record({
    id,
    family: text(64),
    stitch,
    corner,
    cornerOpen: said('the fit may choose another corner', Type.Boolean()),
    loop: Type.Unsafe<Loop>({ enum: ['both', 'front', 'back', 'third'] }),
    into: said(
      'what a plain round goes into: stitches, the spaces between them, or stitches and chain spaces as they come',
      oneOf(...PLAIN_PLACES),
    ),
    yarns: said(
      'ids of its yarns: one for all its worked rounds, or several that repeat round by round',
      list(id, 60, 1),
    ),
    times: whole(1, 100),
    size: said('size of the family’s motif, where it has sizes', whole(0, 50)),
    facing: said(
      'the side of the work that faces; null leaves it to the family',
      oneOf('right', 'wrong', null),
    ),
    hookMm: said('hook of this round; null for the border’s own', orNull(between(0.5, 40))),
    anew: said(
      'on an entry of the same family: begun as on plain stitches, not gone on with',
      Type.Boolean(),
    ),
    slide: said(
      'of a pattern that runs past the corners: places after the first corner at which it begins',
      whole(0, 100),
    ),
    start: said('where its rounds begin, where it is not where the others do', orNull(startOfRound)),
    written: said(
      'for the family “own”: the round in written crochet, the language it is written in, its maker’s name for it and a note; else null',
      orNull(ownRound),
    ),
    changes: said(
      'quiet changes by the worked round of the entry, from "0": stitches or places more or fewer on each side',
      byNumber(list(whole(-20, 20), LIMITS.sides)),
    ),
    changesAt: said(
      'where they are made, where that was chosen, by the worked round, for each side: the place, or of a pattern the skip, in the order of work from 0, and by how much; without, or where they do not come to the change, where it shows least',
      byNumber(list(list(record({ at: whole(0, 20_000), by: whole(-2, 2) }), 40), LIMITS.sides)),
    ),
  }),
);

export const roundIdentity = named(
  'roundIdentity',
  record({
    entry: said('id of the entry; null for the base round', orNull(text(64))),
    index: said('number of the round in its entry, from 0', whole(0, 10_000)),
  }),
);

/** One entry of the stack of rounds: a family with its choices, worked `times` times. */
export type RoundEntry = Of<typeof roundEntry>;
/** Which worked round it is, wherever its entry stands in the stack. */
export type RoundIdentity = Of<typeof roundIdentity>;
