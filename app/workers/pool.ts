/**
 * A few workers that answer questions of the core. State: the workers, each free or at one question, and the questions
 * that wait. Invariant: nothing waits while a worker is free. A question that is no longer wanted is dropped when it
 * waits; a worker that is at one is given up for a fresh one as soon as another question needs it, if it has been at it for
 * long.
 */
import { held } from '../../core/held.ts';
import { wrap } from 'comlink';
import type { WorkerQuestions } from './work.ts';

/** Questions for workers of a kind. */
type Questions = Readonly<Record<string, (...args: never[]) => unknown>>;
export type Name = keyof WorkerQuestions;
export type QuestionArguments<N extends Name> = Parameters<WorkerQuestions[N]>;
export type Answer<N extends Name> = Awaited<ReturnType<WorkerQuestions[N]>>;

export interface Job<T> {
  /** Rejected when the question could not be answered; never settled once it is cancelled. */
  readonly done: Promise<T>;
  readonly cancel: () => void;
}

/** A worker at a question that nobody wants any more is given up after so long, ms. */
const PATIENCE_MS = 300;
/** So that a long answer does not hold up all others. */
const LEAST_WORKERS = 2;
const MOST_WORKERS = 4;

interface Question {
  readonly name: string;
  readonly args: readonly unknown[];
  readonly resolve: (value: unknown) => void;
  readonly reject: (error: unknown) => void;
  wanted: boolean;
  /** A worker broke over it before it had answered anything: it may not have been fetched, and another is tried. */
  triedAgain: boolean;
}

interface Hand {
  readonly worker: Worker;
  readonly remote: Readonly<Record<string, (...args: readonly unknown[]) => Promise<unknown>>>;
  /** Last question that it answered: it may remember what that needed. */
  last: string | null;
  answered: boolean;
  at: { readonly question: Question; readonly since: number } | null;
}

export class Pool<W extends Questions = WorkerQuestions> {
  private hands: readonly Hand[] = [];
  private waiting: readonly Question[] = [];
  private look: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly start: () => Worker,
    private readonly size: number,
    private readonly now: () => number = () => performance.now(),
  ) {}

  ask<N extends keyof W & string>(name: N, args: Parameters<W[N]>): Job<Awaited<ReturnType<W[N]>>> {
    let question: Question | undefined;
    const done = new Promise<Awaited<ReturnType<W[N]>>>((resolve, reject) => {
      question = {
        name,
        args,
        resolve: resolve as (value: unknown) => void,
        reject,
        wanted: true,
        triedAgain: false,
      };
      this.waiting = [...this.waiting, question];
    });
    this.next();
    return {
      done,
      cancel: () => {
        held(question, 'a worker answers what it was asked').wanted = false;
        this.waiting = this.waiting.filter((q) => q !== question);
        if (this.waiting.length > 0) this.later();
      },
    };
  }

  /** Gives waiting questions to free workers. */
  private next(): void {
    for (const question of this.waiting) {
      const hand = this.free(question.name);
      if (!hand) return this.later();
      this.waiting = this.waiting.filter((q) => q !== question);
      void this.answer(hand, question);
    }
  }

  /** Looks again when a worker that is at what nobody wants has had its time. */
  private later(): void {
    if (this.hands.every(({ at }) => at === null || at.question.wanted)) return;
    clearTimeout(this.look);
    this.look = setTimeout(() => this.next(), PATIENCE_MS + 1);
  }

  /** A worker for a question: one that knows of it, any that is free, else a new one, or one in place of a stale one. */
  private free(name: string): Hand | null {
    const idle = this.hands.filter((h) => h.at === null);
    const ready = idle.find((h) => h.last === name) ?? idle[0];
    if (ready) return ready;
    if (this.hands.length >= this.size) {
      const stale = this.hands.find(
        ({ at }) => at !== null && !at.question.wanted && this.now() - at.since > PATIENCE_MS,
      );
      if (!stale) return null;
      this.give(stale);
    }
    const worker = this.start();
    const remote = wrap<WorkerQuestions>(worker) as unknown as Hand['remote'];
    const hand: Hand = { worker, remote, last: null, answered: false, at: null };
    // One that cannot start, or breaks, answers nothing.
    worker.onerror = () => {
      this.give(hand);
      const question = hand.at?.question;
      if (question && !hand.answered && !question.triedAgain) {
        question.triedAgain = true;
        this.waiting = [question, ...this.waiting];
      } else question?.reject(new Error('the worker failed'));
      this.next();
    };
    this.hands = [...this.hands, hand];
    return hand;
  }

  private async answer(hand: Hand, question: Question): Promise<void> {
    hand.at = { question, since: this.now() };
    hand.last = question.name;
    try {
      const value = await hand.remote[question.name]!(...question.args);
      hand.answered = true;
      if (question.wanted) question.resolve(value);
    } catch (error) {
      if (question.wanted) question.reject(error);
    }
    hand.at = null;
    this.next();
  }

  private give(hand: Hand): void {
    hand.worker.terminate();
    this.hands = this.hands.filter((h) => h !== hand);
  }
}

let shared: Pool | undefined;

/** As many workers of a kind as this device bears. */
export const size = (): number =>
  Math.min(MOST_WORKERS, Math.max(LEAST_WORKERS, (navigator.hardwareConcurrency || 2) - 1));

/** The workers of this page, started when first asked. */
export const workers = (): Pool =>
  (shared ??= new Pool(
    () => new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' }),
    size(),
  ));
