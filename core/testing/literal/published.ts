/**
 * Reads a published round to the letter: takes its sentence apart item by item, does what it repeats as often as it says, and
 * writes down what is done along the sides, in the corners, at the beginning and at the end. Every claim of the sentence is
 * checked on the way. Written for tests, and apart from everything that prints.
 */
import type { Below } from './below.ts';
import { Unclear, noun as nounOf, type Noun, type Reader } from './crochet.ts';
import { isGap, samePlace, type Made, type Place } from './made.ts';

export interface Paragraph {
  readonly heading: string;
  readonly lines: readonly string[];
}

/** What is known of the work when a round is begun. */
export interface AtHand {
  readonly number: number;
  readonly below: Below;
  readonly reader: Reader;
  readonly names: readonly string[];
  readonly corners: readonly string[];
  /** Paragraphs of the rounds before. */
  readonly before: readonly Paragraph[];
}

/** Splits at commas and semicolons that stand in no bracket. */
function items(text: string): readonly string[] {
  const found: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i < text.length; i++) {
    if ('([{'.includes(text[i]!)) depth++;
    if (')]}'.includes(text[i]!)) depth--;
    if (
      ',;'.includes(text[i]!) &&
      depth === 0 &&
      !/^, (?:counted from|in next|of (?:Base rnd|Rnd)|any one being|which is still|(?:in|between) the .+ at corner|in .+ of (?:side|the edge)|without turning)/.test(
        text.slice(i),
      )
    ) {
      found.push(text.slice(from, i).trim());
      from = i + 1;
    }
  }
  return [...found, text.slice(from).trim()].filter((p) => p !== '');
}

/** The lines of a round, in the words of the step-by-step form. */
export function asSteps({ heading, lines }: Paragraph, at: AtHand): readonly string[] {
  const [first, ...others] = lines;
  const { face, sentence } = faceOf(first ?? '', at);
  const besides = others.map((line) => counts(adjustment(bySideLine(line)), heading, at));
  const as =
    /^As (?:Base rnd|Rnd (\d+))(?:, but (?:after the last corner (.+), then join|(join right after the last corner)))?\.$/.exec(
      sentence,
    );
  if (as) {
    const before = at.before[Number(as[1] ?? 0)]!;
    const told = faceOf(before.lines[0]!, at).sentence;
    const again =
      as[3] !== undefined
        ? withEnd(told, '')
        : as[2] === undefined
          ? told
          : withEnd(told, chosen(as[2], heading, at.number));
    const same = before.lines.slice(1).filter((l) => !l.startsWith('('));
    return [...asSteps({ heading, lines: [again, ...same] }, at), ...besides];
  }
  if (others.some((line) => line.startsWith('To end: ')))
    return [...face, ...besides, ...bySide(sentence, others, at)];
  if (/^There is no yarn to join/.test(sentence)) return [...face, sentence, ...besides];
  return [...face, ...around(sentence, at), ...besides];
}

/** Of several numbers, one for each of several rounds, that of this one: “sc in next 1, 2 and 3 sts”. */
function chosen(words: string, heading: string, number: number): string {
  const from = Number(/\d+/.exec(heading)![0]);
  const m = /^(.+ next )([\d, and]+) (\w[\w-]*) in Rnds (\d+) to (\d+)$/.exec(words);
  if (!m) return words;
  if (Number(m[4]) !== from) throw new Unclear(`“${words}” begins with another round than ${heading}`);
  const counts = m[2]!.split(/, | and /);
  const count = counts[number - from];
  if (count === undefined) throw new Unclear(`“${words}” has nothing for Rnd ${number}`);
  if (count === '0') return '';
  return `${m[1]!}${count === '1' ? '' : `${count} `}${count === '1' ? m[3]!.replace(/s$/, '') : m[3]!}`;
}

/** A sentence with other words between its last corner and the join. */
function withEnd(sentence: string, end: string): string {
  const [work, join] = sentence.split(/; (?:change to [^;]+; )?join with/) as [string, string];
  const all = items(work);
  const last = all.findLastIndex((t) => /^rep from \*|^pm in /.test(t));
  const kept = work.slice(0, work.lastIndexOf(all[last]!) + all[last]!.length);
  return `${kept}${end === '' ? '' : `, ${end}`}; join with${join}`;
}

