/** The lattices by name, as a file says them. */
export const LATTICE_IDS = [
  'squares',
  'squares on point',
  'hexagons point up',
  'hexagons flat up',
  'triangles',
] as const;

export type LatticeId = (typeof LATTICE_IDS)[number];
