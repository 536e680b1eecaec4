/** Hems that come in from files, compared with those that are here: nothing is doubled, nothing is written over unasked. */
import { nanoid } from 'nanoid';
import { copyOf } from '../../core/edits/hem.ts';
import type { Hem } from '../../core/document/hem.ts';
import type { Library } from '../storage/library.ts';
import type { Found } from '../storage/records.ts';

/** How a hem that comes in stands to the shelf. `older`: it is an earlier version, or was changed before. */
export type Standing = 'new' | 'same' | 'older' | 'newer';

export interface Incoming {
  readonly hem: Hem;
  readonly standing: Standing;
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
  shelf: readonly Found[],
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
    if (!found) result.push({ hem, standing: 'new' });
    else if (!found.outcome.ok) result.push({ hem, standing: 'newer' });
    else if (contentOf(found.outcome.value) === content) result.push({ hem, standing: 'same' });
    else {
      const older = hem.changed < found.outcome.value.changed || (await isVersion(hem, content, library));
      result.push({ hem, standing: older ? 'older' : 'newer' });
    }
  }
  return result;
}

async function isVersion(
  hem: Hem,
  content: string,
  library: Pick<Library, 'versions' | 'version'>,
): Promise<boolean> {
  for (const { revision } of await library.versions(hem.id).catch(() => [])) {
    const outcome = await library.version(hem.id, revision).catch(() => null);
    if (outcome?.ok && contentOf(outcome.value) === content) return true;
  }
  return false;
}

/** What is done with those that differ from hems on the shelf. */
export type Differing = 'leave' | 'copy' | 'replace';

/** The hems to be put on the shelf. */
export function chosen(incoming: readonly Incoming[], differing: Differing, now: string): readonly Hem[] {
  return incoming.flatMap(({ hem, standing }) => {
    if (standing === 'new') return [hem];
    if (standing === 'same' || differing === 'leave') return [];
    return differing === 'replace' ? [hem] : [copyOf(hem, nanoid(10), `${hem.name} (copy)`, now)];
  });
}
