/** Whatever is changed or noted, in whatever order: a planner that remembers plans what one that knows nothing does. */
import { expect, test } from '@jest/globals';
import { chanceOf, type Chance } from '../chance.ts';
import type { Hem } from '../document/hem.ts';
import type { Deed } from '../document/record.ts';
import { performed } from '../edits/edit.ts';
import { anyHem } from '../testing/anyHem.ts';
import { randomEdit } from '../testing/randomEdits.ts';
import { patience, seeds, withSeed } from '../testing/seeds.ts';
import { after } from '../testing/worked.ts';
import { placesToRipTo, progressOf, stepDone, stepInHand, stepTakenBack } from '../work/progress.ts';
import { createPlanner, plan } from './planner.ts';
import { identityOfRound, type Plan } from './types.ts';

const MOST_STITCHES = 4000;

/** Something that is noted at the hook; nothing where it cannot be. */
function anyDeeds(made: Plan, chance: Chance): readonly Deed[] {
  const last = made.rounds.findLast((r) => r.done !== null);
  const found = (most: number) => last!.sides.map((s) => s.tally.stitches + chance.int(-most, most));
  const round = last && identityOfRound(last);
  const stitches = last?.done?.stitches ?? 0;
  switch (chance.int(0, 6)) {
    case 0:
      return round ? [{ did: 'counted', round, counts: found(1) }] : [];
    case 1:
      return round && last
        ? [{ did: 'weighed', round, stitches, yarn: last.yarnId, ball: 'same', grams: chance.int(5, 80) }]
        : [];
    case 2:
      return round && last
        ? [
            {
              did: 'looked',
              round,
              lies: last.sides.map(() => chance.pick(['flat', 'ripples', 'cups', null] as const)),
              sizeCm: [null, null],
              sidesCm: last.sides.map(() => null),
              depthCm: chance.maybe(0.5) ? chance.int(5, 80) / 10 : null,
              note: '',
              photo: null,
            },
          ]
        : [];
    case 3:
      return chance.pick([...placesToRipTo(made).map((p) => [p.deed]), []]);
    case 4:
      return stepTakenBack(made, 'side');
    default: {
      const step = stepInHand(made, chance.pick(['side', 'corner'] as const));
      return step ? stepDone(made, step) : [];
    }
  }
}

test(
  'a planner that remembers plans as one that does not',
  () => {
    let compared = 0;
    for (const seed of seeds(8)) {
      withSeed(seed, (said) => {
        const chance = chanceOf(seed);
        const planner = createPlanner();
        let hem: Hem = anyHem(chance);
        let made = planner(hem);
        for (let k = 0; k < 12; k++) {
          let next: Hem;
          if (chance.maybe(0.6) || progressOf(made).round === null) {
            const edit = randomEdit(made, chance, `e${k}`);
            const outcome = edit && performed(hem, edit);
            if (!outcome?.ok) continue;
            said.push(edit!.label);
            next = outcome.value;
          } else {
            const deeds = anyDeeds(made, chance);
            said.push(...deeds.map((d) => d.did));
            next = after(hem, deeds, chance.pick(['laptop', 'phone']));
          }
          // More stitches make the test slow, and say no more.
          if (plan(next).rounds.some((r) => r.total > MOST_STITCHES)) continue;
          hem = next;
          made = planner(hem);
          expect(made).toEqual(plan(hem));
          compared++;
        }
      });
    }
    expect(compared).toBeGreaterThan(20);
  },
  patience(60_000),
);
