/** Corners of a round in words, and where their markers go. */
import { writtenOf } from '../../plan/types.ts';
import { listWords, ordinal } from '../../say/lists.ts';
import { printCorner, printGroup, printStitch } from '../../notation/print.ts';
import type { Plan } from '../../plan/types.ts';
import { orderOfWork, type InOrder } from '../../procedure/order.ts';
import { actsOf, type CornerPlace, type Procedure, type Worked, type ActOf } from '../../procedure/acts.ts';
import { IN_NOTHING } from '../../ring/ring.ts';
import { countsAsStitch, isChainRun, isOrnament } from '../../ring/stitch.ts';
import type { Language } from '../../terms/stitches.ts';
import { cornerName } from '../placeWords.ts';
import { endStitchWords, isRowEnd } from './rowWords.ts';

/** Words for each corner; corners that take the same told together. */
export function cornerLines(plan: Plan, procedure: Procedure, language: Language): readonly string[] {
  const { round } = procedure;
  if (round.ring.centres.length === 0) return [];
  const acts = actsOf(procedure, 'corner').filter((a) => a.part !== 'first' && !isRowEnd(plan, a.corner));
  const ofRing = round.layout.sides.length < plan.sides.length;
  if (ofRing) return ringCornerLines(plan, procedure, acts, language);
  const byCorner = [...acts].sort((a, b) => a.corner - b.corner);
  const words = byCorner.map((a) => cornerActWords(plan, procedure, a, language));
  const groups = new Map<string, number[]>();
  words.forEach((w, k) => groups.set(w, [...(groups.get(w) ?? []), byCorner[k]!.corner]));
  return [...groups].map(([told, corners]) =>
    groups.size === 1
      ? `Corner: ${told}.`
      : `Corner${corners.length === 1 ? '' : 's'} ${listWords(corners.map((c) => cornerName(plan, c)))}: ${told}.`,
  );
}

/** Words for one corner and its marker. */
export function cornerActWords(
  plan: Plan,
  procedure: Procedure,
  act: ActOf<'corner'>,
  language: Language,
): string {
  const { round } = procedure;
  if (isRowEnd(plan, act.corner)) return endStitchWords(plan, procedure, act, language);
  // What lies on the face of another round leaves the markers where they are.
  const mark = round.written?.recipe.surface
    ? ''
    : markWords(markOf(orderOfWork(round), round.layout.corners[act.corner]!, act.centre));
  return `${cornerWords(act, plan, language)}${mark}`;
}

/** Where a pattern runs past the corners, only what is done otherwise there. */
function ringCornerLines(
  plan: Plan,
  procedure: Procedure,
  acts: readonly ActOf<'corner'>[],
  language: Language,
): readonly string[] {
  const { recipe } = writtenOf(procedure.round);
  if (recipe.corner.group.length === 0) return [];
  const { ring } = procedure.round;
  const group = recipe.corner.group;
  const taken = acts.filter(({ corner }) => {
    const { start, length } = ring.centres[corner]!;
    if (length === 0) return false;
    const place = ring.into[start];
    const size = ring.made.length;
    let first = start;
    while (ring.into[(first - 1 + size) % size] === place && place !== IN_NOTHING)
      first = (first - 1 + size) % size;
    return group.every(
      (s, k) => ring.made[(first + k) % size] === s && ring.into[(first + k) % size] === place,
    );
  });
  if (taken.length === 0) return [];
  const twoStitches = taken.some(({ into }) => into.on === 'two stitches');
  const names = taken.map(({ corner }) => cornerName(plan, corner));
  return [
    `Corner${names.length === 1 ? '' : 's'} ${listWords(names)}: ${printGroup(group, language)} in ${twoStitches ? 'the first of the two corner sts' : 'the corner st'}, where 1 would go.`,
  ];
}

/** Stitches of a corner; the reader of patterns takes these words apart again. */
function cornerWords({ recipe, into, corner }: ActOf<'corner'>, plan: Plan, language: Language): string {
  if (into.on === 'edge') return `${printGroup(recipe.group, language)} in ${plan.body.cornerPlaces[corner]}`;
  if (into.on === 'two stitches' && recipe.pair) {
    return `${printGroup(recipe.pair[0], language)} in the first of the two corner sts, ${printGroup(recipe.pair[1], language)} in the second`;
  }
  const only = recipe.group[0];
  if (recipe.group.length === 1 && only?.form === 'together') {
    const beside = (only.legs - 1) / 2;
    return `${printStitch(only, language)} over the corner st and the ${beside === 1 ? 'one' : `${beside} sts`} on each side of it`;
  }
  if (recipe.skipped) return 'nothing';
  const words = printCorner(recipe, language, cornerPlaceWords(into))
    .replace('in between', 'between')
    .replace('over between', 'over');
  return words === 'walk round' ? `${walkWords(into)}` : words;
}

const walkWords = (into: CornerPlace): string =>
  into.on === 'space'
    ? `1 st in each chain of the corner ch-${into.chains} sp, as along the sides`
    : into.on === 'two stitches'
      ? '1 st in each of the two corner sts, as along the sides'
      : into.on === 'picot'
        ? '1 st in the corner picot, as along the sides'
        : '1 st in the corner st, as along the sides';

function cornerPlaceWords(into: CornerPlace): string {
  switch (into.on) {
    case 'space':
      return `the corner ch-${into.chains} sp`;
    case 'two stitches':
      return 'between the two corner sts';
    case 'picot':
      return 'the corner picot';
    default:
      return 'the corner st';
  }
}

/** The place of a corner’s marker, among the stitches that the corner makes. */
export type Mark =
  | { readonly in: 'picot'; readonly form: string }
  /** A chain space, counted from 1 among those that are as long. */
  | { readonly in: 'space'; readonly chains: number; readonly number: number; readonly of: number }
  /** One stitch or two, counted from 1 among those that count. */
  | { readonly in: 'stitch'; readonly numbers: readonly number[]; readonly of: number };

/** Where the marker of a corner goes; null where it has no middle that can carry one. */
export function markOf(order: InOrder, span: Worked, centre: Worked): Mark | null {
  if (centre.length === 0) return null;
  const offset = (((centre.start - span.start) % order.size) + order.size) % order.size;
  const stitches = Array.from({ length: span.length }, (_, k) => order.stitch(span.start + k));
  const middle = stitches[offset];
  if (!middle) return null;
  const { chains, form } = middle;
  if (isChainRun(middle)) {
    const alike = stitches.flatMap((s, k) => (isChainRun(s) && s.chains === chains ? [k] : []));
    return { in: 'space', chains, number: alike.indexOf(offset) + 1, of: alike.length };
  }
  if (isOrnament(middle)) return { in: 'picot', form };
  const counted = stitches.flatMap((s, k) => (countsAsStitch(s) ? [k] : []));
  const number = counted.indexOf(offset) + 1;
  if (number === 0) return null;
  return { in: 'stitch', numbers: centre.length === 2 ? [number, number + 1] : [number], of: counted.length };
}

function markWords(mark: Mark | null): string {
  if (mark === null) return '';
  if (mark.in === 'picot') return `; pm in the ${mark.form}`;
  if (mark.in === 'space')
    return mark.of === 1
      ? `; pm in the new ch-${mark.chains} sp`
      : `; pm in the ${ordinal(mark.number)} of the ${mark.of} new ch-${mark.chains} sps`;
  if (mark.of === 1) return '; pm in it';
  return `; pm in the ${mark.numbers.map(ordinal).join(' and ')} of the ${mark.of}`;
}
