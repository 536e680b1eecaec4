import { describe, expect, test } from '@jest/globals';
import type { Hem } from '../document/hem.ts';
import { plan } from '../plan/planner.ts';
import { publishedPattern } from '../print/published/published.ts';
import { patternText } from '../print/patternText.ts';
import { writtenPattern } from '../print/steps/pattern.ts';
import { small } from '../testing/anyHem.ts';
import { entry } from '../testing/hems.ts';
import { unlike } from '../testing/literal/compare.ts';
import { follow } from '../testing/literal/maker.ts';
import { cornersAlike, markersPast } from './markers.ts';

const slid = (slide: number, facing: 'right' | 'wrong' | null = null): Hem =>
  small({
    rounds: [
      entry({
        id: 'past',
        family: 'own',
        written: {
          text: 'round: *sc in each of next 3 sts, (sc, ch 3, sc) in next st*',
          language: 'us',
          name: '',
          note: '',
        },
        slide,
        facing,
      }),
    ],
  });

describe('a pattern past the corners that is slid by hand', () => {
  test.each(Array.from({ length: 9 }, (_, k) => k))('by %i places is followed, in both forms', (slide) => {
    for (const facing of [null, 'wrong'] as const) {
      const made = plan(slid(slide, facing));
      for (const pattern of [publishedPattern(made), writtenPattern(made)])
        expect(unlike(made, follow(patternText(pattern), 'us', made.body))).toEqual([]);
    }
  });

  test('holds each marker in a repeat that moves with it', () => {
    const of = (slide: number) => {
      const made = plan(slid(slide));
      return markersPast(made, made.rounds[1]!);
    };
    const still = of(0);
    expect(still).toHaveLength(4);
    // A whole repeat on, every marker lies as it did.
    const by = (markers: ReturnType<typeof of>): readonly number[] =>
      [...markers].sort((a, b) => a.corner - b.corner).map((m) => m.at);
    expect(by(of(4))).toEqual(by(still));
    expect(by(of(1))).not.toEqual(by(still));
    expect(cornersAlike(still).flat().sort()).toEqual([0, 1, 2, 3]);
    const made = plan(slid(1));
    expect(patternText(writtenPattern(made))).toMatch(/Markers: (?:[A-D]\/[A-D] in repeat \d+(?:, |\.)){4}/);
  });
});
