/** A rectangle worked in rows: stitch tops, two sides of row ends, and the underside of the foundation. */
import { STITCHES, type StitchKind } from '../terms/stitches.ts';
import { rectangle } from './outline.ts';
import { evenEdge, type Body, type Edge, type Spot, type SpotKind } from './edge.ts';
import type { RowsPiece } from './piece.ts';

/**
 * The edges of a piece worked in rows. The end stitches of the last row and the end chains of the
 * foundation are the corners, so those two edges offer two spots fewer than a row has stitches.
 */
export function bodyOfRows(piece: RowsPiece): Body {
  const stitchWidthMm = (piece.widthCm * 10) / piece.stitches;
  const rowHeights = piece.rows.map((run) => STITCHES[run.stitch].height * stitchWidthMm);
  const computedMm = piece.rows.reduce((sum, run, i) => sum + run.count * rowHeights[i]!, 0);
  const scale = (piece.heightCm * 10) / computedMm;

  const upwards: Spot[] = piece.rows.flatMap((run, i) => {
    const end: Spot = { kind: 'row end', stitch: run.stitch, lengthMm: rowHeights[i]! * scale };
    return Array.from({ length: run.count }, () => end);
  });
  const across = (kind: SpotKind, stitch: StitchKind, noun: string): Edge => {
    const spots = Math.max(0, piece.stitches - 2);
    return {
      ...evenEdge({ kind, stitch }, spots, spots * stitchWidthMm, noun),
      measuredMm: piece.widthCm * 10,
      computedMm: piece.widthCm * 10,
    };
  };
  const ends = (spots: readonly Spot[], from: 'first' | 'last'): Edge => ({
    spots,
    numbering: { noun: 'row', from },
    joins: [],
    measuredMm: piece.heightCm * 10,
    computedMm,
  });
  const last = piece.rows[piece.rows.length - 1]!;
  const first = piece.rows[0]!;
  const intoRow1 = piece.foundation === 'stitches of row 1';
  const bottom = intoRow1 ? 'the end stitch of row 1' : 'the end chain';
  return {
    outline: rectangle(piece.widthCm * 10, piece.heightCm * 10),
    edges: [
      across('stitch top', last.stitch, 'stitch'),
      ends([...upwards].reverse(), 'last'),
      intoRow1
        ? { ...across('stitch top', first.stitch, 'stitch'), atFeet: true }
        : across('foundation chain', 'ch', 'chain'),
      ends(upwards, 'first'),
    ],
    cornerPlaces: ['the end stitch', 'the end stitch', bottom, bottom],
    stitchWidthMm,
  };
}
