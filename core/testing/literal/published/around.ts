/** Takes a sentence around apart item by item, does what it repeats, and checks what it claims. */
import { Unclear, noun as nounOf } from '../crochet.ts';
import { samePlace } from '../made.ts';
import { beginning, cornerAt, sideOf, type BegunAt } from './beginning.ts';
import { checkMark, cornerLine, isCorner, lentTo, markAfter } from './corner.ts';
import { closed } from './ending.ts';
import { groupOf, items, type AtHand } from './paragraph.ts';

/** A sentence around. */
export function around(sentence: string, at: AtHand): readonly string[] {
  const end = closed(sentence);
  if (!end) throw new Unclear(`how does “${sentence}” end?`);
  return [...worked(sentence, end.work, at), ...end.lines];
}

function worked(sentence: string, work: string, at: AtHand): readonly string[] {
  const rest = ' (the rest of this corner ends the rnd)';
  const parted = work.includes(rest);
  const begun = beginning(items(work.replace(rest, '')), at);
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
    const parts = [
      ...(begun.has === 'slip' ? [`1 ${at.reader.slipStitch}`] : []),
      ...(begins === '' ? [] : [same(begins)]),
    ];
    const made =
      parts.length === 0
        ? `The rest of corner ${name} ends the round.`
        : `In corner ${name}: ${parts.map((part) => `${part} in the same place`).join(', ')}; the rest of this corner ends the round.`;
    checkMark(
      corner,
      here,
      ends.filter((t) => !side.includes(t)),
      begun.has === null ? 0 : 1,
      at,
    );
    return [
      `${begun.words} ${made}`,
      ...lines,
      `At the end of the round, finish corner ${name}: ${same(finishes)} in the same place as the first st.`,
    ];
  }
  if (whole) {
    const remark = begun.noun === null ? '' : `; the ${begun.noun} is its first st`;
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
    const made = firstPlain(begun.has, groups[0], nouns[0] === 'post', at);
    checkTail(ends, side[0]!, begun, on, at);
    const goes = `${made}go on along side ${on}.`;
    return [
      `${begun.words} ${goes.charAt(0).toUpperCase()}${goes.slice(1)}`,
      ...lines,
      `At the end of the round, work side ${on} up to your start.`,
    ];
  }
  const headOf = side.slice(
    0,
    side.findIndex((t) => t.startsWith('[')),
  );
  const firstSide = told.slice(here.length, cornersAt[0]);
  if (ends.length < headOf.length && ends.join() === headOf.slice(0, ends.length).join()) {
    const began = [...begunRepeat(headOf, there, begun, at, ends.length), ...side.slice(headOf.length)];
    if (firstSide.join() !== began.join())
      throw new Unclear(
        `the first side goes on with “${firstSide.join(', ')}”, not with “${began.join(', ')}”`,
      );
    return [
      `${begun.words} Begin before the repeats of side ${on}, at ${stepName(headOf, ends.length)} there. What comes before it on that side ends the round.`,
      ...lines,
      `At the end of the round, work side ${on} up to your start.`,
    ];
  }
  const { repeat, step, words } = repeatAt(side, ends);
  checkFirst(side, there, firstSide, begun, at, step);
  const remark = begun.noun === null ? '' : `; the ${begun.noun} is the first of them`;
  const begins =
    words === null
      ? `Begin with repeat ${repeat} of side ${on}: its first sts go in there${remark}.`
      : `Begin within repeat ${repeat} of side ${on}, at ${words} there. What comes before it in that repeat ends the round.`;
  return [`${begun.words} ${begins}`, ...lines, `At the end of the round, work side ${on} up to your start.`];
}

