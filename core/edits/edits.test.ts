import { describe, expect, test } from '@jest/globals';
import { demoHems } from '../../demo/read.ts';
import { checkHem, readHem, writeHem } from '../document/check.ts';
import { changePiece } from '../document/changePiece.ts';
import type { Hem } from '../document/hem.ts';
import { changesBetween } from '../document/parts.ts';
import type { Piece } from '../piece/piece.ts';
import type { RowsPiece } from '../piece/rows/rows.schema.ts';
import { newHem } from '../document/newHem.ts';
import { createPlanner, plan } from '../plan/planner.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { newEntry } from '../stack/stack.ts';
import { chanceOf } from '../chance.ts';
import { everythingOf, nonsenseIn } from '../testing/everything.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { randomEdit } from '../testing/randomEdits.ts';
import { after as afterDeeds } from '../testing/worked.ts';
import { workedUpTo } from '../work/progress.ts';
import { partOfAll, patience, seeds, withSeed } from '../testing/seeds.ts';
import { bodyLiesWords } from '../document/partWords.ts';
import { readingsWords, unequalWords } from '../plan/readingWords.ts';
import * as bases from './base.ts';
import { constructionOf } from './constructions.ts';
import { edit, performed, type Edit } from './edit.ts';
import * as pieces from './piece.ts';
import * as rounds from './rounds.ts';
import * as yarns from './yarn.ts';

const STARTS = [...demoHems(), newHem('new', new Date('2026-01-01T00:00:00Z'))];
const STEPS = 12;

describe('whatever edits follow each other', () => {
  test(
    'what they leave is accepted, planned, told and read back, without a number that is none',
    () => {
      for (const seed of seeds(7)) {
        withSeed(seed, (said) => {
          const chance = chanceOf(seed);
          const planner = createPlanner();
          let hem = chance.pick(STARTS);
          let made = planner(hem);
          said.push(hem.name);
          for (let k = 0; k < STEPS; k++) {
            const next = randomEdit(made, chance, `e${k}`);
            if (!next) continue;
            said.push(next.label);
            const outcome = performed(hem, next);
            if (!outcome.ok) continue;
            expect(checkHem(outcome.value).ok).toBe(true);
            hem = outcome.value;
            made = planner(hem);
            expect(nonsenseIn(everythingOf(made, false))).toEqual([]);
          }
          expect(nonsenseIn(everythingOf(made, true))).toEqual([]);
          const again = readHem(writeHem(hem));
          expect(again).toEqual({ ok: true, value: JSON.parse(JSON.stringify(hem)) as unknown });
        });
      }
    },
    patience(240_000),
  );
});

describe('two families one on the other, whatever they sit on', () => {
  const start = performed(
    newHem('small', new Date('2026-01-01T00:00:00Z')),
    pieces.describePiece('small', {
      kind: 'rows',
      foundation: 'both loops of the chain',
      lastRow: 'stitch tops',
      stitches: 26,
      rows: [{ stitch: 'dc', count: 11 }],
      widthCm: 19,
      heightCm: 16,
    }),
  );
  if (!start.ok) throw new Error(JSON.stringify(start.problems));
  const disc = performed(
    start.value,
    pieces.describePiece('disc', {
      kind: 'counted',
      sides: [{ lengthCm: 50, stitches: 70, turnDegrees: 0 }],
    }),
  );
  if (!disc.ok) throw new Error(JSON.stringify(disc.problems));

  test.each(FAMILIES.map((f) => f.id))('%s under every other can be planned and told', (id) => {
    const under = FAMILIES.find((f) => f.id === id)!;
    // Each stands over and under others in every run; all pairs are tried in long ones.
    for (const [k, over] of partOfAll([...FAMILIES.entries()], 8, FAMILIES.indexOf(under))) {
      const hem = k % 4 === 0 ? disc.value : start.value;
      const entries = [under, over].map((f, i) => newEntry(f, `r${i}`, 'body'));
      const made = plan({ ...hem, rounds: entries });
      expect([over.id, nonsenseIn(everythingOf(made, false))]).toEqual([over.id, []]);
    }
  });
});

