/**
 * Two copies of one hem that meet again, such as from a laptop and a phone. What was done is united event by event. Of the designs
 * the one that was changed since they parted goes on; where both were, their makers choose, and nothing of either is dropped.
 */
import type { Hem } from './hem.ts';
import { changesBetween, united } from './parts.ts';
import { keyOf, unitedRecords } from './record.ts';

export interface Meeting {
  /** Entries of the record that are there alone, here alone, and in both. */
  readonly onlyThere: number;
  readonly onlyHere: number;
  readonly both: number;
  /** Whose design was changed since the copies parted. */
  readonly changed: 'neither' | 'here' | 'there' | 'both';
  /** Parts in which the designs differ. */
  readonly differing: readonly string[];
  /** The design from here and the one from there, each with all that was done. */
  readonly here: Hem;
  readonly there: Hem;
  /** Changes of either side in one design; null where both changed the same part. */
  readonly together: Hem | null;
}

/** An earlier version of the copy that is here. */
export interface EarlierVersion {
  readonly hem: Hem;
  /** It was taken to another device, or came from one. */
  readonly carried: boolean;
}

/**
 * @param versions the newest first. The one that is nearest to the copy from there is taken for the one that both come from; of
 * several one that was carried, else the oldest
 */
export function meet(here: Hem, there: Hem, versions: readonly EarlierVersion[]): Meeting {
  const record = unitedRecords(here.record, there.record);
  const all = (design: Hem): Hem => ({ ...design, id: here.id, created: here.created, record });
  const differing = partsBetween(here, there);
  const common = [{ hem: here, carried: false }, ...versions]
    .map((version) => ({ ...version, apart: partsBetween(version.hem, there).length }))
    .reduce((nearest, v) =>
      v.apart < nearest.apart || (v.apart === nearest.apart && !nearest.carried) ? v : nearest,
    ).hem;
  const changedHere = partsBetween(common, here).length > 0;
  const changedThere = partsBetween(common, there).length > 0;
  const merged = united(common, all(here), all(there));
  const keys = new Set(here.record.map(keyOf));
  const both = there.record.filter((e) => keys.has(keyOf(e))).length;
  return {
    onlyThere: there.record.length - both,
    onlyHere: here.record.length - both,
    both,
    changed: differing.length === 0 ? 'neither' : changedHere ? (changedThere ? 'both' : 'here') : 'there',
    differing,
    here: all(here),
    there: all(there),
    together: merged.conflicts.length === 0 ? all(merged.hem) : null,
  };
}

const partsBetween = (a: Hem, b: Hem): readonly string[] => changesBetween(a, b).map((c) => c.part);
