import { expect, test } from '@jest/globals';
import { chanceOf } from '../chance.ts';
import { ballEnds } from '../forecast/supply.ts';
import { isDisc } from '../piece/outline.ts';
import { plan } from '../plan/planner.ts';
import { anyHem } from '../testing/anyHem.ts';
import { stretchLeft } from './progress.ts';
import { stepsOf } from './steps.ts';

test('the end of a ball is where its maker is when so much has been worked, wherever rounds begin and whichever way they run', () => {
  let seen = 0;
  for (let seed = 1; seed <= 80; seed++) {
    const hem = anyHem(chanceOf(seed));
    const made = plan({ ...hem, yarns: hem.yarns.map((y) => ({ ...y, ballG: 2 })) });
    for (const end of ballEnds(made).filter((_, k) => k % 7 === 0)) {
      const step = stepsOf(made, end.round, 'side').find((s) => s.from <= end.made && end.made < s.to);
      if (!step || step.where.on === 'round' || isDisc(made.body.outline)) continue;
      // A pattern that runs past the corners has one stretch for all sides.
      if (made.rounds[end.round]!.layout.sides.length < made.sides.length) continue;
      seen++;
      const { where } = step;
      // A corner lies between two sides.
      const sides = made.sides.length;
      const here =
        where.on === 'side'
          ? [where.side]
          : where.on === 'corner'
            ? [where.corner, (where.corner + sides - 1) % sides]
            : [];
      expect(here).toContain(end.side);
      const used = stretchLeft(made, made.rounds[end.round]!, 0, end.made).metres;
      const before = made.rounds
        .slice(0, end.round)
        .reduce((sum, r) => sum + (r.yarnId === end.yarnId ? r.yarnM : 0), 0);
      const { yarn } = made.yarns.find((y) => y.yarn.id === end.yarnId)!;
      const ballM = (2 * yarn.metresPer100G) / 100;
      expect(Math.abs(before + used - end.ball * ballM)).toBeLessThan(0.5);
    }
  }
  expect(seen).toBeGreaterThan(100);
});
