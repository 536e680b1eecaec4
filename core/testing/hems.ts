/** Hems for tests: one plain starting point and ways to vary it. */
import { ONE_PIECE } from '../alike/alike.ts';
import { USUAL_START } from '../base/start.ts';
import { USUAL_RATES } from '../base/spacings.ts';
import type { BaseRound, SideChoice } from '../base/baseRound.ts';
import type { Hem, RoundEntry } from '../document/hem.ts';
import { firstChoice } from '../rounds/facts.ts';
import { familyById } from '../rounds/registry.ts';
import type { StitchKind } from '../terms/stitches.ts';

export const sideChoice = (count: number | null = null): SideChoice => ({
  school: 'each',
  own: { stitches: 3, spots: 2 },
  count,
  crossings: {},
  spots: {},
});

/** A blanket of dc rows whose base round lies flat, small enough for a search. */
export const flatBlanket = (rounds: readonly RoundEntry[] = []): Hem =>
  rowsHem({
    stitches: 61,
    rows: [{ stitch: 'dc', count: 32 }],
    widthCm: 43,
    heightCm: 45,
    counts: [59, 61, 59, 61],
    rounds,
  });

/** An entry of a plain round, or of another family as it is first offered. */
export const entry = ({
  yarn,
  ...given
}: Partial<RoundEntry> & { readonly yarn?: string } = {}): RoundEntry => ({
  id: 'r1',
  family: 'plain',
  stitch: 'sc',
  corner: 'three',
  cornerOpen: false,
  anew: false,
  slide: 0,
  loop: 'both',
  into: 'stitch',
  yarns: [yarn ?? 'y1'],
  times: 1,
  size: 1,
  facing: null,
  hookMm: null,
  start: null,
  written: null,
  changes: {},
  changesAt: {},
  ...(given.family && familyById(given.family) ? firstChoice(familyById(given.family)!) : {}),
  ...given,
});

/** A rectangle of dc rows with base sides of the given counts along their edges. */
export function rowsHem(
  given: {
    readonly counts?: readonly (number | null)[];
    readonly rounds?: readonly RoundEntry[];
    readonly base?: Partial<BaseRound>;
    readonly stitches?: number;
    readonly rows?: readonly { readonly stitch: StitchKind; readonly count: number }[];
    readonly widthCm?: number;
    readonly heightCm?: number;
    readonly stitchesPer10Cm?: number;
  } = {},
): Hem {
  const counts = given.counts ?? [null, null, null, null];
  return {
    format: 'zig-hem',
    version: 17,
    hands: null,
    alike: ONE_PIECE,
    id: 'test',
    name: 'Test blanket',
    created: '2026-01-01T00:00:00.000Z',
    changed: '2026-01-01T00:00:00.000Z',
    preferences: { language: 'us', hand: 'right', length: 'cm', paper: 'a4' },
    piece: {
      kind: 'rows',
      foundation: 'both loops of the chain',
      lastRow: 'stitch tops',
      stitches: given.stitches ?? 152,
      rows: given.rows ?? [{ stitch: 'dc', count: 84 }],
      widthCm: given.widthCm ?? 110,
      heightCm: given.heightCm ?? 118,
    },
    pieceColour: '#888888',
    partColours: {},
    bodyLies: 'flat',
    secondReadings: {},
    gauge: { stitchesPer10Cm: given.stitchesPer10Cm ?? 14, hookMm: 5 },
    yarns: [
      {
        id: 'y1',
        name: 'Plain yarn',
        colour: '#aa5544',
        weight: 4,
        metresPer100G: 190,
        ballG: 50,
        diameterMm: 3,
        haveG: null,
        price: null,
      },
      {
        id: 'y2',
        name: 'Other yarn',
        colour: '#4455aa',
        weight: 4,
        metresPer100G: 190,
        ballG: 50,
        diameterMm: 3,
        haveG: null,
        price: null,
      },
    ],
    base: {
      stitch: 'sc',
      corner: 'three',
      yarn: 'y1',
      crossing: 'both',
      hookMm: null,
      rates: USUAL_RATES,
      endRows: 'added',
      betweenPosts: false,
      part: null,
      clusterChains: 0,
      start: { ...USUAL_START, first: 'chain' },
      sides: counts.map(sideChoice),
      ...given.base,
    },
    rounds: given.rounds ?? [],
    weighIns: [],
    pace: 18,
    blocking: 1,
    notes: '',
    madeFor: '',
    madeOn: '',
    kept: [],
    record: [],
  };
}
