/** A wish for a border. Every word of it is optional. */
import type { Plan } from '../plan/types.ts';

export const LOOKS = ['straight', 'scalloped', 'lacy', 'textured'] as const;
export type EdgeLook = (typeof LOOKS)[number];

/** From what is taken for granted to what is tried once in a while. */
export const WISH_SKILLS = ['easy', 'some tricks', 'intricate'] as const;
export type WishSkill = (typeof WISH_SKILLS)[number];

/** A finished size, cm; null for a measure that is left open. */
export interface SizeWish {
  readonly widthCm: number | null;
  readonly heightCm: number | null;
}

export interface Wish {
  /** How wide the border is to be, cm; null for any. */
  readonly widthCm: number | null;
  /** How large the whole is to be when it has been blocked; null for any. It goes before the width of the border. */
  readonly size: SizeWish | null;
  readonly look: EdgeLook | null;
  /** A look that it must not have; null for none. */
  readonly notLook: EdgeLook | null;
  /** The most that it may ask of its maker; null for anything. */
  readonly skill: WishSkill | null;
  /** No loose parts, and no loops in which a finger could catch. */
  readonly noLooseParts: boolean;
  /** From what is in the basket, where that has been said; or so that as little as may be is left of it. */
  readonly basket: 'any' | 'enough' | 'used up';
  /** Minutes that there are for it; null for any. */
  readonly minutes: number | null;
  /** On top of the rounds that are there, in place of their edge; else on what has been worked. */
  readonly onRounds: boolean;
}

export const NO_WISH: Wish = {
  widthCm: null,
  size: null,
  look: null,
  notLook: null,
  skill: null,
  noLooseParts: false,
  basket: 'any',
  minutes: null,
  onRounds: false,
};

type Measured = Pick<Plan, 'bodySize' | 'blockedSize' | 'borderWidthMm'> & {
  readonly hem: Pick<Plan['hem'], 'blocking'>;
};

const SIZES = [
  ['widthCm', 'widthMm'],
  ['heightCm', 'heightMm'],
] as const;

/**
 * How wide the border of a wish is, mm: as it says, or what brings the piece to the size that it says, in the middle where its two
 * measures ask for different widths; null where it leaves that open. It is 0 or less where the piece is as large already.
 */
export function wantedWidthMm(wish: Wish, { hem, bodySize }: Measured): number | null {
  const { size } = wish;
  const asked = SIZES.flatMap(([cm, mm]) => {
    const wanted = size?.[cm] ?? null;
    return wanted === null ? [] : [((wanted * 10) / hem.blocking - bodySize[mm]) / 2];
  });
  if (asked.length > 0) return asked.reduce((sum, w) => sum + w, 0) / asked.length;
  return wish.widthCm === null ? null : wish.widthCm * 10;
}

/** How far a border is off the width that is wished, as a fraction of that; of a wished size, the measure that is furthest off counts. */
export function widthOff(wish: Wish, plan: Measured): number {
  const wanted = wantedWidthMm(wish, plan);
  if (wanted === null) return 0;
  if (wanted <= 0) return Infinity;
  const offs = SIZES.flatMap(([cm, mm]) => {
    const size = wish.size?.[cm] ?? null;
    return size === null ? [] : [Math.abs(plan.blockedSize[mm] - size * 10) / hemmed(plan) / wanted];
  });
  return offs.length > 0 ? Math.max(...offs) : Math.abs(plan.borderWidthMm / wanted - 1);
}

/** A border lies on both sides of a measure. */
const hemmed = ({ hem }: Measured): number => 2 * hem.blocking;