/** Sentences about hook, facing and direction that lead a round. */
function faceOf(
  text: string,
  { names, below }: AtHand,
): { readonly face: readonly string[]; readonly sentence: string } {
  const face: string[] = [];
  let rest = text;
  const take = (pattern: RegExp, done: (m: RegExpExecArray) => void): void => {
    const m = pattern.exec(rest);
    if (!m) return;
    done(m);
    rest = rest.slice(m[0].length).trim();
  };
  const order = (said: string | undefined): void => {
    if (said === undefined) return;
    const sides = said.split(', ');
    const from = names.indexOf(sides[0]!);
    const n = names.length;
    const there = names.map((_, k) => names[(((from + below.direction * k) % n) + n) % n]);
    if (there.join() !== sides.join()) throw new Unclear(`the sides do not come as ${said}`);
  };
  take(/^(?:Hook|Change (?:back )?to hook) [^.]+(?:\.\d+[^.]*)?\. /, () => undefined);
  take(/^Turn\. WS facing(?:: work ([^.]+))?\./, (m) => {
    order(m[1]);
    face.push('Turn. The wrong side faces you in this round.');
  });
  take(/^WS still facing(?:: work ([^.]+))?\./, (m) => order(m[1]));
  take(/^Turn; RS facing\./, () => undefined);
  take(/^Turn; RS facing again\./, () => face.push('Turn back: the right side faces you again.'));
  take(/^Work on the face of (Base rnd|Rnd \d+); the next rnd goes into (Base rnd|Rnd \d+) too\./, (m) => {
    const name = m[1] === 'Base rnd' ? 'the base round' : m[1]!.replace('Rnd', 'round');
    face.push(`Work on the face of ${name}; the next round goes into ${name} too.`);
  });
  take(/^Work backward, [^.]+\.(?: The sides come in the other order: [^.]+\.)?/, (m) => face.push(m[0]));
  return { face, sentence: rest };
}

/** “(A 97, B 125; 448 sts)”, or one of several such, as a claim about the round. */
function counts(line: string, heading: string, { number }: AtHand): string {
  if (!line.startsWith('(')) return line;
  const own = /–/.test(heading)
    ? new RegExp(`\\(Rnd ${number}: ([^)]+)\\)`).exec(line)?.[1]
    : /^\(([^)]+)\)/.exec(line)?.[1];
  const total = /(?:^|; )(\d+) sts?(?:;|$)/.exec(own ?? '');
  if (!total) throw new Unclear(`“${line}” does not say how many there are in Rnd ${number}`);
  return `Count: In all: ${total[1]!} sts.`;
}

function bySideLine(line: string): string {
  return line
    .replace(/\brep from \*/g, 'repeat from *')
    .replace(/^((?:Sides? [^:]+|All around): \d+ .+?) over the /, '$1 along the ')
    .replace(
      /^((?:Sides? [^:]+|All around): \d+ [^,]+), (?=(?:\d+|none) in|(?:\d+|none), |row end|nothing)/,
      '$1: ',
    )
    .replace(/^((?:Sides? [^:]+|All around): \d+ .+? with ch .+? after the last), /, '$1: ')
    .replace(/^((?:Sides? [^:]+|All around): \d+ \S+(?: st)?):/, '$1 along the edge:')
    .replace(/, (?:skipping|missing) ([^;.]+)/, ', but none in $1');
}

/** On single sides it is otherwise; the numbers are counted from the corner, as the notes say. */
const adjustment = (line: string): string => line;

const LIFT = /^ch (\d+)(?: \(counts as (.+)\))?$/i;

