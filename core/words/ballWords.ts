/** How far a ball goes that was put on the scale, in words. */
import type { Plan } from '../plan/types.ts';
import { reachOf } from '../work/balls.ts';
import { capital } from '../terms/words.ts';
import { rangeWords, yarnLengthWords } from './measures.ts';
import { placeWordsAt } from './progressWords.ts';

/** What is to be said of a ball of which so many grams are left: whether it lasts the round, and where it ends. */
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
