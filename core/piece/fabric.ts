/**
 * A piece stitch by stitch, as it lies: its rows, or the rounds of its motifs. For drawing it as it is; nothing is counted
 * from it.
 */
import { STITCHES, type StitchKind } from '../terms/stitches.ts';
import type { MotifEdge } from './motifEdge.schema.ts';
import type { Point } from './outline.ts';

/** A stretch of like stitches of a fabric. */
export interface FabricRow {
  readonly stitch: StitchKind;
  /** Width of a stitch, mm. */
  readonly widthMm: number;
  /** One for each stitch, mm; the middle of the piece lies at the origin, y downwards. */
  readonly headX: Float32Array;
  readonly headY: Float32Array;
  readonly footX: Float32Array;
  readonly footY: Float32Array;
  /** Worked from the other face. */
  readonly wrong: boolean;
  /** The part of the piece that it belongs to, which may have a colour of its own. */
  readonly part: number;
}

/** A stitch by its head and its foot. */
export type FabricStitch = readonly [head: Point, foot: Point];

export function fabricRow(
  stitch: StitchKind,
  widthMm: number,
  stitches: readonly FabricStitch[],
  part: number,
  wrong = false,
): FabricRow {
  const each = (pick: (of: FabricStitch) => number): Float32Array => Float32Array.from(stitches, pick);
  return {
    stitch,
    widthMm,
    headX: each(([head]) => head.x),
    headY: each(([head]) => head.y),
    footX: each(([, foot]) => foot.x),
    footY: each(([, foot]) => foot.y),
    wrong,
    part,
  };
}

/** Clusters stand so close that their heads take up this part of their share of the side. */
const CLUSTER_SPREAD = 0.86;
/** Room for the corner at either end of a side, in stitches. */
const CORNER_ROOM = 0.6;
/** The rest in the middle of a motif is drawn no more, as a part of its reach. */
const MIDDLE = 0.06;

/** Rounds of a motif from its edge to its middle, and how far each is from the next, mm. */
function roundsOfMotif(
  reachMm: number,
  widthMm: number,
  edge: MotifEdge,
): { readonly rounds: number; readonly pitchMm: number } {
  const heightMm = STITCHES[edge.kind === 'solid' ? edge.stitch : 'dc'].height * widthMm;
  const rounds = Math.max(1, Math.min(200, Math.round((reachMm * (1 - MIDDLE)) / heightMm)));
  return { rounds, pitchMm: (reachMm * (1 - MIDDLE)) / rounds };
}

/** Stitch widths along a side of a motif. */
const acrossMotif = (edge: MotifEdge): number =>
  edge.kind === 'solid' ? edge.stitches + 2 : edge.clusters * edge.stitchesEach;

/** Size of each round of a motif as a share of the whole, from its edge to its middle. */
export const sharesOfRounds = (reachMm: number, sideMm: number, edge: MotifEdge): readonly number[] => {
  const { rounds, pitchMm } = roundsOfMotif(reachMm, sideMm / acrossMotif(edge), edge);
  return Array.from({ length: rounds }, (_, round) => 1 - (round * pitchMm) / reachMm);
};

/**
 * The rounds of a motif from its edge to its middle.
 *
 * @param points its corners, mm from its middle, in working order; of a disc none
 * @param reachMm from its middle to the middle of a side, or to the edge of a disc
 * @param sideMm length of a side that has the stitches of `edge`, or of the edge of a disc
 * @param partOf a round, counted from the edge
 * @param outermost whether the outermost round is drawn along a side: what lies at the border is drawn with the edge
 */
export function motifRounds(
  middle: Point,
  points: readonly Point[],
  reachMm: number,
  sideMm: number,
  edge: MotifEdge,
  partOf: (round: number) => number,
  outermost: (side: number) => boolean,
): readonly FabricRow[] {
  const sides = Math.max(1, points.length);
  const stitch = edge.kind === 'solid' ? edge.stitch : 'dc';
  const widthMm = sideMm / acrossMotif(edge);
  const { rounds, pitchMm } = roundsOfMotif(reachMm, widthMm, edge);
  const at = (side: number, t: number, depthMm: number): Point => {
    const part = 1 - depthMm / reachMm;
    if (points.length === 0) {
      // Anticlockwise from the right, as the edge runs.
      const angle = -2 * Math.PI * t;
      return {
        x: middle.x + reachMm * part * Math.cos(angle),
        y: middle.y + reachMm * part * Math.sin(angle),
      };
    }
    const [a, b] = [points[side]!, points[(side + 1) % points.length]!];
    return {
      x: middle.x + part * (a.x + (b.x - a.x) * t),
      y: middle.y + part * (a.y + (b.y - a.y) * t),
    };
  };
  const usual = edge.kind === 'solid' ? edge.stitches : edge.clusters;
  // Of a half motif one side is longer than that of a whole one.
  const along = points.map((a, side) => {
    const b = points[(side + 1) % points.length]!;
    return Math.max(1, usual * (Math.hypot(b.x - a.x, b.y - a.y) / sideMm));
  });
  const countAlong = (side: number, part: number): number =>
    Math.max(1, Math.round((along[side] ?? usual) * part));
  return Array.from({ length: rounds }, (_, round) => {
    const depth = round * pitchMm;
    const part = 1 - depth / reachMm;
    const stitches: FabricStitch[] = [];
    for (let side = 0; side < sides; side++) {
      if (round === 0 && !outermost(side)) continue;
      if (edge.kind === 'clustered') {
        const clusters = countAlong(side, part);
        for (let c = 0; c < clusters; c++) {
          for (let k = 0; k < edge.stitchesEach; k++) {
            const off = ((k + 0.5) / edge.stitchesEach - 0.5) * CLUSTER_SPREAD;
            stitches.push([
              at(side, (c + 0.5 + off) / clusters, depth),
              at(side, (c + 0.5 + 0.25 * off) / clusters, depth + pitchMm),
            ]);
          }
        }
        continue;
      }
      const count = countAlong(side, part);
      const room = points.length === 0 ? 0 : CORNER_ROOM;
      for (let i = 0; i < count; i++) {
        const t = (i + 0.5 + room) / (count + 2 * room);
        stitches.push([at(side, t, depth), at(side, t, depth + pitchMm)]);
      }
    }
    return fabricRow(stitch, widthMm, stitches, partOf(round));
  });
}

/** About how many stitches a motif has. */
export function sizeOfMotif(sides: number, edge: MotifEdge): number {
  const along = edge.kind === 'solid' ? edge.stitches : edge.clusters * edge.stitchesEach;
  const height = STITCHES[edge.kind === 'solid' ? edge.stitch : 'dc'].height;
  return (sides * along * along) / (4 * height);
}
