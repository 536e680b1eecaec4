/** Numbers that stand on the edges of a piece: how long a side is, and how much it counts. */

export interface EdgeNumber<P> {
  /** Side that it stands on. */
  readonly side: number;
  readonly what: string;
  /** A length, or the noun of a count. */
  readonly unit: 'cm' | 'stitches' | 'rows' | 'blocks' | 'motifs';
  readonly least: number;
  readonly most: number;
  readonly of: (piece: P) => number;
  readonly told: (piece: P, value: number) => P;
}

/** A size that a piece is pulled to, cm. */
export interface PulledTo {
  readonly widthCm?: number;
  readonly heightCm?: number;
}

interface Sized {
  readonly widthCm: number;
  readonly heightCm: number;
}

/** Least and most of a length, cm. */
export const LENGTH_CM = { least: 0.5, most: 2000 } as const;

/** Width and height of a rectangle, each on a side of it. */
export const lengthsOfRectangle = <P extends Sized>(): readonly [EdgeNumber<P>, EdgeNumber<P>] => [
  {
    side: 0,
    what: 'Width',
    unit: 'cm',
    ...LENGTH_CM,
    of: (piece) => piece.widthCm,
    told: (piece, widthCm) => ({ ...piece, widthCm }),
  },
  {
    side: 1,
    what: 'Height',
    unit: 'cm',
    ...LENGTH_CM,
    of: (piece) => piece.heightCm,
    told: (piece, heightCm) => ({ ...piece, heightCm }),
  },
];

/** A length within its limits. */
export const withinLengths = (cm: number): number => Math.min(LENGTH_CM.most, Math.max(LENGTH_CM.least, cm));

/** A rectangle as wide or as high as it is pulled. */
export const rectanglePulled = <P extends Sized>(piece: P, { widthCm, heightCm }: PulledTo): P => ({
  ...piece,
  ...(widthCm !== undefined && { widthCm: withinLengths(widthCm) }),
  ...(heightCm !== undefined && { heightCm: withinLengths(heightCm) }),
});
