import { describe, expect, test } from '@jest/globals';
import { demoPlans } from '../../demo/read.ts';
import { changePiece } from '../document/changePiece.ts';
import type { Hem } from '../document/hem.ts';
import { plan } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import type { Piece } from '../piece/piece.ts';
import type { CornerRecipe } from '../ring/recipe.ts';
import { IN_NOTHING, tallyRing, tallySide, type Centre, type Ring } from '../ring/ring.ts';
import { chainRun, isChainRun, stitchOf, type Stitch } from '../ring/stitch.ts';
import { centreOf } from '../ring/corner.ts';
import { workRound } from '../ring/work.ts';
import { stitchCalled, type Language } from '../terms/stitches.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { entriesOnto } from '../stack/stack.ts';
import { withEveryFamily } from '../testing/bodies.ts';
import { anyHem, ofOtherConstructions } from '../testing/anyHem.ts';
import { chanceOf } from '../chance.ts';
import { seeds, withSeed } from '../testing/seeds.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { writtenPattern } from './steps/pattern.ts';
import { publishedPattern } from './published/published.ts';
import { patternText } from './patternText.ts';
import { readPattern, type ReadBase, type ReadPattern, type ReadRound } from './readPattern.ts';
import { whereWords } from '../problems.ts';

/** The ring that the words of a base round make. */
function ringOf(base: ReadBase, language: Language): Ring {
  const made: Stitch[] = [];
  const into: number[] = [];
  const centres: Centre[] = [];
  let place = 0;
  const add = (s: Stitch): void => {
    made.push(s);
    into.push(isChainRun(s) ? IN_NOTHING : place);
  };
  base.sides.forEach(({ name, count, stitch, chains }, i) => {
    const before = base.sides[(i - 1 + base.sides.length) % base.sides.length]!.name;
    const corner = base.corners.get(`${before}/${name}`) ?? base.corners.get('');
    if (corner) {
      const centre = centreOf(corner.group);
      centres.push({ start: made.length + centre.start, length: centre.length });
      corner.group.forEach(add);
    }
    if (chains > 0) add(chainRun(chains));
    for (let k = 0; k < count; k++) {
      place++;
      add(stitchOf({ kind: stitchCalled(stitch, language)! }));
      if (chains > 0) add(chainRun(chains));
    }
    place++;
  });
  return { made, into: Int32Array.from(into), centres };
}

function workWords(below: Ring, round: ReadRound, names: readonly string[]): Ring {
  const { recipe } = round;
  const corner = (i: number): CornerRecipe =>
    round.corners.get(`${names[(i - 1 + names.length) % names.length]}/${names[i]}`) ?? recipe.corner;
  return workRound(below, recipe, {
    ...(round.corners.size > 0 ? { corners: names.map((_, i) => corner(i)) } : {}),
    ...(round.changes.size > 0 ? { changes: names.map((n) => round.changes.get(n) ?? 0) } : {}),
  }).ring;
}

/** Counts of every round that the words alone make: total, then side by side. */
function countsByWords({ base, rounds }: ReadPattern, language: Language): readonly (readonly number[])[] {
  const names = base!.sides.map((s) => s.name);
  const rings: Ring[] = [ringOf(base!, language)];
  let below = rings[0]!;
  for (const round of rounds) {
    for (let n = round.from; n <= round.to; n++) {
      const ring = workWords(below, round, names);
      rings.push(ring);
      if (!round.recipe.surface) below = ring;
    }
  }
  return rings.map((ring) => [tallyRing(ring).stitches, ...names.map((_, i) => tallySide(ring, i).stitches)]);
}

const countsOf = (made: Plan): readonly (readonly number[])[] =>
  made.rounds.map((r) => [r.total, ...made.sides.map((_, i) => tallySide(r.ring, i).stitches)]);

