/**
 * Keeps a drawing fluent however many stitches it has: it is painted in square tiles, which are kept, and a frame
 * paints no longer than its share of time. Until a tile is there its place shows tiles of another scale, over a
 * coarse picture of the whole piece. When the scene changes and the view stays, what is on the page stays there until
 * all of the new scene is painted, so that a change is put on the page once.
 *
 * State: the tiles of one scene by scale and place, the latest used last, at most one that is being painted, and the
 * view that the page shows wholly. Invariant: a kept tile is wholly painted. Cost of a frame: the tiles in view, and the
 * share of time.
 */
import { boxOf, paintBands, painting, type View } from './paint.ts';
import type { Scene } from '../../drawing/scene.ts';

/** Edge of a tile, device pixels. */
const EDGE = 384;
/** Edge of the coarse picture, device pixels. */
const COARSE = 1024;
/** Scales further apart than this, in half octaves, are of no use for each other. */
const FAR = 5;
/** Tiles kept: 384² × 4 bytes × 110 is 65 MB. */
const KEPT = 110;

interface Place {
  /** Scale of the tile: 2^(level / 2) device pixels to the millimetre. */
  readonly level: number;
  readonly column: number;
  readonly row: number;
}

interface Tile extends Place {
  readonly canvas: HTMLCanvasElement;
}

const scaleOf = (level: number): number => 2 ** (level / 2);
const keyOf = ({ level, column, row }: Place): string => `${level} ${column} ${row}`;

export class Tiles {
  private scene: Scene | null = null;
  private readonly kept = new Map<string, Tile>();
  private coarse: { readonly canvas: HTMLCanvasElement; readonly scale: number } | null = null;
  private begun: (Tile & { readonly steps: Iterator<void, void> }) | null = null;
  /** What the page shows of this scene, or of the one before it; empty when it shows a part only. */
  private shown = '';

  /**
   * Draws a scene as far as it goes within the time.
   *
   * @param until when to stop, in the time of `now`, ms
   * @returns whether all of it is drawn; if not, draw again in the next frame
   */
  draw(
    context: CanvasRenderingContext2D,
    scene: Scene,
    view: View,
    until: number,
    now: () => number = () => performance.now(),
  ): boolean {
    if (scene !== this.scene) {
      this.scene = scene;
      this.kept.clear();
      this.coarse = null;
      this.begun = null;
    }
    const { width, height } = context.canvas;
    const asked = [view.x, view.y, view.scale, width, height, scene.mirrored].join(' ');
    const level = Math.ceil(2 * Math.log2(view.scale) - 1e-6);
    const needed = this.placesIn(view, width, height, level);
    const missing = needed.filter((place) => !this.kept.has(keyOf(place)));
    while (missing.length > 0) {
      const tile = this.paintSome(scene, missing[0]!, until, now);
      if (!tile) break;
      missing.shift();
    }
    if (missing.length > 0 && asked === this.shown) return false;
    this.shown = missing.length > 0 ? '' : asked;
    context.resetTransform();
    context.clearRect(0, 0, width, height);
    if (missing.length > 0) this.layUnder(context, scene, view, level, missing);
    for (const place of needed) {
      const tile = this.kept.get(keyOf(place));
      if (!tile) continue;
      this.lay(context, tile, view, scene.mirrored);
      this.kept.delete(keyOf(tile));
      this.kept.set(keyOf(tile), tile);
    }
    for (const key of this.kept.keys()) {
      if (this.kept.size <= KEPT) break;
      this.kept.delete(key);
    }
    return missing.length === 0;
  }

  /** What there is in the place of tiles that are missing: those of the nearest scale, over the coarse picture. */
  private layUnder(
    context: CanvasRenderingContext2D,
    scene: Scene,
    view: View,
    level: number,
    missing: readonly Place[],
  ): void {
    const { width, height } = context.canvas;
    const nearest = [...new Set([...this.kept.values()].map((tile) => tile.level))]
      .filter((l) => l !== level)
      .sort((a, b) => Math.abs(a - level) - Math.abs(b - level))[0];
    const under =
      nearest === undefined || Math.abs(nearest - level) > FAR
        ? []
        : this.placesIn(view, width, height, nearest).map((place) => this.kept.get(keyOf(place)));
    // Only where something is missing.
    context.save();
    context.beginPath();
    for (const place of missing) {
      const { left, top, right, bottom } = boundsOf(place, view, scene.mirrored, width, height);
      context.rect(Math.min(left, right), top, Math.abs(right - left), bottom - top);
    }
    context.clip();
    if (under.length === 0 || under.some((tile) => tile === undefined)) this.layCoarse(context, scene, view);
    for (const tile of under) if (tile) this.lay(context, tile, view, scene.mirrored);
    context.restore();
  }

