/** Any hem: any piece, spacing, start, corner and facing, a few rounds of any family. For tests, by chance. */
import { CROSSING_IDS } from '../base/crossings.ts';
import { spacingsFor } from '../base/spacings.ts';
import { START_WAYS } from '../base/startWays.ts';
import type { RowsAlong } from '../piece/part.schema.ts';
import type { RoundStarts, StartOfRound } from '../base/start.ts';
import { changePiece } from '../document/changePiece.ts';
import type { Hem, RoundEntry } from '../document/hem.ts';
import { constructionOf } from '../edits/constructions.ts';
import { isPartOf } from '../piece/along.ts';
import type { GridPiece } from '../piece/grid/grid.schema.ts';
import { inField, placedMotifs } from '../piece/grid/grid.ts';
import { inRings, withMotif } from '../piece/grid/rearranged.ts';
import { LATTICE_IDS } from '../piece/grid/latticeIds.ts';
import { traced } from '../piece/grid/trace.ts';
import { bodyOf, type Piece } from '../piece/piece.ts';
import { PIECE_KINDS } from '../piece/registry.ts';
import { plan } from '../plan/planner.ts';
import { topOf } from '../plan/types.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { entriesOnto } from '../stack/stack.ts';
import { CORNERS } from '../terms/corners.ts';
import type { Chance } from '../chance.ts';
import { rowsHem } from './hems.ts';
import { anyHands } from './anyHands.ts';

export const small = (given: Parameters<typeof rowsHem>[0] = {}): Hem =>
  rowsHem({ stitches: 24, rows: [{ stitch: 'dc', count: 12 }], widthCm: 17, heightCm: 17, ...given });

/** A piece of each construction that is not among these, as it begins: a construction is tried without being named. */
export const ofOtherConstructions = (pieces: readonly Piece[]): readonly Piece[] =>
  PIECE_KINDS.filter((kind) => !pieces.some((piece) => piece.kind === kind)).map((kind) =>
    constructionOf(kind, small()),
  );

const CHOSEN: readonly (readonly [string, Piece])[] = [
  [
    'rows worked between the posts',
    {
      kind: 'rows',
      stitches: 22,
      rows: [{ stitch: 'dc', count: 9 }],
      foundation: 'both loops of the chain',
      lastRow: 'between the posts',
      widthCm: 16,
      heightCm: 12,
    },
  ],
  [
    'rows of kinds',
    {
      kind: 'rows',
      stitches: 19,
      rows: [
        { stitch: 'dc', count: 5 },
        { stitch: 'hdc', count: 4 },
        { stitch: 'sc', count: 1 },
        { stitch: 'tr', count: 3 },
      ],
      foundation: 'stitches of row 1',
      lastRow: 'stitch tops',
      widthCm: 14,
      heightCm: 17,
    },
  ],
  [
    'rows without tops',
    {
      kind: 'rows',
      stitches: 26,
      rows: [{ stitch: 'dc', count: 9 }],
      foundation: 'between the posts of row 1',
      lastRow: 'between the posts',
      widthCm: 19,
      heightCm: 17,
    },
  ],
  [
    'a solid square',
    {
      kind: 'motif',
      corners: 4,
      cornerChains: 2,
      edge: { kind: 'solid', stitch: 'dc', stitches: 21, between: false },
      sideCm: 15,
    },
  ],
  [
    'a clustered hexagon',
    {
      kind: 'motif',
      corners: 6,
      cornerChains: 1,
      edge: { kind: 'clustered', clusters: 5, stitchesEach: 3, chainsBetween: 1 },
      sideCm: 12,
    },
  ],
  [
    'a clustered square with gaps',
    {
      kind: 'motif',
      corners: 4,
      cornerChains: 3,
      edge: { kind: 'clustered', clusters: 6, stitchesEach: 3, chainsBetween: 0 },
      sideCm: 12,
    },
  ],
  [
    'a disc',
    {
      kind: 'motif',
      corners: 0,
      cornerChains: 0,
      edge: { kind: 'solid', stitch: 'dc', stitches: 60, between: false },
      sideCm: 42,
    },
  ],
  [
    'blocks',
    { kind: 'blocks', stitch: 'dc', loopChains: 3, blocksWide: 7, blocksHigh: 9, widthCm: 21, heightCm: 27 },
  ],
  [
    'motifs with an inner corner',
    {
      kind: 'grid',
      lattice: 'squares',
      halves: false,
      halfStitches: null,
      cornerChains: 2,
      cells: ['##.', '###'],
      edge: { kind: 'solid', stitch: 'dc', stitches: 8, between: false },
      motifCm: 6,
    },
  ],
  [
    'hexagons that are joined',
    {
      kind: 'grid',
      lattice: 'hexagons point up',
      halves: false,
      halfStitches: null,
      cornerChains: 2,
      cells: ['##', '##'],
      edge: { kind: 'solid', stitch: 'dc', stitches: 9, between: false },
      motifCm: 6,
    },
  ],
  [
    'squares on their point with half ones',
    {
      kind: 'grid',
      lattice: 'squares on point',
      halves: true,
      halfStitches: null,
      cornerChains: 1,
      cells: ['###', '##', '###'],
      edge: { kind: 'clustered', clusters: 5, stitchesEach: 3, chainsBetween: 1 },
      motifCm: 11,
    },
  ],
  [
    'knitted, with slipped edge stitches',
    {
      kind: 'knit',
      fabric: 'stockinette',
      stitches: 30,
      rows: 44,
      slipped: true,
      widthCm: 17,
      heightCm: 18,
    },
  ],
  [
    'knitted in ribbing',
    { kind: 'knit', fabric: 'ribbing', stitches: 27, rows: 36, slipped: false, widthCm: 15, heightCm: 15 },
  ],
  ['cloth', { kind: 'cloth', widthCm: 15, heightCm: 20, pitchMm: 8 }],
  [
    'counted',
    {
      kind: 'counted',
      sides: [
        { lengthCm: 20, stitches: 27, turnDegrees: 120 },
        { lengthCm: 20, stitches: 26, turnDegrees: 120 },
        { lengthCm: 20, stitches: 29, turnDegrees: 120 },
      ],
    },
  ],
];

