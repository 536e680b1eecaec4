import { describe, expect, test } from '@jest/globals';
import { plan } from '../plan/planner.ts';
import { identityOfRound } from '../plan/types.ts';
import { after, varied, workedInto } from '../testing/worked.ts';
import { layAgrees, layWords } from './foundWords.ts';
import { foundOf } from './found.ts';

describe('what was found', () => {
  const at = workedInto(varied, 2, 0.5);
  const round = { entry: 'a', index: 0 };
  const looked = {
    did: 'looked',
    round,
    lies: ['flat', 'ripples', null, 'cups'],
    sizeCm: [115, null],
    sidesCm: [],
    depthCm: 1.9,
    photo: null,
    note: '',
  } as const;
  const base = { entry: null, index: 0 };
  const then = plan(
    after(at.hem, [
      { did: 'counted', round: base, counts: [at.rounds[0]!.done!.planned[0]! - 1, null, null, null] },
      { did: 'weighed', round: base, stitches: 10, yarn: 'y1', ball: 'new', grams: 50 },
      { did: 'weighed', round, stitches: 40, yarn: 'y1', ball: 'same', grams: 44 },
      looked,
    ]),
  );

  test('stands beside what was planned before it', () => {
    const found = foundOf(then);
    const [count] = found.counts;
    expect(count).toMatchObject({ round: 0, of: 0, found: count!.planned - 1 });
    expect(found.yarn).toMatchObject([{ round: 1, of: 'Plain yarn', found: 6 }]);
    const [first, second] = at.rounds as [(typeof at.rounds)[0], (typeof at.rounds)[0]];
    const metres =
      first.pathM * (1 - 10 / first.ring.made.length) + (second.pathM * 40) / second.ring.made.length;
    expect(found.yarn[0]!.planned / ((metres * 100) / at.hem.yarns[0]!.metresPer100G)).toBeCloseTo(1, 2);
    expect(found.height).toEqual([{ round: 1, of: null, planned: at.rounds[1]!.heightMm / 10, found: 1.9 }]);
    // What was measured moves the height of the plan, not what was planned.
    expect(then.rounds[1]!.heightMm).not.toBeCloseTo(at.rounds[1]!.heightMm, 3);
    expect(found.size.map((f) => [f.of, f.found])).toEqual([['across', 115]]);
    expect(found.lay.map((l) => [l.side, l.found])).toEqual([
      [0, 'flat'],
      [1, 'ripples'],
      [3, 'cups'],
    ]);
  });

  test('stands beside what was planned before it was seen: what is seen to ripple was not planned so for that', () => {
    const before = workedInto(varied, 1, 1);
    const round = identityOfRound(before.rounds[1]!);
    const look = {
      did: 'looked',
      round,
      lies: ['ripples', 'ripples', 'ripples', 'ripples'],
      sizeCm: [null, null],
      sidesCm: [],
      depthCm: null,
      photo: null,
      note: '',
    } as const;
    const seen = plan(after(before.hem, [look, look, look]));
    expect(foundOf(seen).lay.map((l) => l.planned)).toEqual(
      [0, 1, 2].flatMap(() => before.rounds[1]!.sides.map((s) => s.verdict)),
    );
  });

  test('of a side that lay otherwise says how it was planned', () => {
    const lay = { round: 1, side: 1, planned: 'flat', strain: 0.01, found: 'ripples' } as const;
    expect(layAgrees(lay)).toBe(false);
    expect(layAgrees({ ...lay, planned: 'blocks out', strain: 0.03 })).toBe(true);
    // What blocks out may be seen, but not the other way; what ripples does not pull in.
    expect(layAgrees({ ...lay, planned: 'blocks out', strain: -0.03 })).toBe(false);
    expect(layAgrees({ ...lay, planned: 'cups', strain: -0.08 })).toBe(false);
    expect(layWords(lay, 'B')).toBe('B rippled (planned: lies flat)');
  });
});
