import type { Part } from '../piece/part.ts';
import { IN_NOTHING, type Centre, type Ring } from './ring.ts';
import { sitsInNothing, type Stitch } from './stitch.ts';

/** A growing ring. */
export class RingBuilder {
  readonly made: Stitch[] = [];
  /** Room for places; only as many as there are stitches are in use. */
  private into: Int32Array;

  /** @param expected about how many entries it will have */
  constructor(expected = 64) {
    this.into = new Int32Array(Math.max(16, expected));
  }

  add(stitch: Stitch, place: number): void {
    const at = this.made.push(stitch) - 1;
    if (at === this.into.length) this.makeRoom(at + 1);
    this.into[at] = sitsInNothing(stitch) ? IN_NOTHING : place;
  }

  /** One stitch in each of some places. */
  addEach(stitch: Stitch, places: readonly number[]): void {
    const start = this.made.length;
    const end = start + places.length;
    if (end > this.into.length) this.makeRoom(end);
    const { made, into } = this;
    const nowhere = sitsInNothing(stitch);
    for (let k = 0; k < places.length; k++) {
      made.push(stitch);
      into[start + k] = nowhere ? IN_NOTHING : places[k]!;
    }
  }

  /** The place of an entry; undefined past the last. */
  placeOf(entry: number): number | undefined {
    return entry < this.made.length ? this.into[entry] : undefined;
  }

  ring(centres: readonly Centre[], part?: Part): Ring {
    // A corner without a centre of its own may lie after the last entry, which is before the first.
    const size = Math.max(1, this.made.length);
    return {
      made: this.made,
      into: this.into.slice(0, this.made.length),
      centres: centres.map((c) => (c.start < size ? c : { ...c, start: c.start % size })),
      ...(part && { part }),
    };
  }

  private makeRoom(needed: number): void {
    const more = new Int32Array(Math.max(needed, 2 * this.into.length));
    more.set(this.into);
    this.into = more;
  }
}
