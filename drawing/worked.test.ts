/** What is said, what is printed and what is drawn of a border as it is worked. */
import { describe, expect, test } from '@jest/globals';
import type { Plan } from '../core/plan/types.ts';
import { countsAsStitch } from '../core/ring/stitch.ts';
import { withEveryFamily } from '../core/testing/bodies.ts';
import { rowsHem } from '../core/testing/hems.ts';
import { writtenPattern } from '../core/print/steps/pattern.ts';
import { sideOfEntries } from '../core/ring/ring.ts';
import { STRIDES, stepsOf } from '../core/work/steps.ts';
import { demoPlans } from '../demo/read.ts';
import { colourAt, sceneOf } from './scene.ts';

const small = rowsHem({ stitches: 42, rows: [{ stitch: 'dc', count: 22 }], widthCm: 30, heightCm: 31 });

/** The entries of a round that are drawn as made when the work is at a place, each by 1. */
function drawnAsMade(plan: Plan, round: number, made: number): Uint8Array {
  const scene = sceneOf(plan, {
    face: 'yarn',
    seen: 'right',
    round: null,
    ground: '#ffffff',
    worked: { round, made },
  });
  if (scene.rounds.length !== round + 1)
    throw new Error(`${scene.rounds.length} rounds drawn in place of ${round + 1}`);
  return scene.rounds[round]!.worked!.made;
}

function checkAgreement(plan: Plan): void {
  const printed = writtenPattern(plan)
    .sections.flatMap((s) => s.lines)
    .filter((l) => l.kind === 'counts')
    .map((l) => l.text)
    .join('\n');
  for (const { number, ring, sides, written } of plan.rounds) {
    const sideOf = sideOfEntries(ring);
    for (const stride of STRIDES) {
      let before = new Uint8Array(ring.made.length);
      const counted = sides.map(() => 0);
      for (const step of stepsOf(plan, number, stride)) {
        const now = drawnAsMade(plan, number, step.to);
        // Nothing that was made is drawn as if it were not, and of the rest just what the step makes.
        const fresh: number[] = [];
        let lost = 0;
        for (let e = 0; e < now.length; e++) {
          if (now[e] === 1 && before[e] === 0) fresh.push(e);
          if (now[e] === 0 && before[e] === 1) lost++;
        }
        if (lost > 0 || fresh.length !== step.to - step.from)
          throw new Error(`round ${number}, ${step.from} to ${step.to}: ${lost} lost, ${fresh.length} made`);
        const { where } = step;
        // A round that runs past the corners makes their middles as it comes to them.
        const past = written?.recipe.scope === 'ring';
        if (where.on === 'side' && !step.then && ring.centres.length > 0 && !past) {
          const elsewhere = fresh.filter((e) => sideOf[e] !== where.side);
          if (elsewhere.length > 0) expect(elsewhere).toEqual([]);
        }
        for (const e of fresh) if (sideOf[e]! >= 0 && countsAsStitch(ring.made[e]!)) counted[sideOf[e]!]!++;
        before = now.slice();
      }
      expect(counted).toEqual(sides.map((s) => s.tally.stitches));
    }
    // What was counted as it was drawn is what is printed.
    if (plan.sides.length > 1)
      sides.forEach(({ tally }, side) => {
        const opposite = sides[(side + sides.length / 2) % sides.length];
        const name = tally.stitches === opposite?.tally.stitches ? '' : `${plan.sides[side]!.name} `;
        expect(printed).toContain(`${name}${tally.stitches}`);
      });
  }
}

describe('the drawing, the steps and the printed pattern', () => {
  test.each(withEveryFamily(small))('agree at every step of a border with %s', (_, plan) =>
    checkAgreement(plan),
  );

  test.each(demoPlans().filter(([, plan]) => plan.rounds.every((r) => r.ring.made.length < 1500)))(
    'agree at every step of %s',
    (_, plan) => checkAgreement(plan),
  );

  test('what is not made yet is paler', () => {
    const [, plan] = withEveryFamily(small)[0]!;
    const { rounds } = sceneOf(plan, {
      face: 'yarn',
      seen: 'right',
      round: null,
      ground: '#ffffff',
      worked: { round: 1, made: 3 },
    });
    const made = drawnAsMade(plan, 1, 3);
    const colours = new Set(
      rounds[1]!.chart.ring.made.map((_, e) => `${made[e]} ${colourAt(rounds[1]!, e)}`),
    );
    expect([...colours].sort()).toHaveLength(2);
  });
});
