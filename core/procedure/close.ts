/** How a round is closed: into its first stitch, with a stitch in place of its last chains, or not, in a spiral. */
import type { RoundStarts } from '../base/start.ts';
import type { RoundPlan } from '../plan/types.ts';
import { isChainRun, stitchOf, type Stitch } from '../ring/stitch.ts';
import type { StitchKind } from '../terms/stitches.ts';
import { sitsSomewhere, type InOrder } from './order.ts';

export type Close =
  | { readonly by: 'slip stitch' | 'needle' }
  /** A stitch after so many chains: together they are the last space, of `space` chains, and the next round goes on from there. */
  | { readonly by: 'stitch'; readonly stitch: Stitch; readonly chains: number; readonly space: number }
  /** The next round goes on without a join; the round that ends a spiral runs down to it. */
  | { readonly by: 'nothing' }
  /** A row is not closed. */
  | { readonly by: 'the end of the row' };

/** Reasons for which a round is closed with a slip stitch, though another way was chosen. */
export type CloseRefused =
  | 'no space at its end'
  | 'new yarn closes it'
  | 'another yarn'
  | 'turned'
  | 'begun elsewhere'
  | 'not of single stitches'
  | 'first stitch not by itself';

/** Stitches that stand for chains, by how many they are worth, from 1. */
const WORTH: readonly StitchKind[] = ['sc', 'hdc', 'dc', 'tr'];

/** The stitch that closes a space of so many chains. @param wish the tallest that there is, or one lower after a chain */
export function closingStitch(space: number, wish: 'stitch' | 'chain and stitch'): Close {
  const worth = Math.min(WORTH.length, wish === 'stitch' ? space : Math.max(1, space - 1));
  return { by: 'stitch', stitch: stitchOf({ kind: WORTH[worth - 1]! }), chains: space - worth, space };
}

/** Whether a round that begins at an entry ends with a chain space that a stitch can close. */
export function spaceAtEnd(order: InOrder, at: number): number {
  const last = order.stitch(at - 1);
  return order.size > 1 && isChainRun(last) && sitsSomewhere(order.into(at)) ? last.chains : 0;
}

/** Why a round does not go on in a spiral into the next; null where it does. */
export function spiralRefused(
  round: RoundPlan,
  next: RoundPlan,
  first: Stitch,
  {
    wish,
    staysAt,
    anew,
  }: { readonly wish: RoundStarts['first']; readonly staysAt: boolean; readonly anew: boolean },
): CloseRefused | null {
  if (round.yarnId !== next.yarnId) return 'another yarn';
  if (round.facing !== next.facing || round.backwards !== next.backwards) return 'turned';
  if (anew || !staysAt || next.onto !== round.number) return 'begun elsewhere';
  if (first.form !== 'plain' || isChainRun(first) || first.kind === 'slst') return 'not of single stitches';
  return wish === 'usual' || wish === 'chain' ? null : 'first stitch not by itself';
}

/** Heights through which a spiral climbs to tall stitches, and comes down from them. */
const LADDER: readonly StitchKind[] = ['sc', 'hdc', 'dc', 'tr', 'dtr'];

/**
 * Lower stitches over which a spiral climbs to a stitch, the lowest first. They count as the stitches in whose place they are.
 *
 * @param from the stitch that it comes from; none where the spiral begins
 */
export const stepsUp = ({ kind }: Stitch, from?: Stitch): readonly Stitch[] =>
  LADDER.slice(from ? LADDER.indexOf(from.kind) + 1 : 0, Math.max(0, LADDER.indexOf(kind))).map((k) =>
    stitchOf({ kind: k }),
  );

/** Lower stitches with which it ends, the last a slip stitch; empty for singles, which a slip stitch closes. */
export const stepsDown = (stitch: Stitch): readonly Stitch[] =>
  stepsUp(stitch).length === 0 ? [] : [...stepsUp(stitch)].reverse().concat(stitchOf({ kind: 'slst' }));

/** How many entries in a row, from one on, are the same plain stitch, each in a place of its own. @param step 1 forward, −1 back */
export function alikeFrom(order: InOrder, at: number, step: 1 | -1, most: number): number {
  const stitch = order.stitch(at);
  let count = 0;
  while (
    count < Math.min(most, order.size) &&
    order.stitch(at + step * count) === stitch &&
    stitch.form === 'plain' &&
    stitch.post === 'none' &&
    (count === 0 || order.into(at + step * count) !== order.into(at + step * (count - 1)))
  )
    count++;
  return count;
}
