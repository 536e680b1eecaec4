/** The base round: the body's ragged edge becomes one even ring of stitches. */
import { STITCHES } from '../terms/stitches.ts';
import { plainRound } from '../terms/corners.ts';
import type { Body, Edge } from '../piece/edge.ts';
import type { Outline } from '../piece/outline.ts';
import { isWorkedSide, roleOf, type CornerRole } from '../piece/part.ts';
import { recipeOf } from '../notation/parse.ts';
import { cornerForTurn } from '../ring/turning.ts';
import type { SideLayout } from '../ring/along.ts';
import { centreOf } from '../ring/corner.ts';
import type { WorkedRound } from '../ring/work.ts';
import { IN_NOTHING, type Centre, type Ring, type Span } from '../ring/ring.ts';
import { chainRun, isChainRun, stitchOf, type Stitch } from '../ring/stitch.ts';
import { CROSSINGS, type CrossingId } from './crossings.ts';
import { rates, type RateChoices, type SpacingId } from './spacings.ts';
import { spread } from '../ring/spread.ts';
import type { BaseRound, SideChoice } from './baseRound.schema.ts';

export type { BaseRound, RowRates, SideChoice } from './baseRound.schema.ts';

/** Choices of a base round and of a side that bear on how many stitches go where. */
export type BaseRates = Pick<BaseRound, 'stitch' | 'crossing' | 'rates' | 'endRows'>;
export type SideRates = Pick<SideChoice, 'own' | 'spots' | 'crossings'>;

/** How join number `join` of a side is crossed. */
export const crossingOf = (
  base: Pick<BaseRound, 'crossing'>,
  choice: Pick<SideChoice, 'crossings'>,
  join: number,
): CrossingId => choice.crossings[String(join)] ?? base.crossing;

/** Stitches that the joins of a side take together. */
export function stitchesAtJoins(
  edge: Edge,
  base: Pick<BaseRound, 'stitch' | 'crossing'>,
  choice: Pick<SideChoice, 'crossings'>,
): number {
  return edge.joins.reduce((sum, _, join) => {
    const across = CROSSINGS[crossingOf(base, choice, join)].stitches(base.stitch);
    return sum + across[0].length + across[1].length + across[2].length;
  }, 0);
}

/** Choices that bear on the rates of a side. */
export const rateChoices = (base: BaseRates, choice: Pick<SideChoice, 'own'>): RateChoices => ({
  own: choice.own,
  rates: base.rates,
  endRows: base.endRows,
});

/** Stitches that were placed by eye in single spots of an edge, by the number of the spot. */
const byEye = (
  choice: Pick<SideChoice, 'spots'>,
  edge: Edge,
): readonly (readonly [spot: number, stitches: number])[] =>
  Object.entries(choice.spots).flatMap(([spot, count]) =>
    Number(spot) < edge.spots.length && !isAtJoin(edge, Number(spot)) ? [[Number(spot), count] as const] : [],
  );

/** Whether a spot belongs to a join, which is crossed and not filled. */
export const isAtJoin = (edge: Edge, spot: number): boolean =>
  edge.joins.some((first) => spot >= first && spot < first + 3);

/** Stitches that a spacing gives along an edge, joins included, before any change by hand. */
export function spacingCount(
  school: SpacingId,
  edge: Edge,
  base: BaseRates,
  choice: SideRates,
  stitchWidthMm: number,
): number {
  const edgeRates = rates(school, edge, stitchWidthMm, rateChoices(base, choice));
  let more = 0;
  for (const [spot, count] of byEye(choice, edge)) more += count - edgeRates[spot]!;
  if (school === 'gauge' && edge.joins.length > 0) return Math.round(edge.measuredMm / stitchWidthMm + more);
  const sum = edgeRates.reduce((total, rate) => total + rate, 0);
  return Math.max(0, Math.round(sum + more)) + stitchesAtJoins(edge, base, choice);
}

/**
 * Where the stitches of one side go: one number for each spot of the edge, summing to the side's count. A
 * count below what the joins take leaves the other spots empty.
 */
export function placement(
  choice: SideRates & Pick<SideChoice, 'school' | 'count'>,
  edge: Edge,
  base: BaseRates,
  stitchWidthMm: number,
): readonly number[] {
  const edgeRates = [...rates(choice.school, edge, stitchWidthMm, rateChoices(base, choice))];
  const total = choice.count ?? spacingCount(choice.school, edge, base, choice, stitchWidthMm);
  const seen = byEye(choice, edge);
  for (const [spot] of seen) edgeRates[spot] = 0;
  const placed = seen.reduce((sum, [, count]) => sum + count, 0);
  const rest = Math.max(0, total - stitchesAtJoins(edge, base, choice) - placed);
  // Where every spot that the spacing uses was placed by eye there is none left to take the rest.
  const counts =
    seen.length > 0 && edgeRates.every((rate) => rate === 0)
      ? edgeRates.map(() => 0)
      : [...spread(rest, edgeRates)];
  for (const [spot, count] of seen) counts[spot] = count;
  edge.joins.forEach((first, join) => {
    CROSSINGS[crossingOf(base, choice, join)].stitches(base.stitch).forEach((stitches, k) => {
      counts[first + k] = stitches.length;
    });
  });
  return counts;
}

/**
 * The ring after the base round.
 *
 * @param placements one list for each side: stitches for each spot of its edge
 * @returns the round with a ring whose `into` numbers the spots of the body in working order: the corner before side 0, the
 *   spots of side 0, the corner before side 1, and so on
 */
