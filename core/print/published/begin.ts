/** How a published round begins and ends: the yarn, the way there, the first stitches, the join. */
import { shortYarnName } from '../../document/yarnNames.ts';
import { printGroup, printStitch } from '../../notation/print.ts';
import type { Plan } from '../../plan/types.ts';
import { actOf, type ActOf, type Procedure, type Slipped } from '../../procedure/acts.ts';
import { orderOfWork } from '../../procedure/order.ts';
import type { PlaceOfWork } from '../../procedure/place.ts';
import { stitchesThere } from '../../procedure/candidates.ts';
import { stitchOf, type Stitch } from '../../ring/stitch.ts';
import { listWords, ordinal } from '../../say/lists.ts';
import type { Language } from '../../terms/stitches.ts';
import { WORDS } from '../../terms/words.ts';
import { placeNoun, placeWords } from '../placeWords.ts';
import { knotWords, otherOrder, reverseWords } from '../steps/startWords.ts';
import { isThere } from '../../procedure/first.ts';
import { listed, stitchesIn } from './parts.ts';

/** A round by its number, as published patterns abbreviate it. */
export const rndName = (number: number): string => (number === 0 ? 'Base rnd' : `Rnd ${number}`);

/** The face that is worked on, where it changes, and the order of the sides, where it is not the usual one. */
export function faceWords(plan: Plan, procedure: Procedure): readonly string[] {
  const turn = actOf(procedure, 'turn');
  const { facing } = procedure.round;
  const start = actOf(procedure, 'start');
  if (start?.way.by === 'going on' && start.way.turns) return ['Turn; RS facing.'];
  if (turn?.facing === 'right') return ['Turn; RS facing again.'];
  if (facing === 'right') return [];
  const order = otherOrder(plan, procedure);
  const sides = order === null ? '' : `: work ${order.join(', ')}`;
  return [turn ? `Turn. WS facing${sides}.` : `WS still facing${sides}.`];
}

/** Exceptions for all of a round: worked backward, on the face of another, knotted in. */
export function backwardWords(plan: Plan, procedure: Procedure): readonly string[] {
  const face = actOf(procedure, 'work on the face');
  const knot = actOf(procedure, 'knot');
  const reverse = actOf(procedure, 'start')?.stitch.form === 'reverse';
  return [
    ...(face
      ? [`Work on the face of ${rndName(face.of)}; the next rnd goes into ${rndName(face.of)} too.`]
      : []),
    ...(reverse ? [reverseWords(plan, procedure)] : []),
    ...(knot ? [knotWords(plan, knot)] : []),
  ];
}

/** The way to the first stitch, as far as one goes or yarn is joined; empty where it is the st of the last join. */
export function wayWords(plan: Plan, procedure: Procedure, act: ActOf<'start'>, language: Language): string {
  const { way, stitch, first } = act;
  const { travel } = orderOfWork(procedure.round);
  const where = placeWords(plan, act.place, travel).replace(/ of corner /, ' at corner ');
  const { aSlipStitch, slipStitch } = WORDS[language];
  switch (way.by) {
    case 'joining': {
      const yarn = shortYarnName(plan.hem, act.yarn);
      // Of two that are alike it is said which.
      const ofTwo = act.place.on === 'corner' && ['first', 'second'].includes(act.place.what);
      const at =
        way.same && !ofTwo
          ? `${stitch.post === 'none' ? 'in' : 'around the post of'} the st where the last rnd was joined`
          : where;
      if (first.by === 'standing')
        return `join ${yarn} with a standing ${printStitch(stitch, language)} ${at}`;
      const counts = joinsAsFirst(act) ? ` (counts as the first ${slipStitch})` : '';
      return `join ${yarn} with ${aSlipStitch} ${at}${counts}`;
    }
    case 'going on':
      return `go on with ${shortYarnName(plan.hem, act.yarn)}, which is still on the hook, ${where}${way.turns ? '' : ', without turning'}`;
    case 'staying':
    case 'going round':
    case 'at its end':
    case 'around the close':
    case 'reaching back':
      return '';
    case 'slipping': {
      const last = act.place.on === 'corner' ? [where] : way.through.slice(-1).map(throughWords);
      const counts = joinsAsFirst(act) ? ` (the last counts as the first ${slipStitch})` : '';
      return `${slipStitch} ${listWords([...way.through.slice(0, -1).map(throughWords), ...last])}${counts}`;
    }
    case 'stepping back':
      return `${slipStitch} back ${where}`;
    case 'going over':
      return `${slipStitch} over ${where.replace(/^in /, 'into ')} of ${rndName(procedure.round.onto)}`;
  }
}

const throughWords = ({ kind, count }: Slipped): string =>
  `in next ${count === 1 ? '' : `${count} `}${placeNoun(kind, count)}`;

/** Whether the slip stitch that joins the yarn, or leads to the start, is the first stitch of the round. */
const joinsAsFirst = ({ way, first, stitch }: ActOf<'start'>): boolean =>
  (way.by === 'joining' || way.by === 'slipping') &&
  first.by === 'itself' &&
  stitch.kind === 'slst' &&
  stitch.form === 'plain' &&
  stitch.loop === 'both' &&
  stitch.post === 'none';