export const PIECES: readonly (readonly [string, Piece])[] = [
  ...CHOSEN,
  ...ofOtherConstructions(CHOSEN.map(([, piece]) => piece)).map((piece) => [piece.kind, piece] as const),
];
export const on = (piece: Piece, hem: Hem = small()): Hem => ({ ...hem, ...changePiece(hem, piece) });

/** Joined motifs of any shape, in a field or in a ring, some with one left out. */
export function anyMotifs(chance: Chance): GridPiece {
  const one: GridPiece = {
    kind: 'grid',
    lattice: chance.pick(LATTICE_IDS),
    halves: chance.maybe(0.4),
    halfStitches: chance.maybe(0.5) ? chance.int(3, 20) : null,
    cells: ['#'],
    cornerChains: chance.int(0, 3),
    motifCm: chance.int(5, 14),
    edge: chance.maybe(0.6)
      ? {
          kind: 'solid',
          stitch: chance.pick(['sc', 'hdc', 'dc'] as const),
          stitches: chance.int(3, 14),
          between: chance.maybe(0.2),
        }
      : {
          kind: 'clustered',
          clusters: chance.int(2, 5),
          stitchesEach: chance.int(2, 4),
          chainsBetween: chance.int(0, 2),
        },
  };
  const all = chance.maybe(0.8)
    ? inField(one, { across: chance.int(1, 4), down: chance.int(1, 4) })
    : inRings(one, 1);
  if (!chance.maybe(0.4)) return all;
  const { column, row } = chance.pick(placedMotifs(all));
  const fewer = withMotif(all, column, row);
  return fewer && traced(fewer).whole ? fewer : all;
}

/** Where a round may begin, by chance. */
export const startByChance = (chance: Chance, sides: number): StartOfRound => ({
  at: chance.pick(START_WAYS.at),
  side: chance.int(0, sides - 1),
  stitches: chance.int(1, 60),
  join: chance.pick(START_WAYS.join),
  first: chance.pick(START_WAYS.first),
  chains: chance.maybe(0.6) ? null : chance.int(0, 8),
});

/** Where rounds begin and how they end, by chance. */
export const startsByChance = (chance: Chance, sides: number): RoundStarts => ({
  ...startByChance(chance, sides),
  newYarn: chance.pick(START_WAYS.newYarn),
  colour: chance.pick(START_WAYS.colour),
  lastRow: chance.pick(START_WAYS.lastRow),
  within: chance.maybe(0.5),
  ends: chance.pick(START_WAYS.ends),
  close: chance.pick(START_WAYS.close),
  ending: chance.pick(START_WAYS.ending),
});

