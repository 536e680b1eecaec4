import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { isWorkedSide, partAlong, sidesChanged } from './part.ts';

const shape = fc
  .record({ corners: fc.integer({ min: 2, max: 9 }), first: fc.nat(), sides: fc.nat(), side: fc.nat() })
  .map(({ corners, first, sides, side }) => ({
    corners,
    along: { first: first % corners, sides: 1 + (sides % (corners - 1)) },
    side: side % corners,
  }));

test('one side more or fewer changes that side alone', () => {
  fc.assert(
    fc.property(shape, fc.boolean(), fc.boolean(), ({ corners, along, side }, worked, around) => {
      const before = around ? null : along;
      const changed = sidesChanged(before, side, worked, corners);
      if (changed === undefined) return;
      const isWorked = (a: typeof before, k: number): boolean =>
        isWorkedSide(a ? partAlong(a, corners) : undefined, k, corners);
      for (let k = 0; k < corners; k++)
        expect(isWorked(changed, k)).toBe(k === side ? worked : isWorked(before, k));
    }),
    { seed: 11, numRuns: 400 },
  );
});

test('sides that would not lie one after the other, or none at all, are not had', () => {
  expect(sidesChanged({ first: 0, sides: 1 }, 2, true, 4)).toBeUndefined();
  expect(sidesChanged({ first: 0, sides: 3 }, 1, false, 4)).toBeUndefined();
  expect(sidesChanged({ first: 2, sides: 1 }, 2, false, 4)).toBeUndefined();
  expect(sidesChanged({ first: 3, sides: 3 }, 2, true, 4)).toBeNull();
  expect(sidesChanged(null, 1, false, 4)).toEqual({ first: 2, sides: 3 });
});
