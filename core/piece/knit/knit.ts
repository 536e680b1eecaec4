/** A knitted rectangle: bound-off and cast-on stitches, and two sides of row ends, ridges or slipped edge stitches. */
import { rectangle, type Point } from '../outline.ts';
import type { Body, Edge, Spot, SpotKind } from '../edge.ts';
import { rectangleWithSide, wholeBetween, type Construction, type FabricShape } from '../construction.ts';
import { lengthsOfRectangle, rectanglePulled } from '../edgeNumbers.ts';
import { halfCm } from '../asked.ts';
import type { KnitFabric, KnitPiece } from './knit.schema.ts';

/** Height of a row over the width of a stitch, as these fabrics usually come out: 18 stitches meet 24 rows, or 36 of garter. */
const ROW_HEIGHT: Readonly<Record<KnitFabric, number>> = { garter: 0.5, stockinette: 0.75, ribbing: 0.75 };

/** Rows for one place along a side. */
const rowsPerPlace = ({ fabric, slipped }: KnitPiece): 1 | 2 => (slipped || fabric === 'garter' ? 2 : 1);

/** Kind of the places along its sides. */
const sideKind = ({ fabric, slipped }: KnitPiece): SpotKind =>
  slipped ? 'slipped edge stitch' : fabric === 'garter' ? 'ridge' : 'knit row end';

/** The edges of a knitted piece. Its end stitches are the corners, so that cast-on and bound-off edges offer two places fewer. */
function bodyOf(piece: KnitPiece): Body {
  const [widthMm, heightMm] = [piece.widthCm * 10, piece.heightCm * 10];
  const edge = (kind: SpotKind, count: number, each: number, lengthMm: number, computedMm: number): Edge => {
    const spot: Spot = { kind, lengthMm: each };
    return {
      spots: Array.from({ length: Math.max(1, count) }, () => spot),
      numbering: { noun: 'place', from: 'first' },
      joins: [],
      // Knitted stitches are narrower than those of a border.
      startsBy: 'gauge',
      measuredMm: lengthMm,
      computedMm,
    };
  };
  const across = (kind: SpotKind): Edge =>
    edge(kind, piece.stitches - 2, widthMm / piece.stitches, widthMm, widthMm);
  const places = Math.floor(piece.rows / rowsPerPlace(piece));
  const computedMm = (piece.rows * ROW_HEIGHT[piece.fabric] * widthMm) / piece.stitches;
  const ends = (): Edge =>
    edge(sideKind(piece), places, heightMm / Math.max(1, places), heightMm, computedMm);
  return {
    outline: rectangle(widthMm, heightMm),
    edges: [across('bound-off stitch'), ends(), across('cast-on stitch'), ends()],
    cornerPlaces: ['the end stitch', 'the end stitch', 'the end cast-on stitch', 'the end cast-on stitch'],
  };
}

/** About how high its rows are by themselves, cm. */
const computedHeightCm = ({ rows, fabric, widthCm, stitches }: KnitPiece): number =>
  Math.min(2000, Math.max(1, halfCm((rows * ROW_HEIGHT[fabric] * widthCm) / stitches)));

/** The piece in another fabric; rows that nobody has counted, because they are what its height takes, become so many of it. */
export function inFabric(piece: KnitPiece, fabric: KnitFabric): KnitPiece {
  const changed = { ...piece, fabric };
  if (Math.abs(computedHeightCm(piece) / piece.heightCm - 1) > 0.02) return changed;
  const rows = (piece.rows * ROW_HEIGHT[piece.fabric]) / ROW_HEIGHT[fabric];
  return { ...changed, rows: 2 * wholeBetween(1, rows / 2, 10_000) };
}

const HEIGHT = 'Height';

/** More lines than this are not drawn: of finer fabrics every second row, or every fourth. */
const MOST_POINTS = 160_000;

/** A row of knitting as a line: the legs of its stitches, or the bumps of a ridge. */
function rowLine(piece: KnitPiece, y: number, highMm: number, every: number): readonly Point[] {
  const left = -piece.widthCm * 5;
  const stitchMm = (piece.widthCm * 10) / piece.stitches;
  const points: Point[] = [];
  for (let k = 0; k < piece.stitches; k += every) {
    const x = left + k * stitchMm;
    const wide = Math.min(every, piece.stitches - k) * stitchMm;
    const purl = piece.fabric === 'ribbing' && Math.floor(k / (2 * every)) % 2 === 1;
    if (piece.fabric === 'garter' || purl)
      points.push({ x, y: y + highMm * 0.2 }, { x: x + wide / 2, y: y - highMm * 0.2 });
    else points.push({ x: x + wide * 0.1, y: y - highMm * 0.45 }, { x: x + wide / 2, y: y + highMm * 0.45 });
  }
  points.push({ x: -left, y: y + (piece.fabric === 'garter' ? highMm * 0.2 : -highMm * 0.45) });
  return points;
}

