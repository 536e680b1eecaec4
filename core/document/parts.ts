/**
 * The parts of a hem: what is changed, taken back and united by itself. A part is one round entry, one side, one yarn,
 * one weighing, one border put aside, the construction of the piece, each preference, and every other value of its own;
 * the order of a list is a part too.
 *
 * A change says what a part was and what it became, so that it can be inverted; undo, saving and the uniting of two
 * copies all work on changes.
 */
import { bodyOf } from '../piece/piece.ts';
import { spacingsFor } from '../base/spacings.ts';
import { changePiece } from './changePiece.ts';
import { checkHem } from './check.ts';
import type { Hem } from './hem.ts';
import { withRecordOf } from './record.ts';

/** One part before and after; undefined where it was not, or is no longer, there. */
export interface PartChange {
  /** Where, as it is stored: “notes”, “preferences.hand”, “base.sides.2”, “rounds/ab12”, or “rounds” for the order of the rounds. */
  readonly part: string;
  readonly before?: unknown;
  readonly after?: unknown;
  /** Of an order that several changes, one after the other, touch: that one of them moved something, be it back again. */
  readonly moved?: boolean;
}

/** Parts told apart within these; every other entry of a hem is one part. */
const RECORDS = ['preferences', 'base', 'alike'] as const;
const LISTS = ['yarns', 'rounds', 'weighIns', 'kept'] as const;
/** No parts: they say which hem it is, not what it is like; the record is no part of the design, and only grows. */
const NO_PARTS = ['format', 'version', 'id', 'created', 'changed', 'record'] as const;

type RecordKey = (typeof RECORDS)[number];
type ListKey = (typeof LISTS)[number];
type ValueKey = Exclude<keyof Hem, RecordKey | ListKey | (typeof NO_PARTS)[number]>;

/** A part of a hem. */
type Part =
  | { readonly of: 'value'; readonly key: ValueKey }
  | { readonly of: 'record'; readonly key: RecordKey; readonly name: string }
  | { readonly of: 'sides' }
  | { readonly of: 'side'; readonly side: number }
  | { readonly of: 'order'; readonly list: ListKey }
  | { readonly of: 'item'; readonly list: ListKey; readonly id: string };

interface Item {
  readonly id: string;
}

const isList = (key: string): key is ListKey => (LISTS as readonly string[]).includes(key);
const isRecord = (key: string): key is RecordKey => (RECORDS as readonly string[]).includes(key);
const isValue = (key: string): key is ValueKey =>
  !isList(key) && !isRecord(key) && !(NO_PARTS as readonly string[]).includes(key);

/** A part by the path that it is stored under. */
function partAt(path: string): Part | null {
  const slash = path.indexOf('/');
  const key = slash < 0 ? path : path.slice(0, slash);
  if (isList(key))
    return slash < 0 ? { of: 'order', list: key } : { of: 'item', list: key, id: path.slice(slash + 1) };
  const [first, name, index] = path.split('.');
  if (path === 'base.sides') return { of: 'sides' };
  if (first === 'base' && name === 'sides') return { of: 'side', side: Number(index) };
  if (first !== undefined && isRecord(first) && name !== undefined) return { of: 'record', key: first, name };
  return isValue(path) ? { of: 'value', key: path } : null;
}

/** Whether a part stays as it is once the base round has been begun. */
export const isBegunOn = (path: string): boolean => path === 'piece' || path.startsWith('base.');

const same = (a: unknown, b: unknown): boolean =>
  Object.is(a, b) || (typeof a === 'object' && JSON.stringify(a) === JSON.stringify(b));

