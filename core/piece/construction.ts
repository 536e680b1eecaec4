/** A way of making a piece. Each has a folder beside this file and a line in registry.ts. */
import type { Problem, ProblemPlace } from '../problems.ts';
import type { StitchKind } from '../terms/stitches.ts';
import type { NewPieceQuestions } from './asked.ts';
import type { Body } from './edge.ts';
import type { EdgeNumber, PulledTo } from './edgeNumbers.ts';
import type { FabricRow } from './fabric.ts';
import type { Outline, Point } from './outline.ts';

export interface Construction<P> {
  readonly name: string;
  /** Which side is which, where its sides have names of their own. */
  readonly whichSide?: string;
  /** Its last row lies along side A, and ends at a corner of that. */
  readonly hasLastRow?: true;
  /** Edges of a piece. */
  readonly body: (piece: P) => Body;
  /** Spots that its edges offer all round, counted without laying them out. */
  readonly spots: (piece: P) => number;
  /** Other faults that let a piece not be planned at all. */
  readonly beyondPlanning?: (piece: P, where: ProblemPlace) => readonly Problem[];
  /** Faults of its outline; it can be planned all the same, so that it can be mended step by step. */
  readonly outlineProblems?: (piece: P, where: ProblemPlace, unit: 'cm' | 'in') => readonly Problem[];
  /** Measures of a new piece: at most three numbers. */
  readonly asked: readonly NewPieceQuestions<P>[];
  /** Numbers that stand on its edges in its drawing. */
  readonly onEdges: (piece: P) => readonly EdgeNumber<P>[];
  /** The piece as wide or as high as it is pulled; without this only its corners move. */
  readonly pulled?: (piece: P, to: PulledTo) => P;
  /** A piece about as big as another. */
  readonly begin: (size: PieceBefore) => P;
  /** The piece with one side as long as the tape says, and with it the sides that must have the same length. */
  readonly withSideLength: (piece: P, side: number, lengthCm: number) => P;
  /** The piece with the corner before a side elsewhere, mm; null where that is no outline of its kind. */
  readonly withCornerAt?: (piece: P, corner: number, to: Point) => P | null;
  /** The piece worked into between its posts, or into its stitches again, where it has posts. */
  readonly betweenPosts?: (piece: P, between: boolean) => P;
  /** Its size brought after its counts, where nobody has measured it yet. */
  readonly sized?: (before: P, after: P, follow: Follow) => P;
  /** Fabric, to be drawn lightly on it. The middle of the piece lies at the origin, y downwards. */
  readonly fabric: (piece: P, body: Body) => readonly FabricShape[];
  /** Its stitches, but for those that are drawn with the edge; nothing where they are not known. */
  readonly stitches?: (piece: P, body: Body) => readonly FabricRow[];
  /** Stitches that there are about, so that no more are laid out than can be drawn. */
  readonly size?: (piece: P) => number;
  /** The part that a point of its edge belongs to, where parts may have colours of their own. */
  readonly partAt?: (piece: P, body: Body, point: Point) => number;
  /** Surfaces of its parts, each lying on those before it, mm. */
  readonly areas?: (piece: P, body: Body) => readonly PartArea[];
  /** Where a part is in the piece as it was changed; null when it has gone. Without this, parts stay where they are. */
  readonly partAfter?: (before: P, after: P, part: number) => number | null;
  /** Words to its maker before it has a border; null where there is nothing to tell. */
  readonly care?: (piece: P) => string | null;
  /** The piece with some rows of a run as a run of their own; null where nothing would be split. */
  readonly withRunSplit?: (piece: P, run: number, from: number, to: number) => P | null;
  /** Its runs of rows, from the foundation. */
  readonly bands?: (piece: P, body: Body) => readonly RowBand[];
}

/** Measures that a new piece takes over from the one before it. */
export interface PieceBefore {
  readonly widthCm: number;
  readonly heightCm: number;
  /** Width of a border stitch, mm. */
  readonly stitchWidthMm: number;
  readonly outline: Outline;
  /** Stitches that the base round works along side `side` of the piece before. */
  readonly stitchesAlong: (side: number) => number;
}

/**
 * A size after its counts have changed.
 *
 * @param was the size before, cm
 * @param counted stitch widths that its counts came to then
 * @param is the size now, cm: another than before has been measured, and stays
 * @param counts stitch widths that the counts come to now
 */
export type Follow = (was: number, counted: number, is: number, counts: number) => number;

/** A whole number near `x` that a field of the file takes. */
export const wholeBetween = (least: number, x: number, most: number): number =>
  Math.min(most, Math.max(least, Math.round(x)));

/** Something drawn of a fabric: a surface that is darker, or a line; mm. */
export type FabricShape =
  | {
      readonly draw: 'surface';
      readonly along: { readonly points: readonly Point[] };
    }
  | {
      readonly draw: 'line';
      readonly thickMm: number;
      /** A dashed line: the distance from one dash to the next, and how long each is. */
      readonly dashes?: { readonly pitchMm: number; readonly lengthMm: number };
      /** Through points and back to the first, where it is not open; or a circle about the middle. */
      readonly along:
        { readonly points: readonly Point[]; readonly open?: true } | { readonly radiusMm: number };
    };

/** The surface of a part that may have a colour of its own. */
export interface PartArea {
  readonly part: number;
  readonly points: readonly Point[];
}

export interface RowBand {
  readonly stitch: StitchKind;
  /** Rows below the band, and up to its top, from the foundation. */
  readonly from: number;
  readonly to: number;
  /** Top and bottom, mm on the piece, y downwards. */
  readonly top: number;
  readonly bottom: number;
}

/** A rectangle as a closed line. */
export const boxLine = (
  x: number,
  y: number,
  widthMm: number,
  heightMm: number,
): { readonly points: readonly Point[] } => ({
  points: [
    { x, y },
    { x: x + widthMm, y },
    { x: x + widthMm, y: y + heightMm },
    { x, y: y + heightMm },
  ],
});

/** A rectangle with a side, and the one that faces it, as long as the tape says. */
export const rectangleWithSide = <P extends { readonly widthCm: number; readonly heightCm: number }>(
  piece: P,
  side: number,
  lengthCm: number,
): P => (side % 2 === 0 ? { ...piece, widthCm: lengthCm } : { ...piece, heightCm: lengthCm });
