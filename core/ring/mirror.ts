/** A ring as it is met by work that runs the other way round: the same entries in reverse. */
import { IN_NOTHING, entryOf, gapBefore, isGap, type Centre, type Ring, type Span } from './ring.ts';
import { mirroredPart } from '../piece/part.ts';
import { countsAsStitch, isChainRun, placesTaken } from './stitch.ts';

/**
 * The mirror image of a ring. Corner i stays corner i; the side that follows it is the one that came before it.
 *
 * @param below the ring whose places it sits in, when these are to be mirrored too; each entry then sits in the first, in
 *   the order of that ring, of the places that it takes up
 * @param spaces whether chain spaces are among these places
 */
export function mirrored(ring: Ring, below?: Ring, spaces = false): Ring {
  const size = ring.made.length;
  const into = ring.into.slice().reverse();
  const made = [...ring.made].reverse();
  const span = ({ start, length }: Span): Span => ({
    start: size === 0 ? 0 : (((size - start - length) % size) + size) % size,
    length,
  });
  const centres: readonly Centre[] = ring.centres.map(span);
  if (below) {
    // A decrease over a corner sits in the corner, whichever way it is worked.
    const over = new Set(centres.map((c) => (c.length === 1 ? c.start : IN_NOTHING)));
    for (let i = 0; i < size; i++)
      into[i] = firstPlace(
        below,
        mirroredPlace(into[i]!, below),
        over.has(i) ? 1 : placesTaken(made[i]!),
        spaces,
      );
  }
  const seams = ring.seams && { seams: ring.seams.map(span) };
  const part = ring.part && { part: mirroredPart(ring.part, centres.length) };
  return { made, into, centres: mirroredCorners(centres), ...seams, ...part };
}

/** Values of the corners of a ring, in the order in which its mirror image meets them. */
export const mirroredCorners = <T>(ofCorners: readonly T[]): readonly T[] =>
  ofCorners.map((_, i) => ofCorners[(ofCorners.length - i) % ofCorners.length]!);

function mirroredPlace(place: number, ring: Ring): number {
  const size = ring.made.length;
  if (place === IN_NOTHING) return IN_NOTHING;
  // The gap before an entry lies before the one that came before it, in the mirror.
  return isGap(place) ? gapBefore((size - entryOf(place)) % size) : size - 1 - place;
}

/** The first of the places that a stitch takes up, when the last is known. */
function firstPlace(ring: Ring, last: number, taken: number, spaces: boolean): number {
  if (taken === 1 || last === IN_NOTHING) return last;
  const size = ring.made.length;
  const isStitch = (entry: number): boolean => {
    const stitch = ring.made[(entry + size) % size]!;
    return countsAsStitch(stitch) || (spaces && isChainRun(stitch));
  };
  // Of spaces between stitches each lies between two of them.
  const gap = isGap(last);
  let entry = entryOf(last);
  for (let left = taken - 1, steps = 0; left > 0 && steps < size; steps++) {
    entry = (entry - 1 + size) % size;
    if (isStitch(entry) && (!gap || isStitch(entry - 1))) left--;
  }
  return gap ? gapBefore(entry) : entry;
}
