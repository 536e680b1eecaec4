/** The outline of a piece: sides and the angles at which they meet, and the outline grown by a border. */
import { isWorkedSide, roleOf, type Part } from './part.ts';

export interface OutlineSide {
  /** A, B, C … in working order. */
  readonly name: string;
  readonly lengthMm: number;
}

/**
 * A closed outline, worked round with the right side facing by a right-handed crocheter: anticlockwise as
 * the piece is looked at. Side 0 runs leftwards along the top, where nothing else is said.
 */
export interface Outline {
  readonly sides: readonly OutlineSide[];
  /**
   * How far the outline turns at the corner before each side, radians: positive at an outer corner, negative
   * at an inner one; together 2π. Empty for a disc, whose single side closes on itself.
   */
  readonly turns: readonly number[];
  /** Direction in which side 0 runs, radians, anticlockwise from the right; undefined where it runs leftwards. */
  readonly heading?: number;
  /** The border goes along a part of it alone, which has corners; undefined where it goes all round. */
  readonly part?: Part;
}

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** The letter of a side: A, B … Z, then A2, B2 …; `index` from 0. */
export function sideName(index: number): string {
  const letter = String.fromCharCode(65 + (index % 26));
  return index < 26 ? letter : `${letter}${Math.floor(index / 26) + 1}`;
}

export const isDisc = (outline: Outline): boolean => outline.turns.length === 0;

/** An outline with four right angles: A along the top, B down the left, C along the bottom, D up the right. */
export function rectangle(widthMm: number, heightMm: number): Outline {
  const lengths = [widthMm, heightMm, widthMm, heightMm];
  return {
    sides: lengths.map((lengthMm, i) => ({ name: sideName(i), lengthMm })),
    turns: lengths.map(() => Math.PI / 2),
  };
}

/** Lengths and turns of the closed outline through its corners, as {@link corners} places them. */
export function throughCorners(points: readonly Point[]): {
  readonly lengthsMm: readonly number[];
  readonly turns: readonly number[];
} {
  const after = (i: number): Point => points[(i + 1) % points.length]!;
  const headings = points.map((p, i) => Math.atan2(p.y - after(i).y, after(i).x - p.x));
  return {
    lengthsMm: points.map((p, i) => Math.hypot(after(i).x - p.x, after(i).y - p.y)),
    turns: headings.map((heading, i) => {
      const turn = heading - headings[(i + points.length - 1) % points.length]!;
      return Math.atan2(Math.sin(turn), Math.cos(turn));
    }),
  };
}

/** A regular polygon with sides of one length, or with 0 corners a disc of that circumference. */
export function regular(cornerCount: number, sideMm: number): Outline {
  const sides = Array.from({ length: Math.max(1, cornerCount) }, (_, i) => ({
    name: sideName(i),
    lengthMm: sideMm,
  }));
  const turn = (2 * Math.PI) / cornerCount;
  return { sides, turns: cornerCount === 0 ? [] : sides.map(() => turn) };
}

/** How much longer a side becomes per millimetre that the outline grows outwards: tan(φ/2) at either end. */
function growthPerMm(outline: Outline, side: number): number {
  if (isDisc(outline)) return 2 * Math.PI;
  return Math.tan(turnAt(outline, side) / 2) + Math.tan(turnAt(outline, side + 1) / 2);
}

/** Corners that a border goes around: all of them, but where it goes along a part. */
export const turnedCorners = ({ turns, part }: Outline): readonly number[] =>
  turns.flatMap((_, corner) => (roleOf(part, corner, turns.length) === 'turned' ? [corner] : []));

/** By how much a border turns at a corner, radians: where it ends it does not. */
export function turnAt({ turns, part }: Outline, corner: number): number {
  const c = corner % turns.length;
  return roleOf(part, c, turns.length) === 'turned' ? turns[c]! : 0;
}

/** How much shorter each side of a convex corner is when its point is an arc of radius 1: tan(φ/2) − φ/2; 0 at an inner one. */
export const cutByArc = (turn: number): number => (turn > 0 ? Math.tan(turn / 2) - turn / 2 : 0);

/**
 * Length of a side of the outline grown outwards by `heightMm` (0 or more), mm, to the middles of its corners; never below 0.
 *
 * @param radiusMm of the arcs at its corners; 0 for points
 */
