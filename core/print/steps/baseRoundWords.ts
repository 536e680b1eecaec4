/** The base round in words: corners, and side by side what is worked into the edge. */
import { isDisc } from '../../piece/outline.ts';
import { CROSSINGS, tallerStitch, type CrossingId } from '../../base/crossings.ts';
import { listWords } from '../../say/lists.ts';
import { placementWords, spotNumber, type Numbered } from '../run.ts';
import type { Edge, SpotKind } from '../../piece/edge.ts';
import type { Plan, SidePlan } from '../../plan/types.ts';
import { sideActs, type Along, type Procedure } from '../../procedure/acts.ts';
import { abbreviation, type Language, type StitchKind } from '../../terms/stitches.ts';
import { WORDS } from '../../terms/words.ts';

/** Work along each side; sides that are worked alike told together. */
export function baseSideLines(
  plan: Plan,
  procedure: Procedure,
  language: Language,
  numbered: Numbered = 'on the piece',
): readonly string[] {
  const groups = new Map<string, string[]>();
  for (const { side, along } of sideActs(procedure)) {
    const { name } = plan.sides[side]!;
    const words = alongEdge(plan, plan.sides[side]!, along, language, numbered);
    groups.set(words, [...(groups.get(words) ?? []), name]);
  }
  const circle = isDisc(plan.body.outline);
  return [...groups].map(([words, names]) => {
    const where = circle ? 'All around' : `Side${names.length === 1 ? '' : 's'} ${listWords(names)}`;
    return `${where}: ${words}`;
  });
}

function alongEdge(plan: Plan, side: SidePlan, along: Along, language: Language, numbered: Numbered): string {
  if (along.into !== 'edge') throw new Error('the base round goes into the edge of the piece');
  const { edge, choice, count } = side;
  const { stitch } = plan.hem.base;
  const between = choice.school === 'clusters' ? 'the groups' : 'them';
  const chains =
    along.chains === 0 || count === 0
      ? ''
      : `, with ch ${along.chains} between ${between}, before the first and after the last`;
  return `${count} ${abbreviation(stitch, language)} along ${edgeWords(edge, numbered)}${chains}: ${placementWords(along.placement, edge, language, numbered)}${seamsWords(along.crossings, edge, stitch, language, chains !== '' && choice.school === 'clusters')}.${edge.workedInto ? ` Work into ${edge.workedInto}.` : ''}${rowEndWords(side)}`;
}

const KNITTED: readonly (readonly [SpotKind, string])[] = [
  ['bound-off stitch', 'the top edge'],
  ['cast-on stitch', 'the cast-on edge'],
  ['knit row end', 'the row ends'],
  ['ridge', 'the ridges'],
  ['slipped edge stitch', 'the slipped edge'],
];

/** The look of a side, and which way its rows come. */
function edgeWords(edge: Edge, numbered: Numbered): string {
  const { spots, numbering } = edge;
  const has = (kind: SpotKind): boolean => spots.some((s) => s.kind === kind);
  if (numbering.noun === 'row') {
    if (spots.length === 1) return 'the row end';
    if (numbered === 'along the side') return `the ${spots.length} row ends`;
    const row = (i: number): number => spotNumber(edge, i, numbered);
    return `the row ends, from row ${row(0)} ${numbering.from === 'first' ? 'up' : 'down'} to row ${row(spots.length - 1)}`;
  }
  const knitted = KNITTED.find(([kind]) => has(kind));
  if (knitted) return knitted[1] === 'the row ends' ? `the ${spots.length} row ends` : knitted[1];
  if (has('foundation chain')) return 'the foundation chain';
  if (has('block')) return 'the blocks';
  if (has('hole')) return 'the holes';
  return has('gap') ? 'the groups' : 'the edge';
}

/** Where in a row end several stitches go. */
const rowEndWords = ({ edge, placement }: SidePlan): string =>
  edge.spots.some((s, i) => s.kind === 'row end' && placement[i]! > 1)
    ? ' Where a row takes several, work one into its top, the others into its post.'
    : '';

/** How the seams of a side are crossed, those crossed alike told together. */
function seamsWords(
  crossings: readonly CrossingId[],
  edge: Edge,
  stitch: StitchKind,
  language: Language,
  asGroup: boolean,
): string {
  const groups = new Map<string, number[]>();
  crossings.forEach((crossing, seam) => {
    // Chains come between groups: what crosses a seam is one.
    const close = asGroup && (crossing === 'both' || crossing === 'three') ? ', no ch between' : '';
    const words = crossingWords(crossing, edge, stitch, language) + close;
    groups.set(words, [...(groups.get(words) ?? []), seam + 1]);
  });
  if (groups.size === 0) return '';
  if (groups.size === 1) {
    const where = crossings.length === 1 ? 'the seam' : `each of the ${crossings.length} seams`;
    return `; at ${where}: ${[...groups][0]![0]}`;
  }
  return [...groups]
    .map(([words, seams]) => `; at seam${seams.length > 1 ? 's' : ''} ${listWords(seams)}: ${words}`)
    .join('');
}

/** How one seam between motifs is crossed, said to the letter. */
function crossingWords(
  crossing: CrossingId,
  { spots, joins }: Edge,
  stitch: StitchKind,
  language: Language,
): string {
  const own = abbreviation(stitch, language);
  // Where the last round of a motif turns in a stitch, that is met in place of a space.
  const isStitch = spots[joins[0] ?? -1]?.chains === 0;
  const [corner, corners] = isStitch ? ['corner st', 'corner sts'] : ['corner space', 'corner spaces'];
  switch (crossing) {
    case 'both':
      return `1 ${own} in each of its two ${corners}`;
    case 'three':
      return `1 ${own} in its first ${corner}, ${own}2tog over both, 1 ${own} in its second`;
    case 'together':
      return `${own}2tog over its two ${corners}`;
    case 'tall':
      return `1 ${abbreviation(tallerStitch(stitch), language)} into the dip of the seam`;
    case 'seam':
      return `1 ${own} through the seam`;
    case 'skip':
      return `nothing, ${WORDS[language].skip} it`;
  }
}

/** The name of a crossing on a screen, with its stitch. */
export function crossingName(crossing: CrossingId, stitch: StitchKind, language: Language): string {
  if (crossing === 'tall')
    return `one taller stitch (${abbreviation(tallerStitch(stitch), language)}) into the dip`;
  return crossing === 'skip' ? `${WORDS[language].skip} it` : CROSSINGS[crossing].name;
}
