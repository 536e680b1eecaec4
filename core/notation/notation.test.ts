import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, test } from '@jest/globals';
import { problemLine } from '../problems.ts';
import { firstChoice } from '../rounds/facts.ts';
import type { Instruction, Recipe, RecipeStep } from '../ring/recipe.ts';
import { chainRun, stitchOf, type Stitch } from '../ring/stitch.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { parseRound, recipeOf } from './parse.ts';
import { printRound } from './print.ts';

const stitches: fc.Arbitrary<Stitch> = fc
  .oneof(
    fc.record({
      kind: fc.constantFrom('slst', 'sc', 'esc', 'hdc', 'hhdc', 'dc', 'tr', 'dtr'),
      loop: fc.constantFrom('both', 'front', 'back', 'third'),
    }),
    fc.record({ kind: fc.constantFrom('dc', 'tr', 'hdc'), post: fc.constantFrom('front', 'back') }),
    fc.record({
      kind: fc.constantFrom('dc', 'tr'),
      form: fc.constant('bobble'),
      legs: fc.integer({ min: 2, max: 7 }),
    }),
    fc.record({
      kind: fc.constant('ch'),
      form: fc.constant('picot'),
      chains: fc.integer({ min: 2, max: 6 }),
    }),
  )
  .map((given) => stitchOf(given as Parameters<typeof stitchOf>[0]));

const chains = fc.integer({ min: 1, max: 9 }).map(chainRun);
const group = fc
  .tuple(stitches, fc.array(fc.oneof(stitches, chains), { maxLength: 3 }), stitches)
  .map(([a, middle, b]) => [a, ...middle, b]);
const small = fc.integer({ min: 1, max: 6 });

const steps: fc.Arbitrary<RecipeStep> = fc.oneof(
  fc.record({ do: fc.constant('skip'), count: small, of: fc.constantFrom('stitch', 'space', 'gap') }),
  chains.map((what) => ({ do: 'make', what })),
  fc
    .tuple(
      fc.oneof(
        group,
        stitches.map((s) => [s]),
      ),
      fc.constantFrom('stitch', 'space', 'gap', 'pair'),
      small,
    )
    .map(([what, into, times]) => ({ do: 'work', what, into, at: 'next', times })),
  fc
    .tuple(fc.constantFrom('same', 'skipped'), stitches)
    .map(([at, s]) => ({ do: 'work', what: [s], into: 'stitch', at, times: 1 })),
  small.map((k) => ({
    do: 'work',
    what: [stitchOf({ kind: 'sc', form: 'together', legs: k + 1 })],
    into: 'stitch',
    at: 'next',
    times: 1,
  })),
) as fc.Arbitrary<RecipeStep>;

const sc: RecipeStep = { do: 'work', what: [stitchOf({ kind: 'sc' })], into: 'stitch', at: 'next', times: 1 };

const recipes: fc.Arbitrary<Recipe> = fc
  .record({
    head: fc.array(steps, { maxLength: 3 }),
    body: fc.array(steps, { maxLength: 4 }),
    fixed: fc.option(
      fc.tuple(fc.array(steps, { minLength: 1, maxLength: 2 }), fc.integer({ min: 2, max: 5 })),
    ),
    corner: group,
    before: fc.array(chains, { maxLength: 1 }),
    pair: fc.option(fc.tuple(group, group)),
    facing: fc.constantFrom('right' as const, 'wrong' as const),
  })
  .map(({ head, body, fixed, corner, before, pair, facing }) => {
    const brackets: Instruction[] = fixed ? [{ do: 'repeat', body: [sc, ...fixed[0]], times: fixed[1] }] : [];
    const open: Instruction = { do: 'repeat', body: [sc, ...body], times: 'to the corner' };
    return {
      scope: 'side',
      side: [...head, open, ...brackets],
      corner: { before, group: corner, after: before, ...(pair ? { pair } : {}) },
      facing,
    };
  });

test('any round is read back as it was printed', () => {
  fc.assert(
    fc.property(recipes, fc.constantFrom('us' as const, 'uk' as const), (recipe, language) => {
      expect(parseRound(printRound(recipe, language), language)).toEqual({ ok: true, value: recipe });
    }),
    { seed: 42, numRuns: 400 },
  );
});

test('every example of the notation’s page is read, and read again when printed', () => {
  const page = readFileSync('docs/notation.md', 'utf8');
  const blocks = [...page.matchAll(/```(us|uk)\n([\s\S]*?)```/g)];
  expect(blocks.length).toBeGreaterThan(10);
  for (const [, language, text] of blocks as unknown as (readonly [string, 'us' | 'uk', string])[]) {
    const outcome = parseRound(text, language);
    expect([text, outcome.ok]).toEqual([text, true]);
    if (outcome.ok) expect(parseRound(printRound(outcome.value, language), language)).toEqual(outcome);
  }
});

describe('written crochet', () => {
  test('what is printed is read back as the same round, in both languages, for every family', () => {
    for (const family of FAMILIES) {
      for (const stitch of family.stitches) {
        for (const corner of family.corners) {
          const recipe = recipeOf(family.write({ ...firstChoice(family), stitch, corner }, 0));
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
    expect(outcome.problems[0]!.where).toEqual({ in: 'text', line: 2, column: 11 });
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
