import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { chartOf } from '../chart/chart.ts';
import { checkHem, readHem, writeHem } from '../document/check.ts';
import type { Hem, RoundEntry } from '../document/hem.ts';
import { verdict } from '../flat/flat.ts';
import { createPlanner, plan } from './planner.ts';
import { problemLine, whereWords } from '../problems.ts';
import { stitchOf } from '../ring/stitch.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { writtenPattern } from '../print/steps/pattern.ts';
import { patternText } from '../print/patternText.ts';
import { quantity, yarnInStitchMm } from '../yarn/yarn.ts';

const demos = readdirSync('demo')
  .filter((f) => f.endsWith('.hem.json'))
  .map((f) => [f, readFileSync(`demo/${f}`, 'utf8')] as const);

describe('size and strain', () => {
  test('the border adds its height on both sides', () => {
    const made = plan(rowsHem({ rounds: [entry({ stitch: 'hdc', times: 2 })] }));
    const width = 100 / 14;
    expect(made.finishedSize.widthMm).toBeCloseTo(1100 + 2 * width * (0.95 + 2 * 1.35), 3);
    expect(made.finishedSize.heightMm).toBeCloseTo(1180 + 2 * width * (0.95 + 2 * 1.35), 3);
  });

  test('half doubles with three in the corner lose about 0.45 % a round on 150 stitches', () => {
    const side = (150 * 100) / 14 / 10;
    const made = plan(
      rowsHem({
        widthCm: side,
        heightCm: side,
        counts: [148, 148, 148, 148],
        rounds: [entry({ stitch: 'hdc', times: 10 })],
      }),
    );
    const strains = made.rounds.map((r) => r.sides[0]!.strain);
    const perRound = (strains[10]! - strains[0]!) / 10;
    expect(perRound).toBeGreaterThan(-0.0047);
    expect(perRound).toBeLessThan(-0.0033);
    expect(verdict(strains[10]!)).toBe('blocks out');
  });

  test('the flat count is where the base round has no strain, and the band is where it stays within the limits', () => {
    const hem = rowsHem({ counts: [148, 148, 148, 148] });
    const side = plan(hem).sides[0]!;
    const strainAt = (count: number): number =>
      plan(rowsHem({ counts: [count, 148, 148, 148] })).rounds[0]!.sides[0]!.strain;
    const below = Math.floor(side.flatCount);
    expect(strainAt(below)).toBeLessThanOrEqual(0);
    expect(strainAt(below + 1)).toBeGreaterThan(0);
    expect(Math.abs(strainAt(Math.ceil(side.flatFrom)))).toBeLessThanOrEqual(0.02);
    expect(Math.abs(strainAt(Math.ceil(side.flatFrom) - 1))).toBeGreaterThan(0.02);
  });
});

describe('yarn', () => {
  test('a worsted single takes 41.7 mm, and 616 of them 25.7 m', () => {
    const mm = yarnInStitchMm(stitchOf({ kind: 'sc' }), 7.14, 3);
    expect(mm).toBeCloseTo(41.7, 1);
    expect((mm * 616) / 1000).toBeCloseTo(25.7, 1);
  });

  test.each([
    ['slst', 28],
    ['sc', 41],
    ['hdc', 62],
    ['dc', 74],
  ] as const)('%s takes about %i mm in worsted', (kind, mm) => {
    expect(Math.abs(yarnInStitchMm(stitchOf({ kind }), 7, 3) - mm)).toBeLessThan(1.5);
  });

  test('every round is counted in its own yarn, and two tails for every stretch', () => {
    const rounds = [entry({ id: 'a', yarn: 'y2' }), entry({ id: 'b', yarn: 'y1' }), entry({ id: 'c' })];
    const made = plan(rowsHem({ rounds }));
    const metres = (id: string): number =>
      made.rounds.filter((r) => r.yarnId === id).reduce((sum, r) => sum + r.yarnM, 0);
    expect(made.yarns.map((y) => y.ends)).toEqual([4, 2]);
    expect(made.yarns[0]!.quantity.metres).toBeCloseTo(metres('y1') + 4 * 0.15, 6);
    expect(made.yarns[1]!.quantity.metres).toBeCloseTo(metres('y2') + 2 * 0.15, 6);
  });

  test('balls last on the high side of the estimate', () => {
    const yarn = rowsHem().yarns[0]!;
    expect(quantity(190 * 0.42, yarn, 0.2)).toMatchObject({ grams: 42, balls: 2 });
    expect(quantity(0, yarn, 0.2).balls).toBe(0);
  });
});

