/** Ends of yarn that are there to weave in. */
import type { Plan } from '../plan/types.ts';
import { proceduresOf } from './procedure.ts';

/** Ends at the start of each round, in the order of work. */
export const endsByRound = (plan: Plan): readonly { readonly round: number; readonly ends: number }[] =>
  proceduresOf(plan).flatMap(({ round, start }) => {
    const ends = start === null ? 0 : start.joins || start.change !== null ? 2 : round.number === 0 ? 1 : 0;
    return ends > 0 ? [{ round: round.number, ends }] : [];
  });

/** Two wherever yarn is joined or comes in, and the last of a yarn that was on the hook from the piece. */
export const yarnEndsOf = (plan: Plan): number => endsByRound(plan).reduce((sum, { ends }) => sum + ends, 0);
