/** The few things that a new piece is told by: at most four numbers, all else on what is usual. */
import type { Language } from '../terms/stitches.ts';

export interface NewPieceQuestions<P> {
  readonly what: string;
  /** Unit or noun behind the number. */
  readonly unit: string;
  /** Words behind it, where that is more than its unit. */
  readonly suffix?: (piece: P, language: Language) => string;
  readonly least: number;
  readonly most: number;
  readonly of: (piece: P) => number;
  /** @param said what has been told before */
  readonly told: (piece: P, value: number, said: ReadonlySet<string>) => P;
}

/** Half centimetres are as near as a tape. */
export const halfCm = (cm: number): number => Math.max(0.5, Math.round(2 * cm) / 2);
