import { beforeEach, describe, expect, test } from '@jest/globals';
import { demoPlan } from '../../demo/read.ts';
import type { View } from '../../drawing/paint.ts';
import { sceneOf } from '../../drawing/scene.ts';
import { EDGE, wholePiece, type TilePlace } from '../../drawing/tile.ts';
import { Tiles, type Painted } from './tiles.ts';

/** A page that notes which images lie on it. */
class Page {
  readonly canvas = { width: 800, height: 600 };
  images: unknown[] = [];
  scales: number[] = [];
  drawImage = (image: unknown): void => void this.images.push(image);
  setTransform = (a: number): void => void this.scales.push(a);
  clearRect = (): void => void (this.images = []);
  beginPath = (): void => undefined;
  resetTransform = (): void => undefined;
  save = (): void => undefined;
  restore = (): void => undefined;
  rect = (): void => undefined;
  clip = (): void => undefined;
  readonly context = this as unknown as CanvasRenderingContext2D;
}

class Image {
  closed = false;
  constructor(
    readonly of: Painted,
    readonly place: TilePlace,
  ) {}
  close(): void {
    this.closed = true;
  }
}

/** Whoever paints: what is asked for waits until it is told to paint. */
class Painter {
  waiting: { readonly image: Image; readonly resolve: (image: ImageBitmap) => void; cancelled: boolean }[] =
    [];
  images: Image[] = [];
  most = 0;

  painted(mirrored = false): Painted {
    const painted: Painted = {
      mirrored,
      afar: wholePiece(scene),
      tile: (place) => {
        const image = new Image(painted, place);
        this.images.push(image);
        let asked: (typeof this.waiting)[number];
        const done = new Promise<ImageBitmap>((resolve) => {
          asked = { image, resolve, cancelled: false };
          this.waiting.push(asked);
        });
        this.most = Math.max(this.most, this.waiting.length);
        return { done, cancel: () => void (asked.cancelled = true) };
      },
    };
    return painted;
  }

  /** Paints what was asked for first, wanted or not. */
  async paintOne(): Promise<void> {
    const { image, resolve } = this.waiting.shift()!;
    resolve(image as unknown as ImageBitmap);
    await Promise.resolve();
    await Promise.resolve();
  }

  async paintAll(): Promise<void> {
    while (this.waiting.length > 0) await this.paintOne();
  }
}

const made = demoPlan('');
const scene = sceneOf(made, { face: 'yarn', seen: 'right', round: null, ground: '#ffffff' });
const corner = scene.rounds[1]!.chart;
const view = (scale: number): View => ({ x: corner.headX[0]!, y: corner.headY[0]!, scale });
const unexpected = (error: unknown): void => {
  throw error as Error;
};

let painter: Painter;
let page: Page;
beforeEach(() => {
  painter = new Painter();
  page = new Page();
});

/** Draws again whenever a tile has come, until nothing more is asked for. */
async function drawWholly(tiles: Tiles, painted: Painted, at: View): Promise<void> {
  tiles.watch(() => void tiles.draw(page.context, painted, at));
  tiles.draw(page.context, painted, at);
  await painter.paintAll();
  expect(tiles.draw(page.context, painted, at)).toBe(true);
}

