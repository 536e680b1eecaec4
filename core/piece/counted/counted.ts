/** An outline of any sides, counted by hand. */
import { held } from '../../held.ts';
import { pieceProblem } from '../problems.ts';
import { motifRounds, sizeOfMotif } from '../fabric.ts';
import type { MotifEdge } from '../motifEdge.schema.ts';
import { corners, isDisc, sideName, throughCorners, type Point } from '../outline.ts';
import { evenEdge, type Body } from '../edge.ts';
import { type Problem, type ProblemPlace } from '../../problems.ts';
import { wholeBetween, type Construction } from '../construction.ts';
import { halfCm } from '../asked.ts';
import { LENGTH_CM, withinLengths, type EdgeNumber } from '../edgeNumbers.ts';
import type { CountedPiece } from './counted.schema.ts';

/** The edges of a counted piece. A single side without a turn is a disc. */
function bodyOf(piece: CountedPiece): Body {
  const disc = piece.sides.length === 1;
  return {
    outline: {
      sides: piece.sides.map((s, i) => ({ name: sideName(i), lengthMm: s.lengthCm * 10 })),
      turns: disc ? [] : piece.sides.map((s) => (s.turnDegrees * Math.PI) / 180),
    },
    edges: piece.sides.map((s) =>
      evenEdge({ kind: 'counted stitch' }, s.stitches, s.lengthCm * 10, 'stitch'),
    ),
    cornerPlaces: disc
      ? []
      : piece.sides.map((s) => (s.turnDegrees < 0 ? 'the inner corner' : 'the corner stitch')),
  };
}

/** How far a counted outline is from closing: the distance between its first and last point, cm. */
function openingCm(piece: CountedPiece): number {
  let heading = 0;
  let x = 0;
  let y = 0;
  piece.sides.forEach((s, i) => {
    if (i > 0) heading += (s.turnDegrees * Math.PI) / 180;
    x += s.lengthCm * Math.cos(heading);
    y += s.lengthCm * Math.sin(heading);
  });
  return Math.hypot(x, y);
}

/** An outline may not close, by its turns or by its lengths. */
function outlineProblems(piece: CountedPiece, where: ProblemPlace, unit: 'cm' | 'in'): readonly Problem[] {
  if (piece.sides.length === 1) return [];
  const turns = piece.sides.reduce((sum, s) => sum + s.turnDegrees, 0);
  if (Math.abs(turns - 360) > 1) return [pieceProblem('corners-differ', where, { turns: Math.round(turns) })];
  const gap = openingCm(piece);
  const around = piece.sides.reduce((sum, s) => sum + s.lengthCm, 0);
  return gap > 0.05 * around
    ? [pieceProblem('outline-open', where, { gap: (unit === 'cm' ? gap : gap / 2.54).toFixed(1), unit })]
    : [];
}

/** A side and the one that faces it. */
const withSides = (
  piece: CountedPiece,
  side: number,
  part: Partial<CountedPiece['sides'][number]>,
): CountedPiece => ({
  ...piece,
  sides: piece.sides.map((s, i) => (i % 2 === side ? { ...s, ...part } : s)),
});

const edgeOfDisc = (stitches: number): MotifEdge => ({
  kind: 'solid',
  stitch: 'sc',
  stitches,
  between: false,
});

const withSide = (
  piece: CountedPiece,
  side: number,
  part: Partial<CountedPiece['sides'][number]>,
): CountedPiece => ({
  ...piece,
  sides: piece.sides.map((s, i) => (i === side ? { ...s, ...part } : s)),
});

/** Least and most that a corner can turn, degrees, and a side can measure, cm. */
const TURNS = [-150, 170] as const;
const LENGTHS = [0.5, 2000] as const;

const within = (x: number, [least, most]: readonly [number, number]): boolean => x >= least && x <= most;

