/** Reads how many stitches each spot of an edge takes, to the letter. */
import type { Edge, SpotKind } from '../../piece/edge.ts';
import { stitchOf, type Stitch } from '../../ring/stitch.ts';
import { Unclear, numbers, type Reader } from './crochet.ts';

const KINDS: Readonly<Record<string, readonly SpotKind[]>> = {
  row: ['row end'],
  'row end': ['row end', 'knit row end'],
  ridge: ['ridge'],
  st: [
    'stitch top',
    'cluster stitch',
    'counted stitch',
    'bound-off stitch',
    'cast-on stitch',
    'slipped edge stitch',
  ],
  chain: ['foundation chain'],
  gap: ['gap', 'block gap'],
  space: ['between stitches'],
  'space between two st': ['between stitches'],
  block: ['block'],
  hole: ['hole'],
};
const NOUN = '(?:row ends?|rows?|ridges?|sts?|chains?|gaps?|spaces?|blocks?|holes?)';

/** Stitches that go into every spot of an edge. @returns stitches for each spot, in working order */
export function alongEdge(
  text: string,
  edge: Edge,
  own: Stitch,
  reader: Reader,
): readonly (readonly Stitch[])[] {
  const seams = /; at (?:the|each|seam)/.exec(text)?.index ?? text.length;
  const counts = edge.spots.map(() => 0);
  if (text.slice(0, seams) !== 'nothing along this side')
    for (const part of text.slice(0, seams).split('; ')) placePart(part, edge, counts, reader);
  const made: (readonly Stitch[])[] = counts.map((n) => Array.from({ length: n }, () => own));
  crossSeams(text.slice(seams), edge, made, reader);
  return made;
}

function placePart(part: string, edge: Edge, counts: number[], reader: Reader): void {
  const run = /^((?:row end|row)s? [\d–]+): (.*)$/.exec(part);
  const words = run ? run[2]! : part;
  const called = (name: string): readonly number[] =>
    run ? rowsCalled(run[1]!, edge) : spotsCalled(name, edge, reader);
  const turns = /^(\d+|none), (\d+|none) alternately in the (.+)$/.exec(words);
  if (turns) {
    called(turns[3]!).forEach((spot, k) => {
      counts[spot] = count(turns[k % 2 === 0 ? 1 : 2]!);
    });
    return;
  }
  const each = /^(\d+|none) in each (.+?)(?:, but (.+))?$/.exec(words);
  if (!each) throw new Unclear(`how is “${words}” to be placed?`);
  for (const spot of called(each[2]!)) counts[spot] = count(each[1]!);
  if (each[3] === undefined) return;
  const start = `(?:\\d+|none) in ${NOUN} `;
  for (const exception of each[3].split(new RegExp(`(?:, | and )(?=${start})`))) {
    const m = /^(\d+|none) in (.+)$/.exec(exception);
    if (!m) throw new Unclear(`what is “${exception}”?`);
    for (const spot of spotsListed(m[2]!, edge)) counts[spot] = count(m[1]!);
  }
}

const count = (word: string): number => (word === 'none' ? 0 : Number(word));

/** Spots by what they are called: “row”, “dc row”, “gap”, “space between two sts”. */
function spotsCalled(name: string, edge: Edge, reader: Reader): readonly number[] {
  const one = name.replace(/s$/, '').replace(/^spaces/, 'space');
  const row = /^(\w+) row$/.exec(one);
  if (row) {
    const { kind } = reader.stitch(row[1]!);
    return edge.spots.flatMap((s, i) => (s.kind === 'row end' && s.stitch === kind ? [i] : []));
  }
  const kinds = KINDS[one];
  if (!kinds) throw new Unclear(`what is a “${name}”?`);
  return ofKind(edge, kinds);
}

function rowsCalled(name: string, edge: Edge): readonly number[] {
  const rows = /^(row end|row)s? (\d+)(?:–(\d+))?$/.exec(name)!;
  const [a, b] = [Number(rows[2]), Number(rows[3] ?? rows[2])];
  return edge.spots.flatMap((_, i) => {
    // Rows are numbered on the piece, their ends along the side.
    const row = rows[1] === 'row' ? rowAt(edge, i) : i + 1;
    return row >= Math.min(a, b) && row <= Math.max(a, b) ? [i] : [];
  });
}

