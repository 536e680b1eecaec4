/** A border that goes along some of a piece’s sides alone: worked in rows, from the end of one side to the end of another. */

/** The corners at which rows begin and end, as the sides are numbered; the sides between them are worked. */
export interface Part {
  readonly first: number;
  readonly last: number;
  /** Length of the first side before the rows, and of the last side behind them, mm. */
  readonly freeMm?: readonly [before: number, after: number];
  /** Numbers of the spots in which they begin and end, from 1, where it is not in the corners: 0 and null. */
  readonly spots?: readonly [from: number, to: number | null];
}

/** Role of a corner: it is worked round, it is an end of the rows, or nothing is worked there. */
export type CornerRole = 'turned' | 'first' | 'last' | 'left';

/** @param part undefined where the border goes all round */
export function roleOf(part: Part | undefined, corner: number, corners: number): CornerRole {
  if (!part) return 'turned';
  if (corner === part.first) return 'first';
  if (corner === part.last) return 'last';
  return behind(part.first, corner, corners) < behind(part.first, part.last, corners) ? 'turned' : 'left';
}

/** The part of an outline that so many sides are, from a side on. */
export const partAlong = (
  { first, sides }: { readonly first: number; readonly sides: number },
  corners: number,
): Part => ({ first, last: (first + sides) % corners });

/** Sides that are worked, one after the other. */
export interface SidesAlong {
  readonly first: number;
  readonly sides: number;
}

/**
 * The sides that a border goes along, with one more or one fewer; null where it goes all the way around then.
 *
 * @param along null where it goes all the way around now
 * @param corners sides of the outline
 * @returns undefined where they would not lie one after the other, or none would be left
 */
export function sidesChanged(
  along: SidesAlong | null,
  side: number,
  worked: boolean,
  corners: number,
): SidesAlong | null | undefined {
  if (corners < 2) return undefined;
  if (along === null) return worked ? null : { first: (side + 1) % corners, sides: corners - 1 };
  const { first, sides } = along;
  const place = behind(first, side, corners);
  if (worked) {
    if (place < sides) return along;
    if (sides + 1 === corners) return null;
    if (place === sides) return { first, sides: sides + 1 };
    return place === corners - 1 ? { first: side, sides: sides + 1 } : undefined;
  }
  if (place >= sides) return along;
  if (sides === 1) return undefined;
  if (place === sides - 1) return { first, sides: sides - 1 };
  return place === 0 ? { first: (first + 1) % corners, sides: sides - 1 } : undefined;
}

/** Whether a side is worked. */
export const isWorkedSide = (part: Part | undefined, side: number, corners: number): boolean =>
  !part || behind(part.first, side, corners) < behind(part.first, part.last, corners);

/** Sides that are worked, in the order of the outline from the first of them on. */
export const workedSides = (part: Part | undefined, sides: number): readonly number[] =>
  Array.from({ length: sides }, (_, k) => ((part?.first ?? 0) + k) % sides).filter((side) =>
    isWorkedSide(part, side, sides),
  );

const behind = (first: number, corner: number, corners: number): number =>
  (corner - first + corners) % corners;

/** The same part where the corners are met the other way round, as {@link mirroredCorners} orders them. */
export const mirroredPart = ({ first, last }: Part, corners: number): Part => ({
  first: (corners - last) % corners,
  last: (corners - first) % corners,
});