function expectReadBack(made: Plan): void {
  for (const language of ['us', 'uk'] as const) {
    for (const pattern of [writtenPattern(made, language), publishedPattern(made, language)]) {
      const text = patternText(pattern);
      const outcome = readPattern(text, language);
      if (!outcome.ok) throw new Error(`${JSON.stringify(outcome.problems)}\n${text}`);
      expect([text, ...countsByWords(outcome.value, language)]).toEqual([text, ...countsOf(made)]);
    }
  }
}

const withPiece = (piece: Piece, rounds: Hem['rounds'] = [entry({ times: 3 })]): Hem => {
  const hem = rowsHem({ rounds });
  return { ...hem, ...changePiece(hem, piece) };
};
const hexagon: Piece = {
  kind: 'motif',
  corners: 6,
  cornerChains: 2,
  edge: { kind: 'solid', stitch: 'dc', stitches: 40, between: false },
  sideCm: 29,
};
const disc: Piece = {
  kind: 'motif',
  corners: 0,
  cornerChains: 0,
  edge: { kind: 'solid', stitch: 'dc', stitches: 200, between: false },
  sideCm: 150,
};
const BODIES: readonly (readonly [string, Hem])[] = [
  ['rows', rowsHem({ rounds: [entry({ times: 2 })] })],
  ['between the stitches', rowsHem({ rounds: [entry({ into: 'between', times: 2 })] })],
  [
    'stitches and chain spaces',
    rowsHem({
      counts: [31, 37, 31, 37],
      rounds: [entry({ id: 'm', family: 'moss' }), entry({ into: 'either', times: 2 })],
    }),
  ],
  ['rounded corners', rowsHem({ rounds: [entry({ corner: 'rounded', stitch: 'dc', times: 4 })] })],
  [
    'a clustered square',
    withPiece({
      kind: 'motif',
      corners: 4,
      cornerChains: 2,
      edge: { kind: 'clustered', clusters: 14, stitchesEach: 3, chainsBetween: 1 },
      sideCm: 40,
    }),
  ],
  ['a hexagon, corners by angle', withPiece(hexagon, [entry({ corner: 'angle', times: 4 })])],
  ['a disc', withPiece(disc)],
  [
    'blocks in loops',
    (() => {
      const hem = withPiece(
        {
          kind: 'blocks',
          stitch: 'dc',
          loopChains: 3,
          blocksWide: 12,
          blocksHigh: 14,
          widthCm: 50,
          heightCm: 58,
        },
        [entry({ family: 'fill-loops', stitch: 'dc', corner: 'twos' })],
      );
      return {
        ...hem,
        base: { ...hem.base, sides: hem.base.sides.map((s) => ({ ...s, school: 'loops' as const })) },
      };
    })(),
  ],
  [
    'joined motifs with an inner corner',
    withPiece({
      kind: 'grid',
      lattice: 'squares',
      halves: false,
      halfStitches: null,
      cornerChains: 2,
      cells: ['#..', '##.', '###'],
      edge: { kind: 'solid', stitch: 'dc', stitches: 20, between: false },
      motifCm: 14,
    }),
  ],
  ['cloth', withPiece({ kind: 'cloth', widthCm: 60, heightCm: 80, pitchMm: 8 })],
  [
    'counted by hand',
    withPiece({
      kind: 'counted',
      sides: [120, 90, 150].map((n) => ({ lengthCm: n / 1.4, stitches: n, turnDegrees: 120 })),
    }),
  ],
];

const OTHERS = ofOtherConstructions(BODIES.map(([, hem]) => hem.piece)).map(
  (piece) => [piece.kind, withPiece(piece)] as const,
);

