/** How a round begins, in words: yarn, hook, facing, the first stitches. */
import { theRoundWords } from '../../say/rounds.ts';
import { held } from '../../held.ts';
import { isDisc } from '../../piece/outline.ts';
import { printGroup, printStitch, printSteps } from '../../notation/print.ts';
import type { Plan } from '../../plan/types.ts';
import { placedWords, placeInCorner } from './placedWords.ts';
import { orderOfWork, sidesInOrder, type InOrder } from '../../procedure/order.ts';
import { alongRow } from '../../procedure/rows.ts';
import { actOf, actsOf, type Procedure, type ActOf } from '../../procedure/acts.ts';
import { isThere, type First } from '../../procedure/first.ts';
import type { RoundBeginning } from '../../procedure/candidates.ts';
import { sidePattern } from '../../ring/recipe.ts';
import { stitchOf, type Stitch } from '../../ring/stitch.ts';
import { ordinal } from '../../say/lists.ts';
import type { Language } from '../../terms/stitches.ts';
import { WORDS, capital } from '../../terms/words.ts';
import { hookLabel } from '../../terms/yarnWeights.ts';
import { shortYarnName } from '../../document/yarnNames.ts';
import { plural } from '../../say/measures.ts';
import { cornerName, placeWords } from '../placeWords.ts';
import { isRowEnd } from './rowWords.ts';

const TAIL = { us: 'a 6 in (15 cm) tail', uk: 'a 15 cm tail' } as const;

/** Lines before the first stitch: yarn, hook, facing; then the start itself. */
export function startLines(plan: Plan, procedure: Procedure, language: Language): readonly string[] {
  const lines: string[] = [];
  for (const act of procedure.acts) {
    if (act.do === 'fasten off')
      lines.push(
        `${act.drawn ? 'Fasten off' : 'Cut'} ${shortYarnName(plan.hem, act.yarn)}, leaving ${TAIL[language]}.`,
      );
    else if (act.do === 'take hook')
      lines.push(`Change ${act.back ? 'back ' : ''}to hook ${hookLabel(act.mm, language)}.`);
    else if (act.do === 'turn') lines.push(turnWords(plan, procedure, act.facing));
    else if (act.do === 'work on the face')
      lines.push(
        `Work on the face of ${theRoundWords(act.of)}; the next round goes into ${theRoundWords(act.of)} too.`,
      );
    else if (act.do === 'start') {
      if (act.way.by === 'going on' && act.way.turns) lines.push('Turn the piece: its right side faces you.');
      lines.push(startWords(plan, procedure, act, language));
    }
  }
  const turned = procedure.acts.some((a) => a.do === 'turn');
  if (procedure.round.facing === 'wrong' && !turned)
    lines.push(`The wrong side still faces you.${orderWords(plan, procedure)}`);
  if (actOf(procedure, 'start')?.stitch.form === 'reverse') lines.push(reverseWords(plan, procedure));
  const knot = actOf(procedure, 'knot');
  if (knot) lines.push(knotWords(plan, knot));
  return lines;
}

/** How strands are knotted in, and on a circle where the first. */
export function knotWords(plan: Plan, { place }: ActOf<'knot'>): string {
  const where = isDisc(plan.body.outline) ? `, the first ${placeWords(plan, place, 1)}` : '';
  return `There is no yarn to join: each tassel is knotted in by itself${where}.`;
}

function turnWords(plan: Plan, procedure: Procedure, facing: 'right' | 'wrong'): string {
  if (facing === 'right') return 'Turn back: the right side faces you again.';
  const round = plan.body.outline.part ? 'row' : 'round';
  return `Turn. The wrong side faces you in this ${round}.${orderWords(plan, procedure)}`;
}

/** The order of the sides, where it is not the usual one. */
function orderWords(plan: Plan, procedure: Procedure): string {
  const names = otherOrder(plan, procedure);
  return names === null ? '' : ` The sides come in the other order: ${names.join(', ')}.`;
}

