import { wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { PlanWork } from './plan.worker.ts';

type Name = keyof PlanWork;

/** A worker still busy with what is no longer wanted after this long is given up for a fresh one. */
const PATIENCE_MS = 300;
/** Edits of one drag follow each other within a frame or two: only the last of them is worked. */
const PAUSE_MS = 40;

interface Running {
  readonly worker: Worker;
  readonly remote: Remote<PlanWork>;
  busySince: number | null;
}

/** One worker for each question, so that a long answer to one does not hold up another. */
const running = new Map<Name, Running>();

/** A worker that is free, or soon will be. */
function freeWorker(name: Name): Running {
  const before = running.get(name);
  const stale = before?.busySince != null && performance.now() - before.busySince > PATIENCE_MS;
  if (before && !stale) return before;
  before?.worker.terminate();
  const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
  const fresh: Running = { worker, remote: wrap<PlanWork>(worker), busySince: null };
  running.set(name, fresh);
  return fresh;
}

export interface Worked<T> {
  /** The answer to the newest question that has been worked; null before the first. */
  readonly value: T | null;
  /** A newer question is being worked. */
  readonly pending: boolean;
  /** The newest question could not be answered; the value, if there is one, is that of an older one. */
  readonly failed: boolean;
}

/**
 * Asks a question of the core in a worker. An answer to an older question is dropped when a newer one has been
 * asked.
 */
export function useWorked<N extends Name>(
  name: N,
  ...asked: Parameters<PlanWork[N]>
): Worked<ReturnType<PlanWork[N]>> {
  // The arguments are a new list at every render; the question is a new one only when one of them is.
  const [question, setQuestion] = useState(asked);
  if (!isSame(question, asked)) setQuestion(asked);
  const [done, setDone] = useState<Answer<N> | null>(null);
  const [failed, setFailed] = useState<readonly unknown[] | null>(null);
  useEffect(() => {
    let wanted = true;
    const wait = setTimeout(() => {
      const free = freeWorker(name);
      free.busySince ??= performance.now();
      const call = free.remote[name] as unknown as (
        ...args: Parameters<PlanWork[N]>
      ) => Promise<ReturnType<PlanWork[N]>>;
      call(...question).then(
        (value) => {
          free.busySince = null;
          if (wanted) setDone({ question, value });
        },
        () => {
          free.busySince = null;
          if (wanted) setFailed(question);
        },
      );
      // A worker that cannot even start answers nothing.
      free.worker.onerror = () => {
        running.delete(name);
        if (wanted) setFailed(question);
      };
    }, PAUSE_MS);
    return () => {
      wanted = false;
      clearTimeout(wait);
    };
  }, [name, question]);
  const isFailed = failed === question;
  return { value: done?.value ?? null, pending: done?.question !== question && !isFailed, failed: isFailed };
}

interface Answer<N extends Name> {
  readonly question: readonly unknown[];
  readonly value: ReturnType<PlanWork[N]>;
}

const isSame = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((x, i) => Object.is(x, b[i]));
