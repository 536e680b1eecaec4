/**
 * Last pictures of the hems that stand first, where it can be read before anything is rendered: what holds the hems
 * themselves answers only later. It is shown until the shelf has been read, and is of no harm when it is lost or old.
 */
import { context2d } from '../../drawing/context2d.ts';
import type { DraftStore } from './drafts.ts';
import { keptCard, stamped, type Card } from './pictures.ts';
import type { RecordFound } from './records.ts';

/** A card of the shelf as it was. */
export interface Glanced extends Pick<Card, 'place' | 'border'> {
  readonly id: string;
  readonly name: string;
  /** Of all that it depends on. */
  readonly stamp: string;
  /** ISO date and time. */
  readonly changed: string;
  /** As a data URL. */
  readonly picture: string;
}

const KEY = 'zig-hem glance';
/** Cards of the first rows. */
export const GLANCED = 8;

const isGlanced = (value: unknown): value is Glanced => {
  const { id, name, stamp, changed, place, border, picture } = (value ?? {}) as Record<
    keyof Glanced,
    unknown
  >;
  return (
    [id, name, stamp, changed, border, picture].every((text) => typeof text === 'string') &&
    (place === null || typeof place === 'string') &&
    (picture as string).startsWith('data:image/')
  );
};

export class Glance {
  /** @param small makes a picture small, as a data URL */
  constructor(
    private readonly store: () => DraftStore | null,
    private readonly small: (picture: Blob) => Promise<string> = smallPicture,
  ) {}

  read(): readonly Glanced[] {
    try {
      const kept: unknown = JSON.parse(this.store()?.getItem(KEY) ?? '[]');
      return Array.isArray(kept) ? kept.filter(isGlanced) : [];
    } catch {
      return [];
    }
  }

  /** @param stampOf of all that the card of a hem depends on */
  async keep(shelf: readonly RecordFound[], stampOf: (found: RecordFound) => string): Promise<void> {
    const before = new Map(this.read().map((card) => [`${card.id} ${card.stamp}`, card]));
    const cards: Glanced[] = [];
    for (const found of shelf.slice(0, GLANCED)) {
      const stamp = stamped(stampOf(found));
      const card = before.get(`${found.id} ${stamp}`) ?? (await this.cardOf(found, stampOf(found)));
      if (card) cards.push(card);
    }
    const text = JSON.stringify(cards);
    try {
      if (this.store()?.getItem(KEY) !== text) this.store()?.setItem(KEY, text);
    } catch {
      // There is no room for it: edits that are set aside need what there is.
      this.store()?.removeItem(KEY);
    }
  }

  private async cardOf({ id, outcome }: RecordFound, stamp: string): Promise<Glanced | null> {
    const card = outcome.ok ? await keptCard(id, stamp) : null;
    if (!outcome.ok || !card) return null;
    const { name, changed } = outcome.value;
    const { place, border } = card;
    const picture = await this.small(card.picture);
    return { id, name, stamp: stamped(stamp), changed, place, border, picture };
  }
}

/** Pixels across, and quality: some kilobytes are enough for a moment. */
const SMALL = { resizeWidth: 240, resizeQuality: 'medium' } as const;
const QUALITY = 0.4;

async function smallPicture(picture: Blob): Promise<string> {
  const image = await createImageBitmap(picture, SMALL);
  const { width, height } = image;
  const canvas = Object.assign(document.createElement('canvas'), { width, height });
  context2d(canvas).drawImage(image, 0, 0);
  image.close();
  return canvas.toDataURL('image/webp', QUALITY);
}
