/** The work of one round, as its lines tell it. */
import type { Body } from '../../piece/edge.ts';
import { stitchOf, type Stitch } from '../../ring/stitch.ts';
import type { Language } from '../../terms/stitches.ts';
import {
  Unclear,
  noun as nounOf,
  numbers,
  ordinalNumber,
  parts,
  used,
  type LiteralStep,
  type Noun,
  type Way,
  type Reader,
} from './crochet.ts';
import { alongEdge, spotsListed } from './edge.ts';
import {
  gapLies,
  isChain,
  isGap,
  isOrnament,
  isPair,
  isStitch,
  samePlace,
  standsAlone,
  type GapBefore,
  type Lying,
  type Made,
  type Marks,
  type Place,
} from './made.ts';
import {
  Run,
  firstWork,
  isOtherwise,
  kindsOf,
  leftOver,
  oneInEach,
  skipChanges,
  type WorkStep,
} from './run.ts';

interface Task {
  readonly number: number;
  readonly lines: readonly string[];
  readonly below: Lying | null;
  readonly travel: 1 | -1;
  readonly joinOfLast: Made | null;
  readonly wentOver: boolean;
  readonly language: Language;
}

/** The work of one round. */
export class Work {
  private readonly made: Made[] = [];
  private readonly marks: Marks = new Map();
  /** The ring below in the order of work. */
  private readonly ring: readonly Made[];
  private readonly circle: boolean;
  private readonly index: ReadonlyMap<Made, number>;

  constructor(
    private readonly reader: Reader,
    private readonly body: Body,
    private readonly names: readonly string[],
    private readonly corners: readonly string[],
    private readonly task: Task,
  ) {
    const { below, travel } = task;
    this.ring = below ? (travel === 1 ? below.ring : [...below.ring].reverse()) : [];
    this.circle = corners.length === 0;
    this.index = new Map(this.ring.map((m, i) => [m, i]));
  }

  private find(pattern: RegExp): RegExpExecArray | null {
    for (const line of this.task.lines) {
      const m = pattern.exec(line);
      if (m) return m;
    }
    return null;
  }

  do(): { readonly made: readonly Made[]; readonly marks: Marks } {
    const past = this.find(/^All around, past the corners: (.+)\.$/);
    const startLine = this.task.lines.find((l) => /^(?:Join .+ with|Start |(?:Sl st|Ss) )/.test(l));
    if (!startLine) {
      const knots = this.task.lines.find((l) => l.startsWith('There is no yarn to join'));
      if (!knots) throw new Unclear('where does the round begin?');
      if (this.circle) {
        const way = this.reader.way(this.wordsFor(this.names[0]!));
        const all = this.merged(this.ring, kindsOf(way));
        const at = all.findIndex((p) => samePlace(p, this.startPlace(knots)));
        this.along(
          way,
          [...all.slice(at), ...all.slice(0, at)],
          this.otherwise(this.names[0]!),
          0,
          null,
          'whole',
        );
      } else this.around(this.corners[0]!, null);
    } else if (past || (this.circle && this.task.below)) this.ringRound(startLine, past);
    else this.sideRound(startLine);
    return { made: this.made, marks: this.marks };
  }

  private add(stitch: Stitch, into: Place | number | null): Made {
    const made: Made = { stitch, into: standsAlone(stitch) ? null : into };
    this.made.push(made);
    return made;
  }

  // ——— Where a round begins

