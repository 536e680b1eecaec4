/** A handful of borders that are near to the wish and different from each other. */
import { remembered } from '../remembered.ts';
import { shapeDifference, yarnsOf, type Shape } from './grammar.ts';
import type { Proposal } from './prove.ts';
import type { BorderFound } from './found.ts';

/** Worth of a whole difference beside the cost: as much as being so many per cent off the wished width. */
const DIFFERENCE = 14;

/** A border as it is compared: its parts, and its yarns from the piece outwards. */
export type Liked = Pick<BorderFound, 'key' | 'shape' | 'rounds'>;

/** Opinions of proposals that were seen. */
export interface Taste {
  /** More like this. */
  readonly like: Liked | null;
  /** Not these, nor what is nearly the same. */
  readonly unlike: readonly Liked[];
}

export const NO_TASTE: Taste = { like: null, unlike: [] };
/** Borders that differ by less are nearly the same: another stitch in the ground, another order of yarns. */
const NEARLY = 0.3;
/** Borders that are shown differ by this at least: a back loop, or another yarn alone, makes no other border. */
const LEAST_APART = 0.13;
/** Cost of being unlike a border that is liked, for a whole difference. */
const UNLIKE = 40;

/** Features of a border to compare, worked out once. */
interface Compared {
  readonly shape: Shape;
  readonly yarns: string;
}

const compared = remembered(({ shape, rounds }: Liked): Compared => ({
  shape,
  yarns: yarnsOf(rounds).join(),
}));

const difference = (a: Compared, b: Compared): number =>
  shapeDifference(a.shape, b.shape, a.yarns === b.yarns);

function suitsTaste({ unlike }: Taste): (f: Compared) => boolean {
  const not = unlike.map(compared);
  return (f) => not.every((u) => difference(f, u) >= NEARLY);
}

/** After so many that no change of counts made fit, only what fits as it is is picked. */
const MOST_FAILED = 24;

/** Base rounds with which proposals came out even that did not as they were. */
export const basesOf = (proven: ReadonlyMap<string, Proposal | null>): readonly Proposal['base'][] =>
  [...proven.values()].flatMap((p) => (p && !p.asItIs ? [p.base] : []));

export interface Picked {
  /** Proposals that are proved, in the order in which it was picked. */
  readonly shown: readonly Proposal[];
  /** Borders that would be picked and have yet to be proved. */
  readonly open: readonly BorderFound[];
}

/**
 * The best first; then, one after the other, the one that costs least less what it adds in difference from those that are picked
 * (maximal marginal relevance; Carbonell and Goldstein, 1998). What failed its proof is passed over.
 *
 * @param proven by their keys; null for what failed
 * @param seen keys of what has been shown: it stays, in that order, so that nothing but what is not wanted goes
 */
export function picked(
  found: readonly BorderFound[],
  proven: ReadonlyMap<string, Proposal | null>,
  most: number,
  taste: Taste = NO_TASTE,
  seen: readonly string[] = [],
): Picked {
  // Only those proofs count that this asks for itself, all of one step before the next: what had been asked on the way,
  // and in what order answers came, would else leave its mark on what is picked.
  const known = new Map<string, Proposal | null>();
  for (;;) {
    const { shown, open } = pickedKnowing(found, known, most, taste, seen);
    const unproven = open.filter(({ key }) => !proven.has(key));
    if (unproven.length > 0)
      return { shown: [...shown, ...open.flatMap(({ key }) => proven.get(key) ?? [])], open: unproven };
    if (open.length === 0) return { shown, open };
    for (const { key } of open) known.set(key, proven.get(key) ?? null);
  }
}

function pickedKnowing(
  found: readonly BorderFound[],
  proven: ReadonlyMap<string, Proposal | null>,
  most: number,
  taste: Taste,
  seen: readonly string[],
): Picked {
  const like = taste.like && compared(taste.like);
  const suits = suitsTaste(taste);
  const failed = [...proven.values()].filter((p) => p === null).length;
  // Without a ground, several starts come to the same.
  const left = [...new Map(found.map((f) => [f.key, f])).values()]
    .filter((f) => f.asItIs || failed < MOST_FAILED || proven.get(f.key))
    .map((f) => ({ f, of: compared(f) }))
    .filter(({ of }) => suits(of))
    .map((at) => ({
      ...at,
      // A proof knows it better.
      minds: (proven.get(at.f.key)?.cost ?? at.f.cost) + (like ? UNLIKE * difference(at.of, like) : 0),
      nearest: 1,
      taken: false,
      compared: 0,
    }))
    .sort((a, b) => a.minds - b.minds);
  const shown: Proposal[] = [];
  const open: BorderFound[] = [];
  const chosen: Compared[] = [];
  const choose = (best: (typeof left)[number]): void => {
    best.taken = true;
    const proposal = proven.get(best.f.key);
    if (proposal === null) return;
    if (proposal) shown.push(proposal);
    else open.push(best.f);
    chosen.push(best.of);
  };
  const byKey = new Map(left.map((at) => [at.f.key, at]));
  for (const key of seen) {
    const at = byKey.get(key);
    if (at && chosen.length < most) choose(at);
  }
  while (chosen.length < most) {
    let best: (typeof left)[number] | null = null;
    let least = Infinity;
    for (const other of left) {
      // Nothing that comes now can be so different.
      if (other.minds - DIFFERENCE >= least) break;
      if (other.taken) continue;
      while (other.compared < chosen.length)
        other.nearest = Math.min(other.nearest, difference(other.of, chosen[other.compared++]!));
      if (chosen.length > 0 && other.nearest < LEAST_APART) continue;
      const worth = other.minds - DIFFERENCE * other.nearest;
      if (worth < least) [best, least] = [other, worth];
    }
    if (!best) break;
    choose(best);
  }
  return { shown, open };
}
