/**
 * Files of older versions brought up to the one in force, a step for each version. A step only adds what the later
 * version needs; it does not check: what was unsound stays so and is named by the check that follows.
 */
import { ONE_PIECE } from '../alike/alike.ts';
import { LIMITS } from '../limits.ts';
import { USUAL_RATES } from '../base/spacings.ts';
import { familyById } from '../rounds/registry.ts';
import { VERSION } from './format.ts';

type Value = Readonly<Record<string, unknown>>;

const isRecord = (value: unknown): value is Value =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Changes that a step makes to the border of a file, to those put aside, and to what was begun. */
const everyBorder = (
  file: Value,
  border: (border: Value) => Value,
  event: (event: Value) => Value,
): Value => {
  const each = (list: unknown, change: (one: Value) => Value): unknown =>
    Array.isArray(list)
      ? list.map((one: unknown) => (isRecord(one) ? { ...one, ...change(one) } : one))
      : list;
  return { ...border(file), kept: each(file.kept, border), record: each(file.record, event) };
};

/** The step from version n is at n − 1. */
const STEPS: readonly ((file: Value) => Value)[] = [
  // Version 2: paper for the printed pattern, and the maker's own notes.
  (file) => ({
    ...file,
    notes: file.notes ?? '',
    preferences: isRecord(file.preferences) ? { paper: 'a4', ...file.preferences } : file.preferences,
  }),
  // Version 3: what was weighed says which round of which entry it was, no longer its number in the stack.
  (file) => ({
    ...file,
    weighIns: Array.isArray(file.weighIns)
      ? file.weighIns.map((weighIn: unknown) => byEntry(weighIn, file.rounds))
      : file.weighIns,
  }),
  // Version 4: every worked round may have a yarn and a start of its own; what practitioners choose about the base round.
  (file) => ({
    ...file,
    ...bordersOf4(file),
    piece: pieceOf4(file.piece),
    kept: Array.isArray(file.kept)
      ? file.kept.map((kept: unknown) => (isRecord(kept) ? { ...kept, ...bordersOf4(kept) } : kept))
      : file.kept,
  }),
  // Version 5: what was really done.
  (file) => ({ record: [], ...file }),
  // Version 6: more is noted of a look.
  (file) => ({
    ...file,
    record: Array.isArray(file.record) ? file.record.map((event: unknown) => lookOf6(event)) : file.record,
  }),
  // Version 7: colors of parts of the piece, how it lies by itself, second readings of the tape.
  (file) => ({ partColours: {}, bodyLies: 'flat', secondReadings: {}, ...file }),
  // Version 8: entries of the record may be struck.
  (file) => file,
  // Version 9: what is known of the hands.
  (file) => ({ hands: null, ...file }),
  // Version 10: what stays found when it is ripped back, what a repair answers and changed, how far finishing is.
  (file) => ({
    ...file,
    record: Array.isArray(file.record) ? file.record.map((event: unknown) => repairOf10(event)) : file.record,
  }),
  // Version 11: a pattern goes on from the one below; before, it was begun anew. More is chosen of starts and ends.
  (file) => ({
    ...file,
    ...everyBorder(file, begunAnew, begunEvent),
  }),
  // Version 12: how rounds are closed, patterns past corners slid by hand, for whom and when it was made.
  (file) => ({
    madeFor: '',
    madeOn: '',
    ...file,
    piece: pieceOf12(file.piece),
    ...everyBorder(file, closed12, closedEvent12),
  }),
  // Version 13: places between stitches, chains between groups, own rounds with a name, many pieces alike.
  (file) => ({
    alike: ONE_PIECE,
    ...file,
    piece: pieceOf13(file.piece),
    ...everyBorder(file, border13, event13),
  }),
  // Version 14: rows along a part of the piece.
  (file) => ({ ...file, ...everyBorder(file, border14, event14) }),
  // Version 15: joined motifs of other shapes than squares.
  (file) => ({
    ...file,
    piece: pieceOf15(file.piece),
    ...everyBorder(file, () => ({}), event15),
  }),
  // Version 16: which ends are woven in.
  (file) => ({
    ...file,
    record: Array.isArray(file.record) ? file.record.map((event: unknown) => tidied16(event)) : file.record,
  }),
  // Version 17: quiet changes at chosen places; rounds that go on otherwise, readings of the tape at the edge.
  (file) => ({ ...file, ...everyBorder(file, border17, event17) }),
];

/** Quiet changes that were made where they show least. */
const border17 = ({ rounds }: Value): Value =>
  Array.isArray(rounds)
    ? { rounds: rounds.map((entry: unknown) => (isRecord(entry) ? { changesAt: {}, ...entry } : entry)) }
    : {};

