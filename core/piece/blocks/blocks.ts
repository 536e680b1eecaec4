/** Blocks worked from corner to corner: along every side, blocks with gaps between them. */
import { rectangle } from '../outline.ts';
import type { Body, Edge, Spot } from '../edge.ts';
import {
  boxLine,
  rectangleWithSide,
  wholeBetween,
  type Construction,
  type FabricShape,
} from '../construction.ts';
import { lengthsOfRectangle, rectanglePulled } from '../edgeNumbers.ts';
import { fabricRow, type FabricRow, type FabricStitch } from '../fabric.ts';
import { halfCm } from '../asked.ts';
import type { BlocksPiece } from './blocks.schema.ts';

/** The edges of a piece in blocks: b blocks and b − 1 gaps on a side. */
function bodyOf(piece: BlocksPiece): Body {
  const along = (blocks: number, lengthMm: number): Edge => {
    const block: Spot = { kind: 'block', stitch: piece.stitch, lengthMm: lengthMm / blocks };
    const gap: Spot = { kind: 'block gap', lengthMm: 0 };
    return {
      spots: Array.from({ length: 2 * blocks - 1 }, (_, i) => (i % 2 === 0 ? block : gap)),
      numbering: { noun: 'place', from: 'first' },
      joins: [],
      startsBy: 'loops',
      loopChains: piece.loopChains,
      measuredMm: lengthMm,
      computedMm: lengthMm,
    };
  };
  const wide = along(piece.blocksWide, piece.widthCm * 10);
  const high = along(piece.blocksHigh, piece.heightCm * 10);
  return {
    outline: rectangle(piece.widthCm * 10, piece.heightCm * 10),
    edges: [wide, high, wide, high],
    cornerPlaces: Array.from({ length: 4 }, () => 'the corner block’s tip'),
  };
}

/** Chains that reach over a block, by its stitch. */
export const LOOP_OF = { hdc: 2, dc: 3 } as const;

/** Border stitches that a block takes once its loop is filled. */
const STITCHES_OF_BLOCK = { hdc: 2, dc: 3 } as const;

/** As high as its blocks are when they are square, until somebody measures it. */
const ofSquareBlocks = (piece: BlocksPiece): BlocksPiece => ({
  ...piece,
  heightCm: Math.min(2000, halfCm((piece.widthCm * piece.blocksHigh) / piece.blocksWide)),
});

const ON_EDGES = [
  ...lengthsOfRectangle<BlocksPiece>(),
  {
    side: 0,
    what: 'Blocks along A and C',
    unit: 'blocks',
    least: 2,
    most: 2000,
    of: (piece: BlocksPiece) => piece.blocksWide,
    told: (piece: BlocksPiece, blocksWide: number): BlocksPiece => ({ ...piece, blocksWide }),
  },
  {
    side: 1,
    what: 'Blocks along B and D',
    unit: 'blocks',
    least: 2,
    most: 2000,
    of: (piece: BlocksPiece) => piece.blocksHigh,
    told: (piece: BlocksPiece, blocksHigh: number): BlocksPiece => ({ ...piece, blocksHigh }),
  },
] as const;

export const blocks: Construction<BlocksPiece> = {
  name: 'Corner to corner',
  body: bodyOf,
  spots: (piece) => 4 * (piece.blocksWide + piece.blocksHigh),
  begin: ({ widthCm, heightCm, stitchWidthMm }) => {
    const blocksIn = (cm: number): number =>
      wholeBetween(2, (10 * cm) / (STITCHES_OF_BLOCK.hdc * stitchWidthMm), 2000);
    return {
      kind: 'blocks',
      stitch: 'hdc',
      loopChains: LOOP_OF.hdc,
      blocksWide: blocksIn(widthCm),
      blocksHigh: blocksIn(heightCm),
      widthCm,
      heightCm,
    };
  },
  asked: [
    {
      what: 'Blocks across',
      unit: 'blocks',
      least: 2,
      most: 2000,
      of: (piece) => piece.blocksWide,
      told: (piece, blocksWide) => ofSquareBlocks({ ...piece, blocksWide }),
    },
    {
      what: 'Blocks down',
      unit: 'blocks',
      least: 2,
      most: 2000,
      of: (piece) => piece.blocksHigh,
      told: (piece, blocksHigh) => ofSquareBlocks({ ...piece, blocksHigh }),
    },
    {
      what: 'Width',
      unit: 'cm',
      least: 3,
      most: 1000,
      of: (piece) => piece.widthCm,
      told: (piece, widthCm) => ofSquareBlocks({ ...piece, widthCm }),
    },
  ],
  onEdges: () => ON_EDGES,
  pulled: rectanglePulled,
  withSideLength: rectangleWithSide,
  sized: (before, after, follow) => {
    const [was, is] = [STITCHES_OF_BLOCK[before.stitch], STITCHES_OF_BLOCK[after.stitch]];
    const widthCm = follow(before.widthCm, before.blocksWide * was, after.widthCm, after.blocksWide * is);
    const heightCm = follow(before.heightCm, before.blocksHigh * was, after.heightCm, after.blocksHigh * is);
    return widthCm === after.widthCm && heightCm === after.heightCm ? after : { ...after, widthCm, heightCm };
  },
  fabric: (piece) => {
    const widthMm = (piece.widthCm * 10) / piece.blocksWide;
    const heightMm = (piece.heightCm * 10) / piece.blocksHigh;
    const left = -piece.widthCm * 5;
    const top = -piece.heightCm * 5;
    const every2nd: FabricShape[] = [];
    for (let y = 0; y < piece.blocksHigh; y++)
      for (let x = y % 2; x < piece.blocksWide; x += 2)
        every2nd.push({
          draw: 'surface',
          along: boxLine(left + x * widthMm, top + y * heightMm, widthMm, heightMm),
        });
    return every2nd;
  },
  stitches: ({ stitch, blocksWide, blocksHigh, widthCm, heightCm }) => {
    const widthMm = (widthCm * 10) / blocksWide;
    const heightMm = (heightCm * 10) / blocksHigh;
    const rows: FabricRow[] = [];
    // The outermost blocks are the edge. From diagonal to diagonal the work turns.
    for (let y = 1; y < blocksHigh - 1; y++) {
      for (const upright of [true, false]) {
        const stitches: FabricStitch[] = [];
        for (let x = 1; x < blocksWide - 1; x++) {
          if (((x + y) % 2 === 0) !== upright) continue;
          const left = -widthCm * 5 + x * widthMm;
          const top = -heightCm * 5 + y * heightMm;
          for (let k = 0; k < POSTS_OF_BLOCK; k++) {
            const t = (k + 0.5) / POSTS_OF_BLOCK;
            stitches.push(
              upright
                ? [
                    { x: left + t * widthMm, y: top },
                    { x: left + t * widthMm, y: top + heightMm },
                  ]
                : [
                    { x: left, y: top + t * heightMm },
                    { x: left + widthMm, y: top + t * heightMm },
                  ],
            );
          }
        }
        rows.push(fabricRow(stitch, (upright ? widthMm : heightMm) / POSTS_OF_BLOCK, stitches, 0, !upright));
      }
    }
    return rows;
  },
  size: ({ blocksWide, blocksHigh }) => POSTS_OF_BLOCK * blocksWide * blocksHigh,
};

/** Posts that a block shows. */
const POSTS_OF_BLOCK = 3;
