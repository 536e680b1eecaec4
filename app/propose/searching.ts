/**
 * The search for borders, in the workers. State: what has been found so far, and what of it has been proved. Invariant: no more is asked
 * at a time than the workers can be at, so that a proof does not wait for the whole search.
 */
import type { Hem } from '../../core/document/hem.ts';
import type { Keep } from '../../core/propose/grammar.ts';
import { basesOf } from '../../core/propose/pick.ts';
import type { Proposal } from '../../core/propose/prove.ts';
import type { BorderFound } from '../../core/propose/found.ts';
import { NOTHING_FOUND, slicesOf, joinSearches, type Searched } from '../../core/propose/search.ts';
import type { Wish } from '../../core/propose/wish.ts';
import type { Job, Pool } from '../workers/pool.ts';

export interface SearchState {
  readonly searched: Searched;
  /** By their keys; null for what failed its proof. */
  readonly proven: ReadonlyMap<string, Proposal | null>;
  /** Share of the search that is done, 0 to 1. */
  readonly done: number;
  readonly stopped: boolean;
  readonly failed: boolean;
}

export const NOT_BEGUN: SearchState = {
  searched: NOTHING_FOUND,
  proven: new Map(),
  done: 0,
  stopped: false,
  failed: false,
};

/** Parts of the search that are asked at a time. */
const AT_ONCE = 4;

export class Searching {
  private state = NOT_BEGUN;
  private readonly listeners = new Set<() => void>();
  private readonly jobs = new Set<Job<unknown>>();
  private readonly proving = new Set<string>();
  private next = 0;

  constructor(
    /** Subject of the search: its findings are for no other. */
    readonly hem: Hem,
    private readonly wish: Wish,
    private readonly keep: Keep,
    private readonly pool: Pick<Pool, 'ask'>,
  ) {}

  /** Its findings answer this wish; those of another are looked at until there are new ones. */
  isFor(wish: Wish, keep: Keep): boolean {
    return this.wish === wish && this.keep === keep;
  }

  readonly snapshot = (): SearchState => this.state;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  begin(): void {
    for (let k = 0; k < AT_ONCE; k++) this.search();
  }

  /** Searches no further; what has been found can still be proved. */
  stop(): void {
    this.change({ stopped: true });
  }

  /** Nobody looks any more. */
  end(): void {
    this.listeners.clear();
    for (const job of this.jobs) job.cancel();
  }

  /** Proves what has not been asked about before. */
  prove(open: readonly BorderFound[]): void {
    for (const found of open) {
      const key = found.key;
      if (this.proving.has(key)) continue;
      this.proving.add(key);
      const proved = (proposal: Proposal | null, failed = false): void =>
        this.change({
          proven: new Map(this.state.proven).set(key, proposal),
          failed: this.state.failed || failed,
        });
      this.ask(this.pool.ask('prove', [this.hem, this.wish, found, basesOf(this.state.proven)]), proved, () =>
        proved(null, true),
      );
    }
  }

  private search(): void {
    const slices = slicesOf(this.hem);
    if (this.next >= slices || this.state.stopped) return;
    const done = (): void => {
      this.change({ done: this.state.done + 1 / slices });
      this.search();
    };
    this.ask(
      this.pool.ask('propose', [this.hem, this.wish, this.next++, this.keep]),
      (part) => {
        this.change({ searched: joinSearches(this.state.searched, part) });
        done();
      },
      () => {
        this.change({ failed: true });
        done();
      },
    );
  }

  private ask<T>(job: Job<T>, done: (value: T) => void, failed: () => void): void {
    this.jobs.add(job);
    const over = (): unknown => this.jobs.delete(job);
    job.done.then(done, failed).then(over, over);
  }

  private change(part: Partial<SearchState>): void {
    this.state = { ...this.state, ...part };
    for (const listener of this.listeners) listener();
  }
}
