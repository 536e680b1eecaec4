import { describe, expect, test } from '@jest/globals';
import { performed } from '../edits/edit.ts';
import { leaveOffRounds } from '../edits/rounds.ts';
import { createPlanner, plan } from '../plan/planner.ts';
import { planComesOutEven, type Plan } from '../plan/types.ts';
import { orderOfWork } from '../procedure/order.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import { countsAsStitch } from '../ring/stitch.ts';
import { chanceOf } from '../chance.ts';
import { anyHem } from '../testing/anyHem.ts';
import { entry, flatBlanket, rowsHem } from '../testing/hems.ts';
import { seeds, withSeed } from '../testing/seeds.ts';
import { after, workedInto } from '../testing/worked.ts';
import { hintsOf, earlyEndsWords } from './hintWords.ts';
import { progressOf, stepDone, stepInHand } from './progress.ts';
import { sideEndOf } from './sideEnd.ts';
import { stepsOf } from './steps.ts';
import { earlyEndsOf } from './earlyEnds.ts';
import { tightPlacesOf } from './tight.ts';

/** Every state of a round that is worked repeat by repeat. */
function* states(of: Plan): Generator<Plan> {
  let now = of;
  for (let step = stepInHand(now, 'repeat'); step && step.does !== 'end'; step = stepInHand(now, 'repeat')) {
    now = plan(after(now.hem, stepDone(now, step)));
    yield now;
  }
}

/** Hints in the order in which a round gives them, the same one once. */
const hintsAlong = (of: Plan): readonly string[] => [
  ...new Set(
    [...states(of)].flatMap((now) =>
      hintsOf(now, progressOf(now).round!.number, stepInHand(now, 'repeat')!, 'repeat', 'us'),
    ),
  ),
];

describe('the end of a side', () => {
  test('is told from three repeats before the corner on, with just the stitches that are left', () => {
    let told = 0;
    for (const now of states(workedInto(flatBlanket([entry({ corner: 'three' })]), 1, 0))) {
      const { made } = progressOf(now);
      const side = stepInHand(now, 'side')!;
      const end = sideEndOf(now, 'us');
      if (side.where.on !== 'side' || side.does !== 'make') {
        expect(end).toBeNull();
        continue;
      }
      const order = orderOfWork(now.rounds[1]!);
      const start = proceduresOf(now)[1]!.start!.at;
      const left = Array.from({ length: side.to - made }, (_, k) => order.stitch(start + made + k)).filter(
        countsAsStitch,
      ).length;
      // Ten at a time: three such steps, the last one of them short.
      if (left > 30) expect(end).toBeNull();
      if (left <= 20) expect(end).not.toBeNull();
      if (!end) continue;
      told++;
      expect(end.stitches).toBe(left);
      expect(end.words).toMatch(new RegExp(`\\b${left} sts|next st`));
    }
    expect(told).toBeGreaterThan(6);
  });

  test('says where a pattern ends otherwise than on the side before', () => {
    const uneven = rowsHem({
      counts: [40, 53, 40, 53],
      rounds: [entry({ id: 's', family: 'shell', stitch: 'dc', corner: 'three' })],
    });
    const hints = hintsAlong(workedInto(uneven, 1, 0));
    expect(hints).toContain('Skip 3 before the corner.');
    // 42 places, of which 9 repeats of 4 and their end take 39.
    expect(hints.filter((h) => h.startsWith('Otherwise'))).toEqual([
      'Otherwise than on side A, go straight into the corner.',
      'Otherwise than on side B, skip 3 before the corner.',
      'Otherwise than on side C, go straight into the corner.',
    ]);
    const alike = rowsHem({ counts: [41, 53, 41, 53], rounds: uneven.rounds });
    expect(hintsAlong(workedInto(alike, 1, 0)).join()).not.toMatch(/otherwise|before the corner/i);
  });
});

test('the middle of a corner is counted among the stitches of its place', () => {
  const plain = flatBlanket([entry({ id: 'a', corner: 'three' }), entry({ id: 'b', corner: 'three' })]);
  expect(hintsAlong(workedInto(plain, 2, 0))).toContain(
    'The middle of the corner is the 2nd of the 3 sts that stand in one place.',
  );
  const spaced = flatBlanket([entry({ id: 'a', corner: 'chain-2' }), entry({ id: 'b' })]);
  expect(hintsAlong(workedInto(spaced, 2, 0)).join()).not.toContain('middle');
});

test('tight places are told while they are made', () => {
  const scallops = plan(
    flatBlanket([entry({ id: 's', family: 'shell', stitch: 'dc' }), entry({ id: 'p', into: 'stitch' })]),
  );
  const [shells, above] = [scallops.rounds[1]!.ring, scallops.rounds[2]!.ring];
  const entered = new Set([...above.into].filter((p) => p >= 0 && shells.made[p]?.kind === 'slst'));
  expect(tightPlacesOf(scallops, 1).find((t) => t.kind === 'slip stitches')?.places ?? 0).toBe(entered.size);
  // The corners of the shell edge are seven in one; those of a plain round three.
  const seven = plan(flatBlanket([entry({ id: 'p' }), entry({ id: 's', family: 'shell', stitch: 'tr' })]));
  expect(tightPlacesOf(seven, 1)).toEqual([{ kind: 'many in one', places: 4, most: 7 }]);
  expect(tightPlacesOf(seven, 0)).toEqual([]);
});

test('what may end a border is planned again: it ends there, fits, and lies as it is said to', () => {
  const three = plan(flatBlanket([entry({ id: 'a', times: 3 }), entry({ id: 'z', family: 'reverse-edge' })]));
  expect(earlyEndsOf(three).map((s) => [s.round, s.entries.map((e) => e.fewer)])).toEqual([
    [1, [2, 1]],
    [2, [1, 1]],
    [3, [1]],
  ]);
  expect(earlyEndsWords(three, earlyEndsOf(three))[0]).toMatch(/ends with round 1, 1.5 cm wide/);
  const mesh = plan(
    flatBlanket([entry({ id: 'a', family: 'filet-mesh', stitch: 'dc' }), entry({ id: 'b' })]),
  );
  expect(earlyEndsOf(mesh).map((s) => s.round)).toEqual([]);
  // At the end of a round just that is said.
  const ends = hintsOf(three, 2, stepsOf(three, 2, 'side').at(-1)!, 'side', 'us');
  expect(ends).toEqual(['You may leave the border here: 2 cm wide, and its edge is closed.']);
  expect(hintsOf(mesh, 1, stepsOf(mesh, 1, 'side').at(-1)!, 'side', 'us')).toEqual([]);
  const within = workedInto(three.hem, 2, 0.5);
  expect(earlyEndsOf(within).map((s) => s.round)).toEqual([2, 3]);
  const planner = createPlanner();
  for (const seed of seeds(25)) {
    withSeed(seed, () => {
      const any = planner(anyHem(chanceOf(seed)));
      for (const end of earlyEndsOf(any)) {
        const outcome = performed(any.hem, leaveOffRounds(end.entries));
        if (!outcome.ok) throw new Error('cannot be left off');
        const then = planner(outcome.value);
        expect(then.rounds.at(-1)!.number).toBe(end.round);
        expect(planComesOutEven(then)).toBe(true);
        expect(then.borderWidthMm).toBeCloseTo(end.widthMm, 6);
      }
    });
  }
});
