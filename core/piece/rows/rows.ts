/** A rectangle worked in rows: stitch tops, two sides of row ends, and the underside of the foundation. */
import { held } from '../../held.ts';
import { STITCHES, abbreviation, type StitchKind } from '../../terms/stitches.ts';
import { rectangle } from '../outline.ts';
import { evenEdge, type Body, type Edge, type Spot, type SpotKind } from '../edge.ts';
import {
  boxLine,
  rectangleWithSide,
  wholeBetween,
  type Construction,
  type RowBand,
} from '../construction.ts';
import { fabricRow, type FabricStitch } from '../fabric.ts';
import { halfCm } from '../asked.ts';
import { lengthsOfRectangle, rectanglePulled } from '../edgeNumbers.ts';
import { cutOut } from './runs.ts';
import type { RowsPiece } from './rows.schema.ts';

/**
 * The edges of a piece worked in rows. The end stitches of the last row and the end chains of the
 * foundation are the corners, so those two edges offer two spots fewer than a row has stitches.
 */
function bodyOf(piece: RowsPiece): Body {
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
    // By length it lies flat whatever the rows are.
    startsBy: 'gauge',
    measuredMm: piece.heightCm * 10,
    computedMm,
  });
  const last = piece.rows[piece.rows.length - 1]!;
  const first = piece.rows[0]!;
  // One space more than there are stitches between the corners: beside each corner stitch too.
  const spaces = piece.stitches - 1;
  const between = (stitch: StitchKind): Edge => ({
    ...evenEdge({ kind: 'between stitches', stitch }, spaces, spaces * stitchWidthMm, 'space'),
    measuredMm: piece.widthCm * 10,
    computedMm: piece.widthCm * 10,
  });
  const foundation = (): Edge => {
    switch (piece.foundation) {
      case 'stitches of row 1':
        return {
          ...across('stitch top', first.stitch, 'stitch'),
          atFeet: true,
          workedInto: 'the stitches of row 1, around the foundation chain',
        };
      case 'between the posts of row 1':
        return {
          ...between(first.stitch),
          workedInto: 'the spaces between the posts of row 1, around the foundation chain',
        };
      default:
        return { ...across('foundation chain', 'ch', 'chain'), workedInto: piece.foundation };
    }
  };
  const bottom = piece.foundation.endsWith('of row 1') ? 'the end stitch of row 1' : 'the end chain';
  return {
    outline: rectangle(piece.widthCm * 10, piece.heightCm * 10),
    edges: [
      piece.lastRow === 'stitch tops' ? across('stitch top', last.stitch, 'stitch') : between(last.stitch),
      ends([...upwards].reverse(), 'last'),
      foundation(),
      ends(upwards, 'first'),
    ],
    cornerPlaces: ['the end stitch', 'the end stitch', bottom, bottom],
    stitchWidthMm,
  };
}

/** Its runs of rows as bands, from the foundation; the right-hand side has them in that order. */
function bandsOf(piece: RowsPiece, { edges }: Body): readonly RowBand[] {
  const { spots } = edges[3]!;
  let from = 0;
  let bottom = piece.heightCm * 5;
  return piece.rows.map(({ stitch, count }) => {
    const to = from + count;
    const top = bottom - spots.slice(from, to).reduce((sum, s) => sum + s.lengthMm, 0);
    const band = { stitch, from, to, top, bottom };
    from = to;
    bottom = top;
    return band;
  });
}

/** How high its rows are by themselves, cm. */
function computedHeightCm(piece: RowsPiece): number {
  const widths = piece.rows.reduce((sum, run) => sum + run.count * STITCHES[run.stitch].height, 0);
  return Math.min(2000, halfCm((widths * piece.widthCm) / piece.stitches));
}

/** Row stitches that are usual, and that a height may tell of. */
export const USUAL_ROW_STITCHES: readonly StitchKind[] = ['sc', 'hdc', 'dc', 'tr'];

/**
 * A new piece of one run of rows, as far as it has been said. Without a height it is as high as its rows are by themselves;
 * without a number of rows it has as many as its height takes; with both its stitch is the one whose rows come nearest.
 */
function asSaid(piece: RowsPiece, said: ReadonlySet<string>): RowsPiece {
  const { stitch, count } = {
    stitch: piece.rows[0]!.stitch,
    count: piece.rows.reduce((sum, r) => sum + r.count, 0),
  };
  if (!said.has(HEIGHT)) return { ...piece, heightCm: computedHeightCm(piece) };
  if (said.has(STITCH_OF_ROWS)) return piece;
  const widths = (piece.heightCm * piece.stitches) / piece.widthCm;
  if (!said.has(ROWS))
    return { ...piece, rows: [{ stitch, count: wholeBetween(1, widths / STITCHES[stitch].height, 5000) }] };
  const off = (s: StitchKind): number => Math.abs(Math.log(widths / count / STITCHES[s].height));
  const nearest = USUAL_ROW_STITCHES.reduce((best, s) => (off(s) < off(best) ? s : best));
  return { ...piece, rows: [{ stitch: nearest, count }] };
}