/** Changes that turn one hem into another, part by part. */
export function changesBetween(before: Hem, after: Hem): readonly PartChange[] {
  const changes: PartChange[] = [];
  const note = (part: string, a: unknown, b: unknown): void => {
    if (!same(a, b)) changes.push({ part, before: a, after: b });
  };
  for (const key of Object.keys(after)) if (isValue(key)) note(key, before[key], after[key]);
  for (const key of RECORDS) {
    const was = new Map<string, unknown>(Object.entries(before[key]));
    if (Object.is(before[key], after[key])) continue;
    for (const [name, is] of Object.entries<unknown>(after[key]))
      if (name !== 'sides') note(`${key}.${name}`, was.get(name), is);
  }
  const [a, b] = [before.base.sides, after.base.sides];
  if (a.length !== b.length) note('base.sides', a, b);
  else b.forEach((side, i) => note(`base.sides.${i}`, a[i], side));
  for (const key of LISTS) {
    const [was, is]: readonly (readonly Item[])[] & { length: 2 } = [before[key], after[key]];
    if (Object.is(was, is)) continue;
    const old = new Map(was.map((item) => [item.id, item]));
    for (const item of is) note(`${key}/${item.id}`, old.get(item.id), item);
    const now = new Set(is.map((item) => item.id));
    for (const item of was) if (!now.has(item.id)) note(`${key}/${item.id}`, item, undefined);
    note(
      key,
      was.map((item) => item.id),
      is.map((item) => item.id),
    );
  }
  return changes;
}

/** The changes that undo others. */
export const inverted = (changes: readonly PartChange[]): readonly PartChange[] =>
  changes.map((c) => ({ ...c, before: c.after, after: c.before }));

/**
 * One change for each part that several changes, one after the other, touch. A part that is again as it was is among
 * them, because a copy may have been kept in between.
 */
export function touchedParts(
  first: readonly PartChange[],
  then: readonly PartChange[],
): readonly PartChange[] {
  const joined = new Map(first.map((c) => [c.part, c]));
  for (const change of then) {
    const before = joined.get(change.part);
    joined.set(change.part, before ? inOne(before, change) : change);
  }
  return [...joined.values()];
}

/** Two changes of one part as one. An order keeps that it was moved: what one put in and the other moved is not in the first order. */
function inOne(first: PartChange, then: PartChange): PartChange {
  const both = { ...first, after: then.after };
  return isOrder(first.part) && (isMoved(first) || isMoved(then)) ? { ...both, moved: true } : both;
}

/** One change for each part that several changes, one after the other, leave different. */
export const joinedChanges = (
  first: readonly PartChange[],
  then: readonly PartChange[],
): readonly PartChange[] => touchedParts(first, then).filter((c) => !same(c.before, c.after));

/** A hem with changes made to it, whatever else has changed in it since. It may have to be {@link settleReferences}. */
export function withChanges(hem: Hem, changes: readonly PartChange[]): Hem {
  let result = hem;
  const lists = new Map<ListKey, ListChanges>();
  const ofList = (list: ListKey): ListChanges => {
    const known = lists.get(list) ?? { items: new Map<string, Item | null>(), order: null };
    lists.set(list, known);
    return known;
  };
  for (const change of changes) {
    const { part: path, after } = change;
    const part = partAt(path);
    // What a later version of the application knows is left to it.
    if (!part) continue;
    switch (part.of) {
      case 'value':
        result = { ...result, [part.key]: after };
        break;
      case 'record':
        result = { ...result, [part.key]: { ...result[part.key], [part.name]: after } };
        break;
      case 'sides':
        result = { ...result, base: { ...result.base, sides: after as Hem['base']['sides'] } };
        break;
      case 'side': {
        // A side that is no longer there keeps nothing.
        const sides = result.base.sides.map((s, i) => (i === part.side ? (after as typeof s) : s));
        result = { ...result, base: { ...result.base, sides } };
        break;
      }
      case 'order':
        ofList(part.list).order = orderChange(change);
        break;
      case 'item':
        ofList(part.list).items.set(part.id, (after as Item | undefined) ?? null);
    }
  }
  for (const [list, change] of lists) result = { ...result, [list]: changedList(result[list], change) };
  return result;
}

interface ListChanges {
  /** Items that were changed or put in; null for those that were taken out. */
  readonly items: Map<string, Item | null>;
  order: OrderChange | null;
}

interface OrderChange {
  readonly before: readonly string[];
  readonly after: readonly string[];
  readonly moved: boolean;
}

const isOrder = (path: string): boolean => partAt(path)?.of === 'order';

function changedList(list: readonly Item[], { items, order }: ListChanges): readonly Item[] {
  const byId = new Map(list.map((item) => [item.id, item]));
  for (const [id, item] of items) {
    if (item) byId.set(id, item);
    else byId.delete(id);
  }
  const now = list.map((item) => item.id);
  const ids = order ? unitedOrder(now, order) : now;
  const ordered = [...new Set([...ids, ...byId.keys()])];
  return ordered.flatMap((id) => byId.get(id) ?? []);
}

