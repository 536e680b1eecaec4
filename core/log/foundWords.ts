/** Plan and finding in words. */
import { familyById } from '../rounds/registry.ts';
import type { FoundLay } from './found.ts';
import type { LeftOff } from '../work/leaveOff.ts';
import { flatnessWords } from '../flat/flatWords.ts';
import { listWords } from '../say/lists.ts';
import { plural, timeWords } from '../say/measures.ts';

const LAY = { flat: 'lay flat', ripples: 'rippled', cups: 'pulled in' } as const;

/** Whether a side lay as it was planned; what blocks out may be seen or not, but not the other way. */
export function layAgrees({ planned, strain, found }: FoundLay): boolean {
  if (planned === 'blocks out') return found === 'flat' || (found === 'ripples') === strain > 0;
  return planned === found;
}

/** How a side lay beside its plan, such as “A rippled (planned: lies flat)”. */
export const layWords = (lay: FoundLay, side: string): string =>
  `${side} ${LAY[lay.found]} (planned: ${flatnessWords(lay.planned)})`;

/** Rounds that a way leaves off, such as “Leave off shell edge and 2 rounds of moss rounds: about 3 h are left”. */
export function leftOffWords({ entries, minutesLeft }: LeftOff): string {
  const rounds = new Map<string, number>();
  for (const { entry, fewer } of entries) {
    const name = (familyById(entry.family)?.name ?? 'your round').toLowerCase();
    const each = familyById(entry.family)?.roundsPerRepeat ?? 1;
    rounds.set(name, (rounds.get(name) ?? 0) + fewer * each);
  }
  const parts = [...rounds].map(([name, count]) =>
    count === 1 ? name : name.endsWith('round') ? plural(count, name) : `${count} rounds of ${name}`,
  );
  return `Leave off ${listWords(parts)}: about ${timeWords(minutesLeft)} are left`;
}
