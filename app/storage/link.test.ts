import { createHash } from 'node:crypto';
import { expect, test } from '@jest/globals';
import { deflateSync } from 'fflate';
import { demoHem, demoPlans } from '../../demo/read.ts';
import { WORDS_OF_LINKS } from './wordsOfLinks.ts';
import { LONGEST_LINK, hemOfLink, linkOf } from './link.ts';

test.each(demoPlans())(
  '%s comes out of its link as it went in, but for borders put aside and what was done',
  (_, { hem }) => {
    const link = linkOf(hem, 'http://localhost')!;
    expect(link.length).toBeLessThan(LONGEST_LINK);
    expect(hemOfLink(new URL(link).hash)).toEqual({ ok: true, value: { ...hem, kept: [], record: [] } });
  },
);

test('a link from before links were packed with the words of a usual hem opens still', () => {
  const hem = demoHem('');
  const bytes = deflateSync(new TextEncoder().encode(JSON.stringify(hem)), { level: 9 });
  const letters = btoa(Array.from(bytes, (b) => String.fromCharCode(b)).join(''));
  const hash = `#${letters.replaceAll('+', '-').replaceAll('/', '_').replace(/=+$/, '')}`;
  expect(hemOfLink(hash)).toEqual({ ok: true, value: hem });
  expect(linkOf(hem, '')!.length).toBeLessThan(0.75 * hash.length);
});

test('the words of links are those that links were given away with', () => {
  expect(createHash('sha256').update(WORDS_OF_LINKS).digest('hex')).toBe(
    '6ee18028f55430b685370f0410a71eb8f3feebe41bbd78fa3ad7a3c4681fc5ac',
  );
});

test('a link that was cut off says so', () => {
  const hem = demoHem('');
  const { hash } = new URL(linkOf(hem, 'http://localhost')!);
  for (const cut of [hash.slice(0, -40), '#', '#!!', `${hash}%`]) {
    expect(hemOfLink(cut)).toMatchObject({ ok: false, problems: [{ code: 'link-broken' }] });
  }
});

test('a hem too large for a link gives none', () => {
  const hem = demoHem('');
  // Letters without an order that could be compressed, from a fixed seed.
  let seed = 7;
  const notes = Array.from({ length: 19_000 }, () => {
    seed = (seed * 1103515245 + 12345) % 2147483648;
    return String.fromCharCode(33 + (Math.floor(seed / 65536) % 90));
  }).join('');
  expect(linkOf({ ...hem, notes }, 'http://localhost')).toBeNull();
});
