/** Readings of the tape, where it says two things. */
import { wholeEdge } from '../piece/along.ts';
import { facingSides } from '../piece/symmetry.ts';
import type { Plan } from './types.ts';
import { lengthWords } from '../say/measures.ts';

/** A difference that is no more than how one holds the tape, as a part. */
const AS_ONE_HOLDS_IT = 0.01;

const differ = (a: number, b: number): boolean => Math.abs(a - b) > AS_ONE_HOLDS_IT * Math.max(a, b);

/** Two readings of a side that differ; null where there is one, or they agree. */
export function readingsWords({ hem, body }: Plan, side: number): string | null {
  const second = hem.secondReadings[String(side)];
  const first = wholeEdge(body.edges[side]!).measuredMm;
  if (second === undefined || !differ(first, second * 10)) return null;
  const { length } = hem.preferences;
  return `Your two readings are ${lengthWords(Math.abs(first - second * 10), length)} apart. Lay the piece flat without stretching it and measure again, or use the middle.`;
}

/** Sides that face each other and that the tape makes unequal. */
export function unequalWords({ hem, body, sides }: Plan): readonly string[] {
  const { length } = hem.preferences;
  return facingSides({ outline: body.outline }).flatMap(([a, b]) => {
    const [one, other] = [wholeEdge(body.edges[a]!).measuredMm, wholeEdge(body.edges[b]!).measuredMm];
    return differ(one, other)
      ? [
          `Sides ${sides[a]!.name} and ${sides[b]!.name} face each other, and measure ${lengthWords(one, length)} and ${lengthWords(other, length)}. Measure both again: a piece like this is usually the same on both.`,
        ]
      : [];
  });
}
