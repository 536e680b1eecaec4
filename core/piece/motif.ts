/** One big motif worked in rounds: solid sides of stitch tops, or clusters with gaps or chains between. */
import { regular } from './outline.ts';
import { evenEdge, type Body, type Edge, type Spot } from './edge.ts';
import type { MotifPiece } from './piece.ts';

/** The edges of a motif; all its sides are alike. The corners' stitches or spaces lie between the sides. */
export function bodyOfMotif(piece: MotifPiece): Body {
  const sideMm = piece.sideCm * 10;
  const edge = edgeOf(piece, sideMm);
  const outline = regular(piece.corners, sideMm);
  const corner = piece.cornerChains > 0 ? `the corner ch-${piece.cornerChains} sp` : 'the corner stitch';
  return {
    outline,
    edges: outline.sides.map(() => edge),
    cornerPlaces: outline.turns.map(() => corner),
  };
}

function edgeOf({ edge }: MotifPiece, sideMm: number): Edge {
  if (edge.kind === 'solid') {
    return evenEdge({ kind: 'stitch top', stitch: edge.stitch }, edge.stitches, sideMm, 'stitch');
  }
  const { clusters, stitchesEach, chainsBetween } = edge;
  const stitchMm = sideMm / (clusters * stitchesEach + (clusters - 1) * chainsBetween);
  const top: Spot = { kind: 'cluster stitch', stitch: 'dc', lengthMm: stitchMm };
  const between: Spot = { kind: 'between stitches', lengthMm: 0 };
  const gap: Spot = { kind: 'gap', lengthMm: chainsBetween * stitchMm, chains: chainsBetween };
  const spots: Spot[] = [];
  for (let cluster = 0; cluster < clusters; cluster++) {
    if (cluster > 0) spots.push(gap);
    for (let k = 0; k < stitchesEach; k++) spots.push(...(k > 0 ? [between] : []), top);
  }
  return {
    spots,
    numbering: { noun: 'place', from: 'first' },
    joins: [],
    clusterStitches: stitchesEach,
    measuredMm: sideMm,
    computedMm: sideMm,
  };
}
