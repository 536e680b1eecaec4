import { wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { Hem } from '../../core/document/hem.ts';
import type { Fit } from '../../core/fit/fit.ts';
import type { FitWork } from './fit.worker.ts';

/** A worker still busy with an outdated hem after this long is given up for a fresh one. */
const PATIENCE_MS = 300;

let running: { readonly worker: Worker; readonly remote: Remote<FitWork>; busySince: number | null } | null =
  null;

/** A worker that is free, or soon will be. */
function freeWorker(): NonNullable<typeof running> {
  const stale = running?.busySince != null && performance.now() - running.busySince > PATIENCE_MS;
  if (running && stale) {
    running.worker.terminate();
    running = null;
  }
  if (!running) {
    const worker = new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' });
    running = { worker, remote: wrap<FitWork>(worker), busySince: null };
  }
  return running;
}

export interface FitState {
  /** The fit of the newest hem that has been worked; null before the first. */
  readonly fit: Fit | null;
  /** A newer hem is being worked. */
  readonly pending: boolean;
}

/** The fit of a hem, worked in a worker. What an older hem gave is dropped when a newer one has come. */
export function useFit(hem: Hem): FitState {
  const [done, setDone] = useState<{ readonly hem: Hem; readonly fit: Fit } | null>(null);
  useEffect(() => {
    let wanted = true;
    // Edits of one drag follow each other within a frame or two: only the last of them is worked.
    const wait = setTimeout(() => {
      const free = freeWorker();
      free.busySince ??= performance.now();
      void free.remote.fit(hem).then((fit) => {
        free.busySince = null;
        if (wanted) setDone({ hem, fit });
      });
    }, 40);
    return () => {
      wanted = false;
      clearTimeout(wait);
    };
  }, [hem]);
  return { fit: done?.fit ?? null, pending: done?.hem !== hem };
}
