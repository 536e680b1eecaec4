/**
 * The edge of a piece as it lies under the base round: the outermost stitches of the body, so that one sees what
 * the hook goes into. Positions only, as for the rounds.
 */
import { held } from '../held.ts';
import { rememberedBy } from '../remembered.ts';
import { wholeEdge } from '../piece/along.ts';
import type { Point } from '../piece/outline.ts';
import type { Body, Edge, Spot } from '../piece/edge.ts';
import { IN_NOTHING } from '../ring/ring.ts';
import { stitchHeight, stitchOf, type Stitch } from '../ring/stitch.ts';
import type { StitchKind } from '../terms/stitches.ts';
import { HOLE_DEPTH_MM, placer } from './feet.ts';
import type { RoundChart } from './roundChart.ts';

/** A line into the piece, mm: a seam between motifs, or where one block meets the next. */
export interface EdgeLine {
  readonly from: Point;
  readonly to: Point;
}

export interface EdgeChart {
  /** The stitches of the edge. Its ring is no round: it only lists them. */
  readonly chart: RoundChart;
  /** Width that they are drawn with, mm. */
  readonly widthMm: number;
  readonly lines: readonly EdgeLine[];
  /** Holes in cloth, mm. */
  readonly holes: readonly Point[];
}

/** How far lines reach into the piece, in stitches: between blocks, and along the seam between motifs. */
const LINE_REACH = 1.9;
const SEAM_REACH = 12;
/** Posts that a block of a corner-to-corner piece shows. */
const POSTS_OF_BLOCK = 3;

/** The edge of a body. @param borderWidthMm width of a border stitch, for bodies that have none of their own */
export const edgeChartOf = (body: Body, borderWidthMm: number): EdgeChart =>
  chartOfWidth(body, body.stitchWidthMm ?? ownWidth(body) ?? borderWidthMm);

const chartOfWidth = rememberedBy(chartEdges);

/** Stitch width of a body whose edge is made of stitch tops, mm. */
function ownWidth({ edges }: Body): number | undefined {
  const tops = wholeEdge(edges[0]!).spots.find(
    (s) => s.kind === 'stitch top' || s.kind === 'cluster stitch' || s.kind === 'counted stitch',
  );
  return tops?.lengthMm;
}

function chartEdges(worked: Body, widthMm: number): EdgeChart {
  const body = { ...worked, edges: worked.edges.map(wholeEdge) };
  const made: Stitch[] = [];
  const at: [head: Point, foot: Point][] = [];
  const lines: EdgeLine[] = [];
  const holes: Point[] = [];
  body.edges.forEach((edge, side) => {
    const place = placer(body, side);
    const add = (kind: StitchKind, head: Point, foot: Point): void => {
      made.push(stitchOf({ kind }));
      at.push([head, foot]);
    };
    let before = 0;
    edge.spots.forEach((spot, i) => {
      const middle = before + spot.lengthMm / 2;
      const tall = (kind: StitchKind): number => stitchHeight(stitchOf({ kind })) * widthMm;
      switch (spot.kind) {
        case 'stitch top':
        case 'counted stitch': {
          const kind = spot.stitch ?? 'dc';
          const [outer, inner] = [place(middle, 0), place(middle, tall(kind))];
          if (edge.atFeet) add(kind, inner, outer);
          else add(kind, outer, inner);
          break;
        }
        case 'cluster stitch':
          add(
            held(spot.stitch, 'row ends, tops and posts have a stitch'),
            place(middle, 0),
            place(
              clusterMiddle(edge, i, before),
              tall(held(spot.stitch, 'row ends, tops and posts have a stitch')),
            ),
          );
          break;
        case 'row end': {
          // The last stitch of the row, standing along the edge; rows are worked upwards, from side C to side A.
          const [foot, head] = edge.numbering.from === 'first' ? [0, spot.lengthMm] : [spot.lengthMm, 0];
          add(
            held(spot.stitch, 'row ends, tops and posts have a stitch'),
            place(before + head, widthMm / 2),
            place(before + foot, widthMm / 2),
          );
          break;
        }
        // These lie along the edge as a chain does.
        case 'bound-off stitch':
        case 'cast-on stitch':
        case 'slipped edge stitch':
        case 'foundation chain':
          add('slst', place(middle, 0), place(middle, tall('slst')));
          break;
        case 'block':
          for (let k = 0; k < POSTS_OF_BLOCK; k++) {
            const mm = before + (spot.lengthMm * (k + 0.5)) / POSTS_OF_BLOCK;
            add(
              held(spot.stitch, 'row ends, tops and posts have a stitch'),
              place(mm, 0),
              place(mm, tall(held(spot.stitch, 'row ends, tops and posts have a stitch'))),
            );
          }
          break;
        case 'seam':
          lines.push({ from: place(middle, 0), to: place(middle, SEAM_REACH * widthMm) });
          break;
        case 'block gap':
          lines.push({ from: place(middle, 0), to: place(middle, LINE_REACH * widthMm) });
          break;
        case 'hole':
          holes.push(place(middle, HOLE_DEPTH_MM));
          break;
        case 'between stitches':
          // Between the posts of a row: the stitch stands where one space meets the next.
          if (spot.stitch && edge.spots[i - 1]?.kind === spot.kind)
            add(spot.stitch, place(before, 0), place(before, tall(spot.stitch)));
          break;
        case 'corner space':
          if (spot.chains === 0) add('dc', place(middle, 0), place(middle, tall('dc')));
          break;
        // Row ends of knitting are drawn with its rows.
        case 'knit row end':
        case 'ridge':
        case 'gap':
          break;
      }
      before += spot.lengthMm;
    });
  });
  const each = (pick: (of: readonly [Point, Point]) => number): Float32Array => Float32Array.from(at, pick);
  return {
    chart: {
      ring: { made, into: new Int32Array(made.length).fill(IN_NOTHING), centres: [] },
      headX: each(([head]) => head.x),
      headY: each(([head]) => head.y),
      footX: each(([, foot]) => foot.x),
      footY: each(([, foot]) => foot.y),
    },
    widthMm,
    lines,
    holes,
  };
}

/** The middle of the cluster that spot `i` belongs to, mm along the side. */
function clusterMiddle({ spots }: Edge, i: number, before: number): number {
  const inCluster = (s: Spot | undefined): boolean =>
    s?.kind === 'cluster stitch' || s?.kind === 'between stitches';
  let start = before;
  for (let k = i - 1; inCluster(spots[k]); k--) start -= spots[k]!.lengthMm;
  let end = before;
  for (let k = i; inCluster(spots[k]); k++) end += spots[k]!.lengthMm;
  return (start + end) / 2;
}