/** The sides in the order in which a round meets them, where it is not the usual one; else null. */
export function otherOrder(plan: Plan, procedure: Procedure): readonly string[] | null {
  const { round } = procedure;
  const { part } = plan.body.outline;
  if (!round.backwards || isDisc(plan.body.outline)) return null;
  if (part) {
    const sides = alongRow(part, round).flatMap(({ side }) =>
      side === null ? [] : [plan.sides[side]!.name],
    );
    return sides.length === 1 ? null : sides;
  }
  const from = procedure.start?.beginning;
  const order = orderOfWork(round);
  const corner = from?.in === 'corner' ? from.corner : null;
  const all = sidesInOrder(plan, corner ?? 0, order.travel);
  const at = corner === null && from && from.in !== 'corner' ? all.indexOf(from.side) : 0;
  return [...all.slice(at), ...all.slice(0, at)].map((i) => plan.sides[i]!.name);
}

/** Which way a round is worked backward. */
export function reverseWords(plan: Plan, procedure: Procedure): string {
  const way = plan.hem.preferences.hand === 'right' ? 'from left to right' : 'from right to left';
  // From the wrong side the way to work backward is again the usual order of the sides.
  const order = procedure.round.facing === 'right' ? orderWords(plan, procedure) : '';
  return `Work backward, ${way}.${order}`;
}

/** Where a round begins, its starting chain, and its first stitches. */
function startWords(plan: Plan, procedure: Procedure, act: ActOf<'start'>, language: Language): string {
  const order = orderOfWork(procedure.round);
  const where = placeWords(plan, act.place, order.travel);
  const yarn = shortYarnName(plan.hem, act.yarn);
  const stitch = printStitch(act.stitch, language);
  const slips = WORDS[language].slipStitch;
  const there = ((): string => {
    switch (act.way.by) {
      case 'joining': {
        const at = act.way.same ? `${onOrAround(act.stitch)} the st where you joined the last round` : where;
        return act.first.by === 'standing'
          ? `Join ${yarn} with a standing ${stitch} ${at}.`
          : `Join ${yarn} with ${WORDS[language].aSlipStitch} ${at}.`;
      }
      case 'going on':
        return `Go on with ${yarn}, which is still on the hook, ${where}.${act.way.turns ? '' : ' Do not turn.'}`;
      case 'staying':
        return `Start ${onOrAround(act.stitch)} the st where you joined the last round.`;
      case 'at its end':
        return `Start ${onOrAround(act.stitch)} the first st.`;
      case 'going round':
        return `Go on ${onOrAround(act.stitch)} the first st of the last round, without a join.`;
      case 'around the close':
        return `Start around the ${printStitch(act.way.stitch, language)} that closed the last round.`;
      case 'reaching back':
        return `Start just behind the join, ${where}.`;
      case 'slipping':
        return act.way.over === 0
          ? `${capital(slips)} forward and start ${where}.`
          : `${capital(slips)} forward over ${plural(act.way.over, 'st')} and start ${where}.`;
      case 'stepping back':
        return `${capital(slips)} back and start ${where}.`;
      case 'going over':
        return `${capital(slips)} over and start ${where}, of ${theRoundWords(procedure.round.onto)}.`;
    }
  })();
  return [
    there,
    liftWords(plan, act, language),
    upWords(act, language),
    firstWords(plan, procedure, act, order, language),
  ]
    .filter((words) => words !== '')
    .join(' ');
}

const onOrAround = ({ post }: Stitch): string => (post === 'none' ? 'in' : 'around the post of');

function liftWords(plan: Plan, { first, stitch }: ActOf<'start'>, language: Language): string {
  const name = printStitch(stitch, language);
  const single = printStitch(SINGLE, language);
  switch (first.by) {
    case 'chain': {
      if (!first.counts) return `Ch ${first.chains} (does not count as a st).`;
      const space = first.space > 0 ? ` and the ch-${first.space} sp` : '';
      return `Ch ${first.chains + first.space} (counts as 1 ${name}${space}).`;
    }
    case 'stacked':
      return `Make ${first.singles} stacked ${single}, each further one in the ${nearSide(plan)} leg of the one before (counts as 1 ${name}).`;
    case 'drawn up':
      return `Draw the loop up as tall as 1 ${name}, hold it down and take it for the first yarn over (counts as 1 ${name}).`;
    default:
      return '';
  }
}

/** Lower stitches with which a spiral climbs. */
const upWords = ({ up }: ActOf<'start'>, language: Language): string =>
  up.length === 0
    ? ''
    : `In place of the first ${plural(up.length, 'st')}: ${up.map((s) => printStitch(s, language)).join(', ')}.`;

const SINGLE = stitchOf({ kind: 'sc' });

