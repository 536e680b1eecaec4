/** Small made-up pieces that the reference draws from. */
import { held } from '../../core/held.ts';
import { landmarksOf, type Landmark } from '../../core/chart/landmarks.ts';
import { changePiece } from '../../core/document/changePiece.ts';
import type { Hem, Preferences, RoundEntry } from '../../core/document/hem.ts';
import { plan } from '../../core/plan/planner.ts';
import { planComesOutEven, type Plan } from '../../core/plan/types.ts';
import type { Piece } from '../../core/piece/piece.ts';
import type { BlocksPiece } from '../../core/piece/blocks/blocks.schema.ts';
import type { ClothPiece } from '../../core/piece/cloth/cloth.schema.ts';
import type { GridPiece } from '../../core/piece/grid/grid.schema.ts';
import type { MotifPiece } from '../../core/piece/motif/motif.schema.ts';
import type { RowsPiece } from '../../core/piece/rows/rows.schema.ts';
import type { Family } from '../../core/rounds/family.ts';
import { familyWith } from '../../core/rounds/registry.ts';
import { entriesOnto, newEntry } from '../../core/stack/stack.ts';

import { STITCHES, type StitchKind } from '../../core/terms/stitches.ts';
import { newHem } from '../../core/document/newHem.ts';

const STITCHES_PER_10_CM = 14;
const cm = (stitches: number): number => (stitches * 10) / STITCHES_PER_10_CM;

export const rowsSample = (
  stitch: StitchKind,
  foundation: RowsPiece['foundation'] = 'both loops of the chain',
): RowsPiece => ({
  kind: 'rows',
  foundation,
  lastRow: 'stitch tops',
  stitches: 30,
  rows: [{ stitch, count: 22 }],
  widthCm: cm(30),
  heightCm: cm(22 * STITCHES[stitch].height),
});

export const clusters: MotifPiece = {
  kind: 'motif',
  corners: 4,
  cornerChains: 2,
  edge: { kind: 'clustered', clusters: 10, stitchesEach: 3, chainsBetween: 0 },
  sideCm: cm(30),
};

export const blocksSample: BlocksPiece = {
  kind: 'blocks',
  stitch: 'dc',
  loopChains: 3,
  blocksWide: 8,
  blocksHigh: 8,
  widthCm: cm(32),
  heightCm: cm(32),
};

export const motifs: GridPiece = {
  kind: 'grid',
  lattice: 'squares',
  halves: false,
  halfStitches: null,
  cornerChains: 2,
  cells: ['###', '###', '###'],
  edge: { kind: 'solid', stitch: 'dc', stitches: 10, between: false },
  motifCm: cm(12),
};

export const clothSample: ClothPiece = { kind: 'cloth', widthCm: cm(30), heightCm: cm(30), pitchMm: 10 };

/** The plan of a border round a sample piece. */
export function sample(
  preferences: Preferences,
  piece: Piece,
  given: { readonly base?: Partial<Hem['base']>; readonly rounds?: readonly RoundEntry[] } = {},
): Plan {
  const blank = {
    ...newHem('sample', new Date(0)),
    preferences,
    pieceColour: '#b9b29d',
    rounds: given.rounds ?? [],
  };
  const changed = changePiece(blank, piece);
  return plan({
    ...blank,
    ...changed,
    gauge: { ...blank.gauge, stitchesPer10Cm: STITCHES_PER_10_CM },
    yarns: blank.yarns.map((y, i) => ({ ...y, colour: i === 0 ? '#4d6f8f' : '#c4574a' })),
    base: { ...changed.base, ...given.base },
  });
}

/** A family, with what it needs under it, round a plain sample piece of a count at which it comes out. */
export function sampleOf(preferences: Preferences, family: Family): Plan {
  const below = sample(preferences, rowsSample('dc'), { base: { corner: 'chain-2' } });
  const rounds = entriesOnto(below.rounds[0]!.ring, family, 'contrast', ['ground', 'shown']);
  const withMore = (across: number, down: number): Plan => {
    const sides = below.hem.base.sides.map((s, i) => ({
      ...s,
      count: below.sides[i]!.count + (i % 2 === 0 ? across : down),
    }));
    return sample(preferences, rowsSample('dc'), { base: { corner: 'chain-2', sides }, rounds });
  };
  const usual = withMore(0, 0);
  if (planComesOutEven(usual)) return usual;
  // What is too few of the round that does not come out mostly helps; where more rounds are to fit, all counts are tried.
  const short = held(
    usual.rounds.find((r) => !r.even),
    'the sample does not come out even',
  ).sides.map((s) => s.fit?.short ?? 0);
  const helped = withMore(short[0]!, short[1]!);
  if (planComesOutEven(helped)) return helped;
  for (let across = 0; across < MOST_MORE; across++) {
    for (let down = 0; down < MOST_MORE; down++) {
      const made = withMore(across, down);
      if (planComesOutEven(made)) return made;
    }
  }
  return usual;
}

/** The longest repeat of a family: within so many counts more every one comes out even. */
const MOST_MORE = 13;

/** A round of a family by its id, with other choices than its first where they are given. */
export const roundOf = (id: string, given: Partial<RoundEntry> = {}): RoundEntry => ({
  ...newEntry(familyWith(id), id, 'contrast'),
  ...given,
});

/** A part of a plan to look at. */
export function landmarkOf(made: Plan, round: number, kind: Landmark['kind'], side: number): Landmark {
  const found = landmarksOf(made, round).find((l) => l.kind === kind && l.side === side);
  if (!found) throw new Error(`the sample has no ${kind} ${side}`);
  return found;
}
