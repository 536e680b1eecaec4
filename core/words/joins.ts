/** Where rounds are joined: the column of stitches in which each begins, followed from ring to ring. */
import { STITCHES_BEFORE_CORNER } from '../base/start.ts';
import type { Plan } from '../plan.ts';
import { NOTHING, entryOf, sideSpan, type Ring } from '../ring/ring.ts';
import { countsAsStitch } from '../ring/stitch.ts';

/** Which of the entries of a side it is, from 0. */
type Offset = number;

/**
 * Stitches between the last corner's centre and the join, for every round of a plan; null where the join does not
 * stand on a side: on a disc, or in the corner itself.
 *
 * A join that climbs stands in the first stitch that is worked into the join below, or beyond it. One that is centred
 * begins in every round where the start says.
 */
export function stitchesToJoins(plan: Plan): readonly (number | null)[] {
  const { start } = plan.hem.base;
  const { turns } = plan.body.outline;
  const inCorner = start.at === 'corner' && start.join === 'centred';
  if (turns.length === 0 || inCorner) return plan.rounds.map(() => null);
  const side = start.at === 'before the corner' ? (start.side - 1 + turns.length) % turns.length : start.side;
  const offsets: Offset[] = [];
  return plan.rounds.map(({ ring, onto, yarnId }, number) => {
    // New yarn that is joined in the corner begins at the corner again.
    const anew = start.at === 'corner' && number > 0 && plan.rounds[number - 1]!.yarnId !== yarnId;
    const climbs = number > 0 && start.join === 'climbing' && !anew;
    const offset = climbs
      ? above(ring, plan.rounds[onto]!.ring, side, offsets[onto]!)
      : begins(plan, number, side);
    offsets.push(offset);
    return stitchesBefore(ring, side, offset);
  });
}

/** Where a round begins that does not follow the one below. */
function begins(plan: Plan, round: number, side: number): Offset {
  const { ring, sides } = plan.rounds[round]!;
  const { at } = plan.hem.base.start;
  // The corner is begun with its last part: nothing lies between its centre and the first stitch.
  if (at === 'corner') return 0;
  const stitches = sides[side]!.tally.stitches;
  const wanted =
    at === 'along the side'
      ? Math.floor(stitches / 3)
      : Math.max(0, stitches - STITCHES_BEFORE_CORNER - leadOfCorner(ring, (side + 1) % ring.centres.length));
  const { start, length } = sideSpan(ring, side);
  for (let k = 0, seen = 0; k < length; k++) {
    if (!countsAsStitch(ring.made[(start + k) % ring.made.length]!)) continue;
    if (seen++ === wanted) return k;
  }
  return Math.max(0, length - 1);
}

/** Entries at the start of a side that still belong to its corner's group. */
function leadOfCorner(ring: Ring, side: number): Offset {
  const centre = ring.centres[side]!;
  const { start, length } = sideSpan(ring, side);
  const size = ring.made.length;
  // A corner that is a chain space sits in nothing itself: the stitch before it tells what the group goes into.
  const place =
    ring.into[centre.start] === NOTHING
      ? ring.into[(centre.start - 1 + size) % size]
      : ring.into[centre.start];
  let k = 0;
  while (k < length && (ring.into[(start + k) % size] === place || ring.into[(start + k) % size] === NOTHING))
    k++;
  return k;
}

/** The first entry of a side that goes into the join of the ring below, or beyond it. */
function above(ring: Ring, below: Ring, side: number, join: Offset): Offset {
  const lower = sideSpan(below, side);
  const { start, length } = sideSpan(ring, side);
  for (let k = 0; k < length; k++) {
    const place = ring.into[(start + k) % ring.made.length]!;
    if (place === NOTHING) continue;
    const at = (entryOf(place) - lower.start + below.made.length) % below.made.length;
    if (at < lower.length && at >= join) return k;
  }
  return Math.max(0, length - 1);
}

function stitchesBefore(ring: Ring, side: number, offset: Offset): number {
  const { start } = sideSpan(ring, side);
  let count = 0;
  for (let k = 0; k < offset; k++) if (countsAsStitch(ring.made[(start + k) % ring.made.length]!)) count++;
  return count;
}
