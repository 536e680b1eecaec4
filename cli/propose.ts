/** Borders that are proposed, for the command `propose`. */
import type { Plan } from '../core/plan/types.ts';
import { basesOf, picked } from '../core/propose/pick.ts';
import { prove, type Proposal } from '../core/propose/prove.ts';
import { NOTHING_FOUND, searchSlice, slicesOf, joinSearches, type Searched } from '../core/propose/search.ts';
import { NO_WISH, type EdgeLook, type WishSkill, type Wish } from '../core/propose/wish.ts';
import { plural } from '../core/say/measures.ts';
import { dressingWords, obstacleWords, reasonsOf, shapeWords } from '../core/propose/proposeWords.ts';
import { unsound } from './io.ts';

export interface ProposeOptions {
  readonly width?: number;
  readonly size?: string;
  readonly edge?: EdgeLook | 'lobed';
  readonly notEdge?: EdgeLook;
  readonly skill?: WishSkill;
  readonly looseParts: boolean;
  readonly basket?: boolean;
  readonly useUp?: boolean;
  readonly hours?: number;
  readonly onRounds?: boolean;
  readonly json?: boolean;
}

/**
 * The wish that options say.
 *
 * @throws Unsound for a number that is none
 */
export function wishOf(options: ProposeOptions): Wish {
  const { width, size, edge, notEdge, skill, looseParts, basket, useUp, hours, onRounds } = options;
  for (const [name, value] of [
    ['--width', width],
    ['--hours', hours],
  ] as const) {
    if (value !== undefined && !(value > 0)) unsound(`${name}: give a number above 0, such as 4.`);
  }
  const sizes = size === undefined ? null : /^(\d+(?:\.\d+)?)[x×](\d+(?:\.\d+)?)$/.exec(size);
  if (size !== undefined && !sizes) unsound('--size: give width and height in cm, such as 120x150.');
  return {
    ...NO_WISH,
    widthCm: width ?? null,
    size: sizes && { widthCm: Number(sizes[1]), heightCm: Number(sizes[2]) },
    look: edge === 'lobed' ? 'scalloped' : (edge ?? null),
    notLook: notEdge ?? null,
    skill: skill ?? null,
    noLooseParts: !looseParts,
    basket: useUp ? 'used up' : basket ? 'enough' : 'any',
    minutes: hours === undefined ? null : hours * 60,
    onRounds: onRounds ?? false,
  };
}

const SHOWN = 8;

export interface Proposed extends Omit<Searched, 'found'> {
  readonly proposals: readonly Proposal[];
}

/** The whole search, and the handful that is picked of it and proved. */
export function proposed({ hem }: Plan, wish: Wish): Proposed {
  const slices = Array.from({ length: slicesOf(hem) }, (_, slice) => searchSlice(hem, wish, slice));
  const { found, ...counts } = slices.reduce(joinSearches, NOTHING_FOUND);
  const proven = new Map<string, Proposal | null>();
  for (;;) {
    const { shown, open } = picked(found, proven, SHOWN);
    if (open.length === 0) return { ...counts, proposals: shown };
    for (const f of open) proven.set(f.key, prove(hem, wish, f, basesOf(proven)));
  }
}

export function proposedText(
  plan: Plan,
  wish: Wish,
  { tried, suit, proposals, obstacles }: Proposed,
): string {
  const lines = proposals.map((p) => {
    const yarns = dressingWords(plan, p);
    return `${shapeWords(plan, p)}: ${[...(yarns ? [yarns] : []), ...reasonsOf(plan, p, wish)].join(', ')}.`;
  });
  const nothing = ['Nothing suits.', ...obstacleWords(obstacles).map((o) => o.words)];
  return `${[`${plural(tried, 'border')} tried, ${suit} suit as they are.`, ...(lines.length > 0 ? lines : nothing)].join('\n')}\n`;
}
