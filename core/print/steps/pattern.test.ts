import { USUAL_START, ownStartOf } from '../../base/start.ts';
import { describe, expect, test } from '@jest/globals';
import { demoPlans } from '../../../demo/read.ts';
import type { CrossingId } from '../../base/crossings.ts';
import type { RoundStarts } from '../../base/start.ts';
import { changePiece } from '../../document/changePiece.ts';
import type { Hem } from '../../document/hem.ts';
import { plan } from '../../plan/planner.ts';
import { proceduresOf } from '../../procedure/procedure.ts';
import { factsOf, firstChoice, familyNeededBelow } from '../../rounds/facts.ts';
import { FAMILIES, familyById } from '../../rounds/registry.ts';
import { entry, rowsHem } from '../../testing/hems.ts';
import { oddWordsIn } from '../../testing/oddWords.ts';
import {
  lengthWords,
  percentWords,
  plural,
  plurals,
  rangeWords,
  sizeWords,
  smallLengthWords,
  yarnLengthWords,
} from '../../say/measures.ts';
import type { CornerId } from '../../terms/corners.ts';
import { PLACE_NAMES } from '../../terms/places.ts';
import { growthWords, needsWords } from '../../rounds/familyWords.ts';
import { writtenPattern } from './pattern.ts';
import { patternMarkdown, patternText } from '../patternText.ts';

const textOf = (hem: Hem, language: 'us' | 'uk' = 'us'): string =>
  patternText(writtenPattern(plan(hem), language));

describe('every family in the written pattern', () => {
  const hemWith = (id: string): Hem => {
    const family = familyById(id)!;
    const below = plan(rowsHem({ rounds: [entry()] })).rounds[1]!.ring;
    const needed = familyNeededBelow(family, below);
    const ids = needed && needed !== id ? [needed, id] : [id];
    const rounds = ids.map((f, i) => entry({ ...firstChoice(familyById(f)!), id: `r${i}`, family: f }));
    return rowsHem({ rounds: [entry(), ...rounds] });
  };

  test.each(FAMILIES.filter((f) => f.caution).map((f) => [f.id, f.caution!] as const))(
    '%s shows its caution at the round',
    (id, caution) => {
      expect(textOf(hemWith(id))).toContain(`Caution: ${caution}`);
    },
  );

  test.each(FAMILIES.map((f) => f.id))(
    '%s is told in the terms that are asked for, and in no others',
    (id) => {
      for (const language of ['us', 'uk'] as const)
        expect(oddWordsIn(textOf(hemWith(id), language), language)).toEqual([]);
    },
  );
});

