import { useEffect, useState } from 'react';
import type { Plan } from '../../core/plan/types.ts';
import { pictureSize } from '../../drawing/pictureSize.ts';
import { pictures } from '../storage/pictures.ts';
import { workers } from '../workers/pool.ts';

/** The picture of a plan, and the size of what it shows, mm. */
export interface Picture {
  readonly url: string;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** An edit is followed by others: only when nothing has changed for so long is it painted, ms. */
const PAUSE_MS = 250;

/**
 * The piece as it is, painted away from the page. Until it is there, the last one; null before the first, and where it
 * cannot be painted.
 *
 * @param revision of the hem as it is stored, so that its picture is kept with it; null keeps none
 */
export function usePicture(
  plan: Plan,
  ground: string,
  pixels: number,
  revision: number | null,
): Picture | null {
  const [picture, setPicture] = useState<Picture | null>(null);
  useEffect(() => {
    let over = false;
    let cancel: (() => void) | undefined;
    const show = (blob: Blob): void => {
      if (!over) setPicture({ url: URL.createObjectURL(blob), ...pictureSize(plan) });
    };
    const paint = async (): Promise<void> => {
      const stamp = revision === null ? null : `${revision} ${ground} ${pixels}`;
      const kept = stamp === null ? null : await pictures.of(plan.hem.id, stamp);
      if (over) return;
      if (kept) return show(kept);
      const job = workers().ask('paintPicture', [plan.hem, ground, pixels]);
      ({ cancel } = job);
      const blob = await job.done;
      show(blob);
      if (stamp !== null) await pictures.keep(plan.hem.id, stamp, blob);
    };
    // One that cannot be painted is told by its outline alone.
    const wait = setTimeout(() => void paint().catch(() => undefined), revision === null ? PAUSE_MS : 0);
    return () => {
      over = true;
      clearTimeout(wait);
      cancel?.();
    };
  }, [plan, ground, pixels, revision]);
  useEffect(
    () => () => {
      if (picture) URL.revokeObjectURL(picture.url);
    },
    [picture],
  );
  return picture;
}