/** The way there and the chain, as the step-by-step form tells them. */
function beginning(
  all: readonly string[],
  at: AtHand,
): {
  readonly words: string;
  readonly rest: readonly string[];
  readonly place: Place | null;
  readonly has: 'chain' | 'standing' | 'slip' | null;
} {
  // A sentence begins with a capital, whatever stitch it begins with.
  let rest = all.map((t, k) =>
    k === 0 && /^[A-Z][a-z]/.test(t) ? t.charAt(0).toLowerCase() + t.slice(1) : t,
  );
  let words: string;
  let place: Place | null;
  let has: 'chain' | 'standing' | 'slip' | null = null;
  const [way] = rest;
  if (way && /^join /i.test(way)) {
    if (/ with a standing /.test(way)) has = 'standing';
    if (/ \(counts as the first (?:sl st|ss)\)$/.test(way)) has = 'slip';
    words = `${way
      .replace(/ \(counts as the first .+\)$/, '')
      .replace(/^join/, 'Join')
      .replace(/ at corner /, ' of corner ')
      .replace(/the last rnd was joined/, 'you joined the last round')}.`;
    place = /you joined the last round/.test(words) ? at.below.join : null;
    rest = rest.slice(1);
  } else if (way && /^go on with .+, which is still on the hook/i.test(way)) {
    words = `${way
      .replace(/^go/, 'Go')
      .replace(/ at corner /, ' of corner ')
      .replace(/, without turning$/, '. Do not turn')}.`;
    place = null;
    rest = rest.slice(1);
  } else if (way && /^(?:sl st|ss) (?:in next|back|over|(?:in|between) the .+ at corner) /i.test(way)) {
    const found = slipped(way, at);
    words = found.words;
    place = found.place;
    rest = rest.slice(1);
  } else {
    const behind = rest
      .map((t) => / in the (gap|pair) just behind the join/.exec(t)?.[1])
      .find((noun) => noun);
    if (behind === undefined) {
      words = 'Start in the st where you joined the last round.';
      place = at.below.join;
    } else {
      const found = locate(at.below.justBehindJoin(nounOf(behind)), nounOf(behind), at);
      words = `Start just behind the join, ${found}.`;
      place = at.below.justBehindJoin(nounOf(behind));
      rest = rest.map((t) =>
        t
          .replace(/ in the (?:gap|pair) just behind the join\)$/, ')')
          .replace(/first sts in the (gap|pair) just behind the join$/, 'first sts there')
          .replace(/the repeat in the (gap|pair) just behind the join$/, 'the repeat there')
          .replace(/ in the (gap|pair) just behind the join$/, ' in same $1'),
      );
    }
  }
  const lift = rest[0] === undefined ? null : LIFT.exec(rest[0]);
  if (lift) {
    words +=
      lift[2] === undefined
        ? ` Ch ${lift[1]!} (does not count as a st).`
        : ` Ch ${lift[1]!} (counts as 1 ${lift[2]}).`;
    if (lift[2] !== undefined) has = 'chain';
    rest = rest.slice(1);
  }
  return { words, rest, place, has };
}

/** Slip stitches from the last join on: into so many places of each kind, one after the other. */
function slipped(way: string, at: AtHand): { readonly words: string; readonly place: Place | null } {
  const { below } = at;
  const back = /^(?:sl st|ss) back (.+)$/i.exec(way);
  if (back)
    return { words: `Sl st back and start ${back[1]!.replace(/ at corner /, ' of corner ')}.`, place: null };
  const over = /^(?:sl st|ss) over (.+) of (Base rnd|Rnd \d+)$/i.exec(way);
  if (over)
    return {
      words: `Sl st over and start ${over[1]!.replace(/^into/, 'in').replace(/ at corner /, ' of corner ')}.`,
      place: null,
    };
  let here: Place = below.join!;
  let what: Noun = 'st';
  for (const part of way.replace(/^(?:sl st|ss) /i, '').split(/, | and (?=in |between )/)) {
    if (/^(?:in|between) the .+ at corner /.test(part))
      return { words: `Sl st forward and start ${part.replace(/ at corner /, ' of corner ')}.`, place: null };
    const m = /^in next (?:(\d+) )?(\S+?)$/.exec(part);
    if (!m) throw new Unclear(`where to with “${way}”?`);
    what = nounOf(m[2]!);
    for (let k = Number(m[1] ?? 1); k > 0; k--) here = below.nextAfter(here, what);
  }
  return { words: `Sl st forward and start ${locate(here, what, at)}.`, place: here };
}

/** A place by its number, as the step-by-step form names it. */
function locate(here: Place, what: Noun, { below, names }: AtHand): string {
  if (below.corners.length === 0) {
    const all = below.placesIn(below.ring, what);
    const ordered = [...all].sort((a, b) => below.aheadOfJoin(a) - below.aheadOfJoin(b));
    return `in ${what} ${ordered.findIndex((p) => samePlace(p, here)) + 1}, counted from the join`;
  }
  for (const side of names) {
    const index = below.placesOn(side, what).findIndex((p) => samePlace(p, here));
    if (index >= 0)
      return `in ${what} ${index + 1} of side ${side}, counted from corner ${below.cornerBefore(side)}`;
  }
  const corner = below.corners.find((c) => below.marked(c).includes(here as Made))!;
  return `in the marked ${what === 'st' ? 'st' : 'ch-1 sp'} of corner ${corner}`;
}

