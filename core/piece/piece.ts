/**
 * A piece as its maker describes it. One file beside this one for each construction turns the description into
 * a {@link Body}; {@link bodyOf} is the only door.
 */
import type { StitchKind } from '../terms/stitches.ts';
import { bodyOfBlocks } from './blocks.ts';
import { bodyOfCloth } from './cloth.ts';
import { bodyOfCounted } from './counted.ts';
import { bodyOfGrid } from './grid.ts';
import { bodyOfMotif } from './motif.ts';
import type { Body } from './edge.ts';
import { bodyOfRows } from './rows.ts';

/** What the base round goes into along the foundation. */
export type FoundationChoice = 'both loops of the chain' | 'one loop of the chain' | 'stitches of row 1';

/** Rows worked back and forth from a foundation chain. */
export interface RowsPiece {
  readonly kind: 'rows';
  /** Stitches in a row. */
  readonly stitches: number;
  /** Runs of rows of one kind, from the foundation upwards. */
  readonly rows: readonly { readonly stitch: StitchKind; readonly count: number }[];
  readonly foundation: FoundationChoice;
  readonly widthCm: number;
  readonly heightCm: number;
}

/** One big motif worked in rounds from its centre: a regular polygon, or a disc with `corners` 0. */
export interface MotifPiece {
  readonly kind: 'motif';
  /** 0 for a disc, else 3 to 12. */
  readonly corners: number;
  /** Chains of the corner spaces of the last round, 1 to 3; 0 when a stitch marks the corner. */
  readonly cornerChains: number;
  readonly edge:
    | { readonly kind: 'solid'; readonly stitch: StitchKind; readonly stitches: number }
    | {
        readonly kind: 'clustered';
        /** Clusters on a side, those of the corners included. */
        readonly clusters: number;
        readonly stitchesEach: number;
        /** Chains between clusters; 0 leaves a gap. */
        readonly chainsBetween: number;
      };
  /** Length of a side; round the whole disc. */
  readonly sideCm: number;
}

/** Blocks worked from corner to corner. */
export interface BlocksPiece {
  readonly kind: 'blocks';
  readonly stitch: 'hdc' | 'dc';
  readonly blocksWide: number;
  readonly blocksHigh: number;
  readonly widthCm: number;
  readonly heightCm: number;
}

/** Square motifs joined edge to edge; the outline may be stepped. */
export interface GridPiece {
  readonly kind: 'grid';
  /** Rows of the grid from the top: “#” for a motif, “.” for none; the motifs hang together by their edges. */
  readonly cells: readonly string[];
  /** Stitches on a motif's side, between its corner spaces. */
  readonly motifStitches: number;
  readonly motifCm: number;
}

/** Woven cloth or fleece with a row of holes. */
export interface ClothPiece {
  readonly kind: 'cloth';
  readonly widthCm: number;
  readonly heightCm: number;
  /** Distance between holes, mm. */
  readonly pitchMm: number;
}

/** Any outline whose sides the maker has counted by hand. */
export interface CountedPiece {
  readonly kind: 'counted';
  /** In working order. The turn is that of the corner before the side; negative at an inner corner. */
  readonly sides: readonly {
    readonly lengthCm: number;
    readonly stitches: number;
    readonly turnDegrees: number;
  }[];
}

export type Piece = RowsPiece | MotifPiece | BlocksPiece | GridPiece | ClothPiece | CountedPiece;

const known = new WeakMap<Piece, Body>();

/** What the edges of a piece offer; the same piece has the same body. */
export function bodyOf(piece: Piece): Body {
  let body = known.get(piece);
  if (!body) {
    body = makeBody(piece);
    known.set(piece, body);
  }
  return body;
}

function makeBody(piece: Piece): Body {
  switch (piece.kind) {
    case 'rows':
      return bodyOfRows(piece);
    case 'motif':
      return bodyOfMotif(piece);
    case 'blocks':
      return bodyOfBlocks(piece);
    case 'grid':
      return bodyOfGrid(piece);
    case 'cloth':
      return bodyOfCloth(piece);
    case 'counted':
      return bodyOfCounted(piece);
  }
}
