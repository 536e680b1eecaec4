/** A round told side by side: the base round, and every round whose sides or corners differ too much for one sentence around. */
import { held } from '../../held.ts';
import { printGroup, printStitch } from '../../notation/print.ts';
import { isDisc } from '../../piece/outline.ts';
import type { Plan } from '../../plan/types.ts';
import { actOf, actsOf, type ActOf, type Procedure, type Worked } from '../../procedure/acts.ts';
import { orderOfWork, type InOrder } from '../../procedure/order.ts';
import { IN_NOTHING, isGap } from '../../ring/ring.ts';
import type { Stitch } from '../../ring/stitch.ts';
import type { Language } from '../../terms/stitches.ts';
import { WORDS, capital } from '../../terms/words.ts';
import { baseSideLines } from '../steps/baseRoundWords.ts';
import { cornerLines } from '../steps/cornerWords.ts';
import { cornerName } from '../placeWords.ts';
import { otherwiseLines } from '../steps/roundWords.ts';
import { sideLines } from '../steps/sideWords.ts';
import { writtenLine, type PatternLine } from '../section.ts';
import { isThere } from '../../procedure/first.ts';
import { firstNoun, stepOfRepeat } from '../steps/startWords.ts';
import { begun, firstThere, joinWords, liftWords, madeWith, sameWords, wayWords } from './begin.ts';
import { listed } from './parts.ts';

/** Sides and corners of a round or a row, a line for each, and what is worked otherwise than planned. */
export function alongLines(plan: Plan, procedure: Procedure, language: Language): readonly PatternLine[] {
  const isBase = procedure.round.written === null;
  const sides = isBase ? baseLines(plan, procedure, language) : sideLines(plan, procedure, language);
  return [
    ...[...sides, ...cornerLines(plan, procedure, language)].map((text) =>
      writtenLine(text.replace(/\brepeat from \*/g, 'rep from *')),
    ),
    ...(isBase ? [] : otherwiseLines(plan, procedure, language)),
  ];
}

/** Lines of a round without its counts: the beginning, sides and corners, the end. @param face sentences that lead it */
export function bySideLines(
  plan: Plan,
  procedure: Procedure,
  language: Language,
  face: readonly string[],
): readonly PatternLine[] {
  const start = actOf(procedure, 'start');
  const join = actOf(procedure, 'join');
  const along = alongLines(plan, procedure, language);
  if (!start || !join) return [writtenLine(face.join(' ')), ...along];
  const words = [...face, `${capital(beginWords(plan, procedure, start, language))}.`];
  return [
    writtenLine(words.join(' ')),
    ...along,
    writtenLine(
      `To end: ${[endWords(plan, procedure, start, language), joinWords(plan, join, language)].filter((w) => w !== '').join('; ')}.`,
    ),
  ];
}

/** Places that take nothing, where that is the only difference. */
const NONE = /, but none in ((?:(?! in )[^;.])+)(?=[;.])/;

/** The row or round along the edge, side by side. */
function baseLines(plan: Plan, procedure: Procedure, language: Language): readonly string[] {
  const skipping = language === 'us' ? 'skipping' : `${WORDS.uk.skip}ing`;
  return baseSideLines(plan, procedure, language, 'along the side').map((text) =>
    text
      .replace(/ along the edge(?=[:,])/, '')
      .replace(' along the ', ' over the ')
      .replace(/^((?:Side|All)[^:]*: [^:]*):/, '$1,')
      .replace(NONE, `, ${skipping} $1`)
      .replace(ROW_ENDS, withRate),
  );
}

const ROW_ENDS = /: (\d+) (\S+) over the (\d+) row ends, (.*)/;

/** Numbers of places in a list, beyond which the rate is said before it. */
const LONG_LIST = 6;
/** Row ends over which a rate is told. */
const MOST_PER_RATE = 3;

/** A long list of row ends led by its rate: “121 sc over the 92 row ends, 4 over every 3, 2 fewer in all: 1 in each row end, but …”. */
function withRate(all: string, count: string, stitch: string, ends: string, list: string): string {
  if ((list.match(/\d+/g) ?? []).length <= LONG_LIST || /^\d+ in each [^,;]*(?:;|\.)/.test(list)) return all;
  const { over, rest } = rateOf(Number(count), Number(ends));
  const others =
    rest > 0 ? `${rest} extra, spread out evenly` : rest < 0 ? `${-rest} fewer in all` : 'spread out evenly';
  return `: ${count} ${stitch} over the ${ends} row ends, ${over}, ${others}: ${list}`;
}

/** The rate over up to three row ends that leaves the fewest stitches over, and how many it leaves. */
function rateOf(count: number, ends: number): { readonly over: string; readonly rest: number } {
  const rates = Array.from({ length: MOST_PER_RATE }, (_, k) => {
    const per = k + 1;
    const stitches = Math.max(1, Math.round((count / ends) * per));
    return { stitches, per, rest: count - Math.round((ends * stitches) / per) };
  });
  const { stitches, per, rest } = rates.reduce((a, b) => (Math.abs(b.rest) < Math.abs(a.rest) ? b : a));
  return { over: per === 1 ? `${stitches} in each` : `${stitches} over every ${per}`, rest };
}

