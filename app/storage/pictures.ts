/**
 * Picture of a hem on the shelf, kept so that it need not be planned and painted again while it has not changed. It is of use,
 * but nothing depends on it.
 */
import { recordStore, type RecordStore } from './recordStore.ts';

/** Where this part of the application was built to, which is another place whenever it plans or paints otherwise. */
const BUILT = new URL(import.meta.url).pathname;

export const pictureStore: RecordStore = recordStore('pictures');

/** A picture with the words that stand under it. */
export interface Card {
  readonly picture: Blob;
  /** How far the work is; null when it has not been begun. */
  readonly place: string | null;
  readonly border: string;
}

interface Kept extends Card {
  readonly stamp: string;
}

/** A stamp as this build of the application has it. */
export const stamped = (stamp: string): string => `${BUILT} ${stamp}`;

/** @param stamp of all that it depends on: the same stamp has the same card */
export async function keptCard(hem: string, stamp: string): Promise<Card | null> {
  const kept = (await pictureStore.get(hem).catch(() => null)) as Partial<Kept> | null;
  const sound =
    kept?.stamp === stamped(stamp) && kept.picture instanceof Blob && typeof kept.border === 'string';
  return sound ? (kept as Kept) : null;
}

export const keepCard = (hem: string, stamp: string, card: Card): Promise<void> =>
  pictureStore.set(hem, { stamp: stamped(stamp), ...card } satisfies Kept).catch(() => undefined);
