/** The base round in words: corners, and side by side what is worked into the edge. */
import { baseCornerGroup, crossingOf } from '../base/baseRound.ts';
import { CROSSINGS } from '../base/crossings.ts';
import { listWords, placementWords } from '../base/run.ts';
import { basis, spotNoun } from '../base/schools.ts';
import { printGroup } from '../notation/print.ts';
import type { Plan, SidePlan } from '../plan.ts';
import { abbreviation, type Language } from '../terms/stitches.ts';
import { grouped, cornersLine } from './grouping.ts';
import { plural } from './measures.ts';
import { cornerName } from './startWords.ts';

/** What goes into each corner, corners that take the same told together. */
export function baseCornerLines(plan: Plan, language: Language): readonly string[] {
  const words = plan.body.outline.turns.map((turn, side) => {
    const group = printGroup(baseCornerGroup(plan.hem.base, turn), language);
    return `${group} in ${plan.body.cornerPlaces[side]}`;
  });
  return cornersLine(grouped(words), (side) => cornerName(plan, side));
}

/** One line for each side. */
export const baseSideLines = (plan: Plan, language: Language): readonly string[] =>
  plan.sides.map((side, i) => sideLine(plan, i, side, language));

function sideLine(plan: Plan, index: number, side: SidePlan, language: Language): string {
  const { edge, choice } = side;
  const stitch = abbreviation(plan.hem.base.stitch, language);
  const along = basis(
    edge,
    edge.spots.map(() => 1),
  ).filter((p) => !['corner space', 'seam', 'between stitches'].includes(p.kind));
  const where = listWords(along.map((p) => plural(p.spots, spotNoun(p, language))));
  const loops = choice.school === 'loops' ? `, ch ${edge.loopChains} before and after each` : '';
  return `Side ${side.name}: ${side.count} ${stitch} along ${where}${loops}: ${placementWords(side.placement, edge)}${joinsWords(plan, side)}.${foundationWords(plan, index)}`;
}

function foundationWords(plan: Plan, side: number): string {
  const { piece } = plan.hem;
  if (piece.kind !== 'rows' || side !== 2) return '';
  return piece.foundation === 'stitches of row 1'
    ? ' Work into the stitches of row 1, round the foundation chain.'
    : ` Work into ${piece.foundation}.`;
}

/** How the joins of a side are crossed, those crossed alike told together. */
function joinsWords(plan: Plan, { edge, choice }: SidePlan): string {
  const byName = grouped(
    edge.joins.map((_, join) => CROSSINGS[crossingOf(plan.hem.base, choice, join)].name),
  );
  if (byName.size === 0) return '';
  if (byName.size === 1) {
    const where = edge.joins.length === 1 ? 'the join' : `each of the ${plural(edge.joins.length, 'join')}`;
    return `; at ${where} ${[...byName][0]![0]}`;
  }
  return `; ${[...byName].map(([name, joins]) => `at join ${listWords(joins.map((j) => j + 1))} ${name}`).join(', ')}`;
}
