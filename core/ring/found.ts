/** A ring as it really is, where what was found on its sides is not what was to be made. */
import { held } from '../held.ts';
import { countSide, sideSpan, tallySide, type Ring } from './ring.ts';
import { countsAsStitch, stitchOf, type Stitch } from './stitch.ts';
import type { Layout } from './along.ts';

/** An entry of a ring taken out, or one put in behind it. */
interface Change {
  readonly at: number;
  /** Put in behind the entry at `at`; null where that is taken out. */
  readonly put: { readonly stitch: Stitch; readonly into: number } | null;
}

/**
 * A round with as many stitches on its sides as were found there. Where on the side they are too many or too few nobody
 * knows: it is put near its middle, a stitch too many into the place of its neighbour.
 *
 * @param counts stitches between the corners' centres, the end stitches of rows with them, one for each side; null where
 *   nothing is known
 */
export function asFound<W extends { readonly ring: Ring; readonly layout: Layout }>(
  worked: W,
  counts: readonly (number | null)[],
): W {
  const { ring, layout } = worked;
  const changes = counts.flatMap((count, side) =>
    count === null || side >= Math.max(1, ring.centres.length)
      ? []
      : changesOnSide(ring, side, count - countSide(ring, side).stitches, (at) => ring.into[at]!),
  );
  if (changes.length === 0) return worked;
  const now = positions(ring.made.length, changes);
  const span = <S extends { readonly start: number; readonly length: number }>(s: S): S => ({
    ...s,
    start: now(s.start),
    length: now(s.start + s.length) - now(s.start),
  });
  return {
    ...worked,
    ring: changed(ring, changes),
    layout: {
      corners: layout.corners.map(span),
      sides: layout.sides.map((s) => ({ ...span(s), repeats: s.repeats.map(now), tail: now(s.tail) })),
    },
  };
}

/**
 * A plain ring with another number of stitches on a side, for trying counts out: what is put in sits in places of its own,
 * so that no two of them count as a group.
 */
export const withStitches = (ring: Ring, side: number, stitches: number): Ring =>
  changed(
    ring,
    changesOnSide(ring, side, stitches - tallySide(ring, side).stitches, (_, k) => OWN_PLACES + k),
  );

const OWN_PLACES = 1_000_000;

/** @param placeOf place of the k-th stitch that is put in behind an entry */
function changesOnSide(
  ring: Ring,
  side: number,
  more: number,
  placeOf: (at: number, k: number) => number,
): readonly Change[] {
  const size = ring.made.length;
  const { start, length } = sideSpan(ring, side);
  const stitches = Array.from({ length }, (_, k) => (start + k) % size).filter((i) =>
    countsAsStitch(ring.made[i]!),
  );
  const middle = stitches.length >> 1;
  const at = stitches[middle];
  if (at === undefined || more === 0) return [];
  if (more < 0) {
    // Never the first ones, which hide beside the corner.
    const first = Math.max(0, Math.min(middle + (more >> 1), stitches.length + more));
    return stitches.slice(first, first - more).map((i) => ({ at: i, put: null }));
  }
  const stitch = stitchOf({ kind: ring.made[at]!.kind });
  return Array.from({ length: more }, (_, k) => {
    // Beside one stitch after the other, so that no more than two share a place as long as the side is long enough.
    const beside = stitches[(middle + 2 * k) % stitches.length]!;
    return { at: beside, put: { stitch, into: placeOf(beside, k) } };
  });
}

function changed(ring: Ring, changes: readonly Change[]): Ring {
  if (changes.length === 0) return ring;
  const made: Stitch[] = [];
  const into: number[] = [];
  const out = new Set(changes.filter((c) => c.put === null).map((c) => c.at));
  const puts = new Map<number, Change[]>();
  for (const c of changes) if (c.put) puts.set(c.at, [...(puts.get(c.at) ?? []), c]);
  ring.made.forEach((stitch, i) => {
    if (out.has(i)) return;
    made.push(stitch);
    into.push(ring.into[i]!);
    for (const { put } of puts.get(i) ?? []) {
      made.push(held(put, 'what was found has a place').stitch);
      into.push(held(put, 'what was found has a place').into);
    }
  });
  const now = positions(ring.made.length, changes);
  const centres = ring.centres.map((c) => ({ ...c, start: now(c.start) }));
  const seams = ring.seams?.map(({ start, length }) => ({
    start: now(start),
    length: now(start + length) - now(start),
  }));
  const part = ring.part && { part: ring.part };
  return { made, into: new Int32Array(into), centres, ...(seams && { seams }), ...part };
}

/** Where an entry stands after changes; `size` stands for the end. */
function positions(size: number, changes: readonly Change[]): (entry: number) => number {
  const shift = new Int32Array(size + 2);
  for (const { at, put } of changes) shift[at + 1]! += put ? 1 : -1;
  for (let i = 1; i < shift.length; i++) shift[i]! += shift[i - 1]!;
  return (entry) => entry + shift[entry]!;
}
