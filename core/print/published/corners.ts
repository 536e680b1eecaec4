/** Corners of a published round, where all are worked alike, and where their markers go. */
import { printGroup, printStitch } from '../../notation/print.ts';
import { actsOf, type ActOf, type Along, type Procedure, type Worked } from '../../procedure/acts.ts';
import { orderOfWork, type InOrder } from '../../procedure/order.ts';
import { isChainRun, type Stitch } from '../../ring/stitch.ts';
import { ordinal } from '../../say/lists.ts';
import type { Language } from '../../terms/stitches.ts';
import { markOf, type Mark } from '../steps/cornerWords.ts';
import { listed, stitchesIn } from './parts.ts';

/** Work along a side of a ring. */
export type AlongRing = Exclude<Along, { into: 'edge' }>;

/** Words of the corners that are alike. */
export interface CornerWords {
  /** As a place: “marked st”. */
  readonly place: string;
  readonly words: string;
  readonly short: string;
}

/** Stitches of a part of a corner that count. */
export const countedIn = (order: InOrder, worked: Worked): number =>
  stitchesIn(order, worked).filter((s) => s.kind !== 'ch').length;

/** Whether the marker goes into the part of a corner that ends the round. */
export function markedIn(mark: Mark | null, before: number, order: InOrder, ended: Worked): boolean {
  if (mark === null) return false;
  if (mark.in === 'stitch') return mark.numbers[0]! <= before;
  return stitchesIn(order, ended).some((s) => (mark.in === 'space' ? isChainRun(s) : s.form === mark.form));
}

/** Where the marker goes. @param before stitches of the corner that are made at another time, before those that are told */
export function markWords(mark: Mark | null, before: number, isChain: boolean): string {
  if (mark === null) return '';
  if (mark.in === 'picot') return `pm in ${mark.form}`;
  if (mark.in === 'space')
    return mark.of === 1
      ? `pm in new ch-${mark.chains} sp`
      : `pm in ${ordinal(mark.number)} new ch-${mark.chains} sp`;
  if (mark.of === 1 || isChain) return 'pm in it';
  return `pm in ${mark.numbers.map((n) => ordinal(n - before)).join(' and ')}`;
}

/** Corners, where all are worked alike into a middle that can be named; else null. */
export function cornerWords(procedure: Procedure, along: AlongRing, language: Language): CornerWords | null {
  const acts = actsOf(procedure, 'corner').filter((a) => a.part !== 'first');
  const told = acts.map((a) => cornerWordsOf(procedure, a, along, language));
  const [first] = told;
  return first && told.every((c) => c?.words === first.words && c.place === first.place) ? first : null;
}

/** One corner, worked into a middle that can be named; else null. @param along the side that leads up to it */
export function cornerWordsOf(
  procedure: Procedure,
  a: ActOf<'corner'>,
  along: AlongRing,
  language: Language,
): CornerWords | null {
  const order = orderOfWork(procedure.round);
  const place = placeOf(a);
  const words = place === null ? null : workWords(a, place, along, language);
  if (place === null || words === null) return null;
  const mark = markOf(order, procedure.round.layout.corners[a.corner]!, a.centre);
  const several = mark?.in === 'stitch' && a.into.on === 'two stitches' ? ` of these ${mark.of}` : '';
  const chains = (list: readonly Stitch[]): readonly string[] => list.map((s) => printStitch(s, language));
  const { before, after } = a.recipe;
  return {
    place,
    short: a.recipe.group.length === 0 ? words : printGroup(a.recipe.group, language),
    words: listed(...chains(before), words, `${markWords(mark, 0, false)}${several}`, ...chains(after)),
  };
}

function placeOf({ into }: ActOf<'corner'>): string | null {
  switch (into.on) {
    case 'stitch':
      return 'marked st';
    case 'space':
      return `marked ch-${into.chains} sp`;
    case 'picot':
      return 'marked picot';
    case 'two stitches':
      return 'marked sts';
    default:
      return null;
  }
}

/** Stitches of a corner; null for those that are told more clearly corner by corner. */
function workWords(
  { recipe, into }: ActOf<'corner'>,
  place: string,
  along: AlongRing,
  language: Language,
): string | null {
  if (recipe.skipped) return null;
  if (into.on === 'two stitches') {
    if (recipe.pair)
      return `${printGroup(recipe.pair[0], language)} in first and ${printGroup(recipe.pair[1], language)} in 2nd marked st`;
    return null;
  }
  const [only] = recipe.group;
  if (only === undefined) {
    if (along.into !== 'each' || along.kind !== 'stitch' || into.on !== 'stitch') return null;
    return `${printStitch(along.stitch, language)} in ${place}`;
  }
  if (recipe.group.length === 1 && only.form === 'together') {
    const beside = (only.legs - 1) / 2;
    return `${printStitch(only, language)} over ${place} and the ${beside === 1 ? 'one' : `${beside} sts`} on each side of it`;
  }
  if (recipe.group.length === 1 && isChainRun(only)) return null;
  return `${printGroup(recipe.group, language)} in ${place}`;
}
