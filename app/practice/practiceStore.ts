/** The open hem of a practice: like any other, but kept nowhere, and with a clock that the simulated maker moves on. */
import { practiceMat } from '../../core/practice/mat.ts';
import type { Problem } from '../../core/problems.ts';
import { HemStore } from '../hem/store.ts';

export interface PracticeStore {
  readonly store: HemStore;
  /** Lets time go by on the clock by which entries are noted, minutes. */
  readonly goesBy: (minutes: number) => void;
}

const MINUTE_MS = 60_000;

export function practiceStore(now: Date, refused: (problems: readonly Problem[]) => void): PracticeStore {
  let clock = now.getTime();
  const store = new HemStore(practiceMat(now), {
    page: 'practice',
    refused,
    now: () => new Date(clock),
  });
  return { store, goesBy: (minutes) => void (clock += minutes * MINUTE_MS) };
}
