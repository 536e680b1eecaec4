/** The run of a side: where its extra stitches go, said as a person would say it. */
import type { Edge, SpotKind } from '../piece/edge.ts';

/**
 * A side's placement in words: the rate that most spots take, or two that alternate, and the spots that
 * differ, by their number on the piece. Rows of different kinds are told one after the other, other edges by
 * kinds of spot. Joins are left out: they are crossed, not filled.
 *
 * @param counts stitches for each spot of the edge, in working order
 * @example placementWords([2, 2, 2], rowEnds) // '2 in each'
 */
export function placementWords(counts: readonly number[], edge: Edge): string {
  if (counts.length === 0) return 'nothing along this side';
  return partsOf(edge)
    .map(({ name, spots }) => {
      const words = stretchWords(
        spots.map((i) => counts[i]!),
        edge.numbering.noun,
        (k) => spotNumber(edge, spots[k]!),
      );
      return `${name}${words}`;
    })
    .filter((words) => !words.endsWith(NOTHING_IN_EACH))
    .join('; ');
}

/** The number of a spot as the maker counts it on the piece. */
export function spotNumber(edge: Edge, index: number): number {
  return edge.numbering.from === 'first' ? index + 1 : edge.spots.length - index;
}

const MOST_NAMED = 12;
const NOTHING_IN_EACH = ': 0 in each';

interface Part {
  /** Empty when the whole edge is of one kind. */
  readonly name: string;
  /** Numbers of its spots in working order. */
  readonly spots: readonly number[];
}

/** Runs of rows of one kind, or the kinds of spot of another edge. */
function partsOf(edge: Edge): readonly Part[] {
  const all = edge.spots.map((_, i) => i);
  const { noun } = edge.numbering;
  if (noun === 'row') {
    const starts = all.filter((i) => i === 0 || edge.spots[i]!.stitch !== edge.spots[i - 1]!.stitch);
    if (starts.length === 1) return [{ name: '', spots: all }];
    return starts.map((first, k) => {
      const spots = all.slice(first, starts[k + 1]);
      const numbers = [...new Set([spots[0]!, spots[spots.length - 1]!].map((i) => spotNumber(edge, i)))];
      return { name: `${noun}${spots.length === 1 ? '' : 's'} ${numbers.join('–')}: `, spots };
    });
  }
  const kinds = [...new Set(edge.spots.map((s) => s.kind))].filter((kind) => !AT_JOINS.has(kind));
  if (kinds.length === 1 && edge.joins.length === 0) return [{ name: '', spots: all }];
  return kinds.map((kind) => ({
    name: `${MANY[kind] ?? `${kind}s`}: `,
    spots: all.filter((i) => edge.spots[i]!.kind === kind),
  }));
}

/** Kinds of spot whose many are not told by an s. */
const MANY: Partial<Record<SpotKind, string>> = {
  'cluster stitch': 'cluster stitches',
  'between stitches': 'between stitches',
  'counted stitch': 'stitches',
};

const AT_JOINS: ReadonlySet<SpotKind> = new Set(['corner space', 'seam']);

function stretchWords(counts: readonly number[], noun: string, numberOf: (k: number) => number): string {
  const tallies = new Map<number, number>();
  for (const c of counts) tallies.set(c, (tallies.get(c) ?? 0) + 1);
  const byFrequency = [...tallies].sort((a, b) => b[1] - a[1] || a[0] - b[0]);
  const usual = byFrequency[0]![0];
  if (byFrequency.length === 1) return `${usual} in each`;

  const differing = counts.flatMap((c, k) => (c === usual ? [] : [k]));
  if (differing.length > MOST_NAMED) {
    return byTurns(counts, noun, numberOf) ?? every(counts, usual, noun, numberOf);
  }
  const groups = new Map<number, number[]>();
  for (const k of differing) groups.set(counts[k]!, [...(groups.get(counts[k]!) ?? []), numberOf(k)]);
  const parts = [...groups].map(([count, numbers]) => `${count} at ${noun} ${listWords(numbers)}`);
  return `${usual} in each, but ${parts.join(' and ')}`;
}

/** Two counts that alternate, and the places where one of them comes twice running. */
function byTurns(
  counts: readonly number[],
  noun: string,
  numberOf: (k: number) => number,
): string | undefined {
  const doubled = counts.flatMap((c, k) => (k > 0 && c === counts[k - 1] ? [k] : []));
  if (doubled.length > MOST_NAMED || new Set(counts).size > 2) return undefined;
  const lead = `${counts[0]}, ${counts.find((c) => c !== counts[0])} by turns`;
  if (doubled.length === 0) return lead;
  const pairs = doubled.map((k) => `${numberOf(k - 1)}/${numberOf(k)} (${counts[k]} in both)`);
  return `${lead}, but the same twice running at ${noun}s ${listWords(pairs)}`;
}

/** Many differing spots: the distances between them, and where they begin. */
function every(
  counts: readonly number[],
  usual: number,
  noun: string,
  numberOf: (k: number) => number,
): string {
  const at = counts.flatMap((c, k) => (c === usual ? [] : [k]));
  const steps = at.slice(1).map((k, n) => k - at[n]!);
  const fewest = Math.min(...steps);
  const most = Math.max(...steps);
  const distance =
    fewest === most ? `every ${ordinal(fewest)}` : `every ${ordinal(fewest)} to ${ordinal(most)}`;
  const there = counts[at[0]!]!;
  return `${usual} in each, but ${there} in ${distance} ${noun} (${at.length} of them, the first at ${noun} ${numberOf(at[0]!)})`;
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
