/** Where rounds begin and are joined. */

export interface Start {
  /** In the corner before the side, a few stitches before that corner, or along the side. */
  readonly at: 'corner' | 'before the corner' | 'along the side';
  /** Number of the side, from 0. */
  readonly side: number;
  /**
   * `centred`: the join is slipped back to the corner's centre every time. `climbing`: it goes straight up
   * while the corner moves out, so that every round meets more stitches between the last corner and the join.
   */
  readonly join: 'centred' | 'climbing';
  /** Whether the starting chain counts as the first stitch. */
  readonly chainCounts: boolean;
}

/** Stitches before the corner at which a round that starts before it begins. */
export const STITCHES_BEFORE_CORNER = 3;
