/** Where rounds begin and are joined. */

import type { RoundStarts, StartOfRound } from './baseRound.schema.ts';

import { START_WAYS } from './startWays.ts';

export type { RoundStarts, StartOfRound } from './baseRound.schema.ts';

/** Stitches before the corner at which a round that starts before it begins. */
export const STITCHES_BEFORE_CORNER = 3;

/** The start of all rounds as that of one round of its own. */
export function ownStartOf({ at, side, stitches, join, first, chains }: RoundStarts): StartOfRound {
  return { at, side, stitches, join, first, chains };
}

/** A start as it is first offered: in the corner, the next right above. */
export const USUAL_START: RoundStarts = {
  at: 'corner',
  side: 0,
  stitches: 1,
  join: 'climbing',
  first: 'usual',
  chains: null,
  newYarn: 'same place',
  colour: 'anew',
  lastRow: 'cut',
  within: true,
  ends: 'crocheted over',
  close: 'slip stitch',
  ending: 'slip stitch',
};

/** Ways to begin and to close that a maker is used to, wherever a hem begins. */
export type StartHabits = Omit<RoundStarts, 'side' | 'lastRow'>;

/** The habits that a choice of starts shows. */
export function habitsOf({ side: _, lastRow: __, ...habits }: RoundStarts): StartHabits {
  return habits;
}

/** The usual start, as a maker is used to it. */
export const startOfHabit = (habits: StartHabits | null): RoundStarts => ({ ...USUAL_START, ...habits });

/** Whether two makers are used to the same. */
export const sameHabits = (a: StartHabits, b: StartHabits): boolean =>
  (Object.keys(USED_TO) as (keyof StartHabits)[]).every((key) => a[key] === b[key]);

const oneOf =
  (key: keyof typeof START_WAYS) =>
  (value: unknown): boolean =>
    (START_WAYS[key] as readonly unknown[]).includes(value);
const whole =
  (least: number, most: number) =>
  (value: unknown): boolean =>
    Number.isInteger(value) && (value as number) >= least && (value as number) <= most;

/** For each habit whether a value is one. */
const USED_TO: { readonly [Key in keyof StartHabits]: (value: unknown) => boolean } = {
  at: oneOf('at'),
  stitches: whole(1, 20_000),
  join: oneOf('join'),
  first: oneOf('first'),
  chains: (value) => value === null || whole(0, 8)(value),
  newYarn: oneOf('newYarn'),
  colour: oneOf('colour'),
  within: (value) => typeof value === 'boolean',
  close: oneOf('close'),
  ends: oneOf('ends'),
  ending: oneOf('ending'),
};

/** Whether a value that was kept says habits, and all of them. */
export const areHabits = (value: unknown): value is StartHabits =>
  typeof value === 'object' &&
  value !== null &&
  Object.entries(USED_TO).every(([key, is]) => is((value as Record<string, unknown>)[key]));
