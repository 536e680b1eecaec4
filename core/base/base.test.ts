import fc from 'fast-check';
import { describe, expect, test } from '@jest/globals';
import { plan } from '../plan.ts';
import { tallySide } from '../ring/ring.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { placementWords } from './run.ts';
import { spread } from '../ring/spread.ts';

describe('spread', () => {
  test('takes floor or ceil everywhere, sums up, and reads the same backwards where parity allows', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 900 }), fc.integer({ min: 1, max: 300 }), (total, spots) => {
        const counts = spread(total, new Array<number>(spots).fill(1));
        expect(counts.reduce((a, b) => a + b, 0)).toBe(total);
        for (const c of counts) expect([Math.floor(total / spots), Math.ceil(total / spots)]).toContain(c);
        const mismatches = counts.filter((c, i) => c !== counts[spots - 1 - i]).length;
        expect(mismatches).toBeLessThanOrEqual(total % 2 === 1 && spots % 2 === 0 ? 2 : 0);
      }),
      { seed: 7 },
    );
  });

  test('128 over 84 rows: 44 take two and 40 take one, symmetrically', () => {
    const counts = spread(128, new Array<number>(84).fill(1));
    expect(counts.filter((c) => c === 2)).toHaveLength(44);
    expect(counts.filter((c) => c === 1)).toHaveLength(40);
    expect([...counts].reverse()).toEqual(counts);
  });

  test('integral rates are kept as they are, fractional ones never drift by more than one stitch', () => {
    const rates = [1, 1, 2, 2, 2, 1, 3];
    expect(spread(12, rates)).toEqual(rates);
    expect(spread(0, [])).toEqual([]);
    expect(spread(4, [0, 0])).toEqual([2, 2]);
  });
});

describe('schools', () => {
  const side = (hem = rowsHem()) => plan(hem).sides[1]!;

  test('84 dc row ends: 168 at two each, 126 at three in two rows', () => {
    const schools = new Map(side().schools.map((s) => [s.id, s.count]));
    expect(schools.get('each')).toBe(168);
    expect(schools.get('halves')).toBe(126);
    expect(schools.get('gauge')).toBe(Math.round(1180 * 0.14));
  });

  test.each([
    ['sc', 84, 84],
    ['hdc', 84, 126],
    ['tr', 252, 210],
  ] as const)('%s row ends', (stitch, each, closer) => {
    const schools = side(rowsHem({ rows: [{ stitch, count: 84 }] })).schools;
    expect(schools.find((s) => s.id === 'each')!.count).toBe(each);
    expect(schools.find((s) => s.id === 'halves')?.count ?? 84).toBe(closer);
  });

  test('mixed rows take each row by its own kind, and the basis says so', () => {
    const mixed = side(
      rowsHem({
        rows: [
          { stitch: 'sc', count: 10 },
          { stitch: 'dc', count: 20 },
          { stitch: 'tr', count: 4 },
        ],
      }),
    );
    const each = mixed.schools.find((s) => s.id === 'each')!;
    expect(each.count).toBe(10 + 40 + 12);
    expect(each.basis.map((b) => [b.spots, b.stitch, b.rate])).toEqual([
      [4, 'tr', 3],
      [20, 'dc', 2],
      [10, 'sc', 1],
    ]);
  });

  test('a count by hand is spread over the rows that are there', () => {
    const changed = plan(rowsHem({ counts: [null, 165, null, 168] })).sides[1]!;
    expect(changed.count).toBe(165);
    expect(changed.placement).toHaveLength(84);
    expect(changed.placement.reduce((a, b) => a + b, 0)).toBe(165);
  });
});

describe('the ring after the base round', () => {
  test('holds what was placed, with one stitch of each corner on either side of its centre', () => {
    const { rounds, sides } = plan(rowsHem({ counts: [150, 168, 150, 168] }));
    const { ring } = rounds[0]!;
    expect(sides.map((s) => s.count)).toEqual([150, 168, 150, 168]);
    expect([0, 1, 2, 3].map((s) => tallySide(ring, s).stitches)).toEqual([152, 170, 152, 170]);
    expect(rounds[0]!.total).toBe(2 * (150 + 168) + 4 * 3);
  });

  test('a chain corner has its space as centre', () => {
    const { ring } = plan(rowsHem({ counts: [150, 168, 150, 168], base: { corner: 'chain-1' } })).rounds[0]!;
    expect(ring.centres.map((c) => ring.made[c.start]!.chains)).toEqual([1, 1, 1, 1]);
    expect(tallySide(ring, 0)).toMatchObject({ stitches: 152, spaces: 0 });
  });

  test('every stitch sits in a spot that exists, in working order', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 20, max: 300 }), { minLength: 4, maxLength: 4 }), (counts) => {
        const { body, rounds } = plan(rowsHem({ counts, rounds: [entry()] }));
        const spots = body.edges.reduce((sum, e) => sum + e.spots.length + 1, 0);
        const { into } = rounds[0]!.ring;
        into.forEach((spot, i) => {
          expect(spot).toBeLessThan(spots);
          if (i > 0) expect(spot).toBeGreaterThanOrEqual(into[i - 1]!);
        });
      }),
      { seed: 11, numRuns: 30 },
    );
  });
});

describe('the run in words', () => {
  const edge = plan(rowsHem()).body.edges[3]!;

  test('even placements are said in four words', () => {
    expect(placementWords(new Array<number>(84).fill(2), edge)).toBe('2 in each');
  });

  test('a few extras are named by their rows, counted from the foundation', () => {
    const counts = new Array<number>(84).fill(2);
    counts[13] = 3;
    counts[38] = 3;
    expect(placementWords(counts, edge)).toBe('2 in each, but 3 at row 14 and 39');
    const other = plan(rowsHem()).body.edges[1]!;
    expect(placementWords(counts, other)).toBe('2 in each, but 3 at row 71 and 46');
  });

  test('three in two rows is said as turns', () => {
    expect(placementWords(spread(126, new Array<number>(84).fill(1)), edge)).toBe(
      '1, 2 by turns, but the same twice running at rows 42/43 (2 in both)',
    );
  });
});
