/** The stack of rounds unrolled: one recipe for each round that is worked, and how this piece bends it. */
import { remembered, rememberedBy } from '../remembered.ts';
import { OWN, type RoundEntry } from '../document/hem.ts';
import { parseRound, recipeOf } from '../notation/parse.ts';
import { printRound } from '../notation/print.ts';
import { HAS_THIRD_LOOP } from '../terms/places.ts';
import { STITCHES, type Language } from '../terms/stitches.ts';
import { cutByArc, isDisc, turnAt, type Outline } from '../piece/outline.ts';
import { roleOf } from '../piece/part.ts';
import type { RoundedCorner } from '../ring/along.ts';
import { type Outcome, type Problem } from '../problems.ts';
import {
  isPlainPattern,
  sidePattern,
  plainStitchOf,
  type CornerRecipe,
  type Recipe,
} from '../ring/recipe.ts';
import { stitchHeight, type Stitch } from '../ring/stitch.ts';
import { isGap, mainStitch, placesOnSide, type PlaceKind, type Ring } from '../ring/ring.ts';
import { cornerForTurn } from '../ring/turning.ts';
import type { Circumstances } from '../ring/work.ts';
import { firstChoice, familyNeededBelow, sitsOn } from '../rounds/facts.ts';
import type { Family } from '../rounds/family.ts';
import { familyById } from '../rounds/registry.ts';

/** Arcs at the corners of a round, in stitch widths: the radius of those below, and of its own. */
export interface Rounding {
  readonly from: number;
  readonly to: number;
  /** Those below are points: it is the first. */
  readonly begins: boolean;
}

/** One round of the stack. */
export interface WrittenRound {
  readonly entry: RoundEntry;
  /** Number of the round in its entry, from 0. */
  readonly index: number;
  readonly name: string;
  /** Null for a round that the user wrote. */
  readonly family: Family | null;
  readonly recipe: Recipe;
  readonly sitsOn: PlaceKind;
  readonly edge: Family['edge'];
  /** The face of the fabric that looks at the maker. */
  readonly facing: 'right' | 'wrong';
  /** Worked against the order of the ring: turned, or, of the two, with reverse stitches. */
  readonly backwards: boolean;
  /** The arcs at its corners; null where they are points. */
  readonly rounding: Rounding | null;
  /** It was begun as something that this version does not know, and is shown as a plain round. */
  readonly unknown?: boolean;
}

export interface Stack {
  readonly rounds: readonly WrittenRound[];
  /** Faults of rounds that the user wrote; such a round is left out of the stack. */
  readonly problems: readonly Problem[];
}

/** Unrolls the entries. Entries that did not change keep their rounds. */
export function writtenRounds(entries: readonly RoundEntry[]): Stack {
  let going = 0;
  let radius = 0;
  const stacks = entries.map((entry, k) => {
    going = goesOnFrom(entries[k - 1], entry) ? going + roundsIn(entries[k - 1]!) : 0;
    const stack = roundsOf(entry, onRounds(going, radius));
    radius = radiusOver(stack.rounds, radius);
    return stack;
  });
  return { rounds: stacks.flatMap((s) => s.rounds), problems: stacks.flatMap((s) => s.problems) };
}

/** Whether an entry goes on with the pattern of the one below it. */
export const goesOnFrom = (below: RoundEntry | undefined, { family, anew }: RoundEntry): boolean =>
  below !== undefined && !anew && below.family === family && (familyById(family)?.repeatable ?? false);

const roundsIn = ({ family, times }: RoundEntry): number =>
  times * (familyById(family)?.roundsPerRepeat ?? 1);

/** Radius of the arcs at the corners of the last of some rounds, in stitch widths. @param below that of those below them */
export const radiusOver = (rounds: readonly WrittenRound[], below: number): number =>
  rounds.reduce((radius, { rounding }) => rounding?.to ?? radius, below);

/** Rounds of its pattern below an entry, and the radius of their corners, as a key. */
const onRounds = (going: number, radius: number): string => `${going} ${radius}`;

