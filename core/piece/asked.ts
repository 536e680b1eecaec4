/** The few things that a new piece is told by: at most three numbers, all else on what is usual. */

export interface Asked<P> {
  readonly what: string;
  /** What the number is of, behind it. */
  readonly unit: string;
  readonly least: number;
  readonly most: number;
  readonly of: (piece: P) => number;
  readonly told: (piece: P, value: number) => P;
}

/** Half centimetres are as near as a tape. */
export const halfCm = (cm: number): number => Math.max(0.5, Math.round(2 * cm) / 2);
