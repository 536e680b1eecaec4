import type { Hem } from '../../core/document/hem.ts';
import { workers, type Job } from './pool.ts';

/** Whether canvases can be painted by workers in this browser. */
export const paintsAway = (): boolean => 'transferControlToOffscreen' in HTMLCanvasElement.prototype;

/** A hem as a picture on a clear ground, its longer side of so many pixels; `ground` is what it is to lie on, #rrggbb. */
export const pictureOf = (hem: Hem, ground: string, pixels: number): Job<Blob> =>
  paintsAway()
    ? workers().ask('paintPicture', [hem, ground, pixels])
    : { done: paintedHere(hem, ground, pixels), cancel: () => undefined };

/** In the page, where the browser has no canvas away from it. */
async function paintedHere(hem: Hem, ground: string, pixels: number): Promise<Blob> {
  const { paintHere } = await import('./pictureHere.ts');
  return paintHere(hem, ground, pixels);
}