/** @param on rounds of its pattern that lie below it, from which it goes on, and the radius of the corners there */
const roundsOf = rememberedBy((entry: RoundEntry, on: string): Stack => {
  const [going, radius] = on.split(' ').map(Number) as [number, number];
  const family = familyById(entry.family);
  if (family) {
    const count = entry.times * family.roundsPerRepeat;
    const rounds = Array.from({ length: count }, (_, index) =>
      written(entry, index, family.name, family, recipeOf(family.write(entry, going + index)), family.edge),
    );
    return { rounds: withRounding(rounds, radius), problems: [] };
  }
  const outcome = ownRecipe(entry);
  if (!outcome.ok) return { rounds: [], problems: outcome.problems };
  const recipe = outcome.value;
  const rounds = Array.from({ length: entry.times }, (_, index) =>
    written(entry, index, ownName(entry), null, recipe, freeEdge(recipe) ? 'lobed' : 'straight'),
  );
  return { rounds: withRounding(rounds, radius), problems: [] };
});

/** Rounds with the arcs at their corners: once they are rounded, those of all rounds above are, too. */
function withRounding(rounds: readonly WrittenRound[], below: number): readonly WrittenRound[] {
  let radius = below;
  return rounds.map((round) => {
    const begins = radius === 0;
    const from = begins && round.entry.corner === 'rounded' ? round.entry.size : radius;
    if (from === 0) return round;
    radius = from + (round.recipe.surface ? 0 : stitchHeight(plainStitchOf(round.recipe)));
    return { ...round, rounding: { from, to: radius, begins } };
  });
}

/** Name of a round that its maker wrote. */
export const ownName = ({ written: own }: RoundEntry): string => own?.name.trim() || 'Own round';

/**
 * A round as it was begun. What this version cannot work – a family that it does not know, a text that it cannot read –
 * stands there as a plain round, which takes on the counts that it was to have or that were found.
 *
 * @param going rounds of its pattern that were begun below it
 * @param radius of the corners below its entry, in stitch widths
 */
export function begunRound(entry: RoundEntry, index: number, going: number, radius: number): WrittenRound {
  let round: WrittenRound | undefined;
  try {
    round = roundsOf(entry, onRounds(going, radius)).rounds[index];
  } catch {
    // What was chosen of its family is not known here.
  }
  return round ?? unknownRound(entry, index);
}

const unknownRound = rememberedBy((entry: RoundEntry, index: number): WrittenRound => {
  const recipe = recipeOf(
    `side: *${STITCHES[entry.stitch].us.abbreviation} in next st*\ncorner: 3 sc in corner`,
  );
  return { ...written(entry, index, 'Unknown round', null, recipe, 'straight'), unknown: true };
});

function written(
  entry: RoundEntry,
  index: number,
  name: string,
  family: Family | null,
  recipe: Recipe,
  edge: Family['edge'],
): WrittenRound {
  const facing = entry.facing ?? recipe.facing;
  const backwards = (facing === 'wrong') !== isReverse(recipe);
  return {
    entry,
    index,
    name,
    family,
    recipe,
    sitsOn: sitsOn(recipe),
    edge,
    facing,
    backwards,
    rounding: null,
  };
}

/**
 * Rounds as rows. A pattern that would run past the corners begins anew behind each, as it does at the end of a row. Where
 * they are turned each faces as the maker says, or as it must to be worked from where the one below ended; what is tied into
 * the face of another leaves the work as it lies.
 */
export function inRows(all: readonly WrittenRound[], turned: boolean): readonly WrittenRound[] {
  const rounds = all.map((round) => (round.recipe.scope === 'ring' ? sideBySide(round) : round));
  if (!turned) return rounds;
  // The row along the edge is worked with the right side facing.
  let backwards = false;
  return rounds.map((round) => {
    if (round.recipe.surface) return round;
    // Worked against the order of the ring where the one below was not, and the other way about.
    const facing = round.entry.facing ?? (backwards === isReverse(round.recipe) ? 'wrong' : 'right');
    const faced = facedAs(round, facing);
    backwards = faced.backwards;
    return faced;
  });
}

const sideBySide = remembered((round: WrittenRound): WrittenRound => {
  const { recipe } = round;
  const { corner } = recipe;
  // What fell on a corner as it came is a stitch of its own there.
  const own =
    corner.group.length > 0 || corner.skipped ? corner : { ...corner, group: [plainStitchOf(recipe)] };
  return { ...round, recipe: { ...recipe, scope: 'side', corner: own } };
});

const facedAs = rememberedBy((round: WrittenRound, facing: WrittenRound['facing']): WrittenRound => {
  const backwards = (facing === 'wrong') !== isReverse(round.recipe);
  return facing === round.facing ? round : { ...round, facing, backwards };
});

const isReverse = (recipe: Recipe): boolean => plainStitchOf(recipe).form === 'reverse';

