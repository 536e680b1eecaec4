import { expect, test } from '@jest/globals';
import { plan } from '../plan/planner.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { shell } from '../rounds/shell.ts';
import { newEntry } from '../stack/stack.ts';
import { broughtToWidth } from './toWidth.ts';

const edged = rowsHem({ rounds: [newEntry(shell, 'edge', rowsHem().yarns[0]!.id)] });

test.each([30, 45, 60, 80, 120])('a border comes about within half a round of %i mm', (widthMm) => {
  const made = plan(broughtToWidth(edged, widthMm, 'under'));
  expect(Math.abs(made.borderWidthMm - widthMm)).toBeLessThan(5.5);
  // The edge stays outermost, and the rounds beneath are plain ones.
  expect(made.hem.rounds.at(-1)).toBe(edged.rounds[0]);
  expect(made.hem.rounds.slice(0, -1).map((r) => r.family)).toEqual(['plain']);
});

test('what is as wide already stays as it is', () => {
  const { borderWidthMm } = plan(edged);
  expect(broughtToWidth(edged, borderWidthMm, 'under')).toBe(edged);
  expect(broughtToWidth(edged, 5, 'under')).toBe(edged);
  const plainOnly = rowsHem({ rounds: [entry()] });
  expect(broughtToWidth(plainOnly, plan(plainOnly).borderWidthMm + 1, 'under')).toBe(plainOnly);
});
