/** Rip now, or can it wait? Price of ripping back to a place now, and once more has been made. */
import type { Plan } from '../plan/types.ts';
import { roundIn } from '../plan/roundNames.ts';
import { listWords } from '../say/lists.ts';
import { timeWords } from '../say/measures.ts';
import { comesFree, progressOf, stretchLeft, type Left, type RipPlace } from './progress.ts';

export interface RipPrice {
  /** The round that has been worked to its end by then; null for now. */
  readonly after: number | null;
  /** All that comes off then. */
  readonly price: Left;
}

/** Rounds ahead that are told: beyond these nobody waits. */
const MOST = 5;

/** Prices of ripping back to one place: now, at the end of the round in hand, and after each that follows. They only rise. */
export function ripPrices(
  plan: Plan,
  { round, made, price }: Pick<RipPlace, 'round' | 'made' | 'price'>,
): readonly RipPrice[] {
  const { round: inHand } = progressOf(plan);
  const later = plan.rounds.slice(inHand ? inHand.number : plan.rounds.length).slice(0, MOST);
  return [
    { after: null, price },
    ...later.map(({ number }): RipPrice => {
      const all = plan.rounds
        .slice(round, number + 1)
        .map((r) => stretchLeft(plan, r, r.number === round ? made : 0, r.ring.made.length));
      const total = (of: keyof Left): number => all.reduce((sum, part) => sum + part[of], 0);
      const whole = { stitches: total('stitches'), minutes: total('minutes'), metres: total('metres') };
      return { after: number, price: comesFree(whole) };
    }),
  ];
}

/** “Now about 5 min of work come off; after round 2 about 40 min.” */
export function ripPricesWords(plan: Plan, prices: readonly RipPrice[]): string {
  const later = prices.flatMap(({ after, price }) =>
    after === null ? [] : [`after ${roundIn(plan, after)} about ${timeWords(price.minutes)}`],
  );
  const now = `Now about ${timeWords(prices[0]?.price.minutes ?? 0)} of work come off`;
  return later.length > 0 ? `${now}; ${listWords(later)}.` : `${now}.`;
}