/** The recipe of a round that the user wrote, with faults placed in that round. */
function ownRecipe(entry: RoundEntry): Outcome<Recipe> {
  if (entry.family !== OWN || !entry.written) throw new RangeError(`no round family ${entry.family}`);
  const outcome = parseRound(entry.written.text, entry.written.language);
  if (outcome.ok) return outcome;
  return {
    ok: false,
    problems: outcome.problems.map((p) => ({ ...p, where: { in: 'own round', text: p.where } }) as const),
  };
}

/** An edge is lobed when groups of four or more stand beside stitches of less than half their height. */
function freeEdge(recipe: Recipe): boolean {
  const { head, body, tail } = sidePattern(recipe.side);
  const works = [...head, ...body, ...tail].flatMap((s) => (s.do === 'work' ? [s] : []));
  const heights = works.map((w) => Math.max(...w.what.map(stitchHeight)));
  return works.some((w) => w.what.length >= 4) && Math.min(...heights) < Math.max(...heights) / 2;
}

/**
 * How a round differs from its recipe on this piece: corners by their angle where that is chosen, decreases at
 * inner corners, increases spread round a disc, and the quiet changes.
 *
 * @param below height of the ring below above the body, in stitch widths
 */
export const circumstancesOf = (round: WrittenRound, outline: Outline, below: number): Circumstances =>
  circumstances(bearingOf(round), outline, below);

/** Parts of a round that bear on its circumstances. */
export interface RoundBearing {
  readonly recipe: Recipe;
  readonly corner: RoundEntry['corner'];
  readonly changes: readonly number[] | undefined;
  readonly changesAt: RoundEntry['changesAt'][string] | undefined;
  readonly runsBackwards: boolean;
  /** Places after the first corner at which a pattern past the corners begins. */
  readonly slide: number;
  readonly rounding: Rounding | null;
  /** Stitches in the end stitch of rows; null for the first stitch of the side. */
  readonly atEnd: readonly Stitch[] | null;
}

export const bearingOf = ({
  recipe,
  entry,
  index,
  backwards,
  rounding,
  family,
}: WrittenRound): RoundBearing => ({
  recipe,
  atEnd: family?.atEnd ? groupOf(family.atEnd) : null,
  corner: entry.corner,
  changes: entry.changes[String(index)],
  changesAt: entry.changesAt[String(index)],
  runsBackwards: backwards,
  slide: recipe.scope === 'ring' ? entry.slide : 0,
  rounding,
});

/** As {@link circumstancesOf}, by what bears on them alone. */
export function circumstances(
  { recipe, corner, changes, changesAt, runsBackwards, slide, rounding, atEnd }: RoundBearing,
  outline: Outline,
  below: number,
): Circumstances {
  const arcs = corner === 'rounded' && rounding && !isDisc(outline);
  const backwards = {
    ...(runsBackwards && { backwards: true }),
    ...(slide > 0 && { slide }),
    ...(arcs && {
      rounded: outline.turns.map((_, c) =>
        roundedCorner(turnAt(outline, c), plainHeight(recipe), below, rounding),
      ),
    }),
  };
  const quiet = { ...(changes && { changes }), ...(changesAt && { changesAt }) };
  const stitch = plainStitchOf(recipe);
  const height = stitchHeight(stitch);
  if (isDisc(outline)) {
    const grows = isPlainPattern(sidePattern(recipe.side)) && !recipe.surface && corner !== 'walk';
    if (!grows) return { ...backwards, ...quiet };
    const gain = Math.round(2 * Math.PI * (below + height)) - Math.round(2 * Math.PI * below);
    return { ...backwards, changes: [gain + (changes?.[0] ?? 0)] };
  }
  const inner = outline.turns.some((turn) => turn < 0) && !recipe.surface;
  const byAngle = corner === 'angle';
  if (!inner && !byAngle && !outline.part) return { ...backwards, ...quiet };
  const corners = outline.turns.map((turn, c): CornerRecipe => {
    const role = roleOf(outline.part, c, outline.turns.length);
    if (role === 'left') return LEFT;
    if (role !== 'turned')
      return recipe.corner.skipped ? LEFT : { before: [], group: atEnd ?? [stitch], after: [] };
    return (turn < 0 && !recipe.surface) || byAngle
      ? cornerForTurn(stitch, turn, height, below)
      : recipe.corner;
  });
  return { ...backwards, corners, ...quiet };
}

/** Stitches of a group in US terms. */
const groupOf = (words: string): readonly Stitch[] =>
  recipeOf(`side: *sc in next st*\ncorner: ${words} in corner`).corner.group;

