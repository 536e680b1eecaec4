/** How the first stitch of a round comes to stand: after a chain, as one, stacked, drawn up, standing, or by itself. */
import type { StartOfRound } from '../base/start.ts';
import { isChainRun, isOrnament, type Stitch } from '../ring/stitch.ts';
import { STITCHES, type StitchKind } from '../terms/stitches.ts';

/** How the first stitch comes to stand. */
export type First =
  /** `space`: chains of the space after it, which the same chain makes; 0 for none. */
  | { readonly by: 'chain'; readonly chains: number; readonly counts: boolean; readonly space: number }
  | { readonly by: 'standing' }
  /** Singles one upon the other, in place of a chain. */
  | { readonly by: 'stacked'; readonly singles: number }
  /** The loop on the hook is drawn up to the height of the stitch, and is worked as its yarn over. */
  | { readonly by: 'drawn up' }
  /** Slip stitches need no chain, knots no yarn on the hook. */
  | { readonly by: 'itself' };

/** Reasons for which a round begins as is usual, though another way was chosen. */
export type FirstRefused =
  'yarn goes on' | 'not a plain stitch' | 'a single' | 'too low to be stacked' | 'too low to draw up';

/** Whether the first stitch is there already when others are made, as a chain, a stack, a drawn-up loop or standing. */
export const isThere = (first: First): boolean =>
  first.by === 'chain' ? first.counts : first.by !== 'itself';

/** Whether a chain, or what is made in its place, can stand for a stitch: for a plain one, in both loops. */
const mayCount = (s: Stitch): boolean => s.form === 'plain' && s.post === 'none' && s.loop === 'both';

/** Stitches for which a chain usually counts. */
const USUALLY_COUNTS: ReadonlySet<StitchKind> = new Set(['dc', 'tr', 'dtr']);

/** Singles that are as high as a stitch when they are stacked. */
const STACKED: Partial<Readonly<Record<StitchKind, number>>> = { dc: 2, tr: 3, dtr: 4 };

export interface FirstWish extends Pick<StartOfRound, 'first' | 'chains'> {
  /** Yarn is joined at the start. */
  readonly joinsYarn: boolean;
  /** It was chosen for this round alone. */
  readonly own: boolean;
  /** Chains of the space that follows, where a counted chain can make it too; 0 for none. */
  readonly space: number;
}

/** The way in which a first stitch is made, and why it is not the chosen one. */
export function firstStitchOf(
  stitch: Stitch,
  { first: wish, chains, joinsYarn, own, space }: FirstWish,
): { readonly first: First; readonly refused: FirstRefused | null } {
  const [fewest, most] = STITCHES[stitch.kind].turningChain;
  if (stitch.kind === 'slst' || isChainRun(stitch) || isOrnament(stitch))
    return { first: { by: 'itself' }, refused: null };
  const refused = refusedBy(stitch, wish, joinsYarn, own);
  if (refused === null && wish === 'standing') return { first: { by: 'standing' }, refused };
  if (refused === null && wish === 'stacked')
    return { first: { by: 'stacked', singles: STACKED[stitch.kind]! }, refused };
  if (refused === null && wish === 'drawn up') return { first: { by: 'drawn up' }, refused };
  const counts =
    mayCount(stitch) &&
    (wish === 'counted chain' ? refused === null : wish !== 'chain' && USUALLY_COUNTS.has(stitch.kind));
  if (counts) return { first: { by: 'chain', counts, chains: Math.max(1, chains ?? most), space }, refused };
  const lift = chains ?? Math.max(1, fewest);
  return {
    first: lift === 0 ? { by: 'itself' } : { by: 'chain', counts, chains: lift, space: 0 },
    refused,
  };
}

function refusedBy(
  stitch: Stitch,
  wish: StartOfRound['first'],
  joinsYarn: boolean,
  own: boolean,
): FirstRefused | null {
  if (wish === 'usual' || wish === 'chain') return null;
  if (wish === 'standing')
    return !joinsYarn ? 'yarn goes on' : stitch.form === 'plain' ? null : 'not a plain stitch';
  if (!mayCount(stitch)) return 'not a plain stitch';
  if (wish === 'stacked') return stitch.kind in STACKED ? null : 'too low to be stacked';
  // For a single a chain leaves a gap, and stands only where it was wished for that round.
  const low = STITCHES[stitch.kind].turningChain[1] < 2;
  if (wish === 'drawn up') return low ? 'too low to draw up' : null;
  return low && !own ? 'a single' : null;
}
