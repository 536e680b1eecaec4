/** Hands, learned from the hems of this browser. It is worked out when it is asked for, and sent nowhere. */
import type { StartHabits } from '../../core/base/start.ts';
import { paceOf } from '../../core/evidence/estimates.ts';
import { knownFrom, type Hands, type KnownHands } from '../../core/hands/hands.ts';
import { withOwnWords, type HandsUse, type HandsWishes } from '../../core/hands/wishes.ts';
import type { Language } from '../../core/terms/stitches.ts';
import { shelf } from '../storage/here.ts';
import { wishesHere } from '../storage/wishes.ts';
import { workers } from './pool.ts';

export interface MyHands {
  /** With what their maker knows better. */
  readonly hands: Hands;
  /** As the log has it. */
  readonly learned: Hands;
  readonly wishes: HandsWishes;
  /** Terms of the hem that stands first on the shelf. */
  readonly language: Language;
}

/** @param but id of a hem that is left out */
export async function myHands(but?: string): Promise<MyHands> {
  const [found, wishes] = await Promise.all([shelf(), wishesHere()]);
  const hems = found.flatMap((f) =>
    f.outcome.ok && f.id !== but && f.outcome.value.record.length > 0 ? [f.outcome.value] : [],
  );
  const learned = await workers().ask('hands', [hems, wishes.since]).done;
  const language = found.find((f) => f.outcome.ok)?.outcome;
  return {
    hands: withOwnWords(learned, wishes),
    learned,
    wishes,
    language: language?.ok ? language.value.preferences.language : 'us',
  };
}

/** Hands and pace that a new hem begins with. */
export interface HandsToBegin {
  readonly hands: KnownHands | null;
  /** Stitches in a minute; null where nothing is known, or it is not to be used. */
  readonly pace: number | null;
  /** Ways to begin and to close that the maker is used to; null for the usual ones. */
  readonly habits: StartHabits | null;
}

const NOTHING_KNOWN: HandsToBegin = { hands: null, pace: null, habits: null };

/** Longer than this no new hem waits for it, ms. */
const PATIENCE = 3000;

/** @param but id of a hem that is left out: what its own log says is learned from it anyway */
export async function handsToBegin(but?: string): Promise<HandsToBegin> {
  const { habits } = await wishesHere();
  try {
    const found = await Promise.race([myHands(but), later(PATIENCE)]);
    if (!found) return { ...NOTHING_KNOWN, habits };
    const { hands, wishes } = found;
    const uses = (of: HandsUse): boolean => !wishes.off.includes(of);
    const known = knownFrom(hands, uses);
    return { hands: known, pace: known?.time ? paceOf(known.time.all) : null, habits };
  } catch {
    // A new hem is not held up by what can be typed in later.
    return { ...NOTHING_KNOWN, habits };
  }
}

const later = (ms: number): Promise<null> => new Promise((resolve) => setTimeout(resolve, ms, null));
