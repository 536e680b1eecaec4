/** Runs of rows of one kind, moved and split as they are in a drawing. */
import { held } from '../../held.ts';
import type { RowsPiece } from './rows.schema.ts';

export type Runs = RowsPiece['rows'];

/** The most runs that a piece has. */
const MOST_RUNS = 2000;

/**
 * The edge between a run and the one above it elsewhere: what one gains the other loses, and each keeps a row.
 *
 * @param run number from the foundation; it is not the last
 * @param rows rows that the run is to have
 */
export function withEdgeAt(runs: Runs, run: number, rows: number): Runs {
  const below = held(runs[run], 'the run below an edge');
  const above = held(runs[run + 1], 'the run above an edge');
  const both = below.count + above.count;
  const count = Math.min(both - 1, Math.max(1, Math.round(rows)));
  return runs.map((r, i) =>
    i === run ? { ...r, count } : i === run + 1 ? { ...r, count: both - count } : r,
  );
}

/** Some rows of a run as a run of their own; null where nothing would be split. */
export function cutOut(runs: Runs, run: number, from: number, to: number): Runs | null {
  const whole = runs[run];
  if (!whole) return null;
  const low = Math.max(0, Math.min(from, whole.count - 1));
  const high = Math.min(whole.count, Math.max(to, low + 1));
  const parts = [low, high - low, whole.count - high]
    .filter((count) => count > 0)
    .map((count) => ({ ...whole, count }));
  if (parts.length < 2 || runs.length + parts.length - 1 > MOST_RUNS) return null;
  return [...runs.slice(0, run), ...parts, ...runs.slice(run + 1)];
}

/** Row of a run of `count` rows, from 0 below, in which a height lies. @param share height in the run, from 0 to 1 */
export const rowAt = (share: number, count: number): number =>
  Math.min(count - 1, Math.max(0, Math.floor(share * count)));