export function workBase(
  body: Body,
  base: Pick<BaseRound, 'stitch' | 'corner' | 'clusterChains' | 'crossing'> & {
    readonly sides: readonly Pick<SideChoice, 'school' | 'crossings'>[];
  },
  placements: readonly (readonly number[])[],
): Omit<WorkedRound, 'sides'> {
  const stitch = stitchOf({ kind: base.stitch });
  const made: Stitch[] = [];
  const into: number[] = [];
  const centres: Centre[] = [];
  const seams: { readonly start: number; length: number }[] = [];
  const layout: { corners: Span[]; sides: SideLayout[] } = { corners: [], sides: [] };
  const { turns, part } = body.outline;
  const add = (s: Stitch, spot: number): void => {
    made.push(s);
    into.push(isChainRun(s) ? IN_NOTHING : spot);
  };
  const spotsBefore = body.edges.map((_, side) =>
    body.edges.slice(0, side).reduce((sum, edge) => sum + edge.spots.length + 1, 0),
  );
  const n = placements.length;
  // Rows begin at their end: they are made in the order in which they lie there.
  for (let k = 0, side = part?.first ?? 0; k < n; k++, side = (side + 1) % n) {
    const counts = placements[side]!;
    let spot = spotsBefore[side]!;
    const edge = body.edges[side]!;
    const choice = base.sides[side]!;
    const chains = counts.some((count) => count > 0) ? chainsBetween(base, choice, edge) : 0;
    if (turns.length > 0) {
      const role = roleOf(part, side, turns.length);
      const group = baseCornerGroup(base, turns[side]!, role);
      const centre = role === 'left' ? { start: 0, length: 0 } : centreOf(group);
      centres[side] = { start: made.length + centre.start, length: centre.length };
      layout.corners[side] = { start: made.length, length: group.length };
      for (const s of group) add(s, spot);
    }
    spot++;
    const start = made.length;
    if (!isWorkedSide(part, side, turns.length)) {
      layout.sides[side] = { start, length: 0, repeats: [], tail: start };
      continue;
    }
    const grouped = choice.school === 'clusters';
    const crossing = new Map<number, { readonly stitches: readonly Stitch[]; readonly ends: boolean }>();
    edge.joins.forEach((first, join) => {
      const across = CROSSINGS[crossingOf(base, choice, join)].stitches(base.stitch);
      const last = across.findLastIndex((stitches) => stitches.length > 0);
      // Among groups what crosses a seam stands together as one of them: no chains within it.
      across.forEach((stitches, k) => crossing.set(first + k, { stitches, ends: !grouped || k === last }));
    });
    if (chains > 0) add(chainRun(chains), IN_NOTHING);
    for (let i = 0; i < edge.spots.length; i++, spot++) {
      const across = crossing.get(i);
      if (grouped && across && counts[i]! > 0) {
        const before = seams.at(-1);
        if (before && before.start + before.length === made.length) before.length += counts[i]!;
        else seams.push({ start: made.length, length: counts[i]! });
      }
      for (let k = 0; k < counts[i]!; k++) {
        add(across?.stitches[k] ?? stitch, spot);
        const last = choice.school === 'loops' || (k === counts[i]! - 1 && across?.ends !== false);
        if (chains > 0 && last) add(chainRun(chains), IN_NOTHING);
      }
    }
    const length = made.length - start;
    layout.sides[side] = { start, length, repeats: [], tail: made.length };
  }
  // What lies behind the last entry is the first.
  const size = Math.max(1, made.length);
  const ring = {
    made,
    into: new Int32Array(into),
    centres: part ? centres.map((c) => ({ ...c, start: c.start % size })) : centres,
    ...(seams.length > 0 && { seams }),
    ...(part && { part }),
  };
  return { ring, layout };
}

/** Chains before, between and after what is worked along a side; 0 for none. */
export function chainsBetween(
  base: Pick<BaseRound, 'clusterChains'>,
  choice: Pick<SideChoice, 'school'>,
  edge: Edge,
): number {
  if (choice.school === 'loops') return edge.loopChains ?? 0;
  return choice.school === 'clusters' ? base.clusterChains : 0;
}

/** Recipe of the base round for a corner that turns by `turn` radians; at an end of rows one stitch. */
export function baseCornerGroup(
  base: Pick<BaseRound, 'stitch' | 'corner'>,
  turn: number,
  role: CornerRole = 'turned',
): readonly Stitch[] {
  if (role === 'left') return [];
  if (role !== 'turned') return [stitchOf({ kind: base.stitch })];
  const written = recipeOf(plainRound(base.stitch, base.corner, 0)).corner.group;
  const stitch = stitchOf({ kind: base.stitch });
  if (turn < 0) return [stitchOf({ kind: base.stitch, form: 'together', legs: 2 })];
  if (base.corner !== 'angle') return written.length > 0 ? written : [stitch];
  return cornerForTurn(stitch, turn, STITCHES[base.stitch].height, 0).group;
}

/**
 * A trial ring as the base round leaves it: a side of `count` stitches along an edge, and empty sides that close it; without
 * turns a disc.
 *
 * @param outline with the side first
 * @returns where the edge takes groups of stitches in one spot, they are groups here too
 */
export function trialBase(
  base: BaseRound,
  choice: SideChoice,
  edge: Edge,
  outline: Outline,
  count: number,
  stitchWidthMm: number,
): Ring {
  const none: Edge = { ...edge, spots: [], joins: [] };
  const body: Body = { outline, edges: [edge, ...outline.turns.slice(1).map(() => none)], cornerPlaces: [] };
  const along = placement({ ...choice, count }, edge, base, stitchWidthMm);
  return workBase(
    body,
    { ...base, sides: body.edges.map(() => choice) },
    body.edges.map((_, side) => (side === 0 ? along : [])),
  ).ring;
}
