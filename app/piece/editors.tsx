/** How each construction is pictured, and the fields that describe a piece of it. */
import type { ComponentType } from 'react';
import type { Piece } from '../../core/piece/piece.ts';
import type { PieceKind } from '../../core/piece/registry.ts';
import { BlocksEditor } from './BlocksEditor.tsx';
import { ClothEditor } from './ClothEditor.tsx';
import { CountedEditor } from './CountedEditor.tsx';
import type { EditorProps } from './editorProps.ts';
import { GridEditor } from './GridEditor.tsx';
import { KnitEditor } from './KnitEditor.tsx';
import { MotifEditor } from './MotifEditor.tsx';
import { RowsEditor } from './RowsEditor.tsx';

interface Editing<P> {
  /** Path in a box of 32 by 32. */
  readonly icon: string;
  readonly Editor: ComponentType<EditorProps<P>>;
}

export const EDITORS: { readonly [K in PieceKind]: Editing<Extract<Piece, { kind: K }>> } = {
  rows: { icon: 'M6 5h20v22H6zM6 10h20M6 15h20M6 20h20M6 24h20', Editor: RowsEditor },
  motif: { icon: 'M5 5h22v22H5zM10 10h12v12H10zM14.5 14.5h3v3h-3z', Editor: MotifEditor },
  blocks: { icon: 'M5 5h22v22H5zM5 12h7V5M5 20h15V5M12 27v-7h15M20 27v-15h7', Editor: BlocksEditor },
  grid: {
    icon: 'M5 5h22v22H5zM16 5v22M5 16h22M9 9h3v3H9zM20 9h3v3h-3zM9 20h3v3H9zM20 20h3v3h-3z',
    Editor: GridEditor,
  },
  cloth: {
    icon: 'M5 5h22v22H5zM9 9h1M13 9h1M18 9h1M22 9h1M9 13v1M9 18v1M22 13v1M22 18v1M9 22.5h1M13 22.5h1M18 22.5h1M22 22.5h1',
    Editor: ClothEditor,
  },
  knit: {
    icon: 'M5 5l4 6l4 -6l4 6l4 -6l4 6M5 13l4 6l4 -6l4 6l4 -6l4 6M5 21l4 6l4 -6l4 6l4 -6l4 6',
    Editor: KnitEditor,
  },
  counted: { icon: 'M16 4l10.5 6v12L16 28 5.5 22V10zM9 16h14', Editor: CountedEditor },
};
