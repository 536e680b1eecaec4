/** A piece as its maker describes it: how it was made, and its measures. */
import { byKind, named, type Of } from '../schema.ts';
import { blocksSchema } from './blocks/blocks.schema.ts';
import { clothSchema } from './cloth/cloth.schema.ts';
import { countedSchema } from './counted/counted.schema.ts';
import { gridSchema } from './grid/grid.schema.ts';
import { knitSchema } from './knit/knit.schema.ts';
import { motifSchema } from './motif/motif.schema.ts';
import { rowsSchema } from './rows/rows.schema.ts';

export const piece = named(
  'piece',
  byKind(rowsSchema, motifSchema, blocksSchema, gridSchema, clothSchema, knitSchema, countedSchema),
);

export type Piece = Of<typeof piece>;
