/** A question about a number that looks like a slip. */
import type { DoubtedNumber } from './slips.ts';

/** @param say a number as it is typed, with its unit */
export function slipWords(
  { typed, expected, instead }: DoubtedNumber,
  say: (value: number) => string,
): string {
  const far = `${say(typed)} is far from what is expected, about ${say(expected)}.`;
  return instead === null
    ? `${far} Measure again, or note it all the same.`
    : `${far} Did you mean ${say(instead)}?`;
}