const ON_EDGES = [
  ...lengthsOfRectangle<RowsPiece>(),
  {
    side: 0,
    what: 'Stitches in a row',
    unit: 'stitches',
    least: 4,
    most: 5000,
    of: (piece: RowsPiece) => piece.stitches,
    told: (piece: RowsPiece, stitches: number): RowsPiece => ({ ...piece, stitches }),
  },
] as const;

/** Name of the answer that tells the stitch of a new piece. */
export const STITCH_OF_ROWS = 'Stitch';

/** A new piece of one run of rows in a stitch; its height follows, where it has not been said. */
export const inStitch = (piece: RowsPiece, stitch: StitchKind, said: ReadonlySet<string>): RowsPiece =>
  asSaid(
    { ...piece, rows: piece.rows.map((run) => ({ ...run, stitch })) },
    new Set([...said, STITCH_OF_ROWS]),
  );

const ROWS = 'Rows';
const HEIGHT = 'Height';

export const rows: Construction<RowsPiece> = {
  name: 'Rows',
  hasLastRow: true,
  whichSide:
    'Side A is the last row, B the row ends after it, C the foundation, D the row ends that lead back up.',
  body: bodyOf,
  spots: (piece) => 2 * (piece.stitches + piece.rows.reduce((sum, run) => sum + run.count, 0)),
  begin: ({ widthCm, heightCm, stitchWidthMm }) => ({
    kind: 'rows',
    foundation: 'both loops of the chain',
    lastRow: 'stitch tops',
    stitches: wholeBetween(6, (10 * widthCm) / stitchWidthMm, 5000),
    rows: [
      {
        stitch: 'dc',
        count: wholeBetween(1, (10 * heightCm) / (STITCHES.dc.height * stitchWidthMm), 5000),
      },
    ],
    widthCm,
    heightCm,
  }),
  asked: [
    {
      what: 'Stitches in a row',
      unit: 'stitches',
      least: 6,
      most: 5000,
      of: (piece) => piece.stitches,
      told: (piece, stitches, said) => asSaid({ ...piece, stitches }, said),
    },
    {
      what: ROWS,
      unit: 'rows',
      least: 1,
      most: 5000,
      of: (piece) => piece.rows.reduce((sum, run) => sum + run.count, 0),
      suffix: ({ rows: [run] }, language) =>
        `rows of ${abbreviation(held(run, 'a piece in rows has a run').stitch, language)}`,
      told: (piece, count, said) =>
        asSaid({ ...piece, rows: [{ ...piece.rows[0]!, count }] }, new Set([...said, ROWS])),
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
      told: (piece, heightCm, said) => asSaid({ ...piece, heightCm }, new Set([...said, HEIGHT])),
    },
  ],
  onEdges: () => ON_EDGES,
  pulled: rectanglePulled,
  withSideLength: rectangleWithSide,
  betweenPosts: (piece, between) => ({
    ...piece,
    lastRow: between ? 'between the posts' : 'stitch tops',
    foundation: between
      ? 'between the posts of row 1'
      : piece.foundation === 'between the posts of row 1'
        ? 'both loops of the chain'
        : piece.foundation,
  }),
  fabric: (piece, body) =>
    bandsOf(piece, body)
      .filter((_, i) => i % 2 === 1)
      .map(({ top, bottom }) => ({
        draw: 'surface',
        along: boxLine(-piece.widthCm * 5, top, piece.widthCm * 10, bottom - top),
      })),
  stitches: (piece, body) => {
    const widthMm = held(body.stitchWidthMm, 'rows have a stitch width');
    const left = -piece.widthCm * 5;
    // The first and the last stitch of a row, and the last row, are the edge.
    const inside = Array.from(
      { length: Math.max(0, piece.stitches - 2) },
      (_, i) => left + (i + 1.5) * widthMm,
    );
    const all = bandsOf(piece, body).flatMap(({ stitch, from, to, top, bottom }, run) =>
      Array.from({ length: to - from }, (_, k) => {
        const high = (bottom - top) / (to - from);
        const foot = bottom - k * high;
        const stitches = inside.map((x): FabricStitch => [
          { x, y: foot - high },
          { x, y: foot },
        ]);
        return fabricRow(stitch, widthMm, stitches, run, (from + k) % 2 === 1);
      }),
    );
    return all.slice(0, piece.lastRow === 'stitch tops' ? -1 : undefined);
  },
  size: (piece) => piece.stitches * piece.rows.reduce((sum, run) => sum + run.count, 0),
  partAt: (piece, body, { y }) =>
    Math.max(
      0,
      bandsOf(piece, body).findLastIndex((band) => band.bottom > y),
    ),
  areas: (piece, body) =>
    bandsOf(piece, body).map(({ top, bottom }, part) => ({
      part,
      points: boxLine(-piece.widthCm * 5, top, piece.widthCm * 10, bottom - top).points,
    })),
  // A run that was moved is the same run; one that was changed stands where it stood.
  partAfter: (before, after, part) => {
    const run = before.rows[part];
    const now = run ? after.rows.indexOf(run) : -1;
    if (now >= 0) return now;
    const there = after.rows[part];
    return there && !before.rows.includes(there) ? part : null;
  },
  bands: bandsOf,
  withRunSplit: (piece, run, from, to) => {
    const runs = cutOut(piece.rows, run, from, to);
    return runs && { ...piece, rows: runs };
  },
};
