/**
 * Pieces laid out in rows, and the seams between them in the order in which they are made: those across, each in one go from edge to
 * edge, then those down, which run over them. Each stretch of a seam is made once, no seam turns, and every one has but two
 * ends: of a grid of lines that meet at right angles no fewer ways in one go are possible, since every end of a line at
 * the outside is the end of some way.
 */
import type { Alike } from './alike.ts';

/** Pieces in rows, the last of which may be shorter. */
export interface PiecesLaidOut {
  readonly columns: number;
  readonly rows: number;
  /** Pieces in the last row. */
  readonly inLast: number;
}

export function laidOut({ count, across }: Pick<Alike, 'count' | 'across'>): PiecesLaidOut {
  const columns = Math.min(count, across);
  const rows = Math.ceil(count / columns);
  return { columns, rows, inLast: count - (rows - 1) * columns };
}

/**
 * A seam in one go, or several that lie apart. Squares: across between two rows, or down between two columns. Hexagons: a
 * zigzag between two rows, and apart from each other those between neighbors in a row. Triangles: a strip of a row, and the
 * bases between two rows.
 */
export interface Seam {
  readonly runs: 'across' | 'down' | 'zigzag' | 'apart' | 'strip' | 'bases';
  /** The row above it, or in which it lies, or the column before it, from 1. */
  readonly after: number;
  /** Sides that it joins to others. */
  readonly pieces: number;
  /** Seams made before it that it runs over. */
  readonly crosses: number;
}

/** Ends of yarn that a seam leaves. */
export const endsOfSeam = ({ runs, pieces }: Seam): number => (runs === 'apart' ? 2 * pieces : 2);

/** All seams of squares, in the order in which they are made. */
export function seamsOf({ columns, rows, inLast }: PiecesLaidOut): readonly Seam[] {
  const across = Array.from({ length: rows - 1 }, (_, k): Seam => {
    const pieces = k === rows - 2 ? inLast : columns;
    return { runs: 'across', after: k + 1, pieces, crosses: 0 };
  });
  const down = Array.from({ length: columns - 1 }, (_, k): Seam => {
    const pieces = k + 1 < inLast ? rows : rows - 1;
    return { runs: 'down', after: k + 1, pieces, crosses: Math.max(0, pieces - 1) };
  });
  return [...across, ...down.filter(({ pieces }) => pieces > 0)];
}

/** Sides of squares that meet another: those that lie beside each other, and those that lie one above the other. */
export function meetings(layout: PiecesLaidOut): { readonly beside: number; readonly above: number } {
  const sum = (runs: Seam['runs']): number =>
    seamsOf(layout).reduce((all, s) => all + (s.runs === runs ? s.pieces : 0), 0);
  return { beside: sum('down'), above: sum('across') };
}
