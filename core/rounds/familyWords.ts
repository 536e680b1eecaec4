/** Place, needs and growth of a family, in words that need no arithmetic. */
import type { Family } from './family.ts';
import type { FamilyFacts } from './facts.ts';
import { PLACE_NAMES } from '../terms/places.ts';
import { plural } from '../say/measures.ts';

/** @param circle on a ring without corners a pattern is its repeat alone @example needsWords(shellFacts) // 'repeats every 4 stitches, plus 3 on each side' */
export function needsWords({ needs, lopsidedNeeds, sitsOn }: FamilyFacts, circle = false): string {
  const many = PLACE_NAMES[sitsOn].long[1];
  const where = needs.on === 'ring' ? 'in the whole round' : 'on each side';
  if (needs.modulus === 1) return 'fits any count';
  if (circle) return `repeats every ${needs.modulus} ${many} all the way around`;
  const more = needs.remainder === 0 ? '' : `, plus ${needs.remainder}`;
  const other = lopsidedNeeds ? ' (other counts work, off center)' : '';
  return `repeats every ${needs.modulus} ${many}${more} ${where}${other}`;
}

/** @example growthWords(plainFacts, 'straight') // 'each side gains 2 stitches' */
export function growthWords(
  { places, nextSitsOn, stitches }: FamilyFacts,
  edge: Family['edge'],
  circle = false,
): string {
  if (edge !== 'straight') return 'an edging: nothing goes on top';
  // On a circle a plain round grows as the circle does, a pattern by its repeats alone.
  if (circle)
    return nextSitsOn ? `the next round goes into ${PLACE_NAMES[nextSitsOn].long[1]}` : 'more can follow';
  if (!places || !nextSitsOn) {
    if (stitches.per !== 1) return 'the count changes';
    return stitches.plus === 0
      ? 'counts stay the same'
      : `each side gains ${plural(stitches.plus, 'stitch')}`;
  }
  const [one, many] = PLACE_NAMES[nextSitsOn].long;
  if (places.per !== 1) return `the next round goes into the ${many}`;
  return places.plus === 0 ? `each side keeps its ${many}` : `each side gains ${plural(places.plus, one)}`;
}
