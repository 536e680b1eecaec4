/**
 * A canvas laid with tiles. One that the page has handed over is laid away from it: however long that takes, the page goes on.
 *
 * State: the tiles, and the scene and view that are to be seen. Invariant: a frame is laid at a time, always of the latest view.
 */
import { held } from '../../core/held.ts';
import { context2d } from '../../drawing/context2d.ts';
import { proxy, releaseProxy, type ProxyMarked, type Remote } from 'comlink';
import type { Context, View } from '../../drawing/paint.ts';
import { Pool, size, type Job } from '../workers/pool.ts';
import type { PAINTING, SceneNumbered } from './painting.ts';
import { Tiles, type Painted } from './tiles.ts';
import type { TilePlace } from '../../drawing/tile.ts';

export interface SceneSeen extends SceneNumbered, Pick<Painted, 'mirrored' | 'afar'> {}

/** Hears of what cannot be painted; one of the page is let go in the end. */
type Fault = ((error: unknown) => unknown) & { readonly [releaseProxy]?: () => void };

/** How it is seen, on a canvas of so many device pixels. */
export interface SeenAt {
  readonly view: View;
  readonly width: number;
  readonly height: number;
}

let painters: Pool<typeof PAINTING> | undefined;

/** Tiles are painted by workers of the worker that lays them, so that none of them waits for the page. */
function paintAway(scene: SceneNumbered, place: TilePlace): Job<ImageBitmap> {
  painters ??= new Pool(
    () => new Worker(new URL('./paint.worker.ts', import.meta.url), { type: 'module' }),
    size(),
  );
  return painters.ask('paintTile', [{ number: scene.number, hem: scene.hem, choice: scene.choice }, place]);
}

export class TileSheet {
  private readonly context: Context;
  private readonly tiles: Tiles;
  private painted: Painted | null = null;
  private at: SeenAt | null = null;
  private frame = 0;

  constructor(
    canvas: HTMLCanvasElement | OffscreenCanvas,
    private readonly fault: Fault,
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
    this.fault[releaseProxy]?.();
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