const isHere = (t: string): boolean =>
  / (?:in|around|between) same /.test(t) || /^\(the rest of this corner/.test(t) || / over same /.test(t);

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

/** Whether as many places are left before the join of a plain round as it says. */
function checkTail(
  ends: readonly string[],
  side: string,
  begun: BegunAt,
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

/** Stitches in the place where a plain round begins, as the step-by-step form tells them. */
function firstPlain(
  has: BegunAt['has'],
  group: string | undefined,
  isPost: boolean,
  { reader }: AtHand,
): string {
  const all = [...(has === 'slip' ? [reader.slipStitch] : []), ...(group === undefined ? [] : [group])];
  if (all.length === 0) return '';
  const [only] = all;
  const words = all.length > 1 ? `(${all.join(', ')})` : `${/^[\d(]/.test(only!) ? '' : '1 '}${only!}`;
  return `${words} ${isPost ? 'around' : 'in'} the same place, then `;
}

/** Whether a round begins with the stitches of its repeat, and goes on to the corner as its other sides do. */
function checkFirst(
  side: readonly string[],
  here: readonly string[],
  told: readonly string[],
  begun: BegunAt,
  at: AtHand,
  step: number,
): void {
  const bracket = side.findIndex((t) => t.startsWith('['));
  const end = side.slice(bracket + 1);
  const began = begunRepeat(items(/^\[(.+)\] across/.exec(side[bracket]!)![1]!), here, begun, at, step);
  const ways = [
    [...began, ...end],
    [...began, side[bracket]!, ...end],
  ].map((way) => way.join());
  if (!ways.includes(told.join()))
    throw new Unclear(`the first side goes on with “${told.join(', ')}”, not with “${ways[1]!}”`);
}

/** The rest of a repeat, once its first stitches are made; throws where they are others. */
function begunRepeat(
  body: readonly string[],
  here: readonly string[],
  { stands }: BegunAt,
  { reader }: AtHand,
  first = firstStep(body),
): readonly string[] {
  const step = reader.step(body[first]!);
  if (step.do !== 'work') throw new Unclear(`“${body[first]!}” is no stitch`);
  const made = [...(stands === null ? [] : [stands]), ...here.map(groupOf)].flatMap((g) => reader.group(g));
  if (made.length !== step.what.length || made.some((s, k) => s !== step.what[k]))
    throw new Unclear(`“${[stands ?? '', ...here].join(' ')}” is not how “${body[first]!}” begins`);
  const more = /^(.+) in each of next (\d+) (\S+)$/.exec(body[first]!);
  const left = more ? Number(more[2]) - 1 : 0;
  const again =
    left === 0
      ? []
      : [
          left === 1
            ? `${more![1]!} in next ${more![3]!.replace(/s$/, '')}`
            : `${more![1]!} in each of next ${left} ${more![3]!}`,
        ];
  return [...again, ...body.slice(first + 1)];
}

/** The first step of a repeat that is worked. */
const firstStep = (body: readonly string[]): number =>
  body.findIndex((t) => / (?:in|around) /.test(t) || /\d+tog/.test(t));

/** The turn of the repeat that a round begins with, and the step of it, by what is left of its side for the end. */
function repeatAt(
  side: readonly string[],
  ends: readonly string[],
): {
  readonly repeat: number;
  readonly step: number;
  /** The step as it is named; null for the first. */
  readonly words: string | null;
} {
  const at = side.findIndex((t) => t.startsWith('['));
  const head = side.slice(0, at);
  const body = items(/^\[(.+)\] across/.exec(side[at]!)![1]!);
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
  const step = rest.length;
  if (rest.join() !== body.slice(0, step).join())
    throw new Unclear(`“${ends.join(', ')}” does not come to the first st`);
  if (step === firstStep(body)) return { repeat: repeats + 1, step, words: null };
  return { repeat: repeats + 1, step, words: stepName(body, step) };
}

/** A step by its words, and its number among those that are alike. */
function stepName(steps: readonly string[], step: number): string {
  const alike = steps.flatMap((t, k) => (t === steps[step] ? [k] : []));
  const name = `“${steps[step]!}”`;
  const number = alike.indexOf(step) + 1;
  const nth = ['th', 'st', 'nd', 'rd'][number] ?? 'th';
  return alike.length === 1 ? name : `the ${number}${nth} ${name}`;
}

/** A round without corners. */
function circle(begun: BegunAt, at: AtHand): readonly string[] {
  const { words, rest, has, noun } = begun;
  const ended = 'At the end of the round, go on to your start.';
  const each = rest.find((t) => / (?:in|around) each \S+ around$/.test(t));
  if (each !== undefined) {
    const [here] = rest;
    const made = firstPlain(has, here === each ? undefined : groupOf(here!), / around same /.test(here!), at);
    const goes = `${made}go on all the way around.`;
    return [
      `${words} ${goes.charAt(0).toUpperCase()}${goes.slice(1)}`,
      `All around: ${each.replace(/ around$/, '')}.`,
      ended,
    ];
  }
  const remark = noun === null ? '' : `; the ${noun} is the first of them`;
  const bracket = rest.findIndex((t) => /^\[.+\] around$/.test(t));
  if (bracket < 0) throw new Unclear(`what is repeated all around in “${rest.join(', ')}”?`);
  const here = rest.filter(isHere);
  const body = items(/^\[(.+)\] around$/.exec(rest[bracket]!)![1]!);
  const told = rest.slice(here.length, bracket).join();
  if (told !== begunRepeat(body, here, begun, at).join())
    throw new Unclear(`the first turn goes on with “${told}”`);
  return [
    `${words} Begin with the first sts of the repeat there${remark}.`,
    `All around: *${body.join(', ')}; repeat from * to the end of the round.`,
    ended,
  ];
}
