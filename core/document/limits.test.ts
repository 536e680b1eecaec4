import { describe, expect, test } from '@jest/globals';
import { strToU8, zipSync } from 'fflate';
import { fitHem } from '../fit/open.ts';
import { FIT_BUDGET } from '../fit/sideTask.ts';
import { fitTask } from '../fit/task.ts';
import { solveFit } from '../fit/fit.ts';
import { LIMITS } from '../limits.ts';
import { parseRound } from '../notation/parse.ts';
import { plan } from '../plan/planner.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { saying } from '../testing/zips.ts';
import { patternMarkdown, patternText } from '../print/patternText.ts';
import { writtenPattern } from '../print/steps/pattern.ts';
import { readPattern } from '../print/readPattern.ts';
import { readBundle } from './bundle.ts';
import { csvText, readCounts, readGrid } from './csv.ts';

const codes = (outcome: {
  readonly ok: boolean;
  readonly problems?: readonly { readonly code: string }[];
}) => (outcome.ok ? [] : outcome.problems!.map((p) => p.code));

describe('a written round that is too much', () => {
  const round = (side: string, corner = '3 sc in corner') =>
    codes(parseRound(`side: ${side}\ncorner: ${corner}`, 'us'));

  test.each([
    ['*999999999999999 dc in next st*', 'written-too-many'],
    ['*9999999 dc in next st*', 'written-too-many'],
    ['*ch 99999999, sc in next st*', 'written-too-many'],
    ['*[500 dc in next st] 500 times*', 'written-repeat-in-repeat'],
    ['[500 dc in next st] 500 times, *sc in next st*', 'written-too-many'],
    [
      '*sc in each of next 500 sts, dc in each of next 500 sts, hdc in each of next 500 sts, sk 500, sk 500*',
      'written-too-many',
    ],
    ['*dc300tog*', 'written-too-many'],
    ['*0 dc in next st*', 'written-zero'],
    ['*sk 0, sc in next st*', 'written-zero'],
    [`${'['.repeat(500)}sc in next st${'] 2 times'.repeat(500)}`, 'written-too-deep'],
    [`${'*'.repeat(900)}sc in next st`, 'written-two-open-repeats'],
    ['sc in next st, '.repeat(500), 'written-too-long'],
  ])('%s is refused by name', (side, code) => {
    expect(round(side.length > 3000 && code !== 'written-too-long' ? side.slice(0, 3000) : side)).toContain(
      code,
    );
  });

  test('is looked through once, however it is spaced', () => {
    const long = ['*', ', sl st in first sc', '* rep from ', '. join', '[ '].map((part) =>
      `${part}${' '.repeat(600)}`.repeat(6).slice(0, LIMITS.writtenLetters),
    );
    // One that was looked through again and again would not come back in the time of a test.
    for (const side of long) expect(parseRound(side, 'us').ok).toBe(false);
  });

  test('at its corner is refused too, and what people work is not', () => {
    const groups = Array.from({ length: 300 }, () => '400 dc').join(', ');
    expect(round('*sc in next st*', `(${groups}) in corner`)).toEqual(['written-too-many']);
    expect(round('[sc in next st] 40 times, *sc in each of next 12 sts, 9 dc in next st, sk 2*')).toEqual([]);
  });
});

