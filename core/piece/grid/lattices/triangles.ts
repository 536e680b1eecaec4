import { longestOf, type Lattice } from '../lattice.ts';

const HIGH = Math.sqrt(3) / 2;

/** In rows, a point up and a point down by turns; in every second row the other way about. */
export const triangles: Lattice = {
  name: 'Triangles',
  motif: (column, row) => {
    const left = column / 2;
    const [top, bottom] = [row * HIGH, (row + 1) * HIGH];
    return (column + row) % 2 === 0
      ? [
          { x: left + 0.5, y: top },
          { x: left, y: bottom },
          { x: left + 1, y: bottom },
        ]
      : [
          { x: left + 1, y: top },
          { x: left, y: top },
          { x: left + 0.5, y: bottom },
        ];
  },
  turn: (column, row) => column + row,
  // A single one in a row touches the one above it by its point alone; cut, nothing is left of it.
  cells: ({ across, down }, halves) =>
    Array.from({ length: down }, () => '#'.repeat(Math.max(down > 1 || halves ? 2 : 1, across))),
  size: (cells) => ({ across: longestOf(cells), down: cells.length }),
  // Through the middle of the first and the last of a row.
  cut: ({ across }) => ({ left: 0.5, right: across / 2 }),
};
