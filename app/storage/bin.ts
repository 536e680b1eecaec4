/**
 * Hems that were deleted, kept for a while. Days are counted from opening to opening, and no more than a week between two of them, so that a
 * clock that was put forward by mistake empties nothing.
 */
import type { RecordStore } from './recordStore.ts';
import { nameOf, readRecord } from './records.ts';

export interface Binned {
  readonly id: string;
  readonly name: string;
  /** ISO 8601. */
  readonly deleted: string;
  /** Days that had been counted when it was deleted. */
  readonly counted: number;
}

interface BinRecord {
  /** Hem that stood on the shelf, as it was, damaged or not. */
  readonly kept: unknown;
  readonly deleted: string;
  /** Days that had been counted by then. */
  readonly counted: number;
}

/** Days that have passed, by the clock at each opening. */
interface Counted {
  readonly last: number | null;
  readonly days: number;
}

const DAYS_IN_BIN = 30;
const MOST_DAYS_BETWEEN = 7;
const COUNTED = 'days counted';
const DAY_MS = 86_400_000;

export class Bin {
  constructor(
    private readonly bin: RecordStore,
    private readonly settings: RecordStore,
    private readonly now: () => Date,
  ) {}

  async put(id: string, kept: unknown): Promise<void> {
    const { days } = await this.daysCounted();
    const deleted = this.now().toISOString();
    await this.bin.set(id, { kept, deleted, counted: days } satisfies BinRecord);
  }

  async get(id: string): Promise<BinRecord | null> {
    return (await this.bin.get(id)) as BinRecord | null;
  }

  remove(id: string): Promise<void> {
    return this.bin.remove(id);
  }

  ids(): Promise<readonly string[]> {
    return this.bin.keys();
  }

  /** Its contents, last deleted first. */
  async list(): Promise<readonly Binned[]> {
    const all = await this.bin.all();
    return all
      .map(([id, value]) => {
        const { kept, deleted, counted } = (value ?? {}) as Partial<BinRecord>;
        return {
          id,
          name: nameOf(readRecord(id, kept)),
          deleted: typeof deleted === 'string' ? deleted : '',
          // One that does not say counts as deleted just now.
          counted: typeof counted === 'number' ? counted : Infinity,
        };
      })
      .sort((a, b) => b.deleted.localeCompare(a.deleted));
  }

  /** Lets go of some. @returns what takes that back */
  async discard(ids: readonly string[]): Promise<() => Promise<void>> {
    const taken: (readonly [string, unknown])[] = [];
    for (const id of ids) {
      taken.push([id, await this.bin.get(id)]);
      await this.bin.remove(id);
    }
    return async () => {
      for (const [id, value] of taken) if (value !== null) await this.bin.set(id, value);
    };
  }

  /** Counts the days since it was last asked. @returns ids of what has been in it for thirty of them */
  async due(): Promise<readonly string[]> {
    const now = this.now().getTime();
    const { last, days } = await this.daysCounted();
    const passed = last === null ? 0 : Math.min(MOST_DAYS_BETWEEN, Math.max(0, (now - last) / DAY_MS));
    await this.settings.set(COUNTED, { last: now, days: days + passed } satisfies Counted);
    const all = await this.list();
    return all.flatMap(({ id, counted }) => (days + passed - counted < DAYS_IN_BIN ? [] : [id]));
  }

  private async daysCounted(): Promise<Counted> {
    const kept = (await this.settings.get(COUNTED)) as Partial<Counted> | null;
    const sound = Number.isFinite(kept?.last) && Number.isFinite(kept?.days);
    return sound ? (kept as Counted) : { last: null, days: 0 };
  }
}
