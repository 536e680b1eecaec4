/** The flags of a count line: none covers another, however many there are and however narrow the line. */
import type { SpacingPlan } from '../../core/plan/types.ts';

/** Lines of flags that there is room for at least, and from one to the next, pixels. */
export const LEVELS = 3;
export const LEVEL = 19;

interface PlacedFlag {
  readonly spacing: SpacingPlan;
  readonly px: number;
  readonly level: number;
  /** Told to the left of its pole, where there is no room to the right. */
  readonly left: boolean;
}

/** Room that the words of a flag take, pixels: its name, its count and what lies between. */
const roomOf = ({ label }: Pick<SpacingPlan, 'label'>): number => 34 + label.length * 7;

/** Part of the line that a flag covers, pixels. */
export const spanOf = ({ spacing, px, left }: PlacedFlag): readonly [from: number, to: number] =>
  left ? [px - roomOf(spacing), px] : [px, px + roomOf(spacing)];

export const flagLevels = (flags: readonly PlacedFlag[]): number =>
  flags.reduce((most, f) => Math.max(most, f.level + 1), 0);

/** Flags from left to right, each on the first level on which it does not cover another. @param x place of a count, pixels */
export function placeFlags(
  spacings: readonly SpacingPlan[],
  x: (count: number) => number,
  width: number,
): readonly PlacedFlag[] {
  const ends: number[] = [];
  return [...spacings]
    .sort((a, b) => a.count - b.count)
    .map((spacing): PlacedFlag => {
      const px = x(spacing.count);
      const left = px + roomOf(spacing) > width && px - roomOf(spacing) >= 0;
      const [from, to] = spanOf({ spacing, px, level: 0, left });
      const free = ends.findIndex((end) => end < from);
      const level = free < 0 ? ends.length : free;
      ends[level] = to;
      return { spacing, px, level, left };
    });
}
