import { useEffect, useEffectEvent, useState } from 'react';
import type { Hem } from '../../core/document/hem.ts';
import type { Plan } from '../../core/plan/types.ts';
import { pictureSize } from '../../drawing/pictureSize.ts';

/** The picture of a plan, and the size of what it shows, mm. */
export interface PlanPicture {
  readonly url: string;
  readonly widthMm: number;
  readonly heightMm: number;
  /** Hem that it shows. */
  readonly hem: Hem;
}

/** An edit is followed by others, and a page by what is asked of it: only after so long a rest is it painted, ms. */
const PAUSE_MS = 2000;

/**
 * The piece as it is, painted away from the page. Until it is there, the last one; null before the first, and where it
 * cannot be painted.
 *
 * @param onPainted hears of every picture that was painted
 */
export function usePicture(
  plan: Plan,
  ground: string,
  pixels: number,
  onPainted?: (picture: Blob) => void,
): PlanPicture | null {
  const [picture, setPicture] = useState<PlanPicture | null>(null);
  const painted = useEffectEvent((blob: Blob) => onPainted?.(blob));
  useEffect(() => {
    let over = false;
    let cancel: (() => void) | undefined;
    const paint = async (): Promise<void> => {
      // What paints is fetched when it is needed, to keep the first page small.
      const { pictureOf } = await import('../workers/picture.ts');
      if (over) return;
      const job = pictureOf(plan.hem, ground, pixels);
      ({ cancel } = job);
      const blob = await job.done;
      if (over) return;
      setPicture({ url: URL.createObjectURL(blob), ...pictureSize(plan), hem: plan.hem });
      painted(blob);
    };
    // One that cannot be painted is told by its outline alone.
    const wait = setTimeout(() => void paint().catch(() => undefined), PAUSE_MS);
    return () => {
      over = true;
      clearTimeout(wait);
      cancel?.();
    };
  }, [plan, ground, pixels]);
  useEffect(
    () => () => {
      if (picture) URL.revokeObjectURL(picture.url);
    },
    [picture],
  );
  return picture;
}
