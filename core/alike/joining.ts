/** Joining pieces that are alike: what stands in its way, its stitches, yarn and time. */
import type { Outline } from '../piece/outline.ts';
import { movementCount } from '../ring/making.ts';
import { sideSpan, tallySide, type Ring } from '../ring/ring.ts';
import { chainRun, isChainRun, stitchOf, type Stitch } from '../ring/stitch.ts';
import { TAIL_M, yarnInStitchMm } from '../yarn/yarn.ts';
import type { Alike, JoinId } from './alike.ts';
import { endsOfSeam, laidOut, type PiecesLaidOut, type Seam } from './seams.ts';
import { tilingOf, type SidesMet } from './tilings.ts';

/** Reasons for which pieces cannot be joined in a way. */
export type JoinRefused =
  'one piece' | 'only a part' | 'leaves gaps' | 'last round not straight' | 'no chain spaces';

export interface JoiningInputs {
  readonly alike: Alike;
  readonly outline: Outline;
  /** The last round of the border. */
  readonly ring: Ring;
  readonly edge: 'straight' | 'lobed' | 'fringed';
  readonly widthMm: number;
  readonly diameterMm: number;
}

/** Two sides that meet in a seam, with places that do not pair off. */
export interface Unequal {
  /** Numbers of the sides. */
  readonly sides: readonly [number, number];
  readonly places: readonly [number, number];
}

export interface Joining {
  readonly layout: PiecesLaidOut;
  readonly join: JoinId;
  readonly refused: JoinRefused | null;
  readonly unequal: readonly Unequal[];
  readonly seams: readonly Seam[];
  /** Sides that meet, and the joins along one of them, its corners included. */
  readonly pairs: readonly (SidesMet & { readonly joins: number })[];
  /** In all. */
  readonly joins: number;
  /** Whether the corners are joined, too: as pieces are made, only those that are spaces. */
  readonly withCorners: boolean;
  /** Of chain spaces that are joined as they are made, the chains of each, every number once. */
  readonly chains: readonly number[];
  readonly metres: number;
  /** Ends of yarn that the seams leave. */
  readonly ends: number;
  /** Movements of the hook or the needle, without the ends. */
  readonly movements: number;
}

/** Joins of the pieces; null where they are not joined. */
export function joiningOf(inputs: JoiningInputs): Joining | null {
  const { alike, ring, outline, widthMm, diameterMm } = inputs;
  const { join } = alike;
  if (join === 'not joined') return null;
  const layout = laidOut(alike);
  const refused = refusedBy(inputs);
  const none: Joining = {
    layout,
    join,
    refused,
    unequal: [],
    seams: [],
    pairs: [],
    joins: 0,
    withCorners: false,
    chains: [],
    metres: 0,
    ends: 0,
    movements: 0,
  };
  const tiling = tilingOf(outline);
  if (refused !== null || tiling === null) return none;
  const made = join === 'as they are made';
  const places = (side: number): number => (made ? spacesOn(ring, side).length : placesToJoin(ring, side));
  const met = tiling.met(layout);
  const unequal = met
    .map(({ sides: [a, b] }): Unequal => ({ sides: [a, b], places: [places(a), places(b)] }))
    .filter(({ places: [a, b] }) => a !== b);
  // A seam goes from corner to corner; as they are made, only corners that are spaces are joined.
  const withCorners = !made || cornerSpaces(ring).length > 0;
  const along = ([a, b]: readonly [number, number]): number =>
    Math.min(places(a), places(b)) + (withCorners ? 2 : 0);
  const pairs = met.map((pair) => ({ ...pair, joins: along(pair.sides) }));
  const joins = pairs.reduce((sum, pair) => sum + pair.joins * pair.times, 0);
  const seams = made ? [] : tiling.seams(layout);
  const chains = made ? chainsJoined(ring, outline) : [];
  const { mm, movements } = made
    ? inPlaceOfChain(chains, widthMm, diameterMm)
    : oneJoin(join, widthMm, diameterMm);
  const ends = seams.reduce((sum, seam) => sum + endsOfSeam(seam), 0);
  return {
    ...none,
    unequal,
    seams,
    pairs,
    joins,
    withCorners,
    chains,
    metres: (joins * mm) / 1000 + ends * TAIL_M,
    ends,
    movements: joins * movements,
  };
}

function refusedBy({ alike, outline, ring, edge }: JoiningInputs): JoinRefused | null {
  if (alike.count < 2) return 'one piece';
  if (outline.part) return 'only a part';
  if (tilingOf(outline) === null) return 'leaves gaps';
  if (alike.join === 'as they are made')
    return outline.turns.some((_, side) => spacesOn(ring, side).length > 0) ? null : 'no chain spaces';
  return edge === 'straight' ? null : 'last round not straight';
}

/** Stitches and chain spaces along a side that are joined to those across, each once. */
const placesToJoin = (ring: Ring, side: number): number =>
  tallySide(ring, side).stitches + spacesOn(ring, side).length;

/** Chain spaces along a side, as their chains. */
function spacesOn(ring: Ring, side: number): readonly number[] {
  const { start, length } = sideSpan(ring, side);
  return Array.from({ length }, (_, k) => ring.made[(start + k) % ring.made.length]!)
    .filter(isChainRun)
    .map(({ chains }) => chains);
}

/** Chains of the spaces that are joined as they are made, those of the corners included; every number once, the most first. */
function chainsJoined(ring: Ring, { turns }: Outline): readonly number[] {
  const all = [...turns.flatMap((_, side) => spacesOn(ring, side)), ...cornerSpaces(ring)];
  return [...new Set(all)].sort((a, b) => b - a);
}

/** Corners that are chain spaces, as their chains. */
const cornerSpaces = (ring: Ring): readonly number[] =>
  ring.centres.flatMap(({ start, length }) => {
    const middle = length > 0 ? ring.made[start]! : null;
    return middle && isChainRun(middle) ? [middle.chains] : [];
  });

interface OneJoin {
  readonly mm: number;
  readonly movements: number;
}

/** Movements in which a needle goes through both pieces and is drawn tight: as long as a single crochet takes. */
const SEWN = 3;

/** Yarn and movements of one join of two stitches. */
function oneJoin(join: JoinId, widthMm: number, diameterMm: number): OneJoin {
  const hooked = (stitch: Stitch): OneJoin => ({
    mm: yarnInStitchMm(stitch, widthMm, diameterMm),
    movements: movementCount(stitch),
  });
  switch (join) {
    case 'single crochet':
      return hooked(stitchOf({ kind: 'sc' }));
    case 'sewn':
      // On to the next pair, and round the loops of both.
      return { mm: widthMm + 4 * diameterMm, movements: SEWN };
    default:
      return hooked(stitchOf({ kind: 'slst' }));
  }
}

/** A slip stitch in place of a chain: the yarn and time that it takes beside what the round has already. */
function inPlaceOfChain(chains: readonly number[], widthMm: number, diameterMm: number): OneJoin {
  if (chains.length === 0) return { mm: 0, movements: 0 };
  const [slip, chain] = [stitchOf({ kind: 'slst' }), chainRun(1)];
  const mm = (s: Stitch): number => yarnInStitchMm(s, widthMm, diameterMm);
  // The place across is looked for, and the hook taken out to it.
  return { mm: Math.max(0, mm(slip) - mm(chain)), movements: movementCount(slip) + 1 };
}
