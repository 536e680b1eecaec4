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

/** Spot that the base round goes into along a solid side. */
export const solidSpot = ({
  stitch,
  between,
}: Extract<MotifEdge, { kind: 'solid' }>): Pick<Spot, 'kind' | 'stitch'> => ({
  kind: between ? 'between stitches' : 'stitch top',
  stitch,
});

/**
 * Spots of a solid side: its stitches, or the spaces between its posts: beside a corner stitch there is one more, beside a corner
 * space none.
 *
 * @param corners null for a circle, else the chains of its corners
 */
export const solidSpots = (
  { stitches, between }: Extract<MotifEdge, { kind: 'solid' }>,
  corners: number | null,
): number => {
  if (!between || corners === null) return stitches;
  return corners === 0 ? stitches + 1 : Math.max(1, stitches - 1);
};

/** Where the stitches of the base round go, where that has to be said. */
export const solidWorkedInto = ({
  between,
}: Extract<MotifEdge, { kind: 'solid' }>): { readonly workedInto?: string } =>
  between ? { workedInto: 'the spaces between the posts of its last round' } : {};

/** A side worked into between its posts, or into its tops; groups offer both. */
export const edgeWorkedBetween = (edge: MotifEdge, between: boolean): MotifEdge =>
  edge.kind === 'solid' ? { ...edge, between } : edge;

/** The most spots that a side can have. */
export const spotsOfEdge = (edge: MotifEdge): number =>
  edge.kind === 'solid' ? edge.stitches + 1 : edge.clusters * (2 * edge.stitchesEach - 1) + edge.clusters - 1;

/** Stitch widths along a side with its corners, as its stitches and chains come to. */
export const widthsOfEdge = (edge: MotifEdge): number =>
  edge.kind === 'solid'
    ? edge.stitches + 2
    : edge.clusters * edge.stitchesEach + (edge.clusters - 1) * edge.chainsBetween;
