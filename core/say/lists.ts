/** Lists and numbers as a sentence has them. */

/** @example listWords([1, 2, 3]) // '1, 2 and 3' */
export function listWords(items: readonly (string | number)[]): string {
  if (items.length < 2) return items.join('');
  return `${items.slice(0, -1).join(', ')} and ${items[items.length - 1]}`;
}

/** @example ordinal(3) // '3rd' */
export function ordinal(n: number): string {
  const tens = n % 100;
  if (tens >= 11 && tens <= 13) return `${n}th`;
  return `${n}${['th', 'st', 'nd', 'rd'][n % 10] ?? 'th'}`;
}

/** From so many numbers at the same distance on they are told by that distance. */
const SHORTEST_STEPS = 5;

/**
 * Numbers one by one, and where five or more follow at one distance, by that.
 *
 * @example numbersWords([2, 9, 12, 15, 18, 21]) // '2 and every 3rd from 9 to 21'
 */
export function numbersWords(numbers: readonly number[]): string {
  const items: string[] = [];
  for (let i = 0; i < numbers.length;) {
    const steps = (k: number): number => (numbers[k + 1] ?? NaN) - (numbers[k] ?? NaN);
    const step = steps(i);
    let end = i + 1;
    while (steps(end) === step) end++;
    if (Number.isNaN(step) || end - i + 1 < SHORTEST_STEPS) items.push(String(numbers[i++]!));
    else {
      const every = Math.abs(step) === 1 ? 'each' : `every ${ordinal(Math.abs(step))}`;
      items.push(`${every} from ${numbers[i]!} to ${numbers[end]!}`);
      i = end + 1;
    }
  }
  return listWords(items);
}

/** Names by what is said of each, as they come: what is said of several is said once. */
export function namesBySaid(
  said: readonly (readonly [name: string, words: string])[],
): ReadonlyMap<string, readonly string[]> {
  const names = new Map<string, string[]>();
  for (const [name, words] of said) names.set(words, [...(names.get(words) ?? []), name]);
  return names;
}
