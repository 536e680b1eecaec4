/** For tests: a worker that works in this process, behind a channel that copies what is sent, as a real one's does. */
import { MessageChannel, type MessagePort } from 'node:worker_threads';
import { expose, transfer, type Endpoint } from 'comlink';
import { SHEETS } from '../drawing/sheet.ts';
import { WORK } from '../workers/work.ts';

const open: MessagePort[] = [];

/** A channel that is ended with the workers: what is asked back over it would keep the tests from ending. */
export class StandInChannel extends MessageChannel {
  constructor() {
    super();
    open.push(this.port1, this.port2);
  }
}

/** In place of a picture a port, which is handed over and closed like one. */
function nothingPainted(): MessagePort {
  const { port1 } = new MessageChannel();
  return transfer(port1, [port1 as unknown as Transferable]);
}

type Opened = Parameters<typeof SHEETS.open>;

/** Questions to the worker that a page has in this place. */
const workOf = (url?: URL): object =>
  url?.pathname.endsWith('/sheet.worker.ts')
    ? { open: (port: Opened[0], fault: Opened[1]) => SHEETS.open(blankCanvas(port), fault) }
    : url?.pathname.endsWith('/paint.worker.ts')
      ? { paintTile: nothingPainted }
      : WORK;

/** A canvas on which nothing is painted; what was handed over in its place is closed. */
function blankCanvas(port: Opened[0]): Opened[0] {
  (port as unknown as MessagePort).close();
  const canvas = { width: 0, height: 0 };
  const nothing = (): void => undefined;
  const context = new Proxy({}, { get: (_, key) => (key === 'canvas' ? canvas : nothing), set: () => true });
  return Object.assign(canvas, { getContext: () => context }) as unknown as OffscreenCanvas;
}

export class StandInWorker {
  onerror: (() => void) | null = null;
  /** Who hears that it broke. */
  private readonly broken = new EventTarget();
  private readonly here: MessagePort;

  constructor(url?: URL) {
    const { port1, port2 } = new MessageChannel();
    expose(workOf(url), port2 as unknown as Endpoint);
    // A test does not wait for them to end.
    port1.unref();
    port2.unref();
    open.push(port1);
    this.here = port1;
  }

  postMessage(message: unknown, transfer?: readonly []): void {
    this.here.postMessage(message, transfer);
  }
  addEventListener(...heard: readonly [string, () => void, { readonly signal: AbortSignal }?]): void {
    if (heard[0] === 'error') return this.broken.addEventListener('error', heard[1], heard[2]);
    (this.here as unknown as { addEventListener: (...h: readonly unknown[]) => void }).addEventListener(
      ...heard,
    );
    this.here.ref();
  }
  removeEventListener(...heard: readonly unknown[]): void {
    (this.here as unknown as { removeEventListener: (...h: readonly unknown[]) => void }).removeEventListener(
      ...heard,
    );
  }
  /** As one that cannot start, or breaks. */
  fail(): void {
    this.onerror?.();
    this.broken.dispatchEvent(new Event('error'));
  }
  start(): void {
    this.here.start();
  }
  terminate(): void {
    this.here.close();
  }
}

/** Ends all of them. */
export const endWorkers = (): void => open.splice(0).forEach((port) => port.close());