/** The chain that a round begins with; empty where none is made. */
export function liftWords({ first, stitch, up, way, place }: ActOf<'start'>, language: Language): string {
  const name = printStitch(stitch, language);
  const there = way.by === 'reaching back' ? ` ${behindWords(place)}` : '';
  const lower = listWords(up.map((s) => printStitch(s, language)));
  const steps =
    up.length === 0 ? '' : `(${lower} in place of first ${up.length === 1 ? name : `${up.length} ${name}`})`;
  switch (first.by) {
    case 'chain': {
      if (!first.counts) return listed(`ch ${first.chains}`, steps);
      const space = first.space > 0 ? ` and ch-${first.space} sp` : '';
      return `ch ${first.chains + first.space} (counts as ${name}${space}${there})`;
    }
    case 'stacked':
      return `${first.singles} stacked ${printStitch(stitchOf({ kind: 'sc' }), language)} (counts as ${name}${there})`;
    case 'drawn up':
      return `draw up a loop (counts as ${name}${there})`;
    default:
      return steps;
  }
}

/** The place of the first stitch, where more goes into it: “in same st”. */
export function sameWords({ place, stitch, way, first }: ActOf<'start'>, language: Language): string {
  if (way.by === 'reaching back' && !isThere(first)) return behindWords(place);
  if (way.by === 'at its end') return `${stitch.post === 'none' ? 'in' : 'around the post of'} first st`;
  if (way.by === 'going round' && !isThere(first))
    return `${stitch.post === 'none' ? 'in' : 'around the post of'} first st of last rnd`;
  if (way.by === 'around the close') return `around the closing ${printStitch(way.stitch, language)}`;
  if (stitch.post !== 'none') return 'around same post';
  return `${place.on === 'corner' && place.what === 'between' ? 'between' : 'in'} same ${nounOf(place)}`;
}

const behindWords = (place: PlaceOfWork): string => `in the ${nounOf(place)} just behind the join`;

function nounOf(place: PlaceOfWork): string {
  switch (place.on) {
    case 'edge':
    case 'edge corner':
      return 'place';
    case 'corner':
      return place.what === 'space'
        ? 'sp'
        : place.what === 'picot'
          ? 'picot'
          : place.what === 'between'
            ? 'sts'
            : 'st';
    case 'row end':
      return 'st';
    case 'side':
    case 'circle':
      return placeNoun(place.kind, 1);
  }
}

/** Stitches that go into one place: “2 sc in same st”; empty for none. */
export const groupThere = (stitches: readonly Stitch[], there: string, language: Language): string =>
  stitches.length === 0 ? '' : `${printGroup(stitches, language)} ${there}`;

/** Entries that are made when a round is begun, before any other: the stitch that a chain or its joining is, and the space that the chain makes. */
export const madeWith = (start: ActOf<'start'>): number => {
  const { first } = start;
  if (first.by === 'chain' && first.counts && first.space > 0) return 2;
  return isThere(first) || joinsAsFirst(start) ? 1 : 0;
};

/** Stitches in the first place of a plain round, besides the one that is there already. */
export function firstThere(procedure: Procedure, start: ActOf<'start'>, language: Language): string {
  const order = orderOfWork(procedure.round);
  const { start: first } = start.worked;
  const all = stitchesIn(order, { start: first, length: stitchesThere(order, first) });
  return groupThere(all.slice(madeWith(start)), sameWords(start, language), language);
}

/** The beginning: a chain stands apart from the way to it. */
export const begun = (way: string, lift: string, ...words: readonly string[]): string =>
  way !== '' && lift !== '' ? `${way}; ${listed(lift, ...words)}` : listed(way, lift, ...words);

/** The join: “join with a sl st in first sc”. */
export function joinWords(plan: Plan, join: ActOf<'join'>, language: Language): string {
  const { first, stitch, up, down, close, inThirdLoop, change } = join;
  if (close.by === 'the end of the row') return '';
  if (close.by === 'needle')
    return 'cut the yarn and join with a needle, under both loops of 2nd st and back into the last';
  if (close.by === 'nothing')
    return down.length === 0
      ? 'do not join'
      : `${listWords(down.map((s) => printStitch(s, language)))} in place of last ${down.length} sts; do not join`;
  const into =
    first.by === 'chain' && first.counts
      ? first.space > 0
        ? `${ordinal(first.chains)} of ch-${first.chains + first.space}`
        : `top of ch-${first.chains}`
      : `${inThirdLoop ? 'third loop of ' : ''}first ${printStitch(up[0] ?? { ...stitch, loop: 'both' }, language)}`;
  const to = change === null ? '' : shortYarnName(plan.hem, change.to);
  if (close.by === 'stitch') {
    const by = `${close.chains > 0 ? `ch ${close.chains}, ` : ''}${printStitch(close.stitch, language)}`;
    const over = change === null ? '' : `, the last yarn over in ${to}`;
    return `in place of last ch ${close.space} close with ${by} in ${into}${over}`;
  }
  const of = change?.as === 'closing slip stitch' ? ` of ${to}` : '';
  const slip = `join with ${WORDS[language].aSlipStitch}${of} in ${into}`;
  return change?.as === 'last yarn over' ? `change to ${to} in the last yarn over; ${slip}` : slip;
}
