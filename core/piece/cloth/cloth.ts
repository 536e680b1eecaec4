/** Cloth or fleece: a row of holes at a chosen pitch round a rectangle. */
import { rectangle } from '../outline.ts';
import { evenEdge, type Body } from '../edge.ts';
import { boxLine, rectangleWithSide, type Construction } from '../construction.ts';
import { lengthsOfRectangle, rectanglePulled } from '../edgeNumbers.ts';
import type { ClothPiece } from './cloth.schema.ts';

/** Holes on a side of cloth: as many pitches as fit between the corner holes, less one. */
export const holesOnSide = (lengthMm: number, pitchMm: number): number =>
  Math.max(0, Math.round(lengthMm / pitchMm) - 1);

/** The edges of a piece of cloth. Every corner has a hole of its own. */
function bodyOf(piece: ClothPiece): Body {
  const outline = rectangle(piece.widthCm * 10, piece.heightCm * 10);
  return {
    outline,
    edges: outline.sides.map(({ lengthMm }) =>
      evenEdge({ kind: 'hole' }, holesOnSide(lengthMm, piece.pitchMm), lengthMm, 'hole'),
    ),
    cornerPlaces: outline.sides.map(() => 'the corner hole'),
  };
}

/** How far from the edge the holes are drawn, mm. */
const INSET_MM = 6;

const ON_EDGES = lengthsOfRectangle<ClothPiece>();

export const cloth: Construction<ClothPiece> = {
  name: 'Cloth or fleece',
  body: bodyOf,
  spots: ({ widthCm, heightCm, pitchMm }) =>
    2 * (holesOnSide(widthCm * 10, pitchMm) + holesOnSide(heightCm * 10, pitchMm)),
  begin: ({ widthCm, heightCm, stitchWidthMm }) => ({
    kind: 'cloth',
    widthCm,
    heightCm,
    pitchMm: Math.min(100, Math.max(1, Math.round(stitchWidthMm * 10) / 10)),
  }),
  asked: [
    {
      what: 'Width',
      unit: 'cm',
      least: 3,
      most: 1000,
      of: (piece) => piece.widthCm,
      told: (piece, widthCm) => ({ ...piece, widthCm }),
    },
    {
      what: 'Height',
      unit: 'cm',
      least: 3,
      most: 1000,
      of: (piece) => piece.heightCm,
      told: (piece, heightCm) => ({ ...piece, heightCm }),
    },
    {
      what: 'From hole to hole',
      unit: 'mm',
      least: 2,
      most: 100,
      of: (piece) => piece.pitchMm,
      told: (piece, pitchMm) => ({ ...piece, pitchMm }),
    },
  ],
  onEdges: () => ON_EDGES,
  pulled: rectanglePulled,
  withSideLength: rectangleWithSide,
  fabric: ({ widthCm, heightCm, pitchMm }) => {
    const width = widthCm * 10 - 2 * INSET_MM;
    const height = heightCm * 10 - 2 * INSET_MM;
    const dashes = { pitchMm: Math.max(6, pitchMm), lengthMm: 4 };
    return [{ draw: 'line', thickMm: 4, dashes, along: boxLine(-width / 2, -height / 2, width, height) }];
  },
};
