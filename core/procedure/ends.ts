/** Ends of yarn that are there to weave in. */
import type { Plan } from '../plan/types.ts';
import { proceduresOf } from './procedure.ts';

/** Two wherever yarn is joined or comes in, and the last of a yarn that was on the hook from the piece. */
export const yarnEndsOf = (plan: Plan): number =>
  proceduresOf(plan).reduce((sum, { round, start }) => {
    if (start === null) return sum;
    return sum + (start.joins || start.change !== null ? 2 : round.number === 0 ? 1 : 0);
  }, 0);
