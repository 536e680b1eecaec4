/** Places that a round goes into, and the loops of a stitch, as patterns abbreviate them and as a sentence has them. */
import type { StitchKind } from './stitches.ts';

/** For one and for many. */
type Noun = readonly [one: string, many: string];

export const PLACE_NAMES = {
  stitch: { short: ['st', 'sts'], long: ['stitch', 'stitches'] },
  space: { short: ['ch-sp', 'ch-sps'], long: ['chain space', 'chain spaces'] },
  gap: { short: ['gap', 'gaps'], long: ['gap between groups', 'gaps between groups'] },
  post: { short: ['post', 'posts'], long: ['post', 'posts'] },
  pair: { short: ['pair', 'pairs'], long: ['pair of stitches', 'pairs of stitches'] },
  between: {
    short: ['sp between sts', 'sps between sts'],
    long: ['space between stitches', 'spaces between stitches'],
  },
  either: {
    short: ['st or ch-sp', 'sts and ch-sps'],
    long: ['stitch or chain space', 'stitches and chain spaces'],
  },
} as const satisfies Readonly<Record<string, { readonly short: Noun; readonly long: Noun }>>;

/** Places that a plain round can go into, in the order in which they are offered. */
export const PLAIN_PLACES = ['stitch', 'either', 'between'] as const;
export type PlainPlace = (typeof PLAIN_PLACES)[number];

/** `short` stands behind a stitch in a pattern; `name` is what a maker calls it. */
export const LOOPS = {
  both: { short: '', name: 'both loops' },
  back: { short: 'BLO', name: 'back loop' },
  front: { short: 'FLO', name: 'front loop' },
  third: { short: '3rd lp', name: 'third loop' },
} as const;

/** Stitches with a bar below the back loop, the third loop. */
export const HAS_THIRD_LOOP: ReadonlySet<StitchKind> = new Set(['hdc', 'hhdc']);
