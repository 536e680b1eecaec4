/** Work of painters: tiles of a scene, each from the hem itself. */
import { transfer } from 'comlink';
import type { Hem } from '../../core/document/hem.ts';
import { createPlanner } from '../../core/plan/planner.ts';
import { sceneOf, type Scene, type SceneChoice } from '../../drawing/scene.ts';
import { paintTile, type TilePlace } from '../../drawing/tile.ts';

const planner = createPlanner();

/** The scene that a tile was last painted of, by the number that the page has given it. */
let painted: { readonly number: number; readonly scene: Scene } | null = null;

export const PAINTING = {
  paintTile: (number: number, hem: Hem, choice: SceneChoice, place: TilePlace): ImageBitmap => {
    if (painted?.number !== number) painted = { number, scene: sceneOf(planner(hem), choice) };
    const image = paintTile(painted.scene, place);
    return transfer(image, [image]);
  },
};
