/** How each construction is pictured, and the choices that describe a piece of it beyond the numbers on its edges. */
import type { ComponentType } from 'react';
import type { Piece } from '../../core/piece/piece.ts';
import type { PieceKind } from '../../core/piece/registry.ts';
import { LatticeChoice } from '../controls/LatticeChoice.tsx';
import type { EditorProps, SideProps } from './editorProps.ts';
import { ShapeOfBlocks, SideOfBlocks } from './kinds/blocks.tsx';
import { SideOfCloth } from './kinds/cloth.tsx';
import { SidesCounted } from './kinds/counted.tsx';
import { CornersOfGrid, FieldOfGrid, SideOfGrid } from './kinds/grid.tsx';
import { ShapeOfKnit, SideOfKnit } from './kinds/knit.tsx';
import { CornersOfMotif, RoundsOfMotif, ShapeOfMotif, SideOfMotif } from './kinds/motif.tsx';
import { RunsOfRows, SideOfRows } from './kinds/rows.tsx';

interface Editing<P> {
  /** Path in a box of 32 by 32. */
  readonly icon: string;
  /** Shapes or fabrics among which it is one. */
  readonly Shape?: ComponentType<EditorProps<P>>;
  /** Along a side that is touched. */
  readonly Side?: ComponentType<SideProps<P>>;
  /** At a corner that is touched. */
  readonly Corner?: ComponentType<EditorProps<P>>;
  /** All else that there is of it. */
  readonly Rest?: ComponentType<EditorProps<P>>;
}

export const EDITORS: { readonly [K in PieceKind]: Editing<Extract<Piece, { kind: K }>> } = {
  rows: { icon: 'M6 5h20v22H6zM6 10h20M6 15h20M6 20h20M6 24h20', Side: SideOfRows, Rest: RunsOfRows },
  motif: {
    icon: 'M5 5h22v22H5zM10 10h12v12H10zM14.5 14.5h3v3h-3z',
    Shape: ShapeOfMotif,
    Side: SideOfMotif,
    Corner: CornersOfMotif,
    Rest: RoundsOfMotif,
  },
  blocks: {
    icon: 'M5 5h22v22H5zM5 12h7V5M5 20h15V5M12 27v-7h15M20 27v-15h7',
    Shape: ShapeOfBlocks,
    Side: SideOfBlocks,
  },
  grid: {
    icon: 'M5 5h22v22H5zM16 5v22M5 16h22M9 9h3v3H9zM20 9h3v3h-3zM9 20h3v3H9zM20 20h3v3h-3z',
    Shape: LatticeChoice,
    Side: SideOfGrid,
    Corner: CornersOfGrid,
    Rest: FieldOfGrid,
  },
  cloth: {
    icon: 'M5 5h22v22H5zM9 9h1M13 9h1M18 9h1M22 9h1M9 13v1M9 18v1M22 13v1M22 18v1M9 22.5h1M13 22.5h1M18 22.5h1M22 22.5h1',
    Side: SideOfCloth,
  },
  knit: {
    icon: 'M5 5l4 6l4 -6l4 6l4 -6l4 6M5 13l4 6l4 -6l4 6l4 -6l4 6M5 21l4 6l4 -6l4 6l4 -6l4 6',
    Shape: ShapeOfKnit,
    Side: SideOfKnit,
  },
  counted: { icon: 'M16 4l10.5 6v12L16 28 5.5 22V10zM9 16h14', Rest: SidesCounted },
};

/** The choices of a piece’s construction. What is passed to them is to be of that kind. */
export const editingOf = (piece: Piece): Editing<Piece> => EDITORS[piece.kind] as unknown as Editing<Piece>;
