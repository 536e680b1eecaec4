/** Hems that come in from files, compared with those that are here: nothing is doubled, nothing is written over unasked. */
import { nanoid } from 'nanoid';
import { copyOf } from '../../core/edits/hem.ts';
import { meet, type EarlierVersion, type Meeting } from '../../core/document/meet.ts';
import type { Hem } from '../../core/document/hem.ts';
import { CARRIED, type Library } from '../storage/library.ts';
import type { RecordFound } from '../storage/records.ts';

/** How a hem that comes in stands to the shelf. `older`: it is an earlier version, or was changed before. */
export type ShelfStanding = 'new' | 'same' | 'older' | 'newer';

export interface Incoming {
  readonly hem: Hem;
  readonly standing: ShelfStanding;
  /** The copy that is here, where it differs, and its earlier versions. */
  readonly here: Hem | null;
  readonly versions: readonly EarlierVersion[];
}

/** All but when it was changed. */
const contentOf = (hem: Hem): string => JSON.stringify({ ...hem, changed: '', created: '' }, sortedKeys);

function sortedKeys(this: unknown, _: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value;
  return Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)));
}

/** Compares hems that come in with the shelf and its earlier versions. One that comes twice with the same content comes once. */
export async function standings(
  hems: readonly Hem[],
  shelf: readonly RecordFound[],
  library: Pick<Library, 'versions' | 'version'>,
): Promise<readonly Incoming[]> {
  const here = new Map(shelf.map((f) => [f.id, f]));
  const seen = new Set<string>();
  const result: Incoming[] = [];
  for (const hem of hems) {
    const content = contentOf(hem);
    if (seen.has(content)) continue;
    seen.add(content);
    const found = here.get(hem.id);
    const plain = { hem, here: null, versions: [] };
    if (!found) result.push({ ...plain, standing: 'new' });
    else if (!found.outcome.ok) result.push({ ...plain, standing: 'newer' });
    else if (contentOf(found.outcome.value) === content) result.push({ ...plain, standing: 'same' });
    else {
      const here = found.outcome.value;
      const versions = await versionsOf(hem.id, library);
      const older = hem.changed < here.changed || versions.some((v) => contentOf(v.hem) === content);
      result.push({ hem, standing: older ? 'older' : 'newer', here, versions });
    }
  }
  return result;
}

/** Earlier versions of a hem, the newest first, as far as they can be read. */
export async function versionsOf(
  id: string,
  library: Pick<Library, 'versions' | 'version'>,
): Promise<readonly EarlierVersion[]> {
  const hems: EarlierVersion[] = [];
  for (const { revision, label } of await library.versions(id).catch(() => [])) {
    const outcome = await library.version(id, revision).catch(() => null);
    if (outcome?.ok) hems.push({ hem: outcome.value, carried: label === CARRIED });
  }
  return hems;
}

/** Choice for hems that differ from those on the shelf. */
export type Differing = 'leave' | 'copy' | 'replace' | 'together';

/** The hems to be put on the shelf. */
export function chosen(incoming: readonly Incoming[], differing: Differing, now: string): readonly Hem[] {
  return incoming.flatMap(({ hem, standing, here, versions }) => {
    if (standing === 'new') return [hem];
    if (standing === 'same' || differing === 'leave') return [];
    if (differing === 'together' && here) return putTogether(meet(here, hem, versions));
    return differing === 'replace' ? [hem] : [copyOf(hem, nanoid(10), `${hem.name} (copy)`, now)];
  });
}

/** The one of two copies that goes on comes last; the other is put down before it, and stays as an earlier version. */
function putTogether({ changed, here, there, together }: Meeting): readonly Hem[] {
  if (changed === 'there') return [there];
  return changed === 'both' ? [there, together ?? here] : [here];
}
