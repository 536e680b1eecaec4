/** Sides and corners that are worked alike are told together. */
import { listWords } from '../base/run.ts';

/** Which numbers (from 0) have the same words, in the order of their first. */
export function grouped(words: readonly string[]): ReadonlyMap<string, readonly number[]> {
  const groups = new Map<string, number[]>();
  words.forEach((w, i) => groups.set(w, [...(groups.get(w) ?? []), i]));
  return groups;
}

/** “Corner: …” when all are alike, else “Corners A/B and C/D: …”. */
export function cornersLine(
  groups: ReadonlyMap<string, readonly number[]>,
  name: (corner: number) => string,
): readonly string[] {
  return [...groups].map(([words, corners]) =>
    groups.size === 1
      ? `Corner: ${words}.`
      : `Corner${corners.length === 1 ? '' : 's'} ${listWords(corners.map(name))}: ${words}.`,
  );
}
