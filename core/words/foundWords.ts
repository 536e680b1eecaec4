/** What was planned beside what was found, in words. */
import { familyById } from '../rounds/registry.ts';
import type { FoundLay } from '../log/found.ts';
import type { LeftOff } from '../log/leaveOff.ts';
import { capital } from '../terms/words.ts';
import { flatnessWords } from './flatWords.ts';
import { plural, timeWords } from './measures.ts';

export const roundWords = (round: number): string => (round === 0 ? 'Base round' : `Round ${round}`);

const LAY = { flat: 'lay flat', ripples: 'rippled', cups: 'pulled in' } as const;

/** Whether a side lay as it was planned; what blocks out may be seen or not. */
export function layAgrees({ planned, found }: FoundLay): boolean {
  return planned === 'blocks out' || (planned === 'flat') === (found === 'flat');
}

/** How a side lay beside its plan, such as “A rippled (planned: lies flat)”. */
export const layWords = (lay: FoundLay, side: string): string =>
  `${side} ${LAY[lay.found]} (planned: ${flatnessWords(lay.planned)})`;

/** What a way leaves off, such as “Leave off Shell edge and 2 of 4 rounds of Straight rounds: about 3 h are left”. */
export function leftOffWords({ entries, minutesLeft }: LeftOff): string {
  const parts = entries.map(({ entry, fewer }) => {
    const name = familyById(entry.family)?.name ?? 'your round';
    const rounds = fewer * (familyById(entry.family)?.roundsPerRepeat ?? 1);
    return fewer === entry.times ? name : `${plural(rounds, 'round')} of ${name}`;
  });
  const last = parts[parts.length - 1]!;
  const named = parts.length === 1 ? last : `${parts.slice(0, -1).join(', ')} and ${last}`;
  return capital(`leave off ${named}: about ${timeWords(minutesLeft)} are left`);
}
