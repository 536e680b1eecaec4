/** Changes of joined motifs as a whole: another shape, rings around one, single ones left out or put back. */
import type { Point } from '../outline.ts';
import { fieldOf, hasHalves, inField, placed, type PlacedMotif } from './grid.ts';
import type { GridPiece } from './grid.schema.ts';
import { laidMotifs, type LaidMotif } from './laidMotifs.ts';
import { LATTICES } from './registry.ts';

/** The piece in another lattice, a field of as many motifs. */
export const inLattice = (piece: GridPiece, to: Partial<Pick<GridPiece, 'lattice' | 'halves'>>): GridPiece =>
  inField({ ...piece, ...to }, fieldOf(piece));

/** The piece as rings of motifs around one: each ring is what touches the one before it. */
export function inRings(piece: GridPiece, rings: number): GridPiece {
  const wide = { across: 4 * rings + 5, down: 4 * rings + 5 };
  const around: GridPiece = { ...inField(piece, wide), halves: false };
  const field = { ...around, cells: LATTICES[piece.lattice].cells(wide, false) };
  const motifs = laidMotifs(field);
  const key = ({ x, y }: Point): string => `${Math.round(x * 1024)} ${Math.round(y * 1024)}`;
  const touching = new Map<string, LaidMotif[]>();
  for (const motif of motifs)
    for (const { from } of motif.sides) {
      const there = touching.get(key(from));
      if (there) there.push(motif);
      else touching.set(key(from), [motif]);
    }
  const middle = 2 * rings + 2;
  let ring = motifs.filter(({ column, row }) => column === middle && row === middle);
  const kept = new Set(ring);
  for (let n = 0; n < rings; n++) {
    ring = ring.flatMap((motif) => motif.sides.flatMap(({ from }) => touching.get(key(from)) ?? []));
    ring.forEach((motif) => kept.add(motif));
  }
  const columns = [...kept].map((m) => m.column);
  const rows = [...kept].map((m) => m.row);
  // In lattices whose rows or columns take turns a motif stays in one of its own kind.
  const [left, top] = [evenDown(Math.min(...columns)), evenDown(Math.min(...rows))];
  const cells = Array.from({ length: Math.max(...rows) - top + 1 }, (_, y) =>
    Array.from({ length: Math.max(...columns) - left + 1 }, (__, x) =>
      [...kept].some((m) => m.column === left + x && m.row === top + y) ? '#' : '.',
    ).join(''),
  );
  return { ...piece, halves: false, cells };
}

const evenDown = (n: number): number => n - (n % 2);

/** Motifs that the field has room for and that were left out, as they would lie. */
export function motifsLeftOut(piece: GridPiece): readonly PlacedMotif[] {
  const { cells } = piece;
  const whole = LATTICES[piece.lattice].cells(fieldOf(piece), hasHalves(piece));
  const there = (column: number, row: number): boolean => cells[row]?.[column] === '#';
  const all = laidMotifs({ ...piece, cells: whole });
  return placed(
    piece,
    all.filter(({ column, row }) => !there(column, row)),
  );
}

/** The piece with a motif where there was none, or without it; null where nothing would be left. */
export function withMotif(piece: GridPiece, column: number, row: number): GridPiece | null {
  const cells = Array.from({ length: Math.max(piece.cells.length, row + 1) }, (_, y) => {
    const cellsOfRow = piece.cells[y] ?? '.';
    if (y !== row) return cellsOfRow;
    const wide = cellsOfRow.padEnd(column + 1, '.');
    return wide.slice(0, column) + (wide[column] === '#' ? '.' : '#') + wide.slice(column + 1);
  });
  const changed = { ...piece, cells };
  return laidMotifs(changed).length > 0 ? changed : null;
}
