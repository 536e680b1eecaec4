/** Rounds of a plan by their names; they are rows where the border goes along a part alone. */
import type { Plan } from './types.ts';
import { ofRows, theRoundWords } from '../say/rounds.ts';

/** Words of rounds, such as “Rnd 3” and “this round”, that are said of rows where there are such. */
export const saidOfRows = (plan: Plan): ((text: string) => string) =>
  plan.body.outline.part ? ofRows : (text) => text;

/** A round by its number: “the base round”, “round 3”; “row 3” where it is one. */
export const roundIn = (plan: Plan, number: number): string => saidOfRows(plan)(theRoundWords(number));
