import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { readHem } from '../document/check.ts';
import { CROSSING_IDS } from '../base/crossings.ts';
import type { Hem } from '../document/hem.ts';
import { plan } from '../plan/planner.ts';
import { planComesOutEven, topOf } from '../plan/types.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { entriesOnto } from '../stack/stack.ts';
import { changePiece } from '../document/changePiece.ts';
import { anyHem, anyMotifs, on, PIECES, small } from '../testing/anyHem.ts';
import { chanceOf } from '../chance.ts';
import { entry } from '../testing/hems.ts';
import { PLAIN_PLACES } from '../terms/places.ts';
import { anyEdited } from '../testing/randomEdits.ts';
import { partOfAll, seeds } from '../testing/seeds.ts';
import { unlike } from '../testing/literal/compare.ts';
import { follow } from '../testing/literal/maker.ts';
import { writtenPattern } from '../print/steps/pattern.ts';
import { publishedPattern } from '../print/published/published.ts';
import { patternText } from '../print/patternText.ts';

/** What differs between a plan and what comes of following its printed pattern to the letter. */
function followed(hem: Hem, language: 'us' | 'uk' = 'us'): readonly string[] {
  const made = plan(hem);
  return [publishedPattern(made, language), writtenPattern(made, language)].flatMap((pattern) => {
    try {
      return unlike(made, follow(patternText(pattern), language, made.body, hem.preferences.hand));
    } catch (error) {
      return [`${(error as Error).message}`];
    }
  });
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

const FIRST_STITCHES = ['usual', 'chain', 'counted chain', 'stacked', 'drawn up', 'standing'] as const;
const CLOSES = ['slip stitch', 'stitch', 'chain and stitch', 'spiral'] as const;

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
  // On the base round or on a round, half of the pieces each, by turns; on both and on all in long runs.
  test.each(FAMILIES.map((f, at) => [f.id, at] as const))('%s', (id, at) => {
    const faults = partOfAll([...PIECES.entries()], 2, at).flatMap(([k, [name, piece]]) =>
      partOfAll([[], [entry()]], 2, at + Math.floor(k / 2)).flatMap((rounds) => {
        const hem = with_(on(piece, small({ rounds })), id, 3);
        const found = followed(hem, rounds.length === 0 ? 'us' : 'uk');
        return found.length > 0 ? [`${name}, ${rounds.length}: ${found[0]}`] : [];
      }),
    );
    expect(faults).toEqual([]);
  });
});

describe('a plain round into every place that it can go into', () => {
  test.each(PLAIN_PLACES)('%s', (into) => {
    const faults = PIECES.flatMap(([name, piece], k) => {
      const changes = { '0': on(piece, small()).base.sides.map((_, side) => [1, -1, 0, -2][side % 4]!) };
      const rounds = [entry({ into, times: 2, facing: k % 2 === 0 ? null : 'wrong', changes })];
      const [found] = followed(on(piece, small({ rounds })), k % 3 === 0 ? 'uk' : 'us');
      return found === undefined ? [] : [`${name}: ${found}`];
    });
    expect(faults).toEqual([]);
  });
});

/** Where a count does not fit the ring below at all, a person is told so and no pattern could be followed. */
const canBeWorked = (hem: Hem): boolean =>
  plan(hem).rounds.every((r) => r.sides.every(({ fit }) => !fit?.stuck));

test.each(seeds(48))('any hem, seed %i', (seed) => {
  const any = anyHem(chanceOf(seed));
  const hand = seed % 3 === 0 ? ('left' as const) : ('right' as const);
  const hem = { ...any, preferences: { ...any.preferences, hand } };
  if (!canBeWorked(hem)) return;
  expect(followed(hem, seed % 2 === 0 ? 'us' : 'uk')).toEqual([]);
});

test.each(seeds(12))('any motifs that are joined, seed %i', (seed) => {
  const chance = chanceOf(seed);
  const any = anyHem(chance);
  const hem = { ...any, ...changePiece(any, anyMotifs(chance)) };
  if (!canBeWorked(hem) || plan(hem).problems.some(({ code }) => /^(?:round|written)-/.test(code))) return;
  expect(followed(hem, seed % 2 === 0 ? 'us' : 'uk')).toEqual([]);
});

describe('whatever edits a hem has been through', () => {
  test.each(seeds(16))('seed %i', (seed) => {
    const hem = anyEdited(chanceOf(seed));
    const past = plan(hem).rounds.findIndex((r) => r.written?.recipe.scope === 'ring');
    const inTheWay = plan(hem).problems.some(
      (p) => p.code.startsWith('written-') || p.code.startsWith('round-'),
    );
    if (!canBeWorked(hem) || inTheWay || (past >= 0 && past < plan(hem).rounds.length - 1)) return;
    expect(followed(hem, seed % 2 === 0 ? 'us' : 'uk')).toEqual([]);
  });
});

describe('motifs whose corners are stitches, joined', () => {
  test.each(CROSSING_IDS)('seams crossed: %s', (crossing) => {
    const [, joined] = PIECES.find(([, p]) => p.kind === 'grid')!;
    if (joined.kind !== 'grid') throw new Error('joined motifs were wanted');
    const hem = on({ ...joined, cornerChains: 0 }, small({ rounds: [entry()] }));
    const made = { ...hem, base: { ...hem.base, crossing } };
    expect(followed(made)).toEqual([]);
    expect(patternText(writtenPattern(plan(made)))).not.toMatch(/(?:the|two) corner space/);
  });
});

