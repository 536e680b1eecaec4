/** Earlier versions of each hem: thinned with age, limited in number and bytes. */
import type { Hem } from '../../core/document/hem.ts';
import type { Outcome } from '../../core/problems.ts';
import type { RecordStore } from './recordStore.ts';
import { readKept } from './records.ts';

export interface Version {
  readonly revision: number;
  /** ISO 8601, by this device’s clock; for the reader, never for the order. */
  readonly at: string;
  /** Edit that came to it. */
  readonly label: string;
  readonly bytes: number;
  /** Kept while there is room, however old: another page’s state that was written over, a damaged record. */
  readonly pinned: boolean;
}

export const HISTORY_LIMITS = { versions: 60, bytes: 1_000_000, newest: 12, pinned: 20 } as const;

const MINUTE = 60_000;
/** From which age on so much time has only one version: the last in it. */
const STEPS = [
  { from: 30 * 24 * 60 * MINUTE, span: 7 * 24 * 60 * MINUTE },
  { from: 24 * 60 * MINUTE, span: 24 * 60 * MINUTE },
  { from: 60 * MINUTE, span: 15 * MINUTE },
  { from: 0, span: MINUTE },
] as const;

/**
 * The versions that are kept of some. The newest stay, pinned ones stay; of the others one stays for each stretch of
 * time, the longer the older; then the oldest go until number and bytes are within their limits. Order is by revision,
 * so a clock that was moved thins too little or too much, but never drops the newest.
 */
export function thinned(versions: readonly Version[], now: number): readonly Version[] {
  const sorted = [...versions].sort((a, b) => b.revision - a.revision);
  const seen = new Set<string>();
  let pinned = 0;
  let bytes = 0;
  const kept = sorted.filter((v, i) => {
    const keep =
      i < HISTORY_LIMITS.newest || (v.pinned && pinned < HISTORY_LIMITS.pinned) || isFirstOfItsTime(v);
    if (keep && v.pinned) pinned++;
    return keep;
  });
  return kept
    .slice(0, HISTORY_LIMITS.versions)
    .filter((v, i) => (bytes += v.bytes) <= HISTORY_LIMITS.bytes || i === 0);

  function isFirstOfItsTime(v: Version): boolean {
    const at = Date.parse(v.at);
    const age = Math.max(0, now - at);
    const { span } = STEPS.find((s) => age >= s.from) ?? STEPS[STEPS.length - 1]!;
    const key = `${span} ${Math.floor(at / span)}`;
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  }
}

const keyOf = (id: string, revision: number): string => `${id}/${revision}`;

/** The earlier versions of all hems. */
export class History {
  constructor(
    private readonly store: RecordStore,
    private readonly now: () => Date,
  ) {}

  /** Versions of a hem, newest first. */
  async of(id: string): Promise<readonly Version[]> {
    const kept = await this.store.get(id);
    return Array.isArray(kept) ? (kept as unknown[]).filter(isVersion) : [];
  }

  /** The hem of a version; null when it is no longer there. */
  async read(id: string, revision: number): Promise<Outcome<Hem> | null> {
    const raw = await this.store.get(keyOf(id, revision));
    return raw === null || raw === undefined ? null : readKept(id, raw);
  }

  /** Keeps a version. What is kept first is the hem, so that the list never names what is not there. */
  async add(id: string, revision: number, label: string, raw: unknown, pinned = false): Promise<void> {
    const before = await this.of(id);
    const version: Version = {
      revision,
      at: this.now().toISOString(),
      label,
      bytes: (JSON.stringify(raw) ?? '').length,
      pinned,
    };
    await this.store.set(keyOf(id, revision), raw);
    const all = [version, ...before.filter((v) => v.revision !== revision)];
    const kept = thinned(all, this.now().getTime());
    await this.store.set(id, kept);
    const stays = new Set(kept.map((v) => v.revision));
    for (const v of all) if (!stays.has(v.revision)) await this.store.remove(keyOf(id, v.revision));
  }

  /** Forgets a hem. */
  async forget(id: string): Promise<void> {
    for (const key of await this.store.keys()) {
      if (key === id || key.startsWith(`${id}/`)) await this.store.remove(key);
    }
  }
}

function isVersion(value: unknown): value is Version {
  const v = value as Partial<Version> | null;
  return (
    typeof v === 'object' &&
    Number.isSafeInteger(v?.revision) &&
    typeof v?.label === 'string' &&
    typeof v.bytes === 'number' &&
    typeof v.at === 'string' &&
    !Number.isNaN(Date.parse(v.at))
  );
}