describe('starts and joins', () => {
  const withStart = (start: Partial<RoundStarts>, rounds = [entry({ times: 2 })]): string => {
    const hem = rowsHem({ counts: [148, 166, 148, 166], rounds });
    return textOf({ ...hem, base: { ...hem.base, start: { ...hem.base.start, ...start } } });
  };

  test('a join that climbs says how many stitches lie between the corner and it, one more each round', () => {
    const text = withStart({ at: 'corner', join: 'climbing' });
    for (const sts of ['0 sts', '1 st', '2 sts'])
      expect(text).toContain(`Between the marked st of corner D/A and the join: ${sts}.`);
  });

  const between = (hem: Hem): readonly (number | null)[] =>
    proceduresOf(plan(hem)).map((p) => {
      const join = p.acts.find((a) => a.do === 'join');
      return join?.between?.stitches ?? null;
    });

  test('a join climbs as fast as the corner grows beside it', () => {
    const of = (corner: CornerId): readonly (number | null)[] =>
      between(rowsHem({ base: { corner }, rounds: [entry({ corner, times: 3 })] }));
    expect(of('three')).toEqual([0, 1, 2, 3]);
    expect(of('chain-2')).toEqual([0, 1, 2, 3]);
    expect(of('twos')).toEqual([0, 2, 4, 6]);
    expect(of('threes')).toEqual([0, 3, 6, 9]);
  });

  test('new yarn that is joined in the corner begins there again', () => {
    const rounds = [entry({ id: 'a', times: 2 }), entry({ id: 'b', yarn: 'y2', times: 3 })];
    expect(between(rowsHem({ rounds }))).toEqual([0, 1, 2, 0, 1, 2]);
  });

  test('stitches before a corner grow from round to round, whatever number the first began with', () => {
    const text = withStart({ at: 'before the corner', side: 1 }, [entry({ times: 3 })]);
    expect(text).toContain('in st 148 of side A.');
    const numbers = [...text.matchAll(/From the join to the marked st of corner A\/B: (\d+) sts/g)];
    expect(numbers.map((m) => Number(m[1]))).toEqual([4, 5, 6, 7]);
  });

  test('a join that stays at the corner begins every round there', () => {
    const text = withStart({ at: 'corner', join: 'centred' });
    expect(text).toContain('In corner D/A: 2 sc in the same place; the rest of this corner ends the round.');
    expect(text).toContain(
      'At the end of the round, finish corner D/A: 1 sc in the same place as the first st.',
    );
    expect(text).not.toContain('and the join:');
  });

  test('new yarn may be joined at the next corner', () => {
    const rounds = [entry({ id: 'a', yarn: 'y2' }), entry({ id: 'b' })];
    const text = withStart({ newYarn: 'next corner' }, rounds);
    expect(text).toContain('Join Other yarn with a sl st in the marked st of corner A/B.');
    expect(text).toContain('Join Plain yarn with a sl st in the marked st of corner B/C.');
    expect(text).toContain('Fasten off Other yarn, leaving a 6 in (15 cm) tail.');
  });

  test('a round may begin elsewhere than the others, and is joined on where it lies far away', () => {
    const start = {
      at: 'along the side',
      side: 2,
      join: 'climbing',
      first: 'chain',
      stitches: 1,
      chains: null,
    } as const;
    const text = withStart({}, [entry(), entry({ id: 'b', start })]);
    expect(text).toMatch(
      /Fasten off Plain yarn[^\n]*\n.*Join Plain yarn with a sl st in st \d+ of side C, counted from corner B\/C/,
    );
  });

  test('a chain counts for a stitch where the craft lets it, and the join goes into its top', () => {
    const counted = withStart({ first: 'counted chain' }, [entry({ stitch: 'dc' })]);
    expect(counted).toContain('Ch 1 (does not count as a st).');
    expect(counted).toContain('Ch 3 (counts as 1 dc).');
    expect(counted).toContain('Join with a sl st in the top of the ch-3.');
    const loop = withStart({ first: 'counted chain' }, [entry({ stitch: 'dc', loop: 'back' })]);
    expect(loop).not.toContain('counts as 1');
    // For a single it leaves a gap, and is not meant by whoever has chains count in general.
    const usual = ownStartOf(USUAL_START);
    const single = entry({ start: { ...usual, first: 'counted chain', chains: 2 } });
    expect(withStart({ first: 'counted chain' }, [entry()])).not.toContain('counts as 1');
    expect(withStart({}, [single])).toContain('Ch 2 (counts as 1 sc).');
    const standing = withStart({ first: 'standing' }, [entry({ stitch: 'dc', yarn: 'y2' })]);
    expect(standing).toContain('Join Other yarn with a standing dc in the marked st of corner D/A.');
  });

  test('yarn that is still on the hook goes on where the last row ended, and is not joined', () => {
    const right = withStart({ lastRow: 'right side' }, []);
    expect(right).toContain(
      'Go on with Plain yarn, which is still on the hook, in the end stitch of corner A/B. Do not turn.',
    );
    expect(right).toContain('of the 1 end:');
    const wrong = withStart({ lastRow: 'wrong side' }, []);
    expect(wrong).toMatch(
      /Turn the piece: its right side faces you\.\n.*Go on .* in the end stitch of corner D\/A\./,
    );
  });

  test('new yarn comes in with the join, and the last round is closed with a needle', () => {
    const rounds = [entry(), entry({ id: 'b', yarn: 'y2' })];
    const slip = withStart({ colour: 'closing slip stitch', ending: 'needle' }, rounds);
    expect(slip).toContain('Join with a sl st of Other yarn in the first sc.');
    expect(slip).toContain('Cut Plain yarn, leaving');
    expect(slip).not.toContain('Join Other yarn');
    expect(slip).toContain('join with a needle: under both loops of the second st');
    expect(slip).toContain('of the 4 ends:');
    expect(withStart({ colour: 'last yarn over' }, rounds)).toContain(
      'Draw the last yarn over of the last st through with Other yarn.',
    );
  });

  test.each([
    ['counted', /Start .*in st 7 of side C/],
    ['middle of the side', /in st 7\d of side C/],
  ] as const)('a round begins where it is said: %s', (at, where) => {
    const usual = ownStartOf(USUAL_START);
    const start = { ...usual, at, side: 2, stitches: 7 };
    expect(withStart({}, [entry({ start, yarn: 'y2' })])).toMatch(
      new RegExp(where.source.replace('Start .*', 'Join Other yarn with a sl st ')),
    );
  });

  test('a turned round runs the other way around, and back again', () => {
    const text = withStart({}, [
      entry({ facing: 'wrong' }),
      entry({ id: 'b', facing: 'wrong' }),
      entry({ id: 'c' }),
    ]);
    expect(
      text.match(/Turn\. The wrong side faces you in this round\. The sides come in the other order/g),
    ).toHaveLength(1);
    expect(text.match(/Turn back: the right side faces you again\./g)).toHaveLength(1);
  });

  test('what differs by hand is written out for that hand', () => {
    const hem = rowsHem({ rounds: [entry({ family: 'reverse-edge', corner: 'walk' })] });
    const left = textOf({ ...hem, preferences: { ...hem.preferences, hand: 'left' } }, 'uk');
    expect(left).toContain('work from left to right along each side. Go around clockwise: A, B, C, D.');
    expect(left).toContain('Work backward, from right to left.');
    expect(textOf(hem, 'uk')).toContain(
      'work from right to left along each side. Go around anticlockwise: A, B, C, D.',
    );
    expect(textOf(hem, 'us')).toContain('Work backward, from left to right.');
  });
});

