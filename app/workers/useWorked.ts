import { useEffect, useState } from 'react';
import { workers, type Answer, type QuestionArguments, type Name } from './pool.ts';

/** Edits of one drag follow each other within a frame or two: only the last of them is worked. */
const PAUSE_MS = 40;

export interface WorkerAnswer<T> {
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
export function useWorked<N extends Name>(name: N, ...asked: QuestionArguments<N>): WorkerAnswer<Answer<N>> {
  // The arguments are a new list at every render; the question is a new one only when one of them is.
  const [question, setQuestion] = useState(asked);
  if (!isSame(question, asked)) setQuestion(asked);
  const [done, setDone] = useState<{
    readonly question: QuestionArguments<N>;
    readonly value: Answer<N>;
  } | null>(null);
  const [failed, setFailed] = useState<readonly unknown[] | null>(null);
  useEffect(() => {
    let cancel: (() => void) | undefined;
    const wait = setTimeout(() => {
      const job = workers().ask(name, question);
      ({ cancel } = job);
      job.done.then(
        (value) => setDone({ question, value }),
        () => setFailed(question),
      );
    }, PAUSE_MS);
    return () => {
      clearTimeout(wait);
      cancel?.();
    };
  }, [name, question]);
  const isFailed = failed === question;
  return { value: done?.value ?? null, pending: done?.question !== question && !isFailed, failed: isFailed };
}

const isSame = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((x, i) => Object.is(x, b[i]));