/** A sentence around. */
function around(sentence: string, at: AtHand): readonly string[] {
  const m =
    /^(.+?); (?:cut the yarn and join with a needle, .+|(?:change to [^;]+ in the last yarn over; )?join with (?:a sl st|ss)(?: of [^;]+)? in (?:first|top of) .+)\.$/.exec(
      sentence,
    );
  if (!m) throw new Unclear(`how does “${sentence}” end?`);
  const rest = ' (the rest of this corner ends the rnd)';
  const parted = m[1]!.includes(rest);
  const begun = beginning(items(m[1]!.replace(rest, '')), at);
  if (at.corners.length === 0) return circle(begun, at);
  const told = unrolled(begun.rest, at.corners.length);
  const first = told.findIndex((t) => !isHere(t) && !/^pm in /.test(t));
  const here = told.slice(0, Math.max(0, first));
  const cornersAt = told.flatMap((t, i) => (isCorner(t) ? [i] : []));
  const n = at.corners.length;
  const name = cornerAt(begun.words, begun.place, at);
  const whole = !parted && name !== '' && (cornersAt[0] === 0 || here.some((t) => /^pm in /.test(t)));
  const expected = parted || (whole && cornersAt[0] !== 0) ? n - 1 : n;
  if (cornersAt.length !== expected)
    throw new Unclear(`“${sentence}” comes to ${cornersAt.length} corners, not ${expected}`);
  const cornerItems = (c: number): readonly string[] => [told[c]!, ...markAfter(told, c)];
  const corner = cornerItems(cornersAt[0]!);
  const after = (i: number): number => cornersAt[i]! + 1 + markAfter(told, cornersAt[i]!).length;
  const between = cornersAt.slice(1).map((next, i) => told.slice(after(i), next));
  for (const [i, c] of cornersAt.entries()) {
    const words = cornerItems(c).join();
    if (words !== corner.join()) throw new Unclear(`corner ${i + 1} is another than the first: ${words}`);
  }
  const side = between[0]!;
  for (const other of between)
    if (other.join() !== side.join())
      throw new Unclear(`a side differs: ${other.join()} after ${side.join()}`);
  const ends = told.slice(after(cornersAt.length - 1));
  const lines = [`Each side: ${wayOf(side)}.`, `Corner: ${cornerLine(corner, at)}.`];
  const there = here.filter((t) => !/^pm in /.test(t));
  const same = (group: string): string => `${/^[\d(]/.test(group) ? '' : '1 '}${group}`;
  const [groups, nouns] = [there.map(groupOf), there.map((t) => /same (.+)$/.exec(t)?.[1])];
  if (parted) {
    // Chains beside the stitches of a corner are told with its parts, and are the side’s all the same.
    const [begins, firstSide] = lentTo(side, told.slice(first, cornersAt[0]), groups[0] ?? '', 'begin');
    const lastOf = ends.filter((t) => / same /.test(t));
    const [finishes, lastSide] = lentTo(
      side,
      ends.slice(
        0,
        ends.findIndex((t) => / same /.test(t)),
      ),
      lastOf[0] === undefined ? '' : groupOf(lastOf[0]),
      'end',
    );
    if (firstSide.join() !== side.join()) throw new Unclear('the first side is another than the others');
    if (lastSide.join() !== side.join()) throw new Unclear('the last side is another than the others');
    if (lastOf.length !== 1) throw new Unclear(`what ends corner ${name}?`);
    const slip = begun.has === 'slip' ? `1 ${at.reader.slipStitch}` : '';
    const made =
      begins === '' && slip === ''
        ? `That is the last part of corner ${name}`
        : `The last part of corner ${name}: ${slip === '' ? same(begins) : slip} in the same place`;
    checkMark(
      corner,
      here,
      ends.filter((t) => !side.includes(t)),
      begun.has === null ? 0 : 1,
      at,
    );
    return [
      `${begun.words} ${made}; its first part ends the round.`,
      ...lines,
      `At the end of the round, finish corner ${name}: ${same(finishes)} in the place of its last part.`,
    ];
  }
  if (whole) {
    const remark =
      begun.has === 'chain'
        ? '; the chain is its first st'
        : begun.has === 'standing'
          ? '; the standing st is its first st'
          : '';
    const start = `${begun.words} Work corner ${name} first, all of it${remark}.`;
    if (cornersAt[0] !== 0) {
      if (ends.join() !== side.join()) throw new Unclear('the last side is another than the others');
      const all = at.reader.group(groupOf(corner.find(isCorner)!)).length;
      const said = groups.flatMap((g) => at.reader.group(g)).length + (begun.has === null ? 0 : 1);
      if (said !== all) throw new Unclear(`the first corner has ${said} sts, the others ${all}`);
    } else if (ends.join() !== side.join()) throw new Unclear('the last side is another than the others');
    return [start, ...lines];
  }
  const on = sideOf(begun.words, begun.place, at);
  const one = side.length === 1 && / (?:in|around) each \S+ to next marked /.test(side[0]!);
  if (one) {
    const group = begun.has === 'slip' ? groupOf(side[0]!) : groups[0];
    const made =
      group === undefined
        ? ''
        : `${same(group)} ${nouns[0] === 'post' ? 'around' : 'in'} the same place, then `;
    checkTail(ends, side[0]!, begun, on, at);
    const goes = `${made}go on along side ${on}.`;
    return [
      `${begun.words} ${goes.charAt(0).toUpperCase()}${goes.slice(1)}`,
      ...lines,
      `At the end of the round, work side ${on} up to where you started.`,
    ];
  }
  const repeat = repeatAt(side, ends);
  const remark =
    begun.has === 'chain'
      ? '; the chain is the first of them'
      : begun.has === 'standing'
        ? '; the standing st is the first of them'
        : '';
  return [
    `${begun.words} Begin with repeat ${repeat} of side ${on}: its first sts go in there${remark}.`,
    ...lines,
    `At the end of the round, work side ${on} up to where you started.`,
  ];
}

