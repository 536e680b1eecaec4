/** Whatever is done at the hook and to the design, in whatever order: there is always a plan, and a way on. */
import { expect, test } from '@jest/globals';
import { checkHem, readHem, writeHem } from '../document/check.ts';
import type { Hem } from '../document/hem.ts';
import { NOTHING_DONE, type Deed } from '../document/record.ts';
import { performed } from '../edits/edit.ts';
import { createPlanner } from '../plan/planner.ts';
import { identityOfRound, type Plan } from '../plan/types.ts';
import { anyHem } from '../testing/anyHem.ts';
import { chanceOf, type Chance } from '../chance.ts';
import { randomEdit } from '../testing/randomEdits.ts';
import { seeds, withSeed } from '../testing/seeds.ts';
import { after } from '../testing/worked.ts';
import { reachWords } from './ballWords.ts';
import { hintsOf } from './hintWords.ts';
import { momentsOf } from './momentWords.ts';
import { writtenPattern } from '../print/steps/pattern.ts';
import { placeInWords } from './progressWords.ts';
import { causeWords, outcomeWords, repairWords, ripPlaceWords } from './recountWords.ts';
import { stepWords } from './stepWords.ts';
import {
  leftOf,
  placesToRipTo,
  progressOf,
  stepDone,
  stepInHand,
  stepTakenBack,
  workedUpTo,
} from './progress.ts';
import { causesOf } from './recount.ts';
import { repaired, repairsOf } from './repairs.ts';
import { finishedSides } from './sides.ts';
import { seamAhead, seamWays } from './seam.ts';
import { sideWaysOf } from './sideWays.ts';
import { gauged, tapeOf, tapeWays } from './tape.ts';
import { tapeWayWords, tapeWords } from './tapeWords.ts';
import { STRIDES, stepsOf } from './steps.ts';

/** Something that a maker can do on the page for work; null when it cannot be done now. */
function anyDeed(hem: Hem, plan: Plan, chance: Chance, said: string[]): Hem | null {
  const { round, begun, made } = progressOf(plan);
  const stride = chance.pick(STRIDES);
  const note = (what: string, deeds: readonly Deed[]): Hem => {
    said.push(what);
    return after(hem, deeds, chance.pick(['laptop', 'phone']));
  };
  switch (chance.int(0, 14)) {
    case 0: {
      const [place] = [chance.pick([null, ...placesToRipTo(plan)])];
      return place ? note(`rip to ${ripPlaceWords(plan, place)}`, [place.deed]) : null;
    }
    case 1:
      return note('take back', stepTakenBack(plan, stride));
    case 2: {
      const last = plan.rounds.findLast((r) => r.done !== null);
      if (!last) return null;
      const whole = finishedSides(plan, last.number, last.done!.finished ? last.ring.made.length : made);
      const found = last.sides.map(({ tally }, side) =>
        whole[side] && chance.maybe(0.7) ? Math.max(1, tally.stitches + chance.int(-2, 2)) : null,
      );
      const place = last.done!.finished ? last.ring.made.length : made;
      const causes = causesOf(plan, last.number, found, place);
      for (const cause of causes) expect(causeWords(plan, cause)).not.toMatch(/undefined|NaN/);
      const repairs = repairsOf(plan, last.number, found, place, causes);
      if (repairs.length === 0) return null;
      const repair = chance.pick(repairs);
      said.push(`count ${found.join(' ')}: ${repair.kind}`);
      expect(`${repairWords(plan, repair)} ${outcomeWords(plan, repair)}`).not.toMatch(/undefined|NaN|null/);
      return repaired(hem, repair);
    }
    case 3: {
      if (!round || !begun) return null;
      const grams = chance.int(1, 60);
      for (const text of reachWords(plan, grams)) expect(text).not.toMatch(/undefined|NaN|null/);
      const ball = chance.pick(['same', 'new'] as const);
      const { yarnId: yarn } = round;
      return note('weigh', [
        { did: 'weighed', round: identityOfRound(round), stitches: made, yarn, ball, grams },
      ]);
    }
    case 4:
      return round ? note('pause', [{ did: 'paused', round: identityOfRound(round) }]) : null;
    case 5:
      return note('come in later', workedUpTo(plan, chance.int(0, plan.rounds.length - 1)));
    case 6: {
      const events = hem.record.filter((e) => e.did !== 'struck');
      if (events.length === 0) return null;
      const { id, round: of } = chance.pick(events);
      const grams = chance.maybe(0.3) ? chance.int(1, 60) : null;
      return note('strike', [{ did: 'struck', round: of, entry: id, counts: chance.maybe(0.4), grams }]);
    }
    case 7: {
      const more = chance.pick([-2, -1, 1, 2]);
      const ways = sideWaysOf(plan, more);
      if (ways.length === 0) return null;
      const way = chance.pick(ways);
      return note(`${more} on the table: ${way.kind}`, way.deeds);
    }
    case 8: {
      const long = chance.int(60, 140);
      const deed = begun
        ? gauged(plan, chance.int(1, 20), long, long * (1 + 0.15 * (2 * chance.next() - 1)))
        : null;
      return deed && note('measure', [deed]);
    }
    case 9: {
      const tape = tapeOf(plan);
      const ways = tape ? tapeWays(plan, tape) : [];
      if (!tape || ways.length === 0) return null;
      for (const way of ways)
        expect(`${tapeWayWords(plan, way)} ${tapeWords(plan, tape).join(' ')}`).not.toMatch(
          /undefined|NaN|null/,
        );
      const way = chance.pick(ways);
      const done = note(`tape: ${way.kind}`, way.deeds);
      const outcome = way.edit && performed(done, way.edit);
      if (outcome) expect(outcome.ok).toBe(true);
      return outcome?.ok ? outcome.value : done;
    }
    case 10: {
      const seam = seamAhead(plan);
      const ways = seam ? seamWays(plan, seam, chance.maybe(0.5)) : [];
      if (ways.length === 0) return null;
      const way = chance.pick(ways);
      return note(`seam: ${way.crossing}`, way.deeds);
    }
    default: {
      const step = stepInHand(plan, stride);
      return step ? note(`step by ${stride}`, stepDone(plan, step)) : null;
    }
  }
}