/** The side of a stitch from which the next is worked. */
const nearSide = (plan: Plan): 'left' | 'right' => (plan.hem.preferences.hand === 'right' ? 'left' : 'right');

/** A step within a repeat by its own words, and by its number among those that are alike: “the 2nd “sc in next st””. */
export function stepOfRepeat(
  procedure: Procedure,
  { side, step }: Extract<RoundBeginning, { in: 'repeat' }>,
  language: Language,
): string {
  const along = held(
    actsOf(procedure, 'side').find((a) => a.side === side),
    'a round that begins on a side works it',
  ).along;
  const { head, body } = sidePattern(along.into === 'repeats' ? along.steps : []);
  const at = held(step, 'a round that begins within a repeat begins at a step');
  const [steps, index] = at < 0 ? [head, head.length + at] : [body, at];
  const words = steps.map((s) => printSteps([s], language));
  const own = held(words[index], 'a round begins at a step of its repeat');
  const alike = words.flatMap((w, k) => (w === own ? [k] : []));
  return alike.length === 1 ? `“${own}”` : `the ${ordinal(alike.indexOf(index) + 1)} “${own}”`;
}

/** Noun for what the first stitch is, where it is there already. */
export const firstNoun = (first: First): string =>
  first.by === 'standing'
    ? 'standing st'
    : first.by === 'stacked'
      ? 'stacked st'
      : first.by === 'drawn up'
        ? 'drawn-up st'
        : 'chain';

function firstWords(
  plan: Plan,
  procedure: Procedure,
  act: ActOf<'start'>,
  order: InOrder,
  language: Language,
): string {
  const { beginning, first } = act;
  const circle = isDisc(plan.body.outline) || procedure.round.layout.sides.length < plan.sides.length;
  switch (beginning.in) {
    case 'corner': {
      const corner = cornerName(plan, beginning.corner);
      const last = held(
        actsOf(procedure, 'corner').find((a) => a.corner === beginning.corner),
        'a round that begins in a corner works it',
      );
      if (isRowEnd(plan, beginning.corner)) {
        const rest = last.recipe.group.slice(isThere(first) ? 1 : 0);
        const into = rest[0]?.post === 'none' ? 'in' : 'around';
        return rest.length === 0
          ? ''
          : `${rest.length === 1 ? '1 ' : ''}${printGroup(rest, language)} ${into} it.`;
      }
      if (last.part === 'whole')
        return isThere(first)
          ? `Work corner ${corner} first, all of it; the ${firstNoun(first)} is its first st.`
          : `Work corner ${corner} first, all of it.`;
      const there = !isThere(first) ? 0 : first.by === 'chain' && first.space > 0 ? 2 : 1;
      const rest = { start: last.worked.start + there, length: last.worked.length - there };
      const words = placedWords(order, rest, language, (place) =>
        placeInCorner(plan, procedure, last, place, 'the same place'),
      );
      return words === ''
        ? `The rest of corner ${corner} ends the round.`
        : `In corner ${corner}: ${words}; the rest of this corner ends the round.`;
    }
    case 'side': {
      const on = circle ? 'all the way around' : `along side ${plan.sides[beginning.side]!.name}`;
      const rest = isThere(first)
        ? { start: act.worked.start + 1, length: act.worked.length - 1 }
        : act.worked;
      const made = placedWords(order, rest, language, () => 'the same place');
      const words = made === '' ? '' : `${made}, then `;
      return capital(`${words}go on ${on}.`);
    }
    case 'repeat': {
      const there = isThere(first) ? `; the ${firstNoun(first)} is the first of them` : '';
      if (circle) return `Begin with the first sts of the repeat there${there}.`;
      const of = `repeat ${beginning.repeat + 1} of side ${plan.sides[beginning.side]!.name}`;
      if (beginning.step !== null && beginning.step < 0)
        return `Begin before the repeats of side ${plan.sides[beginning.side]!.name}, at ${stepOfRepeat(procedure, beginning, language)} there${isThere(first) ? `; the ${firstNoun(first)} is its first st` : ''}. What comes before it on that side ends the round.`;
      if (beginning.step !== null)
        return `Begin within ${of}, at ${stepOfRepeat(procedure, beginning, language)} there${isThere(first) ? `; the ${firstNoun(first)} is its first st` : ''}. What comes before it in that repeat ends the round.`;
      return `Begin with ${of}: its first sts go in there${there}.`;
    }
  }
}
