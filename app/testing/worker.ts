/** For tests: a worker that works in this process, behind a channel that copies what is sent, as a real one's does. */
import { MessageChannel, type MessagePort } from 'node:worker_threads';
import { expose, type Endpoint } from 'comlink';
import { WORK } from '../workers/work.ts';

const open: MessagePort[] = [];

export class StandInWorker {
  onerror: (() => void) | null = null;
  private readonly here: MessagePort;

  constructor() {
    const { port1, port2 } = new MessageChannel();
    expose(WORK, port2 as unknown as Endpoint);
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
