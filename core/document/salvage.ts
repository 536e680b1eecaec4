/** Sound parts of a damaged file. Nothing is guessed: a part that is not sound is left out and named. */
import type { Outcome, Problem } from '../problems.ts';
import { changePiece } from './changePiece.ts';
import { checkHem } from './check.ts';
import { FORMAT } from './format.ts';
import type { Hem } from './hem.ts';
import { migrate } from './migrations.ts';
import { newHem } from './newHem.ts';

export interface Salvaged {
  readonly hem: Hem;
  /** Places that were left out, or replaced by a plain start. */
  readonly lost: readonly string[];
}

/** Faults that a piece has only because the base round beside it is another’s. */
const OF_THE_BASE: ReadonlySet<Problem['code']> = new Set(['sides-mismatch', 'side-unknown']);

const SINGLE = [
  'name',
  'created',
  'changed',
  'preferences',
  'pieceColour',
  'gauge',
  'pace',
  'blocking',
  'notes',
] as const;
const LISTS = ['rounds', 'weighIns', 'kept', 'record'] as const;

/**
 * Builds a hem from the sound parts of a damaged one.
 *
 * @param value what the file holds
 * @param id and `now` for what must be new
 * @returns null when the file is no project at all, or none of its parts is sound
 */
export function salvageHem(value: unknown, id: string, now: Date): Salvaged | null {
  const file = migrate(value) as Record<string, unknown> | null;
  if (typeof file !== 'object' || file?.format !== FORMAT) return null;
  let hem = { ...newHem(id, now), rounds: [] as Hem['rounds'] };
  const lost: string[] = [];
  let kept = 0;
  const take = (place: string, candidate: () => unknown): void => {
    const outcome: Outcome<Hem> = checkHem(candidate());
    if (outcome.ok) {
      hem = outcome.value;
      kept++;
    } else lost.push(place);
  };
  for (const key of SINGLE) if (key in file) take(key, () => ({ ...hem, [key]: file[key] }));
  takeYarns();
  if ('piece' in file) {
    const trial = checkHem({ ...hem, piece: file.piece });
    const sound = trial.ok || trial.problems.every((p) => OF_THE_BASE.has(p.code));
    if (sound) take('piece', () => ({ ...hem, ...changePiece(hem, file.piece as Hem['piece']) }));
    else lost.push('piece');
  }
  // What is as in every new hem was not kept from this one.
  for (const key of ['partColours', 'bodyLies', 'secondReadings', 'madeFor', 'madeOn', 'alike'] as const)
    if (key in file && JSON.stringify(file[key]) !== JSON.stringify(hem[key]))
      take(key, () => ({ ...hem, [key]: file[key] }));
  if ('base' in file) take('base', () => ({ ...hem, base: file.base }));
  for (const key of LISTS) {
    if (!(key in file)) continue;
    if (!Array.isArray(file[key])) lost.push(key);
    else
      file[key].forEach((one: unknown, i) =>
        take(`${key}.${i}`, () => ({ ...hem, [key]: [...hem[key], one] })),
      );
  }
  return kept === 0 ? null : { hem, lost };

  function takeYarns(): void {
    if (!file || !('yarns' in file)) return;
    if (!Array.isArray(file.yarns)) {
      lost.push('yarns');
      return;
    }
    // The first sound yarn takes the place of those of the plain start.
    let first = true;
    file.yarns.forEach((yarn: unknown, i) => {
      const before = hem;
      const own = (yarn as { id?: unknown } | null)?.id;
      take(`yarns.${i}`, () =>
        first
          ? { ...hem, yarns: [yarn], base: { ...hem.base, yarn: own } }
          : { ...hem, yarns: [...hem.yarns, yarn] },
      );
      if (hem !== before) first = false;
    });
  }
}
