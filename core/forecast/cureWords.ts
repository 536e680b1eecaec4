/** Cause of a border that does not lie flat, in a sentence. */
import { familyById } from '../rounds/registry.ts';
import { isDisc } from '../piece/outline.ts';
import { roundIn, saidOfRows } from '../plan/roundNames.ts';
import { sidesWorked, type Plan } from '../plan/types.ts';
import { sidesTold } from '../print/kinds.ts';
import { listWords } from '../say/lists.ts';
import { percentWords, plural } from '../say/measures.ts';
import { capital } from '../terms/words.ts';
import type { StrainCause } from './cures.ts';

/** “In round 2 the corners add 4 stitches to each side; 2 would lie flat.” */
export function strainCauseWords(plan: Plan, cause: StrainCause): string {
  switch (cause.kind) {
    case 'count': {
      const { sides, has, flat } = cause;
      const one = sides.length === 1;
      const base = roundIn(plan, 0);
      if (isDisc(plan.body.outline)) return `${capital(base)} has ${has} stitches; ${flat} would lie flat.`;
      return `In ${base} ${sidesWords(plan, sides, 'all sides')} ${one ? 'has' : 'have'} ${has} stitches${one ? '' : ' each'}; ${flat} would lie flat.`;
    }
    case 'corners': {
      const { rounds, sides, has, flat } = cause;
      const where = `In ${roundsWords(plan, rounds)} the corners add`;
      const counted = `${has === 0 ? 'nothing' : plural(has, 'stitch')}${rounds.length > 1 ? ' a time' : ''}`;
      return `${where} ${counted} to ${sidesWords(plan, sides, 'each side')}; ${flat} would lie flat.`;
    }
    case 'stitches': {
      const { rounds, longer } = cause;
      const off = percentWords(Math.abs(longer)).replace('+', '');
      return `${capital(roundsWords(plan, rounds))} ${rounds.length === 1 ? 'is' : 'are'} ${off} too ${longer > 0 ? 'long' : 'short'} for what ${rounds.length === 1 ? 'it is' : 'they are'} worked into.`;
    }
  }
}

function sidesWords(plan: Plan, sides: readonly number[], all: string): string {
  if (sides.length === sidesWorked(plan).length && sides.length > 2) return all;
  const names = sides.map((s) => plan.sides[s]!.name);
  return names.length === 1 ? `side ${names[0]!}` : sidesTold(plan, names);
}

/** “round 2”, “rounds 2–4”, with the name of what is worked there. */
function roundsWords(plan: Plan, rounds: readonly number[]): string {
  const { written } = plan.rounds[rounds[0]!]!;
  const name = written && familyById(written.entry.family)?.name.toLowerCase();
  const [first, last] = [rounds[0]!, rounds[rounds.length - 1]!];
  const goOn = rounds.length > 2 && last - first === rounds.length - 1;
  const several = goOn ? `${first} to ${last}` : listWords(rounds);
  const numbers = rounds.length === 1 ? roundIn(plan, first) : saidOfRows(plan)(`rounds ${several}`);
  return name ? `${numbers} (${name})` : numbers;
}
