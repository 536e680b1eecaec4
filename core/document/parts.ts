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
  /** Where: “notes”, “preferences.hand”, “base.sides.2”, “rounds/ab12”, or “rounds” for the order of the rounds. */
  readonly part: string;
  readonly before?: unknown;
  readonly after?: unknown;
}

/** What is told apart within these; every other entry of a hem is one part. */
const RECORDS = ['preferences', 'base'] as const;
const LISTS = ['yarns', 'rounds', 'weighIns', 'kept'] as const;
/** No parts: they say which hem it is, not what it is like; the record is no part of the design, and only grows. */
const NO_PARTS: ReadonlySet<string> = new Set(['format', 'version', 'id', 'created', 'changed', 'record']);

type Values = Readonly<Record<string, unknown>>;
interface Item {
  readonly id: string;
}

const same = (a: unknown, b: unknown): boolean =>
  Object.is(a, b) || (typeof a === 'object' && JSON.stringify(a) === JSON.stringify(b));

/** What turns one hem into another, part by part. */
export function changesBetween(before: Hem, after: Hem): readonly PartChange[] {
  const changes: PartChange[] = [];
  const note = (part: string, a: unknown, b: unknown): void => {
    if (!same(a, b)) changes.push({ part, before: a, after: b });
  };
  const isList = (key: string): boolean => (LISTS as readonly string[]).includes(key);
  const isRecord = (key: string): boolean => (RECORDS as readonly string[]).includes(key);
  for (const key of Object.keys(after) as (keyof Hem)[]) {
    if (NO_PARTS.has(key) || isList(key) || Object.is(before[key], after[key])) continue;
    if (!isRecord(key)) note(key, before[key], after[key]);
  }
  for (const key of RECORDS) {
    const [a, b] = [before[key], after[key]] as unknown as [Values, Values];
    if (Object.is(a, b)) continue;
    for (const name of Object.keys(b)) if (name !== 'sides') note(`${key}.${name}`, a[name], b[name]);
  }
  const [a, b] = [before.base.sides, after.base.sides];
  if (a.length !== b.length) note('base.sides', a, b);
  else b.forEach((side, i) => note(`base.sides.${i}`, a[i], side));
  for (const key of LISTS) {
    const [was, is] = [before[key], after[key]] as readonly (readonly Item[])[] as [
      readonly Item[],
      readonly Item[],
    ];
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
  changes.map(({ part, before, after }) => ({ part, before: after, after: before }));

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
    joined.set(change.part, before ? { ...before, after: change.after } : change);
  }
  return [...joined.values()];
}

/** One change for each part that several changes, one after the other, leave different. */
export const joinedChanges = (
  first: readonly PartChange[],
  then: readonly PartChange[],
): readonly PartChange[] => touchedParts(first, then).filter((c) => !same(c.before, c.after));

/** A hem with changes made to it, whatever else has changed in it since. It may have to be {@link settleReferences}. */
export function withChanges(hem: Hem, changes: readonly PartChange[]): Hem {
  const result: Record<string, unknown> = { ...hem };
  const orders = new Map(changes.filter((c) => isListPart(c.part)).map((c) => [c.part, c]));
  for (const key of LISTS) {
    const items = changes.filter((c) => c.part.startsWith(`${key}/`));
    const order = orders.get(key);
    if (items.length === 0 && !order) continue;
    result[key] = changedList(hem[key], items, order);
  }
  for (const { part, after } of changes) {
    if (isListPart(part) || part.includes('/')) continue;
    const [key, name, index] = part.split('.') as [string, string | undefined, string | undefined];
    if (name === undefined) result[key] = after;
    else if (index === undefined) result[key] = { ...(result[key] as Values), [name]: after };
    else {
      const base = result.base as Hem['base'];
      // A side that is no longer there keeps nothing.
      const sides = base.sides.map((s, i) => (i === Number(index) ? (after as typeof s) : s));
      result.base = { ...base, sides };
    }
  }
  return result as unknown as Hem;
}

const isListPart = (part: string): boolean => (LISTS as readonly string[]).includes(part);

function changedList(
  list: readonly Item[],
  items: readonly PartChange[],
  order: PartChange | undefined,
): readonly Item[] {
  const byId = new Map(list.map((item) => [item.id, item]));
  for (const { part, after } of items) {
    const id = part.slice(part.indexOf('/') + 1);
    if (after === undefined) byId.delete(id);
    else byId.set(id, after as Item);
  }
  const now = list.map((item) => item.id);
  const ids = order
    ? unitedOrder(now, order.before as readonly string[], order.after as readonly string[])
    : now;
  const ordered = [...new Set([...ids, ...byId.keys()])];
  return ordered.flatMap((id) => byId.get(id) ?? []);
}

/**
 * An order to which what was done to another is done: what was moved there is moved here, what was put in comes after
 * what it was put behind.
 */
function unitedOrder(
  now: readonly string[],
  before: readonly string[],
  after: readonly string[],
): readonly string[] {
  const stayed = (list: readonly string[], other: readonly string[]): string =>
    list.filter((id) => other.includes(id)).join(' ');
  const moved = stayed(before, after) !== stayed(after, before);
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
    return other && !isListPart(part) && !same(other.after, after) ? [part] : [];
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
