/** Where a round begins, as its line says it. */
import type { Body } from '../../piece/edge.ts';
import type { Stitch } from '../../ring/stitch.ts';
import type { Below } from './below.ts';
import { Unclear, noun as nounOf, ordinalNumber } from './crochet.ts';
import { spotsListed } from './edge.ts';
import { isBeforeAGap, type Made, type Place } from './made.ts';
import type { PrintedLines } from './told.ts';

export interface EdgeStart {
  readonly side: string;
  readonly spot: number;
  readonly stitch: Stitch;
}

export class Starts {
  constructor(
    private readonly body: Body,
    private readonly told: PrintedLines,
    private readonly below: Below,
    private readonly last: { readonly join: Made | null; readonly wentOver: boolean },
  ) {}

  /** The place in the round below where it begins. */
  place(start: string): Place {
    if (this.below.isEdge) throw new Unclear('the base round begins in the edge');
    if (/the st where you joined the last round/.test(start)) {
      if (!this.last.join || this.last.wentOver)
        throw new Unclear('the last join is not in the round to be worked into');
      if (this.below.isOpen) throw new Unclear('the last round was not joined');
      return this.last.join;
    }
    const around = /^Start around the (\S+) that closed the last round\./.exec(start);
    if (around) {
      if (this.below.closedBy !== around[1]! || this.last.wentOver)
        throw new Unclear(`the last round was not closed by ${around[1]!}`);
      return this.last.join!;
    }
    if (/^Go on (?:in|around the post of) the first st of the last round, without a join\./.test(start)) {
      if (!this.below.isOpen || this.last.wentOver) throw new Unclear('the last round was joined');
      return this.last.join!;
    }
    const corner =
      /(in|between) the (?:(first|second) of the )?(?:two )?marked (?:sts?|ch-\d+ sp|picot) of corner (\S+?)[.,]/.exec(
        start,
      );
    if (corner) return this.below.marked(corner[3]!)[corner[2] === 'second' ? 1 : 0]!;
    const on =
      /(?:in|around) (st|ch-sp|gap|pair|post|between|either) (\d+) of side (\S+?), counted from corner (\S+?)[.,]/.exec(
        start,
      );
    if (on) {
      const [, what, number, side, from] = on;
      if (this.below.cornerBefore(side!) !== from)
        throw new Unclear(`side ${side} does not begin at corner ${from}`);
      return nth(this.below.placesOn(side!, nounOf(what!)), Number(number), start);
    }
    const before =
      /(?:in|around) the (\d+\w\w) (st|ch-sp|gap|pair|post|between|either) before corner (\S+?)[.,]/.exec(
        start,
      );
    if (before) {
      const side = this.below.names.find((s) => this.below.cornerAfter(s) === before[3])!;
      const places = this.below.placesOn(side, nounOf(before[2]!));
      return nth([...places].reverse(), ordinalNumber(before[1]!), start);
    }
    const round =
      /(?:in|around) (st|ch-sp|gap|pair|post|between|either) (\d+), counted from the join[.,]/.exec(start);
    if (round) {
      const places = this.below.placesIn(this.below.ring, nounOf(round[1]!));
      const join = this.below.join!;
      const rank = (p: Place): number => this.below.ahead(join, isBeforeAGap(p) ? p.gapBefore : p);
      const ordered = [...places].sort((a, b) => rank(a) - rank(b));
      return nth(ordered, Number(round[2]), start);
    }
    throw new Unclear(`where is “${start}”?`);
  }

  /** Where a base round begins, and with what. */
  inEdge(start: string): EdgeStart {
    if (this.below.corners.length === 0) {
      const at = / in (?:any st|st (\d+)) of the edge/.exec(start);
      if (!at) throw new Unclear(`where is “${start}”?`);
      return { side: this.below.names[0]!, spot: Number(at[1] ?? 1) - 1, stitch: this.firstOfEdge(start) };
    }
    const m = / in ((?:row|st|chain|gap|space|block|hole) .+?) of side (\S+?)[.,]/.exec(start);
    if (!m) throw new Unclear(`where is “${start}”?`);
    const side = m[2]!;
    const edge = this.body.edges[this.below.names.indexOf(side)]!;
    const [spot] = spotsListed(m[1]!, edge);
    return { side, spot: spot!, stitch: this.firstOfEdge(start) };
  }

  /** Whether the place that is named lies in the corner that is begun. */
  sameCorner(start: string, name: string): void {
    const said = / of corner (\S+?)(?:[.,]|$)/.exec(start)?.[1];
    if (said !== undefined && said !== name) throw new Unclear(`begun in ${said}, but it is corner ${name}`);
    if (said === undefined) {
      const place = this.place(start);
      if (isBeforeAGap(place) || !this.below.marked(name).includes(place))
        throw new Unclear(`the last join is not in corner ${name}`);
    }
  }

  private firstOfEdge(start: string): Stitch {
    const lift = this.told.lift(start);
    if (lift) return lift;
    const first = /(?:^|\. )(\d+ .+?) in the same place, then/.exec(start);
    if (!first) throw new Unclear(`“${start}” does not say what the first stitch is`);
    return this.told.reader.group(first[1]!)[0]!;
  }
}

function nth(places: readonly Place[], number: number, said: string): Place {
  const place = places[number - 1];
  if (!place) throw new Unclear(`“${said}”: there are only ${places.length}`);
  return place;
}
