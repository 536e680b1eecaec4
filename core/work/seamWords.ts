/** The seam ahead and the ways across it, in words. */
import type { CrossingId } from '../base/crossings.ts';
import type { Plan } from '../plan/types.ts';
import { crossingName } from '../print/steps/baseRoundWords.ts';
import { sideWords } from '../print/placeWords.ts';
import { plural } from '../say/measures.ts';
import type { Language } from '../terms/stitches.ts';
import { capital } from '../terms/words.ts';
import { outcomeWords } from './recountWords.ts';
import type { SeamAhead, SeamWay } from './seam.ts';

const nameOf = (plan: Plan, crossing: CrossingId, language: Language): string =>
  crossingName(crossing, plan.hem.base.stitch, language);

/** “After 4 sts comes seam 2 of side A: one in each corner space.” */
export function seamAheadWords(plan: Plan, seam: SeamAhead, language: Language): string {
  const { stitches, join, side, crossing, last } = seam;
  const when = stitches === 0 ? 'Now comes' : `After ${plural(stitches, 'st')} comes`;
  const as = last === null ? '' : last === crossing ? ', as last time' : ', otherwise than last time';
  return `${when} seam ${join + 1} of ${sideWords(plan, side)}: ${nameOf(plan, crossing, language)}${as}.`;
}

/** A way across, with the count of its side, and what is said of the rounds to come. */
export const seamWayWords = (
  plan: Plan,
  { crossing, count }: SeamWay,
  seam: SeamAhead,
  language: Language,
): string =>
  `${capital(nameOf(plan, crossing, language))}${crossing === seam.crossing ? ', as planned' : crossing === seam.last ? ', as last time' : ''}: ${plural(count, 'st')} on ${sideWords(plan, seam.side)}`;

export const seamWayOutcome = (plan: Plan, way: SeamWay): string =>
  outcomeWords(plan, { ...way, kind: 'leave', price: { stitches: 0, minutes: 0, metres: 0 } }).replace(
    'Nothing is ripped. ',
    '',
  );
