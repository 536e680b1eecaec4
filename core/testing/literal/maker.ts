/**
 * A maker who reads a printed pattern and does what it says, and nothing that it does not say. What comes out is compared
 * with the plan, stitch by stitch and foot by foot. It knows the piece’s edge, the craft’s abbreviations and what a ring is.
 */
import type { Body } from '../../piece/edge.ts';
import type { Language } from '../../terms/stitches.ts';
import { Below } from './below.ts';
import { inOneWord, Reader, Unclear } from './crochet.ts';
import { isStitch, type Lying, type Made, type RoundMade, type Marks } from './made.ts';
import type { AtHand, Paragraph } from './published/paragraph.ts';
import { endsTurned } from './published/rows.ts';
import { asSteps } from './published/published.ts';
import { Work, type RowsTold } from './work.ts';

/** Makes everything that a text tells. Throws {@link Unclear} where it cannot be followed. */
export function follow(
  text: string,
  language: Language,
  body: Body,
  hand: 'right' | 'left' = 'right',
): readonly RoundMade[] {
  return new Maker(language, body, hand).all(text);
}

class Maker {
  private readonly reader: Reader;
  private readonly corners: readonly string[];
  private readonly names: readonly string[];
  private facing: 'right' | 'wrong' = 'right';
  /** Sides along which rows go, and the corners at their ends; null all round. */
  private rows: RowsTold | null = null;
  private readonly lying = new Map<number, Lying>();
  /** The round into which the next goes. */
  private onto = -1;
  /** Number of the round that was made last. */
  private last = -1;

  constructor(
    private readonly language: Language,
    private readonly body: Body,
    private readonly hand: 'right' | 'left',
  ) {
    this.reader = new Reader(language);
    this.names = body.outline.sides.map((s) => s.name);
    const n = this.names.length;
    this.corners = body.outline.turns.map((_, i) => `${this.names[(i + n - 1) % n]}/${this.names[i]}`);
  }

  /** A hand has one way to work along an edge: the text must send it that way, and around with it. */
  private direction(text: string): void {
    const rows =
      / Work in rows along sides? (.+?) alone, from (?:corner (\S+)|.+? of side (\S+)) to (?:corner (\S+)|.+? of side (\S+))\. /.exec(
        text,
      );
    if (rows) {
      const sides = rows[1]!.split(/, | and /);
      const met = sides.map((_, k) => this.names[(this.names.indexOf(sides[0]!) + k) % this.names.length]);
      if (met.join() !== sides.join()) throw new Unclear(`sides ${sides.join()} do not lie side by side`);
      const at = (side: string, by: number): string =>
        this.corners[(this.names.indexOf(side) + by) % this.corners.length]!;
      const [first, last] = [at(sides[0]!, 0), at(sides.at(-1)!, 1)];
      if ((rows[2] ?? first) !== first || (rows[4] ?? last) !== last)
        throw new Unclear(`rows along ${sides.join()} do not lie between ${rows[2]!} and ${rows[4]!}`);
      if ((rows[3] ?? sides[0]) !== sides[0] || (rows[5] ?? sides.at(-1)) !== sides.at(-1))
        throw new Unclear(`rows along ${sides.join()} do not begin and end on ${rows[3]!} and ${rows[5]!}`);
      this.rows = { sides, first, last };
      if (sides.length === 1) return this.along(text);
    }
    const said =
      /^ +With the right side facing, work from (right|left) to .+?[.:] (?:Go|you go) around (\w+)/m.exec(
        text,
      );
    const other = this.language === 'us' ? 'counterclockwise' : 'anticlockwise';
    const way = this.hand === 'right' ? other : 'clockwise';
    if (said?.[1] !== this.hand || said[2] !== way)
      throw new Unclear(`“${said?.[0] ?? 'nothing'}” is not the way around`);
    this.along(text);
  }