describe('the words', () => {
  test.each(demos)('%s: counts in the text are those of the ring, in both languages', (_, text) => {
    const made = plan(hemOf(text));
    for (const language of ['us', 'uk'] as const) {
      const printed = patternText(writtenPattern(made, language));
      const lines = printed.split('\n').filter((l) => /^ *Count\b/.test(l));
      expect(lines).toHaveLength(made.rounds.length);
      lines.forEach((line, k) => {
        const numbers = [
          ...line
            .replace(/^ *Count[^:]*:/, '')
            .replace(/ In all:.*/, '')
            .matchAll(/\b[A-Z]\d* (\d+)/g),
        ].map((m) => Number(m[1]));
        const disc = made.body.outline.turns.length === 0;
        expect(numbers).toEqual(disc ? [] : made.rounds[k]!.sides.map((s) => s.tally.stitches));
        expect(Number((/In all: (\d+) sts/.exec(line) ?? /: (\d+) sts/.exec(line))![1])).toBe(
          made.rounds[k]!.total,
        );
      });
      expect(printed).toContain(`${language.toUpperCase()} crochet terms`);
    }
  });
});

describe('the chart', () => {
  test.each(demos)('%s: draws every stitch of the ring once, at a place of its own', (_, text) => {
    const made = plan(hemOf(text));
    const charts = chartOf(made);
    charts.forEach((chart, k) => {
      const { ring } = made.rounds[k]!;
      expect(chart.headX).toHaveLength(ring.made.length);
      const points = new Set(ring.made.map((_, i) => `${chart.headX[i]} ${chart.headY[i]}`));
      expect(points.size).toBe(ring.made.length);
      expect(chart.footX.every(Number.isFinite)).toBe(true);
    });
  });

  test('runs anticlockwise, and corners lie on the diagonal', () => {
    const made = plan(rowsHem({ rounds: [entry({ corner: 'chain-2' })] }));
    const chart = chartOf(made)[1]!;
    let area = 0;
    chart.headX.forEach((x, i) => {
      const j = (i + 1) % chart.headX.length;
      area += x * chart.headY[j]! - chart.headX[j]! * chart.headY[i]!;
    });
    expect(area).toBeLessThan(0);
    const half = { x: made.finishedSize.widthMm / 2, y: made.finishedSize.heightMm / 2 };
    const at = made.rounds[1]!.ring.centres.map((c) => [chart.headX[c.start]!, chart.headY[c.start]!]);
    const signs = [
      [1, -1],
      [-1, -1],
      [-1, 1],
      [1, 1],
    ];
    at.forEach(([x, y], i) => {
      expect(x).toBeCloseTo(half.x * signs[i]![0]!, 1);
      expect(y).toBeCloseTo(half.y * signs[i]![1]!, 1);
    });
  });
});

describe('the planner', () => {
  test('an edit reworks only what stands on it', () => {
    const planner = createPlanner();
    const rounds = [1, 2, 3, 4, 5].map((n) => entry({ id: `r${n}` }));
    const hem = rowsHem({ rounds });
    const before = planner(hem);
    const edited = { ...hem, rounds: hem.rounds.map((r, i) => (i === 3 ? { ...r, yarns: ['y2'] } : r)) };
    const after = planner(edited);
    expect([0, 1, 2, 3].map((k) => after.rounds[k]!.ring === before.rounds[k]!.ring)).not.toContain(false);
    expect(after.rounds[2]).toBe(before.rounds[2]);
    expect(after.rounds[4]!.ring).toBe(before.rounds[4]!.ring);
    expect(after.rounds[4]!.yarnId).toBe('y2');
    expect(after).toEqual(plan(edited));
  });
});

