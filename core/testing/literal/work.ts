/** The work of one round, as its lines tell it. */
import type { Body } from '../../piece/edge.ts';
import { chainRun, stitchOf, type Stitch } from '../../ring/stitch.ts';
import { Below } from './below.ts';
import { Corners } from './corners.ts';
import { Unclear, numbers, used, type LiteralStep, type Reader, type Way } from './crochet.ts';
import { alongEdge, spotsListed } from './edge.ts';
import { RoundInHand, samePlace, type Lying, type Made, type Place } from './made.ts';
import { Following, firstWork, kindsOf, leftOver, oneInEach, skipChanges, type StepToWork } from './run.ts';
import { Starts, type EdgeStart } from './starts.ts';
import { PrintedLines } from './told.ts';

interface Task {
  readonly number: number;
  readonly lines: readonly string[];
  readonly below: Lying | null;
  readonly travel: 1 | -1;
  readonly joinOfLast: Made | null;
  readonly wentOver: boolean;
  readonly rows: RowsTold | null;
}

/** Sides along which rows go, and the corners at their ends. */
export interface RowsTold {
  readonly sides: readonly string[];
  readonly first: string;
  readonly last: string;
}

/** The work of one round. */
export class Work {
  private readonly round = new RoundInHand();
  private readonly circle: boolean;
  private readonly told: PrintedLines;
  private readonly below: Below;
  private readonly starts: Starts;
  private readonly ofCorners: Corners;

  constructor(
    private readonly reader: Reader,
    private readonly body: Body,
    private readonly names: readonly string[],
    private readonly corners: readonly string[],
    private readonly task: Task,
  ) {
    this.circle = corners.length === 0;
    this.told = new PrintedLines(task.lines, reader, this.circle);
    this.below = new Below(task.below, task.travel, names, corners);
    const last = { join: task.joinOfLast, wentOver: task.wentOver };
    this.starts = new Starts(body, this.told, this.below, last);
    this.ofCorners = new Corners(body, this.told, this.below, this.round);
  }

  do(): RoundInHand {
    const past = this.told.find(/^All around, past the corners: (.+)\.$/);
    const startLine = this.told.lines.find((l) =>
      /^(?:Join .+ with|Go on (?:with|in|around) |Start |(?:Sl st|Ss) )/.test(l),
    );
    if (this.task.rows) {
      this.row(this.task.rows, startLine ?? null);
      return this.round;
    }
    if (!startLine) {
      const knots = this.told.lines.find((l) => l.startsWith('There is no yarn to join'));
      if (!knots) throw new Unclear('where does the round begin?');
      if (this.circle) {
        const way = this.reader.way(this.told.ofSide(this.names[0]!));
        const all = this.below.merged(this.below.ring, kindsOf(way));
        const at = all.findIndex((p) => samePlace(p, this.starts.place(knots)));
        this.along(
          way,
          [...all.slice(at), ...all.slice(0, at)],
          this.told.otherwise(this.names[0]!),
          0,
          null,
          'whole',
        );
      } else this.around(this.corners[0]!, null);
    } else if (past || (this.circle && !this.below.isEdge)) this.ringRound(startLine, past);
    else this.sideRound(startLine);
    return this.round;
  }

  // ——— Where a round begins

