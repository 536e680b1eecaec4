/** The base round: where its stitches go along every side, its ring, and what goes into its corners. */
import {
  baseCornerGroup,
  placement,
  workBase,
  type BaseRates,
  type BaseRound,
  type SideChoice,
  type SideRates,
} from '../base/baseRound.ts';
import { beforeStretch } from '../piece/along.ts';
import type { Body, Edge } from '../piece/edge.ts';
import { roleOf, type Part } from '../piece/part.ts';
import { asFound } from '../ring/found.ts';
import type { CornerRecipe } from '../ring/recipe.ts';
import type { WorkedRound } from '../ring/work.ts';

export type BaseWorked = Omit<WorkedRound, 'sides'>;

interface ChoiceInputs {
  /** A stretch of the side. */
  readonly edge: Edge;
  readonly choice: SideChoice;
}

/** Choices for a side as they are for a stretch of it, whose spots and joins are numbered by themselves. */
export function choiceAlong({ edge, choice }: ChoiceInputs): SideChoice {
  const { spots, joins } = beforeStretch(edge);
  const moved = <T>(
    byNumber: Readonly<Record<string, T>>,
    by: number,
    most: number,
  ): Readonly<Record<string, T>> =>
    Object.fromEntries(
      Object.entries(byNumber).flatMap(([number, value]) => {
        const here = Number(number) - by;
        return here >= 0 && here < most ? [[String(here), value]] : [];
      }),
    );
  return {
    ...choice,
    spots: moved(choice.spots, spots, edge.spots.length),
    crossings: moved(choice.crossings, joins, edge.joins.length),
  };
}

export interface PlacementInputs extends BaseRates, SideRates, Pick<SideChoice, 'school' | 'count'> {
  readonly edge: Edge;
  readonly widthMm: number;
  readonly isWorked: boolean;
}

/** Stitches for each spot of an edge. */
export const placedAlong = ({ edge, widthMm, isWorked, ...choice }: PlacementInputs): readonly number[] =>
  isWorked ? placement(choice, edge, choice, widthMm) : edge.spots.map(() => 0);

export interface BaseInputs extends Pick<BaseRound, 'stitch' | 'corner' | 'clusterChains' | 'crossing'> {
  readonly body: Body;
  /** Of every side. */
  readonly spacings: readonly SideChoice['school'][];
  readonly crossings: readonly SideChoice['crossings'][];
  readonly placements: readonly (readonly number[])[];
}

/** The ring of the base round as it is to be made. */
export const baseRing = ({ body, spacings, crossings, placements, ...base }: BaseInputs): BaseWorked =>
  workBase(
    body,
    { ...base, sides: spacings.map((school, side) => ({ school, crossings: crossings[side]! })) },
    placements,
  );

export interface FoundInputs {
  readonly worked: BaseWorked;
  /** On every side, between its corners. */
  readonly counts: readonly number[];
}

/** The ring of the base round as it was found. */
export const baseAsFound = ({ worked, counts }: FoundInputs): BaseWorked => asFound(worked, counts);

export interface CornerInputs extends Pick<BaseRound, 'stitch' | 'corner'> {
  /** By how much the outline turns at each corner, radians. */
  readonly turns: readonly number[];
  readonly part: Part | undefined;
}

/** Recipe of the base round for each corner. */
export const baseCorners = ({ turns, part, ...base }: CornerInputs): readonly CornerRecipe[] =>
  turns.map((turn, corner) => {
    const role = roleOf(part, corner, turns.length);
    const group = baseCornerGroup(base, turn, role);
    return { before: [], group, after: [], ...(role === 'left' && { skipped: true }) };
  });
