/**
 * A piece as its maker describes it, and what its edges offer the hook. One file beside this one for each
 * construction turns the description into a {@link Body}; {@link bodyOf} is the only door.
 */
import type { StitchKind } from '../terms/stitches.ts';
import type { Outline } from './outline.ts';
import { bodyOfRows } from './rows.ts';

/** Rows worked back and forth from a foundation chain. */
export interface RowsPiece {
  readonly kind: 'rows';
  /** Stitches in a row. */
  readonly stitches: number;
  /** Runs of rows of one kind, from the foundation upwards. */
  readonly rows: readonly { readonly stitch: StitchKind; readonly count: number }[];
  readonly widthCm: number;
  readonly heightCm: number;
}

export type Piece = RowsPiece;

/** What a stretch of an edge is made of. */
export type SpotKind = 'stitch top' | 'foundation chain' | 'row end';

/** One place of an edge that the base round can work into any number of times. */
export interface Spot {
  readonly kind: SpotKind;
  /** The stitch of the row that ends here, or whose top this is. */
  readonly stitch: StitchKind;
  /** Length of edge that it stands for, mm. */
  readonly lengthMm: number;
}

export interface Edge {
  /** In working order. */
  readonly spots: readonly Spot[];
  /** What a spot's number is called and where it counts from, in words for the run. */
  readonly numbering: { readonly noun: string; readonly from: 'first' | 'last' };
  /** Length by the maker's tape, mm. */
  readonly measuredMm: number;
  /** Length that the description gives by itself, mm. */
  readonly computedMm: number;
}

export interface Body {
  readonly outline: Outline;
  readonly edges: readonly Edge[];
  /** What the corner before each side is worked into, in words that fit “3 sc in …”. */
  readonly cornerPlaces: readonly string[];
  /** Stitch width of the body, mm. */
  readonly stitchWidthMm: number;
}

/** What the edges of a piece offer. */
export function bodyOf(piece: Piece): Body {
  return bodyOfRows(piece);
}
