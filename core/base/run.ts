/** The run of a side: where its extra stitches go, said as a person would say it. */
import type { Edge } from '../piece/piece.ts';

/**
 * A side's placement in words: the rate that most spots take, or two that alternate, and the spots that
 * differ, by their number on the piece.
 *
 * @param counts stitches for each spot of the edge, in working order
 * @example placementWords([2, 2, 2], rowEnds) // '2 in each'
 */
export function placementWords(counts: readonly number[], edge: Edge): string {
  if (counts.length === 0) return 'nothing along this side';
  return stretches(counts, edge)
    .map(
      ({ spots, name, first }) => `${name}${stretchWords(counts.slice(first, first + spots), edge, first)}`,
    )
    .join('; ');
}

interface Stretch {
  readonly first: number;
  readonly spots: number;
  /** Empty when the whole edge is of one kind. */
  readonly name: string;
}

/** Stretches of an edge whose spots are of one kind, such as the runs of rows that end on a side. */
function stretches(counts: readonly number[], edge: Edge): readonly Stretch[] {
  const starts = edge.spots.flatMap((spot, i) =>
    i > 0 && spot.stitch === edge.spots[i - 1]!.stitch ? [] : [i],
  );
  if (starts.length === 1) return [{ first: 0, spots: counts.length, name: '' }];
  return starts.map((first, k) => {
    const end = (starts[k + 1] ?? counts.length) - 1;
    const numbers = [...new Set([spotNumber(edge, first), spotNumber(edge, end)])].join('–');
    const { noun } = edge.numbering;
    return { first, spots: end - first + 1, name: `${noun}${first === end ? '' : 's'} ${numbers}: ` };
  });
}

function stretchWords(counts: readonly number[], edge: Edge, offset: number): string {
  const { noun } = edge.numbering;
  const tallies = new Map<number, number>();
  for (const c of counts) tallies.set(c, (tallies.get(c) ?? 0) + 1);
  const byFrequency = [...tallies].sort((a, b) => b[1] - a[1] || a[0] - b[0]);
  const usual = byFrequency[0]![0];
  if (byFrequency.length === 1) return `${usual} in each`;

  const differing = counts.flatMap((c, i) => (c === usual ? [] : [i]));
  if (differing.length > MOST_NAMED)
    return byTurns(counts, edge, offset) ?? every(counts, usual, edge, offset);
  const groups = new Map<number, number[]>();
  for (const i of differing)
    groups.set(counts[i]!, [...(groups.get(counts[i]!) ?? []), spotNumber(edge, offset + i)]);
  const parts = [...groups].map(([count, numbers]) => `${count} at ${noun} ${listWords(numbers)}`);
  return `${usual} in each, but ${parts.join(' and ')}`;
}

/** The number of a spot as the maker counts it on the piece. */
export function spotNumber(edge: Edge, index: number): number {
  return edge.numbering.from === 'first' ? index + 1 : edge.spots.length - index;
}

const MOST_NAMED = 12;

/** Two counts that alternate, and the places where one of them comes twice running. */
function byTurns(counts: readonly number[], edge: Edge, offset: number): string | undefined {
  const doubled = counts.flatMap((c, i) => (i > 0 && c === counts[i - 1] ? [i] : []));
  if (doubled.length > MOST_NAMED || new Set(counts).size > 2) return undefined;
  const lead = `${counts[0]}, ${counts[0] === counts[1] ? other(counts) : counts[1]} by turns`;
  if (doubled.length === 0) return lead;
  const pairs = doubled.map(
    (i) => `${spotNumber(edge, offset + i - 1)}/${spotNumber(edge, offset + i)} (${counts[i]} in both)`,
  );
  return `${lead}, but the same twice running at ${edge.numbering.noun}s ${listWords(pairs)}`;
}

const other = (counts: readonly number[]): number => counts.find((c) => c !== counts[0]) ?? counts[0]!;

/** Many differing spots: the distances between them, which are two neighbouring numbers. */
function every(counts: readonly number[], usual: number, edge: Edge, offset: number): string {
  const at = counts.flatMap((c, i) => (c === usual ? [] : [i]));
  const there = counts[at[0]!]!;
  const steps = at.slice(1).map((i, k) => i - at[k]!);
  const fewest = Math.min(...steps);
  const most = Math.max(...steps);
  const distance =
    fewest === most ? `every ${ordinal(fewest)}` : `every ${ordinal(fewest)} or ${ordinal(most)}`;
  const { noun } = edge.numbering;
  return `${usual} in each, but ${there} in ${distance} ${noun} (${at.length} of them, the first at ${noun} ${spotNumber(edge, offset + at[0]!)})`;
}

/** @example listWords([1, 2, 3]) // '1, 2 and 3' */
export function listWords(items: readonly (string | number)[]): string {
  if (items.length < 2) return items.join('');
  return `${items.slice(0, -1).join(', ')} and ${items[items.length - 1]}`;
}

/** @example ordinal(3) // '3rd' */
export function ordinal(n: number): string {
  const tens = n % 100;
  if (tens >= 11 && tens <= 13) return `${n}th`;
  return `${n}${['th', 'st', 'nd', 'rd'][n % 10] ?? 'th'}`;
}
