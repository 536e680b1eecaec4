import { beforeEach, describe, expect, test } from '@jest/globals';
import { demoHems } from '../../demo/read.ts';
import { testRecordStore } from '../testing/storage.ts';
import { chanceOf } from '../../core/chance.ts';
import { arrived, carriedLinks, isCarried, carriedPart } from './carry.ts';
import { carriedCodes } from './code.ts';

const ORIGIN = 'https://hems.example';
const hem = demoHems().find((hem) => hem.record.length > 20)!;
const hashOf = (link: string): string => new URL(link).hash;

let room = testRecordStore();
beforeEach(() => {
  room = testRecordStore();
});
const comes = (link: string) => arrived(hashOf(link), room);

describe('a hem that is carried', () => {
  test('comes whole with all that was done, whatever the order of its parts and however often one is read', async () => {
    for (let seed = 1; seed <= 12; seed++) {
      const chance = chanceOf(seed);
      const links = carriedLinks(hem, ORIGIN, chance.int(300, 900))!;
      expect(links.length).toBeGreaterThan(1);
      const order = links
        .flatMap((link) => Array.from({ length: chance.int(1, 2) }, () => [chance.next(), link] as const))
        .sort((a, b) => a[0] - b[0]);
      const read = new Set<string>();
      let whole = null;
      for (const [, link] of order) {
        read.add(link);
        const come = await comes(link);
        expect(come.missing).toHaveLength(links.length - read.size);
        if (come.missing.length === 0) whole = come.hem;
      }
      expect(whole).toEqual({ ok: true, value: hem });
    }
  });

  test('is one link where it fits, and none where it would be too many', async () => {
    const [link, ...others] = carriedLinks(hem, ORIGIN, 8000)!;
    expect(others).toEqual([]);
    expect(isCarried(hashOf(link!))).toBe(true);
    expect((await comes(link!)).hem).toEqual({ ok: true, value: hem });
    expect(carriedLinks(hem, ORIGIN, 150)).toBeNull();
  });

  test('is not mixed with another one', async () => {
    const [a] = carriedLinks(hem, ORIGIN, 1500, 'a')!;
    const [, b] = carriedLinks(hem, ORIGIN, 1500, 'b')!;
    await comes(a!);
    expect((await comes(b!)).missing).toContain(1);
  });

  test.each(['#~', '#~1.2.a', '#~3.2.a.x', '#~0.1.a.x', '#~1.99.a.x', '#~1.1.a.x%'])(
    'of which a link is garbled says so: %s',
    async (hash) => {
      expect(carriedPart(hash)).toBeNull();
      expect((await arrived(hash, room)).hem).toMatchObject({
        ok: false,
        problems: [{ code: 'link-broken' }],
      });
    },
  );

  test('has codes where its address can be opened elsewhere', async () => {
    const codes = await carriedCodes(hem, { origin: ORIGIN, hostname: 'hems.example' });
    expect(codes!.length).toBeGreaterThan(1);
    for (const code of codes!) expect(code).toMatch(/^<svg /);
    expect(await carriedCodes(hem, { origin: 'http://localhost', hostname: 'localhost' })).toBeNull();
  });
});
