/** What the hems of this browser teach of the hands that worked them. It is worked out when it is asked for, and sent nowhere. */
import { USUAL_PACE, type Hands } from '../../core/hands/hands.ts';
import type { Language } from '../../core/terms/stitches.ts';
import { shelf } from '../storage/here.ts';
import { readSetting, writeSetting } from '../storage/settings.ts';
import { workers } from '../workers/pool.ts';

export interface MyHands {
  readonly hands: Hands;
  /** Terms of the hem that stands first on the shelf. */
  readonly language: Language;
  /** Nothing from before this time is taken into account; null for all. */
  readonly since: string | null;
  /** Whether new hems begin with the pace of these hands. */
  readonly used: boolean;
}

const SINCE = 'hands since';
const USED = 'hands used';

export async function myHands(): Promise<MyHands> {
  const [found, since, used] = await Promise.all([shelf(), readSetting(SINCE), readSetting(USED)]);
  const hems = found.flatMap((f) =>
    f.outcome.ok && f.outcome.value.record.length > 0 ? [f.outcome.value] : [],
  );
  const from = typeof since === 'string' ? since : null;
  const hands = await workers().ask('hands', [hems, from]).done;
  const language = found.find((f) => f.outcome.ok)?.outcome;
  return {
    hands,
    language: language?.ok ? language.value.preferences.language : 'us',
    since: from,
    used: used !== false,
  };
}

/** Leaves what was noted up to a time out of account, or, with null, takes all of it. Nothing is deleted. */
export const forgetUpTo = (time: string | null): Promise<void> => writeSetting(SINCE, time);

export const takeForNewHems = (used: boolean): Promise<void> => writeSetting(USED, used);

/** Least and most stitches in a minute that a hem takes. */
const PACES = [1, 200] as const;

/** Stitches in a minute of these hands, for a new hem; null where nothing is known, or it is not to be used. */
export async function paceForNewHem(): Promise<number | null> {
  try {
    const { hands, used } = await myHands();
    const { basis, ratio } = hands.time.all;
    if (!used || basis !== 'these hands') return null;
    return Math.min(PACES[1], Math.max(PACES[0], Math.round(USUAL_PACE / ratio)));
  } catch {
    // A new hem is not held up by what can be typed in later.
    return null;
  }
}
