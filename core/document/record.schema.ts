/** The record of the work: events that are only ever added. */
import { Type } from '@sinclair/typebox';
import { baseRound } from '../base/baseRound.schema.ts';
import { LIMITS } from '../limits.ts';
import { piece } from '../piece/piece.schema.ts';
import { yarn } from '../yarn/yarn.schema.ts';
import { roundEntry, roundIdentity } from './round.schema.ts';
import {
  above,
  between,
  byDid,
  id,
  list,
  oneOf,
  orNull,
  record,
  said,
  named,
  text,
  whole,
  type Of,
} from '../schema.ts';

const count = whole(0, LIMITS.stitchesInRound);

const eventId = named(
  'eventId',
  record({
    device: said('the device that it was noted on', text(64)),
    counter: said('one more than the highest that this device had seen', whole(0, 1_000_000_000)),
  }),
);

const head = { id: eventId, at: said('when, for people to read; it orders nothing', text(40, 10)) };
const of = { round: roundIdentity };
/** A length by the tape; null where it was not measured. */
const measured = orNull(above(0, 10_000));
const stitchesMade = said('made of the round so far, in the order of work', count);

/** A round was begun, of this design: from now on it is worked so, whatever the design becomes. */
const began = record({
  did: Type.Literal('began'),
  ...head,
  ...of,
  entry: said('the entry as it was then; null for the base round', orNull(roundEntry)),
  ground: said(
    'for the base round: the piece and the base round as they were then; else null',
    orNull(record({ piece, base: baseRound })),
  ),
  yarn: said('the yarn that it is worked in', yarn),
  counts: said('what it was to have on each side between its corners', list(count, LIMITS.sides)),
});
/** A round that has been begun goes on otherwise: from now on all of it is of this design. */
const altered = record({
  did: Type.Literal('altered'),
  ...head,
  ...of,
  why: oneOf('side end', 'seam', 'tape'),
  entry: said('the entry as it is now; null for the base round', orNull(roundEntry)),
  base: said('for the base round: as it is now; else null', orNull(baseRound)),
  counts: said('what it is to have now on each side between its corners', list(count, LIMITS.sides)),
});
const made = record({
  did: Type.Literal('made'),
  ...head,
  ...of,
  stitches: stitchesMade,
});
const counted = record({
  did: Type.Literal('counted'),
  ...head,
  ...of,
  counts: said(
    'found on each side between its corners; null where it was not counted',
    list(orNull(count), LIMITS.sides),
  ),
});
const finished = record({ did: Type.Literal('finished'), ...head, ...of });
/** The last round that was finished is not finished after all. */
const reopened = record({ did: Type.Literal('reopened'), ...head, ...of });
const ripped = record({
  did: Type.Literal('ripped'),
  ...head,
  ...of,
  stitches: said('left of the round; with 0 the round is gone, and all after it are gone in any case', count),
  found: said(
    'what had been found on each side that is still whole; null where it came off, or was not counted',
    list(orNull(count), LIMITS.sides),
  ),
});

/** A quiet change that was made for a count in a round that had not been begun. */
const adjusted = record({
  round: roundIdentity,
  side: whole(0, LIMITS.sides - 1),
  from: said('stitches more or fewer on that side before, and since', whole(-20, 20)),
  to: whole(-20, 20),
});

/** A count that was not right, and how it was gone on with; ripping back is told by itself. */
const repaired = record({
  did: Type.Literal('repaired'),
  ...head,
  ...of,
  by: oneOf('quiet', 'fudge', 'refit', 'leave'),
  off: said(
    'stitches too many on each side, or too few when below 0, that it answers',
    list(whole(-LIMITS.stitchesInRound, LIMITS.stitchesInRound), LIMITS.sides),
  ),
  adjusted: said('what was changed for it in later rounds', list(adjusted, LIMITS.rounds * 4)),
});
/** The hook was put down. */
const paused = record({ did: Type.Literal('paused'), ...head, ...of });

/** The ball in hand was put on a scale. */
const weighed = record({
  did: Type.Literal('weighed'),
  ...head,
  ...of,
  stitches: stitchesMade,
  yarn: id,
  ball: said('the one that was weighed before, or another', oneOf('same', 'new')),
  grams: said('left of it', between(0, 100_000)),
});

/** A few stitches along the edge were laid flat and measured, with what they are worked into. */
const gauged = record({
  did: Type.Literal('gauged'),
  ...head,
  ...of,
  side: whole(0, LIMITS.sides - 1),
  made: stitchesMade,
  stitches: said('stitches that were measured', whole(1, LIMITS.stitchesInRound)),
  longCm: said('how long they are, laid flat', above(0, 10_000)),
  beneathCm: said('how long the edge of the piece beneath them is', above(0, 10_000)),
});

/** It was laid flat and looked at. */
const looked = record({
  did: Type.Literal('looked'),
  ...head,
  ...of,
  lies: said(
    'how each side lies; null where nobody looked',
    list(oneOf('flat', 'ripples', 'cups', null), LIMITS.sides),
  ),
  sizeCm: said('measured from edge to edge, across and down; null where it was not', list(measured, 2)),
  sidesCm: said('measured along each side; null where it was not', list(measured, LIMITS.sides)),
  depthCm: said('measured across the rounds that are worked', measured),
  photo: said('name under which the browser, or the backup, keeps a photo of it', orNull(text(64))),
  note: said('what the maker has to say', text(2000, 0)),
});
/** How far finishing is: ends that are woven in, pins that were put into it, and those counted back. */
const tidied = record({
  did: Type.Literal('tidied'),
  ...head,
  ...of,
  ends: said('ends that are woven in by now', whole(0, 10_000)),
  which: said('which they are, by their numbers from 0 in the order of work', list(whole(0, 9_999), 10_000)),
  pinsIn: said('pins that were put into it; null where nothing was said', orNull(whole(0, 10_000))),
  pinsBack: said('of these, pins that were counted back into their box', whole(0, 10_000)),
});
/** The border is done. */
const closed = record({
  did: Type.Literal('closed'),
  ...head,
  ...of,
  ends: said('ends that were woven in', whole(0, 10_000)),
  pins: said('pins that were counted back into their box; null without any', orNull(whole(0, 10_000))),
});

/** Of many pieces that are alike the next is taken up: nothing has been done of it yet. */
const next = record({ did: Type.Literal('next'), ...head, ...of });

/** An entry was wrong: it counts no longer, or for another weight. It stays in the record, and can be made to count again. */
const struck = record({
  did: Type.Literal('struck'),
  ...head,
  ...of,
  entry: said('the entry that it is about', eventId),
  counts: said('whether the entry counts after all', Type.Boolean()),
  grams: said(
    'what a weighing should have said; null for none, and for all else',
    orNull(between(0, 100_000)),
  ),
});

export const workEvent = byDid(
  began,
  altered,
  made,
  counted,
  repaired,
  finished,
  reopened,
  ripped,
  paused,
  weighed,
  gauged,
  looked,
  tidied,
  closed,
  next,
  struck,
);

/** Something that was done to the border: begun, made, counted, finished, ripped back. */
export type WorkEvent = Of<typeof workEvent>;
