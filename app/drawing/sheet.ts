/**
 * A canvas that the page has handed over, laid with tiles away from it: however long that takes, the page goes on.
 *
 * State: the tiles, and the scene and view that are to be seen. Invariant: a frame is laid at a time, always of the latest view.
 */
import { held } from '../../core/held.ts';
import { context2d } from '../../drawing/context2d.ts';
import { proxy, releaseProxy, type ProxyMarked, type Remote } from 'comlink';
import type { Hem } from '../../core/document/hem.ts';
import type { View } from '../../drawing/paint.ts';
import type { SceneChoice } from '../../drawing/scene.ts';
import { Pool, size, type Job } from '../workers/pool.ts';
import type { PAINTING } from './painting.ts';
import { Tiles, type Painted } from './tiles.ts';
import type { TilePlace } from '../../drawing/tile.ts';

/** A scene as far as it is laid and painted by: which hem, and what of it is drawn. */
export interface SceneSeen extends Pick<Painted, 'mirrored' | 'afar'> {
  /** Another for every scene of the page. */
  readonly number: number;
  readonly hem: Hem;
  readonly choice: SceneChoice;
}

/** How it is seen, on a canvas of so many device pixels. */
export interface SeenAt {
  readonly view: View;
  readonly width: number;
  readonly height: number;
}

let painters: Pool<typeof PAINTING> | undefined;

/** Tiles are painted by workers of the worker that lays them, so that none of them waits for the page. */
function paintAway({ number, hem, choice }: SceneSeen, place: TilePlace): Job<ImageBitmap> {
  painters ??= new Pool(
    () => new Worker(new URL('./paint.worker.ts', import.meta.url), { type: 'module' }),
    size(),
  );
  return painters.ask('paintTile', [number, hem, choice, place]);
}

export class TileSheet {
  private readonly context: OffscreenCanvasRenderingContext2D;
  private readonly tiles: Tiles;
  private painted: Painted | null = null;
  private at: SeenAt | null = null;
  private frame = 0;

  constructor(
    canvas: OffscreenCanvas,
    private readonly fault: Remote<((error: unknown) => void) & ProxyMarked>,
    private readonly paint: (scene: SceneSeen, place: TilePlace) => Job<ImageBitmap> = paintAway,
  ) {
    this.context = context2d(canvas);
    this.tiles = new Tiles((error) => void fault(error));
    this.tiles.watch(() => this.layNext());
  }

  /** @param scene null for the one that is shown */
  show(scene: SceneSeen | null, at: SeenAt): void {
    this.at = at;
    if (scene) {
      const { mirrored, afar } = scene;
      this.painted = { mirrored, afar, tile: (place) => this.paint(scene, place) };
    }
    this.layNext();
  }

  end(): void {
    cancelAnimationFrame(this.frame);
    this.tiles.end();
    this.fault[releaseProxy]();
  }

  private layNext(): void {
    this.frame ||= requestAnimationFrame(() => {
      this.frame = 0;
      const { view, width, height } = held(this.at, 'it is laid before it is moved');
      const { canvas } = this.context;
      // Setting a size clears the canvas, even when it stays the same.
      if (canvas.width !== width) canvas.width = width;
      if (canvas.height !== height) canvas.height = height;
      this.tiles.draw(this.context, held(this.painted, 'it was painted before'), view);
    });
  }
}

export const SHEETS = {
  /** @param fault hears of what cannot be painted */
  open: (
    canvas: OffscreenCanvas,
    fault: Remote<((error: unknown) => void) & ProxyMarked>,
  ): TileSheet & ProxyMarked => proxy(new TileSheet(canvas, fault)),
};
