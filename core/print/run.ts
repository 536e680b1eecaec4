/** The run of a side: where its stitches go, said so that it can be followed to the letter. */
import { held } from '../held.ts';
import type { Edge, SpotKind } from '../piece/edge.ts';
import { abbreviation, type Language } from '../terms/stitches.ts';
import { listWords, numbersWords } from '../say/lists.ts';

/** Noun for a spot of a kind on an edge, one and many. */
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
  'bound-off stitch': ['st', 'sts'],
  'cast-on stitch': ['st', 'sts'],
  'knit row end': ['row end', 'row ends'],
  ridge: ['ridge', 'ridges'],
  'slipped edge stitch': ['st', 'sts'],
};

/** Numbers of row ends: those of their rows, or along the side from the corner that was worked before it. */
export type Numbered = 'on the piece' | 'along the side';

function nameOf(kind: SpotKind, many: boolean, numbered: Numbered): string {
  const name = NAMES[kind]![many ? 1 : 0];
  if (numbered === 'on the piece' || kind !== 'row end') return name;
  return many ? 'row ends' : 'row end';
}

/**
 * A side's placement in words: the rate that most spots take, or two that alternate, and every spot that differs, by its
 * number on the piece. Rows of different kinds are told by their kind, or, where rows of a kind differ, run by run; other
 * edges by kinds of spot. Seams are left out: they are crossed, not filled.
 *
 * @param counts stitches for each spot of the edge, in working order
 * @example placementWords([2, 2, 2], rowEnds, 'us') // '2 in each row'
 */
export function placementWords(
  counts: readonly number[],
  edge: Edge,
  language: Language,
  numbered: Numbered = 'on the piece',
): string {
  const told = partsOf(edge, counts, language, numbered)
    .map(({ run, each, spots }) => `${run}${stretchWords(edge, spots, counts, each, numbered)}`)
    .filter((words) => !/\bnone in each [^,]+$/.test(words));
  return told.length > 0 ? told.join('; ') : 'nothing along this side';
}

/**
 * The number of a spot as the maker counts it on the piece: rows from the foundation, everything else along the side,
 * among its like.
 */
export function spotNumber(edge: Edge, index: number, numbered: Numbered = 'on the piece'): number {
  if (edge.stretch && numbered === 'on the piece' && edge.numbering.noun === 'row')
    return spotNumber(edge.stretch.of, edge.stretch.from + index, numbered);
  if (edge.numbering.from === 'last')
    return numbered === 'on the piece' ? edge.spots.length - index : index + 1;
  const { kind } = edge.spots[index]!;
  let number = 0;
  for (let i = 0; i <= index; i++) if (edge.spots[i]!.kind === kind) number++;
  return number;
}

/** Number of the motif that a stitch of joined motifs belongs to, from 1, and of the stitch on that motif. */
function onMotif(edge: Edge, index: number): { readonly motif: number; readonly number: number } | null {
  if (edge.stretch) return onMotif(edge.stretch.of, edge.stretch.from + index);
  if (edge.joins.length === 0) return null;
  const seams = edge.joins.filter((first) => first < index);
  const from = seams.length === 0 ? 0 : seams[seams.length - 1]! + 3;
  const { kind } = edge.spots[index]!;
  let number = 0;
  for (let i = from; i <= index; i++) if (edge.spots[i]!.kind === kind) number++;
  return { motif: seams.length + 1, number };
}

/** A spot by its name: “row 14”, “st 8 of motif 3”, “gap 5”. */
export const spotName = (edge: Edge, index: number): string => spotsNamed(edge, [index], 'on the piece');

/** Spots of one kind by their numbers: “rows 14 and 39”, “sts 3 and 8 of motif 3, st 2 of motif 5”. */
function spotsNamed(edge: Edge, spots: readonly number[], numbered: Numbered): string {
  const byMotif = new Map<number, number[]>();
  for (const spot of spots) {
    const at = onMotif(edge, spot);
    const motif = at?.motif ?? 0;
    byMotif.set(motif, [...(byMotif.get(motif) ?? []), at?.number ?? spotNumber(edge, spot, numbered)]);
  }
  const { kind } = edge.spots[spots[0]!]!;
  return [...byMotif]
    .map(([motif, numbers]) => {
      const named = `${nameOf(kind, numbers.length > 1, numbered)} ${numbersWords(numbers)}`;
      return motif === 0 ? named : `${named} of motif ${motif}`;
    })
    .join(', ');
}