  private sideRound(start: string): void {
    const base = this.task.below === null;
    const lift = this.lift(start);
    const corner = /(?:The last part of|That is the last part of|Work) corner (\S+?)(?::| first|; )/.exec(
      start,
    );
    if (corner) {
      const name = corner[1]!;
      this.sameCorner(start, name);
      if (/Work corner \S+ first, all of it\./.test(start)) {
        const before = this.made.length;
        this.corner(name);
        const first = this.made.slice(before).find((m) => m.into !== null)!;
        if (lift && lift !== first.stitch)
          throw new Unclear(`the ch counts as another stitch than ${name} begins with`);
        this.around(name, 'done');
        return;
      }
      // The last part now, the first part at the end.
      const into = this.cornerPlaces(name);
      const last: Made[] = [];
      const at = this.made.length;
      const words = /The last part of corner \S+: (.+); its first part ends/.exec(start)?.[1] ?? null;
      // Begun in a stitch that is the second of two, the place that was named is that one.
      const place = /the second of the two marked sts/.test(start) ? into[1]! : into[0]!;
      if (lift) this.add(lift, place);
      if (words) this.partOfCorner(words, place, into);
      last.push(...this.made.slice(at));
      this.around(name, 'parted');
      const end = this.find(/^At the end of the round, finish corner (\S+): (.+)\.$/);
      const from = this.made.length;
      if (end) this.partOfCorner(end[2]!, into[0]!, into);
      this.mark(name, [...this.made.slice(from), ...last]);
      return;
    }
    if (base) {
      const side = this.edgeStart(start);
      this.around(null, side);
      return;
    }
    const on = /go on along side (\S+)\.$/i.exec(start);
    const repeat = /Begin with repeat (\d+) of side (\S+?): its first sts go in there/.exec(start);
    const place = this.startPlace(start);
    const side = on?.[1] ?? repeat?.[2];
    if (!side) throw new Unclear(`“${start}” does not say how to go on`);
    if (on) this.firstStitches(start, lift, place);
    this.around(null, { side, place, repeat: repeat ? Number(repeat[1]) : null, lift });
  }

  /** What goes into the place where a plain round begins. */
  private firstStitches(start: string, lift: Stitch | null, place: Place): void {
    const rest = /(?:^|\. )(\d+ .+?) (?:in|around) the same place, then go on/.exec(start);
    if (!lift && !rest) throw new Unclear(`“${start}” does not say what the first stitch is`);
    if (lift) this.add(lift, place);
    for (const stitch of rest ? this.reader.group(rest[1]!) : []) this.add(stitch, place);
  }

  /** The stitch that a chain or a standing stitch counts as. */
  private lift(start: string): Stitch | null {
    const counts = /Ch \d+ \(counts as 1 (.+?)\)/.exec(start);
    if (counts) return this.reader.stitch(counts[1]!);
    const standing = /^Join .+ with a standing (.+?) (?:in|around|between) /.exec(start);
    return standing ? this.reader.stitch(standing[1]!) : null;
  }

  /** Whether the place that is named lies in the corner that is begun. */
  private sameCorner(start: string, name: string): void {
    const said = / of corner (\S+?)(?:[.,]|$)/.exec(start)?.[1];
    if (said !== undefined && said !== name) throw new Unclear(`begun in ${said}, but it is corner ${name}`);
    if (said === undefined) {
      const place = this.startPlace(start);
      const marked = this.task.below?.marks.get(name) ?? [];
      if (isGap(place) || !marked.includes(place))
        throw new Unclear(`the last join is not in corner ${name}`);
    }
  }

  private startPlace(start: string): Place {
    const { below, joinOfLast, wentOver } = this.task;
    if (!below) throw new Unclear('the base round begins in the edge');
    if (/the st where you joined the last round/.test(start)) {
      if (!joinOfLast || wentOver) throw new Unclear('the last join is not in the round to be worked into');
      return joinOfLast;
    }
    const corner =
      /(in|between) the (?:(first|second) of the )?(?:two )?marked (?:sts?|ch-\d+ sp|picot) of corner (\S+?)[.,]/.exec(
        start,
      );
    if (corner) {
      const marked = this.task.below!.marks.get(corner[3]!);
      if (!marked) throw new Unclear(`corner ${corner[3]} has no marker`);
      const inOrder = this.task.travel === 1 ? marked : [...marked].reverse();
      return inOrder[corner[2] === 'second' ? 1 : 0]!;
    }
    const on =
      /(?:in|around) (st|ch-sp|gap|pair|post) (\d+) of side (\S+?), counted from corner (\S+?)[.,]/.exec(
        start,
      );
    if (on) {
      const [, what, number, side, from] = on;
      if (this.cornerBefore(side!) !== from)
        throw new Unclear(`side ${side} does not begin at corner ${from}`);
      return this.nth(this.placesOn(side!, nounOf(what!)), Number(number), start);
    }
    const before = /(?:in|around) the (\d+\w\w) (st|ch-sp|gap|pair|post) before corner (\S+?)[.,]/.exec(
      start,
    );
    if (before) {
      const side = this.names.find((s) => this.cornerAfter(s) === before[3])!;
      const places = this.placesOn(side, nounOf(before[2]!));
      return this.nth([...places].reverse(), ordinalNumber(before[1]!), start);
    }
    const around = /(?:in|around) (st|ch-sp|gap|pair|post) (\d+), counted from the join[.,]/.exec(start);
    if (around) {
      const places = this.placesIn(this.ring, nounOf(around[1]!), true);
      const join = this.task.below!.join!;
      const rank = (p: Place): number => this.ahead(join, isGap(p) ? p.gapBefore : p);
      const ordered = [...places].sort((a, b) => rank(a) - rank(b));
      return this.nth(ordered, Number(around[2]), start);
    }
    throw new Unclear(`where is “${start}”?`);
  }

