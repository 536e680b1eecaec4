/** Stitches of a round in its corners, and where it puts their markers. */
import type { Body } from '../../piece/edge.ts';
import type { Below } from './below.ts';
import { Unclear, ordinalNumber, parts } from './crochet.ts';
import { isChain, isStitch, type Made, type Place, type RoundInHand } from './made.ts';
import type { PrintedLines } from './told.ts';

export class Corners {
  constructor(
    private readonly body: Body,
    private readonly told: PrintedLines,
    private readonly below: Below,
    private readonly round: RoundInHand,
  ) {}

  work(corner: string): void {
    const words = this.told.ofCorner(corner);
    const bare = words.replace(/; pm in .*$/, '');
    const from = this.round.made.length;
    const places = this.places(corner);
    if (bare === 'nothing') {
      // Passed over.
    } else if (/, as along the sides$/.test(bare)) {
      const [only] = this.told.reader.way(this.told.ofSide(this.below.sideAfter(corner))).body;
      if (only?.do !== 'work') throw new Unclear(`what is “as along the sides” at corner ${corner}?`);
      const chains = /^1 st in each chain of the corner ch-(\d+) sp/.exec(bare);
      for (const place of places)
        for (let k = chains ? Number(chains[1]) : 1; k > 0; k--) this.round.add(only.what[0]!, place);
    } else if (!this.pairCorner(bare, places) && !this.overCorner(bare, places)) {
      for (const part of parts(bare)) {
        const m = /^(.+?) (?:in|between) (?:the .+)$/.exec(part);
        if (m) for (const stitch of this.told.reader.group(m[1]!)) this.round.add(stitch, places[0]!);
        else this.round.add(this.told.reader.stitch(part.replace(/ over the corner .*$/, '')), null);
      }
    }
    this.mark(corner, this.round.made.slice(from));
  }

  /** The places of a corner: one, or the two stitches of its middle. */
  places(corner: string): readonly (Place | number)[] {
    if (this.below.isEdge) {
      const index = this.below.corners.indexOf(corner);
      return [this.body.edges.slice(0, index).reduce((sum, e) => sum + e.spots.length + 1, 0)];
    }
    const order = this.below.marked(corner);
    const words = this.told.ofCorner(corner);
    if (/between the two corner sts/.test(words)) return [this.below.gap(order[0]!, order[1]!)];
    return order;
  }

  /** Part of a corner: “1 hdc in the same place, ch 2”. */
  part(words: string, same: Place | number, all: readonly (Place | number)[]): void {
    for (const part of parts(words)) {
      const m =
        /^(.+?) in (the same place as the first st|the same place|the first of its two places|the second of its two places|each chain of it)$/.exec(
          part,
        );
      if (!m) {
        for (const stitch of this.told.reader.group(part)) this.round.add(stitch, null);
        continue;
      }
      const place =
        m[2] === 'the first of its two places'
          ? all[0]!
          : m[2] === 'the second of its two places'
            ? all[1]!
            : same;
      for (const stitch of this.told.reader.group(m[1]!)) this.round.add(stitch, place);
    }
  }

  /** Puts the marker where the corner's line says. */
  mark(corner: string, made: readonly Made[]): void {
    const said = /; pm in (.+)$/.exec(this.told.ofCorner(corner))?.[1];
    if (said === undefined) return;
    const stitches = made.filter(isStitch);
    const put = (list: readonly (Made | undefined)[]): void => {
      if (list.some((m) => m === undefined)) throw new Unclear(`“pm in ${said}” at corner ${corner}`);
      this.round.marks.set(corner, this.below.inOrder(list as readonly Made[]));
    };
    if (said === 'the picot') return put(made.filter((x) => x.stitch.form === 'picot').slice(0, 1));
    if (said === 'it') {
      if (stitches.length !== 1) throw new Unclear(`“pm in it”, but there are ${stitches.length}`);
      return put(stitches);
    }
    let m = /^the (?:(\d+\w\w) of the (\d+) )?new ch-(\d+) sps?$/.exec(said);
    if (m) {
      const spaces = made.filter((x) => isChain(x) && x.stitch.chains === Number(m![3]));
      if (spaces.length !== Number(m[2] ?? 1))
        throw new Unclear(`“pm in ${said}”, but there are ${spaces.length}`);
      return put([spaces[m[1] ? ordinalNumber(m[1]) - 1 : 0]]);
    }
    m = /^the (\d+\w\w)(?: and (\d+\w\w))? of the (\d+)$/.exec(said);
    if (!m || stitches.length !== Number(m[3]))
      throw new Unclear(`“pm in ${said}”, but there are ${stitches.length}`);
    put([stitches[ordinalNumber(m[1]!) - 1], ...(m[2] ? [stitches[ordinalNumber(m[2]) - 1]] : [])]);
  }

  private pairCorner(words: string, places: readonly (Place | number)[]): boolean {
    const m = /^(.+) in the first of the two corner sts, (.+) in the second$/.exec(words);
    if (!m) return false;
    [m[1]!, m[2]!].forEach((group, k) => {
      for (const stitch of this.told.reader.group(group)) this.round.add(stitch, places[k]!);
    });
    return true;
  }

  private overCorner(words: string, places: readonly (Place | number)[]): boolean {
    const m =
      /^(.+?tog(?: BLO| FLO| 3rd lp)?) over the corner st and the (?:one|(\d+) sts) on each side of it$/.exec(
        words,
      );
    if (!m) return false;
    // It begins in the first of them; what counts is where it lies: over the corner.
    this.round.add(this.told.reader.stitch(m[1]!), places[0]!);
    return true;
  }
}
