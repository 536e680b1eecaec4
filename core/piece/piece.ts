/**
 * A piece as its maker describes it, whatever its construction. This file is the only door to the constructions: one folder
 * beside it for each, listed in registry.ts.
 */
import { commonProblem } from '../problems.ts';
import { remembered } from '../remembered.ts';
import { LIMITS } from '../limits.ts';
import { type Problem, type ProblemPlace } from '../problems.ts';
import type { PartArea, PieceBefore, Construction, FabricShape, Follow, RowBand } from './construction.ts';
import type { NewPieceQuestions } from './asked.ts';
import type { Body } from './edge.ts';
import type { EdgeNumber, PulledTo } from './edgeNumbers.ts';
import type { FabricRow } from './fabric.ts';
import { isDisc, type Point } from './outline.ts';
import type { Piece } from './piece.schema.ts';
import { CONSTRUCTIONS, type PieceKind } from './registry.ts';

export type { Piece } from './piece.schema.ts';

/** How a piece was made. What is passed to it is to be of that kind. */
const constructionOf = (piece: Piece): Construction<Piece> =>
  CONSTRUCTIONS[piece.kind] as unknown as Construction<Piece>;

/** Body of a piece with its edges; the same piece has the same body. */
export const bodyOf = remembered((piece: Piece): Body => constructionOf(piece).body(piece));

/** A piece of another construction, about as big as the one at hand. */
export const beginPiece = (kind: PieceKind, beginning: PieceBefore): Piece =>
  CONSTRUCTIONS[kind].begin(beginning);

/** Measures of a new piece of this construction. */
export const askedOf = (piece: Piece): readonly NewPieceQuestions<Piece>[] => constructionOf(piece).asked;

/** Numbers that stand on the edges of a piece in its drawing. */
export const onEdgesOf = (piece: Piece): readonly EdgeNumber<Piece>[] => constructionOf(piece).onEdges(piece);

/** The piece as wide or as high as it is pulled; null where it is not pulled by its edges. */
export const pulledTo = (piece: Piece, to: PulledTo): Piece | null =>
  hasMovableCorners(piece) ? null : (constructionOf(piece).pulled?.(piece, to) ?? null);

/** The piece with one side as long as the tape says, and with it the sides that must have the same length. */
export const withSideLength = (piece: Piece, side: number, lengthCm: number): Piece =>
  constructionOf(piece).withSideLength(piece, side, lengthCm);

/** The piece worked into between its posts, or into its stitches again; the same where it has none. */
export const workedBetween = (piece: Piece, between: boolean): Piece =>
  constructionOf(piece).betweenPosts?.(piece, between) ?? piece;

/** Whether the corners of a piece can be moved. */
export const hasMovableCorners = (piece: Piece): boolean =>
  constructionOf(piece).withCornerAt !== undefined && !isDisc(bodyOf(piece).outline);

/** The piece with the corner before a side elsewhere, mm; null where that is no outline of its kind. */
export const withCornerAt = (piece: Piece, corner: number, to: Point): Piece | null =>
  constructionOf(piece).withCornerAt?.(piece, corner, to) ?? null;

/** A piece with its size brought after its counts, where nobody has measured it yet. */
export const sizedAfter = (before: Piece, after: Piece, follow: Follow): Piece =>
  before.kind === after.kind ? (constructionOf(after).sized?.(before, after, follow) ?? after) : after;

/** Fabric of a piece, to be drawn on it. */
export const fabricOf = (piece: Piece): readonly FabricShape[] =>
  constructionOf(piece).fabric(piece, bodyOf(piece));

/** The stitches of a piece, but for those of its edge; none where they are not known, or are more than can be drawn. */
export const stitchesOf = remembered((piece: Piece): readonly FabricRow[] => {
  const { stitches, size } = constructionOf(piece);
  const many = (size?.(piece) ?? 0) > LIMITS.fabricStitches;
  return many ? [] : (stitches?.(piece, bodyOf(piece)).filter((r) => r.headX.length > 0) ?? []);
});

/** The part of a piece that a point of its edge belongs to, where parts may have colours of their own. */
export const partAt = (piece: Piece, point: Point): number | null =>
  constructionOf(piece).partAt?.(piece, bodyOf(piece), point) ?? null;

/** The surfaces of the parts of a piece that may have colours of their own, each lying on those before it. */
export const areasOf = (piece: Piece): readonly PartArea[] =>
  constructionOf(piece).areas?.(piece, bodyOf(piece)) ?? [];

/** Where a part of a piece is in the piece as it was changed; null when it has gone. */
export function partAfter(before: Piece, after: Piece, part: number): number | null {
  if (before.kind !== after.kind) return null;
  const { partAfter: follow } = constructionOf(after);
  return follow ? follow(before, after, part) : part;
}

/** The runs of rows of a piece, from the foundation; empty when it was not worked in rows. */
export const bandsOf = (piece: Piece): readonly RowBand[] =>
  constructionOf(piece).bands?.(piece, bodyOf(piece)) ?? [];

/**
 * A piece with some rows of a run as a run of their own; null where it has no such rows.
 *
 * @param run number from the foundation
 * @param from rows of the run below them
 * @param to rows of the run up to their top
 */
export const withRunSplit = (piece: Piece, run: number, from: number, to: number): Piece | null =>
  constructionOf(piece).withRunSplit?.(piece, run, from, to) ?? null;

/** Whether it has a last row along side A, whose yarn may still be on the hook. */
export const hasLastRow = (piece: Piece): boolean => constructionOf(piece).hasLastRow ?? false;

/** Words to the maker of a piece before it has a border; null where there is nothing to tell. */
export const careOf = (piece: Piece): string | null => constructionOf(piece).care?.(piece) ?? null;

/** Which side is which, where the sides have names of their own. */
export const whichSideOf = (piece: Piece): string | undefined => constructionOf(piece).whichSide;

/**
 * Faults of an outline as it was described: it may not close, and a grid may fall apart. It can be planned all
 * the same, so that it can be mended step by step; the plan tells of it.
 */
export const outlineProblems = (piece: Piece, where: ProblemPlace, unit: 'cm' | 'in'): readonly Problem[] =>
  constructionOf(piece).outlineProblems?.(piece, where, unit) ?? [];

/** Faults that let a piece not be planned at all: nothing is there, or more than can be worked with. */
export function beyondPlanning(piece: Piece, where: ProblemPlace): readonly Problem[] {
  const construction = constructionOf(piece);
  const own = construction.beyondPlanning?.(piece, where) ?? [];
  if (own.length > 0) return own;
  const count = construction.spots(piece);
  const of = 'stitches and spaces along its edges';
  return count > LIMITS.spots ? [commonProblem('too-many', where, { count, of, most: LIMITS.spots })] : [];
}
