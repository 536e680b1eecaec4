/** Rows along a part of a piece as published patterns print them: “Ch 1, sc in first st, sc in each st across; turn.” */
import { held } from '../../held.ts';
import { printSteps, printStitch } from '../../notation/print.ts';
import type { Plan } from '../../plan/types.ts';
import { actOf, actsOf, type Act, type ActOf, type Along, type Procedure } from '../../procedure/acts.ts';
import { proceduresOf } from '../../procedure/procedure.ts';
import { endsOfRow } from '../../procedure/rows.ts';
import { sidePattern } from '../../ring/recipe.ts';
import type { Language } from '../../terms/stitches.ts';
import { capital } from '../../terms/words.ts';
import { eachPlace, placeNoun } from '../placeWords.ts';
import { writtenLine, type PatternLine } from '../section.ts';
import { endLines } from '../steps/endWords.ts';
import { endStitchWords, isRowEnd } from '../steps/rowWords.ts';
import type { AroundWords } from './around.ts';
import { begun, groupThere, liftWords, madeWith, sameWords, wayWords } from './begin.ts';
import { alongLines } from './bySide.ts';
import { cornerWordsOf } from './corners.ts';
import { listed } from './parts.ts';

/** A row in one sentence; null where a corner that it turns is told more clearly by itself, and for the row along the edge. */
export function rowSentence(plan: Plan, procedure: Procedure, language: Language): AroundWords | null {
  const start = actOf(procedure, 'start');
  if (start?.beginning.in !== 'corner' || procedure.round.written === null) return null;
  const acts = procedure.acts.filter((a) => a.do === 'side' || a.do === 'corner');
  const turned = acts.filter((a): a is ActOf<'corner'> => a.do === 'corner' && !isRowEnd(plan, a.corner));
  const words = new Map<number, { readonly place: string; readonly words: string }>();
  for (const act of turned) {
    const along = sideBefore(acts, act);
    const told = along.into === 'edge' ? null : cornerWordsOf(procedure, act, along, language);
    if (told === null || told.place === 'marked sts') return null;
    words.set(act.corner, told);
  }
  const [, to] = endsOfRow(held(plan.body.outline.part, 'rows go along a part'), procedure.round);
  const last = held(turnedOrEnd(acts, to), 'a row ends in its end stitch');
  const middle = acts.flatMap((act, k): readonly string[] => {
    if (act.do === 'corner')
      return words.has(act.corner) ? [held(words.get(act.corner), 'it was told').words] : [];
    const next = acts[k + 1];
    if (act.along.into === 'edge' || next?.do !== 'corner') return [];
    if (next !== last)
      return [sideUpTo(act.along, held(words.get(next.corner), 'it was told').place, language)];
    return [acrossWords(plan, procedure, act.along, last, language)];
  });
  return {
    begin: beginWords(plan, procedure, start, language),
    middle: listed(...middle),
    tail: null,
    join: turnsAfter(plan, procedure) ? 'turn' : '',
    side: '',
    corner: null,
  };
}

const turnedOrEnd = (acts: readonly Act[], corner: number): ActOf<'corner'> | undefined =>
  acts.find((a): a is ActOf<'corner'> => a.do === 'corner' && a.corner === corner);

function sideBefore(acts: readonly Act[], corner: ActOf<'corner'>): Along {
  const side = acts[acts.indexOf(corner) - 1];
  return held(side?.do === 'side' ? side.along : undefined, 'a corner follows a side');
}

/** The way to the first stitch, and all that goes into the end stitch there. */
function beginWords(plan: Plan, procedure: Procedure, start: ActOf<'start'>, language: Language): string {
  const way = wayWords(plan, procedure, start, language);
  const { beginning } = start;
  if (beginning.in !== 'corner') {
    const { name } = plan.sides[beginning.side]!;
    return begun(way, liftWords(start, language), `begin with repeat 1 of side ${name}, its first sts there`);
  }
  const act = held(
    actsOf(procedure, 'corner').find((a) => a.corner === beginning.corner),
    'a row begins in its end stitch',
  );
  const rest = act.recipe.group.slice(madeWith(start));
  return begun(way, liftWords(start, language), groupThere(rest, sameWords(start, language), language));
}

type AlongRing = Exclude<Along, { into: 'edge' }>;

function sideUpTo(along: AlongRing, corner: string, language: Language): string {
  if (along.into === 'each')
    return `${printStitch(along.stitch, language)} ${eachPlace(along.kind)} to next ${corner}`;
  return patternWords(
    along,
    (count, noun) => `to last ${count === 1 ? '' : `${count} `}${noun} before next ${corner}`,
    `to next ${corner}`,
    language,
  );
}

/** The last side of a row, with its end stitch: “sc in each st across”, “[…] across to last 4 sts, …, sl st in last st”. */
function acrossWords(
  plan: Plan,
  procedure: Procedure,
  along: AlongRing,
  end: ActOf<'corner'>,
  language: Language,
): string {
  const { group } = end.recipe;
  const [only] = group;
  const ending = endStitchWords(plan, procedure, end, language).replace(/ the last st$/, ' last st');
  if (along.into === 'each') {
    const each = `${printStitch(along.stitch, language)} ${eachPlace(along.kind)}`;
    if (group.length === 1 && only === along.stitch && (along.kind === 'stitch' || along.kind === 'post'))
      return `${each} across`;
    return listed(`${each} to last st`, group.length === 0 ? '' : ending);
  }
  const more = along.lastPlaces + 1;
  const way = patternWords(
    along,
    (count, noun, isStitch) =>
      isStitch ? `to last ${more} sts` : `to last ${count === 1 ? '' : `${count} `}${noun}`,
    'to last st',
    language,
  );
  return listed(way, group.length === 0 ? '' : ending);
}

function patternWords(
  { steps, lastPlaces }: Extract<Along, { into: 'repeats' }>,
  upTo: (count: number, noun: string, isStitch: boolean) => string,
  toEnd: string,
  language: Language,
): string {
  const { head, body, tail } = sidePattern(steps);
  const counted = [...tail, ...body].find((s) => s.do !== 'make');
  const kind = counted?.do === 'skip' ? counted.of : counted?.do === 'work' ? counted.into : 'stitch';
  const until =
    lastPlaces === 0
      ? toEnd
      : upTo(lastPlaces, placeNoun(kind, lastPlaces), kind === 'stitch' || kind === 'post');
  return listed(
    printSteps(head, language),
    body.length > 0 ? `[${printSteps(body, language)}] across ${until}` : '',
    printSteps(tail, language),
  );
}

const turnsAfter = (plan: Plan, { round }: Procedure): boolean => {
  const next = proceduresOf(plan)[round.number + 1];
  return next !== undefined && actOf(next, 'turn') !== undefined;
};

/** A row side by side: how it begins, its sides and corners, its end. @param face sentences that lead it */
export function rowLines(
  plan: Plan,
  procedure: Procedure,
  language: Language,
  face: readonly string[],
): readonly PatternLine[] {
  const start = actOf(procedure, 'start');
  const ends = endLines(plan, procedure, language);
  const turn = turnsAfter(plan, procedure) ? ' Turn.' : '';
  const begins = start ? `${capital(beginWords(plan, procedure, start, language))}.` : '';
  return [
    writtenLine([...face, begins].filter((w) => w !== '').join(' ')),
    ...alongLines(plan, procedure, language),
    ...ends.map((text, k) => writtenLine(k === ends.length - 1 ? `${text}${turn}` : text)),
  ];
}
