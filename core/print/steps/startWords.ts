/** How a round begins and ends, in words: yarn, hook, facing, the first stitches, what is finished last, the join. */
import { held } from '../../held.ts';
import { isDisc } from '../../piece/outline.ts';
import { printGroup, printStitch } from '../../notation/print.ts';
import type { Plan } from '../../plan/types.ts';
import { orderOfWork, sidesInOrder, type InOrder } from '../../procedure/order.ts';
import { actOf, actsOf, type Procedure, type Worked, type ActOf } from '../../procedure/acts.ts';
import type { First } from '../../procedure/start.ts';
import { IN_NOTHING, isGap } from '../../ring/ring.ts';
import { countsAsStitch, isChainRun, isOrnament, type Stitch } from '../../ring/stitch.ts';
import type { Language } from '../../terms/stitches.ts';
import { WORDS, capital } from '../../terms/words.ts';
import { hookLabel } from '../../terms/yarnWeights.ts';
import { shortYarnName } from '../../document/yarnNames.ts';
import { plural } from '../../say/measures.ts';
import { cornerName, markedWords, placeWords } from '../placeWords.ts';

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
        `Work on the face of ${roundName(act.of)}; the next round goes into ${roundName(act.of)} too.`,
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

const roundName = (number: number): string => (number === 0 ? 'the base round' : `round ${number}`);

function turnWords(plan: Plan, procedure: Procedure, facing: 'right' | 'wrong'): string {
  if (facing === 'right') return 'Turn back: the right side faces you again.';
  return `Turn. The wrong side faces you in this round.${orderWords(plan, procedure)}`;
}

/** The order of the sides, where it is not the usual one. */
function orderWords(plan: Plan, procedure: Procedure): string {
  const names = otherOrder(plan, procedure);
  return names === null ? '' : ` The sides come in the other order: ${names.join(', ')}.`;
}

/** The sides in the order in which a round meets them, where it is not the usual one; else null. */
export function otherOrder(plan: Plan, procedure: Procedure): readonly string[] | null {
  const { round } = procedure;
  if (!round.backwards || isDisc(plan.body.outline)) return null;
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
      case 'reaching back':
        return `Start just behind the join, ${where}.`;
      case 'slipping':
        return act.way.over === 0
          ? `${capital(slips)} forward and start ${where}.`
          : `${capital(slips)} forward over ${plural(act.way.over, 'st')} and start ${where}.`;
      case 'stepping back':
        return `${capital(slips)} back and start ${where}.`;
      case 'going over':
        return `${capital(slips)} over and start ${where}, of ${roundName(procedure.round.onto)}.`;
    }
  })();
  return [
    there,
    liftWords(act.first, act.stitch, language),
    firstWords(plan, procedure, act, order, language),
  ]
    .filter((words) => words !== '')
    .join(' ');
}

const onOrAround = ({ post }: Stitch): string => (post === 'none' ? 'in' : 'around the post of');

function liftWords(first: First, stitch: Stitch, language: Language): string {
  if (first.by !== 'chain') return '';
  return first.counts
    ? `Ch ${first.chains} (counts as 1 ${printStitch(stitch, language)}).`
    : `Ch ${first.chains} (does not count as a st).`;
}

/** Whether the first stitch is there already, as a chain or standing. */
export const isThere = (first: First): boolean =>
  first.by === 'standing' || (first.by === 'chain' && first.counts);

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
      if (last.part === 'whole')
        return isThere(first)
          ? `Work corner ${corner} first, all of it; the ${first.by === 'standing' ? 'standing st' : 'chain'} is its first st.`
          : `Work corner ${corner} first, all of it.`;
      const rest = isThere(first)
        ? { start: last.worked.start + 1, length: last.worked.length - 1 }
        : last.worked;
      const words = partWords(order, rest, language, (place) =>
        placeInCorner(plan, procedure, last, place, 'the same place'),
      );
      const begun =
        words === ''
          ? `That is the last part of corner ${corner}`
          : `The last part of corner ${corner}: ${words}`;
      return `${begun}; its first part ends the round.`;
    }
    case 'side': {
      const on = circle ? 'all the way around' : `along side ${plan.sides[beginning.side]!.name}`;
      const rest = isThere(first)
        ? { start: act.worked.start + 1, length: act.worked.length - 1 }
        : act.worked;
      const made = partWords(order, rest, language, () => 'the same place');
      const words = made === '' ? '' : `${made}, then `;
      return capital(`${words}go on ${on}.`);
    }
    case 'repeat': {
      const there = isThere(first)
        ? `; the ${first.by === 'standing' ? 'standing st' : 'chain'} is the first of them`
        : '';
      if (circle) return `Begin with the first sts of the repeat there${there}.`;
      return `Begin with repeat ${beginning.repeat + 1} of side ${plan.sides[beginning.side]!.name}: its first sts go in there${there}.`;
    }
  }
}

