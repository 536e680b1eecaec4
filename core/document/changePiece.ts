/** Another piece under the same border: what the file says of sides is brought in line with it. */
import type { BaseRound, SideChoice } from '../base/baseRound.ts';
import { spacingsFor } from '../base/spacings.ts';
import type { Edge } from '../piece/edge.ts';
import { bodyOf, type Piece } from '../piece/piece.ts';
import type { Hem, RoundEntry } from './hem.ts';

/** A side left to the plainest spacing that its edge allows. */
export const plainSide = (school: SideChoice['school'] = 'each'): SideChoice => ({
  school,
  own: { stitches: 3, spots: 2 },
  count: null,
  crossings: {},
  spots: {},
});

/**
 * The parts of a hem that change with its piece, in the borders put aside too. Sides keep what was chosen for them as
 * long as their number stays and the spacing applies to the new edge; counts by hand and quiet changes are kept only
 * when the number of sides stays the same.
 */
export function changePiece(hem: Hem, piece: Piece): Pick<Hem, 'piece' | 'base' | 'rounds' | 'kept'> {
  return {
    piece,
    ...borderOn(bodyOf(piece).edges, bodyOf(hem.piece).edges, hem),
    kept: keptOnPiece(hem.kept, hem.piece, piece),
  };
}

/** Borders that were put aside for one piece, in line with another. */
export function keptOnPiece(kept: Hem['kept'], before: Piece, after: Piece): Hem['kept'] {
  const [edges, edgesBefore] = [bodyOf(after).edges, bodyOf(before).edges];
  return kept.map((border) => ({ ...border, ...borderOn(edges, edgesBefore, border) }));
}

/** The same part of another piece: where a side has other spots it begins and ends in the corners. */
function partOn(
  edges: readonly Edge[],
  spotsBefore: readonly number[],
  part: BaseRound['part'],
): BaseRound['part'] {
  if (part === null || (part.from === 0 && part.to === null)) return part;
  const last = (part.first + part.sides - 1) % edges.length;
  const same = [part.first, last].every((side) => edges[side]!.spots.length === spotsBefore[side]);
  return same ? part : { ...part, from: 0, to: null };
}

interface Border {
  readonly base: BaseRound;
  readonly rounds: readonly RoundEntry[];
}

function borderOn(edges: readonly Edge[], edgesBefore: readonly Edge[], { base, rounds }: Border): Border {
  const spotsBefore = edgesBefore.map((e) => e.spots.length);
  const sameSides = edges.length === base.sides.length;
  const sides = edges.map((edge, i): SideChoice => {
    const spacings = spacingsFor(edge);
    const before = base.sides[i];
    if (!before || !spacings.includes(before.school)) return plainSide(spacings[0]);
    const crossings = Object.fromEntries(
      Object.entries(before.crossings).filter(([join]) => Number(join) < edge.joins.length),
    );
    // What was placed by eye belongs to the spots that were looked at.
    const spots = sameSides && edge.spots.length === spotsBefore[i] ? before.spots : {};
    return { ...before, crossings, spots, count: sameSides ? before.count : null };
  });
  const { start } = base;
  return {
    base: {
      ...base,
      sides,
      // Other sides are another part.
      part: sameSides ? partOn(edges, spotsBefore, base.part) : null,
      start: { ...start, side: Math.min(start.side, edges.length - 1) },
    },
    rounds: sameSides
      ? rounds
      : rounds.map((r) => ({
          ...r,
          changes: {},
          changesAt: {},
          start: r.start && { ...r.start, side: Math.min(r.start.side, edges.length - 1) },
        })),
  };
}
