/** How far the work is, in a few words. */
import { held } from '../held.ts';
import type { Hem } from '../document/hem.ts';
import { isDisc } from '../piece/outline.ts';
import type { Plan } from '../plan/types.ts';
import { closedOf, pinsStillIn, type Finishing } from './looks.ts';
import { isUnderWay, progressOf, stepInHand } from './progress.ts';
import type { PlaceInBorder } from './balls.ts';
import { stepAt, stepsOf, type WorkStep } from './steps.ts';
import { plural } from '../say/measures.ts';
import { roundWords } from '../say/rounds.ts';
import { saidOfRows } from '../plan/roundNames.ts';
import { cornerName, sideWords } from '../print/placeWords.ts';

/** The place in hand, such as “round 2, side C”, and pins that are still in the piece. */
export function placeInWords(plan: Plan): string {
  const pins = pinsStillIn(plan.hem.record);
  return pins > 0 ? `${workInWords(plan)}; ${plural(pins, 'pin')} not counted back` : workInWords(plan);
}

/** How finishing stands once the border is done. @param when such as “today” */
export function closingWords({ ends, woven, pinsIn, pinsBack }: Finishing, when: string): string {
  const pins = pinsIn === null ? '' : `, ${pinsBack} of ${plural(pinsIn, 'pin')} back in the box`;
  return `Done ${when}: ${woven} of ${plural(ends, 'end')} woven in${pins}.`;
}

/** A caution for pins that are missing; null when none is. */
export const pinsWords = (missing: number): string | null =>
  missing > 0
    ? `${plural(missing, 'pin')} still in the blanket, or under it: find ${missing === 1 ? 'it' : 'them'} before anyone lies on it.`
    : null;

function workInWords(plan: Plan): string {
  if (!isUnderWay(plan)) return 'not begun';
  const { round, begun } = progressOf(plan);
  if (!round) return closedOf(plan) ? 'done' : 'all worked';
  if (!begun) return `${saidOfRows(plan)(roundWords(round.number))} next`;
  return placeOfStep(
    plan,
    round.number,
    held(stepInHand(plan, 'side'), 'there is a step while a round is in hand'),
  );
}

/** Any place of the border. */
export const placeWordsAt = (plan: Plan, { round, made }: PlaceInBorder): string =>
  placeOfStep(plan, round, stepAt(stepsOf(plan, round, 'side'), made));

function placeOfStep(plan: Plan, number: number, step: WorkStep): string {
  const name = saidOfRows(plan)(roundWords(number));
  if (step.where.on === 'side' && !isDisc(plan.body.outline))
    return `${name}, ${sideWords(plan, step.where.side)}`;
  if (step.where.on === 'corner') return `${name}, corner ${cornerName(plan, step.where.corner)}`;
  return step.does === 'end' ? `${name}, the join` : name;
}

/** “5 of 24 done.” */
export const piecesDoneWords = ({ alike: { done, count } }: Pick<Hem, 'alike'>): string =>
  done >= count ? `All ${count} done.` : `${done} of ${count} done.`;
