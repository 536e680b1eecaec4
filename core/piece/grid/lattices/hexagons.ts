import { longestOf, longestRow, rowsOf, type Lattice } from '../lattice.ts';

/** From one flat side of a hexagon to the other. */
const ACROSS = Math.sqrt(3);

/** By how many whole motifs a line is shifted against the slanting line from the first. */
const pairs = (line: number, halves: boolean): number =>
  halves ? Math.ceil(line / 2) : Math.floor(line / 2);

/** Points up: every second row is shifted by half a motif, with half ones to the left and has one more. */
export const hexagonsPointUp: Lattice = {
  name: 'Hexagons, a point up',
  motif: (column, row, halves) => {
    const shift = row % 2 === 0 ? 0 : halves ? -0.5 : 0.5;
    const x = (column + shift + 0.5) * ACROSS;
    const y = 1.5 * row + 1;
    return [
      { x, y: y - 1 },
      { x: x - ACROSS / 2, y: y - 0.5 },
      { x: x - ACROSS / 2, y: y + 0.5 },
      { x, y: y + 1 },
      { x: x + ACROSS / 2, y: y + 0.5 },
      { x: x + ACROSS / 2, y: y - 0.5 },
    ];
  },
  // Three colours, as seen along the three ways in which hexagons lie in a line.
  turn: (column, row, halves) => column - pairs(row, halves) - row,
  cells: ({ across, down }, halves) => rowsOf(down, across, across + (halves ? 1 : 0)),
  size: (cells, halves) => ({
    across: halves ? longestRow(cells, 0) : longestOf(cells),
    down: cells.length,
  }),
  cut: ({ across }) => ({ left: 0, right: across * ACROSS }),
};

/** Flat sides up: every second column is shifted down by half a motif; with half ones it is shifted up and has one more. */
export const hexagonsFlatUp: Lattice = {
  name: 'Hexagons, a flat side up',
  motif: (column, row, halves) => {
    const shift = column % 2 === 0 ? 0 : halves ? -0.5 : 0.5;
    const x = 1.5 * column + 1;
    const y = (row + shift + 0.5) * ACROSS;
    return [
      { x: x + 0.5, y: y - ACROSS / 2 },
      { x: x - 0.5, y: y - ACROSS / 2 },
      { x: x - 1, y },
      { x: x - 0.5, y: y + ACROSS / 2 },
      { x: x + 0.5, y: y + ACROSS / 2 },
      { x: x + 1, y },
    ];
  },
  turn: (column, row, halves) => row - pairs(column, halves) - column,
  cells: ({ across, down }, halves) => [
    ...Array.from({ length: down }, () => '#'.repeat(across)),
    ...(halves && across > 1 ? [Array.from({ length: across }, (_, x) => '.#'[x % 2]).join('')] : []),
  ],
  size: (cells, halves) => ({
    across: longestOf(cells),
    down: cells.length - (halves && longestOf(cells) > 1 ? 1 : 0),
  }),
  cut: ({ down }) => ({ top: 0, bottom: down * ACROSS }),
};
