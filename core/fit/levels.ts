/** The rounds of a stack tried once with few stitches: what each adds and needs holds for every count. */
import { trialBase } from '../base/baseRound.ts';
import { type Edge, evenEdge } from '../piece/edge.ts';
import type { Outline } from '../piece/outline.ts';
import {
  isPlainPattern,
  needsOfPattern,
  sidePattern,
  placeKindsUsed,
  waysOf,
  type Needs,
  type Ways,
} from '../ring/recipe.ts';
import { tallySide, type Ring } from '../ring/ring.ts';
import { workRound } from '../ring/work.ts';
import { circumstancesOf, type WrittenRound } from '../stack/stack.ts';
import type { FitSide, FitStack } from './sideTask.ts';
import { remembered } from '../remembered.ts';

/** Knowledge of a level of the stack whatever the count. */
export interface Level {
  /** The ring below the round, with few stitches on the side. */
  readonly ring: Ring;
  /** That ring is a plain one: every count of stitches can be put on its side. */
  readonly plain: boolean;
  /** Stitches that the round adds to those it finds when it is plain and works on a plain ring; else null. */
  readonly gain: number | null;
  /** Stitches of the side that decreases at inner corners take from the round's pattern. */
  readonly taken: number;
  /** Nature of the round's pattern: whether it skips, whether it goes into stitches alone, what it needs. */
  readonly skips: boolean;
  readonly intoStitches: boolean;
  readonly needs: Needs | null;
  readonly otherNeeds: Needs | null;
}

const NO_PATTERN = { skips: false, intoStitches: false, needs: null, otherNeeds: null };

export const FEW = 24;

/**
 * The outline of a trial ring: the side with its two corners, no lengths. Where rows end at one of them alone they go on from
 * the other along an empty side.
 */
export const outlineOf = remembered(({ turns, ends: [before, after] }: FitSide): Outline => {
  const all = before === after ? [...turns] : [...turns, 0];
  const sides = all.map((_, i) => ({ name: String(i), lengthMm: 0 }));
  const part = before ? { first: 0, last: after ? 1 : 2 } : { first: 2, last: 1 };
  return { sides, turns: all, ...((before || after) && { part }) };
});

export function fitLevels(side: FitSide, stack: FitStack): readonly Level[] {
  const outline = outlineOf(side);
  let ring = trialBase(stack.base, side.choice, evenly(side.edge), outline, FEW, side.stitchWidthMm);
  let plain = !readsEdge(side, stack);
  return [...stack.rounds, null].map((round, k) => {
    if (round === null) return { ring, plain, gain: null, taken: 0, ...NO_PATTERN };
    const { recipe } = round;
    const alone = { ...round, entry: { ...round.entry, changes: {} } };
    const worked = workRound(ring, recipe, circumstancesOf(alone, outline, stack.heightsBelow[k]!));
    const stays = recipe.surface === true || recipe.scope === 'ring';
    const roundIsPlain = isPlainPattern(sidePattern(recipe.side)) && !stays;
    const stitches = tallySide(ring, 0).stitches;
    const ways = waysOf(recipe, side.turns.length > 0);
    const level: Level = {
      ring,
      plain,
      gain: roundIsPlain && plain ? tallySide(worked.ring, 0).stitches - stitches : null,
      taken: stitches - worked.sides[0]!.places,
      ...likenessOf(round, ways),
    };
    if (!stays) {
      ring = worked.ring;
      plain = plain && roundIsPlain;
    }
    return level;
  });
}

/** An edge that takes any count one by one. */
const evenly = (edge: Edge): Edge => ({
  ...evenEdge({ kind: 'counted stitch' }, FEW, edge.measuredMm, 'stitch'),
  ...(edge.loopChains === undefined ? {} : { loopChains: edge.loopChains }),
});

/**
 * Whether what is worked onto the base round depends on where its stitches sit in the edge: where they are worked in
 * loops, and where a round goes into more of the base round itself than its stitches.
 */
export function readsEdge(side: FitSide, stack: FitStack): boolean {
  if (side.choice.school === 'loops' && side.edge.loopChains !== undefined) return true;
  for (const { recipe } of stack.rounds) {
    const kinds = placeKindsUsed(recipe.side);
    if ([...kinds].some((kind) => kind !== 'stitch' && kind !== 'post')) return true;
    // What follows goes into this round.
    if (!recipe.surface) return false;
  }
  return false;
}

function likenessOf({ recipe, sitsOn }: WrittenRound, ways: Ways): Pick<Level, keyof typeof NO_PATTERN> {
  const { head, body, tail } = sidePattern(ways.own);
  return {
    skips: [...head, ...body, ...tail].some((s) => s.do === 'skip'),
    intoStitches: sitsOn === 'stitch' && placeKindsUsed(ways.own).size === 1,
    needs: needsOfPattern(sidePattern(ways.own), recipe.scope),
    otherNeeds: ways.other ? needsOfPattern(sidePattern(ways.other), recipe.scope) : null,
  };
}
