/** How far a ball goes that was put on the scale, in words. */
import { held } from '../held.ts';
import type { Plan } from '../plan/types.ts';
import { cornerBeforeBallEnds, reachOf } from './balls.ts';
import { progressOf } from './progress.ts';
import { capital } from '../terms/words.ts';
import { plural, rangeWords, yarnLengthWords } from '../say/measures.ts';
import { placeWordsAt } from './progressWords.ts';
import { yarnPlanOf } from '../plan/yarns.ts';

/** Advice when a ball may not last the round in hand; nothing when it does. */
export function insteadWords(plan: Plan, grams: number): readonly string[] {
  const reach = reachOf(plan, grams);
  if (!reach || reach.lasts === 'lasts') return [];
  const { round, made } = progressOf(plan);
  const corner = cornerBeforeBallEnds(plan, reach);
  const half = reach.earliest && {
    round: reach.earliest.round,
    made: Math.floor((made + reach.earliest.made) / 2),
  };
  const { yarn, toBuy } = yarnPlanOf(
    plan,
    held(round, 'there is a round while there is a ball in hand').yarnId,
  );
  return [
    corner
      ? `Join the next ball at ${placeWordsAt(plan, corner)}, where a join hides best, and keep the rest for sewing in or a small round.`
      : 'Join the next ball here, before the yarn ends in the middle of a side.',
    ...(reach.lasts === 'may run out' &&
    half?.round === held(round, 'there is a round while there is a ball in hand').number
      ? [`Or weigh it again at ${placeWordsAt(plan, half)}: then it is surer.`]
      : []),
    ...(made === 0 && held(round, 'there is a round while there is a ball in hand').number > 0
      ? ['Or leave this round off, or work it in another yarn: it has hardly been begun.']
      : []),
    ...(toBuy ? [`Have ${plural(toBuy, 'ball')} more of ${yarn.name}, same dye lot.`] : []),
  ];
}

/** Words for a ball of which so many grams are left: whether it lasts the round, and where it ends. */
export function reachWords(plan: Plan, grams: number): readonly string[] {
  const reach = reachOf(plan, grams);
  if (!reach) return [];
  const { metres, roundG, spread, lasts, ends, earliest, latest } = reach;
  const round =
    lasts === 'lasts'
      ? 'Enough for this round'
      : lasts === 'may run out'
        ? 'It may run out in this round'
        : 'Not enough for this round';
  const at = ends && placeWordsAt(plan, ends);
  const first = earliest && placeWordsAt(plan, earliest);
  const last = latest && placeWordsAt(plan, latest);
  const between =
    first && last
      ? first === last
        ? ''
        : `, between ${first} and ${last}`
      : first && first !== at
        ? `, at the earliest in ${first}; they may reach to the end`
        : '; they may reach to the end';
  return [
    `${round}: the rest of it takes ${rangeWords(roundG, spread)} g.`,
    at
      ? `${capital(yarnLengthWords(metres, plan.hem.preferences.length))} are left. They end about ${at}${between}.`
      : first
        ? `Enough for all that is left in this yarn, if the estimate holds. At the worst they end in ${first}.`
        : 'Enough for all that is left in this yarn.',
  ];
}