function beginWords(plan: Plan, procedure: Procedure, start: ActOf<'start'>, language: Language): string {
  const way = wayWords(plan, procedure, start, language);
  const lift = liftWords(start, language);
  const there = firstWords(plan, procedure, start, language);
  return begun(way, lift, there);
}

function firstWords(plan: Plan, procedure: Procedure, start: ActOf<'start'>, language: Language): string {
  const order = orderOfWork(procedure.round);
  const { beginning, first } = start;
  const made = madeWith(start);
  const circle = isDisc(plan.body.outline) || procedure.round.layout.sides.length < plan.sides.length;
  switch (beginning.in) {
    case 'corner': {
      const name = cornerName(plan, beginning.corner);
      const work = held(
        actsOf(procedure, 'corner').find((a) => a.corner === beginning.corner),
        'a round that begins in a corner works it',
      );
      if (work.part === 'whole') {
        const which = isThere(first)
          ? firstNoun(first).replace('chain', 'ch')
          : `first ${WORDS[language].slipStitch}`;
        return `work corner ${name} first${made === 1 ? ` (the ${which} is its first st)` : ''}`;
      }
      const { start: from, length } = work.worked;
      const rest = { start: from + made, length: length - made };
      const there = partWords(order, rest, language, (place) =>
        work.into.on === 'two stitches' && !isGap(place)
          ? ofTwo(plan, procedure, work, place)
          : sameWords(start, language),
      );
      return listed(there, `the rest of corner ${name} ends the rnd`);
    }
    case 'side': {
      const on = circle ? 'all around' : `along side ${plan.sides[beginning.side]!.name}`;
      return listed(firstThere(procedure, start, language), `go on ${on}`);
    }
    case 'repeat': {
      const there = start.way.by === 'reaching back' && made === 0 ? sameWords(start, language) : 'there';
      if (beginning.step !== null && beginning.step < 0)
        return `begin before the repeats of side ${plan.sides[beginning.side]!.name}, at ${stepOfRepeat(procedure, beginning, language)} ${there}`;
      if (beginning.step !== null)
        return `begin within repeat ${beginning.repeat + 1} of side ${plan.sides[beginning.side]!.name}, at ${stepOfRepeat(procedure, beginning, language)} ${there}`;
      return circle
        ? `begin with the first sts of the repeat ${there}`
        : `begin with repeat ${beginning.repeat + 1} of side ${plan.sides[beginning.side]!.name}, its first sts ${there}`;
    }
  }
}

/** Stitches as they go into their places, one after the other; chains go with those beside them. */
function partWords(
  order: InOrder,
  { start, length }: Worked,
  language: Language,
  nameOf: (place: number) => string,
): string {
  const runs: { place: number; readonly stitches: Stitch[] }[] = [];
  for (let w = start; w < start + length; w++) {
    const place = order.into(w);
    const last = runs[runs.length - 1];
    if (last && (place === IN_NOTHING || last.place === IN_NOTHING || last.place === place)) {
      last.stitches.push(order.stitch(w));
      if (last.place === IN_NOTHING) last.place = place;
    } else runs.push({ place, stitches: [order.stitch(w)] });
  }
  return listed(
    ...runs.map(({ place, stitches }) =>
      place === IN_NOTHING
        ? stitches.map((s) => printStitch(s, language)).join(', ')
        : `${printGroup(stitches, language)} ${nameOf(place)}`,
    ),
  );
}

/** One of the two stitches of a corner. */
function ofTwo(plan: Plan, { round }: Procedure, { corner }: ActOf<'corner'>, place: number): string {
  const { ring } = plan.rounds[round.onto]!;
  const { start } = ring.centres[corner]!;
  const earlier = orderOfWork(round).travel === 1 ? start : (start + 1) % ring.made.length;
  return `in the ${place === earlier ? 'first' : 'second'} of the two marked sts`;
}

/** The end of the round, before its join. */
function endWords(plan: Plan, procedure: Procedure, start: ActOf<'start'>, language: Language): string {
  const { beginning } = start;
  const circle = isDisc(plan.body.outline) || procedure.round.layout.sides.length < plan.sides.length;
  if (beginning.in !== 'corner')
    return circle ? 'go on to the first st' : `side ${plan.sides[beginning.side]!.name} up to the first st`;
  const ended = actsOf(procedure, 'corner').find((a) => a.part === 'first');
  if (!ended) return '';
  const order = orderOfWork(procedure.round);
  return partWords(order, ended.worked, language, (place) =>
    ended.into.on === 'two stitches' && !isGap(place)
      ? ofTwo(plan, procedure, ended, place)
      : `${sameWords(start, language)} as the first st`,
  );
}
