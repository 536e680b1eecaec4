/** The plan of a hem: its sides, its worked rounds, its yarns, and what does not fit. */
import type { Joining } from '../alike/joining.ts';
import { held } from '../held.ts';
import type { BasisPart, SpacingId } from '../base/spacings.ts';
import type { SideChoice } from '../base/baseRound.ts';
import type { Hem, RoundIdentity } from '../document/hem.ts';
import type { FlatLimits, Verdict } from '../flat/flat.ts';
import type { Learned } from '../hands/ratio.ts';
import type { Body, Edge } from '../piece/edge.ts';
import { workedSides } from '../piece/part.ts';
import type { Problem } from '../problems.ts';
import { isPlanProblem } from './problems.ts';
import type { FrozenRound } from '../record/record.ts';
import type { CornerRecipe } from '../ring/recipe.ts';
import type { Ring, Tally } from '../ring/ring.ts';
import type { StitchKind } from '../terms/stitches.ts';
import type { SideFit, Layout } from '../ring/along.ts';
import type { WrittenRound } from '../stack/stack.ts';
import type { Quantity, Yarn } from '../yarn/yarn.ts';

export interface SpacingPlan {
  readonly id: SpacingId;
  readonly label: string;
  readonly count: number;
  readonly basis: readonly BasisPart[];
  /** Stitches that cross joins, which come on top of the basis. */
  readonly atJoins: number;
  /** Strain of the base round on this side at that count. */
  readonly strain: number;
}

/** One side of the base round. */
export interface SidePlan {
  readonly name: string;
  readonly edge: Edge;
  readonly choice: SideChoice;
  /** Stitches along the edge, seams included. */
  readonly count: number;
  /**
   * Stitches that the corners at its ends add to it: a side is counted between their middles, and up to the end stitches of
   * rows, everywhere that a count is shown.
   */
  readonly corners: number;
  readonly spacings: readonly SpacingPlan[];
  /** Count along the edge at which the base round has no strain; need not be whole. */
  readonly flatCount: number;
  /** Counts along the edge between which it lies flat, and between which it will block out. */
  readonly flatFrom: number;
  readonly flatTo: number;
  readonly blocksFrom: number;
  readonly blocksTo: number;
  /** Stitches for each spot of the edge. */
  readonly placement: readonly number[];
}

export interface RoundSide {
  readonly tally: Tally;
  /** Null for the base round, which fits whatever its counts are. */
  readonly fit: SideFit | null;
  /** Signed fraction; that of the round's feet for a free outer edge. */
  readonly strain: number;
  readonly verdict: Verdict;
}

/** One worked round, the base round first. */
export interface RoundPlan {
  /** Work that was really done of it; null while it has not been begun. */
  readonly done: FrozenRound | null;
  /** How it came to be in the stack; null for the base round. */
  readonly written: WrittenRound | null;
  /** Number of the worked round: the base round is 0. */
  readonly number: number;
  readonly name: string;
  readonly yarnId: string;
  /** Stitch that most of it is made of. */
  readonly stitch: StitchKind;
  /** Number of the round whose ring it is worked onto; −1 for the base round. */
  readonly onto: number;
  /** A free outer edge, or work that lies on the face of the round below. */
  readonly free: boolean;
  readonly ring: Ring;
  /** Stretches in the order of work. */
  readonly layout: Layout;
  /** Recipe of each corner on this piece. */
  readonly corners: readonly CornerRecipe[];
  /** The face of the fabric that looks at the maker. */
  readonly facing: 'right' | 'wrong';
  /** The work runs against the order of the ring. */
  readonly backwards: boolean;
  /** Hook, mm. */
  readonly hookMm: number;
  readonly sides: readonly RoundSide[];
  /** Stitches in the whole round, corners included. */
  readonly total: number;
  /** Width of a stitch in this round, mm. */
  readonly stitchWidthMm: number;
  /** Width of every entry of the ring in stitch widths; null when all are one wide. */
  readonly widths: Float32Array | null;
  /** Radius of the arcs at its corners, mm; 0 for points. */
  readonly radiusMm: number;
  /** Height of this round, and of its top above the body, mm; with what was measured of rounds that are worked. */
  readonly ownHeightMm: number;
  readonly heightMm: number;
  /** Both as they were planned: what is worked into corners goes by them, whatever is measured later. */
  readonly plannedOwnHeightMm: number;
  readonly plannedHeightMm: number;
  /** Yarn by the loop path and by what is known of the hands, before what was weighed of this hem; and with it. */
  readonly pathM: number;
  readonly yarnM: number;
  /** Working time at the maker's pace, minutes. */
  readonly minutes: number;
  readonly even: boolean;
}