describe('every way to begin and to close, on plain rounds and on groups', () => {
  test.each(FIRST_STITCHES.flatMap((first, turn) => CLOSES.map((close) => [first, close, turn] as const)))(
    'first stitch %s, closed %s',
    (first, close, turn) => {
      const faults = partOfAll(PIECES, 4, turn).flatMap(([name, piece], k) => {
        const stitch = (['sc', 'hdc', 'dc', 'tr'] as const)[k % 4]!;
        const plainRounds = small({ rounds: [entry({ stitch, times: 3 })] });
        const groups = with_(on(piece, plainRounds), k % 2 === 0 ? 'gap-cluster' : 'v-stitch', 2);
        const at = (['corner', 'before the space', 'stitch of the corner', 'along the side'] as const)[
          k % 4
        ]!;
        const start = { ...groups.base.start, first, close, at, stitches: 2 };
        const hem = { ...groups, base: { ...groups.base, start } };
        if (!canBeWorked(hem)) return [];
        return followed(hem, k % 2 === 0 ? 'us' : 'uk').map((found) => `${name}: ${found}`);
      });
      expect(faults).toEqual([]);
    },
  );
});

describe('what is not as planned is noticed', () => {
  const hem = small({ rounds: [entry({ times: 2 }), entry({ id: 's', family: 'cluster' })] });
  const made = plan(hem);
  const text = patternText(writtenPattern(made));
  const other = (from: string | RegExp, to: string): readonly string[] => {
    const changed = text.replace(from, to);
    expect(changed).not.toBe(text);
    try {
      return unlike(made, follow(changed, 'us', made.body));
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

describe('what is not as planned is noticed of a close', () => {
  const closedBy = (close: 'stitch' | 'chain and stitch' | 'spiral'): Hem => {
    const hem = small({ rounds: [entry({ stitch: 'hdc', corner: 'chain-2', times: 3 })] });
    const join = close === 'spiral' ? ('climbing' as const) : ('centred' as const);
    return { ...hem, base: { ...hem.base, stitch: 'hdc', start: { ...hem.base.start, close, join } } };
  };
  test.each<['stitch' | 'chain and stitch' | 'spiral', string | RegExp, string]>([
    ['stitch', 'close with 1 hdc in', 'close with 1 dc in'],
    ['stitch', 'Leave out the last ch 2', 'Leave out the last ch 3'],
    ['stitch', 'Start around the hdc that closed', 'Start around the sc that closed'],
    ['chain and stitch', 'close with ch 1 and 1 sc', 'close with ch 2 and 1 sc'],
    ['spiral', 'Do not join: the next round goes on from here.', 'Join with a sl st in the first hdc.'],
    ['spiral', 'In place of the first 1 st: sc.', 'In place of the first 1 st: dc.'],
    ['spiral', 'In place of the last 2 sts: sc, sl st.', 'In place of the last 2 sts: sl st, sc.'],
  ])('%s: “%s”', (close, from, to) => {
    const made = plan(closedBy(close));
    const text = patternText(writtenPattern(made));
    expect(unlike(made, follow(text, 'us', made.body))).toEqual([]);
    const changed = text.replace(from, to);
    expect(changed).not.toBe(text);
    expect(() => {
      const found = unlike(made, follow(changed, 'us', made.body));
      if (found.length > 0) throw new Error(found.join());
    }).toThrow();
  });
});

describe('what is not as planned is noticed in the published form too', () => {
  const hem = small({ rounds: [entry({ times: 3 }), entry({ id: 's', family: 'cluster' })] });
  const made = plan(hem);
  const text = patternText(publishedPattern(made));

  test.each<[string, string | RegExp, string]>([
    ['another stitch', 'sc in each st to next marked st', 'hdc in each st to next marked st'],
    ['another corner', '3 sc in marked st', '4 sc in marked st'],
    ['a marker elsewhere', 'pm in 2nd;', 'pm in 1st;'],
    ['one corner fewer', 'rep from * 3 more times', 'rep from * 2 more times'],
    ['another tail', 'sc in next 1 and 2 sts in', 'sc in next 1 and 3 sts in'],
    ['another rest of a corner', '2 sc in same place as the first st', '3 sc in same place as the first st'],
    ['a stitch fewer along the edge', '1 in each st.', '1 in each st, skipping st 7.'],
    ['another repeat', /sk next 2 sts\] across/g, 'sk next st] across'],
    ['turned where it is not', 'Rnd 1: Ch 1', 'Rnd 1: Turn. WS facing: work D, C, B, A. Ch 1'],
    ['another count', /(\d+) sts\)/, '7 sts)'],
    ['the other way around', 'counterclockwise', 'clockwise'],
  ])('%s', (_, from, to) => {
    const changed = text.replace(from, to);
    expect(changed).not.toBe(text);
    const found = ((): readonly string[] => {
      try {
        return unlike(made, follow(changed, 'us', made.body));
      } catch (error) {
        return [(error as Error).message];
      }
    })();
    expect(found).not.toEqual([]);
  });
});

test('texts in UK terms use no word of US terms', () => {
  for (const [at, { id }] of FAMILIES.entries()) {
    for (const [, piece] of partOfAll(PIECES, PIECES.length, at)) {
      const made = plan(with_(on(piece), id));
      const bodies = [writtenPattern(made, 'uk'), publishedPattern(made, 'uk')].map((pattern) => {
        const text = patternText(pattern);
        return text.slice(text.search(/^Base r/m), text.indexOf('Finishing'));
      });
      expect(bodies.join()).not.toMatch(
        /\b(?:sk|skip|skipped|skips|sl st|hdc|gauge|color|counterclockwise)\b/i,
      );
    }
  }
});
