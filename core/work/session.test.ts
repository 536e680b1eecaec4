import { describe, expect, test } from '@jest/globals';
import { NOTHING_DONE, noted } from '../document/record.ts';
import { sittingMinutes } from './session.ts';

const at = (clock: string): string => `2026-02-03T${clock}:00.000Z`;
const record = ['09:00', '09:10', '10:00', '10:12', '10:25'].reduce(
  (all, clock) =>
    noted(all, { did: 'made', round: { entry: null, index: 0 }, stitches: 1 }, 'here', at(clock)),
  NOTHING_DONE,
);

describe('a sitting', () => {
  test('lasts from its first note on, and ends with a long pause', () => {
    expect(sittingMinutes(record, at('10:30'))).toBe(30);
    expect(sittingMinutes(record, at('10:45'))).toBe(0);
    expect(sittingMinutes(record, at('09:12'))).toBe(12);
    expect(sittingMinutes(NOTHING_DONE, at('10:30'))).toBe(0);
  });
});