export function lengthAt(outline: Outline, side: number, heightMm: number, radiusMm = 0): number {
  const { sides } = outline;
  const cut = isDisc(outline) ? 0 : cutByArc(turnAt(outline, side)) + cutByArc(turnAt(outline, side + 1));
  const [before, after] = freeOf(outline, side);
  const length = sides[side]!.lengthMm - before - after;
  return Math.max(0, length + heightMm * growthPerMm(outline, side) - radiusMm * cut);
}

/** Length of a side before and behind the rows that go along it, mm. */
function freeOf({ part, turns }: Outline, side: number): readonly [before: number, after: number] {
  const [before, after] = part?.freeMm ?? [0, 0];
  return [
    part?.first === side ? before : 0,
    part?.last === (side + 1) % Math.max(1, turns.length) ? after : 0,
  ];
}

/**
 * The corner points of the outline grown by `heightMm`, mm, y downwards, with side 0 starting at `[0]` and
 * running as the outline says. The middle of the ungrown outline's bounding box lies at the origin. Two points for a
 * disc: its leftmost and rightmost. Corners that a border does not turn stay where they are.
 */
export function corners(outline: Outline, heightMm: number): readonly Point[] {
  if (isDisc(outline)) {
    const radius = outline.sides[0]!.lengthMm / (2 * Math.PI) + heightMm;
    return [
      { x: radius, y: 0 },
      { x: -radius, y: 0 },
    ];
  }
  const points: Point[] = [];
  let x = 0;
  let y = 0;
  const first = outline.heading ?? Math.PI;
  let heading = first;
  outline.sides.forEach((side, i) => {
    if (i > 0) heading += outline.turns[i]!;
    points.push({ x, y });
    x += side.lengthMm * Math.cos(heading);
    y -= side.lengthMm * Math.sin(heading);
  });
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  const middleX = (Math.min(...xs) + Math.max(...xs)) / 2;
  const middleY = (Math.min(...ys) + Math.max(...ys)) / 2;
  heading = first;
  return points.map((p, i) => {
    if (i > 0) heading += outline.turns[i]!;
    if (roleOf(outline.part, i, points.length) !== 'turned') return { x: p.x - middleX, y: p.y - middleY };
    // The corner moves out along the outward normal of the side that starts here, and back along the side.
    const along = -heightMm * Math.tan(outline.turns[i]! / 2);
    const outX = Math.sin(heading);
    const outY = Math.cos(heading);
    return {
      x: p.x - middleX + outX * heightMm + Math.cos(heading) * along,
      y: p.y - middleY + outY * heightMm - Math.sin(heading) * along,
    };
  });
}

/**
 * The points between which a side of the grown outline lies, mm: its corners, or, where the border ends, those of the
 * piece moved straight out.
 */
export function endsOfSide(outline: Outline, heightMm: number, side: number): readonly [Point, Point] {
  const points = corners(outline, heightMm);
  const after = (side + 1) % points.length;
  if (!outline.part) return [points[side]!, points[after]!];
  const [a, b] = [corners(outline, 0)[side]!, corners(outline, 0)[after]!];
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  // Work runs anticlockwise: with y downwards the piece lies to the left of it.
  const [outX, outY] = [(-(b.y - a.y) * heightMm) / length, ((b.x - a.x) * heightMm) / length];
  const [freeBefore, freeAfter] = freeOf(outline, side);
  /** A corner of the piece, moved so far along the side and straight out. */
  const end = (corner: number, p: Point, along: number): Point =>
    roleOf(outline.part, corner, points.length) === 'turned'
      ? points[corner]!
      : { x: p.x + outX + ((b.x - a.x) * along) / length, y: p.y + outY + ((b.y - a.y) * along) / length };
  return isWorkedSide(outline.part, side, points.length)
    ? [end(side, a, freeBefore), end(after, b, -freeAfter)]
    : [a, b];
}

/** Width and height of the box round the outline grown by `heightMm`, mm. */
export function extent(
  outline: Outline,
  heightMm: number,
): { readonly widthMm: number; readonly heightMm: number } {
  const points = isDisc(outline)
    ? corners(outline, heightMm)
    : outline.sides.flatMap((_, side) => endsOfSide(outline, heightMm, side));
  const xs = points.map((p) => p.x);
  if (isDisc(outline)) {
    const across = Math.max(...xs) - Math.min(...xs);
    return { widthMm: across, heightMm: across };
  }
  const ys = points.map((p) => p.y);
  return { widthMm: Math.max(...xs) - Math.min(...xs), heightMm: Math.max(...ys) - Math.min(...ys) };
}
