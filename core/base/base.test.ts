import fc from 'fast-check';
import { describe, expect, test } from '@jest/globals';
import { plan } from '../plan/planner.ts';
import { tallySide } from '../ring/ring.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { changePiece, plainSide } from '../document/changePiece.ts';
import { newHem } from '../document/newHem.ts';
import { ofOtherConstructions } from '../testing/anyHem.ts';
import { bodyOf, type Piece } from '../piece/piece.ts';
import type { MotifPiece } from '../piece/motif/motif.schema.ts';
import { rateChoices, placement, spacingCount, stitchesAtJoins, type SideChoice } from './baseRound.ts';
import { CROSSING_IDS } from './crossings.ts';
import { placementWords } from '../print/run.ts';
import { rates, spacingsFor } from './spacings.ts';
import { spread } from '../ring/spread.ts';

describe('spread', () => {
  test('takes floor or ceil everywhere, sums up, and reads the same backwards where parity allows', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 900 }), fc.integer({ min: 1, max: 300 }), (total, spots) => {
        const counts = spread(total, new Array<number>(spots).fill(1));
        expect(counts.reduce((a, b) => a + b, 0)).toBe(total);
        const either = [Math.floor(total / spots), Math.ceil(total / spots)];
        expect(counts.filter((c) => !either.includes(c))).toEqual([]);
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

describe('spacings', () => {
  const side = (hem = rowsHem()) => plan(hem).sides[1]!;

  test('84 dc row ends: 168 at two each, 126 at three in two rows', () => {
    const spacings = new Map(side().spacings.map((s) => [s.id, s.count]));
    expect(spacings.get('each')).toBe(168);
    expect(spacings.get('halves')).toBe(126);
    expect(spacings.get('gauge')).toBe(Math.round(1180 * 0.14));
  });

  test.each([
    ['sc', 84, 84],
    ['hdc', 84, 126],
    ['tr', 252, 210],
  ] as const)('%s row ends', (stitch, each, closer) => {
    const spacings = side(rowsHem({ rows: [{ stitch, count: 84 }] })).spacings;
    expect(spacings.find((s) => s.id === 'each')!.count).toBe(each);
    expect(spacings.find((s) => s.id === 'halves')?.count ?? 84).toBe(closer);
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
    const each = mixed.spacings.find((s) => s.id === 'each')!;
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

function motif(edge: MotifPiece['edge']): Piece {
  return { kind: 'motif', corners: 4, cornerChains: 2, edge, sideCm: 25 };
}

describe('a count that is asked for', () => {
  const pieces: readonly Piece[] = [
    {
      kind: 'grid',
      lattice: 'squares',
      halves: false,
      halfStitches: null,
      cornerChains: 2,
      cells: ['##'],
      edge: { kind: 'solid', stitch: 'dc', stitches: 15, between: false },
      motifCm: 11,
    },
    {
      kind: 'grid',
      lattice: 'squares',
      halves: false,
      halfStitches: null,
      cornerChains: 2,
      cells: ['####', '####'],
      edge: { kind: 'solid', stitch: 'dc', stitches: 24, between: false },
      motifCm: 15,
    },
    {
      kind: 'grid',
      lattice: 'squares',
      halves: false,
      halfStitches: null,
      cornerChains: 2,
      cells: ['##', '#.'],
      edge: { kind: 'solid', stitch: 'dc', stitches: 11, between: false },
      motifCm: 9,
    },
    {
      kind: 'blocks',
      stitch: 'hdc',
      loopChains: 2,
      blocksWide: 8,
      blocksHigh: 11,
      widthCm: 24,
      heightCm: 33,
    },
    { kind: 'blocks', stitch: 'dc', loopChains: 3, blocksWide: 7, blocksHigh: 4, widthCm: 24, heightCm: 14 },
    motif({ kind: 'clustered', clusters: 12, stitchesEach: 3, chainsBetween: 0 }),
    motif({ kind: 'clustered', clusters: 9, stitchesEach: 2, chainsBetween: 2 }),
    motif({ kind: 'solid', stitch: 'dc', stitches: 31, between: false }),
    { kind: 'cloth', widthCm: 30, heightCm: 20, pitchMm: 7 },
    { kind: 'counted', sides: [{ lengthCm: 60, stitches: 84, turnDegrees: 0 }] },
    {
      kind: 'rows',
      foundation: 'stitches of row 1',
      lastRow: 'stitch tops',
      stitches: 40,
      rows: [
        { stitch: 'sc', count: 7 },
        { stitch: 'dc', count: 12 },
        { stitch: 'tr', count: 4 },
      ],
      widthCm: 30,
      heightCm: 28,
    },
  ];

  test.each([...pieces, ...ofOtherConstructions(pieces)].map((p, i) => [`${p.kind} ${i}`, p] as const))(
    'is given on %s, whatever spacing and crossing, only where the spacing works, and the same from either end',
    (_, piece) => {
      const start = newHem('asked', new Date('2026-01-01T00:00:00Z'));
      const { edges } = bodyOf(piece);
      const width = 100 / start.gauge.stitchesPer10Cm;
      const wrong: object[] = [];
      for (const edge of new Set(edges)) {
        for (const school of spacingsFor(edge)) {
          for (const crossing of CROSSING_IDS) {
            const base = { ...start.base, crossing };
            const choice = { ...plainSide(school), own: { stitches: 3, spots: 2 } };
            const usual = spacingCount(school, edge, base, choice, width);
            const uses = rates(school, edge, width, rateChoices(base, choice));
            const atJoins = stitchesAtJoins(edge, base, choice);
            const most = Math.ceil(Math.max(usual, edge.measuredMm / width) * 1.35);
            for (let count = Math.max(1, atJoins, Math.floor(usual * 0.6)); count <= most; count++) {
              const counts = placement({ ...choice, count }, edge, base, width);
              const given = counts.reduce((a, b) => a + b, 0);
              const joins = new Set(edge.joins.flatMap((j) => [j, j + 1, j + 2]));
              const stray = counts.some((c, i) => c > 0 && uses[i] === 0 && !joins.has(i));
              // Alike spots take as many as each other, or one more.
              const alike = new Map<number, number[]>();
              counts.forEach((c, i) => {
                if (!joins.has(i)) alike.set(uses[i]!, [...(alike.get(uses[i]!) ?? [])].concat(c));
              });
              const uneven = [...alike.values()].some((of) => Math.max(...of) - Math.min(...of) > 1);
              const askew =
                edge.joins.length > 0 &&
                crossing === 'both' &&
                count % 2 === 0 &&
                usual % 2 === 0 &&
                counts.some((c, i) => c !== counts[counts.length - 1 - i]);
              if (given !== count || stray || uneven || askew)
                wrong.push({ school, crossing, count, given, stray, uneven, askew });
            }
          }
        }
      }
      expect(wrong.slice(0, 5)).toEqual([]);
    },
  );

  test('of 33 on two motifs of 15 is 33, and of 143 on six of 24', () => {
    const at = (count: number, cells: readonly string[], motifStitches: number): number => {
      const start = newHem('asked', new Date('2026-01-01T00:00:00Z'));
      const piece: Piece = {
        kind: 'grid',
        lattice: 'squares',
        halves: false,
        halfStitches: null,
        cornerChains: 2,
        cells,
        edge: { kind: 'solid', stitch: 'dc', stitches: motifStitches, between: false },
        motifCm: 11,
      };
      const hem = { ...start, ...changePiece(start, piece) };
      const sides = hem.base.sides.map((s) => ({ ...s, count }));
      const made = plan({ ...hem, base: { ...hem.base, sides } });
      expect(made.sides[0]!.count).toBe(count);
      return tallySide(made.rounds[0]!.ring, 0).stitches;
    };
    expect(at(33, ['##', '##'], 15)).toBe(35);
    expect(at(143, ['######', '######'], 24)).toBe(145);
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
        expect(into.filter((spot, i) => spot >= spots || spot < (into[i - 1] ?? 0))).toHaveLength(0);
      }),
      { seed: 11, numRuns: 30 },
    );
  });
});

describe('the run in words', () => {
  const edge = plan(rowsHem()).body.edges[3]!;

  test('even placements are said in a few words', () => {
    expect(placementWords(new Array<number>(84).fill(2), edge, 'us')).toBe('2 in each row');
  });

  test('a few extras are named by their rows, counted from the foundation', () => {
    const counts = new Array<number>(84).fill(2);
    counts[13] = 3;
    counts[38] = 3;
    expect(placementWords(counts, edge, 'us')).toBe('2 in each row, but 3 in rows 14 and 39');
    const other = plan(rowsHem()).body.edges[1]!;
    expect(placementWords(counts, other, 'us')).toBe('2 in each row, but 3 in rows 71 and 46');
  });

  test('end rows that differ are told beside the rates of the kinds of rows', () => {
    const kinds = plan(
      rowsHem({
        rows: [
          { stitch: 'sc', count: 2 },
          { stitch: 'dc', count: 5 },
          { stitch: 'sc', count: 1 },
        ],
      }),
    ).body.edges[3]!;
    expect(placementWords([1, 1, 1, 2, 2, 2, 2, 0], kinds, 'us')).toBe(
      '1 in each sc row, but none in row 8; 2 in each dc row, but 1 in row 3',
    );
  });

  test('what alternates without a break is said as turns, else which take more', () => {
    const turns = Array.from({ length: 84 }, (_, k) => (k % 2 === 0 ? 2 : 1));
    expect(placementWords(turns, edge, 'us')).toBe('2, 1 alternately in the rows');
    expect(placementWords(spread(126, new Array<number>(84).fill(1)), edge, 'us')).toBe(
      '1 in each row, but 2 in rows every 2nd from 2 to 42 and every 2nd from 43 to 83',
    );
  });
});

describe('placed by eye', () => {
  const edge = plan(rowsHem()).body.edges[1]!;
  const { base } = rowsHem();
  const of = (spots: SideChoice['spots'], count: number | null = null): readonly number[] =>
    placement({ ...plainSide('each'), spots, count }, edge, base, 7);

  test('a spot takes what it was given, the count follows, the others keep their spacing', () => {
    const counts = of({ '3': 0, '10': 3 });
    expect([counts[3], counts[10]]).toEqual([0, 3]);
    expect(counts.filter((_, i) => i !== 3 && i !== 10)).toEqual(new Array<number>(82).fill(2));
    expect(placementWords(counts, edge, 'us')).toBe('2 in each row, but none in row 81 and 3 in row 74');
  });

  test('a count that is asked is given all the same', () => {
    for (const count of [90, 131, 168, 200]) {
      const counts = of({ '0': 4, '40': 0, '83': 1 }, count);
      expect(counts.reduce((a, b) => a + b, 0)).toBe(count);
      expect([counts[0], counts[40], counts[83]]).toEqual([4, 0, 1]);
    }
  });

  test('a spot of a seam is left to the seam', () => {
    const grid = bodyOf({
      kind: 'grid',
      lattice: 'squares',
      halves: false,
      halfStitches: null,
      cornerChains: 2,
      cells: ['##'],
      edge: { kind: 'solid', stitch: 'dc', stitches: 5, between: false },
      motifCm: 4,
    }).edges[0]!;
    const counts = placement({ ...plainSide('each'), spots: { '5': 4, '6': 4, '7': 4 } }, grid, base, 7);
    expect(counts.slice(5, 8)).toEqual([1, 0, 1]);
  });
});

describe('rows at the corners, and a table of one’s own', () => {
  const edge = plan(rowsHem()).body.edges[1]!;
  const { base } = rowsHem();

  test('a corner that is the end row’s own leaves that row one stitch fewer', () => {
    const own = placement(plainSide('each'), edge, { ...base, endRows: 'own' }, 7);
    expect([own[0], own[1], own[83]]).toEqual([1, 2, 1]);
    expect(own.reduce((a, b) => a + b, 0)).toBe(166);
  });

  test('a table gives its own rates by kind of row', () => {
    const mixed = plan(
      rowsHem({
        rows: [
          { stitch: 'sc', count: 4 },
          { stitch: 'hdc', count: 4 },
          { stitch: 'tr', count: 2 },
        ],
      }),
    ).body.edges[3]!;
    const counts = placement(plainSide('kinds'), mixed, base, 7);
    expect(counts).toEqual([1, 1, 1, 1, 1, 2, 2, 1, 3, 3]);
    const rates = { ...base.rates, tr: 2.5 };
    expect(spacingCount('kinds', mixed, { ...base, rates }, plainSide('kinds'), 7)).toBe(15);
  });
});
