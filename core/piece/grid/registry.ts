/** The lattices, as they are offered: one line for each. */
import type { Lattice } from './lattice.ts';
import type { LatticeId } from './latticeIds.ts';
import { hexagonsFlatUp, hexagonsPointUp } from './lattices/hexagons.ts';
import { squaresOnPoint } from './lattices/onPoint.ts';
import { squares } from './lattices/squares.ts';
import { triangles } from './lattices/triangles.ts';

export const LATTICES: Readonly<Record<LatticeId, Lattice>> = {
  squares,
  'squares on point': squaresOnPoint,
  'hexagons point up': hexagonsPointUp,
  'hexagons flat up': hexagonsFlatUp,
  triangles,
};
