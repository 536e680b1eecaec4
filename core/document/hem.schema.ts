/** The project file of one hem: everything that the maker said, nothing that can be computed from it. */
import { Type } from '@sinclair/typebox';
import { baseRound, startOfRound } from '../base/baseRound.schema.ts';
import { LIMITS } from '../limits.ts';
import { piece } from '../piece/piece.schema.ts';
import type { Loop } from '../ring/stitch.ts';
import {
  above,
  between,
  byKind,
  byNumber,
  colour,
  id,
  list,
  named,
  oneOf,
  orNull,
  record,
  said,
  stitches,
  text,
  whole,
  type Of,
} from '../schema.ts';
import { corner, language, stitch } from '../terms/terms.schema.ts';
import { yarn } from '../yarn/yarn.schema.ts';
import { FORMAT, VERSION } from './format.ts';

export const roundEntry = record({
  id,
  family: text(64),
  stitch,
  corner,
  cornerOpen: said('the fit may choose another corner', Type.Boolean()),
  loop: Type.Unsafe<Loop>({ enum: ['both', 'front', 'back', 'third'] }),
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
  start: said('where its rounds begin, where it is not where the others do', orNull(startOfRound)),
  written: said(
    'for the family “own”: the round in written crochet, and the language it is written in; else null',
    orNull(record({ text: text(LIMITS.writtenLetters, 0), language })),
  ),
  changes: said(
    'quiet changes by the worked round of the entry, from "0": stitches or places more or fewer on each side',
    byNumber(list(whole(-20, 20), LIMITS.sides)),
  ),
});

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

export const workedRound = record({
  entry: said('id of the entry; null for the base round', orNull(text(64))),
  index: said('number of the round in its entry, from 0', whole(0, 10_000)),
});

const weighIn = record({
  id,
  yarn: id,
  of: byKind(
    record({ kind: Type.Literal('swatch'), stitch, stitches }),
    record({ kind: Type.Literal('round'), round: workedRound }),
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
  gauge: said('of the border, as measured or taken from the yarn’s weight, and its hook', gauge),
  yarns: said('the basket', list(yarn, LIMITS.yarns, 1)),
  base: said('the base round: stitch, corner, start, a choice for each side', baseRound),
  rounds: said('the stack, innermost first: a family with its choices, worked `times` times', rounds),
  weighIns: said(
    'what was weighed: a swatch, or a yarn before and after a round',
    list(weighIn, LIMITS.weighIns),
  ),
  pace: said('stitches in a minute', between(1, 200)),
  blocking: said('size after blocking over size before', between(0.8, 1.3)),
  kept: said('borders put aside, to be compared', list(keptBorder, LIMITS.kept)),
  notes: said(
    'the maker’s own notes, printed in the pattern; paragraphs on lines of their own',
    text(20_000, 0),
  ),
});

/** One entry of the stack of rounds: a family with its choices, worked `times` times. */
export type RoundEntry = Of<typeof roundEntry>;
/** Gauge of the border stitch. */
export type Gauge = Of<typeof gauge>;
export type Preferences = Of<typeof preferences>;
/** Which worked round it is, wherever its entry stands in the stack. */
export type WorkedRound = Of<typeof workedRound>;
/** Something that was weighed: a swatch, or a yarn before and after a round. */
export type WeighIn = Of<typeof weighIn>;
/** A border of this piece that was put aside, to be compared with the one in hand. */
export type KeptBorder = Of<typeof keptBorder>;
export type Hem = Of<typeof hem>;
