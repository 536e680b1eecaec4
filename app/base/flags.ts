/** The flags of a count line: none covers another, however many there are and however narrow the line. */
import type { SchoolPlan } from '../../core/plan/types.ts';

/** Lines of flags that there is room for at least, and from one to the next, pixels. */
export const LEVELS = 3;
export const LEVEL = 19;

interface PlacedFlag {
  readonly school: SchoolPlan;
  readonly px: number;
  readonly level: number;
  /** Told to the left of its pole, where there is no room to the right. */
  readonly left: boolean;
}

/** Room that the words of a flag take, pixels: its name, its count and what lies between. */
const roomOf = ({ label }: Pick<SchoolPlan, 'label'>): number => 34 + label.length * 7;

/** What a flag covers of the line, pixels. */
export const spanOf = ({ school, px, left }: PlacedFlag): readonly [from: number, to: number] =>
  left ? [px - roomOf(school), px] : [px, px + roomOf(school)];

export const flagLevels = (flags: readonly PlacedFlag[]): number =>
  flags.reduce((most, f) => Math.max(most, f.level + 1), 0);

/** Flags from left to right, each on the first level on which it does not cover another. @param x place of a count, pixels */
export function placeFlags(
  schools: readonly SchoolPlan[],
  x: (count: number) => number,
  width: number,
): readonly PlacedFlag[] {
  const ends: number[] = [];
  return [...schools]
    .sort((a, b) => a.count - b.count)
    .map((school): PlacedFlag => {
      const px = x(school.count);
      const left = px + roomOf(school) > width && px - roomOf(school) >= 0;
      const [from, to] = spanOf({ school, px, level: 0, left });
      const free = ends.findIndex((end) => end < from);
      const level = free < 0 ? ends.length : free;
      ends[level] = to;
      return { school, px, level, left };
    });
}