describe('an edit works anew only what stands on it', () => {
  const of = (before: Hem, after: Hem): readonly string[] => {
    const worked: string[] = [];
    const planner = createPlanner((stage) => worked.push(stage));
    planner(before);
    worked.length = 0;
    planner(after);
    return worked.sort();
  };
  const hem = rowsHem({ rounds: [1, 2, 3, 4].map((n) => entry({ id: `r${n}` })) });
  const withRound = (i: number, part: Partial<RoundEntry>): Hem => ({
    ...hem,
    rounds: hem.rounds.map((r, k) => (k === i ? { ...r, ...part } : r)),
  });

  test.each<[string, Hem, readonly string[]]>([
    ['nothing was changed', { ...hem }, []],
    ['notes, a name, another unit', { ...hem, notes: 'x', name: 'y' }, []],
    ['the unit of length', { ...hem, preferences: { ...hem.preferences, length: 'in' } }, ['problems']],
    [
      'the pace',
      { ...hem, pace: 20 },
      ['problems', 'yarn 0', 'yarn 1', 'yarn 2', 'yarn 3', 'yarn 4', 'yarns'],
    ],
    [
      'the yarn of the last round',
      withRound(3, { yarns: ['y2'] }),
      ['calibration y1', 'calibration y2', 'judged 4', 'problems', 'round 4', 'stack', 'yarn 4', 'yarns'],
    ],
    [
      'the stitch of the last round but one',
      withRound(2, { stitch: 'dc' }),
      [
        'calibration y1',
        'calibration y2',
        'joining',
        'judged 3',
        'judged 4',
        'problems',
        'ring 3',
        'ring 4',
        'room 3',
        'room 4',
        'round 3',
        'round 4',
        'stack',
        'yarn 3',
        'yarn 4',
        'yarns',
      ],
    ],
  ])('%s', (_, after, stages) => {
    expect(of(hem, after)).toEqual(stages);
  });

  test('a count on one side leaves the placement of the others alone', () => {
    const sides = hem.base.sides.map((s, i) => (i === 0 ? { ...s, count: 151 } : s));
    const worked = of(hem, { ...hem, base: { ...hem.base, sides } });
    expect(worked.filter((s) => s.startsWith('placement'))).toEqual(['placement 0']);
    expect(worked).not.toContain('stack');
  });

  test('what a shorter stack no longer needs is forgotten', () => {
    const worked: string[] = [];
    const planner = createPlanner((stage) => worked.push(stage));
    planner(hem);
    planner({ ...hem, rounds: hem.rounds.slice(0, 2) });
    worked.length = 0;
    planner(hem);
    expect(worked).toEqual(expect.arrayContaining(['round 3', 'round 4', 'ring 3', 'ring 4']));
  });
});

describe('the project file', () => {
  test.each(demos)('%s is sound, and what is written is what is read', (_, text) => {
    const hem = hemOf(text);
    expect(readHem(writeHem(hem))).toEqual({ ok: true, value: hem });
  });

  const hem = rowsHem({ rounds: [entry()] });
  test.each([
    ['not JSON', '{"format":', 'the file', 'file-cut-off'],
    ['another format', '{"format":"x"}', 'format', 'file-not-a-hem'],
    ['a later version', JSON.stringify({ ...hem, version: 99 }), 'version', 'file-too-new'],
    [
      'a wrong stitch',
      JSON.stringify({ ...hem, base: { ...hem.base, stitch: 'xx' } }),
      'base.stitch',
      'value-unsound',
    ],
    [
      'a yarn that is not there',
      JSON.stringify({ ...hem, base: { ...hem.base, yarn: 'no' } }),
      'base.yarn',
      'yarn-unknown',
    ],
    [
      'an unknown family',
      JSON.stringify({ ...hem, rounds: [entry({ family: 'no' })] }),
      'rounds.0.family',
      'family-unknown',
    ],
    ['an id used twice', JSON.stringify({ ...hem, rounds: [entry(), entry()] }), 'rounds.1.id', 'id-twice'],
    [
      'three sides',
      JSON.stringify({ ...hem, base: { ...hem.base, sides: hem.base.sides.slice(1) } }),
      'base.sides',
      'sides-mismatch',
    ],
  ])('%s is refused by place and code', (_, text, place, code) => {
    const outcome = readHem(text);
    expect(outcome.ok ? [] : outcome.problems.map((p) => [whereWords(p.where), p.code])).toEqual([
      [place, code],
    ]);
  });

  test('all faults are named at once', () => {
    const outcome = checkHem({ ...hem, name: '', pieceColour: 'red' });
    expect(outcome.ok ? [] : outcome.problems.map((p) => whereWords(p.where))).toEqual([
      'name',
      'pieceColour',
    ]);
  });
});

function hemOf(text: string): Hem {
  const outcome = readHem(text);
  if (!outcome.ok) throw new Error(outcome.problems.map(problemLine).join('\n'));
  return outcome.value;
}
