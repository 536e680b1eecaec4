import { held } from '../../core/held.ts';
import { identityOfRound, type Plan } from '../../core/plan/types.ts';
import { finishingOf, type Finishing } from '../../core/work/looks.ts';
import type { HemStore } from '../hem/store.ts';

/** Notes how far finishing is: what is not changed stays as it was noted last. */
export function noteFinishing(
  store: HemStore,
  plan: Plan,
  change: Partial<Pick<Finishing, 'which' | 'pinsIn' | 'pinsBack'>>,
): void {
  const { which, pinsIn, pinsBack } = { ...finishingOf(plan), ...change };
  const round = identityOfRound(held(plan.rounds.at(-1), 'a plan has a base round'));
  store.note({ did: 'tidied', round, ends: which.length, which, pinsIn, pinsBack });
}