  private nth(places: readonly Place[], number: number, said: string): Place {
    const place = places[number - 1];
    if (!place) throw new Unclear(`“${said}”: there are only ${places.length}`);
    return place;
  }

  /** How far an entry lies ahead of another, in the order of work. */
  private ahead(from: Made, to: Made): number {
    const n = this.ring.length;
    return (this.index.get(to)! - this.index.get(from)! + n) % n;
  }

  private edgeStart(start: string): EdgeStart {
    if (this.circle) {
      const at = / in (?:any st|st (\d+)) of the edge/.exec(start);
      if (!at) throw new Unclear(`where is “${start}”?`);
      return { side: this.names[0]!, spot: Number(at[1] ?? 1) - 1, stitch: this.firstOfEdge(start) };
    }
    const m = / in ((?:row|st|chain|gap|space|block|hole) .+?) of side (\S+?)[.,]/.exec(start);
    if (!m) throw new Unclear(`where is “${start}”?`);
    const side = m[2]!;
    const edge = this.body.edges[this.names.indexOf(side)]!;
    const [spot] = spotsListed(m[1]!, edge);
    return { side, spot: spot!, stitch: this.firstOfEdge(start) };
  }

  private firstOfEdge(start: string): Stitch {
    const lift = this.lift(start);
    if (lift) return lift;
    const first = /(?:^|\. )(\d+ .+?) in the same place, then/.exec(start);
    if (!first) throw new Unclear(`“${start}” does not say what the first stitch is`);
    return this.reader.group(first[1]!)[0]!;
  }

  // ——— All the way around

  private cornerAfter(side: string): string {
    const i = this.names.indexOf(side);
    return this.corners[this.task.travel === 1 ? (i + 1) % this.corners.length : i]!;
  }

  private cornerBefore(side: string): string {
    const i = this.names.indexOf(side);
    return this.corners[this.task.travel === 1 ? i : (i + 1) % this.corners.length]!;
  }

  private sideAfter(corner: string): string {
    const [before, after] = corner.split('/') as [string, string];
    return this.task.travel === 1 ? after : before;
  }

  /** Works corner, side, corner, side, from a corner or from within a side, till the start comes again. */
  private around(from: string | null, begun: 'done' | 'parted' | SideStart | EdgeStart | null): void {
    if (begun !== null && typeof begun === 'object') {
      this.side(begun.side, begun, 'from');
      for (let side = begun.side, k = 0; k < this.corners.length; k++) {
        const corner = this.cornerAfter(side);
        this.corner(corner);
        side = this.sideAfter(corner);
        if (side === begun.side) {
          if (!this.find(new RegExp(`^At the end of the round, work side ${side} up to where you started`)))
            throw new Unclear('how does the round end?');
          this.side(side, begun, 'up to');
        } else this.side(side, null, 'whole');
      }
      if (this.circle) this.side(begun.side, begun, 'up to');
      return;
    }
    if (this.circle) {
      this.side(this.names[0]!, null, 'whole');
      return;
    }
    for (let corner = from!, k = 0; k < this.corners.length; k++) {
      if (k > 0 || begun === null) this.corner(corner);
      const side = this.sideAfter(corner);
      this.side(side, null, 'whole');
      corner = this.cornerAfter(side);
    }
  }

  /** The words of a line “Each side: …”, “Sides A and C: …”, that tell the way along a side. */
  private wordsFor(side: string): string {
    for (const line of this.task.lines) {
      const m = /^(Each side|All around|Sides? (.+?)): (.+?)\.(?: Work into .+)?$/.exec(line);
      if (!m || isOtherwise(m[3]!)) continue;
      if (m[2] === undefined || m[2].split(/, | and /).includes(side)) return m[3]!;
    }
    throw new Unclear(`what is done along side ${side}?`);
  }