const event17 = ({ entry }: Value): Value => (isRecord(entry) ? { entry: { changesAt: {}, ...entry } } : {});

/** Ends that were counted alone are the first ones. */
const tidied16 = (event: unknown): unknown =>
  isRecord(event) && event.did === 'tidied' && typeof event.ends === 'number'
    ? { which: Array.from({ length: Math.min(10_000, Math.max(0, event.ends)) }, (_, k) => k), ...event }
    : event;

/** Joined motifs that were squares. */
const pieceOf15 = (piece: unknown): unknown =>
  isRecord(piece) && piece.kind === 'grid'
    ? { lattice: 'squares', halves: false, halfStitches: null, ...piece }
    : piece;

const event15 = ({ ground }: Value): Value =>
  isRecord(ground) && 'piece' in ground ? { ground: { ...ground, piece: pieceOf15(ground.piece) } } : {};

/** A border that went all round. */
const border14 = ({ base }: Value): Value => (isRecord(base) ? { base: { part: null, ...base } } : {});

const event14 = ({ ground }: Value): Value =>
  isRecord(ground) ? { ground: { ...ground, ...border14(ground) } } : {};

/** A border that was worked into stitches, with nothing between its groups. */
const border13 = ({ base, rounds }: Value): Value => ({
  ...(isRecord(base) && { base: { betweenPosts: false, ...base } }),
  ...(Array.isArray(rounds) && {
    rounds: rounds.map((entry: unknown) => (isRecord(entry) ? entryOf13(entry) : entry)),
  }),
});

const entryOf13 = (entry: Value): Value => ({
  into: 'stitch',
  ...entry,
  ...(GROUPS_OF_12.has(entry.family) && { size: 0 }),
  ...(isRecord(entry.written) && { written: { name: '', note: '', ...entry.written } }),
});

/** Families whose groups stood side by side. */
const GROUPS_OF_12: ReadonlySet<unknown> = new Set(['cluster', 'gap-cluster']);

const event13 = ({ entry, ground }: Value): Value => ({
  ...(isRecord(entry) && { entry: entryOf13(entry) }),
  ...(isRecord(ground) && {
    ground: { ...ground, ...border13(ground), ...('piece' in ground && { piece: pieceOf13(ground.piece) }) },
  }),
});

/** Stitches side by side were worked into; loops had the chains of the blocks’ stitch. */
const pieceOf13 = (piece: unknown): unknown =>
  isRecord(piece) && piece.kind === 'blocks'
    ? { loopChains: piece.stitch === 'dc' ? 3 : 2, ...piece }
    : isRecord(piece) && isRecord(piece.edge) && piece.edge.kind === 'solid'
      ? { ...piece, edge: { between: false, ...piece.edge } }
      : piece;

/** A border whose rounds were closed with slip stitches. */
const closed12 = ({ base, rounds }: Value): Value => ({
  ...(isRecord(base) &&
    isRecord(base.start) && {
      base: {
        ...base,
        start: { close: 'slip stitch', within: false, ends: 'crocheted over', ...base.start },
      },
    }),
  ...(Array.isArray(rounds) && {
    rounds: rounds.map((entry: unknown) => (isRecord(entry) ? { slide: 0, ...entry } : entry)),
  }),
});

const closedEvent12 = ({ entry, ground }: Value): Value => ({
  ...(isRecord(entry) && { entry: { slide: 0, ...entry } }),
  ...(isRecord(ground) && {
    ground: { ...ground, ...closed12(ground), ...('piece' in ground && { piece: pieceOf12(ground.piece) }) },
  }),
});

/** Corners of joined motifs were spaces. */
const pieceOf12 = (piece: unknown): unknown =>
  isRecord(piece) && piece.kind === 'grid' ? { cornerChains: 2, ...piece } : piece;

/** A round that was begun, as it was then. */
const begunEvent = ({ entry, ground }: Value): Value => ({
  ...(isRecord(entry) && { entry: { anew: true, ...entry, ...startOf11(entry) } }),
  ...(isRecord(ground) && { ground: { ...ground, ...baseOf11(ground) } }),
});

const startOf11 = ({ start }: Value): Value =>
  isRecord(start) ? { start: { stitches: 1, chains: null, ...start } } : {};

const baseOf11 = ({ base }: Value): Value => {
  if (!isRecord(base) || !isRecord(base.start)) return {};
  const { start } = startOf11(base) as { start: Value };
  return { base: { ...base, start: { colour: 'anew', lastRow: 'cut', ending: 'slip stitch', ...start } } };
};

