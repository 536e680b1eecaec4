/** Joined motifs as they lie: each by its corners and sides, half ones cut. Lengths in sides of a motif, y downwards. */
import { held } from '../../held.ts';
import { remembered } from '../../remembered.ts';
import type { Point } from '../outline.ts';
import type { GridPiece } from './grid.schema.ts';
import type { Cut } from './lattice.ts';
import { LATTICES } from './registry.ts';

export interface MotifSide {
  readonly from: Point;
  readonly to: Point;
  /** Numbers of its ends among all points of the piece, as one number; and that of the same side walked the other way. */
  readonly key: number;
  readonly back: number;
  readonly length: number;
  /** Made by cutting a motif: the long side of a half one. */
  readonly cut: boolean;
  /** Another motif is joined to it. */
  readonly joined: boolean;
}

export interface LaidMotif {
  readonly column: number;
  readonly row: number;
  /** In working order. */
  readonly sides: readonly MotifSide[];
}

/** A number for a point, the same for all points that are nearer than a thousandth of a side. */
export const pointKey = ({ x, y }: Point): number =>
  Math.round((x + 8) * 1024) * 2 ** 24 + Math.round((y + 8) * 1024);

/** The motifs of a piece, row by row from the top; the same piece has the same. */
export const laidMotifs = remembered((piece: GridPiece): readonly LaidMotif[] => {
  const lattice = LATTICES[piece.lattice];
  const { cells } = piece;
  const halves = piece.halves && lattice.cut !== null;
  const cut = halves ? (lattice.cut?.(lattice.size(cells, true)) ?? {}) : {};
  const laid = cells.flatMap((cellsOfRow, row) =>
    [...cellsOfRow].flatMap((cell, column) => {
      if (cell !== '#') return [];
      const corners = cutCorners(lattice.motif(column, row, halves), cut);
      return corners.length < 3 ? [] : [{ column, row, corners }];
    }),
  );
  const numbers = new Map<number, number>();
  const numberOf = (p: Point): number => {
    const key = pointKey(p);
    const known = numbers.get(key) ?? numbers.size;
    numbers.set(key, known);
    return known;
  };
  const keyed = laid.map(({ column, row, corners }) => {
    const points = corners.map(numberOf);
    const keys = points.map((from, i) => {
      const to = held(points[(i + 1) % points.length], 'there is a corner after each');
      return [from * MOST_POINTS + to, to * MOST_POINTS + from] as const;
    });
    return { column, row, corners, keys };
  });
  const sides = new Set(keyed.flatMap(({ keys }) => keys.map(([key]) => key)));
  return keyed.map(({ column, row, corners, keys }) => ({
    column,
    row,
    sides: keys.map(([key, back], i) => {
      const from = held(corners[i], 'each side begins in a corner');
      const to = after(corners, i);
      return {
        from,
        to,
        key,
        back,
        length: Math.hypot(to.x - from.x, to.y - from.y),
        cut: liesOn(cut, from, to),
        joined: sides.has(back),
      };
    }),
  }));
});

/** More than the corners of all motifs that there can be. */
const MOST_POINTS = 2 ** 20;

const after = (corners: readonly Point[], i: number): Point => corners[(i + 1) % corners.length]!;

const near = (a: number, b: number | undefined): boolean => b !== undefined && Math.abs(a - b) < 1e-6;
const liesOn = ({ left, right, top, bottom }: Cut, a: Point, b: Point): boolean =>
  [left, right].some((line) => near(a.x, line) && near(b.x, line)) ||
  [top, bottom].some((line) => near(a.y, line) && near(b.y, line));

/** Corners of a convex motif within its cut (Sutherland and Hodgman’s clipping, line by line). */
function cutCorners(corners: readonly Point[], { left, right, top, bottom }: Cut): readonly Point[] {
  const lines: readonly (readonly [number | undefined, (p: Point, line: number) => number])[] = [
    [left, (p, line) => p.x - line],
    [right, (p, line) => line - p.x],
    [top, (p, line) => p.y - line],
    [bottom, (p, line) => line - p.y],
  ];
  return lines
    .reduce<readonly Point[]>((kept, [line, inside]) => {
      if (line === undefined) return kept;
      return kept.flatMap((p, i) => {
        const q = after(kept, i);
        const [a, b] = [inside(p, line), inside(q, line)];
        const crossed = (a > 1e-9 && b < -1e-9) || (a < -1e-9 && b > 1e-9);
        const at = a / (a - b);
        return [
          ...(a >= -1e-9 ? [p] : []),
          ...(crossed ? [{ x: p.x + at * (q.x - p.x), y: p.y + at * (q.y - p.y) }] : []),
        ];
      });
    }, corners)
    .filter((p, i, all) => {
      const q = after(all, i);
      return all.length < 3 || Math.hypot(p.x - q.x, p.y - q.y) > 1e-6;
    });
}
