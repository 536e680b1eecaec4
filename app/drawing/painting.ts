/** Work of painters: tiles of a scene, each from the hem itself. */
import { transfer } from 'comlink';
import type { Hem } from '../../core/document/hem.ts';
import { createPlanner } from '../../core/plan/planner.ts';
import { sceneOf, type Scene, type SceneChoice } from '../../drawing/scene.ts';
import { EDGE, paintTile, type TilePlace } from '../../drawing/tile.ts';

/** A scene as it is laid and painted by: which hem, and what of it is drawn. */
export interface SceneNumbered {
  /** Another for every scene of the page. */
  readonly number: number;
  readonly hem: Hem;
  readonly choice: SceneChoice;
}

const planner = createPlanner();

/** The scene that a tile was last painted of, by the number that the page has given it. */
let painted: { readonly number: number; readonly scene: Scene } | null = null;

/** Paints a tile of a scene onto a clear canvas. */
export function paintOnto(
  canvas: HTMLCanvasElement | OffscreenCanvas,
  { number, hem, choice }: SceneNumbered,
  place: TilePlace,
): void {
  if (painted?.number !== number) painted = { number, scene: sceneOf(planner(hem), choice) };
  paintTile(canvas, painted.scene, place);
}

export const PAINTING = {
  paintTile: (scene: SceneNumbered, place: TilePlace): ImageBitmap => {
    const canvas = new OffscreenCanvas(EDGE, EDGE);
    paintOnto(canvas, scene, place);
    const image = canvas.transferToImageBitmap();
    return transfer(image, [image]);
  },
};
