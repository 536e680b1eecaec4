/** The project file of one hem: everything that the maker said, nothing that can be computed from it. */
import { Type } from '@sinclair/typebox';
import { alike } from '../alike/alike.schema.ts';
import { baseRound } from '../base/baseRound.schema.ts';
import { knownHands } from '../hands/hands.schema.ts';
import { LIMITS } from '../limits.ts';
import { piece } from '../piece/piece.schema.ts';
import {
  above,
  between,
  byKind,
  byNumber,
  colour,
  id,
  lengthCm,
  list,
  named,
  oneOf,
  orNull,
  record,
  said,
  stitches,
  text,
  type Of,
} from '../schema.ts';
import { language, stitch } from '../terms/terms.schema.ts';
import { yarn } from '../yarn/yarn.schema.ts';
import { FORMAT, VERSION } from './format.ts';
import { workEvent } from './record.schema.ts';
import { roundEntry, roundIdentity } from './round.schema.ts';

const rounds = named('rounds', list(roundEntry, LIMITS.entries));

const gauge = record({
  stitchesPer10Cm: said('single crochet in 10 cm', between(1, 100)),
  hookMm: between(0.5, 40),
});

const preferences = record({
  language,
  hand: oneOf('right', 'left'),
  length: oneOf('cm', 'in'),
  paper: said('that patterns are laid out for', oneOf('a4', 'letter')),
});

const weighIn = record({
  id,
  yarn: id,
  of: byKind(
    record({ kind: Type.Literal('swatch'), stitch, stitches }),
    record({ kind: Type.Literal('round'), round: roundIdentity }),
  ),
  grams: above(0, 100_000),
});

const keptBorder = record({ id, name: text(100), base: baseRound, rounds });

export const hem = record({
  format: Type.Literal(FORMAT),
  version: Type.Literal(VERSION),
  id,
  name: text(200),
  created: text(40, 10),
  changed: text(40, 10),
  preferences: said(
    'language of terms, hand, unit of length, paper of the printed pattern; lengths in the file are always in cm',
    preferences,
  ),
  piece: said('how it was made, with its measures', piece),
  pieceColour: colour,
  partColours: said(
    'own colors of its parts by their number, from "0": runs of rows from the foundation, rounds of a motif from its edge, joined motifs by 60 × row + column of the grid',
    byNumber(colour),
  ),
  bodyLies: said(
    'how the piece itself lies before it has a border, which no border cures',
    oneOf('flat', 'ripples', 'cups'),
  ),
  secondReadings: said(
    'a second reading of the tape, cm, by the number of the side from "0"; the first is in the piece',
    byNumber(lengthCm),
  ),
  gauge: said('of the border, as measured or taken from the yarn’s weight, and its hook', gauge),
  yarns: said('the basket', list(yarn, LIMITS.yarns, 1)),
  base: said('the base round: stitch, corner, start, a choice for each side', baseRound),
  rounds: said('the stack, innermost first: a family with its choices, worked `times` times', rounds),
  weighIns: said(
    'what was weighed: a swatch, or a yarn before and after a round',
    list(weighIn, LIMITS.weighIns),
  ),
  hands: said(
    'what was known of the hands that work it when it was begun; null for rules of thumb alone',
    orNull(knownHands),
  ),
  pace: said('stitches in a minute', between(1, 200)),
  blocking: said('size after blocking over size before', between(0.8, 1.3)),
  alike: said('how many pieces have this border, and how they are joined', alike),
  kept: said('borders put aside, to be compared', list(keptBorder, LIMITS.kept)),
  notes: said(
    'the maker’s own notes, printed in the pattern; paragraphs on lines of their own',
    text(20_000, 0),
  ),
  madeFor: said('for whom it is made, printed in the pattern', text(200, 0)),
  madeOn: said('when it was made, in the maker’s own words, printed in the pattern', text(60, 0)),
  record: said(
    'what was really done, in the order in which it was noted; only ever added to',
    list(workEvent, LIMITS.events),
  ),
});

/** Gauge of the border stitch. */
export type Gauge = Of<typeof gauge>;
export type Preferences = Of<typeof preferences>;
/** Something that was weighed: a swatch, or a yarn before and after a round. */
export type WeighIn = Of<typeof weighIn>;
/** A border of this piece that was put aside, to be compared with the one in hand. */
export type KeptBorder = Of<typeof keptBorder>;
export type Hem = Of<typeof hem>;