const stayed = (list: readonly string[], other: readonly string[]): string =>
  list.filter((id) => other.includes(id)).join(' ');

function orderChange(change: PartChange): OrderChange {
  const [before, after] = [change.before as readonly string[], change.after as readonly string[]];
  return { before, after, moved: change.moved === true || stayed(before, after) !== stayed(after, before) };
}

const isMoved = (change: PartChange): boolean => orderChange(change).moved;

/**
 * An order to which what was done to another is done: what was moved there is moved here, what was put in comes after
 * what it was put behind.
 */
function unitedOrder(now: readonly string[], { before, after, moved }: OrderChange): readonly string[] {
  const [main, rest] = moved ? [after, now] : [now, after];
  const result = main.filter((id) => after.includes(id) || !before.includes(id));
  rest.forEach((id, i) => {
    if (result.includes(id) || (moved ? before.includes(id) : !after.includes(id))) return;
    const behind = rest.slice(0, i).findLast((earlier) => result.includes(earlier));
    result.splice(behind === undefined ? 0 : result.indexOf(behind) + 1, 0, id);
  });
  return result;
}

export interface United {
  readonly hem: Hem;
  /** Parts that were changed in both; the hem has them as in `mine`. “everything” where the two could not be united. */
  readonly conflicts: readonly string[];
}

/**
 * Unites two hems that both come from a third. Changes of different parts both live; of a part that both changed, that
 * of `mine` does. What was done to either was done.
 *
 * @param my the parts of `mine` that were touched since, those that are again as they were too
 */
export function united(
  common: Hem,
  mine: Hem,
  theirs: Hem,
  my: readonly PartChange[] = changesBetween(common, mine),
): United {
  const { hem, conflicts } = unitedDesigns(common, mine, theirs, my);
  return { hem: withRecordOf(withRecordOf(hem, mine), theirs), conflicts };
}

function unitedDesigns(common: Hem, mine: Hem, theirs: Hem, my: readonly PartChange[]): United {
  const their = new Map(changesBetween(common, theirs).map((c) => [c.part, c]));
  if (their.size === 0) return { hem: mine, conflicts: [] };
  const conflicts = my.flatMap(({ part, after }) => {
    const other = their.get(part);
    return other && !isOrder(part) && !same(other.after, after) ? [part] : [];
  });
  const hem = settleReferences(withChanges(theirs, my), [mine, theirs, common]);
  return hem ? { hem, conflicts } : { hem: mine, conflicts: ['everything'] };
}

/**
 * A hem that was put together from parts, with what its parts need of each other: yarns that are still used, and sides
 * as the piece has them. Null when it is not sound all the same.
 *
 * @param sources hems in which a yarn that is missing may be found
 */
export function settleReferences(hem: Hem, sources: readonly Hem[]): Hem | null {
  const used = yarnsUsed(hem);
  const here = new Set(hem.yarns.map((y) => y.id));
  const found = sources.flatMap((s) => s.yarns);
  const missing = [...used].flatMap((id) => (here.has(id) ? [] : (found.find((y) => y.id === id) ?? [])));
  const withYarns = missing.length === 0 ? hem : { ...hem, yarns: [...hem.yarns, ...missing] };
  const outcome = checkHem(
    sidesFit(withYarns) ? withYarns : { ...withYarns, ...changePiece(withYarns, hem.piece) },
  );
  return outcome.ok ? outcome.value : null;
}

/** Ids of all yarns that a hem refers to. */
function yarnsUsed(hem: Hem): ReadonlySet<string> {
  return new Set([
    hem.base.yarn,
    ...(hem.alike.yarn === null ? [] : [hem.alike.yarn]),
    ...hem.rounds.flatMap((r) => r.yarns),
    ...hem.weighIns.map((w) => w.yarn),
    ...hem.kept.flatMap((k) => [k.base.yarn, ...k.rounds.flatMap((r) => r.yarns)]),
  ]);
}

function sidesFit(hem: Hem): boolean {
  const { edges } = bodyOf(hem.piece);
  return [hem, ...hem.kept].every(
    ({ base }) =>
      base.sides.length === edges.length &&
      base.start.side < edges.length &&
      edges.every((edge, i) => spacingsFor(edge).includes(base.sides[i]!.school)),
  );
}
