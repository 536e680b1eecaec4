import { expect, test } from '@jest/globals';
import { demoPlans } from '../../demo/read.ts';
import { LONGEST_LINK, hemOfLink, linkOf } from './link.ts';

test.each(demoPlans())(
  '%s comes out of its link as it went in, but for borders put aside and what was done',
  (_, { hem }) => {
    const link = linkOf(hem, 'http://localhost')!;
    expect(link.length).toBeLessThan(LONGEST_LINK);
    expect(hemOfLink(new URL(link).hash)).toEqual({ ok: true, value: { ...hem, kept: [], record: [] } });
  },
);

test('a link that was cut off says so', () => {
  const [, { hem }] = demoPlans()[0]!;
  const { hash } = new URL(linkOf(hem, 'http://localhost')!);
  for (const cut of [hash.slice(0, -40), '#', '#!!', `${hash}%`]) {
    expect(hemOfLink(cut)).toMatchObject({ ok: false, problems: [{ code: 'link-broken' }] });
  }
});

test('a hem too large for a link gives none', () => {
  const [, { hem }] = demoPlans()[0]!;
  // Letters without an order that could be compressed, from a fixed seed.
  let seed = 7;
  const notes = Array.from({ length: 19_000 }, () => {
    seed = (seed * 1103515245 + 12345) % 2147483648;
    return String.fromCharCode(33 + (Math.floor(seed / 65536) % 90));
  }).join('');
  expect(linkOf({ ...hem, notes }, 'http://localhost')).toBeNull();
});