interface Part {
  /** Words that lead it when it is a run of rows among others: “rows 110–63: ”. */
  readonly run: string;
  /** Noun for one of its spots, and for many. */
  readonly each: readonly [one: string, many: string];
  /** Numbers of its spots in working order. */
  readonly spots: readonly number[];
}

/** Rows by their kind or run by run, or the kinds of spot of another edge. */
function partsOf(
  edge: Edge,
  counts: readonly number[],
  language: Language,
  numbered: Numbered,
): readonly Part[] {
  const all = edge.spots.map((_, i) => i);
  if (edge.numbering.noun === 'row') {
    const kinds = [
      ...new Set(edge.spots.map((s) => held(s.stitch, 'row ends, tops and posts have a stitch'))),
    ];
    const byKind = kinds.map((kind) => all.filter((i) => edge.spots[i]!.stitch === kind));
    const each = [nameOf('row end', false, numbered), nameOf('row end', true, numbered)] as const;
    if (kinds.length === 1) return [{ run: '', each, spots: all }];
    // Kind by kind where each has a rate of its own and few differ, such as the end rows at a corner; else run by run.
    const differing = byKind.reduce((sum, spots) => sum + spots.length - mostAlike(spots, counts), 0);
    if (differing <= MOST_DIFFERING) {
      return byKind.map((spots, k) => {
        const name = abbreviation(kinds[k]!, language);
        return { run: '', each: [`${name} row`, `${name} rows`], spots };
      });
    }
    const starts = all.filter((i) => i === 0 || edge.spots[i]!.stitch !== edge.spots[i - 1]!.stitch);
    return starts.map((first, k) => {
      const spots = all.slice(first, starts[k + 1]);
      const numbers = [
        ...new Set([spots[0]!, spots[spots.length - 1]!].map((i) => spotNumber(edge, i, numbered))),
      ];
      const run = `${each[spots.length === 1 ? 0 : 1]} ${numbers.join('–')}: `;
      return { run, each, spots };
    });
  }
  const kinds = [...new Set(edge.spots.map((s) => s.kind))].filter((kind) => !AT_JOINS.has(kind));
  return kinds.map((kind) => ({
    run: '',
    each:
      kind === 'between stitches'
        ? ['space between two sts', 'spaces between two sts']
        : [nameOf(kind, false, numbered), nameOf(kind, true, numbered)],
    spots: all.filter((i) => edge.spots[i]!.kind === kind),
  }));
}

/** Rows that are told one by one beside the rates of their kinds. */
const MOST_DIFFERING = 4;

/** How many spots take the count that most of them take. */
function mostAlike(spots: readonly number[], counts: readonly number[]): number {
  const tally = new Map<number, number>();
  for (const i of spots) tally.set(counts[i]!, (tally.get(counts[i]!) ?? 0) + 1);
  return Math.max(...tally.values());
}

const AT_JOINS: ReadonlySet<SpotKind> = new Set(['corner space', 'seam']);

const howMany = (count: number): string => (count === 0 ? 'none' : String(count));

function stretchWords(
  edge: Edge,
  spots: readonly number[],
  counts: readonly number[],
  [one, many]: Part['each'],
  numbered: Numbered,
): string {
  const tallies = new Map<number, number>();
  for (const i of spots) tallies.set(counts[i]!, (tallies.get(counts[i]!) ?? 0) + 1);
  const byFrequency = [...tallies].sort((a, b) => b[1] - a[1] || a[0] - b[0]);
  const usual = byFrequency[0]![0];
  if (byFrequency.length === 1) return `${howMany(usual)} in each ${one}`;
  const differing = spots.filter((i) => counts[i] !== usual);
  const other = byFrequency[1]![0];
  const first = counts[spots[0]!]!;
  if (
    spots.length > 3 &&
    spots.every((i, k) => counts[i] === (k % 2 === 0 ? first : first === usual ? other : usual))
  )
    return `${howMany(first)}, ${howMany(first === usual ? other : usual)} alternately in the ${many}`;
  const groups = new Map<number, number[]>();
  for (const i of differing) groups.set(counts[i]!, [...(groups.get(counts[i]!) ?? []), i]);
  const parts = [...groups].map(
    ([count, list]) => `${howMany(count)} in ${spotsNamed(edge, list, numbered)}`,
  );
  return `${howMany(usual)} in each ${one}, but ${listWords(parts)}`;
}
