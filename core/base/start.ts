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

/**
 * Plain stitches between the last corner's centre and the join, for a join that climbs.
 *
 * @param gained stitches that the corner has put on that side in the rounds so far, this one included
 * @param sideCount stitches of the side on which the join lies, in this round
 * @returns null for a join that is centred in the corner
 */
export function stitchesToJoin(start: Start, gained: number, sideCount: number): number | null {
  switch (start.at) {
    case 'corner':
      return start.join === 'centred' ? null : gained;
    case 'before the corner':
      return sideCount - STITCHES_BEFORE_CORNER - (start.join === 'climbing' ? gained : 0);
    case 'along the side':
      return Math.floor(sideCount / 3);
  }
}