describe('what differs from side to side', () => {
  test('quiet changes are told where they fall', () => {
    const changed = entry({ changes: { '0': [1, 0, -1, 0] } });
    const text = textOf(rowsHem({ rounds: [changed] }));
    expect(text).toContain('Side A: 2 sc in st 76, counted from the corner.');
    expect(text).toContain('Side C: sc2tog over sts 76 and 77, counted from the corner.');
    const skips = entry({
      family: 'cluster',
      stitch: 'dc',
      corner: 'threes',
      changes: { '0': [2, 0, 0, 0] },
    });
    const skipped = textOf(rowsHem({ rounds: [skips] }));
    expect(skipped).toContain('Side A: at the first skip, skip 3 sts instead of 2.');
    expect(skipped).toContain('Side A: at the last skip, skip 3 sts instead of 2.');
    expect(textOf(rowsHem({ rounds: [skips] }), 'uk')).toContain(
      'at the first miss, miss 3 sts instead of 2.',
    );
  });

  test('the foundation says what it is worked into', () => {
    const hem = rowsHem();
    const into = (
      foundation: 'one loop of the chain' | 'stitches of row 1' | 'between the posts of row 1',
    ): string => {
      const { piece } = hem;
      if (piece.kind !== 'rows') throw new Error('a piece in rows was wanted');
      return textOf({ ...hem, piece: { ...piece, foundation } });
    };
    expect(into('one loop of the chain')).toContain('Work into one loop of the chain.');
    expect(into('stitches of row 1')).toContain('Work into the stitches of row 1');
    expect(into('between the posts of row 1')).toContain('Work into the spaces between the posts of row 1');
  });

  test.each<[CrossingId, string]>([
    ['together', 'sc2tog over its two corner spaces'],
    ['three', '1 sc in its first corner space, sc2tog over both, 1 sc in its second'],
    ['tall', '1 hdc into the dip of the seam'],
    ['skip', 'nothing, skip it'],
  ])('joins crossed %s', (crossing, words) => {
    const hem = rowsHem();
    const grid = changePiece(hem, {
      kind: 'grid',
      lattice: 'squares',
      halves: false,
      halfStitches: null,
      cornerChains: 2,
      cells: ['####'],
      edge: { kind: 'solid', stitch: 'dc', stitches: 20, between: false },
      motifCm: 14,
    });
    const text = textOf({ ...hem, ...grid, base: { ...grid.base, crossing } });
    expect(text).toContain(`at each of the 3 seams: ${words}`);
  });

  test('inner corners are told apart from outer ones', () => {
    const hem = rowsHem();
    const grid = changePiece(hem, {
      kind: 'grid',
      lattice: 'squares',
      halves: false,
      halfStitches: null,
      cornerChains: 2,
      cells: ['#.', '##'],
      edge: { kind: 'solid', stitch: 'dc', stitches: 20, between: false },
      motifCm: 14,
    });
    const text = textOf({ ...hem, ...grid });
    expect(text).toMatch(/Corner E\/F: sc2tog in the two corner spaces that meet\.|Corners? .*sc2tog/);
  });

  test('a round on another hook says so, and one that faces the other way', () => {
    const text = textOf(rowsHem({ rounds: [entry({ hookMm: 4, facing: 'wrong' })] }));
    expect(text).toContain('Change to hook US G-6 (4 mm).');
    expect(text).toContain('Turn. The wrong side faces you in this round.');
  });

  test('a round that does not come out even says how to mend it', () => {
    const text = textOf(rowsHem({ counts: [150, 168, 150, 168], rounds: [entry({ family: 'shell' })] }));
    expect(text).toMatch(
      /Take care: round 1: Shell edge does not fit side A: 152 stitches there, 1 left over\. In the base round, take away 1 there or add 3/,
    );
  });
});

