import { describe, expect, test } from '@jest/globals';
import type { CrossingId } from '../base/crossings.ts';
import type { Start } from '../base/start.ts';
import { changePiece } from '../document/changePiece.ts';
import type { Hem } from '../document/hem.ts';
import { plan } from '../plan.ts';
import { firstChoice, groundNeeded } from '../rounds/facts.ts';
import { FAMILIES, familyById } from '../rounds/registry.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import {
  lengthWords,
  percentWords,
  plural,
  plurals,
  rangeWords,
  sizeWords,
  yarnLengthWords,
} from './measures.ts';
import type { CornerId } from '../terms/corners.ts';
import { stitchesToJoins } from './joins.ts';
import { patternOf } from './pattern.ts';
import { patternMarkdown, patternText } from './patternText.ts';

const textOf = (hem: Hem, language: 'us' | 'uk' = 'us'): string =>
  patternText(patternOf(plan(hem), language));

describe('every family in the written pattern', () => {
  const hemWith = (id: string): Hem => {
    const family = familyById(id)!;
    const below = plan(rowsHem({ rounds: [entry()] })).rounds[1]!.ring;
    const needed = groundNeeded(family, below);
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
});

describe('starts and joins', () => {
  const withStart = (start: Partial<Start>): string => {
    const hem = rowsHem({ counts: [148, 166, 148, 166], rounds: [entry({ times: 2 })] });
    return textOf({ ...hem, base: { ...hem.base, start: { ...hem.base.start, ...start } } });
  };

  test('a join that climbs says how many stitches lie between the corner and it, one more each round', () => {
    const text = withStart({ at: 'corner', join: 'climbing' });
    expect(text).toContain('Between the last corner’s centre and the join: 1 stitch.');
    expect(text).toContain('Between the last corner’s centre and the join: 2 stitches.');
  });

  test('a join climbs as fast as the corner grows beside it', () => {
    const between = (corner: CornerId): readonly (number | null)[] =>
      stitchesToJoins(plan(rowsHem({ base: { corner }, rounds: [entry({ corner, times: 3 })] })));
    expect(between('three')).toEqual([0, 1, 2, 3]);
    expect(between('chain-2')).toEqual([0, 1, 2, 3]);
    expect(between('twos')).toEqual([0, 2, 4, 6]);
    expect(between('threes')).toEqual([0, 3, 6, 9]);
  });

  test('new yarn that is joined in the corner begins there again', () => {
    const rounds = [entry({ id: 'a', times: 2 }), entry({ id: 'b', yarn: 'y2', times: 3 })];
    expect(stitchesToJoins(plan(rowsHem({ rounds })))).toEqual([0, 1, 2, 0, 1, 2]);
  });

  test('in rounds of chain spaces the join is followed too', () => {
    const hem = rowsHem({
      base: { corner: 'chain-2' },
      rounds: [
        entry({ family: 'filet-mesh', stitch: 'dc', corner: 'chain-2' }),
        entry({ id: 'f', family: 'fill-loops', corner: 'chain-2' }),
      ],
    });
    const [base, mesh, filled] = stitchesToJoins(plan(hem)) as readonly number[];
    expect(base).toBe(0);
    // The stitches of the mesh stand two places apart: one of them and the corner’s own come before the join.
    expect(mesh).toBeLessThanOrEqual(2);
    expect(filled).toBeLessThanOrEqual(4);
  });

  test('a centred join slips back to the corner', () => {
    const text = withStart({ at: 'corner', join: 'centred' });
    expect(text).toContain('Slip to the corner’s centre, where the next round begins.');
    expect(text).not.toContain('Between the last corner’s centre');
  });

  test('other schools begin before the corner, or along a side', () => {
    expect(withStart({ at: 'before the corner', side: 1 })).toContain('Begin 3 stitches before corner A/B.');
    expect(withStart({ at: 'along the side', side: 2 })).toContain(
      'Begin along side C, a third of the way on.',
    );
  });

  test('a starting chain that counts is as tall as its stitch, and the join goes into its top', () => {
    const counted = withStart({ chainCounts: true });
    expect(counted).toContain('Ch 1, which counts as the first stitch.');
    expect(counted).toContain('to the top of the starting chain');
    expect(withStart({ chainCounts: false })).toContain('Ch 1, which does not count as a stitch.');
  });
});

describe('what differs from side to side', () => {
  test('quiet changes are told where they fall', () => {
    const changed = entry({ changes: { '0': [1, 0, -1, 0] } });
    expect(textOf(rowsHem({ rounds: [changed] }))).toContain(
      'Quiet change: on A 2 in one place once; on C 2 together once.',
    );
    const skips = entry({
      family: 'cluster',
      stitch: 'dc',
      corner: 'threes',
      changes: { '0': [2, 0, 0, 0] },
    });
    expect(textOf(rowsHem({ rounds: [skips] }))).toContain(
      'on A skip one more at the first skip and the last',
    );
  });

  test('the foundation says what it is worked into', () => {
    const hem = rowsHem();
    const into = (foundation: 'one loop of the chain' | 'stitches of row 1'): string => {
      const { piece } = hem;
      if (piece.kind !== 'rows') throw new Error('a piece in rows was wanted');
      return textOf({ ...hem, piece: { ...piece, foundation } });
    };
    expect(into('one loop of the chain')).toContain('Work into one loop of the chain.');
    expect(into('stitches of row 1')).toContain('Work into the stitches of row 1');
  });

  test.each<[CrossingId, string]>([
    ['together', 'two together across the spaces'],
    ['tall', 'one taller stitch into the dip'],
    ['skip', 'skip it'],
  ])('joins crossed %s', (crossing, words) => {
    const hem = rowsHem();
    const grid = changePiece(hem, { kind: 'grid', cells: ['####'], motifStitches: 20, motifCm: 14 });
    const text = textOf({ ...hem, ...grid, base: { ...grid.base, crossing } });
    expect(text).toContain(`at each of the 3 joins ${words}`);
  });

  test('inner corners are told apart from outer ones', () => {
    const hem = rowsHem();
    const grid = changePiece(hem, { kind: 'grid', cells: ['#.', '##'], motifStitches: 20, motifCm: 14 });
    const text = textOf({ ...hem, ...grid });
    expect(text).toMatch(/Corner E\/F: sc2tog in the two corner spaces that meet\.|Corners? .*sc2tog/);
  });

  test('a round on another hook says so, and one that faces the other way', () => {
    const text = textOf(rowsHem({ rounds: [entry({ hookMm: 4, facing: 'wrong' })] }));
    expect(text).toContain('Hook 4 mm (G).');
    expect(text).toContain('Turn: the wrong side faces you now.');
  });

  test('a round that does not come out even says how to mend it', () => {
    const text = textOf(rowsHem({ counts: [150, 168, 150, 168], rounds: [entry({ family: 'shell' })] }));
    expect(text).toMatch(
      /Take care: round 1: Shell edge does not come out even on side A: 152 stitches there, 1 over\. Take 1 fewer or 3 more/,
    );
  });
});

describe('as a good pattern is laid out', () => {
  test('special stitches say how they are made, in the language in force', () => {
    const hem = rowsHem({
      rounds: [entry(), entry({ ...firstChoice(familyById('puff')!), id: 'p', family: 'puff' })],
    });
    expect(textOf(hem, 'us')).toContain(
      'Puff: Yarn over. Put the hook under both loops of the stitch. Yarn over, draw up a long loop',
    );
    expect(textOf(hem, 'uk')).toContain('Puff: Yarn round hook.');
    expect(textOf(rowsHem())).not.toContain('Special stitches');
  });

  test('materials name yarn with its range, hook, gauge, markers and the basis of the estimate', () => {
    const text = textOf(rowsHem({ rounds: [entry({ hookMm: 4 })] }));
    expect(text).toMatch(/Plain yarn: about \d+ m, \d+–\d+ g: \d+ balls? of 50 g\./);
    expect(text).toContain(
      'Hook 5 mm (H), and 4 mm (G) where a round says so. Gauge of the border: 14 stitches',
    );
    expect(text).toContain('±20 % until something has been weighed');
    expect(text).toContain('5 stitch markers, one for each corner');
  });

  test('the maker’s own notes are printed', () => {
    expect(textOf({ ...rowsHem(), notes: 'For the guest room.\nWash cold.' })).toContain(
      '  For the guest room.\n  Wash cold.',
    );
  });

  test('Markdown has a heading for every section and no mark that is not meant', () => {
    const pattern = patternOf(plan(rowsHem({ rounds: [entry()] })));
    const text = patternMarkdown(pattern);
    expect(text.match(/^## /gm)).toHaveLength(pattern.sections.length);
    expect(text).toContain('\\*sc in next st\\*; repeat from \\* to \\* to the corner');
    expect(text).toMatch(/^- \*\*Counts: A 154/m);
  });
});

describe('measures', () => {
  test('are rounded as a pattern prints them', () => {
    expect(lengthWords(1524, 'cm')).toBe('152.5 cm');
    expect(lengthWords(1524, 'in')).toBe('60 in');
    expect(sizeWords({ widthMm: 1180, heightMm: 1520 }, 'cm')).toBe('118 × 152 cm');
    expect(yarnLengthWords(91.44, 'in')).toBe('100 yd');
    expect([0.0132, -0.0004, -0.05].map(percentWords)).toEqual(['+1.3 %', '0.0 %', '−5.0 %']);
    expect(rangeWords(100, 0.2)).toBe('80–120');
    expect([plural(1, 'ball'), plural(2, 'stitch'), plurals('chain')]).toEqual([
      '1 ball',
      '2 stitches',
      'chains',
    ]);
  });
});