/** A corner elsewhere: the sides that meet there, and the counts along them, follow. */
function withCornerAt(piece: CountedPiece, corner: number, to: Point): CountedPiece | null {
  const points = corners(bodyOf(piece).outline, 0).map((p, i) => (i === corner ? to : p));
  const { lengthsMm, turns } = throughCorners(points);
  const count = piece.sides.length;
  const before = (corner + count - 1) % count;
  const sides = piece.sides.map((s, i) => {
    const moved = i === corner || i === before;
    const lengthCm = moved ? Math.round(lengthsMm[i]!) / 10 : s.lengthCm;
    const turned = moved || i === (corner + 1) % count;
    return {
      lengthCm,
      stitches: wholeBetween(1, (s.stitches * lengthCm) / s.lengthCm, 20_000),
      turnDegrees: turned ? Math.round((turns[i]! * 1800) / Math.PI) / 10 : s.turnDegrees,
    };
  });
  const sound = sides.every((s) => within(s.turnDegrees, TURNS) && within(s.lengthCm, LENGTHS));
  const around = sides.reduce((sum, s) => sum + s.turnDegrees, 0);
  return sound && Math.abs(around - 360) < 1 ? { ...piece, sides } : null;
}

export const counted: Construction<CountedPiece> = {
  name: 'Counted by hand',
  body: bodyOf,
  spots: (piece) => piece.sides.reduce((sum, s) => sum + s.stitches, 0),
  outlineProblems,
  begin: ({ outline, stitchesAlong }) => ({
    kind: 'counted',
    sides: outline.sides.slice(0, 40).map((side, i) => ({
      lengthCm: Math.max(0.5, Math.round(side.lengthMm) / 10),
      stitches: wholeBetween(1, stitchesAlong(i), 20_000),
      turnDegrees: Math.round(((outline.turns[i] ?? 0) * 180) / Math.PI),
    })),
  }),
  asked: [
    {
      what: 'Stitches across',
      unit: 'stitches',
      least: 1,
      most: 5000,
      of: (piece) => piece.sides[0]!.stitches,
      told: (piece, stitches) => withSides(piece, 0, { stitches }),
    },
    {
      what: 'Stitches down',
      unit: 'stitches',
      least: 1,
      most: 5000,
      of: (piece) => (piece.sides[1] ?? piece.sides[0]!).stitches,
      told: (piece, stitches) => withSides(piece, 1, { stitches }),
    },
    {
      what: 'Width',
      unit: 'cm',
      least: 1,
      most: 1000,
      of: (piece) => piece.sides[0]!.lengthCm,
      told: (piece, lengthCm) => {
        const share = lengthCm / piece.sides[0]!.lengthCm;
        return { ...piece, sides: piece.sides.map((s) => ({ ...s, lengthCm: halfCm(s.lengthCm * share) })) };
      },
    },
  ],
  onEdges: ({ sides }) =>
    sides.flatMap((_, side): readonly EdgeNumber<CountedPiece>[] => [
      {
        side,
        what: sides.length === 1 ? 'All the way around' : `Length of ${sideName(side)}`,
        unit: 'cm',
        ...LENGTH_CM,
        of: (piece) => held(piece.sides[side], 'a side of the piece').lengthCm,
        told: (piece, lengthCm) => withSide(piece, side, { lengthCm }),
      },
      {
        side,
        what: sides.length === 1 ? 'Stitches' : `Stitches on ${sideName(side)}`,
        unit: 'stitches',
        least: 1,
        most: 20_000,
        of: (piece) => held(piece.sides[side], 'a side of the piece').stitches,
        told: (piece, stitches) => withSide(piece, side, { stitches }),
      },
    ]),
  // A circle is pulled as wide as it is; what has corners is pulled by them.
  pulled: (piece, { widthCm, heightCm }) => {
    const across = widthCm ?? heightCm;
    return across === undefined
      ? piece
      : withSide(piece, 0, { lengthCm: withinLengths(Number((across * Math.PI).toFixed(1))) });
  },
  withSideLength: (piece, side, lengthCm) => withSide(piece, side, { lengthCm }),
  withCornerAt,
  fabric: () => [],
  // What an outline with corners is made of is not known; what is round was worked in rounds.
  stitches: ({ sides }, { outline }) =>
    isDisc(outline)
      ? motifRounds(
          { x: 0, y: 0 },
          [],
          outline.sides[0]!.lengthMm / (2 * Math.PI),
          outline.sides[0]!.lengthMm,
          edgeOfDisc(sides[0]!.stitches),
          () => 0,
          () => false,
        )
      : [],
  size: ({ sides }) => (sides.length === 1 ? sizeOfMotif(1, edgeOfDisc(sides[0]!.stitches)) : 0),
};