test('work and edits of the design in any order leave a border that can be gone on with', () => {
  for (const seed of seeds(14)) {
    withSeed(seed, (said) => {
      const chance = chanceOf(seed);
      const planner = createPlanner();
      let hem: Hem = { ...anyHem(chance), record: NOTHING_DONE };
      for (let k = 0; k < 14; k++) {
        const plan = planner(hem);
        if (chance.maybe(0.25)) {
          const made = randomEdit(plan, chance, `new${k}`);
          if (!made) continue;
          said.push(made.label);
          const outcome = performed(hem, made);
          if (outcome.ok && planner(outcome.value).problems.every((p) => p.code !== 'round-too-large'))
            hem = outcome.value;
        } else hem = anyDeed(hem, plan, chance, said) ?? hem;
        for (const value of [hem, planner(hem).hem]) {
          const outcome = checkHem(value);
          expect(outcome.ok ? [] : outcome.problems).toEqual([]);
        }
        const now = planner(hem);
        const { language } = hem.preferences;
        for (const stride of STRIDES) {
          const step = stepInHand(now, stride);
          const { round } = progressOf(now);
          expect(step === null).toBe(round === null);
          if (!step || !round) continue;
          const { where, now: texts } = stepWords(now, round.number, step, language);
          const moments = momentsOf(now, round.number, step, language).map((m) => m.text);
          const hints = hintsOf(now, round.number, step, stride, language);
          // Some rounds make nothing in corners.
          if (hints.some((h) => h.startsWith('Up to the corner')) && round.layout.corners[0]!.length > 0) {
            const sides = stepsOf(now, round.number, 'side');
            expect(sides[sides.findIndex((s) => s.to >= step.to) + 1]!.where.on).toBe('corner');
          }
          expect([where, ...texts, ...moments, ...hints].join(' ')).not.toMatch(
            /undefined|NaN|null|\[object/,
          );
        }
        const { side, round, border } = leftOf(now);
        expect(side.stitches).toBeLessThanOrEqual(round.stitches);
        expect(round.stitches).toBeLessThanOrEqual(border.stitches);
        expect(placeInWords(now)).not.toMatch(/undefined|null/);
        // What is begun is printed as it was begun.
        expect(writtenPattern(now).sections.length).toBeGreaterThan(now.rounds.length > 1 ? 3 : 2);
      }
      const read = readHem(writeHem(hem));
      expect(read.ok && planner(read.value).rounds.map((r) => r.total)).toEqual(
        planner(hem).rounds.map((r) => r.total),
      );
    });
  }
});
