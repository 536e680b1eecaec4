import { ONE_PIECE } from '../alike/alike.ts';
import { describe, expect, test } from '@jest/globals';
import { demoHem, demoHems, demoPlans } from '../../demo/read.ts';
import { plan } from '../plan/planner.ts';
import { isRound, identityOfRound } from '../plan/types.ts';
import { bodyOf, withSideLength } from '../piece/piece.ts';
import { problemLine } from '../problems.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { workedInto } from '../testing/worked.ts';
import { fileName } from './fileName.ts';
import { readBundle, writeBundle } from './bundle.ts';
import { checkHem, readHem, writeHem } from './check.ts';
import { csvText, isCountsTable, readCounts, readGrid } from './csv.ts';
import { VERSION } from './format.ts';
import type { Hem, RoundEntry } from './hem.ts';
import { migrate } from './migrations.ts';
import { salvageHem } from './salvage.ts';

const NOW = new Date('2026-02-03T04:05:06Z');
const loose = (hem: Hem): Record<string, unknown> => JSON.parse(writeHem(hem)) as Record<string, unknown>;

/** A file as version 1 wrote it: without notes and paper. */
function asVersion1(hem: Hem): Record<string, unknown> {
  const file = loose(hem);
  delete file.notes;
  delete (file.preferences as Record<string, unknown>).paper;
  return { ...file, weighIns: byNumber(hem), version: 1 };
}

/** What was weighed, as files before version 3 named it: by the number of the round. */
function byNumber(hem: Hem): readonly unknown[] {
  const { rounds } = plan(hem);
  return hem.weighIns.map((w) => {
    const { of } = w;
    if (of.kind !== 'round') return w;
    return { ...w, of: { kind: 'round', round: rounds.find((r) => isRound(r, of.round))!.number } };
  });
}

describe('files of older versions', () => {
  test.each(demoPlans())('%s of version 1 opens as it was, with what version 2 adds', (_, { hem }) => {
    const outcome = checkHem(asVersion1(hem));
    expect(outcome).toEqual({
      ok: true,
      value: { ...hem, notes: '', preferences: { ...hem.preferences, paper: 'a4' } },
    });
  });

  test('what is already there is not overwritten, and what is no version is left to the check', () => {
    expect(migrate({ version: 1, notes: 'mine', preferences: { paper: 'letter' } })).toEqual({
      version: VERSION,
      notes: 'mine',
      preferences: { paper: 'letter' },
      record: [],
      partColours: {},
      bodyLies: 'flat',
      secondReadings: {},
      hands: null,
      alike: ONE_PIECE,
      madeFor: '',
      madeOn: '',
    });
    for (const odd of [null, 3, 'hem', [], { version: 1.5 }, { version: 0 }, { version: 'two' }]) {
      expect(migrate(odd)).toEqual(odd);
    }
    expect(checkHem({ ...loose(rowsHem()), version: VERSION + 1 })).toMatchObject({
      ok: false,
      problems: [{ code: 'file-too-new' }],
    });
  });
});

test('a file of version 13, which knows no part, is of a border all around', () => {
  const hem = rowsHem({ rounds: [entry()] });
  const { base, ...rest } = loose(hem) as { base: Record<string, unknown> };
  const { part: _, ...of13 } = base;
  const kept = [{ id: 'k', name: 'Kept', base: of13, rounds: hem.rounds }];
  const outcome = checkHem({ ...rest, base: of13, kept, version: 13 });
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
  expect(outcome.value).toMatchObject({ version: VERSION, base: hem.base, kept: [{ base: hem.base }] });
});