/** A side with the chain that was told with a part of the corner beside it, and that part without it. */
function lentTo(
  side: readonly string[],
  told: readonly string[],
  group: string,
  where: 'begin' | 'end',
): readonly [group: string, side: readonly string[]] {
  if (told.length === side.length) return [group, told];
  const chain = where === 'begin' ? side[0]! : side[side.length - 1]!;
  if (!/^ch \d+$/.test(chain)) return [group, told];
  const all = items(group.replace(/^\((.*)\)$/, '$1'));
  const kept = where === 'begin' ? all.slice(0, -1) : all.slice(1);
  if ((where === 'begin' ? all[all.length - 1] : all[0]) !== chain) return [group, told];
  const rest = kept.length > 1 ? `(${kept.join(', ')})` : kept.join('');
  return [rest, where === 'begin' ? [chain, ...told] : [...told, chain]];
}

const isHere = (t: string): boolean =>
  / (?:in|around|between) same /.test(t) || /^\(the rest of this corner/.test(t) || / over same /.test(t);
const isCorner = (t: string): boolean =>
  / (?:in|over) (?:first and .+ in 2nd )?marked /.test(t) &&
  !/ to (?:next|last) /.test(t) &&
  !/ before next /.test(t);
const groupOf = (t: string): string =>
  t.replace(/ (?:in|around|between|over) (?:same|first and|marked|next|each) .*$/, '');

/** What belongs to a corner behind it: its second part, its marker. Chains are the side’s. */
function markAfter(told: readonly string[], corner: number): readonly string[] {
  const found: string[] = [];
  for (let i = corner + 1; i < told.length && /^pm in /.test(told[i]!); i++) found.push(told[i]!);
  return found;
}

/** Does what is repeated as often as it is said. */
function unrolled(all: readonly string[], corners: number): readonly string[] {
  const from = all.findIndex((t) => t.startsWith('*'));
  if (from < 0) return all;
  const to = all.findIndex((t, i) => i > from && t.startsWith('rep from *'));
  if (to < 0) throw new Unclear('what is repeated?');
  const body = all.slice(from, to).map((t, i) => (i === 0 ? t.slice(1) : t));
  const said = /^rep from \* (?:(around)|(once) more|(\d+) more times)$/.exec(all[to]!);
  if (!said) throw new Unclear(`how often is “${all[to]!}”?`);
  const times = said[1] ? corners : said[2] ? 2 : Number(said[3]) + 1;
  return [...all.slice(0, from), ...Array.from({ length: times }, () => body).flat(), ...all.slice(to + 1)];
}

/** A side as the step-by-step form has it. */
function wayOf(side: readonly string[]): string {
  const [only] = side;
  const each = /^(.+ (?:in|around) each \S+) to next marked .+$/.exec(only ?? '');
  if (side.length === 1 && each) return each[1]!;
  return side
    .map((t) => {
      const body = /^\[(.+)\] across to (?:last ((?:\d+ )?\S+) before )?next marked .+$/.exec(t);
      return body
        ? `*${body[1]!}; repeat from * to ${body[2] === undefined ? 'the corner' : `last ${body[2]}`}`
        : t;
    })
    .join(', ');
}

/** A corner as the step-by-step form has it. */
function cornerLine(corner: readonly string[], { reader }: AtHand): string {
  const work = corner.find(isCorner);
  const others = corner.filter((t) => t !== work);
  const words = corner
    .filter((t) => !/^pm in /.test(t))
    .join(', ')
    .replace(/in first and (.+) in 2nd marked st$/, 'in the first of the two corner sts, $1 in the second')
    .replace(/\b(in|over) marked /, '$1 the corner ');
  const mark = others
    .find((t) => /^pm in /.test(t))
    ?.slice('pm in '.length)
    .replace(/ of these \d+$/, '');
  if (mark === undefined) return words;
  if (mark === 'it') return `${words}; pm in it`;
  const space = /^(?:(\d+\w\w) )?new (ch-\d+) sp$/.exec(mark);
  const pair = / in first and (.+) in 2nd marked st$/.exec(work!);
  const group = [...reader.group(groupOf(work!)), ...(pair ? reader.group(pair[1]!) : [])];
  if (space) {
    const alike = group.filter((s) => s.kind === 'ch' && `ch-${s.chains}` === space[2]).length;
    return `${words}; pm in the ${space[1] ? `${space[1]} of the ${alike} ` : ''}new ${space[2]!} sp${space[1] ? 's' : ''}`;
  }
  if (!/^\d/.test(mark)) return `${words}; pm in the ${mark}`;
  return `${words}; pm in the ${mark} of the ${group.filter((s) => s.kind !== 'ch').length}`;
}

/** Whether the marker of a corner that is made in two parts comes where it stands in the others. */
function checkMark(
  corner: readonly string[],
  begun: readonly string[],
  ended: readonly string[],
  made: number,
  { reader }: AtHand,
): void {
  const mark = (list: readonly string[]): string | undefined =>
    list.find((t) => /^pm in /.test(t))?.slice('pm in '.length);
  const usual = mark(corner);
  const [first, last] = [mark(begun), mark(ended)];
  if ((first === undefined) === (last === undefined))
    throw new Unclear('the marker of the corner that is begun');
  const number = /^(\d+)/.exec(usual ?? '');
  if (!number) return;
  const at = ended
    .filter((t) => !/^pm in /.test(t))
    .flatMap((t) => reader.group(groupOf(t)))
    .filter((s) => s.kind !== 'ch').length;
  const said =
    last === undefined
      ? at + (first === 'it' ? 1 : Number(/^\d+/.exec(first!)?.[0] ?? 1))
      : Number(/^\d+/.exec(last)?.[0] ?? 1);
  if (said !== Number(number[1]))
    throw new Unclear(`the marker goes into ${said}, in other corners into ${number[1]!}; ${made} made`);
}

/** The corner that a round begins in. */
function cornerAt(words: string, place: Place | null, { below, corners }: AtHand): string {
  const said = / of corner (\S+?)[.,]/.exec(words)?.[1];
  if (said !== undefined) return said;
  return corners.find((c) => place !== null && !isGap(place) && below.marked(c).includes(place)) ?? '';
}

/** The side that a round begins on. */
function sideOf(words: string, place: Place | null, { below, names }: AtHand): string {
  const said = / of side (\S+?)[.,]/.exec(words)?.[1];
  if (said !== undefined) return said;
  const before = / before corner (\S+?)[.,]/.exec(words)?.[1];
  if (before !== undefined) return names.find((s) => below.cornerAfter(s) === before)!;
  const joined = place ?? (/where you joined the last round/.test(words) ? below.join : null);
  const found = names.find((s) => joined !== null && !isGap(joined) && below.entriesOf(s).includes(joined));
  if (found === undefined) throw new Unclear(`on which side is “${words}”?`);
  return found;
}

/** Whether as many places are left before the join of a plain round as it says. */
function checkTail(
  ends: readonly string[],
  side: string,
  begun: { readonly words: string; readonly place: Place | null },
  on: string,
  { below }: AtHand,
): void {
  const what = nounOf(/ each (\S+) to next /.exec(side)![1]!);
  const place = begun.place ?? (/where you joined the last round/.test(begun.words) ? below.join : null);
  if (place === null) return;
  const left = below.placesOn(on, what).findIndex((p) => samePlace(p, place));
  if (ends.length === 0) {
    if (left > 0) throw new Unclear(`${left} places are left before the join, and nothing is said of them`);
    return;
  }
  if (/ each \S+ to the join$/.test(ends[0]!)) return;
  const said = /^(.+) (?:in|around) next (?:(\d+) )?\S+$/.exec(ends[0]!);
  if (!said || said[1] !== groupOf(side)) throw new Unclear(`what is “${ends[0]!}” before the join?`);
  if (Number(said[2] ?? 1) !== left)
    throw new Unclear(`${said[2] ?? 1} places before the join are said, ${left} are there`);
}

/** The turn of the repeat that a round begins with, by what is left of its side for the end. */
function repeatAt(side: readonly string[], ends: readonly string[]): number {
  const at = side.findIndex((t) => t.startsWith('['));
  const head = side.slice(0, at);
  const body = items(/^\[(.+)\] across/.exec(side[at]!)![1]!);
  const first = body.findIndex((t) => / (?:in|around) /.test(t) || /\d+tog/.test(t));
  if (ends.slice(0, head.length).join() !== head.join())
    throw new Unclear(`“${ends.join(', ')}” does not begin as a side does`);
  let rest = ends.slice(head.length);
  let repeats = 0;
  const many = /^\[(.+)\] (?:(once)|(\d+) times)$/.exec(rest[0] ?? '');
  if (many) {
    if (many[1] !== body.join(', '))
      throw new Unclear('what is repeated at the end is another than along the sides');
    repeats = Number(many[3] ?? 1);
    rest = rest.slice(1);
  }
  if (rest.join() !== body.slice(0, first).join())
    throw new Unclear(`“${ends.join(', ')}” does not come to the first st`);
  return repeats + 1;
}

/** A round without corners. */
function circle(
  {
    words,
    rest,
    has,
  }: {
    readonly words: string;
    readonly rest: readonly string[];
    readonly has: string | null;
  },
  { reader }: AtHand,
): readonly string[] {
  const each = rest.find((t) => / (?:in|around) each \S+ around$/.test(t));
  if (each !== undefined) {
    const here = rest[0] === each ? (has === 'slip' ? groupOf(each) : null) : groupOf(rest[0]!);
    const made =
      here === null
        ? ''
        : `${/^[\d(]/.test(here) ? '' : '1 '}${here} ${/ around same /.test(rest[0]!) ? 'around' : 'in'} the same place, then `;
    const goes = `${made}go on all the way around.`;
    return [
      `${words} ${goes.charAt(0).toUpperCase()}${goes.slice(1)}`,
      `All around: ${each.replace(/ around$/, '')}.`,
      'At the end of the round, go on up to where you started.',
    ];
  }
  // What comes to one turn of the repeat has none to be repeated.
  const lifted = /counts as 1 (.+?)\)|with a standing (.+?) (?:in|around) /
    .exec(words)
    ?.slice(1)
    .find((w) => w);
  const isHere = / (?:in|around) same /.test(rest[0] ?? '');
  const first =
    has === 'slip'
      ? [`${reader.slipStitch} in next st`]
      : lifted !== undefined && !isHere
        ? [`${lifted} in next st`]
        : [];
  const told =
    lifted === undefined || !isHere
      ? rest
      : rest.map((t, k) =>
          k === 0 ? t.replace(/^(\(.*\)|\S+(?: \S+)*?)(?= (?:in|around) same )/, `(${lifted}, $1)`) : t,
        );
  const once = [...first, ...told].map((t) => t.replace(/ same /, ' next ')).join(', ');
  const body = rest.find((t) => /^\[.+\] around$/.test(t)) ?? `[${once}] around`;
  const remark =
    has === 'chain'
      ? '; the chain is the first of them'
      : has === 'standing'
        ? '; the standing st is the first of them'
        : '';
  return [
    `${words} Begin with the first sts of the repeat there${remark}.`,
    `All around: *${/^\[(.+)\] around$/.exec(body)![1]!}; repeat from * to the end of the round.`,
    'At the end of the round, go on up to where you started.',
  ];
}

