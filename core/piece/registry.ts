/** The constructions, as they are offered: one line for each. */
import { blocks } from './blocks/blocks.ts';
import { cloth } from './cloth/cloth.ts';
import type { Construction } from './construction.ts';
import { counted } from './counted/counted.ts';
import { grid } from './grid/grid.ts';
import { knit } from './knit/knit.ts';
import { motif } from './motif/motif.ts';
import type { Piece } from './piece.schema.ts';
import { rows } from './rows/rows.ts';

export type PieceKind = Piece['kind'];

export const CONSTRUCTIONS: { readonly [K in PieceKind]: Construction<Extract<Piece, { kind: K }>> } = {
  rows,
  motif,
  blocks,
  grid,
  cloth,
  knit,
  counted,
};

export const PIECE_KINDS = Object.keys(CONSTRUCTIONS) as readonly PieceKind[];
