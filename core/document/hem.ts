/** The project file of one hem: everything that the maker said, nothing that can be computed from it. */
import type { Language, StitchKind } from '../terms/stitches.ts';
import type { CornerId } from '../terms/corners.ts';
import type { Piece } from '../piece/piece.ts';
import type { BaseRound } from '../base/baseRound.ts';
import type { Loop } from '../ring/stitch.ts';
import type { Yarn } from '../yarn/yarn.ts';

export const FORMAT = 'zig-hem';
export const VERSION = 3;

/** One entry of the stack of rounds: a family with its choices, worked `times` times. */
export interface RoundEntry {
  readonly id: string;
  readonly family: string;
  readonly stitch: StitchKind;
  readonly corner: CornerId;
  /** The fit may choose another corner. */
  readonly cornerOpen: boolean;
  readonly loop: Loop;
  /** Id of the yarn. */
  readonly yarn: string;
  /** 1 or more. */
  readonly times: number;
  /** Size of the family's motif, where it has sizes. */
  readonly size: number;
  /** The side of the work that faces; null leaves it to the family. */
  readonly facing: 'right' | 'wrong' | null;
  /** Hook of this round; null for the border's own. */
  readonly hookMm: number | null;
  /** For the family “own”: the round in written crochet, and the language it is written in. */
  readonly written: { readonly text: string; readonly language: Language } | null;
  /** Quiet changes: for a worked round of the entry (from “0”), stitches or places more or fewer on each side. */
  readonly changes: Readonly<Record<string, readonly number[]>>;
}

/** Id of the family of rounds that the user wrote. */
export const OWN = 'own';

/** Gauge of the border stitch, as measured or taken from the yarn's weight. */
export interface Gauge {
  /** Single crochet per 10 cm. */
  readonly stitchesPer10Cm: number;
  readonly hookMm: number;
}

export interface Preferences {
  readonly language: Language;
  readonly hand: 'right' | 'left';
  readonly length: 'cm' | 'in';
  /** Paper that patterns are laid out for. */
  readonly paper: 'a4' | 'letter';
}

/** Which worked round it is, wherever its entry stands in the stack. */
export interface WorkedRound {
  /** Id of the entry; null for the base round. */
  readonly entry: string | null;
  /** Number of the round in its entry, from 0. */
  readonly index: number;
}

/** Something that was weighed: a swatch, or a yarn before and after a round. */
export interface WeighIn {
  readonly id: string;
  readonly yarn: string;
  readonly of:
    | { readonly kind: 'swatch'; readonly stitch: StitchKind; readonly stitches: number }
    | { readonly kind: 'round'; readonly round: WorkedRound };
  readonly grams: number;
}

/** A border of this piece that was put aside, to be compared with the one in hand. */
export interface KeptBorder {
  readonly id: string;
  readonly name: string;
  readonly base: BaseRound;
  readonly rounds: readonly RoundEntry[];
}

export interface Hem {
  readonly format: typeof FORMAT;
  readonly version: typeof VERSION;
  readonly id: string;
  readonly name: string;
  /** ISO 8601 instants. */
  readonly created: string;
  readonly changed: string;
  readonly preferences: Preferences;
  readonly piece: Piece;
  /** Colour of the body, #rrggbb, for drawings. */
  readonly pieceColour: string;
  readonly gauge: Gauge;
  readonly yarns: readonly Yarn[];
  readonly base: BaseRound;
  readonly rounds: readonly RoundEntry[];
  readonly weighIns: readonly WeighIn[];
  /** Stitches in a minute. */
  readonly pace: number;
  /** Size after blocking over size before. */
  readonly blocking: number;
  /** The maker's own notes, printed in the pattern; paragraphs on lines of their own. */
  readonly notes: string;
  /** Borders put aside to be compared. */
  readonly kept: readonly KeptBorder[];
}
