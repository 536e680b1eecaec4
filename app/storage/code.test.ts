import { expect, test } from '@jest/globals';
import { chanceOf } from '../../core/chance.ts';
import { rowsHem } from '../../core/testing/hems.ts';
import { codeOf, isElsewhere } from './code.ts';

const elsewhere = { origin: 'https://hems.example', hostname: 'hems.example' };

test('a code is offered where its address can be opened elsewhere, and only there', async () => {
  expect(await codeOf(rowsHem(), elsewhere)).toMatch(/^<svg [\s\S]*<\/svg>/);
  for (const hostname of ['localhost', '127.0.0.1', '[::1]', 'hem.localhost']) {
    expect(isElsewhere(hostname)).toBe(false);
    expect(await codeOf(rowsHem(), { origin: `http://${hostname}`, hostname })).toBeNull();
  }
  expect(['hems.example', '192.168.1.20', 'my-laptop.local'].every(isElsewhere)).toBe(true);
});

test('a hem that is too large for a code has none', async () => {
  const chance = chanceOf(7);
  const notes = Array.from({ length: 4000 }, () => String.fromCharCode(chance.int(32, 126))).join('');
  expect(await codeOf({ ...rowsHem(), notes }, elsewhere)).toBeNull();
});
