/**
 * Sides and corners by their kinds, where there are too many for their names: a pattern says once which are outer ones and which
 * inner, and names the kind from then on. What says it and what reads it back stand side by side.
 */
import { isDisc } from '../piece/outline.ts';
import { remembered } from '../remembered.ts';
import { MOST_BY_NAME } from '../plan/countWords.ts';
import type { Plan } from '../plan/types.ts';
import { listWords } from '../say/lists.ts';
import { capital } from '../terms/words.ts';
import { cornerName } from './placeWords.ts';

/** Fewer than this of a kind have their names. */
const LEAST_OF_KIND = 3;

type KindName = 'outer' | 'inner' | 'other';

interface Kind {
  readonly kind: KindName;
  readonly of: 'corners' | 'sides';
  readonly names: readonly string[];
}

/** Kinds of the corners and the sides that a border goes around; none where each is told by its name. */
const kindsOf = remembered((plan: Plan): readonly Kind[] => {
  const { body, sides } = plan;
  const { turns, part } = body.outline;
  const isInner = (corner: number): boolean => (turns[corner % turns.length] ?? 0) < 0;
  if (part || isDisc(body.outline) || sides.length <= MOST_BY_NAME || !turns.some((_, c) => isInner(c)))
    return [];
  const sideKind = (side: number): KindName => {
    if (isInner(side) !== isInner(side + 1)) return 'other';
    return isInner(side) ? 'inner' : 'outer';
  };
  const corners = (inner: boolean): readonly string[] =>
    turns.flatMap((_, corner) => (isInner(corner) === inner ? [cornerName(plan, corner)] : []));
  const along = (kind: KindName): readonly string[] =>
    sides.flatMap(({ name }, side) => (sideKind(side) === kind ? [name] : []));
  const all: readonly Kind[] = [
    { kind: 'outer', of: 'corners', names: corners(false) },
    { kind: 'inner', of: 'corners', names: corners(true) },
    { kind: 'outer', of: 'sides', names: along('outer') },
    { kind: 'inner', of: 'sides', names: along('inner') },
    { kind: 'other', of: 'sides', names: along('other') },
  ];
  return all.filter(({ names }) => names.length > 0);
});

/** Which sides and corners are of which kind, as a pattern says it before its rounds; none where each is told by its name. */
export function kindsWords(plan: Plan): readonly string[] {
  const of = (what: Kind['of']): string =>
    kindsOf(plan)
      .filter((k) => k.of === what)
      .map(
        ({ kind, names }) =>
          `${capital(kind)} ${what}${BETWEEN[`${kind} ${what}`] ?? ''} are ${listWords(names)}.`,
      )
      .join(' ');
  return (['corners', 'sides'] as const).map(of).filter((words) => words !== '');
}

const BETWEEN: Readonly<Record<string, string>> = {
  'inner corners': ', in the dips,',
  'outer sides': ', between two outer corners,',
  'inner sides': ', between two inner corners,',
};

const NAME = '[A-Z]\\d*(?:/[A-Z]\\d*)?';
const NAMES = `${NAME}(?:, ${NAME})*(?: and ${NAME})?`;
const LISTED = new RegExp(`\\b(?:(Corners|Sides) (${NAMES})(?=:)|on (${NAMES})(?![^ ,.;)]))`, 'g');
const CALLED =
  /\b(?:on the )?(all|(?:outer|inner|other)(?:, (?:outer|inner|other))*(?: and (?:outer|inner|other))?) (corners|sides)\b/gi;
const namesIn = (list: string): readonly string[] => list.split(/, | and /);

/** Words in which all sides or corners of a kind, told by their names, are told by their kind. */
export function inKinds(plan: Plan): (words: string) => string {
  const kinds = kindsOf(plan);
  if (kinds.length === 0) return (words) => words;
  const called = (names: readonly string[]): string | null => {
    if (names.length < LEAST_OF_KIND) return null;
    const told = new Set(names);
    const { of } = kinds.find((k) => k.names.includes(names[0] ?? '')) ?? { of: 'sides' };
    const within = kinds.filter((k) => k.of === of && k.names.every((name) => told.has(name)));
    const many = within.reduce((sum, k) => sum + k.names.length, 0);
    if (many !== told.size) return null;
    const all = kinds.filter((k) => k.of === of).length;
    return within.length === all ? `all ${of}` : `${listWords(within.map((k) => k.kind))} ${of}`;
  };
  return (words) =>
    words.replace(LISTED, (all, _: string | undefined, before?: string, counted?: string) => {
      const kind = called(namesIn(before ?? counted ?? ''));
      if (kind === null) return all;
      return before !== undefined
        ? capital(kind)
        : kind.startsWith('all')
          ? 'on each side'
          : `on the ${kind}`;
    });
}

/** Several sides by their kind or by their names: “sides A and C”, “outer sides”. */
export const sidesTold = (plan: Plan, names: readonly string[]): string =>
  inKinds(plan)(`Sides ${listWords(names)}:`)
    .slice(0, -1)
    .replace(/^./, (letter) => letter.toLowerCase());

/** A pattern with the names of all sides and corners that it tells by their kind. */
export function spelledOut(text: string): string {
  const kinds = new Map<string, string>();
  for (const [, kind, of, list] of text.matchAll(
    new RegExp(`\\b(Outer|Inner|Other) (corners|sides)(?:, [a-z ]+,)? are (${NAMES})\\.`, 'g'),
  ))
    kinds.set(`${(kind ?? '').toLowerCase()} ${of ?? ''}`, list ?? '');
  if (kinds.size === 0) return text;
  return text.replace(CALLED, (all: string, list: string, of: string) => {
    const called =
      list.toLowerCase() === 'all'
        ? [...kinds.keys()].filter((kind) => kind.endsWith(of)).map((kind) => kind.split(' ')[0] ?? '')
        : namesIn(list.toLowerCase());
    const names = called.map((kind) => kinds.get(`${kind} ${of}`));
    if (names.includes(undefined)) return all;
    const told = listWords(names.flatMap((n) => namesIn(n ?? '')));
    return all.startsWith('on the') ? `on ${told}` : `${capital(of)} ${told}`;
  });
}