describe('what is printed is read back, and worked from the words alone gives the same counts', () => {
  test.each([...BODIES, ...OTHERS])('%s', (_, hem) => expectReadBack(plan(hem)));

  test.each(
    BODIES.slice(0, 4).flatMap(([body, hem]) =>
      withEveryFamily(hem).map(([id, made]) => [id, body, made] as const),
    ),
  )('%s on %s', (_, __, made) => expectReadBack(made));

  test.each(demoPlans())('%s', (_, made) => expectReadBack(made));

  test('what is printed of any hem can be read', () => {
    for (const seed of seeds(40)) {
      withSeed(seed, () => {
        const made = plan(anyHem(chanceOf(seed)));
        for (const language of ['us', 'uk'] as const) {
          for (const pattern of [writtenPattern(made, language), publishedPattern(made, language)]) {
            const outcome = readPattern(patternText(pattern), language);
            expect(outcome.ok ? [] : outcome.problems).toEqual([]);
          }
        }
      });
    }
  });

  test.each(['plain', 'scallop', 'shell', 'v-stitch', 'filet-mesh', 'bobbles', 'gap-cluster'])(
    'rows of %s along two sides',
    (id) => {
      const family = FAMILIES.find((f) => f.id === id)!;
      const hem = rowsHem();
      const below = {
        ...hem,
        base: { ...hem.base, part: { first: 3, sides: 2, from: 0, to: null, cut: false } },
      };
      const rounds = entriesOnto(plan(below).rounds[0]!.ring, family, 'y1', ['ground', 'new']);
      const made = plan({ ...below, rounds });
      for (const pattern of [writtenPattern(made), publishedPattern(made)]) {
        const outcome = readPattern(patternText(pattern), 'us');
        if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
        expect(outcome.value.rounds.map(({ recipe }) => [recipe.side, recipe.corner.group])).toEqual(
          made.rounds.slice(1).map(({ written }) => [written!.recipe.side, written!.recipe.corner.group]),
        );
      }
    },
  );

  test('quiet changes, alternating corners, lopsided sides', () => {
    expectReadBack(plan(rowsHem({ rounds: [entry({ corner: 'fours', times: 5 })] })));
    expectReadBack(plan(rowsHem({ rounds: [entry({ changes: { '0': [2, -1, 0, 3] } })] })));
    expectReadBack(
      plan(
        rowsHem({ counts: [149, 166, 148, 167], rounds: [entry({ family: 'spider', corner: 'chain-2' })] }),
      ),
    );
    expectReadBack(
      plan(
        rowsHem({
          rounds: [
            entry({ family: 'cluster', stitch: 'dc', corner: 'threes', changes: { '0': [2, 1, -1, 0] } }),
          ],
        }),
      ),
    );
  });
});

describe('folding', () => {
  const headings = (hem: Hem): readonly string[] => writtenPattern(plan(hem)).sections.map((s) => s.heading);

  test('rounds that read alike are told once, with the counts of each', () => {
    const made = plan(rowsHem({ rounds: [entry({ times: 3 }), entry({ id: 'b', yarn: 'y2', times: 2 })] }));
    const { sections } = writtenPattern(made);
    const folded = sections.find((s) => s.heading.startsWith('Rounds 1–3'))!;
    expect(folded.rounds).toEqual([1, 2, 3]);
    expect(folded.lines.filter((l) => l.kind === 'counts').map((l) => l.text.slice(0, 19))).toEqual([
      'Count after round 1',
      'Count after round 2',
      'Count after round 3',
    ]);
    const other = sections.find((s) => s.heading === 'Rounds 4–5: plain round (Other yarn)')!;
    expect(other.lines[0]!.text).toBe('In round 4: Fasten off Plain yarn, leaving a 6 in (15 cm) tail.');
  });

  test('rounds that differ in a quiet change are not', () => {
    expect(headings(rowsHem({ rounds: [entry({ times: 2, changes: { '1': [1, 0, 0, 0] } })] }))).toEqual(
      expect.arrayContaining(['Round 1: plain round (Plain yarn)', 'Round 2: plain round (Plain yarn)']),
    );
  });
});