/** A round before it is measured and judged. */
export interface MadeRound extends Omit<PathRound, 'sides' | 'heightMm' | 'ownHeightMm'> {
  readonly fits: readonly SideFit[] | null;
}

/** A round before what was weighed, the maker's pace, and how far it has been made are taken into account. */
export type PathRound = Omit<RoundPlan, 'yarnM' | 'minutes' | 'done'>;

export interface YarnPlan {
  readonly yarn: Yarn;
  /** Of all pieces that are alike. */
  readonly quantity: Quantity;
  /** Ends to weave in on one piece: two for each stretch worked in this yarn without a break. */
  readonly ends: number;
  /** Estimate after weighing. */
  readonly calibration: Learned;
  /** Price of the balls, when a ball has one. */
  readonly cost: number | null;
  /** Balls to buy beyond what is in the basket; null when it has not been said what is there. */
  readonly toBuy: number | null;
}

export interface Plan {
  readonly hem: Hem;
  readonly body: Body;
  /** Width of a border stitch with the border's own hook, mm. */
  readonly stitchWidthMm: number;
  readonly sides: readonly SidePlan[];
  readonly rounds: readonly RoundPlan[];
  readonly bodySize: { readonly widthMm: number; readonly heightMm: number };
  readonly finishedSize: { readonly widthMm: number; readonly heightMm: number };
  /** After blocking, by the user's own factor. */
  readonly blockedSize: { readonly widthMm: number; readonly heightMm: number };
  /** How wide the border is, from the edge of the piece to its own, mm. */
  readonly borderWidthMm: number;
  /** Measured heights over planned ones, and the threshold of flatness beside the rule of thumb. */
  readonly height: Learned;
  readonly flat: Learned;
  readonly flatLimits: FlatLimits;
  /** Working time of the whole border at the maker's pace, its ends woven in; and that of the ends. */
  readonly minutes: number;
  readonly endsMinutes: number;
  readonly yarns: readonly YarnPlan[];
  /** Joins of the pieces, where there are many alike; null where they are not joined. */
  readonly joining: Joining | null;
  /** Working time of all pieces, with their joining and its ends. */
  readonly minutesInAll: number;
  readonly problems: readonly Problem[];
}

/** Sides that are worked, in the order in which the outline is gone along: all of them, but where rows go along a part. */
export const sidesWorked = ({ body: { outline, edges } }: Pick<Plan, 'body'>): readonly number[] =>
  workedSides(outline.part, edges.length);

/** The outermost round that another can be worked onto: the last that does not lie on the face of one. */
export const topOf = ({ rounds }: Pick<Plan, 'rounds'>): RoundPlan =>
  held(
    rounds.findLast((r) => !r.written?.recipe.surface),
    'the base round lies at the edge',
  );

/** Whether a side came out even, with what was asked for on it. */
export const isEven = (fit: SideFit): boolean =>
  fit.over === 0 && fit.short === 0 && fit.refused === 0 && !fit.stuck;

/** Whether every round of a plan that is worked comes out even. */
export const planComesOutEven = (p: Plan): boolean => p.rounds.every((r) => r.even);

/** Faults of rounds that are in the stack and are not worked: they cannot be read, or not be made. */
export const leftOut = ({ problems }: Plan): readonly Problem[] =>
  problems.filter(
    (p) => p.where.in === 'own round' || isPlanProblem(p, 'round-too-large', 'round-makes-nothing'),
  );

/** Whether every round of the stack is worked and comes out even. */
export const isWholeAndEven = (p: Plan): boolean => planComesOutEven(p) && leftOut(p).length === 0;

/** The written form of a round that is not the base round. */
export const writtenOf = ({ written }: Pick<RoundPlan, 'written'>): WrittenRound =>
  held(written, 'every round but the base round is written');

/** Whether a round is the one that a weighing names. */
export const isRound = ({ written }: Pick<RoundPlan, 'written'>, { entry, index }: RoundIdentity): boolean =>
  written ? written.entry.id === entry && written.index === index : entry === null;

/** How a round is named, wherever it stands. */
export const identityOfRound = ({ written }: RoundPlan): RoundIdentity =>
  written ? { entry: written.entry.id, index: written.index } : { entry: null, index: 0 };
