/**
 * Reads a published round to the letter: takes its sentence apart item by item, does what it repeats as often as it says, and
 * writes down what is done along the sides, in the corners, at the beginning and at the end. Every claim of the sentence is
 * checked on the way. Written for tests, and apart from everything that prints.
 */
import { Unclear } from '../crochet.ts';
import { around } from './around.ts';
import { bySide } from './bySide.ts';
import { items, type AtHand, type Paragraph } from './paragraph.ts';
import { rowBySide, rowInSentence } from './rows.ts';

/** The lines of a round, in the words of the step-by-step form. */
export function asSteps({ heading, lines }: Paragraph, at: AtHand): readonly string[] {
  const [first, ...others] = lines;
  const { face, sentence } = faceOf(first ?? '', at);
  const besides = others.map((line) => counts(bySideLine(line), heading, at));
  const as =
    /^As (?:Base (?:rnd|row)|(?:Rnd|Row) (\d+))(?:, but (?:after the last corner (.+), then join|(join right after the last corner)))?(?:\.|(, but:))$/.exec(
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
    // With places of its own it takes none of the other’s.
    const same = as[4] === undefined ? before.lines.slice(1).filter((l) => !l.startsWith('(')) : [];
    return [...asSteps({ heading, lines: [again, ...same] }, at), ...besides];
  }
  if (others.some((line) => line.startsWith('To end: ')))
    return [...face, ...besides, ...bySide(sentence, others, at)];
  if (at.rows !== null) {
    const end = others.some((line) => line.startsWith('End: '));
    if (end) return [...face, ...rowBySide(sentence, besides, at)];
    return [...face, ...rowInSentence(sentence, at.rows, at), ...besides];
  }
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
  take(
    /^Work on the face of (Base (?:rnd|row)|(?:Rnd|Row) \d+); the next (?:rnd|row) goes into (Base (?:rnd|row)|(?:Rnd|Row) \d+) too\./,
    (m) => {
      const name = m[1]!.startsWith('Base') ? 'the base round' : m[1]!.replace(/Rnd|Row/, 'round');
      face.push(`Work on the face of ${name}; the next round goes into ${name} too.`);
    },
  );
  take(/^Work backward, [^.]+\.(?: The sides come in the other order: [^.]+\.)?/, (m) => face.push(m[0]));
  return { face, sentence: rest };
}

/** “(A 97, B 125; 448 sts)”, or one of several such, as a claim about the round. */
function counts(line: string, heading: string, { number }: AtHand): string {
  if (!line.startsWith('(')) return line;
  const own = /–/.test(heading)
    ? new RegExp(`\\((?:Rnd|Row) ${number}: ([^)]+)\\)`).exec(line)?.[1]
    : /^\(([^)]+)\)/.exec(line)?.[1];
  const total = /(?:^|; )(\d+) sts?(?:;|$)/.exec(own ?? '');
  if (!total) throw new Unclear(`“${line}” does not say how many there are in Rnd ${number}`);
  return `Count: In all: ${total[1]!} sts.`;
}

/** A rate that leads a long list, with what is extra or fewer, must come to the count. */
function withoutRate(line: string): string {
  const m =
    /^((?:Sides? [^:]+|All around): (\d+) \S+(?: st)?) over the (\d+) row ends, (\d+) (?:over every (\d+)|in each), (?:(\d+) extra, spread out evenly|(\d+) fewer in all|spread out evenly): /.exec(
      line,
    );
  if (!m) return line;
  const [all, lead, count, ends, stitches, per, extra, fewer] = m;
  const whole = Math.round((Number(ends) * Number(stitches)) / Number(per ?? 1));
  if (whole + Number(extra ?? 0) - Number(fewer ?? 0) !== Number(count))
    throw new Unclear(`“${all}” does not come to ${count!}`);
  return `${lead!} over the ${ends!} row ends, ${line.slice(all.length)}`;
}

function bySideLine(line: string): string {
  // Numbers of places where there are more or fewer: they say nothing of how many go into each.
  if (/, counted from the (?:corner|start)\.$/.test(line)) return line;
  return withoutRate(line)
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