const rowAt = (edge: Edge, i: number): number =>
  edge.stretch
    ? rowAt(edge.stretch.of, edge.stretch.from + i)
    : edge.numbering.from === 'first'
      ? i + 1
      : edge.spots.length - i;

const ofKind = (edge: Edge, kinds: readonly SpotKind[]): readonly number[] =>
  edge.spots.flatMap(({ kind }, i) => (kinds.includes(kind) ? [i] : []));

/** “rows 14 and 39”, “sts 3 and 8 of motif 3, st 2 of motif 5”. */
export function spotsListed(text: string, edge: Edge): readonly number[] {
  return text.split(new RegExp(`, (?=${NOUN} )`)).flatMap((group) => {
    const m = new RegExp(`^(${NOUN}) (.+?)(?: of motif (\\d+))?$`).exec(group);
    if (!m) throw new Unclear(`which spots are “${group}”?`);
    const one = m[1]!.replace(/s$/, '');
    const motif = m[3] === undefined ? null : Number(m[3]);
    return numbers(m[2]!).map((number) => spotCalled(edge, one, number, motif));
  });
}

function spotCalled(edge: Edge, noun: string, number: number, motif: number | null): number {
  // Rows and motifs are numbered on the piece, whatever stretch of it is worked.
  if (edge.stretch && (noun === 'row' || motif !== null))
    return spotCalled(edge.stretch.of, noun, number, motif) - edge.stretch.from;
  if (noun === 'row end') return number - 1;
  if (noun === 'row') return edge.numbering.from === 'first' ? number - 1 : edge.spots.length - number;
  const from = motif === null || motif === 1 ? 0 : edge.joins[motif - 2]! + 3;
  const spot = ofKind(edge, KINDS[noun]!).filter((i) => i >= from)[number - 1];
  if (spot === undefined) throw new Unclear(`there is no ${noun} ${number}`);
  return spot;
}

function crossSeams(text: string, edge: Edge, made: (readonly Stitch[])[], reader: Reader): void {
  const told = new Map<number, string>();
  for (const part of text.split('; at ').slice(1)) {
    const m = /^(?:the seam|each of the \d+ seams|seams? ([\d, and]+)): (.+)$/.exec(part);
    if (!m) throw new Unclear(`what is done “at ${part}”?`);
    const seams = m[1] === undefined ? edge.joins.map((_, i) => i + 1) : numbers(m[1]);
    for (const seam of seams) told.set(seam - 1, m[2]!);
  }
  edge.joins.forEach((first, seam) => {
    const words = told.get(seam);
    if (words === undefined) throw new Unclear(`seam ${seam + 1} is not told`);
    const [a, b, c] = across(words, reader);
    made[first] = a;
    made[first + 1] = b;
    made[first + 2] = c;
  });
}

type Across = readonly [readonly Stitch[], readonly Stitch[], readonly Stitch[]];

function across(words: string, reader: Reader): Across {
  const one = (word: string): Stitch => reader.stitch(word);
  const two = (word: string): Stitch => stitchOf({ ...one(word), form: 'together', legs: 2 });
  let m = /^1 (.+) in each of its two corner (?:spaces|sts)$/.exec(words);
  if (m) return [[one(m[1]!)], [], [one(m[1]!)]];
  m = /^1 (.+) in its first corner (?:space|st), (\w+)2tog over both, 1 (.+) in its second$/.exec(words);
  if (m) return [[one(m[1]!), two(m[2]!)], [], [one(m[3]!)]];
  m = /^(\w+)2tog over its two corner (?:spaces|sts)$/.exec(words);
  if (m) return [[two(m[1]!)], [], []];
  m = /^1 (.+) (?:into the dip of the seam|through the seam)$/.exec(words);
  if (m) return [[], [one(m[1]!)], []];
  if (/^nothing/.test(words)) return [[], [], []];
  throw new Unclear(`how is a seam crossed with “${words}”?`);
}