/** A corner at which nothing is worked, between two sides along which nothing is. */
const LEFT: CornerRecipe = { before: [], group: [], after: [], skipped: true };

const plainHeight = (recipe: Recipe): number => stitchHeight(plainStitchOf(recipe));

/**
 * Increases of a rounded corner: what its arc has more than the one below, φ · h where that was an arc too, spread along it. What
 * was rounded away is carried over. Where a wide arc first cuts a point off, it has none.
 *
 * @param below height of the ring below above the body, in stitch widths
 */
function roundedCorner(
  turn: number,
  height: number,
  below: number,
  { from, to, begins }: Rounding,
): RoundedCorner {
  const need = (high: number, radius: number): number =>
    2 * (high * Math.tan(turn / 2) - radius * cutByArc(turn));
  const gain =
    turn > 0
      ? Math.max(0, Math.round(need(below + height, to)) - Math.round(need(below, begins ? 0 : from)))
      : 0;
  const odd = Math.round(below / Math.max(0.1, height)) % 2 === 1;
  const after = odd ? Math.ceil(gain / 2) : Math.floor(gain / 2);
  return { before: gain - after, after, reach: (to * Math.max(0, turn)) / 2, shift: odd ? 0.25 : -0.25 };
}

/** The quiet change that the maker made in a round on a side; what a circle grows by itself is none. */
export const quietChange = ({ entry, index }: WrittenRound, side: number): number =>
  entry.changes[String(index)]?.[side] ?? 0;

/** A new entry of a family as it is first offered. */
export function newEntry(family: Family, id: string, yarn: string): RoundEntry {
  return {
    ...firstChoice(family),
    id,
    cornerOpen: false,
    anew: false,
    family: family.id,
    yarns: [yarn],
    times: 1,
    facing: null,
    hookMm: null,
    slide: 0,
    start: null,
    written: null,
    changes: {},
    changesAt: {},
  };
}

/**
 * A family as it would be put on top of a ring: its entry, after the entry of a family that must come first when
 * the ring does not offer what it sits on.
 *
 * @param ids of the new entries
 * @param below the entry that they come to lie on
 */
export function entriesOnto(
  ring: Ring,
  family: Family,
  yarn: string,
  ids: readonly [string, string],
  below?: RoundEntry,
): readonly RoundEntry[] {
  const goesOn = goesOnFrom(below, newEntry(family, ids[1], yarn));
  const needed = goesOn ? null : familyNeededBelow(family, ring);
  const ground = needed === null || needed === family.id ? undefined : familyById(needed);
  const entry = {
    ...newEntry(family, ids[1], yarn),
    loop: loopOnto(ground ? null : ring, family),
    size: sizeOnto(ground ? null : ring, family),
  };
  return ground ? [newEntry(ground, ids[0], yarn), entry] : [entry];
}

/** The size of a family that a ring gives it: chains between groups as those below have, where they have some. */
function sizeOnto(ring: Ring | null, { sizes, chainsAsBelow }: Family): number {
  if (!chainsAsBelow || ring === null) return sizes[0]!;
  const [gap] = placesOnSide(ring, ring.part?.first ?? 0, new Set(['gap']));
  if (gap === undefined) return sizes[0]!;
  const chains = isGap(gap) ? 0 : ring.made[gap]!.chains;
  return sizes.includes(chains) ? chains : sizes[0]!;
}

/** The first loop of a family that the stitches of a ring have: only half doubles and their kin have a third one. */
function loopOnto(ring: Ring | null, { loops }: Family): RoundEntry['loop'] {
  const hasThird = ring !== null && HAS_THIRD_LOOP.has(mainStitch(ring));
  return loops.find((loop) => loop !== 'third' || hasThird) ?? loops[0]!;
}

/** A new entry that the user is to write, or has written. */
export function newOwnEntry(
  id: string,
  yarn: string,
  language: Language,
  recipe: Recipe = recipeOf('side: *sc in next st*\ncorner: 3 sc in corner'),
): RoundEntry {
  const text = printRound(recipe, language);
  return {
    id,
    family: OWN,
    stitch: 'sc',
    corner: 'three',
    cornerOpen: false,
    anew: false,
    loop: 'both',
    into: 'stitch',
    size: 1,
    yarns: [yarn],
    times: 1,
    facing: null,
    hookMm: null,
    slide: 0,
    start: null,
    written: { text, language, name: '', note: '' },
    changes: {},
    changesAt: {},
  };
}
