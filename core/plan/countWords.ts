/** Counts of a plan in a line. */
import { spotNoun } from '../base/spacings.ts';
import { isDisc } from '../piece/outline.ts';
import { isEven, sidesWorked, type Plan, type SpacingPlan, type SidePlan } from './types.ts';
import { needsOf } from '../ring/recipe.ts';
import { endStitches } from '../ring/ring.ts';
import { plural } from '../say/measures.ts';

/** Counts of the base round between the corners. */
export const baseWords = (plan: Plan): string => countsWords(plan, 0);

/** Counts of a round between the corners, sides with equal counts together where they face each other. */
export function countsWords(plan: Plan, round: number): string {
  const { total, sides } = plan.rounds[round]!;
  if (plan.body.outline.part)
    return sidesWorked(plan)
      .map((side) => `${plan.sides[side]!.name} ${sides[side]!.tally.stitches}`)
      .join(' · ');
  if (isDisc(plan.body.outline)) return plural(total, 'stitch');
  const counted = sides.map(({ tally }) => tally.stitches);
  const counts = plan.sides.map((s, i) => `${s.name} ${counted[i]!}`);
  const half = counts.length / 2;
  const facing =
    counts.length % 2 === 0 && counted.every((n, i) => n === counted[(i + half) % counts.length]);
  const shown = facing ? counts.slice(0, half) : counts;
  return shown.length > MOST_BY_NAME ? countsBySize(counted) : shown.join(' · ');
}

/** More sides than this are not told by their names, and more counts than this not one by one. */
export const MOST_BY_NAME = 8;
const MOST_COUNTS = 3;

/** “22 on 6 sides, 24 on 8”, the most frequent first. */
function countsBySize(counted: readonly number[]): string {
  const times = new Map<number, number>();
  for (const count of counted) times.set(count, (times.get(count) ?? 0) + 1);
  if (times.size > MOST_COUNTS)
    return `${Math.min(...counted)} to ${Math.max(...counted)} on each of ${counted.length} sides`;
  return [...times]
    .sort(([, a], [, b]) => b - a)
    .map(([count, sides], i) => `${count} on ${i === 0 ? plural(sides, 'side') : sides}`)
    .join(', ');
}

/** Where the count of a side comes from: “215 = 106 dc row ends × 2 + 3 of the corners.”. */
export function sourceWords(s: SidePlan, plan: Plan): string {
  if (s.choice.count !== null && s.spacings.every((spacing) => spacing.count !== s.count))
    return `Your count: ${s.count + s.corners}${cornersWords(s, plan)}.${servesWords(s, plan)}`;
  const spacing =
    s.spacings.find((x) => x.count === s.count && (s.choice.count !== null || x.id === s.choice.school)) ??
    s.spacings[0]!;
  return `${s.count + s.corners} = ${countBasisWords(spacing, s, plan)}.`;
}

/** Stitches that the corners add: “, 2 of them of the corners”. */
const cornersWords = ({ corners }: SidePlan, plan: Plan): string =>
  corners === 0 ? '' : `, ${corners} of them ${ofEnds(plan)}`;

const ofEnds = ({ body: { outline } }: Plan): string => (outline.part ? 'at its ends' : 'of the corners');

/** Parts of a spacing's count: “96 dc row ends × 2 + 10 hdc row ends + 2 of the corners”. */
export function countBasisWords(spacing: SpacingPlan, { corners }: SidePlan, plan: Plan): string {
  const { language, length } = plan.hem.preferences;
  const ofCorners = corners === 0 ? [] : [`${corners} ${ofEnds(plan)}`];
  if (spacing.id === 'gauge') {
    const { stitchesPer10Cm } = plan.hem.gauge;
    const rate =
      length === 'cm'
        ? `${stitchesPer10Cm / 10} stitches to the cm`
        : `${Number((stitchesPer10Cm * 0.254).toFixed(2))} stitches to the inch`;
    return [`its length × ${rate}`, ...ofCorners].join(' + ');
  }
  return spacing.basis
    .map(
      (part) =>
        `${plural(part.spots, spotNoun(part, language))}${part.rate === 1 ? '' : ` × ${rateWords(part.rate)}`}`,
    )
    .concat(spacing.atJoins > 0 ? [`${spacing.atJoins} at the seams`] : [])
    .concat(ofCorners)
    .join(' + ');
}

/** Rates of knitting are told as makers say them. */
const rateWords = (rate: number): string =>
  Math.abs(rate - 2 / 3) < 1e-9
    ? '2/3'
    : rate === 3 / 4
      ? '3/4'
      : rate === 1 / 2
        ? '1/2'
        : String(Number(rate.toFixed(2)));

/** Which round a count serves: the first that repeats along the side and comes out even, with its repeats. */
function servesWords(s: SidePlan, plan: Plan): string {
  const side = plan.sides.indexOf(s);
  for (const { number, name, written, sides } of plan.rounds) {
    const fit = sides[side]?.fit;
    if (!written || !fit || written.recipe.scope !== 'side' || fit.repeats === 0) continue;
    const { modulus } = needsOf(written.recipe);
    const rest = fit.places + endStitches(plan.rounds[number]!.ring, side) - modulus * fit.repeats;
    if (modulus === 1 || rest < 0) continue;
    if (!isEven(fit)) return '';
    return ` For the ${name.toLowerCase()}: ${fit.repeats} × ${modulus}${rest > 0 ? ` + ${rest}` : ''} in round ${number}.`;
  }
  return '';
}
