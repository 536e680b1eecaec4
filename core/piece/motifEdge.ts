/** The side of a motif, alone or joined. */
import type { Spot } from './edge.ts';
import type { MotifEdge } from './motifEdge.schema.ts';

/** Clusters along a stretch of edge: their stitches, what lies between these, and the gaps between clusters. */
export function clusterSpots(
  { clusters, stitchesEach, chainsBetween }: Extract<MotifEdge, { kind: 'clustered' }>,
  lengthMm: number,
): readonly Spot[] {
  const stitchMm = lengthMm / (clusters * stitchesEach + (clusters - 1) * chainsBetween);
  const top: Spot = { kind: 'cluster stitch', stitch: 'dc', lengthMm: stitchMm };
  const between: Spot = { kind: 'between stitches', lengthMm: 0 };
  const gap: Spot = { kind: 'gap', lengthMm: chainsBetween * stitchMm, chains: chainsBetween };
  const spots: Spot[] = [];
  for (let cluster = 0; cluster < clusters; cluster++) {
    if (cluster > 0) spots.push(gap);
    for (let k = 0; k < stitchesEach; k++) spots.push(...(k > 0 ? [between] : []), top);
  }
  return spots;
}

/** Spots of a side. */
export const spotsOfEdge = (edge: MotifEdge): number =>
  edge.kind === 'solid' ? edge.stitches : edge.clusters * (2 * edge.stitchesEach - 1) + edge.clusters - 1;

/** Stitch widths along a side with its corners, as its stitches and chains come to. */
export const widthsOfEdge = (edge: MotifEdge): number =>
  edge.kind === 'solid'
    ? edge.stitches + 2
    : edge.clusters * edge.stitchesEach + (edge.clusters - 1) * edge.chainsBetween;
