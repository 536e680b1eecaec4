/** Stitches painted in the page, where the browser cannot hand a canvas to a worker: tile by tile, so that the page goes on. */
import { EDGE, type TilePlace } from '../../drawing/tile.ts';
import type { Job } from '../workers/pool.ts';
import { paintOnto } from './painting.ts';
import { TileSheet, type SceneSeen } from './sheet.ts';

export const sheetHere = (canvas: HTMLCanvasElement, fault: (error: unknown) => void): TileSheet =>
  new TileSheet(canvas, fault, paintHere);

function paintHere(scene: SceneSeen, place: TilePlace): Job<ImageBitmap> {
  let cancel = (): void => undefined;
  const turn = new Promise<void>((resolve) => {
    const wait = setTimeout(resolve);
    cancel = () => clearTimeout(wait);
  });
  return { done: turn.then(() => tile(scene, place)), cancel };
}

function tile(scene: SceneSeen, place: TilePlace): Promise<ImageBitmap> {
  const canvas = Object.assign(document.createElement('canvas'), { width: EDGE, height: EDGE });
  paintOnto(canvas, scene, place);
  return createImageBitmap(canvas);
}
