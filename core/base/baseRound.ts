/** The base round: the body's ragged edge becomes one even ring of stitches. */
import { STITCHES, type StitchKind } from '../terms/stitches.ts';
import { plainRound, type CornerId } from '../terms/corners.ts';
import type { Body, Edge } from '../piece/edge.ts';
import { recipeOf } from '../notation/parse.ts';
import { cornerForTurn } from '../ring/turning.ts';
import { centreOf } from '../ring/work.ts';
import { NOTHING, type Centre, type Ring } from '../ring/ring.ts';
import { chainRun, isChainRun, stitchOf, type Stitch } from '../ring/stitch.ts';
import { CROSSINGS, type CrossingId } from './crossings.ts';
import { rates, type OwnRate, type SchoolId } from './schools.ts';
import { spread } from '../ring/spread.ts';
import type { Start } from './start.ts';

/** What the user chose for one side. */
export interface SideChoice {
  readonly school: SchoolId;
  readonly own: OwnRate;
  /** Stitches along the edge, joins included; null leaves it to the school. */
  readonly count: number | null;
  /** How single joins of this side are crossed, by their number from 0, where it is not the usual way. */
  readonly crossings: Readonly<Record<string, CrossingId>>;
}

export interface BaseRound {
  readonly stitch: StitchKind;
  readonly corner: CornerId;
  readonly yarn: string;
  /** How joins between motifs are crossed. */
  readonly crossing: CrossingId;
  readonly start: Start;
  /** One for each side of the outline. */
  readonly sides: readonly SideChoice[];
}

/** How join number `join` of a side is crossed. */
export const crossingOf = (base: BaseRound, choice: SideChoice, join: number): CrossingId =>
  choice.crossings[String(join)] ?? base.crossing;

/** Stitches that the joins of a side take together. */
export function stitchesAtJoins(edge: Edge, base: BaseRound, choice: SideChoice): number {
  return edge.joins.reduce((sum, _, join) => {
    const { counts } = CROSSINGS[crossingOf(base, choice, join)];
    return sum + counts[0] + counts[1] + counts[2];
  }, 0);
}

/** Stitches that a school gives along an edge, joins included, before any change by hand. */
export function schoolCount(
  school: SchoolId,
  edge: Edge,
  base: BaseRound,
  choice: SideChoice,
  stitchWidthMm: number,
): number {
  if (school === 'gauge' && edge.joins.length > 0) return Math.round(edge.measuredMm / stitchWidthMm);
  const sum = rates(school, edge, stitchWidthMm, choice.own).reduce((total, rate) => total + rate, 0);
  return Math.round(sum) + stitchesAtJoins(edge, base, choice);
}

/**
 * Where the stitches of one side go: one number for each spot of the edge, summing to the side's count. A
 * count below what the joins take leaves the other spots empty.
 */
export function placement(
  choice: SideChoice,
  edge: Edge,
  base: BaseRound,
  stitchWidthMm: number,
): readonly number[] {
  const edgeRates = rates(choice.school, edge, stitchWidthMm, choice.own);
  const total = choice.count ?? schoolCount(choice.school, edge, base, choice, stitchWidthMm);
  const counts = [...spread(Math.max(0, total - stitchesAtJoins(edge, base, choice)), edgeRates)];
  edge.joins.forEach((first, join) => {
    CROSSINGS[crossingOf(base, choice, join)].counts.forEach((count, k) => {
      counts[first + k] = count;
    });
  });
  return counts;
}

/**
 * The ring after the base round.
 *
 * @param placements one list for each side: stitches for each spot of its edge
 * @returns a ring whose `into` numbers the spots of the body in working order: the corner before side 0, the
 *   spots of side 0, the corner before side 1, and so on
 */
export function workBase(body: Body, base: BaseRound, placements: readonly (readonly number[])[]): Ring {
  const stitch = stitchOf({ kind: base.stitch });
  const made: Stitch[] = [];
  const into: number[] = [];
  const centres: Centre[] = [];
  const add = (s: Stitch, spot: number): void => {
    made.push(s);
    into.push(isChainRun(s) ? NOTHING : spot);
  };
  let spot = 0;
  for (const [side, counts] of placements.entries()) {
    const edge = body.edges[side]!;
    const choice = base.sides[side]!;
    const loops = choice.school === 'loops' ? edge.loopChains : undefined;
    if (body.outline.turns.length > 0) {
      const group = baseCornerGroup(base, body.outline.turns[side]!);
      const centre = centreOf(group);
      centres.push({ start: made.length + centre.start, length: centre.length });
      for (const s of group) add(s, spot);
    }
    spot++;
    const crossing = new Map<number, Stitch>();
    edge.joins.forEach((first, join) => {
      const across = CROSSINGS[crossingOf(base, choice, join)].stitch(base.stitch);
      for (let k = 0; k < 3; k++) crossing.set(first + k, across);
    });
    if (loops !== undefined) add(chainRun(loops), NOTHING);
    for (let i = 0; i < edge.spots.length; i++, spot++) {
      for (let k = counts[i]!; k > 0; k--) {
        add(crossing.get(i) ?? stitch, spot);
        if (loops !== undefined) add(chainRun(loops), NOTHING);
      }
    }
  }
  return { made, into: Int32Array.from(into), centres };
}

/** What the base round works into a corner that turns by `turn` radians. */
export function baseCornerGroup(base: BaseRound, turn: number): readonly Stitch[] {
  const written = recipeOf(plainRound(base.stitch, base.corner, 0)).corner.group;
  const stitch = stitchOf({ kind: base.stitch });
  if (turn < 0) return [stitchOf({ kind: base.stitch, form: 'together', legs: 2 })];
  if (base.corner !== 'angle') return written.length > 0 ? written : [stitch];
  return cornerForTurn(stitch, turn, STITCHES[base.stitch].height, 0).group;
}

/**
 * A trial ring as the base round leaves it: a side of `count` stitches along an edge between two corners, and an empty
 * side that closes it; without turns a disc.
 *
 * @param turns of the corners before and after the side, radians
 * @returns where the edge takes groups of stitches in one spot, they are groups here too
 */
export function trialBase(
  base: BaseRound,
  choice: SideChoice,
  edge: Edge,
  turns: readonly [number, number] | readonly [],
  count: number,
  stitchWidthMm: number,
): Ring {
  const none: Edge = { ...edge, spots: [], joins: [] };
  const body: Body = {
    outline: { sides: [], turns },
    edges: turns.length === 0 ? [edge] : [edge, none],
    cornerPlaces: [],
  };
  const along = placement({ ...choice, count }, edge, base, stitchWidthMm);
  return workBase(
    body,
    { ...base, sides: body.edges.map(() => choice) },
    body.edges.length === 1 ? [along] : [along, []],
  );
}
