/** Reads the beginning and the end of a round that is told side by side. */
import { Unclear } from '../crochet.ts';
import { beginning } from './beginning.ts';
import { closeLines, closed } from './ending.ts';
import { items, type AtHand } from './paragraph.ts';

/** A round told side by side. */
export function bySide(sentence: string, lines: readonly string[], at: AtHand): readonly string[] {
  const end = lines.find((l) => l.startsWith('To end: '))!;
  const toEnd = closed(end) ?? { work: '', lines: closeLines(end.slice('To end: '.length, -1)) };
  return [...worked(sentence, end, toEnd.work, at), ...toEnd.lines];
}

function worked(sentence: string, end: string, work: string, at: AtHand): readonly string[] {
  const { words, rest, has } = beginning(items(sentence.replace(/\.$/, '')), at);
  const slip = has === 'slip' ? `1 ${at.reader.slipStitch}` : undefined;
  const told = rest.join(', ');
  const ofTwo = (text: string): string =>
    text.replace(/ in the (first|second) of the two marked sts/g, ' in the $1 of its two places');
  const there = (text: string): string =>
    ofTwo(text).replace(
      / (in|around|between) same \S+$/,
      (_, how: string) => ` ${how === 'between' ? 'in' : how} the same place`,
    );
  const one = (text: string): string => `${/^[\d(]/.test(text) ? '' : '1 '}${there(text)}`;
  const ended = (side: string | undefined): string => {
    const said = /^To end: (?:side (\S+) up to|go on to) the first st$/.exec(work);
    if (!said || said[1] !== side) throw new Unclear(`“${end}” does not end what was begun`);
    return side === undefined
      ? 'At the end of the round, go on to your start.'
      : `At the end of the round, work side ${side} up to your start.`;
  };
  let m = /^(?:(.+), )?the rest of corner (\S+) ends the rnd$/.exec(told);
  if (m) {
    const last = /^To end: (.+)$/.exec(
      work.replace(
        / (?:(?:in|between) same \S+|around the closing \S+) as the first st(?=$|, )/g,
        ' in the same place as the first st',
      ),
    );
    if (!last) throw new Unclear(`how is corner ${m[2]!} ended in “${end}”?`);
    const made =
      (m[1] ?? slip) === undefined
        ? `The rest of corner ${m[2]!} ends the round.`
        : `In corner ${m[2]!}: ${[...(slip === undefined ? [] : [`${slip} in the same place`]), ...(m[1] === undefined ? [] : [one(m[1])])].join(', ')}; the rest of this corner ends the round.`;
    return [`${words} ${made}`, `At the end of the round, finish corner ${m[2]!}: ${ofTwo(last[1]!)}.`];
  }
  m =
    /^work corner (\S+) first(?: \(the (ch|standing st|stacked st|drawn-up st|first (?:sl st|ss)) is its first st\))?$/.exec(
      told,
    );
  if (m) {
    const isSlip = m[2] === undefined || m[2].startsWith('first ');
    const first = isSlip ? '' : `; the ${m[2] === 'ch' ? 'chain' : m[2]!} is its first st`;
    return [`${words} Work corner ${m[1]!} first, all of it${first}.`];
  }
  m = /^(?:(.+), )?go on (?:along side (\S+)|all around)$/.exec(told);
  if (m) {
    const where = m[2] === undefined ? 'all the way around' : `along side ${m[2]}`;
    const both = slip !== undefined && m[1] !== undefined;
    const first = both
      ? `(${at.reader.slipStitch}, ${m[1]!.replace(/ (?:in|around|between) same \S+$/, '')}) in the same place`
      : m[1] === undefined
        ? slip && `${slip} in the same place`
        : one(m[1]);
    const goes = `${first === undefined ? '' : `${first}, then `}go on ${where}.`;
    return [`${words} ${goes.charAt(0).toUpperCase()}${goes.slice(1)}`, ended(m[2])];
  }
  m = /^begin with repeat (\d+) of side (\S+), its first sts there$/i.exec(told);
  if (m)
    return [`${words} Begin with repeat ${m[1]!} of side ${m[2]!}: its first sts go in there.`, ended(m[2])];
  m = /^begin before the repeats of side (\S+), at (.+) there$/i.exec(told);
  if (m)
    return [
      `${words} Begin before the repeats of side ${m[1]!}, at ${m[2]!} there. What comes before it on that side ends the round.`,
      ended(m[1]),
    ];
  m = /^begin within repeat (\d+) of side (\S+), at (.+) there$/i.exec(told);
  if (m)
    return [
      `${words} Begin within repeat ${m[1]!} of side ${m[2]!}, at ${m[3]!} there. What comes before it in that repeat ends the round.`,
      ended(m[2]),
    ];
  if (/^begin with the first sts of the repeat there$/i.test(told))
    return [`${words} Begin with the first sts of the repeat there.`, ended(undefined)];
  throw new Unclear(`how does “${sentence}” go on?`);
}
