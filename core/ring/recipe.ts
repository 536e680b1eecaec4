/**
 * How a round is worked, in the terms of written crochet: what is done along a side, with one stretch that
 * repeats as often as the side allows, and what is done at a corner. A recipe knows no counts of any piece;
 * its multiple and growth follow from it.
 */
import { placesTaken, type Stitch } from './stitch.ts';
import type { PlaceKind } from './ring.ts';

/** Work a group into one place, `times` places in a row. `skipped` goes back to the last place passed over. */
export interface WorkInto {
  readonly do: 'work';
  readonly what: readonly Stitch[];
  readonly into: PlaceKind;
  readonly at: 'next' | 'same' | 'skipped';
  readonly times: number;
}

/** Pass over places. */
export interface Skip {
  readonly do: 'skip';
  readonly count: number;
  readonly of: PlaceKind;
}

/** Chains or an ornament that sit in nothing. */
export interface Make {
  readonly do: 'make';
  readonly what: Stitch;
}

/** A stretch done `times` times, or as often as the places allow. */
export interface Repeat {
  readonly do: 'repeat';
  readonly body: readonly RecipeStep[];
  readonly times: number | 'to the corner';
}

export type RecipeStep = WorkInto | Skip | Make;
export type Instruction = RecipeStep | Repeat;

/**
 * Stitches worked into a corner's centre, with those made before and after it. When the centre is a pair of
 * stitches, `pair` says what goes into the first and what into the second.
 */
export interface CornerRecipe {
  readonly before: readonly Stitch[];
  /** Empty when the corner is walked round or skipped; chains alone pass over it. */
  readonly group: readonly Stitch[];
  /** Nothing at all is made at the corner. */
  readonly skipped?: boolean;
  readonly after: readonly Stitch[];
  readonly pair?: readonly [readonly Stitch[], readonly Stitch[]];
}

export interface Recipe {
  /** `side`: the pattern starts anew after every corner. `ring`: it runs round the whole piece. */
  readonly scope: 'side' | 'ring';
  readonly side: readonly Instruction[];
  /** Another way along the side that comes out at counts where `side` does not, less symmetrically. */
  readonly lopsided?: readonly Instruction[];
  /** The way on a ring without corners, where it is not the repeat of `side` alone. */
  readonly around?: readonly Instruction[];
  readonly corner: CornerRecipe;
  readonly facing: 'right' | 'wrong';
  /** Lies on the face of the ring below: the next round goes into that ring, not into this round. */
  readonly surface?: boolean;
}

/** A side's pattern taken apart: what comes before the open repeat, the repeat, and what comes after it. */
export interface SidePattern {
  readonly head: readonly RecipeStep[];
  readonly body: readonly RecipeStep[];
  readonly tail: readonly RecipeStep[];
}

/** Unrolls fixed repeats and splits a side's instructions at their open repeat. */
export function sidePattern(instructions: readonly Instruction[]): SidePattern {
  const head: RecipeStep[] = [];
  const tail: RecipeStep[] = [];
  let body: readonly RecipeStep[] = [];
  let current = head;
  for (const instruction of instructions) {
    if (instruction.do !== 'repeat') current.push(instruction);
    else if (instruction.times === 'to the corner') {
      body = instruction.body;
      current = tail;
    } else for (let k = 0; k < instruction.times; k++) current.push(...instruction.body);
  }
  return { head, body, tail };
}

/**
 * A round’s recipe on a ring: along each of its sides, or, where it has no corners, all the way around: there a pattern has
 * neither head nor tail, so that its repeat closes.
 */
export function waysOf(recipe: Recipe, corners: boolean): Ways {
  if (corners || recipe.scope === 'ring') return { own: recipe.side, other: recipe.lopsided };
  if (recipe.around) return { own: recipe.around, other: undefined };
  const repeat = recipe.side.filter((i) => i.do === 'repeat' && i.times === 'to the corner');
  return { own: repeat.length > 0 ? repeat : recipe.side, other: undefined };
}

export interface Ways {
  readonly own: readonly Instruction[];
  /** Another way, less symmetrical, at counts where the first does not come out even. */
  readonly other: readonly Instruction[] | undefined;
}

/** Places that a step uses up. */
export function placesUsed(step: RecipeStep): number {
  if (step.do === 'skip') return step.count;
  if (step.do === 'make' || step.at !== 'next') return 0;
  // Not spread into Math.max, which takes only so many.
  return step.times * step.what.reduce((most, s) => Math.max(most, placesTaken(s)), 1);
}

export const totalPlacesUsed = (steps: readonly RecipeStep[]): number =>
  steps.reduce((sum, step) => sum + placesUsed(step), 0);

/** The kinds of place that a side's instructions use. */
export function placeKindsUsed(instructions: readonly Instruction[]): ReadonlySet<PlaceKind> {
  const kinds = new Set<PlaceKind>();
  const visit = (i: Instruction): void => {
    if (i.do === 'repeat') i.body.forEach(visit);
    else if (i.do === 'work') kinds.add(i.into);
    else if (i.do === 'skip') kinds.add(i.of);
  };
  instructions.forEach(visit);
  return kinds;
}

/** Needs of a recipe: places ≡ `remainder` modulo `modulus`, and at least `least`. */
export interface Needs {
  readonly on: 'side' | 'ring';
  readonly modulus: number;
  readonly remainder: number;
  readonly least: number;
}

/** Computes from the repeat at which counts a pattern comes out even. */
export function needsOfPattern(pattern: SidePattern, on: Needs['on']): Needs {
  const fixed = totalPlacesUsed(pattern.head) + totalPlacesUsed(pattern.tail);
  const modulus = Math.max(1, totalPlacesUsed(pattern.body));
  return { on, modulus, remainder: fixed % modulus, least: fixed };
}

/** Needs of a recipe's own, symmetrical pattern. */
export const needsOf = (recipe: Recipe): Needs => needsOfPattern(sidePattern(recipe.side), recipe.scope);

/**
 * How many places a count has too many for a pattern: 0 when it comes out even; a count below the least is
 * over by what lies above the next lower fit, counted as if the pattern could shrink.
 */
export function placesOver(count: number, needs: Needs): number {
  return (((count - needs.remainder) % needs.modulus) + needs.modulus) % needs.modulus;
}

/** True when a count meets the needs. */
export const meetsNeeds = (count: number, needs: Needs): boolean =>
  count >= needs.least && placesOver(count, needs) === 0;

/** One plain stitch in each place, and nothing else. */
export const isPlainPattern = (pattern: SidePattern): boolean =>
  isOneInEach(pattern) && plainStitchIn(pattern.body).form === 'plain';

/** One stitch in each place, of whatever form, and nothing else. */
export function isOneInEach({ head, body, tail }: SidePattern): boolean {
  const only = body[0];
  return (
    head.length === 0 &&
    tail.length === 0 &&
    body.length === 1 &&
    only?.do === 'work' &&
    only.at === 'next' &&
    only.what.length === 1 &&
    placesTaken(only.what[0]!) === 1 &&
    only.times === 1
  );
}

const plainStitchIn = (steps: readonly RecipeStep[]): Stitch => {
  const [first] = steps;
  if (first?.do !== 'work') throw new Error('no stitch is worked');
  return first.what[0]!;
};

/** The first stitch that the recipe works along a side, which also carries it round a plain corner. */
export function plainStitchOf(recipe: Recipe): Stitch {
  for (const instruction of recipe.side) {
    const steps = instruction.do === 'repeat' ? instruction.body : [instruction];
    for (const step of steps) if (step.do === 'work') return step.what[0]!;
  }
  throw new Error('a recipe works no stitch along its side');
}
