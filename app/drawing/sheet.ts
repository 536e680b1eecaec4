/**
 * A canvas that the page has handed over, laid with tiles away from it: however long that takes, the page goes on.
 *
 * State: the tiles, and the scene and view that are to be seen. Invariant: a frame is laid at a time, always of the latest view.
 */
import { proxy, releaseProxy, type ProxyMarked, type Remote } from 'comlink';
import type { View } from '../../drawing/paint.ts';
import type { Place } from '../../drawing/tile.ts';
import { Tiles, type Painted } from './tiles.ts';

/** What the page does for a sheet. */
export interface SheetPage {
  /** Has a tile of a scene painted, by the number that the page has given the scene. */
  readonly tile: (scene: number, place: Place) => Promise<ImageBitmap>;
  /** A tile is wanted no more. */
  readonly cancel: (scene: number, place: Place) => void;
  readonly fault: (error: unknown) => void;
}

/** A scene as far as its tiles need to know it. */
export interface SceneSeen extends Pick<Painted, 'mirrored' | 'afar'> {
  readonly number: number;
}

/** How it is seen, on a canvas of so many device pixels. */
export interface SeenAt {
  readonly view: View;
  readonly width: number;
  readonly height: number;
}

export class Sheet {
  private readonly context: OffscreenCanvasRenderingContext2D;
  private readonly tiles: Tiles;
  private number = 0;
  private painted: Painted | null = null;
  private seen: SeenAt | null = null;
  private frame = 0;

  constructor(
    canvas: OffscreenCanvas,
    private readonly page: Remote<SheetPage & ProxyMarked>,
  ) {
    this.context = canvas.getContext('2d')!;
    this.tiles = new Tiles((error) => void page.fault(error));
    this.tiles.watch(() => this.layNext());
  }

  show({ number, mirrored, afar }: SceneSeen, seen: SeenAt): void {
    this.seen = seen;
    if (number !== this.number) {
      this.number = number;
      this.painted = {
        mirrored,
        afar,
        tile: (place) => ({
          done: this.page.tile(number, place),
          cancel: () => void this.page.cancel(number, place),
        }),
      };
    }
    this.layNext();
  }

  end(): void {
    cancelAnimationFrame(this.frame);
    this.tiles.end();
    this.page[releaseProxy]();
  }

  private layNext(): void {
    this.frame ||= requestAnimationFrame(() => {
      this.frame = 0;
      const { view, width, height } = this.seen!;
      const { canvas } = this.context;
      // Setting a size clears the canvas, even when it stays the same.
      if (canvas.width !== width) canvas.width = width;
      if (canvas.height !== height) canvas.height = height;
      this.tiles.draw(this.context, this.painted!, view);
    });
  }
}

export const SHEETS = {
  open: (canvas: OffscreenCanvas, page: Remote<SheetPage & ProxyMarked>): Sheet & ProxyMarked =>
    proxy(new Sheet(canvas, page)),
};