describe('the invariants of a hem', () => {
  const hem = rowsHem({ rounds: [entry(), entry({ id: 'r2', yarn: 'y2' })] });
  const problemsOf = (e: Parameters<typeof performed>[1], on = hem) => {
    const outcome = performed(on, e);
    return outcome.ok ? [] : outcome.problems.map((p) => p.code);
  };
  const after = (e: Parameters<typeof performed>[1], on = hem) => {
    const outcome = performed(on, e);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    return outcome.value;
  };

  test('a yarn that is used anywhere stays, and it is said where', () => {
    const kept = after(rounds.removeRound(hem.rounds[1]!), after(rounds.keepBorder('k')));
    expect(problemsOf(yarns.removeYarn('y2'), kept)).toEqual(['yarn-in-use']);
    expect(yarns.whyYarnStays(kept, 'y2')!.values).toMatchObject({ where: 'in the saved border “Border 1”' });
    const free = after(rounds.discardBorder('k', 'Border 1'), kept);
    expect(after(yarns.removeYarn('y2'), free).yarns.map((y) => y.id)).toEqual(['y1']);
    expect(problemsOf(yarns.removeYarn('y1'), after(yarns.removeYarn('y2'), free))).toEqual(['yarn-last']);
    const weighed = after(
      yarns.noteWeighing({
        id: 'w',
        yarn: 'y2',
        of: { kind: 'swatch', stitch: 'sc', stitches: 9 },
        grams: 2,
      }),
      free,
    );
    expect(problemsOf(yarns.removeYarn('y2'), weighed)).toEqual(['yarn-in-use']);
  });

  test('another piece takes the borders that were kept along', () => {
    const kept = after(rounds.keepBorder('k'));
    const grid = after(
      pieces.describePiece('grid', {
        kind: 'grid',
        lattice: 'squares',
        halves: false,
        halfStitches: null,
        cornerChains: 2,
        cells: ['##', '#.'],
        edge: { kind: 'solid', stitch: 'dc', stitches: 12, between: false },
        motifCm: 10,
      }),
      kept,
    );
    expect(grid.base.sides).toHaveLength(6);
    expect(grid.kept[0]!.base.sides).toHaveLength(6);
    expect(plan(after(rounds.takeUpBorder('k', 'Border 1'), grid)).sides).toHaveLength(6);
  });

  test('what would be beyond the limits is refused by name', () => {
    expect(problemsOf(rounds.chooseRound(hem.rounds[0]!, 'times', { times: 101 }))).toEqual([
      'value-unsound',
    ]);
    const many = Array.from({ length: 4 }, (_, i) => entry({ id: `m${i}`, times: 100 }));
    expect(problemsOf(rounds.addRounds('many', many))).toEqual(['too-many']);
    expect(
      problemsOf(pieces.describePiece('huge', { kind: 'cloth', widthCm: 2000, heightCm: 2000, pitchMm: 1 })),
    ).toEqual(['too-many']);
    expect(
      problemsOf(
        pieces.describePiece('gone', {
          kind: 'grid',
          lattice: 'squares',
          halves: false,
          halfStitches: null,
          cornerChains: 2,
          cells: ['..'],
          edge: { kind: 'solid', stitch: 'dc', stitches: 9, between: false },
          motifCm: 9,
        }),
      ),
    ).toEqual(['grid-empty']);
    expect(problemsOf(bases.setCount('A', [0], 70_000, 0))).not.toEqual([]);
  });

  test('an edit of what is gone says so and changes nothing', () => {
    expect(problemsOf(rounds.writeRound('none', 'x'))).toEqual(['part-gone']);
    expect(problemsOf(rounds.moveRound('r1', 'none'))).toEqual(['part-gone']);
    expect(problemsOf(yarns.describeYarn('none', 'price', { price: 2 }))).toEqual(['part-gone']);
    expect(problemsOf(rounds.takeUpBorder('none', 'x'))).toEqual(['part-gone']);
  });

  test('what does not change keeps its reference, so that nothing is worked again for it', () => {
    const named = after(edit('name', () => ({ name: 'Other' })));
    expect(changesBetween(hem, named).map((c) => c.part)).toEqual(['name']);
    expect(named.rounds).toBe(hem.rounds);
    expect(after(bases.setCount('A', [0], 151, 0)).base.sides[1]).toBe(hem.base.sides[1]);
  });

  test('blocks bring the round that fills their loops, and other constructions let it go again', () => {
    const start = newHem('new', new Date('2026-01-01T00:00:00Z'));
    const blocks = after(pieces.chooseConstruction('blocks', constructionOf('blocks', start)), start);
    expect(blocks.rounds.map((r) => r.family)).toEqual(['fill-loops', 'plain']);
    const made = plan(blocks);
    expect(made.rounds.every((r) => r.even)).toBe(true);
    const again = after(pieces.chooseConstruction('blocks', constructionOf('blocks', blocks)), blocks);
    expect(again.rounds).toHaveLength(2);
    const back = after(pieces.chooseConstruction('rows', start.piece), blocks);
    expect(back.rounds).toEqual(start.rounds);
  });

  test('every new piece lies flat and comes out even', () => {
    const start = newHem('new', new Date('2026-01-01T00:00:00Z'));
    for (const kind of ['rows', 'motif', 'blocks', 'grid', 'cloth', 'counted'] as const) {
      const made = plan(after(pieces.chooseConstruction(kind, constructionOf(kind, start)), start));
      const odd = made.rounds.flatMap((r) =>
        r.sides.flatMap((s) =>
          r.even && (s.verdict === 'flat' || s.verdict === 'blocks out') ? [] : [[r.number, s.strain]],
        ),
      );
      expect([kind, odd, made.problems]).toEqual([kind, [], []]);
    }
  });

  test('a size that was said stays when the outline is another, and follows when what it is made of is', () => {
    const grid = after(pieces.chooseConstruction('grid', constructionOf('grid', rowsHem())), rowsHem());
    if (grid.piece.kind !== 'grid') throw new Error('no grid');
    const piece = { ...grid.piece, motifCm: 15 };
    const wider = { ...piece, cells: piece.cells.map((row) => `${row}#`) };
    const sized = { ...grid, piece };
    expect(after(pieces.describePiece('wider', wider), sized).piece).toMatchObject({ motifCm: 15 });
  });

  test('the piece and the base round stay once they have been begun, and that is said; the gauge is still measured', () => {
    const hem = rowsHem();
    const begun = afterDeeds(hem, workedUpTo(plan(hem), 0));
    const piece = { ...hem.piece };
    for (const change of [
      pieces.describePiece('height', piece),
      pieces.measureSide('A', 0, 99),
      bases.setCount('A', [0], 140, 0),
      bases.chooseBaseCorner('chain-1'),
    ]) {
      expect(performed(hem, change).ok).toBe(true);
      expect(performed(begun, change)).toMatchObject({ ok: false, problems: [{ code: 'begun-stays' }] });
    }
    const gauged = performed(begun, pieces.setGauge({ stitchesPer10Cm: 12 }));
    expect(gauged).toMatchObject({ ok: true, value: { gauge: { stitchesPer10Cm: 12 }, piece: begun.piece } });
  });

  test('every construction starts from the size at hand, and lies within the limits', () => {
    for (const demo of STARTS) {
      const start = { ...demo, record: [] };
      for (const kind of ['rows', 'motif', 'blocks', 'grid', 'cloth', 'counted'] as const) {
        const other = after(pieces.chooseConstruction(kind, constructionOf(kind, start)), start);
        const { widthMm } = plan(other).bodySize;
        expect([kind, widthMm > 0]).toEqual([kind, true]);
        if (kind !== 'counted')
          expect(Math.abs(widthMm / plan(start).bodySize.widthMm - 1)).toBeLessThan(0.2);
      }
    }
  });
});

