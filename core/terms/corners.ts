/** Corner treatments of plain rounds, each written as crocheters write it. */
import { STITCHES, type StitchKind } from './stitches.ts';

export type CornerId =
  | 'three'
  | 'chain-1'
  | 'chain-2'
  | 'chain-3'
  | 'twos'
  | 'threes'
  | 'threes-3'
  | 'fours'
  | 'pairs'
  | 'sixes'
  | 'angle'
  | 'rounded'
  | 'walk';

interface CornerTreatment {
  readonly id: CornerId;
  /** A short name for buttons and lists. */
  readonly name: string;
  /** The name spelled out in a sentence. */
  readonly told: string;
  /** The lines of written crochet that work it with a stitch, in US terms. */
  readonly write: (stitch: string, round: number) => string;
}

const around =
  (each: number, chains: number) =>
  (stitch: string): string => {
    const group = each === 1 ? stitch : `${each} ${stitch}`;
    return `corner: (${group}, ch ${chains}, ${group}) in corner`;
  };

/** In the order in which they are offered: from the closest to the most open. */
export const CORNERS: readonly CornerTreatment[] = [
  {
    id: 'three',
    name: '3 in one',
    told: '3 stitches into the corner stitch; the middle one is the next corner.',
    write: (s) => `corner: 3 ${s} in corner`,
  },
  {
    id: 'chain-1',
    name: '1, ch 1, 1',
    told: '1 stitch, 1 chain and 1 stitch, all into the corner.',
    write: around(1, 1),
  },
  {
    id: 'chain-2',
    name: '1, ch 2, 1',
    told: '1 stitch, 2 chains and 1 stitch, all into the corner.',
    write: around(1, 2),
  },
  {
    id: 'chain-3',
    name: '1, ch 3, 1',
    told: '1 stitch, 3 chains and 1 stitch, all into the corner.',
    write: around(1, 3),
  },
  {
    id: 'twos',
    name: '2, ch 2, 2',
    told: '2 stitches, 2 chains and 2 stitches, all into the corner.',
    write: around(2, 2),
  },
  {
    id: 'threes',
    name: '3, ch 2, 3',
    told: '3 stitches, 2 chains and 3 stitches, all into the corner.',
    write: around(3, 2),
  },
  {
    id: 'threes-3',
    name: '3, ch 3, 3',
    told: '3 stitches, 3 chains and 3 stitches, all into the corner.',
    write: around(3, 3),
  },
  {
    id: 'fours',
    name: '4, then 3 + 1, alternately',
    told: '4 stitches into the corner. In the next round 3 into one of the middle two and 1 into the other, then the other way around.',
    // The pair that four leave takes 3 in one and 1 in the other, changing over each time.
    write: (s, round) =>
      `corner: 4 ${s} in corner\npair: ${round % 4 < 2 ? `3 ${s} in first, ${s} in second` : `${s} in first, 3 ${s} in second`}`,
  },
  {
    id: 'pairs',
    name: '4, then 2 in each of two',
    told: '4 stitches into the corner. In the next round 2 into each of the middle two.',
    write: (s) => `corner: 4 ${s} in corner\npair: 2 ${s} in first, 2 ${s} in second`,
  },
  {
    id: 'sixes',
    name: '6 in one',
    told: '6 stitches into the corner stitch.',
    write: (s) => `corner: 6 ${s} in corner`,
  },
  // By the angle of each corner; what is written here is the right angle's.
  {
    id: 'angle',
    name: 'enough for this corner',
    told: 'As many stitches as keep a corner of this angle flat.',
    write: (s) => `corner: 3 ${s} in corner`,
  },
  // Its increases lie spread along the sides, where they are placed round by round.
  {
    id: 'rounded',
    name: 'rounded',
    told: 'Single increases on either side of the corner, which becomes round.',
    write: (s) => `corner: ${s} in corner`,
  },
  {
    id: 'walk',
    name: 'no increase',
    told: '1 stitch into the corner, like any other.',
    write: () => 'corner: walk round',
  },
];

/** A corner treatment by its id. */
export function cornerTreatment(id: CornerId): CornerTreatment {
  const found = CORNERS.find((corner) => corner.id === id);
  if (!found) throw new RangeError(`no corner treatment ${id}`);
  return found;
}

/** Written crochet of a plain round: the stitch in each place of the side, and the corner. */
export function plainRound(stitch: StitchKind, corner: CornerId, round: number, loop = ''): string {
  const s = STITCHES[stitch].us.abbreviation + loop;
  return `side: *${s} in next st*\n${cornerTreatment(corner).write(s, round)}`;
}
