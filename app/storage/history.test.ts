import { describe, expect, test } from '@jest/globals';
import { rowsHem } from '../../core/testing/hems.ts';
import { testRecordStore } from '../testing/storage.ts';
import { HISTORY_LIMITS, History, thinned, type Version } from './history.ts';

const NOW = Date.UTC(2026, 5, 15, 12);
const MINUTE = 60_000;
const version = (revision: number, minutesAgo: number, given: Partial<Version> = {}): Version => ({
  revision,
  at: new Date(NOW - minutesAgo * MINUTE).toISOString(),
  label: `edit ${revision}`,
  bytes: 5000,
  pinned: false,
  ...given,
});

describe('earlier versions get fewer with age', () => {
  test('the newest all stay, then one for each stretch of time', () => {
    // One every ten seconds for an hour.
    const busy = Array.from({ length: 360 }, (_, i) => version(i + 1, (360 - i) / 6));
    const kept = thinned(busy, NOW);
    expect(kept.slice(0, HISTORY_LIMITS.newest).map((v) => v.revision)).toEqual(
      Array.from({ length: HISTORY_LIMITS.newest }, (_, i) => 360 - i),
    );
    expect(kept.length).toBeLessThanOrEqual(HISTORY_LIMITS.versions);
    const minutes = kept.slice(HISTORY_LIMITS.newest).map((v) => Math.floor(Date.parse(v.at) / MINUTE));
    expect(new Set(minutes).size).toBe(minutes.length);
  });

  test('months of work keep a version a day, then a week', () => {
    const days = Array.from({ length: 120 }, (_, i) => version(i + 1, (120 - i) * 24 * 60));
    const old = thinned(days, NOW).filter((v) => NOW - Date.parse(v.at) > 40 * 24 * 60 * MINUTE);
    expect(old.length).toBeGreaterThan(8);
    expect(old.length).toBeLessThan(16);
  });

  test('pinned ones outlast others, bytes are limited, and the newest stays whatever it weighs', () => {
    const pinned = version(1, 600 * 24 * 60, { pinned: true });
    expect(thinned([pinned, ...Array.from({ length: 30 }, (_, i) => version(i + 2, 30 - i))], NOW)).toContain(
      pinned,
    );
    const heavy = Array.from({ length: 5 }, (_, i) => version(i + 1, 5 - i, { bytes: 400_000 }));
    expect(thinned(heavy, NOW).map((v) => v.revision)).toEqual([5, 4]);
    expect(thinned([version(1, 0, { bytes: 9e9 })], NOW)).toHaveLength(1);
  });

  test('a clock that was moved never drops the newest', () => {
    const ahead = Array.from({ length: 20 }, (_, i) => version(i + 1, -100_000 + i));
    expect(thinned(ahead, NOW)[0]!.revision).toBe(20);
    const odd = [version(3, 5), version(2, -999_999), version(1, 999_999)];
    expect(thinned(odd, NOW).map((v) => v.revision)).toEqual([3, 2, 1]);
  });

  test('thinning again changes nothing', () => {
    const busy = Array.from({ length: 200 }, (_, i) => version(i + 1, (200 - i) * 7));
    const once = thinned(busy, NOW);
    expect(thinned(once, NOW)).toEqual(once);
  });
});

describe('the history of a hem', () => {
  test('holds what it names, and nothing else', async () => {
    const store = testRecordStore();
    let minute = 0;
    const history = new History(store, () => new Date(NOW + minute++ * 5000));
    for (let revision = 1; revision <= 90; revision++) {
      await history.add('a', revision, `edit ${revision}`, { ...rowsHem(), id: 'a', pace: revision });
    }
    const versions = await history.of('a');
    expect([...store.values.keys()].sort()).toEqual(['a', ...versions.map((v) => `a/${v.revision}`)].sort());
    for (const { revision } of versions)
      expect(await history.read('a', revision)).toMatchObject({ ok: true, value: { pace: revision } });
    await history.forget('a');
    expect(store.values.size).toBe(0);
    expect(await history.read('a', 3)).toBeNull();
  });
});
