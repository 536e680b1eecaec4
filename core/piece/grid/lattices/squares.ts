import { longestOf, type Lattice } from '../lattice.ts';

export const squares: Lattice = {
  name: 'Squares',
  motif: (x, y) => [
    { x: x + 1, y },
    { x, y },
    { x, y: y + 1 },
    { x: x + 1, y: y + 1 },
  ],
  turn: (column, row) => column + row,
  cells: ({ across, down }) => Array.from({ length: down }, () => '#'.repeat(across)),
  size: (cells) => ({ across: longestOf(cells), down: cells.length }),
  cut: null,
};