  private sideRound(start: string): void {
    const base = this.below.isEdge;
    const lift = this.told.lift(start);
    const corner = /(?:In|The rest of|Work) corner (\S+?)(?::| first| ends )/.exec(start);
    if (corner) {
      const name = corner[1]!;
      this.starts.sameCorner(start, name);
      if (/Work corner \S+ first, all of it[.;]/.test(start)) {
        // A chain that is not said to be one of its stitches comes on top.
        if (lift && !/; the (?:chain|standing st|stacked st|drawn-up st) is its first st\./.test(start))
          this.round.add(lift, this.ofCorners.places(name)[0]!);
        const before = this.round.made.length;
        this.ofCorners.work(name);
        const first = this.round.made.slice(before).find((m) => m.into !== null)!;
        if (lift && lift !== first.stitch)
          throw new Unclear(`the ch counts as another stitch than ${name} begins with`);
        this.around(name, 'done');
        return;
      }
      // The last part now, the first part at the end.
      const into = this.ofCorners.places(name);
      const last: Made[] = [];
      const at = this.round.made.length;
      const words = /In corner \S+: (.+); the rest of this corner ends/.exec(start)?.[1] ?? null;
      // Begun in a stitch that is the second of two, the place that was named is that one.
      const joined = into.find((p) => p === this.below.join && /you joined the last round/.test(start));
      const place = /the second of the two marked sts/.test(start) ? into[1]! : (joined ?? into[0]!);
      if (lift) this.round.add(lift, place);
      const space = this.told.spaceOfLift(start);
      if (space > 0) this.round.add(chainRun(space), null);
      if (words) this.ofCorners.part(words, place, into);
      last.push(...this.round.made.slice(at));
      this.around(name, 'parted');
      const end = this.told.find(/^At the end of the round, finish corner (\S+): (.+)\.$/);
      const from = this.round.made.length;
      if (end) this.ofCorners.part(end[2]!, into[0]!, into);
      this.ofCorners.mark(name, [...this.round.made.slice(from), ...last]);
      return;
    }
    if (base) {
      const side = this.starts.inEdge(start);
      this.around(null, side);
      return;
    }
    const on = /go on along side (\S+)\.$/i.exec(start);
    const repeat = /Begin with repeat (\d+) of side (\S+?): its first sts go in there/.exec(start);
    const within = /Begin within repeat (\d+) of side (\S+?), at (?:the (\d+)\w\w )?“(.+?)” there/.exec(
      start,
    );
    const place = this.starts.place(start);
    const before = /Begin before the repeats of side (\S+?), at (?:the (\d+)\w\w )?“(.+?)” there/.exec(start);
    const side = on?.[1] ?? repeat?.[2] ?? within?.[2] ?? before?.[1];
    if (!side) throw new Unclear(`“${start}” does not say how to go on`);
    if (on) this.firstStitches(start, lift, place);
    const turn = repeat ?? within;
    const step = within ? this.stepNamed(side, 'body', within[4]!, Number(within[3] ?? 1)) : null;
    const head = before ? this.stepNamed(side, 'head', before[3]!, Number(before[2] ?? 1)) : null;
    const number = turn ? Number(turn[1]) : before ? 1 : null;
    this.around(null, { side, place, repeat: number, step, head, lift });
  }

  /** The step of the repeat of a side that is named by its words. */
  private stepNamed(side: string, part: 'head' | 'body', words: string, number: number): number {
    const body = this.reader.way(this.told.ofSide(side))[part];
    const named = JSON.stringify(this.reader.step(words));
    const alike = body.flatMap((s, k) => (JSON.stringify(s) === named ? [k] : []));
    const step = alike[number - 1];
    if (step === undefined) throw new Unclear(`no step of the repeat is “${words}”`);
    return step;
  }

  /** Stitches in the place where a plain round begins. */
  private firstStitches(start: string, lift: Stitch | null, place: Place): void {
    const rest = /(?:^|\. )(\d+ .+?|\(.+?\)) (?:in|around) the same place, then go on/.exec(start);
    if (!lift && !rest) throw new Unclear(`“${start}” does not say what the first stitch is`);
    if (lift) this.round.add(lift, place);
    for (const stitch of rest ? this.reader.group(rest[1]!) : []) this.round.add(stitch, place);
  }

  // ——— Along a part