describe('rounds that someone typed', () => {
  test('a round without a heading, one with, and one on the line of its heading', () => {
    const text = [
      'Each side: *sc in next st*.',
      'Corner: 3 sc in corner',
      '',
      'Round 2 - shells',
      'Side: sk 1, sl st in next st, *sk 1, 5 hdc in next st, sk 1, sl st in next st*, sk 1',
      'Corner: 7 hdc in the corner st',
      'Rnd 3: *sl st in next st*',
    ].join('\n');
    const outcome = readPattern(text, 'us');
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    expect(outcome.value.rounds.map((r) => [r.from, r.recipe.corner.group.length])).toEqual([
      [1, 3],
      [2, 7],
      [3, 0],
    ]);
  });

  test('a fault is placed at its line', () => {
    const outcome = readPattern('Round 1\nEach side: *sc in next st*\nCorner: 3 xx in corner', 'us');
    expect(outcome).toMatchObject({
      ok: false,
      problems: [{ code: 'written-unreadable', where: { line: 3 } }],
    });
  });

  test('text without a round says what a round looks like', () => {
    expect(readPattern('Dear friend,\nhow are you?', 'us')).toMatchObject({
      ok: false,
      problems: [{ code: 'pattern-no-rounds' }],
    });
  });
});

describe('text that was printed before', () => {
  const OLD = `Base round (Oat)
  Begin in corner D/A. Ch 1, which does not count as a stitch.
  Corner: 3 sc in the corner stitch.
  Side A: 20 sc along 20 stitch tops: 1 in each.
  Side B: 22 sc along 11 dc row ends: 2 in each.
  Counts: A 22 · B 24.

Rounds 1–2: plain round (Oat)
  Turn: the wrong side faces you now. The sides come in the other order.
  Each side: *hdc 3rd loop in next st*; repeat from * to * to the corner.
  Corner: 4 hdc in the corner st.
  Quiet change: on A 2 in one place once; on B 2 together 2 times, evenly.

Round 3: shell edge (Oat)
  Turn back: the right side faces you again.
  Each side: sk 1, sl st in next st, *sk 1, 5 hdc in next st, sk 1, sl st in next st*, sk 1; repeat from * to * to the corner.
  Corners D/A and B/C: sc3tog over the corner st and its neighbours.
  Corner A/B: 3 hdc in the first of the pair of corner sts, hdc in the second.
  Quiet change: on A skip one more at the first skip and the last.
`;

  test('is read as it was', () => {
    const outcome = readPattern(OLD, 'us');
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    const { base, rounds } = outcome.value;
    expect(base!.sides.map((s) => [s.name, s.count])).toEqual([
      ['A', 20],
      ['B', 22],
    ]);
    expect(rounds.map((r) => [r.from, r.to, r.recipe.facing])).toEqual([
      [1, 2, 'wrong'],
      [3, 3, 'right'],
    ]);
    expect([...rounds[0]!.changes]).toEqual([
      ['A', 1],
      ['B', -2],
    ]);
    expect([...rounds[1]!.changes]).toEqual([['A', 2]]);
    expect(rounds[1]!.corners.get('D/A')!.group[0]).toMatchObject({ form: 'together', legs: 3 });
    expect(rounds[1]!.corners.get('A/B')!.pair).toHaveLength(2);
  });
});

test('several rounds in everyday words are read at once', () => {
  const outcome = readPattern(
    'Rnd 1: Ch 1, sc in each st around, 3 sc in each corner, join with sl st.\n' +
      'Rnd 2: *Sk next 2 sts, 3 dc in next st; rep from * to last 2 sts, sk next 2 sts, 6 dc in each corner.\n' +
      'Rounds 3-4: hdc in each st, 3 hdc in each corner',
    'us',
  );
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
  expect(outcome.value.rounds.map((r) => [r.from, r.to, r.recipe.corner.group.length])).toEqual([
    [1, 1, 3],
    [2, 2, 6],
    [3, 4, 3],
  ]);
  const faulty = readPattern('Rnd 1: sc in each st around\nRnd 2: *knit in next st', 'us');
  expect(faulty.ok ? [] : faulty.problems.map((p) => whereWords(p.where))).toContain('line 2');
});