/** Any piece, any spacing, any start, any corner, any facing, a few rounds of any family, sometimes along a part. */
export function anyHem(chance: Chance): Hem {
  const [, piece] = chance.pick(PIECES);
  let hem = on(piece);
  const { edges } = bodyOf(piece);
  const corner = (): RoundEntry['corner'] => chance.pick(CORNERS).id;
  hem = {
    ...hem,
    base: {
      ...hem.base,
      stitch: chance.pick(['sc', 'esc', 'hdc', 'dc'] as const),
      corner: corner(),
      crossing: chance.pick(CROSSING_IDS),
      hookMm: chance.maybe(0.3) ? 4.5 : null,
      endRows: chance.pick(['added', 'own'] as const),
      clusterChains: chance.int(0, 2),
      start: startsByChance(chance, edges.length),
      sides: hem.base.sides.map((side, i) => {
        const edge = edges[i]!;
        const spot = chance.int(0, edge.spots.length - 1);
        return {
          ...side,
          school: chance.pick(spacingsFor(edge)),
          count: chance.maybe(0.4) ? chance.int(edge.joins.length * 3 + 4, edge.spots.length * 2 + 4) : null,
          spots: chance.maybe(0.3) ? { [String(spot)]: chance.int(0, 3) } : {},
          crossings: chance.maybe(0.3) && edge.joins.length > 0 ? { '0': chance.pick(CROSSING_IDS) } : {},
        };
      }),
    },
  };
  for (let k = chance.int(1, 4); k > 0; k--) {
    const family = chance.pick(FAMILIES);
    // Past the corners there are no markers to go by: such a round is the last.
    if (plan(hem).rounds.some((r) => r.written?.recipe.scope === 'ring')) break;
    const top = topOf(plan(hem));
    const entries = entriesOnto(top.ring, family, 'y1', [`g${k}`, `n${k}`]).map((e): RoundEntry => {
      const own = FAMILIES.find((f) => f.id === e.family)!;
      const times = own.repeatable ? chance.int(1, 3) : 1;
      return {
        ...e,
        times,
        stitch: chance.pick(own.stitches),
        corner: chance.pick(own.corners),
        loop: chance.pick(own.loops),
        into: chance.pick(own.places),
        size: chance.pick(own.sizes),
        facing: chance.pick([null, null, 'right', 'wrong'] as const),
        yarns: chance.pick([['y1'], ['y2'], ['y1', 'y2']]),
        hookMm: chance.maybe(0.2) ? 4 : null,
        start: chance.maybe(0.2) ? startByChance(chance, edges.length) : null,
        ...anyChanges(chance, edges.length),
      };
    });
    hem = { ...hem, rounds: [...hem.rounds, ...entries] };
  }
  const known = chance.maybe(0.3) ? { ...hem, hands: anyHands(chance) } : hem;
  return { ...known, base: { ...known.base, part: chance.maybe(0.2) ? partByChance(chance, piece) : null } };
}

/** Quiet changes of the first worked round of an entry, some of them at places by chance. */
function anyChanges(chance: Chance, sides: number): Pick<RoundEntry, 'changes' | 'changesAt'> {
  if (!chance.maybe(0.3)) return { changes: {}, changesAt: {} };
  const changes = Array.from({ length: sides }, () => chance.int(-2, 2));
  if (chance.maybe(0.5)) return { changes: { '0': changes }, changesAt: {} };
  const first = chance.int(0, 6);
  const at = changes.map((change) =>
    Array.from({ length: Math.abs(change) }, (_, k) => ({ at: first + 3 * k, by: Math.sign(change) })),
  );
  return { changes: { '0': changes }, changesAt: { '0': at } };
}

/** Rows along some sides of a piece, by chance; null for a circle, which has none. */
export function partByChance(chance: Chance, piece: Piece): RowsAlong | null {
  const corners = bodyOf(piece).outline.turns.length;
  if (corners < 2) return null;
  const body = bodyOf(piece);
  const whole = {
    first: chance.int(0, corners - 1),
    sides: chance.int(1, corners - 1),
    cut: chance.maybe(0.4),
    from: 0,
    to: null,
  };
  if (chance.maybe(0.6)) return whole;
  const last = (whole.first + whole.sides - 1) % corners;
  const spotOf = (side: number): number => chance.int(1, body.edges[side]!.spots.length);
  const from = chance.maybe(0.7) ? spotOf(whole.first) : 0;
  const stretch = { ...whole, from, to: from === 0 || chance.maybe(0.5) ? spotOf(last) : null };
  return isPartOf(body, stretch) ? stretch : whole;
}
