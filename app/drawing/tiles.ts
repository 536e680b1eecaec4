/**
 * Keeps a drawing fluent however many stitches it has: it is painted in square tiles, away from the page, and the tiles
 * are kept. Until a tile is there its place shows tiles of another scale, over the whole piece from afar. When the
 * scene changes and the view stays, what is on the page stays there until all of the new scene is painted, so that a
 * change is put on the page once; and what has been begun for a view is put there before anything newer is begun, so
 * that a long drag is seen to go on.
 *
 * State: the scene, its tiles by scale and place, the latest used last, those that are asked for, and what the page
 * shows. Invariant: never more than `AT_ONCE` tiles are asked for. Cost of a frame: the tiles in view.
 */
import { held } from '../../core/held.ts';
import type { Context, View } from '../../drawing/paint.ts';
import { EDGE, levelFor, placesIn, scaleOf, type TilePlace } from '../../drawing/tile.ts';
import type { Job } from '../workers/pool.ts';

/** Scales further apart than this, in half octaves, are of no use for each other. */
const FAR = 5;
/** Tiles kept: 256² × 4 bytes × 240 is 63 MB. */
const KEPT = 240;
/** So that a tile that comes into view does not wait for many that have left it. */
const AT_ONCE = 3;
/** The name under which the browser’s own measure of time tells how long a place was shown blurred. */
const BLURRED = 'blurred tile';

/** A scene, and who paints a tile of it. */
export interface Painted {
  readonly mirrored: boolean;
  /** The tiles that show all of it, small. */
  readonly afar: readonly TilePlace[];
  readonly tile: (place: TilePlace) => Job<ImageBitmap>;
}

interface Tile extends TilePlace {
  readonly image: ImageBitmap;
}

const keyOf = ({ level, column, row }: TilePlace): string => `${level} ${column} ${row}`;

export class Tiles {
  private onTile: () => void = () => undefined;
  private painted: Painted | null = null;
  private readonly kept = new Map<string, Tile>();
  private readonly asked = new Map<string, Job<ImageBitmap>>();
  /** Next tiles to ask for. */
  private wantedPlaces: readonly TilePlace[] = [];
  /** Since when the places in view that are missing have been, in the time of `now`. */
  private missing = new Map<string, number>();
  /** The view that was drawn last, and whether the page shows all of the scene in it. */
  private wanted = '';
  private complete = false;
  /** The view that the page shows wholly, of this scene or of the one before it; empty when it shows a part only. */
  private shown = '';

  constructor(
    private readonly onFault: (error: unknown) => void,
    private readonly now: () => number = () => performance.now(),
  ) {}

  /**
   * Draws what there is of a scene, and asks for what is missing.
   *
   * @returns whether all of it is drawn; if not, who watches is told when there is more
   */
  draw(context: Context, painted: Painted, view: View): boolean {
    const { width, height } = context.canvas;
    const asked = [view.x, view.y, view.scale, width, height, painted.mirrored].join(' ');
    if (painted === this.painted && asked === this.wanted && this.complete) {
      this.ask(painted.afar);
      return true;
    }
    if (painted !== this.painted && this.painted && asked === this.wanted && !this.complete) {
      this.complete = this.put(context, this.painted, view, asked);
      if (!this.complete) return false;
    }
    if (painted !== this.painted) this.begin(painted);
    this.wanted = asked;
    this.complete = this.put(context, painted, view, asked);
    return this.complete;
  }

  /** Who is told when a tile has come, to draw again. */
  watch(onTile: () => void): void {
    this.onTile = onTile;
  }

  /** Forgets all that is kept. */
  end(): void {
    for (const job of this.asked.values()) job.cancel();
    this.asked.clear();
    for (const { image } of this.kept.values()) image.close();
    this.kept.clear();
    this.missing.clear();
    this.wantedPlaces = [];
    this.painted = null;
  }

  private begin(painted: Painted): void {
    this.end();
    this.painted = painted;
  }

