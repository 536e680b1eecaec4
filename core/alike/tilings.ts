/** Pieces of one outline that lie in rows without gaps: which of their sides meet, how often, and in which seams. */
import type { Outline } from '../piece/outline.ts';
import { meetings, seamsOf, type PiecesLaidOut, type Seam } from './seams.ts';

/** Two sides that meet: those of neighbors in a row, or of pieces in two rows. */
export interface SidesMet {
  readonly where: 'in a row' | 'between rows';
  /** Numbers of the sides; twice the same where pieces are turned around. */
  readonly sides: readonly [number, number];
  /** How often in all. */
  readonly times: number;
}

interface Size {
  readonly widthMm: number;
  readonly heightMm: number;
}

export interface Tiling {
  readonly met: (layout: PiecesLaidOut) => readonly SidesMet[];
  /** In the order in which they are made. */
  readonly seams: (layout: PiecesLaidOut) => readonly Seam[];
  /** All pieces together. @param piece as it is drawn */
  readonly size: (piece: Size, layout: PiecesLaidOut) => Size;
}

const only = (met: readonly SidesMet[]): readonly SidesMet[] => met.filter(({ times }) => times > 0);

/** Squares in straight rows: the first side lies above the third, the fourth beside the second. */
const SQUARES: Tiling = {
  met: (layout) => {
    const { beside, above } = meetings(layout);
    return only([
      { where: 'between rows', sides: [0, 2], times: above },
      { where: 'in a row', sides: [1, 3], times: beside },
    ]);
  },
  seams: seamsOf,
  size: ({ widthMm, heightMm }, { columns, rows }) => ({
    widthMm: widthMm * columns,
    heightMm: heightMm * rows,
  }),
};

/** How many pieces a row has, by its number from 1. */
const inRow = ({ columns, rows, inLast }: PiecesLaidOut, row: number): number =>
  row === rows ? inLast : columns;

const rowsOf = ({ rows }: PiecesLaidOut): readonly number[] => Array.from({ length: rows }, (_, k) => k + 1);

/**
 * Hexagons with two sides upright: every second row lies half a piece further on. A row touches the one below it in a zigzag; each
 * seam between neighbors in a row ends at two of these, so that it cannot be part of another one in one go.
 */
const HEXAGONS: Tiling = {
  met: (layout) => {
    let [inRows, steep, other] = [0, 0, 0];
    for (const row of rowsOf(layout)) {
      inRows += inRow(layout, row) - 1;
      if (row === layout.rows) continue;
      const below = inRow(layout, row + 1);
      const all = zigzag(layout, row);
      steep += below;
      other += all - below;
    }
    return only([
      { where: 'in a row', sides: [0, 3], times: inRows },
      { where: 'between rows', sides: [1, 4], times: steep },
      { where: 'between rows', sides: [2, 5], times: other },
    ]);
  },
  seams: (layout) => [
    ...rowsOf(layout).flatMap((row): readonly Seam[] => {
      const pieces = inRow(layout, row) - 1;
      return pieces > 0 ? [{ runs: 'apart', after: row, pieces, crosses: 0 }] : [];
    }),
    ...rowsOf(layout)
      .slice(0, -1)
      .map((row): Seam => ({ runs: 'zigzag', after: row, pieces: zigzag(layout, row), crosses: 0 })),
  ],
  // Turned by a quarter: what is drawn as its height lies across.
  size: ({ widthMm, heightMm }, { columns, rows }) => ({
    widthMm: heightMm * (columns + (rows > 1 ? 0.5 : 0)),
    heightMm: widthMm * (1 + 0.75 * (rows - 1)),
  }),
};

/** Sides along which a row of hexagons touches the one below it. */
function zigzag(layout: PiecesLaidOut, row: number): number {
  const [upper, lower] = [inRow(layout, row), inRow(layout, row + 1)];
  // Rows with even numbers lie half a piece further on.
  return row % 2 === 1 ? Math.min(2 * lower, 2 * upper - 1) : 2 * lower - 1;
}

/** Triangles in strips, every second one turned around: each side meets its like. */
const TRIANGLES: Tiling = {
  met: (layout) => {
    const inStrips = rowsOf(layout).map((row) => inRow(layout, row) - 1);
    const bases = rowsOf(layout)
      .slice(0, -1)
      .reduce((sum, row) => sum + basesMet(layout, row), 0);
    const sum = (share: (n: number) => number): number => inStrips.reduce((all, n) => all + share(n), 0);
    return only([
      { where: 'between rows', sides: [0, 0], times: bases },
      { where: 'in a row', sides: [1, 1], times: sum((n) => Math.ceil(n / 2)) },
      { where: 'in a row', sides: [2, 2], times: sum((n) => Math.floor(n / 2)) },
    ]);
  },
  seams: (layout) => [
    ...rowsOf(layout).flatMap((row): readonly Seam[] => {
      const pieces = inRow(layout, row) - 1;
      return pieces > 0 ? [{ runs: 'strip', after: row, pieces, crosses: 0 }] : [];
    }),
    ...rowsOf(layout)
      .slice(0, -1)
      .flatMap((row): readonly Seam[] => {
        const pieces = basesMet(layout, row);
        return pieces > 0 ? [{ runs: 'bases', after: row, pieces, crosses: 0 }] : [];
      }),
  ],
  size: ({ widthMm, heightMm }, { columns, rows }) => ({
    widthMm: (widthMm * (columns + 1)) / 2,
    heightMm: heightMm * rows,
  }),
};

/** Triangles of a strip whose base meets one below: those that point up, which is every second one. */
function basesMet(layout: PiecesLaidOut, row: number): number {
  const facing = Math.min(inRow(layout, row), inRow(layout, row + 1));
  // The first of a strip points up in rows with odd numbers.
  return row % 2 === 1 ? Math.ceil(facing / 2) : Math.floor(facing / 2);
}

const REGULAR: Readonly<Record<number, Tiling>> = { 3: TRIANGLES, 4: SQUARES, 6: HEXAGONS };

/** The tiling of an outline whose corners are all alike; null where it leaves gaps, or cannot be laid in rows. */
export function tilingOf({ turns }: Outline): Tiling | null {
  const regular = turns.every((turn) => Math.abs(turn - (2 * Math.PI) / turns.length) < 0.01);
  return regular ? (REGULAR[turns.length] ?? null) : null;
}