test('a file of version 16, which knows no chosen places, has its quiet changes where they show least', () => {
  const hem = rowsHem({ rounds: [entry({ id: 'a', changes: { '0': [1, 0, 0, 0] } })] });
  const begun = workedInto(hem, 1, 0.3).hem;
  const without = ({ changesAt: _, ...rest }: RoundEntry) => rest;
  const outcome = checkHem({
    ...begun,
    rounds: begun.rounds.map(without),
    kept: [{ id: 'k', name: 'Kept', base: hem.base, rounds: hem.rounds.map(without) }],
    record: begun.record.map((e) => (e.did === 'began' && e.entry ? { ...e, entry: without(e.entry) } : e)),
    version: 16,
  });
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
  expect(outcome.value).toMatchObject({ version: VERSION, rounds: begun.rounds, record: begun.record });
  expect(outcome.value.kept[0]!.rounds).toEqual(hem.rounds);
});

describe('a file of version 3', () => {
  const old = (chainCounts: boolean): unknown => {
    const { base, rounds, ...hem } = loose(rowsHem({ rounds: [entry({ yarn: 'y2' })] })) as {
      base: Record<string, unknown>;
      rounds: Record<string, unknown>[];
    };
    const { hookMm: _, rates: __, endRows: ___, clusterChains: ____, sides, ...of3 } = base;
    const border = {
      base: {
        ...of3,
        start: { at: 'corner', side: 0, join: 'climbing', chainCounts },
        sides: (sides as Record<string, unknown>[]).map(({ spots: _____, ...side }) => side),
      },
      rounds: rounds.map(({ yarns: ______, start: _______, ...r }) => ({ ...r, yarn: 'y2' })),
    };
    return { ...hem, ...border, version: 3, kept: [{ id: 'k', name: 'Kept', ...border }] };
  };

  test.each([true, false])('keeps its yarns and starts, chain that counts: %s', (counts) => {
    const outcome = checkHem(old(counts));
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    for (const border of [outcome.value, ...outcome.value.kept]) {
      expect(border.rounds[0]!.yarns).toEqual(['y2']);
      expect(border.rounds[0]!.start).toBeNull();
      expect(border.base.start).toMatchObject({
        first: counts ? 'counted chain' : 'chain',
        newYarn: 'same place',
      });
      expect(border.base.sides[0]!.spots).toEqual({});
    }
    expect(plan(outcome.value).rounds).toHaveLength(2);
  });
});

describe('a round that was weighed', () => {
  const rounds = [entry({ id: 'a', times: 2 }), entry({ id: 'c', family: 'crocodile' }), entry({ id: 'b' })];
  const weighed = (round: { entry: string | null; index: number }): Hem => ({
    ...rowsHem({ rounds }),
    weighIns: [{ id: 'w', yarn: 'y1', of: { kind: 'round', round }, grams: 9 }],
  });

  test('in a file of version 2 is found by its number, whatever entry it was of', () => {
    const made = plan(rowsHem({ rounds }));
    for (const round of made.rounds) {
      const hem = weighed(identityOfRound(round));
      const old = { ...loose(hem), version: 2, weighIns: byNumber(hem) };
      expect(checkHem(old)).toEqual({ ok: true, value: hem });
    }
    const gone = {
      ...loose(rowsHem({ rounds })),
      version: 2,
      weighIns: [{ id: 'w', yarn: 'y1', of: { kind: 'round', round: 77 }, grams: 9 }],
    };
    const outcome = checkHem(gone);
    expect(outcome.ok && plan(outcome.value).yarns[0]!.calibration.observations).toBe(0);
  });

  test('keeps what it taught when the stack is put in another order', () => {
    const plain = [entry({ id: 'a', times: 2 }), entry({ id: 'c' }), entry({ id: 'b', stitch: 'hdc' })];
    const hem = { ...weighed({ entry: 'b', index: 0 }), rounds: plain };
    const before = plan(hem).yarns[0]!.calibration;
    expect(before.observations).toBe(1);
    const other = plan({ ...hem, rounds: [hem.rounds[2]!, hem.rounds[0]!, hem.rounds[1]!] });
    expect(other.rounds[1]!.written!.entry.id).toBe('b');
    expect(other.yarns[0]!.calibration.observations).toBe(1);
    // The same entry, now nearer to the piece and so a little shorter.
    expect(Math.abs(other.yarns[0]!.calibration.ratio / before.ratio - 1)).toBeLessThan(0.1);
  });
});

