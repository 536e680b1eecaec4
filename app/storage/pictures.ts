/** Pictures of hems, kept so that the shelf need not paint them again. They are of use, but nothing depends on them. */
import { cupboard, type Cupboard } from './cupboard.ts';

/** Another number gives up all pictures that were painted otherwise. */
const PAINTED_AS = 1;

export const pictureStore: Cupboard = cupboard('pictures');

interface Kept {
  readonly stamp: string;
  readonly blob: Blob;
}

const stamped = (stamp: string): string => `${PAINTED_AS} ${stamp}`;

export const pictures = {
  /** The picture of a hem with a stamp; null when there is none. */
  of: async (hem: string, stamp: string): Promise<Blob | null> => {
    const kept = (await pictureStore.get(hem).catch(() => null)) as Partial<Kept> | null;
    return kept?.stamp === stamped(stamp) && kept.blob instanceof Blob ? kept.blob : null;
  },
  keep: async (hem: string, stamp: string, blob: Blob): Promise<void> => {
    await pictureStore.set(hem, { stamp: stamped(stamp), blob } satisfies Kept).catch(() => undefined);
  },
};
