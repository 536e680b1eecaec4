/** Reminders at the right moment of the work. */
import { sidesWorked, type Plan } from '../plan/types.ts';
import type { Language } from '../terms/stitches.ts';
import { WORDS } from '../terms/words.ts';
import { cornerBefore } from '../procedure/order.ts';
import { isRowEnd } from '../print/steps/rowWords.ts';
import { stepsOf, type WorkStep } from './steps.ts';
import { stepWords } from './stepWords.ts';
import { ballsEnding } from './balls.ts';
import { plural } from '../say/measures.ts';

export interface Moment {
  readonly kind: 'moment' | 'caution';
  readonly text: string;
}

const moment = (text: string): Moment => ({ kind: 'moment', text });
const caution = (text: string): Moment => ({ kind: 'caution', text });

export function momentsOf(plan: Plan, number: number, step: WorkStep, language: Language): readonly Moment[] {
  const round = plan.rounds[number]!;
  const { skip, weaveIn } = WORDS[language];
  const found: Moment[] = [];
  if (number === 0 && step.does === 'begin') {
    found.push(
      caution(
        'Caution: keep hook, needle and pins away from small children. Fringes, tassels and cords are not for babies; follow local safety advice.',
      ),
    );
  }
  const startsSide =
    step.act?.do === 'side' &&
    step.act.part !== 'from the start' &&
    stepsOf(plan, number, 'side').some((s) => s.act === step.act && s.from === step.from);
  const words = stepWords(plan, number, step, language).now[0] ?? '';
  // Where the pattern passes it over, it is not to be worked into.
  const isPassedOver = words.toLowerCase().replace(/^\[+/, '').startsWith(skip);
  const follows =
    step.act?.do === 'side' ? cornerBefore(step.act.side, plan.sides.length, round.backwards ? -1 : 1) : 0;
  if (
    startsSide &&
    !isPassedOver &&
    !isRowEnd(plan, follows) &&
    round.ring.centres.length > 0 &&
    round.layout.sides.length > 1
  ) {
    found.push(moment(`The next st hides behind the corner: do not ${skip} it.`));
  }
  if (step.does === 'begin' && number > 0 && plan.rounds[number - 1]!.yarnId !== round.yarnId) {
    const over = plan.hem.base.start.ends === 'crocheted over';
    const tails = over ? 'crochet over both ends' : `${weaveIn} both ends when there is time`;
    found.push(moment(`New yarn: leave a tail of 15 cm, and ${tails}.`));
  }
  if (step.does === 'make') {
    for (const { name, ball } of ballsEnding(plan, number, step)) {
      const which = ball === null ? `The ball of ${name}` : `Ball ${ball} of ${name}`;
      found.push(moment(`${which} ends about here: have the next one at hand.`));
    }
  }
  if (step.does === 'end') {
    const counts = sidesWorked(plan).map(
      (side) => `${plan.sides[side]!.name} ${round.sides[side]!.tally.stitches}`,
    );
    const rows = plan.body.outline.part !== undefined;
    found.push(moment(`Before you ${rows ? 'turn or cut' : 'join'}, count: ${counts.join(' · ')}.`));
    found.push(moment('Lay it flat and look: does every side lie flat?'));
    const ends = plan.rounds[number + 1]?.yarnId === round.yarnId ? 0 : 1;
    if (ends > 0) found.push(moment(`${plural(ends, 'end')} more to ${weaveIn}.`));
    found.push(caution('Rest the hands and stretch them; stop when they hurt.'));
  }
  return found;
}
