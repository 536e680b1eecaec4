/** The page’s side of a sheet: the canvas that is shown. */
import { proxy, releaseProxy, transfer, wrap, type Remote } from 'comlink';
import type { Hem } from '../../core/document/hem.ts';
import type { Scene, SceneChoice } from '../../drawing/scene.ts';
import { wholePiece } from '../../drawing/tile.ts';
import { paintsAway } from '../workers/picture.ts';
import type { SHEETS, SceneSeen, SeenAt } from './sheet.ts';

let scenes = 0;

/** A scene to be painted away from the page, from the hem itself. */
export const sceneAway = (hem: Hem, choice: SceneChoice, scene: Scene): SceneSeen => ({
  number: ++scenes,
  hem,
  choice,
  mirrored: scene.mirrored,
  afar: wholePiece(scene),
});

interface Laying {
  readonly worker: Worker;
  readonly remote: Remote<typeof SHEETS>;
}

/** Layer of tiles on the canvas, in a worker or here. */
interface Sheet {
  readonly show: (scene: SceneSeen | null, at: SeenAt) => unknown;
  readonly end: () => unknown;
  readonly [releaseProxy]?: () => void;
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

export class SheetCanvas {
  readonly element = document.createElement('canvas');
  private readonly sheet: Promise<Sheet>;
  private readonly ended = new AbortController();
  private shown: SceneSeen | null = null;

  constructor(onFault: (error: unknown) => void) {
    this.sheet = paintsAway()
      ? this.openAway(onFault)
      : import('./sheetHere.ts').then(({ sheetHere }) => sheetHere(this.element, onFault));
    this.sheet.catch(onFault);
  }

  show(scene: SceneSeen, at: SeenAt): void {
    const another = scene === this.shown ? null : scene;
    this.shown = scene;
    this.do((sheet) => sheet.show(another, at));
  }

  end(): void {
    this.ended.abort();
    this.do(async (sheet) => {
      await sheet.end();
      sheet[releaseProxy]?.();
    });
  }

  private openAway(onFault: (error: unknown) => void): Promise<Sheet> {
    const { worker, remote } = laying();
    const failed = (): void => onFault(new Error('the worker failed'));
    worker.addEventListener('error', failed, { signal: this.ended.signal });
    const canvas = this.element.transferControlToOffscreen();
    return remote.open(transfer(canvas, [canvas]), proxy(onFault));
  }

  private do(work: (sheet: Sheet) => unknown): void {
    // What hinders it has been told where it was opened.
    this.sheet.then(work).catch(() => undefined);
  }
}
