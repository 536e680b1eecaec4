/** For tests: a worker that works in this process, behind a channel that copies what is sent, as a real one's does. */
import { MessageChannel, type MessagePort } from 'node:worker_threads';
import { expose, transfer, type Endpoint } from 'comlink';
import { WORK } from '../workers/work.ts';

const open: MessagePort[] = [];

/** In place of a picture a port, which is handed over and closed like one. */
function nothingPainted(): MessagePort {
  const { port1 } = new MessageChannel();
  return transfer(port1, [port1 as unknown as Transferable]);
}

export class StandInWorker {
  onerror: (() => void) | null = null;
  private readonly here: MessagePort;

  constructor() {
    const { port1, port2 } = new MessageChannel();
    expose({ ...WORK, paintTile: nothingPainted }, port2 as unknown as Endpoint);
    // A test does not wait for them to end.
    port1.unref();
    port2.unref();
    open.push(port1);
    this.here = port1;
  }

  postMessage(message: unknown, transfer?: readonly []): void {
    this.here.postMessage(message, transfer);
  }
  addEventListener(...heard: readonly unknown[]): void {
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
  start(): void {
    this.here.start();
  }
  terminate(): void {
    this.here.close();
  }
}

/** Ends all of them. */
export const endWorkers = (): void => open.splice(0).forEach((port) => port.close());