  /** What is done otherwise on a side. */
  private otherwise(side: string): readonly string[] {
    return this.task.lines.flatMap((line) => {
      const m = /^Sides? (.+?): (.+)\.$/.exec(line);
      if (m && isOtherwise(m[2]!)) return m[1]!.split(/, | and /).includes(side) ? [m[2]!] : [];
      const all = /^(.+)\.$/.exec(line);
      return all && this.plainAround() && isOtherwise(all[1]!)
        ? [all[1]!.charAt(0).toLowerCase() + all[1]!.slice(1)]
        : [];
    });
  }

  private plainAround(): boolean {
    return this.circle || this.find(/^All around, past the corners:/) !== null;
  }

  private side(side: string, start: SideStart | EdgeStart | null, which: 'whole' | 'from' | 'up to'): void {
    if (this.task.below === null) this.edgeSide(side, start as EdgeStart | null, which);
    else this.ringSide(side, start as SideStart | null, which);
  }

  private edgeSide(side: string, start: EdgeStart | null, which: 'whole' | 'from' | 'up to'): void {
    const index = this.names.indexOf(side);
    const edge = this.body.edges[index]!;
    const words = this.wordsFor(side);
    const m = /^(\d+) (.+?) along [^:]*?(?:, ch (\d+) before and after each( group)?)?: (.+)$/.exec(words);
    if (!m) throw new Unclear(`what is “${words}”?`);
    const own = this.reader.stitch(m[2]!);
    const chain = m[3] === undefined ? null : stitchOf({ kind: 'ch', chains: Number(m[3]) });
    const placed = alongEdge(m[5]!, edge, own, this.reader);
    const total = placed.reduce((sum, s) => sum + s.length, 0);
    if (total !== Number(m[1])) throw new Unclear(`side ${side} says ${m[1]} and takes ${total}`);
    const first = 1 + this.body.edges.slice(0, index).reduce((sum, e) => sum + e.spots.length + 1, 0);
    const from = which === 'from' ? start!.spot : 0;
    const to = which === 'up to' ? start!.spot : placed.length;
    if (chain && which !== 'from') this.add(chain, null);
    for (let spot = from; spot < to; spot++) {
      const stitches = placed[spot]!;
      stitches.forEach((stitch, k) => {
        if (which === 'from' && spot === from && k === 0 && stitch !== start!.stitch)
          throw new Unclear(`side ${side} begins with another stitch than is said`);
        this.add(stitch, first + spot);
        if (chain && (m[4] === undefined || k === stitches.length - 1)) this.add(chain, null);
      });
    }
  }

  // ——— Along a side of the ring below

  /** The entries of a side below, in the order of work. */
  private entriesOf(side: string): readonly Made[] {
    const { marks } = this.task.below!;
    const from = marks.get(this.cornerBefore(side));
    const to = marks.get(this.cornerAfter(side));
    if (!from || !to) throw new Unclear(`side ${side} has no marker at its ends`);
    const n = this.ring.length;
    const last = Math.max(...offsets(this.index, from));
    const begin = (last + 1) % n;
    const found: Made[] = [];
    for (let k = 0; k < n; k++) {
      const m = this.ring[(begin + k) % n]!;
      if (to.includes(m)) break;
      found.push(m);
    }
    return found;
  }

  private placesOn(side: string, what: Noun): readonly Place[] {
    return this.placesIn(this.entriesOf(side), what, false);
  }

  /** Places of a kind in a stretch of the ring below. */
  private placesIn(entries: readonly Made[], what: Noun, closed: boolean): readonly Place[] {
    const all = this.ring;
    const n = all.length;
    return entries.flatMap((m, k): readonly Place[] => {
      const i = this.index.get(m)!;
      const at = (d: number): Made => all[(i + d + n) % n]!;
      const found: Place[] = [];
      // A gap or the middle of a pair lies before this entry; before the first of a side it belongs to the corner too.
      if (what === 'gap' && (closed || k >= 0) && gapLies(at(-2), at(-1), m, at(1)))
        found.push(this.gap(at(-1), m));
      if (what === 'pair' && isPair(at(-2), at(-1), m, at(1))) found.push(this.gap(at(-1), m));
      if (
        isChain(m) ? what === 'ch-sp' || what === 'gap' : (what === 'st' || what === 'post') && !isOrnament(m)
      )
        found.push(m);
      return found;
    });
  }

  private gap(before: Made, after: Made): GapBefore {
    return { gapBefore: this.task.travel === 1 ? after : before };
  }

