/** Task of the fit for one side. */
import type { BaseRound, SideChoice } from '../base/baseRound.ts';
import type { Edge } from '../piece/edge.ts';
import type { WrittenRound } from '../stack/stack.ts';

/** A side as the fit sees it. */
export interface FitSide {
  readonly name: string;
  /** Stitches along the edge now. */
  readonly count: number;
  /** Count at which the base round lies flat; need not be whole. */
  readonly flat: number;
  readonly choice: SideChoice;
  readonly edge: Edge;
  /** Width of a border stitch, mm. */
  readonly stitchWidthMm: number;
  /** Turns of the corners before and after the side, radians; none for a disc. */
  readonly turns: readonly [number, number] | readonly [];
  /** Whether rows end there, before and after the side. */
  readonly ends: readonly [boolean, boolean];
  /** Rows leave it out: nothing of it is to be fitted. */
  readonly leftOut: boolean;
  /** Lowest and highest count to consider. */
  readonly from: number;
  readonly to: number;
}

/** The stack of rounds as the fit sees it. */
export interface FitStack {
  readonly base: BaseRound;
  readonly rounds: readonly WrittenRound[];
  /** For every round the height of the ring below it, in stitch widths of that round. */
  readonly heightsBelow: readonly number[];
  /** Rounds already worked: 0 none, 1 the base round, 2 the base and round 1, … Their counts stay. */
  readonly worked: number;
  /** False to allow no quiet change but those in force. */
  readonly quietChanges?: boolean;
  /** How many stitches may still be worked on trial rings; shared by all sides, and used up by the search. */
  readonly budget: Budget;
}

/** Whether nothing is worked after round `k`. */
export const isLast = (k: number, { rounds }: FitStack): boolean => k === rounds.length - 1;

interface Budget {
  left: number;
}

/** Stitches worked on trial rings in one search: a usual hem takes some hundred thousand. */
export const FIT_BUDGET = 20_000_000;
