import { expect, test } from '@jest/globals';
import { demoHems } from '../demo/read.ts';
import { performed } from '../core/edits/edit.ts';
import { createPlanner } from '../core/plan/planner.ts';
import type { Plan } from '../core/plan/types.ts';
import { chanceOf } from '../core/chance.ts';
import { nonsenseIn } from '../core/testing/everything.ts';
import { randomEdit } from '../core/testing/randomEdits.ts';
import { patience, seeds, withSeed } from '../core/testing/seeds.ts';
import { legendOf } from './legend.ts';
import { partBox, partsOfDrawing } from './viewParts.ts';
import { planSvg } from './planSvg.ts';
import { sceneOf } from './scene.ts';
import { svgOf } from './svg.ts';

/** The first corner and the whole of a plan, drawn with either face and from either side. */
function drawn(plan: Plan, turned: boolean): readonly string[] {
  const scene = sceneOf(plan, {
    face: turned ? 'symbols' : 'yarn',
    seen: turned ? 'wrong' : 'right',
    round: null,
    ground: '#ffffff',
  });
  const named = [...partsOfDrawing(plan).values()];
  const boxes = [named[0]!, named[named.length - 1]!].map(({ part }) => partBox(plan, part));
  return [planSvg(plan), ...boxes.map((box) => svgOf(scene, box, plan.hem.name))];
}

test(
  'whatever edits follow each other, what they leave can be drawn',
  () => {
    for (const seed of seeds(5)) {
      withSeed(seed, (said) => {
        const chance = chanceOf(seed * 7919);
        const planner = createPlanner();
        let plan = planner(chance.pick(demoHems()));
        for (let k = 0; k < 9; k++) {
          const next = randomEdit(plan, chance, `e${k}`);
          const outcome = next && performed(plan.hem, next);
          if (!outcome?.ok) continue;
          said.push(next!.label);
          plan = planner(outcome.value);
        }
        for (const turned of [false, true]) {
          for (const svg of drawn(plan, turned)) expect(/NaN|Infinity|undefined/.exec(svg)).toBeNull();
        }
        expect(nonsenseIn(legendOf(plan, 'uk'))).toEqual([]);
      });
    }
  },
  patience(240_000),
);