describe('as a good pattern is laid out', () => {
  test('special stitches say how they are made, in the language in force', () => {
    const hem = rowsHem({
      rounds: [entry(), entry({ ...firstChoice(familyById('puff')!), id: 'p', family: 'puff' })],
    });
    expect(textOf(hem, 'us')).toContain(
      'Puff: Yarn over. Insert the hook under both loops of the stitch. Yarn over, draw up a long loop',
    );
    expect(textOf(hem, 'uk')).toContain('Puff: Yarn round hook.');
    expect(textOf(rowsHem())).not.toContain('Special stitches');
  });

  test('materials name yarn with its range, hook, gauge, markers and the basis of the estimate', () => {
    const text = textOf(rowsHem({ rounds: [entry({ hookMm: 4 })] }));
    expect(text).toMatch(/Plain yarn: about \d+ m, \d+–\d+ g: \d+ balls? of 50 g\./);
    expect(text).toContain(
      'Hook US H-8 (5 mm), and US G-6 (4 mm) where a round says so. Gauge: 14 sc = 10 cm',
    );
    expect(text).toContain('it can be a fifth too high or too low. Buy for the higher number');
    expect(text).toContain('5 stitch markers, one for each corner');
  });

  test('the maker’s own notes are printed', () => {
    expect(textOf({ ...rowsHem(), notes: 'For the guest room.\nWash cold.' })).toContain(
      '  For the guest room.\n  Wash cold.',
    );
  });

  test('Markdown has a heading for every section and no mark that is not meant', () => {
    const pattern = writtenPattern(plan(rowsHem({ rounds: [entry()] })));
    const text = patternMarkdown(pattern);
    expect(text.match(/^## /gm)).toHaveLength(pattern.sections.length);
    expect(text).toContain('sc in each st');
    expect(text).toMatch(/^- \*\*Count from marker to marker: A 154/m);
  });
});

describe('measures', () => {
  test('are rounded as a pattern prints them', () => {
    expect(lengthWords(1524, 'cm')).toBe('152.5 cm');
    expect(lengthWords(1524, 'in')).toBe('60 in');
    expect(sizeWords({ widthMm: 1180, heightMm: 1520 }, 'cm')).toBe('118 × 152 cm');
    expect(yarnLengthWords(91.44, 'in')).toBe('100 yd');
    expect([0, 0.01, 0.34, 0.97, 1.4].map((m) => yarnLengthWords(m, 'cm'))).toEqual([
      '0 m',
      '0.1 m',
      '0.3 m',
      '1 m',
      '1 m',
    ]);
    expect([smallLengthWords(7.37, 'cm'), smallLengthWords(7.37, 'in')]).toEqual(['7.4 mm', '0.29 in']);
    expect([0.0132, -0.0004, -0.05].map(percentWords)).toEqual(['+1.3%', '0.0%', '−5.0%']);
    expect(rangeWords(100, 0.2)).toBe('80–120');
    expect([plural(1, 'ball'), plural(2, 'stitch'), plurals('chain')]).toEqual([
      '1 ball',
      '2 stitches',
      'chains',
    ]);
  });
});

describe('what a round needs and how it grows', () => {
  test.each(Object.values(PLACE_NAMES).flatMap(({ short, long }) => [short, long]))(
    'one %s, many %s',
    (one, many) => {
      expect([plurals(one), plural(1, one), plural(2, one)]).toEqual([many, `1 ${one}`, `2 ${many}`]);
    },
  );

  test.each(FAMILIES.map((family) => [family.name, family] as const))('%s', (_, family) => {
    const facts = factsOf(family);
    const nouns = Object.values(PLACE_NAMES).flatMap(({ long }) => [...long]);
    const needed = /^repeats every \d+ (.+?)(?:, plus \d+)? (?:on each side|in the whole round)/;
    const needs = needsWords(facts);
    if (needs !== 'fits any count') expect(nouns).toContain(needed.exec(needs)?.[1]);
    const grows = growthWords(facts, family.edge);
    if (/^each side/.test(grows)) {
      const [, count, noun] = /^each side (?:gains (\d+)|keeps its) (.+)$/.exec(grows)!;
      const { long } = PLACE_NAMES[facts.places ? facts.nextSitsOn! : 'stitch'];
      expect(noun).toBe(count === '1' ? long[0] : long[1]);
    } else
      expect(grows).toMatch(
        /^(an edging: nothing goes on top|counts stay the same|the count changes|the next round goes into the .+)$/,
      );
  });
});

describe('sentences that misled whoever followed them', () => {
  const texts = demoPlans().map(([name, made]) => [name, made, patternText(writtenPattern(made))] as const);

  test.each(texts)(
    '%s: every abbreviation is explained, and nothing goes into the join of the last round',
    (_, made, text) => {
      if (/\b[Cc]h \d/.test(text)) expect(text).toContain('ch chain');
      const last = made.rounds.at(-1)!;
      const sections = writtenPattern(made).sections.filter((s) => s.rounds.includes(last.number));
      expect(sections.flatMap((s) => s.lines.map((l) => l.text)).join(' ')).not.toContain('next round.');
    },
  );

  test('a counted chain in a corner that is worked first is one of its stitches', () => {
    const start = {
      at: 'whole corner',
      side: 0,
      join: 'centred',
      first: 'counted chain',
      stitches: 1,
      chains: null,
    } as const;
    const of = (first: 'counted chain' | 'chain') =>
      patternText(
        writtenPattern(plan(rowsHem({ rounds: [entry({ stitch: 'hdc', start: { ...start, first } })] }))),
      );
    expect(of('counted chain')).toContain('first, all of it; the chain is its first st.');
    expect(of('chain')).toContain('first, all of it.');
  });

  test('a round that goes on with the wrong side facing says so', () => {
    const rounds = [entry({ facing: 'wrong' }), entry({ id: 'b', facing: 'wrong' }), entry({ id: 'c' })];
    const text = patternText(writtenPattern(plan(rowsHem({ rounds }))));
    expect(text).toContain('Turn. The wrong side faces you in this round.');
    expect(text.match(/The wrong side still faces you\./g)).toHaveLength(1);
    expect(text).toContain('Turn back: the right side faces you again.');
  });

  test('reverse stitches are told for the hand that makes them', () => {
    const hem = rowsHem({ rounds: [entry({ family: 'reverse-edge', corner: 'walk' })] });
    const of = (hand: 'left' | 'right') =>
      patternText(writtenPattern(plan({ ...hem, preferences: { ...hem.preferences, hand } })));
    expect(of('right')).toContain('in the next stitch to the right, hook pointing down');
    expect(of('left')).toContain('in the next stitch to the left, hook pointing down');
  });
});
