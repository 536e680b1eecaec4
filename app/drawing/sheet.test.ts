/** @jest-environment jsdom */
import { MessageChannel } from 'node:worker_threads';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { releaseProxy, type ProxyMarked, type Remote } from 'comlink';
import { StandInWorker, endWorkers } from '../testing/worker.ts';
import type { Place } from '../../drawing/tile.ts';
import { Sheet, type SceneSeen, type SeenAt, type SheetPage } from './sheet.ts';
import { SheetCanvas, type SceneAway } from './sheetPage.ts';

const at = (x: number, width = 800): SeenAt => ({ view: { x, y: 0, scale: 4 }, width, height: 600 });
const AFAR: readonly Place[] = [{ level: -4, column: 0, row: 0 }];
const scene = (number: number): SceneSeen => ({ number, mirrored: false, afar: AFAR });
const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 5));

afterEach(endWorkers);

describe('a sheet', () => {
  let frames: (() => void)[];
  let cleared: number;
  let laid: unknown[];
  let asked: { scene: number; place: Place; come: (image: unknown) => void; fail: () => void }[];
  let told: unknown[];

  beforeEach(() => {
    [frames, cleared, laid, asked, told] = [[], 0, [], [], []];
    Object.assign(globalThis, {
      requestAnimationFrame: (frame: () => void) => frames.push(frame),
      cancelAnimationFrame: (id: number) => (frames[id - 1] = () => undefined),
    });
    Object.assign(performance, { measure: () => undefined });
  });

  const frame = (): void => frames.splice(0).forEach((go) => go());

  function opened() {
    const canvas = { width: 0, height: 0 };
    const nothing = (): void => undefined;
    const context = new Proxy(
      { canvas, clearRect: () => cleared++, drawImage: (image: unknown) => laid.push(image) },
      { get: (has, key) => has[key as keyof typeof has] ?? nothing },
    );
    const page: SheetPage = {
      tile: (number, place) =>
        new Promise((resolve, reject) => {
          const come = resolve as (image: unknown) => void;
          asked.push({ scene: number, place, come, fail: () => reject(new Error('no canvas')) });
        }),
      cancel: (number, place) => told.push(['cancel', number, place]),
      fault: (error) => told.push(String(error)),
    };
    const remote = Object.assign(page, { [releaseProxy]: () => told.push('released') });
    const sheet = new Sheet(
      Object.assign(canvas, { getContext: () => context }) as unknown as OffscreenCanvas,
      remote as unknown as Remote<SheetPage & ProxyMarked>,
    );
    return { sheet, canvas };
  }

  test('is laid once a frame, in the latest view and size', () => {
    const { sheet, canvas } = opened();
    for (const x of [0, 10, 20]) sheet.show(scene(1), at(x, 700 + x));
    expect([frames.length, cleared]).toEqual([1, 0]);
    frame();
    expect([cleared, canvas.width, canvas.height]).toEqual([1, 720, 600]);
    expect(asked.every((a) => a.scene === 1)).toBe(true);
  });

  test('is laid again when a tile has come', async () => {
    const { sheet } = opened();
    sheet.show(scene(1), at(0));
    frame();
    const image = { close: () => undefined };
    asked[0]!.come(image);
    await settled();
    frame();
    expect(laid).toContain(image);
  });

  test('asks for tiles of the scene that is shown, and wants no others', () => {
    const { sheet } = opened();
    sheet.show(scene(1), at(0));
    frame();
    const before = asked.map((a) => a.place);
    sheet.show(scene(2), at(40));
    frame();
    expect(told).toEqual(before.map((place) => ['cancel', 1, place]));
    expect(asked.slice(before.length).map((a) => a.scene)).toContain(2);
  });

  test('tells the page what cannot be painted, and in the end lets it go', async () => {
    const { sheet } = opened();
    sheet.show(scene(1), at(0));
    frame();
    asked[0]!.fail();
    await settled();
    expect(told).toEqual(['Error: no canvas']);
    sheet.show(scene(1), at(9));
    sheet.end();
    expect(told).toContain('released');
    cleared = 0;
    frame();
    expect(cleared).toBe(0);
  });
});

describe('the canvas of a page', () => {
  let workers: StandInWorker[];
  beforeEach(() => {
    workers = [];
    Object.assign(globalThis, {
      MessageChannel,
      Worker: class extends StandInWorker {
        constructor(url: URL) {
          super(url);
          workers.push(this);
        }
      },
      requestAnimationFrame: (frame: () => void) => setTimeout(frame, 1),
      cancelAnimationFrame: clearTimeout,
    });
    Object.assign(HTMLCanvasElement.prototype, {
      transferControlToOffscreen: () => new MessageChannel().port1,
    });
  });

  // The next test has its own.
  afterEach(() => workers.at(-1)!.fail());

  /** A scene whose tiles come when they are told to. */
  function away(number: number) {
    const tiles: { cancelled: boolean; come: () => void }[] = [];
    const made: SceneAway = {
      ...scene(number),
      tile: () => {
        let come = (): void => undefined;
        const done = new Promise<ImageBitmap>((resolve) => {
          come = () => resolve(new MessageChannel().port1 as unknown as ImageBitmap);
        });
        const tile = { cancelled: false, come };
        tiles.push(tile);
        return { done, cancel: () => (tile.cancelled = true) };
      },
    };
    return { made, tiles };
  }

  const until = async (done: () => boolean): Promise<void> => {
    for (let k = 0; k < 400 && !done(); k++) await settled();
    expect(done()).toBe(true);
  };

  test('has what is seen painted, all of it, and in the end nothing more', async () => {
    const canvas = new SheetCanvas((error) => expect(error).toBeUndefined());
    const first = away(1);
    canvas.show(first.made, at(0));
    await until(() => first.tiles.length > 0);
    // Each that comes has another asked for.
    for (let k = 0; k < 6; k++) {
      const { length } = first.tiles;
      first.tiles[k]!.come();
      await until(() => first.tiles.length > length);
    }
    canvas.end();
    expect(first.tiles.filter((tile) => tile.cancelled).length).toBeGreaterThan(0);
  });

  test('paints the scene before the last to its end, and forgets it then', async () => {
    const canvas = new SheetCanvas((error) => expect(error).toBeUndefined());
    const [first, second] = [away(11), away(12)];
    canvas.show(first.made, at(0));
    await until(() => first.tiles.length === 3);
    canvas.show(second.made, at(0));
    // What has been begun for a view is put there before anything newer is begun.
    for (let k = 0; second.tiles.length === 0; k++) {
      await until(() => first.tiles.length > k || second.tiles.length > 0);
      first.tiles[k]?.come();
      await settled();
    }
    expect(first.tiles.length).toBeGreaterThan(3);
    canvas.end();
  });

  test('tells that its worker broke, and another has a fresh one', () => {
    const faults: string[] = [];
    const canvas = new SheetCanvas((error) => faults.push(String(error)));
    expect(workers).toHaveLength(1);
    workers[0]!.fail();
    expect(faults).toEqual(['Error: the worker failed']);
    new SheetCanvas(() => undefined).end();
    expect(workers).toHaveLength(2);
    canvas.end();
    workers[0]!.fail();
    expect(faults).toHaveLength(1);
  });
});
