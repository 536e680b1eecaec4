/** A hem with its record on its way to another device: as links, each small enough to be read as a code by a camera. */
import { storageProblem } from './problems.ts';
import { nanoid } from 'nanoid';
import type { Hem } from '../../core/document/hem.ts';
import { LIMITS } from '../../core/limits.ts';
import { failed, inAll, type Outcome } from '../../core/problems.ts';
import { LINK_PATH, hemOfLink, lettersOf } from './link.ts';
import type { RecordStore } from './recordStore.ts';
import { settings } from './settings.ts';

/** Mark of a hem that is carried, not given away. */
const MARK = '~';

/** A part of a hem that is carried: the first is 1. */
export interface CarriedPart {
  readonly number: number;
  readonly of: number;
  /** The same for all parts of one hem. */
  readonly tag: string;
  readonly letters: string;
}

/** Parts that are still read one after the other. */
const MOST_PARTS = 8;

/**
 * The links of a hem with all that was done of it; null when there would be too many. Borders that were put aside go along.
 *
 * @param most letters of a link
 * @param tag told apart by it are parts of one hem from those of another
 */
export function carriedLinks(
  hem: Hem,
  origin: string,
  most: number,
  tag = nanoid(5),
): readonly string[] | null {
  const letters = lettersOf(hem);
  const head = `${origin}${LINK_PATH}#${MARK}00.00.${tag}.`.length;
  const of = Math.ceil(letters.length / (most - head));
  if (of > MOST_PARTS) return null;
  const each = Math.ceil(letters.length / of);
  return Array.from(
    { length: of },
    (_, i) => `${origin}${LINK_PATH}#${MARK}${i + 1}.${of}.${tag}.${letters.slice(i * each, (i + 1) * each)}`,
  );
}

/** Whether the fragment of a link is of a hem that is carried. */
export const isCarried = (fragment: string): boolean => fragment.startsWith(`#${MARK}`);

/** The part in the fragment of a link; null when it is cut off or garbled. */
export function carriedPart(fragment: string): CarriedPart | null {
  const found = /^#~(\d{1,2})\.(\d{1,2})\.([\w-]{1,20})\.([\w.-]+)$/.exec(fragment);
  if (!found || fragment.length > LIMITS.linkLetters) return null;
  const [number, of] = [Number(found[1]), Number(found[2])];
  if (number < 1 || number > of || of > MOST_PARTS) return null;
  return { number, of, tag: found[3]!, letters: found[4]! };
}

/** Parts of a hem that have come so far. */
export interface Arrived {
  readonly of: number;
  /** Numbers of the parts that are still to come; none when it is whole. */
  readonly missing: readonly number[];
  /** The hem, once it is whole. */
  readonly hem: Outcome<Hem> | null;
}

interface Waiting {
  readonly tag: string;
  readonly of: number;
  readonly parts: Readonly<Record<string, string>>;
}

const WAITING = 'carried parts';

type WaitingRoom = Pick<RecordStore, 'get' | 'set'>;

/** Takes a part with those that came before it. They wait in this browser until the last has come. */
export async function arrived(fragment: string, waiting: WaitingRoom = settings): Promise<Arrived> {
  const part = carriedPart(fragment);
  if (!part) return { of: 1, missing: [], hem: failed(storageProblem('link-broken', inAll('the link'))) };
  const kept = await waiting.get(WAITING);
  const before = isWaiting(kept) && kept.tag === part.tag && kept.of === part.of ? kept.parts : {};
  const parts: Readonly<Record<string, string>> = { ...before, [part.number]: part.letters };
  const numbers = Array.from({ length: part.of }, (_, i) => i + 1);
  const missing = numbers.filter((n) => parts[n] === undefined);
  // Kept when it is whole, too: a code may be read twice.
  await waiting.set(WAITING, { tag: part.tag, of: part.of, parts } satisfies Waiting);
  if (missing.length > 0) return { of: part.of, missing, hem: null };
  return { of: part.of, missing, hem: hemOfLink(numbers.map((n) => parts[n]).join('')) };
}

function isWaiting(value: unknown): value is Waiting {
  const { tag, of, parts } = (value ?? {}) as Partial<Record<keyof Waiting, unknown>>;
  return (
    typeof tag === 'string' &&
    typeof of === 'number' &&
    typeof parts === 'object' &&
    parts !== null &&
    Object.values(parts).every((p) => typeof p === 'string')
  );
}
