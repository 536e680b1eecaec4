/** Wishes of a maker for what is learned of their hands: from when on, which of it is used, and what they know better. */
import { areHabits, type StartHabits } from '../base/start.ts';
import type { OwnWritten } from '../notation/ownRound.schema.ts';
import { LIMITS } from '../limits.ts';
import { handsProblem } from './problems.ts';
import { done, failed, inAll, type Outcome } from '../problems.ts';
import { PARTS, inOwnWords, type Hands, type HandsPart } from './hands.ts';

/** Something that can be used or not: what is known of stitches, and what lies flat. */
export const USES = [...PARTS, 'flat'] as const;
export type HandsUse = (typeof USES)[number];

export interface HandsWishes {
  /** Nothing from before this time is taken into account, ISO 8601; null for all. */
  readonly since: string | null;
  /** Parts that new hems do not begin with. */
  readonly off: readonly HandsUse[];
  /** Ratios that the maker knows better than the log. */
  readonly own: Readonly<Partial<Record<HandsPart, number>>>;
  /** Ways to begin and to close rounds with which new hems begin; null for the usual ones. */
  readonly habits: StartHabits | null;
  /** Rounds of their own that they keep for other hems. */
  readonly rounds: readonly OwnWritten[];
  /** Whether Work says what lies ahead: how a side ends, what will be tight, where the border may be left. */
  readonly hints: boolean;
}

/** The file of a backup that says them. */
export const HANDS_FILE = 'my-hands.json';

export const NO_WISHES: HandsWishes = {
  since: null,
  off: [],
  own: {},
  habits: null,
  rounds: [],
  hints: true,
};

/** Least and most of a ratio of one’s own. */
export const OWN_RATIO = [0.2, 5] as const;

/** Knowledge with what its maker knows better in its place. */
export const withOwnWords = (hands: Hands, { own }: HandsWishes): Hands => ({
  ...hands,
  ...Object.fromEntries(
    PARTS.flatMap((of) => (own[of] === undefined ? [] : [[of, inOwnWords(of, own[of])] as const])),
  ),
});

const FORMAT = 'zig-hem-hands';

/** The wishes as a file, as a backup has it. */
export const writeWishes = (wishes: HandsWishes): string =>
  `${JSON.stringify({ format: FORMAT, version: 1, ...wishes }, null, 2)}\n`;

/** Wishes with a round kept beside the others; one of the same name is replaced. */
export const withRound = (wishes: HandsWishes, round: OwnWritten): HandsWishes => ({
  ...wishes,
  rounds: [round, ...wishes.rounds.filter((r) => r.name !== round.name)].slice(0, LIMITS.keptRounds),
});

/** Wishes of this place, with rounds of another that are not kept here. */
export const withRoundsOf = (here: HandsWishes, { rounds }: HandsWishes): HandsWishes => {
  const others = rounds.filter(({ name }) => !here.rounds.some((r) => r.name === name));
  return { ...here, rounds: [...here.rounds, ...others].slice(0, LIMITS.keptRounds) };
};

const isOwnWritten = (value: unknown): value is OwnWritten => {
  if (typeof value !== 'object' || value === null) return false;
  const { text, language, name, note } = value as Partial<Record<keyof OwnWritten, unknown>>;
  const isText = (said: unknown, most: number): boolean => typeof said === 'string' && said.length <= most;
  return (
    isText(text, LIMITS.writtenLetters) &&
    (language === 'us' || language === 'uk') &&
    isText(name, LIMITS.ownName) &&
    isText(note, LIMITS.ownNote)
  );
};

/** Reads what {@link writeWishes} wrote, or storage keeps of it. An unsound part is a problem, never half taken. */
export function readWishes(value: unknown): Outcome<HandsWishes> {
  const unsound = failed(handsProblem('hands-unreadable', inAll('the file of your hands')));
  if (typeof value !== 'object' || value === null) return unsound;
  // What was kept before there were habits, rounds or hints has the usual ones.
  const {
    since,
    off,
    own,
    habits = null,
    rounds = [],
    hints = true,
  } = value as Partial<Record<keyof HandsWishes, unknown>>;
  if (habits !== null && !areHabits(habits)) return unsound;
  if (!Array.isArray(rounds) || rounds.length > LIMITS.keptRounds || !rounds.every(isOwnWritten))
    return unsound;
  if (since !== null && (typeof since !== 'string' || Number.isNaN(Date.parse(since)))) return unsound;
  if (!Array.isArray(off) || !off.every((o): o is HandsUse => USES.includes(o as HandsUse))) return unsound;
  if (typeof own !== 'object' || own === null || typeof hints !== 'boolean') return unsound;
  const [least, most] = OWN_RATIO;
  const sound = Object.entries(own).every(
    ([of, ratio]) =>
      PARTS.includes(of as HandsPart) && typeof ratio === 'number' && ratio >= least && ratio <= most,
  );
  return sound ? done({ since, off, own, habits, rounds, hints }) : unsound;
}