/** A place of a corner: the only one that it has, or one of two stitches. */
function placeInCorner(
  plan: Plan,
  { round }: Procedure,
  { corner, into }: ActOf<'corner'>,
  place: number,
  only: string,
): string {
  if (into.on !== 'two stitches' || isGap(place)) return only;
  const { ring } = plan.rounds[round.onto]!;
  const { start } = ring.centres[corner]!;
  const earlier = orderOfWork(round).travel === 1 ? start : (start + 1) % ring.made.length;
  return `the ${place === earlier ? 'first' : 'second'} of its two places`;
}

/**
 * Stitches as they go into their places, one after the other: “2 hdc in the same place, ch 1”.
 *
 * @param nameOf what a place is called
 */
function partWords(
  order: InOrder,
  worked: Worked,
  language: Language,
  nameOf: (place: number) => string,
): string {
  const runs: { readonly place: number; readonly stitches: Stitch[] }[] = [];
  for (let k = 0; k < worked.length; k++) {
    const place = order.into(worked.start + k);
    const last = runs[runs.length - 1];
    if (last?.place === place) last.stitches.push(order.stitch(worked.start + k));
    else runs.push({ place, stitches: [order.stitch(worked.start + k)] });
  }
  return runs
    .map(({ place, stitches }) => {
      const only = stitches.length === 1 && countsAsStitch(stitches[0]!);
      const group =
        place === IN_NOTHING
          ? stitches.map((st) => printStitch(st, language)).join(', ')
          : `${only ? '1 ' : ''}${printGroup(stitches, language)}`;
      if (place === IN_NOTHING) return group;
      const post = stitches.some((s) => s.post !== 'none');
      return `${group} ${post ? 'around' : 'in'} ${nameOf(place)}`;
    })
    .join(', ');
}

/** Lines that end a round: the rest of the side or corner in which it began, and the join. */
export function endLines(plan: Plan, procedure: Procedure, language: Language): readonly string[] {
  const join = actOf(procedure, 'join');
  const start = actOf(procedure, 'start');
  if (!join || !start) return [];
  const order = orderOfWork(procedure.round);
  const lines: string[] = [];
  const { beginning } = start;
  const circle = isDisc(plan.body.outline) || procedure.round.layout.sides.length < plan.sides.length;
  if (beginning.in === 'corner') {
    const first = actsOf(procedure, 'corner').find((a) => a.part === 'first');
    if (first) {
      const words = partWords(order, first.worked, language, (place) =>
        placeInCorner(plan, procedure, first, place, 'the place of its last part'),
      );
      lines.push(`At the end of the round, finish corner ${cornerName(plan, beginning.corner)}: ${words}.`);
    }
  } else if (circle) {
    lines.push('At the end of the round, go on up to where you started.');
  } else {
    lines.push(
      `At the end of the round, work side ${plan.sides[beginning.side]!.name} up to where you started.`,
    );
  }
  const { first, stitch } = join;
  const into =
    first.by === 'chain' && first.counts
      ? `the top of the ch-${first.chains}`
      : `the first ${printStitch({ ...stitch, loop: 'both' }, language)}`;
  const { aSlipStitch, slipStitch, skip } = WORDS[language];
  // Nothing can be worked into the slip stitch of the last round.
  const goesOn = plan.rounds.some((r) => r.onto === procedure.round.number);
  const to = join.change === null ? '' : shortYarnName(plan.hem, join.change.to);
  if (join.by === 'needle') {
    lines.push(
      `Cut the yarn and join with a needle: under both loops of the second st, then back into the last. The sewn loop lies over the first st; do not count it.`,
    );
    return lines;
  }
  if (join.change?.as === 'last yarn over')
    lines.push(`Draw the last yarn over of the last st through with ${to}.`);
  const by = join.change?.as === 'closing slip stitch' ? ` of ${to}` : '';
  lines.push(
    `Join with ${aSlipStitch}${by} in ${into}. Do not count the ${slipStitch}${goesOn ? `; ${skip} it next round` : ''}.`,
  );
  return lines;
}

/** How many stitches lie between the nearest corner’s middle and the join. */
export function joinPlaceWords(plan: Plan, procedure: Procedure): string | null {
  const join = actOf(procedure, 'join');
  // A pattern that runs past the corners leaves their markers where they are.
  const { round } = procedure;
  if (!join?.between || round.layout.sides.length < plan.sides.length) return null;
  if (round.written?.recipe.surface) return null;
  const { corner, stitches, after } = join.between;
  const { ring } = round;
  const centre = ring.centres[corner]!;
  const middle = ring.made[centre.start];
  if (middle === undefined || centre.length === 0) return null;
  const what = isChainRun(middle)
    ? 'space'
    : isOrnament(middle)
      ? 'picot'
      : centre.length === 2
        ? 'between'
        : 'stitch';
  const marked = markedWords(plan, { on: 'corner', corner, what, chains: middle.chains });
  const count = plural(stitches, 'st');
  return after ? `Between ${marked} and the join: ${count}.` : `From the join to ${marked}: ${count}.`;
}
