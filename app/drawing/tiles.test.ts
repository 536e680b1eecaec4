import { beforeAll, describe, expect, test } from '@jest/globals';
import { demoPlans } from '../../demo/read.ts';
import type { View } from './paint.ts';
import { Pace } from './pace.ts';
import { sceneOf, type Scene } from '../../drawing/scene.ts';
import { Tiles } from './tiles.ts';

/** A canvas that counts what is painted onto it. */
class CountingContext {
  strokes = 0;
  images: unknown[] = [];
  scales: number[] = [];
  constructor(readonly canvas: { readonly width: number; readonly height: number }) {}
  stroke = (): void => void this.strokes++;
  drawImage = (image: unknown): void => void this.images.push(image);
  setTransform = (a: number): void => void this.scales.push(a);
  fill = (): void => undefined;
  beginPath = (): void => undefined;
  resetTransform = (): void => undefined;
  save = (): void => undefined;
  restore = (): void => undefined;
  rect = (): void => undefined;
  clip = (): void => undefined;
  clearRect = (): void => void (this.images = []);
}

class Canvas {
  width = 0;
  height = 0;
  private readonly context = new CountingContext(this);
  getContext = (): CountingContext => this.context;
}

beforeAll(() => {
  const nothing = (): void => undefined;
  Object.assign(globalThis, {
    document: { createElement: () => new Canvas() },
    Path2D: class {
      moveTo = nothing;
      lineTo = nothing;
      arc = nothing;
      closePath = nothing;
    },
  });
});

const [, made] = demoPlans()[0]!;
const scene = (): Scene => sceneOf(made, { face: 'yarn', seen: 'right', round: null, ground: '#ffffff' });
const corner = scene().rounds[1]!.chart;
const view = (scale: number): View => ({ x: corner.headX[0]!, y: corner.headY[0]!, scale });
const page = () => new CountingContext({ width: 800, height: 600 });
const asContext = (c: CountingContext): CanvasRenderingContext2D => c as unknown as CanvasRenderingContext2D;

/** A clock that goes on by a millisecond whenever it is looked at. */
function clock(): () => number {
  let time = 0;
  return () => time++;
}

describe('tiles', () => {
  test('are painted over as many frames as it takes, and then only laid', () => {
    const tiles = new Tiles();
    const now = clock();
    const s = scene();
    let frames = 0;
    let context = page();
    for (let done = false; !done; frames++) {
      context = page();
      done = tiles.draw(asContext(context), s, view(4), now() + 12, now);
      expect(frames).toBeLessThan(2000);
    }
    expect(frames).toBeGreaterThan(3);
    // Only tiles are laid onto the page itself: no stitch is painted there.
    expect(context.strokes).toBe(0);
    const laid = context.images.length;
    expect(laid).toBeGreaterThanOrEqual(6);
    const again = page();
    expect(tiles.draw(asContext(again), s, view(4), now(), now)).toBe(true);
    expect(again.images).toEqual(context.images);
  });

  test('a frame without time shows the coarse piece, and tiles of another scale over it', () => {
    const tiles = new Tiles();
    const now = clock();
    const s = scene();
    while (!tiles.draw(asContext(page()), s, view(4), now() + 500, now));
    const zoomed = page();
    expect(tiles.draw(asContext(zoomed), s, view(6), now() - 1, now)).toBe(false);
    expect(zoomed.images.length).toBeGreaterThan(4);
    const first = page();
    expect(new Tiles().draw(asContext(first), s, view(4), now() - 1, now)).toBe(false);
    expect(first.images).toHaveLength(1);
  });

  test('another scene starts anew', () => {
    const tiles = new Tiles();
    const now = clock();
    const context = page();
    const first = scene();
    while (!tiles.draw(asContext(context), first, view(4), now() + 100_000, now));
    const before = context.images;
    const then = scene();
    // What was there stays on the page until all of the other is painted: it is put there once.
    expect(tiles.draw(asContext(context), then, view(4), now() - 1, now)).toBe(false);
    expect(context.images).toBe(before);
    while (!tiles.draw(asContext(context), then, view(4), now() + 100_000, now));
    expect(context.images).toHaveLength(before.length);
    expect(context.images.some((image) => before.includes(image))).toBe(false);
    // Looked at elsewhere meanwhile, it shows what there is.
    expect(tiles.draw(asContext(context), scene(), view(3), now() - 1, now)).toBe(false);
    expect(context.images).toHaveLength(1);
  });

  test('a mirrored scene lays the same tiles mirrored', () => {
    const tiles = new Tiles();
    const now = clock();
    const mirrored = { ...scene(), mirrored: true };
    const context = page();
    while (!tiles.draw(asContext(context), mirrored, view(4), now() + 100_000, now))
      context.scales.length = 0;
    expect(Math.max(...context.scales)).toBeLessThan(0);
  });
});

describe('the share of a frame', () => {
  test('is large once for something new, then shrinks when frames come late and grows when they come in time', () => {
    const pace = new Pace();
    const s = scene();
    expect(pace.shareAt(0, s)).toBeGreaterThan(20);
    const usual = pace.shareAt(16, s);
    const late = [60, 110, 160].map((t) => pace.shareAt(t, s));
    expect(late[0]!).toBeLessThan(usual);
    expect(late[2]!).toBeLessThan(late[1]!);
    const calm = [176, 192, 208].map((t) => pace.shareAt(t, s));
    expect(calm[2]!).toBeGreaterThan(calm[0]!);
    expect(pace.shareAt(224, scene())).toBeGreaterThan(20);
  });

  test('is never nothing, so that a drawing is always finished', () => {
    const pace = new Pace();
    const s = scene();
    let share = 0;
    for (let t = 0; t < 5000; t += 100) share = pace.shareAt(t, s);
    expect(share).toBeGreaterThan(0.1);
  });
});
