/** Reads a published row to the letter: how it begins in its end stitch, its sides and corners, its last stitch. */
import { Unclear } from '../crochet.ts';
import { beginning } from './beginning.ts';
import { cornerLine, isCorner, markAfter } from './corner.ts';
import { items, type AlongRow, type AtHand } from './paragraph.ts';

const one = (group: string): string => `${/^[\d(]/.test(group) ? '' : '1 '}${group}`;

/** Whether a row ends with a turn. */
export const endsTurned = (lines: readonly string[]): boolean =>
  /; turn\.$/.test(lines[0] ?? '') || lines.some((l) => /^End: .+\. Turn\.$/.test(l));

/** The beginning of a row as the step-by-step form has it, and what follows it. */
function begun(sentence: string, at: AtHand): { readonly line: string; readonly rest: readonly string[] } {
  const { words, rest, has } = beginning(items(sentence), at);
  const here = rest.findIndex(
    (t) => !/ (?:in|around) (?:same|first|the post of first) ?(?:st|place|post)?$/.test(t),
  );
  const there = (here < 0 ? rest : rest.slice(0, here)).map((t) =>
    t.replace(/ (?:in|around) (?:same|first|the post of first) ?(?:st|place|post)?$/, ''),
  );
  const groups = [...(has === 'slip' ? [at.reader.slipStitch] : []), ...there];
  if (groups.length > 1) throw new Unclear(`“${sentence}” begins twice`);
  const post = rest.some((t) => / around (?:same|the post of first)/.test(t)) ? 'around' : 'in';
  const line = [
    words.replace('Start in the st where you joined the last round.', 'Start in the first st.'),
    ...groups.map((g) => `${one(g)} ${post} it.`),
  ].join(' ');
  return { line, rest: here < 0 ? [] : rest.slice(here) };
}

/** The lines of a row that is told side by side. */
export function rowBySide(first: string, others: readonly string[], at: AtHand): readonly string[] {
  const ended = others.map((l) => l.replace(/^(End: .+\.) Turn\.$/, '$1'));
  if (/^There is no yarn to join/.test(first)) return [first, ...ended];
  const { line, rest } = begun(first.replace(/\.$/, ''), at);
  const beyond = /^begin with repeat 1 of side (\S+), its first sts there$/.exec(rest.join(', '));
  if (beyond)
    return [`${line} Begin with repeat 1 of side ${beyond[1]!}: its first sts go in there.`, ...ended];
  if (rest.length > 0) throw new Unclear(`“${rest.join(', ')}” belongs to no side`);
  return [line, ...ended];
}

/** The lines of a row that is told in a sentence. */
export function rowInSentence(sentence: string, { sides, turned }: AlongRow, at: AtHand): readonly string[] {
  const { line, rest } = begun(sentence.replace(/(?:; turn)?\.$/, ''), at);
  const lines = [line];
  let left = rest;
  sides.forEach((side, k) => {
    const corner = turned[k];
    if (corner !== undefined) {
      const to = left.findIndex(isCorner);
      if (to < 0) throw new Unclear(`“${sentence}” does not come to corner ${corner}`);
      const told = [left[to]!, ...markAfter(left, to)];
      lines.push(
        `Side ${side}: ${wayTo(left.slice(0, to), at)}.`,
        `Corner ${corner}: ${cornerLine(told, at)}.`,
      );
      left = left.slice(to + told.length);
      return;
    }
    const across = /^(.+) ((?:in|around) each \S+) across$/.exec(left[0] ?? '');
    if (across && left.length === 1) {
      const into = across[2]!.startsWith('around') ? 'around' : 'in';
      lines.push(`Side ${side}: ${across[1]!} ${across[2]!}.`, `End: ${across[1]!} ${into} the last st.`);
      return;
    }
    const last = /^(.+) (in|around) last st$/.exec(left.at(-1) ?? '');
    const way = last ? left.slice(0, -1) : left;
    lines.push(
      `Side ${side}: ${wayTo(way, at)}.`,
      `End: ${last ? `${last[1]!} ${last[2]!} the last st` : 'nothing'}.`,
    );
  });
  return lines;
}

/** A side as the step-by-step form has it; the end stitch of a row is none of its places there. */
function wayTo(side: readonly string[], { reader }: AtHand): string {
  const [only] = side;
  const each = /^(.+ (?:in|around) each \S+(?: and \S+)?) to (?:next marked .+|last st)$/.exec(only ?? '');
  if (side.length === 1 && each) return each[1]!;
  const words = side.map((t) => {
    const body =
      /^\[(.+)\] across to (?:next marked .+|last st|last (?:(\d+) )?(\S+)( before next marked .+)?)$/.exec(
        t,
      );
    if (!body) return t;
    const [, repeat, count, noun, corner] = body;
    if (noun === undefined) return `*${repeat!}; repeat from * to the corner`;
    const own = Number(count ?? 1) - (corner === undefined && /^(?:st|post)s?$/.test(noun) ? 1 : 0);
    const until = own === 0 ? 'the corner' : `last ${own === 1 ? '' : `${own} `}${noun}`;
    return `*${repeat!}; repeat from * to ${until}`;
  });
  reader.way(words.join(', '));
  return words.join(', ');
}
