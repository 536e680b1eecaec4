import { useEffect, useState } from 'react';
import type { Hem } from '../../core/document/hem.ts';
import { picked } from '../../core/propose/pick.ts';
import { SLICES, type Obstacle, type Proposal } from '../../core/propose/search.ts';
import type { Wish } from '../../core/propose/wish.ts';
import { workers, type Job } from '../workers/pool.ts';

export interface Proposals {
  /** Those that suit, all of them. */
  readonly all: readonly Proposal[];
  /** Borders that were planned. */
  readonly planned: number;
  readonly obstacles: Readonly<Partial<Record<Obstacle, number>>>;
  /** Share of the search that is done, 0 to 1. */
  readonly done: number;
  readonly failed: boolean;
  readonly stop: () => void;
}

const NOTHING = { all: [], planned: 0, obstacles: {}, done: 0, failed: false } as const;
/** Typing goes on for a moment, ms. */
const PAUSE_MS = 250;

/** Searches in the workers, a part of the grammar after the other; what has been found is there at once. */
export function useProposals(hem: Hem, wish: Wish): Proposals {
  const [found, setFound] = useState<Omit<Proposals, 'stop'>>(NOTHING);
  const [stopped, setStopped] = useState<Wish | null>(null);
  useEffect(() => {
    if (stopped === wish) return;
    let jobs: readonly Job<unknown>[] = [];
    const wait = setTimeout(() => {
      setFound(NOTHING);
      jobs = Array.from({ length: SLICES }, (_, slice) => {
        const job = workers().ask('propose', [hem, wish, slice]);
        job.done.then(
          ({ proposals, planned, obstacles }) =>
            setFound((before) => ({
              all: [...before.all, ...proposals],
              planned: before.planned + planned,
              obstacles: summed(before.obstacles, obstacles),
              done: before.done + 1 / SLICES,
              failed: before.failed,
            })),
          () => setFound((before) => ({ ...before, done: before.done + 1 / SLICES, failed: true })),
        );
        return job;
      });
    }, PAUSE_MS);
    return () => {
      clearTimeout(wait);
      jobs.forEach((job) => job.cancel());
    };
  }, [hem, wish, stopped]);
  return { ...found, stop: () => setStopped(wish) };
}

function summed(a: Proposals['obstacles'], b: Proposals['obstacles']): Partial<Record<Obstacle, number>> {
  const sum: Partial<Record<Obstacle, number>> = { ...a };
  for (const [key, count] of Object.entries(b) as [Obstacle, number][]) sum[key] = (sum[key] ?? 0) + count;
  return sum;
}

/** Proposals seen at a time. */
const SHOWN = 8;

/** What is shown of them. @param like what is wanted more of, @param unlike what is not wanted */
export const shownOf = (
  all: readonly Proposal[],
  like: Proposal | null,
  unlike: readonly Proposal[],
): readonly Proposal[] =>
  picked(all, SHOWN, { like: like?.shape ?? null, unlike: unlike.map((p) => p.shape) });
