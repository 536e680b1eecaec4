import { describe, expect, test } from '@jest/globals';
import { USUAL_START, habitsOf } from '../base/start.ts';
import { learnFlat, type Lay, type LaysOfHem } from './flatness.ts';
import type { Learned } from './ratio.ts';
import { usualGauge } from './gauge.ts';
import { PARTS, knownFor, knownFrom, partFrom, type Hands, type StitchObservation } from './hands.ts';
import { NO_WISHES, USES, readWishes, withOwnWords, writeWishes, withRound, withRoundsOf } from './wishes.ts';

const seen: readonly StitchObservation[] = Array.from({ length: 8 }, (_, i) => ({
  stitch: i % 2 === 0 ? 'sc' : 'dc',
  size: '5',
  ratio: 1.1,
  error: 0.03,
}));
const hands: Hands = {
  time: partFrom('time', [seen]),
  yarn: partFrom('yarn', [seen]),
  height: partFrom('height', [seen]),
  width: partFrom('width', [seen]),
  flat: learnFlat(null, [{ lays: [{ strain: 0.04, lies: 'flat' }], error: 0.03 }]),
  counted: { sides: 0, fewer: 0, more: 0, where: [] },
};

const FOAM = {
  text: 'side: *sc in next st*\ncorner: 3 sc in corner',
  language: 'us',
  name: 'Sea foam',
  note: 'With the small hook.',
} as const;

describe('what a maker wants of what was learned', () => {
  test('leaves out what is off, and takes their own word before the log', () => {
    for (const off of USES) expect(knownFrom(hands, (of) => of !== off)![off]).toBeNull();
    expect(knownFrom(hands, () => false)).toBeNull();
    const own = withOwnWords(hands, { ...NO_WISHES, own: { yarn: 1.3 } });
    expect(own.yarn.all).toMatchObject({ ratio: 1.3, basis: 'own word' });
    expect(knownFor('yarn', knownFrom(own)!.yarn, 'dc', '4').ratio).toBe(1.3);
    expect(own.height).toBe(hands.height);
  });

  test('is written and read again; what is unsound is refused whole', () => {
    const wishes = {
      since: '2026-02-01T10:00:00.000Z',
      off: ['flat', 'time'] as const,
      own: { width: 0.9 },
      habits: null,
      rounds: [],
      hints: false,
    };
    expect(readWishes(JSON.parse(writeWishes(wishes)))).toEqual({ ok: true, value: wishes });
    for (const part of [
      { since: 'once' },
      { off: ['everything'] },
      { off: 'flat' },
      { own: { yarn: 900 } },
      { own: { feet: 1 } },
      { own: null },
      { hints: 'seldom' },
      { habits: { first: 'somehow' } },
      { rounds: [{ ...FOAM, language: 'fr' }] },
      { rounds: [{ ...FOAM, name: 'x'.repeat(101) }] },
      { rounds: [null] },
      { rounds: 'mine' },
      { habits: { ...habitsOf(USUAL_START), chains: 9 } },
    ])
      expect(readWishes({ ...wishes, ...part })).toMatchObject({ ok: false });
    const used = { ...wishes, habits: habitsOf({ ...USUAL_START, close: 'spiral', first: 'stacked' }) };
    expect(readWishes(JSON.parse(writeWishes(used)))).toEqual({ ok: true, value: used });
    const keeps = withRound(wishes, FOAM);
    expect(readWishes(JSON.parse(writeWishes(keeps)))).toEqual({ ok: true, value: keeps });
    // As they were kept before there were habits and rounds.
    const { habits: _, rounds: __, ...before } = wishes;
    expect(readWishes(before)).toEqual({ ok: true, value: wishes });
    expect(readWishes(null)).toMatchObject({ ok: false, problems: [{ code: 'hands-unreadable' }] });
  });
});

test('rounds of one’s own are kept by their names, and those of a backup come beside them', () => {
  const other = { ...FOAM, name: 'Dunes' };
  const here = withRound(withRound(NO_WISHES, FOAM), { ...FOAM, text: 'side: *dc in next st*' });
  expect(here.rounds).toEqual([{ ...FOAM, text: 'side: *dc in next st*' }]);
  expect(withRoundsOf(here, withRound(withRound(NO_WISHES, FOAM), other)).rounds).toEqual([
    ...here.rounds,
    other,
  ]);
});

test('the usual gauge is that of the yarn’s weight, and looser in hands that work wide', () => {
  expect(usualGauge(4, null)).toEqual({ stitchesPer10Cm: 13.5, hookMm: 5 });
  const known = knownFrom(hands)!;
  const { stitchesPer10Cm } = usualGauge(4, known);
  expect(stitchesPer10Cm).toBeCloseTo(13.5 / known.width!.bySize['5']!.ratio, 1);
  expect(stitchesPer10Cm).toBeLessThan(13);
});

test('what lies flat is learned from looks, and a look the wrong way tells of the gauge', () => {
  const hem = (lays: readonly Lay[], error = 0.03): readonly LaysOfHem[] => [{ lays, error }];
  const often = (strain: number, lies: Lay['lies']): readonly Lay[] =>
    Array.from({ length: 12 }, () => ({ strain, lies }));
  const easy = learnFlat(null, hem(often(0.06, 'flat')));
  const strict = learnFlat(null, hem(often(0.015, 'ripples')));
  expect(easy.ratio).toBeGreaterThan(1.15);
  expect(strict.ratio).toBeLessThan(0.85);
  // Looks at one hem share the error of its gauge: they tell less than as many at several.
  const reach = ({ low, high }: Learned): number => Math.log(high / low);
  const apart = Array.from({ length: 4 }, () => hem(often(0.06, 'flat').slice(0, 3))).flat();
  expect(reach(learnFlat(null, apart))).toBeLessThan(reach(easy));
  expect(learnFlat(null, hem(often(0.06, 'flat'), 0.001)).ratio).toBeGreaterThan(easy.ratio);
  expect(Math.abs(Math.log(learnFlat(null, hem([{ strain: -0.05, lies: 'ripples' }])).ratio))).toBeLessThan(
    0.1,
  );
  // What was known before counts on.
  expect(learnFlat(easy, []).ratio).toBeCloseTo(easy.ratio, 1);
  expect(PARTS).not.toContain('flat');
});