  /** Rows along a single side go nowhere around. */
  private along(text: string): void {
    if (!new RegExp(`With the right side facing, work from ${this.hand} to `).test(text))
      throw new Unclear('which way is worked?');
    const backward = this.hand === 'right' ? 'from left to right' : 'from right to left';
    for (const [, how] of text.matchAll(/Work backward, ([^.]+)\./g))
      if (how !== backward) throw new Unclear(`backward is ${backward}, not ${how}`);
  }

  all(printed: string): readonly RoundMade[] {
    const text = byName(inOneWord(printed));
    this.direction(text);
    if (/^Base (?:rnd|row) \([RW]S\): /m.test(text)) return this.published(text);
    const rounds: RoundMade[] = [];
    let lines: string[] = [];
    let heading = '';
    const finish = (): void => {
      const of = /^(?:Base (?:round|row)|(?:Round|Row)s? (\d+)(?:–(\d+))?:)/.exec(heading);
      if (of) {
        const from = Number(of[1] ?? 0);
        const to = Number(of[2] ?? from);
        for (let number = from; number <= to; number++)
          rounds.push(this.round(number, linesOf(lines, number)));
      }
      lines = [];
    };
    for (const line of text.split('\n')) {
      if (line.startsWith('  ')) lines.push(line.trim());
      else if (line !== '') {
        finish();
        heading = line;
      }
    }
    finish();
    return rounds;
  }

  /** A pattern that is told in a paragraph for each round, or for several that are alike. */
  private published(text: string): readonly RoundMade[] {
    const paragraphs: Paragraph[] = [];
    const rounds: RoundMade[] = [];
    for (const told of text.split(/\n(?=\S)/)) {
      const m = /^(Base (?:rnd|row)|(?:Rnd|Row)s? (\d+)(?:–(\d+))?)(?: \(([RW]S)\))?: ([^]*)$/.exec(told);
      if (!m) continue;
      const [, heading, first, last, face, words] = m;
      const lines = words!
        .trimEnd()
        .split('\n')
        .map((l) => l.trim());
      for (let number = Number(first ?? 0); number <= Number(last ?? first ?? 0); number++) {
        paragraphs[number] = { heading: heading!, lines };
        const steps = this.rows
          ? this.rowAsSteps(number, paragraphs, face ?? null)
          : this.asSteps(number, paragraphs);
        rounds.push(this.round(number, steps));
      }
    }
    return rounds;
  }

  private asSteps(number: number, paragraphs: readonly Paragraph[]): readonly string[] {
    const paragraph = paragraphs[number]!;
    const [first] = paragraph.lines;
    const onFace = /Work on the face of (?:Base rnd|Rnd (\d+));/.exec(first!);
    const onto = number === 0 ? -1 : onFace ? Number(onFace[1] ?? 0) : this.onto;
    const facing = /Turn\. WS facing/.test(first!)
      ? 'wrong'
      : /Turn; RS facing again/.test(first!)
        ? 'right'
        : this.facing;
    const backward = (facing === 'wrong') !== /Work backward, /.test(first!);
    return asSteps(paragraph, this.atHand(number, onto, backward, paragraphs));
  }

  private atHand(number: number, onto: number, backward: boolean, before: readonly Paragraph[]): AtHand {
    const lying = onto < 0 ? null : this.lying.get(onto)!;
    const sides = this.rows && (backward ? [...this.rows.sides].reverse() : this.rows.sides);
    const below = new Below(lying, backward ? -1 : 1, this.names, this.corners);
    return {
      number,
      below,
      reader: this.reader,
      names: this.names,
      corners: this.corners,
      rows: sides && { sides, turned: sides.slice(0, -1).map((side) => below.cornerAfter(side)) },
      before,
    };
  }