  private ringSide(side: string, start: SideStart | null, which: 'whole' | 'from' | 'up to'): void {
    const way = this.reader.way(this.wordsFor(side));
    const told = this.otherwise(side);
    const kinds = kindsOf(way);
    const taken = [
      this.takenBeside(this.cornerBefore(side)),
      this.takenBeside(this.cornerAfter(side)),
    ] as const;
    const all = this.merged(this.entriesOf(side), kinds);
    const places = all.slice(taken[0], all.length - taken[1]);
    this.along(way, places, told, taken[0], start, which);
  }

  /** Places of several kinds in the order of work. */
  private merged(entries: readonly Made[], kinds: ReadonlySet<Noun>): readonly Place[] {
    return entries.flatMap((m) => {
      const here: Place[] = [];
      for (const kind of ['pair', 'gap', 'st', 'post', 'ch-sp'] as const) {
        if (!kinds.has(kind)) continue;
        for (const place of this.placesIn([m], kind, false))
          if (!here.some((p) => samePlace(p, place))) here.push(place);
      }
      return here.sort((a, b) => Number(isGap(b)) - Number(isGap(a)));
    });
  }

  /**
   * Works along places.
   *
   * @param before places of the side that its first corner has taken up
   */
  private along(
    way: Way,
    places: readonly Place[],
    told: readonly string[],
    before: number,
    start: SideStart | null,
    which: 'whole' | 'from' | 'up to',
  ): void {
    if (told.some((t) => t.startsWith('nothing:'))) return;
    const one = oneInEach(way);
    const startAt = start ? places.findIndex((p) => samePlace(p, start.place)) : -1;
    if (start && startAt < 0) throw new Unclear('the round does not begin in a place of that side');
    if (one) {
      const from = which === 'from' ? startAt + 1 : 0;
      const to = which === 'up to' ? startAt : places.length;
      this.each(one, places, from, to, told, before);
      return;
    }
    const changes = skipChanges(told);
    const left = leftOver(told);
    const bodyUses = used(way.body);
    const open = places.length - used(way.head) - used(way.tail) - changes.first - changes.last - left;
    const repeats = bodyUses === 0 ? 0 : open / bodyUses;
    if (!Number.isInteger(repeats) || repeats < 0)
      throw new Unclear(
        `round ${this.task.number}: ${places.length} places do not come out even, and nothing is said of it`,
      );
    const skipsIn = (steps: readonly LiteralStep[]): number => steps.filter((s) => s.do === 'skip').length;
    const allSkips = skipsIn(way.head) + repeats * skipsIn(way.body) + skipsIn(way.tail);
    const run = new Run(
      places,
      (stitch, place) => this.add(stitch, place),
      (k) => (k === 0 ? changes.first : 0) + (k === allSkips - 1 ? changes.last : 0),
    );
    if (which !== 'from') {
      run.steps(way.head);
      const upTo = which === 'whole' ? repeats : start!.repeat! - 1;
      for (let k = 0; k < upTo; k++) run.steps(way.body);
      if (which === 'up to') {
        run.upToFirstWork(way.body);
        if (run.at !== startAt) throw new Unclear('the round does not come out where it began');
        return;
      }
    } else {
      run.beginAt(startAt, skipsIn(way.head) + (start!.repeat! - 1) * skipsIn(way.body));
      run.fromFirstWork(way.body);
      for (let k = start!.repeat!; k < repeats; k++) run.steps(way.body);
    }
    run.pass(left);
    run.steps(way.tail);
    if (run.at !== places.length) throw new Unclear('places are left over');
  }

  private each(
    { what }: WorkStep,
    places: readonly Place[],
    from: number,
    to: number,
    told: readonly string[],
    before: number,
  ): void {
    const more = new Map<number, number>();
    const together = new Map<number, Stitch>();
    for (const t of told) {
      const increase =
        /^(\d+) (.+?) in (?:sts?|ch-sps?|gaps?|posts?|pairs?) (.+), counted from the (?:corner|start)$/.exec(
          t,
        );
      if (increase) {
        if (this.reader.stitch(increase[2]!) !== what[0]) throw new Unclear(`“${t}” is another stitch`);
        for (const number of numbers(increase[3]!)) more.set(number - 1 - before, Number(increase[1]));
      }
      const decrease = /^(.+?tog(?: BLO| FLO| 3rd lp)?) (over .+), counted from the (?:corner|start)$/.exec(
        t,
      );
      if (decrease) {
        for (const [, first, second] of decrease[2]!.matchAll(/over \S+ (\d+) and (\d+)/g)) {
          if (Number(second) !== Number(first) + 1) throw new Unclear(`“${t}” jumps`);
          together.set(Number(first) - 1 - before, this.reader.stitch(decrease[1]!));
        }
      }
    }
    for (let i = from; i < to; i++) {
      const two = together.get(i);
      if (two) {
        this.add(two, places[i]!);
        i++;
      } else for (let k = more.get(i) ?? 1; k > 0; k--) this.add(what[0]!, places[i]!);
    }
  }