  private put(context: Context, painted: Painted, view: View, asked: string): boolean {
    const { width, height } = context.canvas;
    const level = levelFor(view.scale);
    const needed = placesIn(view, width, height, level);
    const missing = needed.filter((place) => !this.kept.has(keyOf(place)));
    this.ask(missing.length > 0 ? missing : painted.afar);
    if (missing.length > 0 && asked === this.shown) return false;
    this.noteMissing(missing);
    this.shown = missing.length > 0 ? '' : asked;
    context.resetTransform();
    context.clearRect(0, 0, width, height);
    if (missing.length > 0) this.layUnder(context, painted, view, level, missing);
    for (const place of needed) {
      const tile = this.kept.get(keyOf(place));
      if (!tile) continue;
      this.lay(context, tile, view, painted.mirrored);
      this.kept.delete(keyOf(tile));
      this.kept.set(keyOf(tile), tile);
    }
    for (const [key, { image }] of this.kept) {
      if (this.kept.size <= KEPT) break;
      image.close();
      this.kept.delete(key);
    }
    return missing.length === 0;
  }

  /** Asks for the first of the places that are neither there nor asked for yet, and for more of them as they come. */
  private ask(places: readonly TilePlace[]): void {
    this.wantedPlaces = places;
    for (const place of places) {
      const key = keyOf(place);
      if (this.asked.size >= AT_ONCE) return;
      if (this.kept.has(key) || this.asked.has(key)) continue;
      const job = held(this.painted, 'it was painted before').tile(place);
      this.asked.set(key, job);
      job.done.then(
        (image) => {
          if (this.asked.get(key) !== job) {
            image.close();
            return;
          }
          this.asked.delete(key);
          this.kept.set(key, { ...place, image });
          this.ask(this.wantedPlaces);
          this.onTile();
        },
        (error: unknown) => {
          if (this.asked.get(key) === job) this.onFault(error);
        },
      );
    }
  }

  private noteMissing(places: readonly TilePlace[]): void {
    const end = this.now();
    const still = new Map(places.map((p) => [keyOf(p), this.missing.get(keyOf(p)) ?? end]));
    for (const [key, start] of this.missing) {
      if (this.kept.has(key)) performance.measure(BLURRED, { start, end });
    }
    this.missing = still;
  }

  /** Stand-ins for tiles that are missing: those of the nearest scale, over the whole piece from afar. */
  private layUnder(
    context: Context,
    { mirrored, afar: small }: Painted,
    view: View,
    level: number,
    missing: readonly TilePlace[],
  ): void {
    const { width, height } = context.canvas;
    const nearest = [...new Set([...this.kept.values()].map((tile) => tile.level))]
      .filter((l) => l !== level)
      .sort((a, b) => Math.abs(a - level) - Math.abs(b - level))[0];
    const under =
      nearest === undefined || Math.abs(nearest - level) > FAR
        ? []
        : placesIn(view, width, height, nearest).map((place) => this.kept.get(keyOf(place)));
    // Only where something is missing.
    context.save();
    context.beginPath();
    for (const place of missing) {
      const { left, top, right, bottom } = boundsOf(place, view, mirrored, width, height);
      context.rect(Math.min(left, right), top, Math.abs(right - left), bottom - top);
    }
    context.clip();
    const afar =
      under.length === 0 || under.includes(undefined) ? small.map((p) => this.kept.get(keyOf(p))) : [];
    for (const tile of [...afar, ...under]) if (tile) this.lay(context, tile, view, mirrored);
    context.restore();
  }

  private lay(context: Context, tile: Tile, view: View, mirrored: boolean): void {
    const { width, height } = context.canvas;
    const { left, right, top, bottom } = boundsOf(tile, view, mirrored, width, height);
    if (Math.max(left, right) < 0 || Math.min(left, right) > width || bottom < 0 || top > height) return;
    context.setTransform((right - left) / EDGE, 0, 0, (bottom - top) / EDGE, left, top);
    context.drawImage(tile.image, 0, 0);
  }
}

/** Where a tile comes to lie, in whole pixels, so that no seam shows between neighbours; right of a mirrored one is left. */
function boundsOf(place: TilePlace, view: View, mirrored: boolean, width: number, height: number) {
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