  /** A row is turned where the one before it says so; its heading tells the face. */
  private rowAsSteps(
    number: number,
    paragraphs: readonly Paragraph[],
    face: string | null,
  ): readonly string[] {
    const { lines } = paragraphs[number]!;
    const told = (n: number): readonly string[] => {
      const as = /^As Row (\d+)\./.exec(paragraphs[n]!.lines[0]!);
      return as ? told(Number(as[1])) : paragraphs[n]!.lines;
    };
    const turned = number > 0 && endsTurned(told(number - 1));
    const facing = turned ? (this.facing === 'right' ? 'wrong' : 'right') : this.facing;
    if (face !== null && (face === 'RS') !== (facing === 'right'))
      throw new Unclear(`row ${number} is to be worked with the ${face}, but the ${facing} side faces`);
    const onFace = /Work on the face of (?:Base row|Row (\d+));/.exec(lines[0]!);
    const onto = number === 0 ? -1 : onFace ? Number(onFace[1] ?? 0) : this.onto;
    const backward = (facing === 'wrong') !== /Work backward, /.test(told(number)[0]!);
    const steps = asSteps(paragraphs[number]!, this.atHand(number, onto, backward, paragraphs));
    const turn =
      facing === 'wrong'
        ? 'Turn. The wrong side faces you in this row.'
        : 'Turn back: the right side faces you again.';
    return turned ? [turn, ...steps] : steps;
  }

  private round(number: number, lines: readonly string[]): RoundMade {
    const find = (pattern: RegExp): RegExpExecArray | null => {
      for (const line of lines) {
        const m = pattern.exec(line);
        if (m) return m;
      }
      return null;
    };
    if (find(/^Turn\. The wrong side faces you/)) this.facing = 'wrong';
    if (find(/^Turn back: the right side faces you/)) this.facing = 'right';
    const backward = (this.facing === 'wrong') !== (find(/^Work backward, /) !== null);
    const face = find(
      /^Work on the face of (?:(?:round|row) (\d+)|the base (?:round|row)); the next (?:round|row) goes into/,
    );
    const onto = number === 0 ? -1 : face ? Number(face[1] ?? 0) : this.onto;
    const work = new Work(this.reader, this.body, this.names, this.corners, {
      number,
      lines,
      below: onto < 0 ? null : this.lying.get(onto)!,
      travel: backward ? -1 : 1,
      joinOfLast: this.lying.get(this.last)?.join ?? null,
      rows: this.rows,
      wentOver: number > 0 && onto !== this.last,
    });
    const { made, marks } = work.do();
    const ring = backward ? [...made].reverse() : made;
    this.lying.set(number, { number, ring, marks, ...this.closing(lines, made) });
    this.last = number;
    if (!face) this.onto = number;
    return { number, onto, made: ring, miscounts: this.miscounts(lines, number, made, marks) };
  }

  /** How a round is closed: in its first stitch, with a stitch that stands for its last chains, or not. */
  private closing(
    lines: readonly string[],
    made: readonly Made[],
  ): Pick<Lying, 'join' | 'closedBy' | 'isOpen'> {
    const first = made[0] ?? null;
    for (const line of lines) {
      const steps = /(?:^|\. )In place of the (first|last) (\d+) sts?: ([^.]+)\./.exec(line);
      if (steps) this.stepped(made, steps);
      if (/^Do not join: /.test(line))
        return { join: first, closedBy: null, isOpen: /the next round goes on/.test(line) };
      const close = /^Leave out the last ch (\d+): close with (?:ch (\d+) and )?1 (\S+) in /.exec(line);
      if (!close) continue;
      const last = made[made.length - 1]!;
      const chains = Number(close[1]);
      if (last.stitch.kind !== 'ch' || last.stitch.chains !== chains)
        throw new Unclear(`the round does not end with ch ${chains}`);
      const worth = ['sc', 'hdc', 'dc', 'tr'].indexOf(this.reader.stitch(close[3]!).kind) + 1;
      if (Number(close[2] ?? 0) + worth !== chains)
        throw new Unclear(`“${line}” makes a space of ${Number(close[2] ?? 0) + worth} chains`);
      return { join: last, closedBy: close[3]!, isOpen: false };
    }
    return { join: first, closedBy: null, isOpen: false };
  }