function fabricOf(piece: KnitPiece): readonly FabricShape[] {
  const perLine = piece.fabric === 'garter' ? 2 : 1;
  const lines = Math.max(1, Math.floor(piece.rows / perLine));
  const coarser = Math.max(1, Math.ceil(Math.sqrt((2 * piece.stitches * lines) / MOST_POINTS)));
  const drawn = Math.max(1, Math.floor(lines / coarser));
  const highMm = (piece.heightCm * 10) / drawn;
  const stitchMm = (piece.widthCm * 10) / piece.stitches;
  return Array.from({ length: drawn }, (_, k): FabricShape => {
    const y = -piece.heightCm * 5 + (k + 0.5) * highMm;
    return {
      draw: 'line',
      thickMm: Math.min(highMm, stitchMm * coarser) * 0.22,
      along: { points: rowLine(piece, y, highMm, coarser), open: true },
    };
  });
}

const ON_EDGES = [
  ...lengthsOfRectangle<KnitPiece>(),
  {
    side: 0,
    what: 'Stitches',
    unit: 'stitches',
    least: 4,
    most: 5000,
    of: (piece: KnitPiece) => piece.stitches,
    told: (piece: KnitPiece, stitches: number): KnitPiece => ({ ...piece, stitches }),
  },
  {
    side: 1,
    what: 'Rows',
    unit: 'rows',
    least: 2,
    most: 20_000,
    of: (piece: KnitPiece) => piece.rows,
    told: (piece: KnitPiece, rows: number): KnitPiece => ({ ...piece, rows }),
  },
] as const;

export const knit: Construction<KnitPiece> = {
  name: 'Knitted',
  whichSide:
    'Side A is the top, where stitches were bound off (cast off), B the row ends after it, C the cast-on edge, D the row ends that lead back up.',
  body: bodyOf,
  spots: (piece) => 2 * (piece.stitches + piece.rows),
  begin: ({ widthCm, heightCm, stitchWidthMm }) => {
    // Knitting in the same yarn has some 18 stitches where a border has 14.
    const stitchMm = stitchWidthMm * 0.78;
    return {
      kind: 'knit',
      fabric: 'garter',
      stitches: wholeBetween(6, (10 * widthCm) / stitchMm, 5000),
      rows: 2 * wholeBetween(1, (10 * heightCm) / (2 * ROW_HEIGHT.garter * stitchMm), 10_000),
      slipped: false,
      widthCm,
      heightCm,
    };
  },
  asked: [
    {
      what: 'Stitches',
      unit: 'stitches',
      least: 6,
      most: 5000,
      of: (piece) => piece.stitches,
      told: (piece, stitches, said) => asSaid({ ...piece, stitches }, said),
    },
    {
      what: 'Rows',
      unit: 'rows',
      least: 2,
      most: 20_000,
      of: (piece) => piece.rows,
      told: (piece, rows, said) => asSaid({ ...piece, rows }, said),
    },
    {
      what: 'Width',
      unit: 'cm',
      least: 3,
      most: 1000,
      of: (piece) => piece.widthCm,
      told: (piece, widthCm, said) => asSaid({ ...piece, widthCm }, said),
    },
    {
      what: HEIGHT,
      unit: 'cm',
      least: 3,
      most: 1000,
      of: (piece) => piece.heightCm,
      told: (piece, heightCm) => ({ ...piece, heightCm }),
    },
  ],
  onEdges: () => ON_EDGES,
  pulled: rectanglePulled,
  withSideLength: rectangleWithSide,
  fabric: fabricOf,
  care: ({ fabric }) =>
    fabric === 'stockinette'
      ? 'Stockinette (stocking stitch) curls: at top and bottom towards its right side, at the sides towards its wrong side. Block the piece before you measure it. Three rounds or more of short stitches, not too loose, hold it flatter; no border takes the curl away.'
      : null,
};

/** A new piece as far as it has been said: without a height as high as its rows are by themselves. */
const asSaid = (piece: KnitPiece, said: ReadonlySet<string>): KnitPiece =>
  said.has(HEIGHT) ? piece : { ...piece, heightCm: computedHeightCm(piece) };