  // ——— Corners

  private wordsForCorner(corner: string): string {
    for (const line of this.task.lines) {
      const m = /^Corners?(?: ([^:]+))?: (.+)\.$/.exec(line);
      if (m && (m[1] === undefined || m[1].split(/, | and /).includes(corner))) return m[2]!;
    }
    throw new Unclear(`what is done in corner ${corner}?`);
  }

  /** The places of a corner: one, or the two stitches of its middle. */
  private cornerPlaces(corner: string): readonly (Place | number)[] {
    if (!this.task.below) {
      const index = this.corners.indexOf(corner);
      return [this.body.edges.slice(0, index).reduce((sum, e) => sum + e.spots.length + 1, 0)];
    }
    const marked = this.task.below.marks.get(corner);
    if (!marked) throw new Unclear(`corner ${corner} has no marker`);
    const words = this.wordsForCorner(corner);
    const order = this.task.travel === 1 ? marked : [...marked].reverse();
    if (/between the two corner sts/.test(words)) return [this.gap(order[0]!, order[1]!)];
    return order;
  }

  /** How many stitches on either side of a corner its decrease takes up. */
  private takenBeside(corner: string): number {
    const m = / over the corner st and the (?:one|(\d+) sts) on each side of it/.exec(
      this.wordsForCorner(corner),
    );
    return m ? Number(m[1] ?? 1) : 0;
  }

  private corner(corner: string): void {
    const words = this.wordsForCorner(corner);
    const bare = words.replace(/; pm in .*$/, '');
    const from = this.made.length;
    const places = this.cornerPlaces(corner);
    if (bare === 'nothing') {
      // Passed over.
    } else if (/, as along the sides$/.test(bare)) {
      const [only] = this.reader.way(this.wordsFor(this.sideAfter(corner))).body;
      if (only?.do !== 'work') throw new Unclear(`what is “as along the sides” at corner ${corner}?`);
      const chains = /^1 st in each chain of the corner ch-(\d+) sp/.exec(bare);
      for (const place of places)
        for (let k = chains ? Number(chains[1]) : 1; k > 0; k--) this.add(only.what[0]!, place);
    } else if (!this.pairCorner(bare, places) && !this.overCorner(bare, places)) {
      for (const part of parts(bare)) {
        const m = /^(.+?) (?:in|between) (?:the .+)$/.exec(part);
        if (m) for (const stitch of this.reader.group(m[1]!)) this.add(stitch, places[0]!);
        else this.add(this.reader.stitch(part.replace(/ over the corner .*$/, '')), null);
      }
    }
    this.mark(corner, this.made.slice(from));
  }