  /** The step of a spiral: lower stitches, each next one a little higher, in place of so many that are alike. */
  private stepped(made: readonly Made[], [line, where, count, words]: RegExpExecArray): void {
    const heights = words!.split(/, /).map((w) => this.reader.stitch(w).kind);
    const n = Number(count);
    const there = where === 'first' ? made.slice(0, n) : made.slice(-n);
    const kinds = new Set(there.map((m) => m.stitch.kind));
    const ladder = ['slst', 'sc', 'hdc', 'dc', 'tr', 'dtr'];
    const climbing = where === 'first' ? heights : [...heights].reverse();
    const rises = climbing.every(
      (kind, k) => k === 0 || ladder.indexOf(kind) === ladder.indexOf(climbing[k - 1]!) + 1,
    );
    const lower = climbing.every((kind) => ladder.indexOf(kind) < ladder.indexOf([...kinds][0]!));
    if (heights.length !== n || kinds.size !== 1 || !rises || !lower)
      throw new Unclear(`“${line}” does not lead up to ${[...kinds].join(' and ')}`);
  }

  /** Claims of the text about the finished round. */
  private miscounts(
    lines: readonly string[],
    number: number,
    made: readonly Made[],
    marks: Marks,
  ): readonly string[] {
    const found: string[] = [];
    for (const line of lines) {
      const count = /^Count(?: after (?:round|row) (\d+))?(?: from marker to marker)?: (.+)$/.exec(line);
      if (!count || (count[1] !== undefined && Number(count[1]) !== number)) continue;
      const total = made.filter(isStitch).length;
      const said = Number((/In all: (\d+)/.exec(line) ?? /: (\d+) sts/.exec(line))![1]);
      if (said !== total) found.push(`round ${number} says ${said} sts and has ${total}`);
      const between = /Between .+ of corner (\S+) and the join: (\d+) st/.exec(line);
      const from = /From the join to .+ of corner (\S+): (\d+) st/.exec(line);
      const told = between ?? from;
      if (!told) continue;
      const marked = marks.get(told[1]!);
      if (!marked) throw new Unclear(`corner ${told[1]} has no marker`);
      const at = made.findIndex((m) => marked.includes(m));
      const lastAt = made.findLastIndex((m) => marked.includes(m));
      const stretch = between ? made.slice(lastAt + 1) : made.slice(0, at);
      const n = stretch.filter(isStitch).length;
      if (n !== Number(told[2])) found.push(`round ${number}: “${told[0]}”, but it is ${n}`);
    }
    return found;
  }
}

/** The text with names in place of kinds: a maker who is told which corners are inner ones knows what “inner corners” are. */
function byName(text: string): string {
  const told = new Map<string, string>();
  for (const [, kind, list] of text.matchAll(
    /((?:Outer|Inner|Other) (?:corners|sides))(?:, (?:in|between) [a-z ]+,)? are ([^.]+)\./g,
  ))
    told.set(kind!.toLowerCase(), list!);
  return text.replace(
    /^( +)(All|(?:Outer|Inner|Other)[a-z, ]*) (corners|sides): /gm,
    (_, space: string, list: string, of: string) => {
      const kinds =
        list === 'All'
          ? [...told.keys()].filter((kind) => kind.endsWith(of))
          : list.split(/, | and /).map((kind) => `${kind.toLowerCase()} ${of}`);
      const names = kinds.map((kind) => told.get(kind));
      if (names.includes(undefined)) throw new Unclear(`which are “${list} ${of}”?`);
      return `${space}${of === 'sides' ? 'Sides' : 'Corners'} ${names.join(', ').replaceAll(' and ', ', ')}: `;
    },
  );
}

/** The lines that are for one of several rounds told together. */
function linesOf(lines: readonly string[], number: number): readonly string[] {
  return lines.flatMap((line) => {
    const m = /^In (?:round|row)s? (\d+)(?:–(\d+))?: (.*)$/.exec(line);
    if (!m) return [line];
    const from = Number(m[1]);
    return number >= from && number <= Number(m[2] ?? from) ? [m[3]!] : [];
  });
}
