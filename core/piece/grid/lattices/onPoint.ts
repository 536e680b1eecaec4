import { longestOf, longestRow, rowsOf, type Lattice } from '../lattice.ts';

/** From one corner of a square to the one that faces it. */
const ACROSS = Math.SQRT2;

/**
 * Squares on their point, each row half a motif lower than the one before and shifted by half a motif. With half ones, and quarter
 * ones at the corners, the field is a rectangle: its whole rows of `across` motifs lie between rows that have one more.
 */
export const squaresOnPoint: Lattice = {
  name: 'Squares on their point',
  motif: (column, row, halves) => {
    const shift = halves ? (row % 2 === 0 ? -0.5 : 0) : row % 2 === 0 ? 0 : 0.5;
    const x = (column + shift + 0.5) * ACROSS;
    const y = ((row + (halves ? 0 : 1)) * ACROSS) / 2;
    return [
      { x, y: y - ACROSS / 2 },
      { x: x - ACROSS / 2, y },
      { x, y: y + ACROSS / 2 },
      { x: x + ACROSS / 2, y },
    ];
  },
  // Those of a row are not joined to each other.
  turn: (_, row) => row,
  cells: ({ across, down }, halves) =>
    halves ? rowsOf(2 * down + 1, across + 1, across) : rowsOf(down, across, across),
  size: (cells, halves) =>
    halves
      ? { across: longestRow(cells, 1), down: (cells.length - 1) / 2 }
      : { across: longestOf(cells), down: cells.length },
  cut: ({ across, down }) => ({ left: 0, right: across * ACROSS, top: 0, bottom: down * ACROSS }),
};
