/** Corners among the items of a sentence: what goes into them, and their markers. */
import { Unclear } from '../crochet.ts';
import { groupOf, items, type AtHand } from './paragraph.ts';

/** Whether an item is worked into a corner. */
export const isCorner = (t: string): boolean =>
  / (?:in|over) (?:first and .+ in 2nd )?marked /.test(t) &&
  !/ to (?:next|last) /.test(t) &&
  !/ before next /.test(t);

/** What belongs to a corner behind it: its second part, its marker. Chains are the side’s. */
export function markAfter(told: readonly string[], corner: number): readonly string[] {
  const found: string[] = [];
  for (let i = corner + 1; i < told.length && /^pm in /.test(told[i]!); i++) found.push(told[i]!);
  return found;
}

/** A corner as the step-by-step form has it. */
export function cornerLine(corner: readonly string[], { reader }: AtHand): string {
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
export function checkMark(
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

/** A side with the chain that was told with a part of the corner beside it, and that part without it. */
export function lentTo(
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