describe('a damaged file', () => {
  const whole = rowsHem({ rounds: [entry(), entry({ id: 'r2', stitch: 'hdc' })] });
  const salvaged = (damage: (file: Record<string, unknown>) => void) => {
    const file = loose(whole);
    damage(file);
    return salvageHem(file, 'new', NOW);
  };

  test('opens without the round that is unsound', () => {
    const found = salvaged((f) => void ((f.rounds as Record<string, unknown>[])[1]!.stitch = 'knit'))!;
    expect(found.lost).toEqual(['rounds.1']);
    expect(found.hem.rounds).toEqual([whole.rounds[0]]);
    expect(found.hem.piece).toEqual(whole.piece);
    expect(found.hem.base).toEqual(whole.base);
    expect(found.hem.id).toBe('new');
    expect(checkHem(found.hem).ok).toBe(true);
  });

  test('opens without its piece, or its yarns, on a plain start', () => {
    const noPiece = salvaged((f) => void (f.piece = { kind: 'knitted' }))!;
    expect(noPiece.lost).toContain('piece');
    expect(noPiece.hem.rounds).toHaveLength(2);
    const noYarns = salvaged((f) => void (f.yarns = 'wool'))!;
    expect(noYarns.lost).toEqual(expect.arrayContaining(['yarns', 'base', 'rounds.0', 'rounds.1']));
    expect(checkHem(noYarns.hem).ok).toBe(true);
  });

  test('says what is no list where there should be one', () => {
    expect(salvaged((f) => void (f.weighIns = 'two'))!.lost).toEqual(['weighIns']);
  });

  test('keeps the sound parts of another outline', () => {
    const hem = demoHem('hexagon');
    const file = { ...loose(hem), gauge: null };
    const found = salvageHem(file, 'new', NOW)!;
    expect(found.lost).toEqual(['gauge']);
    expect(found.hem.base.sides).toEqual(hem.base.sides);
    expect(plan(found.hem).sides).toHaveLength(6);
  });

  test('is not opened when it is no project', () => {
    expect(salvageHem({ format: 'other' }, 'new', NOW)).toBeNull();
    expect(salvageHem(null, 'new', NOW)).toBeNull();
    expect(salvageHem({ format: 'zig-hem', version: 2 }, 'new', NOW)).toBeNull();
  });
});

describe('a bundle', () => {
  test('gives back every hem, those of one name apart', () => {
    const hems = [...demoHems(), { ...demoHem(''), id: 'again' }];
    const outcome = readBundle(writeBundle(hems, NOW)[0]!);
    if (!outcome.ok) throw new Error('unreadable');
    expect(new Set(outcome.value.files.map((f) => f.name)).size).toBe(hems.length);
    const read = outcome.value.files.map(({ text }) => readHem(text));
    expect(read.map((r) => r.ok && r.value)).toEqual(hems);
  });

  test('that is none says so', () => {
    expect(readBundle(new Uint8Array([1, 2, 3]))).toMatchObject({
      problems: [{ code: 'bundle-unreadable' }],
    });
    expect(readBundle(writeBundle([], NOW)[0]!)).toMatchObject({ problems: [{ code: 'bundle-empty' }] });
  });

  test('file names are plain', () => {
    expect(fileName('Grandma’s Café throw', '.txt')).toBe('grandmas-cafe-throw.txt');
    expect(fileName('★', '.txt')).toBe('hem.txt');
  });
});