describe('a border that is too large', () => {
  const ruffles = Array.from({ length: 12 }, (_, i) =>
    entry({ id: `f${i}`, family: 'ruffle', stitch: 'dc' }),
  );

  test('is worked as far as the limit, and what is not worked is told', () => {
    const made = plan(rowsHem({ rounds: ruffles }));
    const [told] = made.problems.filter((p) => p.code === 'round-too-large');
    expect(made.rounds.length).toBeLessThan(8);
    expect(made.rounds.every((r) => r.total <= LIMITS.stitchesInRound)).toBe(true);
    expect(told).toMatchObject({
      where: { in: 'round', number: made.rounds.length },
      values: { most: LIMITS.stitchesInRound },
    });
    expect(patternText(writtenPattern(made))).toContain('are not worked');
  });

  test('has a limit for all its rounds together', () => {
    const wide = rowsHem({
      counts: [3000, 3000, 3000, 3000],
      rounds: Array.from({ length: 3 }, (_, i) => entry({ id: `r${i}`, times: 99 })),
    });
    const made = plan(wide);
    expect(made.rounds.reduce((sum, r) => sum + r.total, 0)).toBeLessThanOrEqual(LIMITS.stitchesInBorder);
    expect(made.problems.map((p) => p.code)).toContain('round-too-large');
  });

  test('stops where a round finds too few stitches to make anything', () => {
    const tiny = rowsHem({
      counts: [1, 1, 1, 1],
      base: { corner: 'chain-1' },
      rounds: [entry({ family: 'chevron' })],
    });
    const walk = {
      ...tiny,
      rounds: [entry({ id: 'c', family: 'dots', corner: 'walk' }), entry({ id: 'd' })],
    };
    for (const hem of [tiny, walk]) expect(plan(hem).rounds.every((r) => r.ring.made.length > 0)).toBe(true);
  });

  test('gives up the fit when looking would go on and on, and says so', () => {
    const hem = rowsHem({
      rounds: [
        entry({ family: 'shell', stitch: 'hdc' }),
        entry({ id: 'x', family: 'cluster', corner: 'sixes' }),
      ],
    });
    const task = fitTask(plan(hem));
    expect(task.stack.budget.left).toBe(FIT_BUDGET);
    solveFit(task);
    // A usual hem takes a hundredth of it at the most.
    expect(FIT_BUDGET - task.stack.budget.left).toBeLessThan(FIT_BUDGET / 20);
    const starved = { ...task, stack: { ...task.stack, budget: { left: 10 } } };
    expect(solveFit(starved)).toEqual({ solutions: [], standsInTheWay: null, givenUp: true });
    expect(fitHem(hem).givenUp).toBeUndefined();
  });
});

describe('files that are too much', () => {
  test('a zip file that would unpack to more than a backup can hold is refused before it is unpacked', () => {
    const one = zipSync({ 'a.hem.json': new Uint8Array(9) });
    expect(codes(readBundle(saying(one, LIMITS.fileBytes + 1)))).toEqual(['bundle-too-large']);
    const many = zipSync(
      Object.fromEntries(Array.from({ length: 65 }, (_, i) => [`${i}.json`, strToU8('{}')])),
    );
    const before = process.memoryUsage().arrayBuffers;
    expect(codes(readBundle(saying(many, LIMITS.hemBytes / 2)))).toEqual(['bundle-too-large']);
    expect(process.memoryUsage().arrayBuffers - before).toBeLessThan(LIMITS.bundledBytes / 2);
  });

  test('torn zip files and those without a hem are told in words', () => {
    const zip = zipSync({ 'notes.txt': strToU8('x') });
    expect(codes(readBundle(zip))).toEqual(['bundle-empty']);
    expect(codes(readBundle(zip.subarray(0, 30)))).toEqual(['bundle-unreadable']);
  });

  test('tables and patterns have their limits', () => {
    expect(codes(readGrid('x\n'.repeat(LIMITS.tableRows + 5)))).toEqual(['csv-too-long']);
    expect(codes(readGrid(`${'x,'.repeat(LIMITS.tableCells + 5)}x`))).toEqual(['csv-too-long']);
    expect(codes(readCounts(`length,stitches\n${'1,1\n'.repeat(LIMITS.tableRows + 5)}`))).toEqual([
      'csv-too-long',
    ]);
    expect(codes(readPattern('x'.repeat(LIMITS.patternLetters + 1), 'us'))).toEqual(['pattern-too-long']);
  });
});

describe('what goes out is dead text', () => {
  test('cells of a table are no formulas', () => {
    const cells = ['=1+1', '+2', '-3', '@x', ' =1', '\t=1', 'plain', -4];
    expect(csvText([cells]).trim()).toBe(`"'=1+1","'+2","'-3","'@x","' =1","'\t=1",plain,-4`);
  });

  test('a note in Markdown holds no address that does something', () => {
    const hem = {
      ...rowsHem(),
      notes: '[x](javascript:alert(1))\n<javascript:alert(2)>\nJavaScript : alert(3)\n[a]: data:text/html,x',
    };
    const markdown = patternMarkdown(writtenPattern(plan(hem)));
    expect(markdown).not.toMatch(/(^|[^\\])(javascript|data)\s*:/im);
    expect(markdown).not.toMatch(/(^|[^\\])[[<]/m);
  });
});