  /** Works an end stitch, side, corner, side, … and the other end stitch. */
  private row({ first, last }: RowsTold, start: string | null): void {
    const [from, to] = this.task.travel === 1 ? [first, last] : [last, first];
    const { isEdge, ring } = this.below;
    const begin = isEdge ? this.ofCorners.places(from)[0]! : ring[0]!;
    if (start) {
      if (isEdge) this.atEndOfEdge(start, from);
      const beyond = /Begin with repeat 1 of side (\S+): its first sts go in there/.exec(start);
      if (beyond && beyond[1] !== this.below.sideAfter(from))
        throw new Unclear(`side ${beyond[1]!} is not the first`);
      const atFirst = isEdge || / the first st[. ]/.test(start);
      const lift = this.told.lift(start);
      const rest = /(?:^|\. )(\d+ [^.]+?|\(.+?\)) (?:in|around) it\.$/.exec(start);
      if (atFirst && lift === null && rest === null)
        throw new Unclear(`“${start}” does not say what the first st is`);
      if (lift && !beyond) this.round.add(lift, begin);
      for (const stitch of rest ? this.reader.group(rest[1]!) : []) this.round.add(stitch, begin);
    } else if (!this.told.lines.some((l) => l.startsWith('There is no yarn to join')))
      throw new Unclear('where does the row begin?');
    else {
      const knotted = this.told.find(/^First: (.+) (?:in|around) the first st\.$/);
      if (!knotted) throw new Unclear('where is the first knotted in?');
      for (const stitch of this.reader.group(knotted[1]!)) this.round.add(stitch, begin);
    }
    const [outermost] = this.round.made;
    for (let corner = from; ;) {
      const side = this.below.sideAfter(corner);
      this.side(side, null, 'whole');
      corner = this.below.cornerAfter(side);
      if (corner === to) break;
      this.ofCorners.work(corner);
    }
    const end = this.told.find(
      /^End: (?:nothing|(.+) (?:in|around) (?:the last st|.+ of (?:corner|side) \S+))\.$/,
    );
    if (!end) throw new Unclear('how does the row end?');
    if (isEdge) this.atEndOfEdge(end[0], to);
    if (end[1] === undefined) return;
    const finish = isEdge ? this.ofCorners.places(to)[0]! : ring.at(-1)!;
    for (const stitch of this.reader.group(end[1])) this.round.add(stitch, finish);
    this.round.marks.set(from, [outermost!]).set(to, [this.round.made.at(-1)!]);
  }

  /** Whether the place of the edge that is named is the one in which rows end at a corner: the corner, or beside what is worked of a side. */
  private atEndOfEdge(words: string, corner: string): void {
    const { rows } = this.task;
    const { edges } = this.body;
    const isFirst = corner === rows?.first;
    const side = rows!.sides[isFirst ? 0 : rows!.sides.length - 1]!;
    const edge = edges[this.names.indexOf(side)]!;
    const { from, of } = edge.stretch ?? { from: 0, of: edge };
    const at = isFirst ? from - 1 : from + edge.spots.length;
    const isCorner = at < 0 || at >= of.spots.length;
    const m =
      / in (?:(?:the )?.+ of corner (\S+?)|((?:row|st|chain|gap|space|block|hole) .+?) of side (\S+?))[.,]/.exec(
        words,
      );
    if (isCorner ? m?.[1] !== corner : m?.[3] !== side || spotsListed(m[2]!, of)[0] !== at)
      throw new Unclear(`“${words}” is not where the rows end at ${corner}`);
  }

  // ——— All the way around

