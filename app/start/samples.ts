import { held } from '../../core/held.ts';
import { changePiece } from '../../core/document/changePiece.ts';
import { newHem } from '../../core/document/newHem.ts';
import type { Hem } from '../../core/document/hem.ts';
import { partOfMotif } from '../../core/piece/grid/grid.ts';
import type { Piece } from '../../core/piece/piece.ts';
import type { PieceKind } from '../../core/piece/registry.ts';
import { familyById } from '../../core/rounds/registry.ts';
import { newEntry } from '../../core/stack/stack.ts';

/** A small piece of a kind, with the colours that it is shown in. */
interface Sample<P> {
  readonly piece: P;
  readonly colour: string;
  /** Colours of its parts, by their numbers. */
  readonly parts?: Readonly<Record<string, string>>;
  /** Yarns of its base round and of its edge. */
  readonly border: readonly [base: string, edge: string];
  readonly family: string;
}

const [CREAM, TEAL, ROSE, OCHRE, INK, LEAF] = [
  '#efe6d2',
  '#3f7f86',
  '#b9596a',
  '#d79a3b',
  '#2f3a5f',
  '#7c9a5b',
] as const;

const PAINTED = [TEAL, CREAM, ROSE, OCHRE] as const;

/** Nine squares, no two neighbours of one colour. */
const paintedSquares = (): Readonly<Record<string, string>> =>
  Object.fromEntries(
    [0, 1, 2].flatMap((row) =>
      [0, 1, 2].map(
        (column) => [String(partOfMotif(column, row)), PAINTED[(column + 2 * row) % 4]!] as const,
      ),
    ),
  );

/** One piece of each kind that somebody might have made, with an edge. */
const SAMPLES: { readonly [K in PieceKind]: Sample<Extract<Piece, { kind: K }>> } = {
  rows: {
    piece: {
      kind: 'rows',
      stitches: 36,
      rows: [5, 2, 5, 2, 5].map((count, i) => ({ stitch: i % 2 === 0 ? 'dc' : 'sc', count })),
      foundation: 'both loops of the chain',
      lastRow: 'stitch tops',
      widthCm: 27,
      heightCm: 24.5,
    },
    colour: CREAM,
    parts: { '0': TEAL, '1': OCHRE, '2': CREAM, '3': OCHRE, '4': TEAL },
    border: [INK, OCHRE],
    family: 'shell',
  },
  motif: {
    piece: {
      kind: 'motif',
      corners: 6,
      cornerChains: 2,
      edge: { kind: 'solid', stitch: 'dc', stitches: 19, between: false },
      sideCm: 15,
    },
    colour: CREAM,
    parts: { '0': LEAF, '1': CREAM, '2': LEAF, '3': OCHRE, '4': ROSE, '5': OCHRE },
    border: [LEAF, ROSE],
    family: 'picot-edge',
  },
  blocks: {
    piece: {
      kind: 'blocks',
      stitch: 'dc',
      loopChains: 3,
      blocksWide: 11,
      blocksHigh: 9,
      widthCm: 27,
      heightCm: 22,
    },
    colour: ROSE,
    border: [CREAM, INK],
    family: 'crossed-doubles',
  },
  grid: {
    piece: {
      kind: 'grid',
      lattice: 'squares',
      halves: false,
      halfStitches: null,
      cornerChains: 2,
      cells: ['###', '###', '###'],
      edge: { kind: 'clustered', clusters: 4, stitchesEach: 3, chainsBetween: 0 },
      motifCm: 9,
    },
    colour: CREAM,
    parts: paintedSquares(),
    border: [INK, CREAM],
    family: 'plain',
  },
  cloth: {
    piece: { kind: 'cloth', widthCm: 26, heightCm: 24, pitchMm: 8 },
    colour: '#c9d7dd',
    border: [INK, INK],
    family: 'v-stitch',
  },
  knit: {
    piece: {
      kind: 'knit',
      fabric: 'garter',
      stitches: 44,
      rows: 76,
      slipped: false,
      widthCm: 26,
      heightCm: 23,
    },
    colour: '#a9719b',
    border: [CREAM, OCHRE],
    family: 'pointed-picot',
  },
  counted: {
    // An outline with a step, as no other kind has it.
    piece: {
      kind: 'counted',
      sides: [
        { lengthCm: 14, stitches: 19, turnDegrees: 90 },
        { lengthCm: 24, stitches: 33, turnDegrees: 90 },
        { lengthCm: 28, stitches: 38, turnDegrees: 90 },
        { lengthCm: 12, stitches: 17, turnDegrees: 90 },
        { lengthCm: 14, stitches: 19, turnDegrees: 90 },
        { lengthCm: 12, stitches: 17, turnDegrees: -90 },
      ],
    },
    colour: OCHRE,
    border: [TEAL, TEAL],
    family: 'reverse-edge',
  },
};

/** A sample of a kind, as a hem. */
export function sampleHem(kind: PieceKind, now: Date): Hem {
  const { piece, colour, parts = {}, border, family } = SAMPLES[kind] as Sample<Piece>;
  const usual = newHem(kind, now);
  const yarn = held(usual.yarns[0], 'a new hem has a yarn');
  const yarns = border.map((c, i) => ({ ...yarn, id: `yarn ${i}`, colour: c }));
  const [base, edge] = yarns as [(typeof yarns)[0], (typeof yarns)[0]];
  return {
    ...usual,
    ...changePiece({ ...usual, base: { ...usual.base, yarn: base.id } }, piece),
    yarns,
    rounds: [newEntry(held(familyById(family), 'samples have edges that there are'), 'edge', edge.id)],
    pieceColour: colour,
    partColours: parts,
  };
}