describe('the base round by eye', () => {
  const hem = rowsHem({ counts: [140, null, 140, null] });
  const after = (e: Edit, on: Hem = hem): Hem => {
    const outcome = performed(on, e);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    return outcome.value;
  };

  test('a count that was asked follows what is placed; what is placed goes where there are too few for it', () => {
    const was = plan(hem).sides[0]!.placement[4]!;
    const placed = after(bases.placeByEye('A', 0, 4, was + 2, was));
    expect(placed.base.sides[0]).toMatchObject({ count: 142, spots: { '4': was + 2 } });
    expect(plan(placed).sides[0]!.count).toBe(142);
    expect(after(bases.setCount('A', [0], 150, 0), placed).base.sides[0]!.spots).toEqual({ '4': was + 2 });
    expect(after(bases.setCount('A', [0], 2, 0), placed).base.sides[0]!.spots).toEqual({});
    expect(after(bases.clearByEye('A', 0), placed).base.sides[0]!.spots).toEqual({});
    expect(after(bases.placeByEye('A', 0, 4, null, was + 2), placed).base.sides[0]!.spots).toEqual({});
  });

  test('what was placed is kept while the edge has as many spots, and goes with them', () => {
    const placed = after(bases.placeByEye('B', 1, 3, 0, 2));
    const { piece } = placed;
    if (piece.kind !== 'rows') throw new Error('a piece in rows was wanted');
    expect(
      after(pieces.describePiece('wider', { ...piece, widthCm: 120 }), placed).base.sides[1]!.spots,
    ).toEqual({ '3': 0 });
    const taller = { ...piece, rows: [{ stitch: 'dc' as const, count: 90 }] };
    expect(after(pieces.describePiece('taller', taller), placed).base.sides[1]!.spots).toEqual({});
  });
});