  /** Tiles that a view needs, those nearest to its middle first. */
  private placesIn(view: View, width: number, height: number, level: number): readonly Place[] {
    const size = EDGE / scaleOf(level);
    const { minX, maxX, minY, maxY } = boxOf(view, width, height);
    const places: Place[] = [];
    for (let column = Math.floor(minX / size); column <= Math.floor(maxX / size); column++) {
      for (let row = Math.floor(minY / size); row <= Math.floor(maxY / size); row++) {
        places.push({ level, column, row });
      }
    }
    const far = ({ column, row }: Place): number =>
      Math.hypot((column + 0.5) * size - view.x, (row + 0.5) * size - view.y);
    return places.sort((a, b) => far(a) - far(b));
  }

  /** Goes on with a tile until the time is up; the tile, when it is done. */
  private paintSome(scene: Scene, place: Place, until: number, now: () => number): Tile | null {
    if (!this.begun || keyOf(this.begun) !== keyOf(place)) {
      const canvas = document.createElement('canvas');
      canvas.width = EDGE;
      canvas.height = EDGE;
      const scale = scaleOf(place.level);
      const middle = {
        x: ((place.column + 0.5) * EDGE) / scale,
        y: ((place.row + 0.5) * EDGE) / scale,
        scale,
      };
      const plain = { ...scene, mirrored: false };
      this.begun = { ...place, canvas, steps: painting(canvas.getContext('2d')!, plain, middle) };
    }
    const { steps, ...tile } = this.begun;
    while (now() < until) {
      if (!steps.next().done) continue;
      this.begun = null;
      this.kept.set(keyOf(tile), tile);
      return tile;
    }
    return null;
  }

  /** The whole piece as bands, painted once for a scene. */
  private layCoarse(context: CanvasRenderingContext2D, scene: Scene, view: View): void {
    if (!this.coarse) {
      const canvas = document.createElement('canvas');
      canvas.width = COARSE;
      canvas.height = COARSE;
      const { headX, headY } = scene.rounds[scene.rounds.length - 1]!.chart;
      let reach = 1;
      for (let i = 0; i < headX.length; i++)
        reach = Math.max(reach, Math.abs(headX[i]!), Math.abs(headY[i]!));
      const scale = (0.49 * COARSE) / reach;
      paintBands(canvas.getContext('2d')!, { ...scene, mirrored: false }, { x: 0, y: 0, scale });
      this.coarse = { canvas, scale };
    }
    const { canvas, scale } = this.coarse;
    const factor = view.scale / scale;
    const turn = scene.mirrored ? -1 : 1;
    const x = context.canvas.width / 2 - view.x * view.scale * turn;
    const y = context.canvas.height / 2 - view.y * view.scale;
    context.setTransform(factor * turn, 0, 0, factor, x, y);
    context.drawImage(canvas, -COARSE / 2, -COARSE / 2);
  }

  private lay(context: CanvasRenderingContext2D, tile: Tile, view: View, mirrored: boolean): void {
    const { width, height } = context.canvas;
    const { left, right, top, bottom } = boundsOf(tile, view, mirrored, width, height);
    if (Math.max(left, right) < 0 || Math.min(left, right) > width || bottom < 0 || top > height) return;
    context.setTransform((right - left) / EDGE, 0, 0, (bottom - top) / EDGE, left, top);
    context.drawImage(tile.canvas, 0, 0);
  }
}

/** Where a tile comes to lie, in whole pixels, so that no seam shows between neighbours; right of a mirrored one is left. */
function boundsOf(place: Place, view: View, mirrored: boolean, width: number, height: number) {
  const factor = view.scale / scaleOf(place.level);
  const turn = mirrored ? -1 : 1;
  const x = width / 2 + (place.column * EDGE * factor - view.x * view.scale) * turn;
  const y = height / 2 + place.row * EDGE * factor - view.y * view.scale;
  return {
    left: Math.round(x),
    right: Math.round(x + EDGE * factor * turn),
    top: Math.round(y),
    bottom: Math.round(y + EDGE * factor),
  };
}
