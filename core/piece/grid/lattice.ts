/** A way in which motifs lie side by side without a gap. Each has a file in lattices/ and a line in registry.ts. */
import type { Point } from '../outline.ts';

/** Field of motifs, as a maker counts it: whole ones where there are half ones too. */
export interface FieldSize {
  readonly across: number;
  readonly down: number;
}

/** Lines that motifs are cut along; undefined where they are whole. */
export interface Cut {
  readonly left?: number;
  readonly right?: number;
  readonly top?: number;
  readonly bottom?: number;
}

/** Lengths in sides of a motif, y downwards. */
export interface Lattice {
  readonly name: string;
  /** Corners of the whole motif in a cell, anticlockwise as looked at. */
  readonly motif: (column: number, row: number, halves: boolean) => readonly Point[];
  /** A number for a cell, with which colours take turns so that motifs which are joined differ where two or three colours allow it. */
  readonly turn: (column: number, row: number, halves: boolean) => number;
  /** Cells of a whole field, rows from the top. */
  readonly cells: (size: FieldSize, halves: boolean) => readonly string[];
  /** Field that the cells of one come to, if all are filled. */
  readonly size: (cells: readonly string[], halves: boolean) => FieldSize;
  /** Edges that half motifs make straight; null where there are no half ones. */
  readonly cut: ((size: FieldSize) => Cut) | null;
}

/** Cells in rows of which every second one has so many more. */
export const rowsOf = (rows: number, evenRow: number, oddRow: number): readonly string[] =>
  Array.from({ length: rows }, (_, row) => '#'.repeat(row % 2 === 0 ? evenRow : oddRow));

/** The most motifs that a row has room for, among every second row. */
export const longestRow = (cells: readonly string[], parity: 0 | 1): number =>
  Math.max(0, ...cells.filter((_, row) => row % 2 === parity).map((row) => row.length));

export const longestOf = (cells: readonly string[]): number => Math.max(0, ...cells.map((row) => row.length));
