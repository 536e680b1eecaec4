/** How a round ends, in words: what is finished last, the join, and how far that is from a corner. */
import { held } from '../../held.ts';
import { isDisc } from '../../piece/outline.ts';
import { printStitch } from '../../notation/print.ts';
import type { Plan } from '../../plan/types.ts';
import { orderOfWork } from '../../procedure/order.ts';
import { actOf, actsOf, type Procedure, type ActOf } from '../../procedure/acts.ts';
import type { Close } from '../../procedure/close.ts';
import { isChainRun, isOrnament } from '../../ring/stitch.ts';
import type { Language } from '../../terms/stitches.ts';
import { WORDS } from '../../terms/words.ts';
import { shortYarnName } from '../../document/yarnNames.ts';
import { ordinal } from '../../say/lists.ts';
import { plural } from '../../say/measures.ts';
import { cornerName, markedWords } from '../placeWords.ts';
import { endsOfRow } from '../../procedure/rows.ts';
import { placedWords, placeInCorner } from './placedWords.ts';
import { endStitchWords } from './rowWords.ts';

/** Lines that end a round: the rest of the side or corner in which it began, and the join. */
export function endLines(plan: Plan, procedure: Procedure, language: Language): readonly string[] {
  const { part } = plan.body.outline;
  if (part) {
    const [from, to] = endsOfRow(part, procedure.round).map((corner) =>
      held(
        actsOf(procedure, 'corner').find((a) => a.corner === corner),
        'a row has two end stitches',
      ),
    ) as [ActOf<'corner'>, ActOf<'corner'>];
    const first = procedure.start ? [] : [`First: ${endStitchWords(plan, procedure, from, language)}.`];
    return [...first, `End: ${endStitchWords(plan, procedure, to, language)}.`];
  }
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
      const words = placedWords(order, first.worked, language, (place) =>
        placeInCorner(plan, procedure, first, place, 'the same place as the first st'),
      );
      lines.push(`At the end of the round, finish corner ${cornerName(plan, beginning.corner)}: ${words}.`);
    }
  } else if (circle) {
    lines.push('At the end of the round, go on to your start.');
  } else {
    const rest = actsOf(procedure, 'side').find((a) => a.part === 'up to the start');
    lines.push(
      rest?.worked.length === 0
        ? 'At the end of the round, work the last corner.'
        : `At the end of the round, work side ${plan.sides[beginning.side]!.name} up to your start.`,
    );
  }
  if (join.down.length > 0)
    lines.push(
      `In place of the last ${plural(join.down.length, 'st')}: ${join.down.map((s) => printStitch(s, language)).join(', ')}.`,
    );
  return [...lines, ...joinLines(plan, procedure, language)];
}

/** Lines that close a round; empty for one that is knotted in. */
export function joinLines(plan: Plan, procedure: Procedure, language: Language): readonly string[] {
  const join = actOf(procedure, 'join');
  if (!join) return [];
  const { close, change } = join;
  const into = joinedInto(join, language);
  const { aSlipStitch, slipStitch, skip } = WORDS[language];
  // Nothing can be worked into the slip stitch of the last round.
  const goesOn = plan.rounds.some((r) => r.onto === procedure.round.number);
  const to = change === null ? '' : shortYarnName(plan.hem, change.to);
  switch (close.by) {
    case 'the end of the row':
      return [];
    case 'nothing':
      return goesOn && join.down.length === 0
        ? ['Do not join: the next round goes on from here.']
        : ['Do not join: the round runs out in its last st.'];
    case 'needle':
      return [
        'Cut the yarn and join with a needle: under both loops of the second st, then back into the last. The sewn loop lies over the first st; do not count it.',
      ];
    case 'stitch':
      return [
        `Leave out the last ch ${close.space}: close with ${closingStitchWords(close, language)} in ${into}, in place of its chains. It counts as the space, not as a st.`,
        ...(change === null ? [] : [`Draw its last yarn over through with ${to}.`]),
      ];
    case 'slip stitch': {
      const by = change?.as === 'closing slip stitch' ? ` of ${to}` : '';
      const slip = `Join with ${aSlipStitch}${by} in ${into}. Do not count the ${slipStitch}${goesOn ? `; ${skip} it next round` : ''}.`;
      return change?.as === 'last yarn over'
        ? [`Draw the last yarn over of the last st through with ${to}.`, slip]
        : [slip];
    }
  }
}

/** Where a round is joined: “the top of the ch-3”, “the 3rd of the 5 ch”, “the first sc”. */
function joinedInto({ first, stitch, up, inThirdLoop }: ActOf<'join'>, language: Language): string {
  if (first.by === 'chain' && first.counts)
    return first.space > 0
      ? `the ${ordinal(first.chains)} of the ${first.chains + first.space} ch`
      : `the top of the ch-${first.chains}`;
  const loop = inThirdLoop ? 'the third loop of ' : '';
  return `${loop}the first ${printStitch(up[0] ?? { ...stitch, loop: 'both' }, language)}`;
}

/** A closing stitch and the chains before it: “ch 1 and 1 hdc”. */
const closingStitchWords = (
  { stitch, chains }: Extract<Close, { readonly by: 'stitch' }>,
  language: Language,
): string => `${chains > 0 ? `ch ${chains} and ` : ''}1 ${printStitch(stitch, language)}`;

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
