/** A piece as its maker describes it: how it was made, and its measures. */
import { byKind, type Of } from '../schema.ts';
import { blocks } from './blocks/blocks.schema.ts';
import { cloth } from './cloth/cloth.schema.ts';
import { counted } from './counted/counted.schema.ts';
import { grid } from './grid/grid.schema.ts';
import { motif } from './motif/motif.schema.ts';
import { rows } from './rows/rows.schema.ts';

export const piece = byKind(rows, motif, blocks, grid, cloth, counted);

export type Piece = Of<typeof piece>;