describe('tiles', () => {
  test('are asked for a few at a time, those in the middle first, and then only laid', async () => {
    const tiles = new Tiles(unexpected);
    const painted = painter.painted();
    await drawWholly(tiles, painted, view(4));
    expect(painter.most).toBe(3);
    expect(page.images.length).toBeGreaterThanOrEqual(6);
    const far = ({ place }: Image): number => {
      const size = EDGE / 2 ** (place.level / 2);
      return Math.hypot(
        (place.column + 0.5) * size - corner.headX[0]!,
        (place.row + 0.5) * size - corner.headY[0]!,
      );
    };
    const inView = painter.images.filter((image) => page.images.includes(image));
    expect(inView.map(far)).toEqual(inView.map(far).sort((a, b) => a - b));
    const { length } = painter.images;
    const laid = page.images;
    expect(tiles.draw(page.context, painted, view(4))).toBe(true);
    expect(page.images).toBe(laid);
    expect(painter.images).toHaveLength(length);
  });

  test('that are missing show the whole piece from afar, and tiles of another scale over it', async () => {
    const tiles = new Tiles(unexpected);
    const painted = painter.painted();
    await drawWholly(tiles, painted, view(4));
    const sharp = new Set(page.images);
    expect(tiles.draw(page.context, painted, view(6))).toBe(false);
    expect(page.images.length).toBeGreaterThan(4);
    expect(page.images.some((image) => sharp.has(image))).toBe(true);
    // So far off that nothing of the scale before is of use.
    expect(tiles.draw(page.context, painted, view(0.05))).toBe(false);
    const levels = page.images.map((image) => (image as Image).place.level);
    expect(new Set(levels).size).toBe(1);
    expect(page.images.some((image) => sharp.has(image))).toBe(false);
  });

  test('of another scene take the place of all that was there at once', async () => {
    const tiles = new Tiles(unexpected);
    await drawWholly(tiles, painter.painted(), view(4));
    const before = page.images;
    const then = painter.painted();
    tiles.watch(() => void tiles.draw(page.context, then, view(4)));
    expect(tiles.draw(page.context, then, view(4))).toBe(false);
    expect(before.every((image) => (image as Image).closed)).toBe(true);
    while (page.images === before) await painter.paintOne();
    expect(page.images).toHaveLength(before.length);
    expect(page.images.every((image) => (image as Image).of === then)).toBe(true);
  });

  test('that are begun for a view are put on the page before newer ones are begun', async () => {
    const tiles = new Tiles(unexpected);
    await drawWholly(tiles, painter.painted(), view(4));
    const before = page.images;
    let newest = painter.painted();
    const second = newest;
    const draw = (): void => void tiles.draw(page.context, newest, view(4));
    tiles.watch(draw);
    draw();
    await painter.paintOne();
    newest = painter.painted();
    draw();
    while (page.images === before) await painter.paintOne();
    expect(page.images.every((image) => (image as Image).of === second)).toBe(true);
    await painter.paintAll();
    expect(page.images.every((image) => (image as Image).of === newest)).toBe(true);
  });

  test('of a scene that is looked at elsewhere meanwhile are not waited for, and closed when they come', async () => {
    const tiles = new Tiles(unexpected);
    tiles.draw(page.context, painter.painted(), view(4));
    const [old] = painter.waiting;
    expect(tiles.draw(page.context, painter.painted(), view(3))).toBe(false);
    expect(old!.cancelled).toBe(true);
    await painter.paintAll();
    expect(old!.image.closed).toBe(true);
  });

  test('are no more than memory bears, however far one goes', async () => {
    const tiles = new Tiles(unexpected);
    const painted = painter.painted();
    for (let k = 0; k < 40; k++) await drawWholly(tiles, painted, { ...view(4), x: k * 900, y: 0 });
    const megabytes = (tiles: number): number => (tiles * EDGE ** 2 * 4) / 1e6;
    expect(megabytes(painter.images.length)).toBeGreaterThan(80);
    expect(megabytes(painter.images.filter(({ closed }) => !closed).length)).toBeLessThan(70);
    tiles.end();
    expect(painter.images.every(({ closed }) => closed)).toBe(true);
  });

  test('of a mirrored scene are the same, laid mirrored', async () => {
    const tiles = new Tiles(unexpected);
    await drawWholly(tiles, painter.painted(true), view(4));
    expect(Math.max(...page.scales)).toBeLessThan(0);
  });

  test('that cannot be painted are told of', async () => {
    const faults: unknown[] = [];
    const tiles = new Tiles((fault) => faults.push(fault));
    const broken = {
      mirrored: false,
      afar: [],
      tile: () => ({ done: Promise.reject(new Error('no canvas')), cancel: () => undefined }),
    };
    tiles.draw(page.context, broken, view(4));
    await new Promise((resolve) => setTimeout(resolve));
    expect(String(faults[0])).toContain('no canvas');
  });
});