  /** Works corner, side, corner, side, from a corner or from within a side, till the start comes again. */
  private around(from: string | null, begun: 'done' | 'parted' | SideStart | EdgeStart | null): void {
    if (begun !== null && typeof begun === 'object') {
      this.side(begun.side, begun, 'from');
      for (let side = begun.side, k = 0; k < this.corners.length; k++) {
        const corner = this.below.cornerAfter(side);
        this.ofCorners.work(corner);
        side = this.below.sideAfter(corner);
        if (side === begun.side) {
          // Of a side that was begun with its first stitch nothing is left.
          if (this.told.find(/^At the end of the round, work the last corner\.$/)) continue;
          if (!this.told.find(new RegExp(`^At the end of the round, work side ${side} up to your start`)))
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
      if (k > 0 || begun === null) this.ofCorners.work(corner);
      const side = this.below.sideAfter(corner);
      this.side(side, null, 'whole');
      corner = this.below.cornerAfter(side);
    }
  }

  private side(side: string, start: SideStart | EdgeStart | null, which: 'whole' | 'from' | 'up to'): void {
    if (this.below.isEdge) this.edgeSide(side, start as EdgeStart | null, which);
    else this.ringSide(side, start as SideStart | null, which);
  }

  private edgeSide(side: string, start: EdgeStart | null, which: 'whole' | 'from' | 'up to'): void {
    const index = this.names.indexOf(side);
    const edge = this.body.edges[index]!;
    const words = this.told.ofSide(side);
    const m =
      /^(\d+) (.+?) along [^:]*?(?:, with ch (\d+) between (?:them|(the groups)), before the first and after the last)?: (.+)$/.exec(
        words,
      );
    if (!m) throw new Unclear(`what is “${words}”?`);
    const own = this.reader.stitch(m[2]!);
    const chain = m[3] === undefined ? null : stitchOf({ kind: 'ch', chains: Number(m[3]) });
    const close = m[5]!.includes(', no ch between');
    const placed = alongEdge(m[5]!.replaceAll(', no ch between', ''), edge, own, this.reader);
    const total = placed.reduce((sum, s) => sum + s.length, 0);
    if (total !== Number(m[1])) throw new Unclear(`side ${side} says ${m[1]} and takes ${total}`);
    const first = 1 + this.body.edges.slice(0, index).reduce((sum, e) => sum + e.spots.length + 1, 0);
    const from = which === 'from' ? start!.spot : 0;
    const to = which === 'up to' ? start!.spot : placed.length;
    if (chain && which !== 'from') this.round.add(chain, null);
    for (let spot = from; spot < to; spot++) {
      const stitches = placed[spot]!;
      stitches.forEach((stitch, k) => {
        if (which === 'from' && spot === from && k === 0 && stitch !== start!.stitch)
          throw new Unclear(`side ${side} begins with another stitch than is said`);
        this.round.add(stitch, first + spot);
        const seam = edge.joins.find((at) => spot >= at && spot < at + 3);
        const within =
          close && seam !== undefined && placed.slice(spot + 1, seam + 3).some((s) => s.length > 0);
        if (chain && !within && (m[4] === undefined || k === stitches.length - 1))
          this.round.add(chain, null);
      });
    }
  }

  // ——— Along a side of the ring below

  private ringSide(side: string, start: SideStart | null, which: 'whole' | 'from' | 'up to'): void {
    const way = this.reader.way(this.told.ofSide(side));
    const told = this.told.otherwise(side);
    const kinds = kindsOf(way);
    const entries = this.below.entriesOf(side);
    const { rows } = this.task;
    const taken = (corner: string, outwards: readonly Made[]): ReadonlySet<Made> =>
      corner === rows?.first || corner === rows?.last
        ? new Set()
        : this.below.takenBeside(corner, this.told.takenBeside(corner), outwards);
    const before = taken(this.below.cornerBefore(side), entries);
    const after = taken(this.below.cornerAfter(side), [...entries].reverse());
    const all = this.below.merged(this.below.alongSide(side, kinds.has('between') ? 'between' : 'st'), kinds);
    const places = all.filter((p) => !this.below.isTaken(p, before) && !this.below.isTaken(p, after));
    const first = all.filter((p) => this.below.isTaken(p, before)).length;
    this.along(way, places, told, first, start, which);
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
    const open = places.length - used(way.head) - used(way.tail) - changes.sum - left;
    const repeats = bodyUses === 0 ? 0 : open / bodyUses;
    if (!Number.isInteger(repeats) || repeats < 0)
      throw new Unclear(
        `round ${this.task.number}: ${places.length} places do not come out even, and nothing is said of it`,
      );
    const skipsIn = (steps: readonly LiteralStep[]): number => steps.filter((s) => s.do === 'skip').length;
    const allSkips = skipsIn(way.head) + repeats * skipsIn(way.body) + skipsIn(way.tail);
    const run = new Following(
      places,
      (stitch, place) => this.round.add(stitch, place),
      (k) => changes.of(k, allSkips),
    );
    const head = start?.head ?? null;
    if (head !== null && which === 'up to') {
      run.upTo(way.head, head);
      if (run.at !== startAt) throw new Unclear('the round does not come out where it began');
      return;
    }
    if (head !== null && which === 'from') {
      run.beginAt(startAt, 0);
      run.from(way.head, head);
      for (let k = 0; k < repeats; k++) run.steps(way.body);
    } else if (which !== 'from') {
      run.steps(way.head);
      const upTo = which === 'whole' ? repeats : start!.repeat! - 1;
      for (let k = 0; k < upTo; k++) run.steps(way.body);
      if (which === 'up to') {
        run.upTo(way.body, start!.step ?? firstWork(way.body));
        if (run.at !== startAt) throw new Unclear('the round does not come out where it began');
        return;
      }
    } else {
      run.beginAt(startAt, skipsIn(way.head) + (start!.repeat! - 1) * skipsIn(way.body));
      run.from(way.body, start!.step ?? firstWork(way.body));
      for (let k = start!.repeat!; k < repeats; k++) run.steps(way.body);
    }
    run.pass(left);
    run.steps(way.tail);
    if (run.at !== places.length) throw new Unclear('places are left over');
  }

  private each(
    { what }: StepToWork,
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
        /^(\d+) (.+?) in (?:sts?|ch-sps?|gaps?|posts?|pairs?|betweens?|eithers?) (.+), counted from the (?:corner|start)$/.exec(
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
        this.round.add(two, places[i]!);
        i++;
      } else for (let k = more.get(i) ?? 1; k > 0; k--) this.round.add(what[0]!, places[i]!);
    }
  }

  // ——— A pattern that runs all the way around

  private ringRound(start: string, past: RegExpExecArray | null): void {
    const way = this.reader.way(past ? past[1]! : this.told.ofSide(this.names[0]!));
    if (way.head.length > 0 || way.tail.length > 0) throw new Unclear('a pattern all around has a beginning');
    const place = this.starts.place(start);
    const all = this.below.merged(this.below.ring, kindsOf(way));
    const at = all.findIndex((p) => samePlace(p, place));
    if (at < 0) throw new Unclear('the round does not begin in a place that it works into');
    const places = [...all.slice(at), ...all.slice(0, at)];
    const told = this.told.otherwise(this.names[0]!);
    const lift = this.told.lift(start);
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
    const repeats = (places.length - left - changes.sum) / used(body);
    if (!Number.isInteger(repeats))
      throw new Unclear(`${places.length} places do not come out even all around`);
    const special = this.specialCorners();
    const skips = repeats * body.filter((s) => s.do === 'skip').length;
    const from = this.round.made.length;
    const run = new Following(
      places,
      (stitch, p) => this.round.add(stitch, p),
      (k) => changes.of(k, skips),
    );
    // What comes before the first stitches of the first repeat is done at the end.
    run.beginAt(0, -body.slice(0, firstWork(body)).filter((s) => s.do === 'skip').length);
    run.from(body, firstWork(body));
    for (let k = 1; k < repeats; k++) run.steps(body);
    run.pass(left);
    run.upTo(body, firstWork(body));
    // Where a corner takes something else than the one plain stitch that falls on it.
    for (const { place: corner, group } of special) {
      const there = this.round.made.findIndex(
        (m, i) => i >= from && m.into !== null && typeof m.into === 'object' && samePlace(m.into, corner),
      );
      if (there < 0) throw new Unclear('no stitch falls on a corner that is to take another');
      this.round.made.splice(there, 1, ...group.map((stitch) => ({ stitch, into: corner })));
    }
  }

  private specialCorners(): readonly { readonly place: Made; readonly group: readonly Stitch[] }[] {
    return this.told.lines.flatMap((line) => {
      const m =
        /^Corners? ([^:]+): (.+) in the (?:first of the two corner sts|corner st), where 1 would go\.$/.exec(
          line,
        );
      if (!m) return [];
      return m[1]!.split(/, | and /).map((corner) => ({
        place: this.below.marked(corner)[0]!,
        group: this.reader.group(m[2]!),
      }));
    });
  }
}

interface SideStart {
  readonly side: string;
  readonly place: Place;
  readonly repeat: number | null;
  /** The step of the repeat with which it begins; null for its first stitches. */
  readonly step: number | null;
  /** The step before the repeats with which it begins; null for none. */
  readonly head: number | null;
  readonly lift: Stitch | null;
}
