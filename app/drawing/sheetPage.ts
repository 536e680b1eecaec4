/**
 * The page’s side of a sheet: the canvas that is shown, and the tiles that the workers paint for it.
 *
 * State: the scenes that tiles may still be asked of, and the tiles that are being painted. Invariant: a tile that is
 * wanted no more is not waited for.
 */
import { proxy, releaseProxy, transfer, wrap, type Remote } from 'comlink';
import type { Hem } from '../../core/document/hem.ts';
import type { Scene, SceneChoice } from '../../drawing/scene.ts';
import { wholePiece, type Place } from '../../drawing/tile.ts';
import { workers, type Job } from '../workers/pool.ts';
import type { SHEETS, SceneSeen, SeenAt, SheetPage } from './sheet.ts';

/** A scene whose tiles workers paint, each from the hem itself. */
export interface SceneAway extends SceneSeen {
  readonly tile: (place: Place) => Job<ImageBitmap>;
}

let scenes = 0;

export function sceneAway(hem: Hem, choice: SceneChoice, scene: Scene): SceneAway {
  const number = ++scenes;
  return {
    number,
    mirrored: scene.mirrored,
    afar: wholePiece(scene),
    tile: (place) => workers().ask('paintTile', [number, hem, choice, place]),
  };
}

interface Laying {
  readonly worker: Worker;
  readonly remote: Remote<typeof SHEETS>;
}

let shared: Laying | null = null;

/** The worker that lays all sheets of this page, started when first asked. */
function laying(): Laying {
  if (!shared) {
    const worker = new Worker(new URL('./sheet.worker.ts', import.meta.url), { type: 'module' });
    // Whoever comes next finds a fresh one.
    worker.addEventListener('error', () => (shared = null));
    shared = { worker, remote: wrap<typeof SHEETS>(worker) };
  }
  return shared;
}

const keyOf = (scene: number, { level, column, row }: Place): string => `${scene} ${level} ${column} ${row}`;

export class SheetCanvas {
  readonly element = document.createElement('canvas');
  private readonly sheet: ReturnType<Remote<typeof SHEETS>['open']>;
  private readonly scenes = new Map<number, SceneAway>();
  private readonly painting = new Map<string, Job<ImageBitmap>>();
  private readonly ended = new AbortController();

  constructor(onFault: (error: unknown) => void) {
    const { worker, remote } = laying();
    const failed = (): void => onFault(new Error('the worker failed'));
    worker.addEventListener('error', failed, { signal: this.ended.signal });
    const page: SheetPage = {
      tile: (scene, place) => this.tile(scene, place),
      cancel: (scene, place) => this.cancel(keyOf(scene, place)),
      fault: onFault,
    };
    const canvas = this.element.transferControlToOffscreen();
    this.sheet = remote.open(transfer(canvas, [canvas]), proxy(page));
    this.sheet.catch(onFault);
  }

  show(scene: SceneAway, at: SeenAt): void {
    this.scenes.set(scene.number, scene);
    const { number, mirrored, afar } = scene;
    this.do((sheet) => sheet.show({ number, mirrored, afar }, at));
  }

  end(): void {
    this.ended.abort();
    for (const key of this.painting.keys()) this.cancel(key);
    this.do(async (sheet) => {
      await sheet.end();
      sheet[releaseProxy]();
    });
  }

  private do(work: (sheet: Awaited<typeof this.sheet>) => unknown): void {
    // What hinders it has been told where it was opened.
    this.sheet.then(work).catch(() => undefined);
  }

  private async tile(number: number, place: Place): Promise<ImageBitmap> {
    // Scenes come one after the other: none is asked for that came before.
    for (const earlier of this.scenes.keys()) if (earlier < number) this.scenes.delete(earlier);
    const key = keyOf(number, place);
    const job = this.scenes.get(number)!.tile(place);
    this.painting.set(key, job);
    const image = await job.done;
    this.painting.delete(key);
    return transfer(image, [image]);
  }

  private cancel(key: string): void {
    this.painting.get(key)?.cancel();
    this.painting.delete(key);
  }
}