/** A round told side by side. */
function bySide(sentence: string, lines: readonly string[], at: AtHand): readonly string[] {
  const { words, rest, has } = beginning(items(sentence.replace(/\.$/, '')), at);
  const slip = has === 'slip' ? `1 ${at.reader.slipStitch}` : undefined;
  const told = rest.join(', ');
  const end = lines.find((l) => l.startsWith('To end: '))!;
  const ofTwo = (text: string): string =>
    text.replace(/ in the (first|second) of the two marked sts/g, ' in the $1 of its two places');
  const there = (text: string): string =>
    ofTwo(text).replace(
      / (in|around|between) same \S+$/,
      (_, how: string) => ` ${how === 'between' ? 'in' : how} the same place`,
    );
  const one = (text: string): string => `${/^[\d(]/.test(text) ? '' : '1 '}${there(text)}`;
  const ended = (side: string | undefined): string => {
    const said = /^To end: (?:side (\S+) up to|go on to) the first st; (?:change to|cut the yarn|join)/.exec(
      end,
    );
    if (!said || said[1] !== side) throw new Unclear(`“${end}” does not end what was begun`);
    return side === undefined
      ? 'At the end of the round, go on up to where you started.'
      : `At the end of the round, work side ${side} up to where you started.`;
  };
  let m = /^(?:(.+), )?the rest of corner (\S+) ends the rnd$/.exec(told);
  if (m) {
    const last = /^To end: (.+?); (?:change to|cut the yarn|join)/.exec(
      end.replace(/ (?:in|between) same \S+ as the first st(?=; |, )/g, ' in the place of its last part'),
    );
    if (!last) throw new Unclear(`how is corner ${m[2]!} ended in “${end}”?`);
    const made =
      (m[1] ?? slip) === undefined
        ? `That is the last part of corner ${m[2]!}`
        : `The last part of corner ${m[2]!}: ${[...(slip === undefined ? [] : [`${slip} in the same place`]), ...(m[1] === undefined ? [] : [one(m[1])])].join(', ')}`;
    return [
      `${words} ${made}; its first part ends the round.`,
      `At the end of the round, finish corner ${m[2]!}: ${ofTwo(last[1]!)}.`,
    ];
  }
  m = /^work corner (\S+) first(?: \(the (ch|standing st|first (?:sl st|ss)) is its first st\))?$/.exec(told);
  if (m) {
    const first =
      m[2] === 'ch'
        ? '; the chain is its first st'
        : m[2] === 'standing st'
          ? '; the standing st is its first st'
          : '';
    return [`${words} Work corner ${m[1]!} first, all of it${first}.`];
  }
  m = /^(?:(.+), )?go on (?:along side (\S+)|all around)$/.exec(told);
  if (m) {
    const where = m[2] === undefined ? 'all the way around' : `along side ${m[2]}`;
    const goes = `${m[1] === undefined ? (slip === undefined ? '' : `${slip} in the same place, then `) : `${one(m[1])}, then `}go on ${where}.`;
    return [`${words} ${goes.charAt(0).toUpperCase()}${goes.slice(1)}`, ended(m[2])];
  }
  m = /^begin with repeat (\d+) of side (\S+), its first sts there$/i.exec(told);
  if (m)
    return [`${words} Begin with repeat ${m[1]!} of side ${m[2]!}: its first sts go in there.`, ended(m[2])];
  if (/^begin with the first sts of the repeat there$/i.test(told))
    return [`${words} Begin with the first sts of the repeat there.`, ended(undefined)];
  throw new Unclear(`how does “${sentence}” go on?`);
}
