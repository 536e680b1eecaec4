import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { readHem } from '../document/check.ts';
import type { Hem } from '../document/hem.ts';
import { plan } from '../plan/planner.ts';
import { planComesOutEven, topOf } from '../plan/types.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { entriesOnto } from '../stack/stack.ts';
import { anyHem, on, PIECES, small } from '../testing/anyHem.ts';
import { chanceOf } from '../chance.ts';
import { entry } from '../testing/hems.ts';
import { anyEdited } from '../testing/randomEdits.ts';
import { seeds } from '../testing/seeds.ts';
import { differences } from '../testing/literal/compare.ts';
import { follow } from '../testing/literal/maker.ts';
import { writtenPattern } from '../print/pattern.ts';
import { patternText } from '../print/patternText.ts';

/** What differs between a plan and what comes of following its printed pattern to the letter. */
function followed(hem: Hem, language: 'us' | 'uk' = 'us'): readonly string[] {
  const made = plan(hem);
  const text = patternText(writtenPattern(made, language));
  try {
    return differences(made, follow(text, language, made.body, hem.preferences.hand));
  } catch (error) {
    return [`${(error as Error).message}`];
  }
}

describe('a maker who follows the printed pattern to the letter makes what was planned', () => {
  test.each(readdirSync('demo').filter((f) => f.endsWith('.json')))('%s', (file) => {
    const outcome = readHem(readFileSync(`demo/${file}`, 'utf8'));
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    expect(planComesOutEven(plan(outcome.value))).toBe(true);
    expect(followed(outcome.value)).toEqual([]);
    expect(followed(outcome.value, 'uk')).toEqual([]);
  });
});

/** A family on top of a hem, with what it needs under it. */
function with_(hem: Hem, id: string, times = 1): Hem {
  const family = FAMILIES.find((f) => f.id === id)!;
  const below = plan(hem);
  const top = topOf(below);
  const entries = entriesOnto(top.ring, family, 'y1', ['ground', 'new']);
  return {
    ...hem,
    rounds: [
      ...hem.rounds,
      ...entries.map((e) => (e.id === 'new' && family.repeatable ? { ...e, times } : e)),
    ],
  };
}

describe('every family on every piece', () => {
  test.each(FAMILIES.map((f) => f.id))('%s', (id) => {
    const faults = PIECES.flatMap(([name, piece]) =>
      [[], [entry()]].flatMap((rounds) => {
        const hem = with_(on(piece, small({ rounds })), id, 3);
        const found = followed(hem, rounds.length === 0 ? 'us' : 'uk');
        return found.length > 0 ? [`${name}, ${rounds.length}: ${found[0]}`] : [];
      }),
    );
    expect(faults).toEqual([]);
  });
});

/** Where a count does not fit the ring below at all, a person is told so and no pattern could be followed. */
const canBeWorked = (hem: Hem): boolean =>
  plan(hem).rounds.every((r) => r.sides.every(({ fit }) => !fit?.stuck));

test.each(seeds(150))('any hem, seed %i', (seed) => {
  const any = anyHem(chanceOf(seed));
  const hand = seed % 3 === 0 ? ('left' as const) : ('right' as const);
  const hem = { ...any, preferences: { ...any.preferences, hand } };
  if (!canBeWorked(hem)) return;
  expect(followed(hem, seed % 2 === 0 ? 'us' : 'uk')).toEqual([]);
});

describe('whatever edits a hem has been through', () => {
  test.each(seeds(30))('seed %i', (seed) => {
    const hem = anyEdited(chanceOf(seed));
    const past = plan(hem).rounds.findIndex((r) => r.written?.recipe.scope === 'ring');
    const inTheWay = plan(hem).problems.some(
      (p) => p.code.startsWith('written-') || p.code.startsWith('round-'),
    );
    if (!canBeWorked(hem) || inTheWay || (past >= 0 && past < plan(hem).rounds.length - 1)) return;
    expect(followed(hem, seed % 2 === 0 ? 'us' : 'uk')).toEqual([]);
  });
});

describe('what is not as planned is noticed', () => {
  const hem = small({ rounds: [entry({ times: 2 }), entry({ id: 's', family: 'cluster' })] });
  const made = plan(hem);
  const text = patternText(writtenPattern(made));
  const other = (from: string | RegExp, to: string): readonly string[] => {
    const changed = text.replace(from, to);
    expect(changed).not.toBe(text);
    try {
      return differences(made, follow(changed, 'us', made.body));
    } catch (error) {
      return [(error as Error).message];
    }
  };

  test.each<[string, string | RegExp, string]>([
    ['another stitch', 'Each side: sc in each st', 'Each side: hdc in each st'],
    ['another corner', '3 sc in the corner st', '4 sc in the corner st'],
    ['a marker elsewhere', 'pm in the 2nd of the 3', 'pm in the 1st of the 3'],
    [
      'another start',
      'Start in the st where you joined the last round.',
      'Start in st 5 of side A, counted from corner D/A.',
    ],
    ['a stitch more along the edge', '1 in each st.', '1 in each st, but 2 in st 7.'],
    ['another repeat', 'sk next 2 sts; repeat', 'sk next st; repeat'],
    [
      'turned where it is not',
      'Start in the st where',
      'Turn. The wrong side faces you in this round.\n  Start in the st where',
    ],
    ['another count', /In all: \d+ sts/, 'In all: 7 sts'],
    ['another distance to the join', /and the join: 1 st/, 'and the join: 2 sts'],
    ['the other way around', 'counterclockwise', 'clockwise'],
  ])('%s', (_, from, to) => {
    expect(followed(hem)).toEqual([]);
    expect(other(from, to)).not.toEqual([]);
  });
});

test('texts in UK terms use no word of US terms', () => {
  for (const [, piece] of PIECES) {
    for (const { id } of FAMILIES) {
      const text = patternText(writtenPattern(plan(with_(on(piece), id)), 'uk'));
      const body = text.slice(text.indexOf('Base round'), text.indexOf('Finishing'));
      expect(body).not.toMatch(/\b(?:sk|skip|skipped|skips|sl st|hdc|gauge|color|counterclockwise)\b/i);
    }
  }
});