describe('sizes that nobody has measured', () => {
  const start = rowsHem({ stitchesPer10Cm: 10 });
  const grid = (stitches: number, motifCm: number): Piece => ({
    kind: 'grid',
    lattice: 'squares',
    halves: false,
    halfStitches: null,
    cornerChains: 2,
    cells: ['##', '##'],
    edge: { kind: 'solid', stitch: 'dc', stitches, between: false },
    motifCm,
  });
  const on = (piece: Piece, e: Edit): Piece => {
    const hem = { ...start, ...changePiece(start, piece) };
    const outcome = performed(hem, e);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    return outcome.value.piece;
  };

  test('follow the stitches and the gauge', () => {
    expect(on(grid(12, 14), pieces.describePiece('s', grid(20, 14)))).toMatchObject({ motifCm: 22 });
    expect(on(grid(12, 14), pieces.setGauge({ stitchesPer10Cm: 20 }))).toMatchObject({ motifCm: 7 });
  });

  test('stay as they were measured', () => {
    expect(on(grid(12, 17), pieces.describePiece('s', grid(20, 17)))).toMatchObject({ motifCm: 17 });
    expect(on(grid(12, 17), pieces.setGauge({ stitchesPer10Cm: 20 }))).toMatchObject({ motifCm: 17 });
    expect(on(grid(12, 14), pieces.describePiece('m', grid(12, 15.5)))).toMatchObject({ motifCm: 15.5 });
  });
});

describe('the colors of the parts of a piece', () => {
  const rows = rowsHem();
  const piece: RowsPiece = {
    ...(rows.piece as RowsPiece),
    rows: [
      { stitch: 'sc', count: 4 },
      { stitch: 'dc', count: 20 },
      { stitch: 'hdc', count: 6 },
    ],
  };
  const striped = [0, 2].reduce(
    (hem, part) => done(pieces.colourPart(part, part === 0 ? '#aa0000' : '#00aa00'), hem),
    done(pieces.describePiece('runs', piece), rows),
  );

  test('are given and taken away one by one', () => {
    expect(striped.partColours).toEqual({ '0': '#aa0000', '2': '#00aa00' });
    expect(done(pieces.colourPart(0, null), striped).partColours).toEqual({ '2': '#00aa00' });
  });

  test('go with their runs of rows when these are moved, changed or taken out', () => {
    const [first, second, third] = (striped.piece as RowsPiece).rows;
    const colours = (runs: RowsPiece['rows']): unknown =>
      done(pieces.describePiece('runs', { ...piece, rows: runs }), striped).partColours;
    expect(colours([second!, first!, third!])).toEqual({ '1': '#aa0000', '2': '#00aa00' });
    expect(colours([second!, third!])).toEqual({ '1': '#00aa00' });
    expect(colours([{ ...first!, count: 9 }, second!, third!])).toEqual({ '0': '#aa0000', '2': '#00aa00' });
  });

  test('go with the construction', () => {
    const disc = {
      kind: 'motif',
      corners: 0,
      cornerChains: 0,
      edge: { kind: 'solid', stitch: 'dc', stitches: 80, between: false },
      sideCm: 57,
    } as const;
    expect(done(pieces.chooseConstruction('disc', disc), striped).partColours).toEqual({});
  });
});

describe('two readings of a side', () => {
  const start = rowsHem();

  test('their middle becomes its length, and the second is used up', () => {
    const { measuredMm } = plan(start).body.edges[1]!;
    const again = done(pieces.readAgain('B', 1, measuredMm / 10 + 4), start);
    expect(readingsWords(plan(again), 1)).toMatch(/^Your two readings are 4 cm apart\./);
    const middle = done(pieces.takeMiddle('B', 1), again);
    expect(plan(middle).body.edges[1]!.measuredMm).toBeCloseTo(measuredMm + 20, 6);
    expect(middle.secondReadings).toEqual({});
    expect(readingsWords(plan(middle), 1)).toBeNull();
  });

  test('that agree to a hundredth are left alone', () => {
    const { measuredMm } = plan(start).body.edges[0]!;
    expect(
      readingsWords(plan(done(pieces.readAgain('A', 0, (measuredMm / 10) * 1.008), start)), 0),
    ).toBeNull();
    const outcome = performed(start, pieces.takeMiddle('A', 0));
    expect(outcome.ok).toBe(false);
  });

  test('of sides that face each other are to agree too', () => {
    expect(unequalWords(plan(start))).toEqual([]);
    const side = (stitches: number, lengthCm: number) => ({ stitches, lengthCm, turnDegrees: 90 });
    const counted: Piece = {
      kind: 'counted',
      sides: [side(80, 60), side(90, 70), side(80, 61.5), side(90, 70)],
    };
    const hem = { ...start, ...changePiece(start, counted) };
    expect(unequalWords(plan(hem))).toEqual([
      'Sides A and C face each other, and measure 60 cm and 61.5 cm. Measure both again: a piece like this is usually the same on both.',
    ]);
  });
});

test('a piece that waves by itself is remembered wherever it is said how flat the border lies', () => {
  const start = rowsHem();
  expect(bodyLiesWords(start)).toBeNull();
  expect(bodyLiesWords(done(pieces.sayHowItLies('ripples'), start))).toMatch(/^The piece itself waves\./);
});

function done(edit: Edit, hem: Hem): Hem {
  const outcome = performed(hem, edit);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
  return outcome.value;
}
