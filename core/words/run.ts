/** The run of a side: where its stitches go, said so that it can be followed to the letter. */
import type { Edge, SpotKind } from '../piece/edge.ts';
import { listWords, numbersWords } from './lists.ts';

/** What a spot of a kind is called on an edge, one and many. */
const NAMES: Partial<Record<SpotKind, readonly [one: string, many: string]>> = {
  'stitch top': ['st', 'sts'],
  'foundation chain': ['chain', 'chains'],
  'row end': ['row', 'rows'],
  'cluster stitch': ['st', 'sts'],
  'between stitches': ['space', 'spaces'],
  gap: ['gap', 'gaps'],
  'corner space': ['corner space', 'corner spaces'],
  seam: ['seam', 'seams'],
  block: ['block', 'blocks'],
  'block gap': ['gap', 'gaps'],
  hole: ['hole', 'holes'],
  'counted stitch': ['st', 'sts'],
};

const nameOf = (kind: SpotKind, many: boolean): string => NAMES[kind]![many ? 1 : 0];

/**
 * A side's placement in words: the rate that most spots take, or two that alternate, and every spot that differs, by its
 * number on the piece. Rows of different kinds are told one after the other, other edges by kinds of spot. Seams are left
 * out: they are crossed, not filled.
 *
 * @param counts stitches for each spot of the edge, in working order
 * @example placementWords([2, 2, 2], rowEnds) // '2 in each'
 */
export function placementWords(counts: readonly number[], edge: Edge): string {
  if (counts.length === 0) return 'nothing along this side';
  const told = partsOf(edge)
    .map(({ name, spots }) => {
      const words = stretchWords(edge, spots, counts);
      return name === '' ? words : `${name}: ${words}`;
    })
    .filter((words) => !words.endsWith(NOTHING_IN_EACH));
  return told.length > 0 ? told.join('; ') : 'nothing along this side';
}

/**
 * The number of a spot as the maker counts it on the piece: rows from the foundation, everything else along the side,
 * among its like.
 */
export function spotNumber(edge: Edge, index: number): number {
  if (edge.numbering.from === 'last') return edge.spots.length - index;
  const { kind } = edge.spots[index]!;
  let number = 0;
  for (let i = 0; i <= index; i++) if (edge.spots[i]!.kind === kind) number++;
  return number;
}

/** Number of the motif that a stitch of joined motifs belongs to, from 1, and of the stitch on that motif. */
function onMotif(edge: Edge, index: number): { readonly motif: number; readonly number: number } | null {
  if (edge.joins.length === 0) return null;
  const seams = edge.joins.filter((first) => first < index);
  const from = seams.length === 0 ? 0 : seams[seams.length - 1]! + 3;
  const { kind } = edge.spots[index]!;
  let number = 0;
  for (let i = from; i <= index; i++) if (edge.spots[i]!.kind === kind) number++;
  return { motif: seams.length + 1, number };
}

/** A spot by its name: “row 14”, “st 8 of motif 3”, “gap 5”. */
export const spotName = (edge: Edge, index: number): string => spotsNamed(edge, [index]);

/** Spots of one kind by their numbers: “rows 14 and 39”, “sts 3 and 8 of motif 3, st 2 of motif 5”. */
function spotsNamed(edge: Edge, spots: readonly number[]): string {
  const byMotif = new Map<number, number[]>();
  for (const spot of spots) {
    const at = onMotif(edge, spot);
    const motif = at?.motif ?? 0;
    byMotif.set(motif, [...(byMotif.get(motif) ?? []), at?.number ?? spotNumber(edge, spot)]);
  }
  const { kind } = edge.spots[spots[0]!]!;
  return [...byMotif]
    .map(([motif, numbers]) => {
      const named = `${nameOf(kind, numbers.length > 1)} ${numbersWords(numbers)}`;
      return motif === 0 ? named : `${named} of motif ${motif}`;
    })
    .join(', ');
}

const NOTHING_IN_EACH = ': none in each';

interface Part {
  /** Empty when the whole edge is of one kind. */
  readonly name: string;
  /** Numbers of its spots in working order. */
  readonly spots: readonly number[];
}

/** Runs of rows of one kind, or the kinds of spot of another edge. */
function partsOf(edge: Edge): readonly Part[] {
  const all = edge.spots.map((_, i) => i);
  if (edge.numbering.noun === 'row') {
    const starts = all.filter((i) => i === 0 || edge.spots[i]!.stitch !== edge.spots[i - 1]!.stitch);
    if (starts.length === 1) return [{ name: '', spots: all }];
    return starts.map((first, k) => {
      const spots = all.slice(first, starts[k + 1]);
      const numbers = [...new Set([spots[0]!, spots[spots.length - 1]!].map((i) => spotNumber(edge, i)))];
      return { name: `${spots.length === 1 ? 'row' : 'rows'} ${numbers.join('–')}`, spots };
    });
  }
  const kinds = [...new Set(edge.spots.map((s) => s.kind))].filter((kind) => !AT_JOINS.has(kind));
  if (kinds.length === 1) return [{ name: '', spots: all.filter((i) => edge.spots[i]!.kind === kinds[0]) }];
  return kinds.map((kind) => ({
    name: kind === 'between stitches' ? 'spaces between two sts' : nameOf(kind, true),
    spots: all.filter((i) => edge.spots[i]!.kind === kind),
  }));
}

const AT_JOINS: ReadonlySet<SpotKind> = new Set(['corner space', 'seam']);

const howMany = (count: number): string => (count === 0 ? 'none' : String(count));

function stretchWords(edge: Edge, spots: readonly number[], counts: readonly number[]): string {
  const tallies = new Map<number, number>();
  for (const i of spots) tallies.set(counts[i]!, (tallies.get(counts[i]!) ?? 0) + 1);
  const byFrequency = [...tallies].sort((a, b) => b[1] - a[1] || a[0] - b[0]);
  const usual = byFrequency[0]![0];
  if (byFrequency.length === 1) return `${howMany(usual)} in each`;
  const differing = spots.filter((i) => counts[i] !== usual);
  const doubled = spots.filter((i, k) => k > 0 && counts[i] === counts[spots[k - 1]!]);
  if (byFrequency.length === 2 && doubled.length < differing.length / 2)
    return byTurns(edge, spots, counts, doubled);
  const groups = new Map<number, number[]>();
  for (const i of differing) groups.set(counts[i]!, [...(groups.get(counts[i]!) ?? []), i]);
  const parts = [...groups].map(([count, list]) => `${howMany(count)} in ${spotsNamed(edge, list)}`);
  return `${howMany(usual)} in each, but ${listWords(parts)}`;
}

/** Two counts that alternate, and the spots that take the same as the one before them. */
function byTurns(
  edge: Edge,
  spots: readonly number[],
  counts: readonly number[],
  doubled: readonly number[],
): string {
  const first = counts[spots[0]!]!;
  const other = spots.map((i) => counts[i]!).find((c) => c !== first)!;
  const lead = `${howMany(first)}, ${howMany(other)} alternately`;
  if (doubled.length === 0) return lead;
  return `${lead}, but the same as in the one before in ${spotsNamed(edge, doubled)}`;
}
