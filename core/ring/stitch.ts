/**
 * One thing that a hook makes: a stitch, or a run of chains. Equal ones are the same object, so that a
 * ring of thousands of stitches holds references to a handful of descriptions.
 */
import { STITCHES, type StitchKind } from '../terms/stitches.ts';

/** The loop of the stitch below that the hook takes up. `third` is the bar below the back loop. */
export type Loop = 'both' | 'front' | 'back' | 'third';

/** Which way the stitch goes round a post, or `none` when it goes into the top. */
export type Post = 'none' | 'front' | 'back';

export type Form =
  | 'plain'
  | 'together'
  | 'puff'
  | 'popcorn'
  | 'bobble'
  | 'reverse'
  | 'twisted'
  /** Three slip stitches for every place, of which the last goes into it: a round cord along the edge. */
  | 'cord'
  | 'picot'
  /** A chain of three with a cluster of five doubles closed in its first chain. */
  | 'dot'
  /** Cut strands knotted into the place. */
  | 'tassel';

export interface Stitch {
  readonly kind: StitchKind;
  readonly form: Form;
  readonly loop: Loop;
  readonly post: Post;
  /** Chains in the run; for a picot the chains of its loop; 0 for every other stitch. */
  readonly chains: number;
  /** Legs that meet in one top: 1 for a plain stitch, 2 for a stitch worked two together, 5 in a bobble. */
  readonly legs: number;
}

const known = new Map<string, Stitch>();

/**
 * The one description of a stitch with these properties; what is not given is plain.
 *
 * @example stitchOf({ kind: 'sc' }) === stitchOf({ kind: 'sc', loop: 'both' }) // true
 */
export function stitchOf(given: Partial<Stitch> & Pick<Stitch, 'kind'>): Stitch {
  const { kind, form = 'plain', loop = 'both', post = 'none', chains = 0, legs = 1 } = given;
  const key = `${kind} ${form} ${loop} ${post} ${chains} ${legs}`;
  let found = known.get(key);
  if (!found) {
    found = Object.freeze({ kind, form, loop, post, chains, legs });
    known.set(key, found);
  }
  return found;
}

/** A run of `count` chains, count ≥ 1. */
export const chainRun = (count: number): Stitch => stitchOf({ kind: 'ch', chains: count });

/** True for a run of chains, which offers a space and not a stitch top. A picot is neither. */
export const isChainRun = (s: Stitch): boolean => s.kind === 'ch' && s.form === 'plain';

/** True for what stands on the ring without offering the next round a place. */
export const isOrnament = (s: Stitch): boolean =>
  s.form === 'picot' || s.form === 'dot' || s.form === 'tassel';

/** True for what sits in no place of the ring below: chains, and what stands on the stitch before it. */
export const sitsInNothing = (s: Stitch): boolean => isChainRun(s) || s.form === 'picot' || s.form === 'dot';

/** True for what counts as a stitch of the round. */
export const countsAsStitch = (s: Stitch): boolean => s.kind !== 'ch' && !isOrnament(s);

/** How many places of the ring below one stitch takes up: its legs when worked together, else one. */
export const placesTaken = (s: Stitch): number => (s.form === 'together' ? s.legs : 1);

/** Width that the top takes along the edge, in stitch widths. */
export function topWidth(s: Stitch): number {
  if (isChainRun(s)) return s.chains;
  return isOrnament(s) ? 0 : 1;
}

/**
 * Height of the stitch above its foot, in stitch widths. A chain run lies at the height of what it joins
 * and adds none of its own. A post stitch hangs round the post below and sinks by about a third.
 */
export function stitchHeight(s: Stitch): number {
  if (s.kind === 'ch') return 0;
  const height = STITCHES[s.kind].height;
  return s.post === 'none' ? height : height * 0.67;
}
