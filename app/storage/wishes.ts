/** Wishes of the maker for what is learned of their hands, as this browser keeps it. */
import { NO_WISHES, readWishes, withRoundsOf, type HandsWishes } from '../../core/hands/wishes.ts';
import { readSetting, writeSetting } from './settings.ts';

const WISHES = 'hands';

/** Kept wishes; none where nothing is, or it is unsound. */
export async function wishesHere(): Promise<HandsWishes> {
  const outcome = readWishes(await readSetting(WISHES));
  return outcome.ok ? outcome.value : NO_WISHES;
}

export const keepWishes = (wishes: HandsWishes): Promise<void> => writeSetting(WISHES, wishes);

/** Takes those of a backup where none have been said here; its own rounds come beside those that are. */
export async function takeWishes(wishes: HandsWishes): Promise<void> {
  if ((await readSetting(WISHES)) === null) await keepWishes(wishes);
  else await keepWishes(withRoundsOf(await wishesHere(), wishes));
}