  private pairCorner(words: string, places: readonly (Place | number)[]): boolean {
    const m = /^(.+) in the first of the two corner sts, (.+) in the second$/.exec(words);
    if (!m) return false;
    [m[1]!, m[2]!].forEach((group, k) => {
      for (const stitch of this.reader.group(group)) this.add(stitch, places[k]!);
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
    this.add(this.reader.stitch(m[1]!), places[0]!);
    return true;
  }

  /** Part of a corner: “1 hdc in the same place, ch 2”. */
  private partOfCorner(words: string, same: Place | number, all: readonly (Place | number)[]): void {
    for (const part of parts(words)) {
      const m =
        /^(.+?) in (the same place|the place of its last part|the first of its two places|the second of its two places|each chain of it)$/.exec(
          part,
        );
      if (!m) {
        for (const stitch of this.reader.group(part)) this.add(stitch, null);
        continue;
      }
      const place =
        m[2] === 'the first of its two places'
          ? all[0]!
          : m[2] === 'the second of its two places'
            ? all[1]!
            : same;
      for (const stitch of this.reader.group(m[1]!)) this.add(stitch, place);
    }
  }

  /** Puts the marker where the corner's line says. */
  private mark(corner: string, made: readonly Made[]): void {
    const said = /; pm in (.+)$/.exec(this.wordsForCorner(corner))?.[1];
    if (said === undefined) return;
    const stitches = made.filter(isStitch);
    const inOrder = (list: readonly Made[]): readonly Made[] =>
      this.task.travel === 1 ? list : [...list].reverse();
    const put = (list: readonly (Made | undefined)[]): void => {
      if (list.some((m) => m === undefined)) throw new Unclear(`“pm in ${said}” at corner ${corner}`);
      this.marks.set(corner, inOrder(list as readonly Made[]));
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

  // ——— A pattern that runs all the way around

  private ringRound(start: string, past: RegExpExecArray | null): void {
    const way = this.reader.way(past ? past[1]! : this.wordsFor(this.names[0]!));
    if (way.head.length > 0 || way.tail.length > 0) throw new Unclear('a pattern all around has a beginning');
    const place = this.startPlace(start);
    const all = this.merged(this.ring, kindsOf(way));
    const at = all.findIndex((p) => samePlace(p, place));
    if (at < 0) throw new Unclear('the round does not begin in a place that it works into');
    const places = [...all.slice(at), ...all.slice(0, at)];
    const told = this.otherwise(this.names[0]!);
    const lift = this.lift(start);
    const { body } = way;
    const one = oneInEach(way);
    if (one) {
      this.firstStitches(start, lift, place);
      this.each(one, places, 1, places.length, told, 0);
      return;
    }
    if (!/Begin with the first sts of the repeat there/.test(start))
      throw new Unclear(`how does “${start}” go on?`);
    const left = leftOver(told);
    const changes = skipChanges(told);
    const repeats = (places.length - left - changes.first - changes.last - changes.beforeLast) / used(body);
    if (!Number.isInteger(repeats))
      throw new Unclear(`${places.length} places do not come out even all around`);
    const special = this.specialCorners();
    const skips = repeats * body.filter((s) => s.do === 'skip').length;
    const from = this.made.length;
    const run = new Run(
      places,
      (stitch, p) => this.add(stitch, p),
      (k) =>
        (k === 0 ? changes.first : 0) +
        (k === skips - 1 ? changes.last : 0) +
        (k === skips - 2 ? changes.beforeLast : 0),
    );
    // What comes before the first stitches of the first repeat is done at the end.
    run.beginAt(0, -body.slice(0, firstWork(body)).filter((s) => s.do === 'skip').length);
    run.fromFirstWork(body);
    for (let k = 1; k < repeats; k++) run.steps(body);
    run.pass(left);
    run.upToFirstWork(body);
    // Where a corner takes something else than the one plain stitch that falls on it.
    for (const { place: corner, group } of special) {
      const there = this.made.findIndex(
        (m, i) => i >= from && m.into !== null && typeof m.into === 'object' && samePlace(m.into, corner),
      );
      if (there < 0) throw new Unclear('no stitch falls on a corner that is to take another');
      this.made.splice(there, 1, ...group.map((stitch) => ({ stitch, into: corner })));
    }
  }

  private firstMarked(corner: string): Made {
    const marked = this.task.below!.marks.get(corner);
    if (!marked) throw new Unclear(`corner ${corner} has no marker`);
    return (this.task.travel === 1 ? marked[0] : marked.at(-1))!;
  }

  private specialCorners(): readonly { readonly place: Made; readonly group: readonly Stitch[] }[] {
    return this.task.lines.flatMap((line) => {
      const m =
        /^Corners? ([^:]+): (.+) in the (?:first of the two corner sts|corner st), where 1 would go\.$/.exec(
          line,
        );
      if (!m) return [];
      return m[1]!.split(/, | and /).map((corner) => ({
        place: this.firstMarked(corner),
        group: this.reader.group(m[2]!),
      }));
    });
  }
}

interface SideStart {
  readonly side: string;
  readonly place: Place;
  readonly repeat: number | null;
  readonly lift: Stitch | null;
}

interface EdgeStart {
  readonly side: string;
  readonly spot: number;
  readonly stitch: Stitch;
}

const offsets = (index: ReadonlyMap<Made, number>, of: readonly Made[]): readonly number[] => {
  const at = of.map((m) => index.get(m)!);
  // Two that lie on either side of where the list begins.
  return Math.max(...at) - Math.min(...at) > index.size / 2
    ? at.map((i) => (i < index.size / 2 ? i + index.size : i))
    : at;
};
