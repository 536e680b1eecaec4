import { describe, expect, test } from '@jest/globals';
import { problemLine } from '../problems.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { parseRound, recipeOf } from './parse.ts';
import { printRound } from './print.ts';

describe('written crochet', () => {
  test('what is printed is read back as the same round, in both languages, for every family', () => {
    for (const family of FAMILIES) {
      for (const stitch of family.stitches) {
        for (const corner of family.corners) {
          const recipe = recipeOf(family.write({ stitch, corner, loop: 'both' }, 0));
          for (const language of ['us', 'uk'] as const) {
            const again = parseRound(printRound(recipe, language), language);
            expect(again).toEqual({ ok: true, value: recipe });
          }
        }
      }
    }
  });

  test('dc means another stitch in each language', () => {
    const text = 'side: *dc in next st*\ncorner: 3 dc in corner';
    const kind = (language: 'us' | 'uk'): unknown => {
      const outcome = parseRound(text, language);
      return outcome.ok && outcome.value.corner.group[0]!.kind;
    };
    expect(kind('us')).toBe('dc');
    expect(kind('uk')).toBe('sc');
  });

  test('an error names line, column and word, and what was expected', () => {
    const outcome = parseRound('side: *dc in next st*\ncorner: 3 foo in corner', 'us');
    expect(outcome.ok).toBe(false);
    if (outcome.ok) return;
    expect(outcome.problems[0]!.place).toBe('line 2, column 11');
    expect(problemLine(outcome.problems[0]!)).toContain('“foo”');
    expect(problemLine(outcome.problems[0]!)).toContain('a stitch');
  });

  test.each([
    ['corner: 3 sc in corner', 'written-no-side'],
    ['side: *sc in next st*', 'written-no-corner'],
    ['side: *sc in next st*, *dc in next st*\ncorner: 3 sc in corner', 'written-two-open-repeats'],
    ['side: *ch 3*, sc in next st\ncorner: 3 sc in corner', 'written-repeat-uses-nothing'],
    ['side: ch 3, *sk 2*\ncorner: 3 sc in corner', 'written-no-stitch'],
    ['side: *sc in next st*\ncorner: none\ncorner: none', 'written-line-twice'],
  ])('%j is refused as %s', (text, code) => {
    const outcome = parseRound(text, 'us');
    expect(outcome.ok ? [] : outcome.problems.map((p) => p.code)).toContain(code);
  });
});