/** A border, as it was worked before patterns went on from those below. */
function begunAnew({ rounds, ...border }: Value): Value {
  const base = baseOf11(border);
  if (!Array.isArray(rounds)) return base;
  const familyOf = (entry: unknown): unknown => (isRecord(entry) ? entry.family : undefined);
  return {
    ...base,
    rounds: rounds.map((entry: unknown, k) =>
      isRecord(entry)
        ? { anew: k > 0 && familyOf(rounds[k - 1]) === entry.family, ...entry, ...startOf11(entry) }
        : entry,
    ),
  };
}

const lookOf6 = (event: unknown): unknown =>
  isRecord(event) && event.did === 'looked' ? { sidesCm: [], depthCm: null, photo: null, ...event } : event;

const repairOf10 = (event: unknown): unknown =>
  isRecord(event) && event.did === 'ripped'
    ? { found: [], ...event }
    : isRecord(event) && event.did === 'repaired'
      ? { off: [], adjusted: [], ...event }
      : event;

function bordersOf4({ base, rounds }: Value): Value {
  return {
    base: isRecord(base)
      ? {
          hookMm: null,
          rates: USUAL_RATES,
          endRows: 'added',
          clusterChains: 0,
          ...base,
          start: isRecord(base.start) ? startOf4(base.start) : base.start,
          sides: Array.isArray(base.sides)
            ? base.sides.map((side: unknown) => (isRecord(side) ? { spots: {}, ...side } : side))
            : base.sides,
        }
      : base,
    rounds: Array.isArray(rounds)
      ? rounds.map((entry: unknown) => {
          if (!isRecord(entry)) return entry;
          const { yarn, ...rest } = entry;
          const yarns = yarn === undefined ? {} : { yarns: [yarn] };
          return { ...yarns, start: null, ...rest, ...choicesOf4(entry) };
        })
      : rounds,
  };
}

/** A piece in rows says what is worked into along its last row; the side of a joined motif may be of clusters too. */
function pieceOf4(piece: unknown): unknown {
  if (!isRecord(piece)) return piece;
  if (piece.kind === 'rows') return { lastRow: 'stitch tops', ...piece };
  if (piece.kind !== 'grid' || piece.motifStitches === undefined) return piece;
  const { motifStitches: stitches, ...rest } = piece;
  return { edge: { kind: 'solid', stitch: 'dc', stitches }, ...rest };
}

/** Where a family leaves no choice, there is only the one that it has. */
function choicesOf4(entry: Value): Value {
  const family = typeof entry.family === 'string' ? familyById(entry.family) : undefined;
  if (!family) return {};
  const only = <T>(key: string, offered: readonly T[]): Value =>
    offered.includes(entry[key] as T) || entry[key] === undefined ? {} : { [key]: offered[0] };
  return {
    ...only('stitch', family.stitches),
    ...only('corner', family.corners),
    ...only('loop', family.loops),
    ...only('size', family.sizes),
  };
}

function startOf4({ chainCounts, ...start }: Value): Value {
  const first = chainCounts === true ? 'counted chain' : 'chain';
  return { ...(chainCounts === undefined ? {} : { first }), newYarn: 'same place', ...start };
}

/** A weighing of a round by number as one by entry. One of a round that is no longer there keeps its yarn and weight. */
function byEntry(weighIn: unknown, rounds: unknown): unknown {
  if (!isRecord(weighIn) || !isRecord(weighIn.of) || typeof weighIn.of.round !== 'number') return weighIn;
  const number = weighIn.of.round;
  const worked = [{ entry: null as unknown, index: 0 }];
  for (const entry of Array.isArray(rounds) ? (rounds as unknown[]) : []) {
    if (!isRecord(entry) || worked.length > number) continue;
    const family = typeof entry.family === 'string' ? familyById(entry.family) : undefined;
    const times = typeof entry.times === 'number' ? Math.min(entry.times, LIMITS.rounds) : 0;
    for (let index = 0; index < times * (family?.roundsPerRepeat ?? 1); index++) {
      worked.push({ entry: entry.id, index });
    }
  }
  const round = worked[number] ?? { entry: 'a round that was taken off', index: 0 };
  return { ...weighIn, of: { ...weighIn.of, round } };
}

/** A file of any known version as one of the version in force; anything else is given back as it is. */
export function migrate(value: unknown): unknown {
  if (!isRecord(value)) return value;
  let file = value;
  while (typeof file.version === 'number' && file.version >= 1 && file.version < VERSION) {
    const step = STEPS[file.version - 1];
    // A version that is no whole number is left to the check.
    if (!step) break;
    file = { ...step(file), version: file.version + 1 };
  }
  return file;
}
