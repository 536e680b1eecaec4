/** @jest-environment jsdom */
import { MessagePort as Port } from 'node:worker_threads';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { releaseProxy } from 'comlink';
import { StandInChannel, StandInWorker, endWorkers } from '../testing/worker.ts';
import { demoPlan } from '../../demo/read.ts';
import { sceneOf, type SceneChoice } from '../../drawing/scene.ts';
import type { TilePlace } from '../../drawing/tile.ts';
import { TileSheet, type SceneSeen, type SeenAt } from './sheet.ts';
import { SheetCanvas, sceneAway } from './sheetPage.ts';

const at = (x: number, width = 800): SeenAt => ({ view: { x, y: 0, scale: 4 }, width, height: 600 });
const AFAR: readonly TilePlace[] = [{ level: -4, column: 0, row: 0 }];
const made = demoPlan('');
const choice: SceneChoice = { face: 'yarn', seen: 'right', round: null, ground: '#ffffff' };
const scene = (number: number): SceneSeen => ({ number, hem: made.hem, choice, mirrored: false, afar: AFAR });
const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 5));

const post = Port.prototype.postMessage;

afterEach(endWorkers);

describe('a sheet', () => {
  let frames: (() => void)[];
  let cleared: number;
  let laid: unknown[];
  let asked: { scene: number; place: TilePlace; come: (image: unknown) => void; fail: () => void }[];
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
    const fault = (error: unknown): unknown => told.push(String(error));
    const sheet = new TileSheet(
      Object.assign(canvas, { getContext: () => context }) as unknown as OffscreenCanvas,
      Object.assign(fault, { [releaseProxy]: () => told.push('released') }),
      ({ number }, place) => {
        const cancel = (): unknown => told.push(['cancel', number, place]);
        const done = new Promise<ImageBitmap>((resolve, reject) => {
          const come = resolve as (image: unknown) => void;
          asked.push({ scene: number, place, come, fail: () => reject(new Error('no canvas')) });
        });
        return { done, cancel };
      },
    );
    return { sheet, canvas };
  }

  test('is laid once a frame, in the latest view and size', () => {
    const { sheet, canvas } = opened();
    sheet.show(scene(1), at(0, 700));
    for (const x of [10, 20]) sheet.show(null, at(x, 700 + x));
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
  let sheets: StandInWorker[];
  let painters: StandInWorker[];
  beforeEach(() => {
    [sheets, painters] = [[], []];
    Object.assign(globalThis, {
      MessageChannel: StandInChannel,
      Worker: class extends StandInWorker {
        constructor(url: URL) {
          super(url);
          (url.pathname.endsWith('/sheet.worker.ts') ? sheets : painters).push(this);
        }
      },
      requestAnimationFrame: (frame: () => void) => setTimeout(frame, 1),
      cancelAnimationFrame: clearTimeout,
    });
    Object.assign(HTMLCanvasElement.prototype, {
      transferControlToOffscreen: () => new StandInChannel().port1,
    });
  });

  // The next test has its own.
  afterEach(() => sheets.at(-1)!.fail());

  test('has what is seen painted: tiles come until all are there, and no fault', async () => {
    const faults: unknown[] = [];
    const canvas = new SheetCanvas((error) => faults.push(error));
    const seen = sceneAway(made.hem, choice, sceneOf(made, choice));
    const answered: unknown[] = [];
    // The painters are started by the worker that lays.
    canvas.show(seen, at(0));
    await until(() => painters.length > 0);
    for (const painter of painters) {
      painter.addEventListener('message', () => answered.push('a tile'));
    }
    await until(() => answered.length >= 6);
    canvas.show(seen, at(60));
    canvas.end();
    expect(faults).toEqual([]);
  });

  test('sends a scene once, however often its view changes', async () => {
    const canvas = new SheetCanvas((error) => expect(error).toBeUndefined());
    await settled();
    const sent: string[] = [];
    const spy = jest.spyOn(Port.prototype, 'postMessage').mockImplementation(function (
      this: unknown,
      ...args: unknown[]
    ) {
      sent.push(JSON.stringify(args[0]));
      post.apply(this as never, args as never);
    } as typeof post);
    const seen = sceneAway(made.hem, choice, sceneOf(made, choice));
    for (const x of [0, 10, 20]) canvas.show(seen, at(x));
    await settled();
    spy.mockRestore();
    const shows = sent.filter((text) => text.includes('"show"'));
    expect(shows).toHaveLength(3);
    expect(shows.filter((text) => text.includes(made.hem.name))).toHaveLength(1);
    canvas.end();
  });

  test('tells that its worker broke, and another has a fresh one', () => {
    const faults: string[] = [];
    const canvas = new SheetCanvas((error) => faults.push(String(error)));
    expect(sheets).toHaveLength(1);
    sheets[0]!.fail();
    expect(faults).toEqual(['Error: the worker failed']);
    new SheetCanvas(() => undefined).end();
    expect(sheets).toHaveLength(2);
    canvas.end();
    sheets[0]!.fail();
    expect(faults).toHaveLength(1);
  });
});

const until = async (done: () => boolean): Promise<void> => {
  for (let k = 0; k < 400 && !done(); k++) await settled();
  expect(done()).toBe(true);
};
