/** What somebody wishes of a border. Every word of it is optional. */

export const LOOKS = ['straight', 'scalloped', 'lacy', 'textured'] as const;
export type Look = (typeof LOOKS)[number];

/** From what is taken for granted to what is tried once in a while. */
export const SKILLS = ['easy', 'some tricks', 'intricate'] as const;
export type Skill = (typeof SKILLS)[number];

export interface Wish {
  /** How wide the border is to be, cm; null for any. */
  readonly widthCm: number | null;
  readonly look: Look | null;
  /** The most that it may ask of its maker; null for anything. */
  readonly skill: Skill | null;
  /** No loose parts, and no loops in which a finger could catch. */
  readonly noLooseParts: boolean;
  /** From what is in the basket, where that has been said. */
  readonly fromBasket: boolean;
  /** Minutes that there are for it; null for any. */
  readonly minutes: number | null;
}

export const NO_WISH: Wish = {
  widthCm: null,
  look: null,
  skill: null,
  noLooseParts: false,
  fromBasket: false,
  minutes: null,
};
