/** Choices of starts and closes that rounds cannot follow, and why, in words. */
import type { Plan } from '../plan/types.ts';
import { listWords } from '../say/lists.ts';
import { abbreviation, type Language } from '../terms/stitches.ts';
import type { CloseRefused } from './close.ts';
import type { FirstRefused } from './first.ts';
import { proceduresOf } from './procedure.ts';

const FIRST: Readonly<Record<FirstRefused, (language: Language) => string>> = {
  'yarn goes on': () => 'a standing stitch needs new yarn',
  'not a plain stitch': () => 'only a plain stitch in both loops can be made in another way',
  'a single': (l) =>
    `a chain in place of ${abbreviation('sc', l)} leaves a gap, and is made only where one round has a start of its own`,
  'too low to be stacked': (l) =>
    `${abbreviation('sc', l)} are stacked in place of ${abbreviation('dc', l)} and taller`,
  'too low to draw up': (l) => `a loop is drawn up for ${abbreviation('hdc', l)} and taller`,
};

const CLOSE: Readonly<Record<CloseRefused, string>> = {
  'no space at its end': 'no chain space comes before the join',
  'new yarn closes it': 'new yarn closes it',
  'another yarn': 'the next has another yarn',
  turned: 'the next is turned',
  'begun elsewhere': 'the next begins elsewhere',
  'not of single stitches': 'the next does not begin with a single stitch',
  'first stitch not by itself': 'the next begins with a stitch that is made in another way',
};

/** One sentence for each reason, of all rounds or of those of one entry of the stack: “Rounds 1 and 2 are closed with a slip stitch: no chain space comes before the join.” */
export function refusedWords(plan: Plan, language: Language, entry?: string): readonly string[] {
  const rounds = new Map<string, number[]>();
  const tell = (what: string, number: number): void =>
    void rounds.set(what, [...(rounds.get(what) ?? []), number]);
  for (const { round, start } of proceduresOf(plan)) {
    if (entry !== undefined && round.written?.entry.id !== entry) continue;
    if (start?.refused.first) tell(`begun as usual: ${FIRST[start.refused.first](language)}.`, round.number);
    if (start?.refused.close) tell(`closed with a slip stitch: ${CLOSE[start.refused.close]}.`, round.number);
  }
  return [...rounds].map(
    ([what, numbers]) => `${roundNames(numbers)} ${numbers.length > 1 ? 'are' : 'is'} ${what}`,
  );
}

/** “The base round”, “Round 3”, “Rounds 1 to 3 and 5”. */
function roundNames(numbers: readonly number[]): string {
  const base = numbers.includes(0);
  const runs: [number, number][] = [];
  for (const n of numbers.filter((k) => k > 0)) {
    const last = runs[runs.length - 1];
    if (last?.[1] === n - 1) last[1] = n;
    else runs.push([n, n]);
  }
  const told = runs.flatMap(([a, b]) => (b - a < 2 ? [...new Set([`${a}`, `${b}`])] : [`${a} to ${b}`]));
  const several = numbers.filter((k) => k > 0).length > 1;
  const named = `${several ? 'rounds' : 'round'} ${listWords(told)}`;
  if (!base) return named.charAt(0).toUpperCase() + named.slice(1);
  return runs.length === 0 ? 'The base round' : `The base round and ${named}`;
}