describe('tables', () => {
  test('sides with turns, in centimetres and in inches, however columns are set apart', () => {
    const sides = [120, 90, 150].map((stitches) => ({ lengthCm: stitches / 2, stitches, turnDegrees: 120 }));
    const rows = sides.map((s) => [s.stitches, s.lengthCm, s.turnDegrees]);
    for (const mark of [',', ';', '\t']) {
      const text = [['Stitches', 'Length', 'Turn'], ...rows].map((r) => r.join(mark)).join('\r\n');
      expect(isCountsTable(text)).toBe(true);
      expect(readCounts(text)).toEqual({ ok: true, value: { kind: 'counted', sides } });
    }
    const inches = readCounts('side,length in,stitches\nA,10,50\nB,10,50\nC,10,50\nD,10,50\n');
    expect(inches).toMatchObject({
      ok: true,
      value: { sides: [{ lengthCm: 25.4, turnDegrees: 90 }, {}, {}, {}] },
    });
  });

  test('every fault is named by its line and column', () => {
    expect(readCounts('length,stitches\n10,many\n,20\n30,2.5\n')).toMatchObject({
      ok: false,
      problems: [
        { where: { line: 2, column: 'stitches' }, values: { cell: 'many' } },
        { where: { line: 3, column: 'length' }, values: { cell: 'nothing' } },
        { where: { line: 4, column: 'stitches' }, values: { cell: '2.5' } },
      ],
    });
    expect(readCounts('a,b\n1,2')).toMatchObject({ problems: [{ code: 'csv-column-missing' }] });
    expect(readCounts('length,stitches\n')).toMatchObject({ problems: [{ code: 'csv-no-lines' }] });
    expect(readCounts(`length,stitches\n${'10,20\n'.repeat(41)}`)).toMatchObject({
      problems: [{ code: 'csv-too-many-sides' }],
    });
  });

  test('a grid of motifs, with steps', () => {
    expect(readGrid('x,,\nx,x,\nx,x,x\n')).toEqual({ ok: true, value: ['#..', '##.', '###'] });
    expect(readGrid('1;0\n1;1')).toEqual({ ok: true, value: ['#.', '##'] });
    expect(readGrid('x,?\nx,x')).toMatchObject({
      problems: [{ code: 'csv-cell', where: { line: 1, column: 2 } }],
    });
    expect(readGrid(',\n,')).toMatchObject({ problems: [{ code: 'csv-no-lines' }] });
    expect(readGrid(Array.from({ length: 70 }, () => 'x').join(','))).toMatchObject({
      problems: [{ code: 'csv-too-large' }],
    });
  });

  test('cells that hold a comma or a quote are quoted', () => {
    expect(csvText([['a,b', 'say "hi"', null, 2]])).toBe('"a,b","say ""hi""",,2\n');
  });
});

describe('a side that is measured anew', () => {
  test.each(demoPlans())('%s: the piece takes the length, for that side at least', (_, { hem, sides }) => {
    for (const side of sides.keys()) {
      const piece = withSideLength(hem.piece, side, 77);
      // A counted outline may then not close; its length is taken all the same.
      expect(bodyOf(piece).outline.sides[side]!.lengthMm).toBeCloseTo(770, 6);
    }
  });
});

test('what is wrong with a value is said in words', () => {
  const told = (part: Record<string, unknown>): string => {
    const outcome = checkHem({ ...loose(rowsHem()), ...part });
    return outcome.ok ? '' : outcome.problems.map((p) => problemLine(p)).join(' ');
  };
  expect(told({ pace: 'quick' })).toContain('must be a number');
  expect(told({ pace: 900 })).toContain('must be <= 200');
  expect(told({ bodyLies: 'up' })).toContain('must be one of flat, ripples, cups');
  expect(told({ yarns: [] })).toContain('must have at least 1');
  expect(told({ madeFor: 'x'.repeat(300) })).toContain('must have at most 200');
  expect(told({ extra: 1 })).toContain('has an entry “extra” that is not known');
  expect(told({ gauge: { stitchesPer10Cm: 14 } })).toContain('has no entry “hookMm”');
  expect(told({ hands: 3 })).toMatch(/must be an object, or null|is not as it should be/);
  const { hookMm: _, ...base } = rowsHem().base;
  expect(told({ base: { ...base, hookMm: 'big' } })).toContain('must be a number, or null');
});
