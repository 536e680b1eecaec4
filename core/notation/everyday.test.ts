import { describe, expect, test } from '@jest/globals';
import { FAMILIES } from '../rounds/registry.ts';
import { firstChoice } from '../rounds/facts.ts';
import type { Language } from '../terms/stitches.ts';
import { everyday } from './everyday.ts';
import { parseRound, recipeOf } from './parse.ts';

const CORNER = '\ncorner: 3 sc in corner';
const same = (said: string, written: string, language: Language = 'us'): void => {
  const outcome = parseRound(said + CORNER.replace('sc', language === 'us' ? 'sc' : 'dc'), language);
  if (!outcome.ok) throw new Error(`${said}: ${JSON.stringify(outcome.problems)}`);
  expect(outcome.value).toEqual(recipeOf(`side: ${written}${CORNER}`));
};

describe('a round in the words that people use', () => {
  test.each([
    ['sc in each st around', '*sc in next st*'],
    ['Sc in each st around.', '*sc in next st*'],
    ['Rnd 2: Sc in each st around, join with sl st.', '*sc in next st*'],
    [
      'Round 3: ch 1 (does not count as a st), hdc in each st around, join with sl st in first hdc.',
      '*hdc in next st*',
    ],
    ['*sk 1, 5 dc in next st; repeat from * around', '*sk 1, 5 dc in next st*'],
    ['*Skip next st, 3 dc in next st; rep from * to * to the corner.', '*sk 1, 3 dc in next st*'],
    [
      '*sc in next 2 sts, ch 1, skip next st, rep from * to last 2 sts, sc in last 2 sts',
      '*sc in each of next 2 sts, ch 1, sk 1*, sc in each of next 2 sts',
    ],
    [
      '[sc in next st, ch 1, sk 1] twice, *sc in next st*',
      '[sc in next st, ch 1, sk 1] 2 times, *sc in next st*',
    ],
    [
      'dc in next st, *sc in next st; repeat from * to last st, dc in last st',
      'dc in next st, *sc in next st*, dc in next st',
    ],
    ['Side: *sc in next st; repeat from * to the corner.', '*sc in next st*'],
    ['Sl st in 3rd loop of each st around.', '*sl st 3rd lp in next st*'],
    ['hdc in each st and ch-sp around', '*hdc in next st or ch-sp*'],
    ['Sc in each sp between sts around.', '*sc in next sp between sts*'],
    ['dc in next sp between sts, *dc in next space between stitches*', 'dc between, *dc between*'],
    ['dc between each st around', '*dc in next sp between sts*'],
    ['*sc in next 3 sts, ch 3, sl st in first ch; rep from * around', '*sc in each of next 3 sts, picot*'],
    [
      '*sc in each of next 3 sts, ch 3, dc5tog in first ch, sk 1; rep from * around',
      '*sc in each of next 3 sts, dot, sk 1*',
    ],
  ])('%s', (said, written) => same(said, written));

  test('in UK terms too', () => {
    same(
      'Rnd 4: *miss next st, 3 tr in next st; rep from * around, join with ss.',
      '*sk 1, 3 dc in next st*',
      'uk',
    );
  });

  test('what is written crochet already stays as it is', () => {
    for (const family of FAMILIES) {
      for (let round = 0; round < 2 * family.roundsPerRepeat; round++) {
        const text = family.write(firstChoice(family), round);
        expect(everyday(text)).toBe(text);
      }
    }
  });

  test('what cannot be read is still pointed at by its word', () => {
    const outcome = parseRound(`Rnd 2: *3 foo in next st; rep from * around${CORNER}`, 'us');
    expect(outcome).toMatchObject({
      ok: false,
      problems: [{ code: 'written-unreadable', values: { word: 'foo' } }],
    });
  });
});

describe('corners told at the end of a round', () => {
  test.each<[string, string]>([
    [
      'Rnd 1: sc in each st around, working 3 sc in each corner, join with sl st in first sc.',
      'side: *sc in next st*\ncorner: 3 sc in corner',
    ],
    [
      'Hdc in each st around with (hdc, ch 2, hdc) in each corner sp.',
      'side: *hdc in next st*\ncorner: (hdc, ch 2, hdc) in corner',
    ],
    [
      '*sk next 2 sts, 3 dc in next st; rep from * around, 6 dc in every corner',
      'side: *sk 2, 3 dc in next st*\ncorner: 6 dc in corner',
    ],
  ])('%s', (said, written) => {
    const outcome = parseRound(said, 'us');
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    expect(outcome.value).toEqual(recipeOf(written));
  });
});
