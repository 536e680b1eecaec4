/** Begins a round as its sentence says: yarn, the way to the first stitch, the chain. */
import { Unclear, noun as nounOf, type Noun } from '../crochet.ts';
import { isBeforeAGap, samePlace, type Made, type Place } from '../made.ts';
import type { AtHand } from './paragraph.ts';

const LIFT = /^ch (\d+)(?: \(counts as (.+)\))?$/i;
const STEPS = /^\((.+) in place of first (?:(\d+) )?(.+?)\)$/i;
const OTHER_LIFT = /^(?:(\d+) stacked (\S+)|draw up a loop) \(counts as (.+)\)$/i;

/** A round as far as it is begun. */
export interface BegunAt {
  readonly words: string;
  /** Items that follow. */
  readonly rest: readonly string[];
  readonly place: Place | null;
  /** The first stitch is there already. */
  readonly has: 'chain' | 'standing' | 'slip' | 'stacked st' | 'drawn-up st' | null;
  /** What it is called; null where none is there, or one that is made as any other. */
  readonly noun: string | null;
  /** That stitch; null for none. */
  readonly stands: string | null;
}

/** The way there and the chain, as the step-by-step form tells them. */
export function beginning(all: readonly string[], at: AtHand): BegunAt {
  // A sentence begins with a capital, whatever stitch it begins with.
  let rest = all.map((t, k) =>
    k === 0 && /^[A-Z][a-z]/.test(t) ? t.charAt(0).toLowerCase() + t.slice(1) : t,
  );
  let words: string;
  let place: Place | null;
  let has: BegunAt['has'] = null;
  const [way] = rest;
  if (way && /^join /i.test(way)) {
    if (/ with a standing /.test(way)) has = 'standing';
    if (/ \(counts as the first (?:sl st|ss)\)$/.test(way)) has = 'slip';
    words = `${way
      .replace(/ \(counts as the first .+\)$/, '')
      .replace(/^join/, 'Join')
      .replace(/ at corner /, ' of corner ')
      .replace(/the last rnd was joined/, 'you joined the last round')}.`;
    place = /you joined the last round/.test(words) ? at.below.join : null;
    rest = rest.slice(1);
  } else if (way && /^go on with .+, which is still on the hook/i.test(way)) {
    words = `${way
      .replace(/^go/, 'Go')
      .replace(/ at corner /, ' of corner ')
      .replace(/, without turning$/, '. Do not turn')}.`;
    place = null;
    rest = rest.slice(1);
  } else if (way && /^(?:sl st|ss) (?:in next|back|over|(?:in|between) the .+ at corner) /i.test(way)) {
    const counts = / \(the last counts as the first (?:sl st|ss)\)$/;
    if (counts.test(way)) has = 'slip';
    const found = slipped(way.replace(counts, ''), at);
    words = found.words;
    place = found.place;
    rest = rest.slice(1);
  } else {
    const behind = rest
      .map((t) => / in the (gap|pair|between) just behind the join/.exec(t)?.[1])
      .find((noun) => noun);
    if (at.below.closedBy !== null) {
      words = `Start around the ${at.below.closedBy} that closed the last round.`;
      place = at.below.join;
      const closing = ` around the closing ${at.below.closedBy}`;
      const space = at.corners.length === 0 ? 'ch-sp' : 'sp';
      rest = rest.map((t) => t.replace(closing, ` in same ${space}`));
    } else if (at.below.isOpen) {
      const first = rest.find((t) => / first st of last rnd/.test(t)) ?? '';
      const post = / around the post of first st of last rnd/.test(first);
      words = `Go on ${post ? 'around the post of' : 'in'} the first st of the last round, without a join.`;
      place = at.below.join;
      rest = rest.map((t) =>
        t
          .replace(/ around the post of first st of last rnd/, ' around same post')
          .replace(/ in first st of last rnd/, ' in same st'),
      );
    } else if (behind === undefined) {
      words = 'Start in the st where you joined the last round.';
      place = at.below.join;
    } else {
      const found = locate(at.below.justBehindJoin(nounOf(behind)), nounOf(behind), at);
      words = `Start just behind the join, ${found}.`;
      place = at.below.justBehindJoin(nounOf(behind));
      rest = rest.map((t) =>
        t
          .replace(/ in the (?:gap|pair|between) just behind the join\)$/, ')')
          .replace(/(first sts|”) in the (?:gap|pair|between) just behind the join$/, '$1 there')
          .replace(/the repeat in the (gap|pair|between) just behind the join$/, 'the repeat there')
          .replace(/ in the (gap|pair|between) just behind the join$/, ' in same $1'),
      );
    }
  }
  // A stitch that stands needs no chain: one that follows is the pattern’s.
  const lift = rest[0] === undefined || has !== null ? null : LIFT.exec(rest[0]);
  const other = rest[0] === undefined || has !== null ? null : OTHER_LIFT.exec(rest[0]);
  if (other) {
    words +=
      other[1] === undefined
        ? ` Draw the loop up as tall as 1 ${other[3]!}, hold it down and take it for the first yarn over (counts as 1 ${other[3]!}).`
        : ` Make ${other[1]} stacked ${other[2]!}, each further one in the leg of the one before (counts as 1 ${other[3]!}).`;
    has = other[1] === undefined ? 'drawn-up st' : 'stacked st';
    rest = rest.slice(1);
  }
  if (lift) {
    words +=
      lift[2] === undefined
        ? ` Ch ${lift[1]!} (does not count as a st).`
        : ` Ch ${lift[1]!} (counts as 1 ${lift[2].replace(' and ch-', ' and the ch-')}).`;
    if (lift[2] !== undefined) has = 'chain';
    rest = rest.slice(1);
  }
  const standing =
    /counts as 1 (.+?)(?: and the ch-\d+ sp)?\)|with a standing (.+?) (?:in|around|between) /.exec(words);
  const stands = has === 'slip' ? at.reader.slipStitch : (standing?.[1] ?? standing?.[2] ?? null);
  const steps = rest[0] === undefined ? null : STEPS.exec(rest[0]);
  if (steps) {
    words += ` In place of the first ${steps[2] ?? '1'} sts: ${steps[1]!.split(/, | and /).join(', ')}.`;
    rest = rest.slice(1);
  }
  const noun = has === null || has === 'slip' ? null : has === 'standing' ? 'standing st' : has;
  return { words, rest, place, has, stands, noun };
}

/** Slip stitches from the last join on: into so many places of each kind, one after the other. */
function slipped(way: string, at: AtHand): { readonly words: string; readonly place: Place | null } {
  const { below } = at;
  const back = /^(?:sl st|ss) back (.+)$/i.exec(way);
  if (back)
    return { words: `Sl st back and start ${back[1]!.replace(/ at corner /, ' of corner ')}.`, place: null };
  const over = /^(?:sl st|ss) over (.+) of (Base rnd|Rnd \d+)$/i.exec(way);
  if (over)
    return {
      words: `Sl st over and start ${over[1]!.replace(/^into/, 'in').replace(/ at corner /, ' of corner ')}.`,
      place: null,
    };
  let here: Place = below.join!;
  let what: Noun = 'st';
  for (const part of way.replace(/^(?:sl st|ss) /i, '').split(/, | and (?=in |between )/)) {
    if (/^(?:in|between) the .+ at corner /.test(part))
      return { words: `Sl st forward and start ${part.replace(/ at corner /, ' of corner ')}.`, place: null };
    const m = /^in next (?:(\d+) )?(\S+?)$/.exec(part);
    if (!m) throw new Unclear(`where to with “${way}”?`);
    what = nounOf(m[2]!);
    for (let k = Number(m[1] ?? 1); k > 0; k--) here = below.nextAfter(here, what);
  }
  return { words: `Sl st forward and start ${locate(here, what, at)}.`, place: here };
}

/** A place by its number, as the step-by-step form names it. */
function locate(here: Place, what: Noun, { below, names }: AtHand): string {
  if (below.corners.length === 0) {
    const all = below.placesIn(below.ring, what);
    const ordered = [...all].sort((a, b) => below.aheadOfJoin(a) - below.aheadOfJoin(b));
    return `in ${what} ${ordered.findIndex((p) => samePlace(p, here)) + 1}, counted from the join`;
  }
  for (const side of names) {
    const index = below.placesOn(side, what).findIndex((p) => samePlace(p, here));
    if (index >= 0)
      return `in ${what} ${index + 1} of side ${side}, counted from corner ${below.cornerBefore(side)}`;
  }
  const corner = below.corners.find((c) => below.marked(c).includes(here as Made))!;
  return `in the marked ${what === 'st' ? 'st' : 'ch-1 sp'} of corner ${corner}`;
}

/** The corner that a round begins in. */
export function cornerAt(words: string, place: Place | null, { below, corners }: AtHand): string {
  const said = / of corner (\S+?)[.,]/.exec(words)?.[1];
  if (said !== undefined) return said;
  return corners.find((c) => place !== null && !isBeforeAGap(place) && below.marked(c).includes(place)) ?? '';
}

/** The side that a round begins on. */
export function sideOf(words: string, place: Place | null, { below, names }: AtHand): string {
  const said = / of side (\S+?)[.,]/.exec(words)?.[1];
  if (said !== undefined) return said;
  const before = / before corner (\S+?)[.,]/.exec(words)?.[1];
  if (before !== undefined) return names.find((s) => below.cornerAfter(s) === before)!;
  const joined = place ?? (/where you joined the last round/.test(words) ? below.join : null);
  const found = names.find(
    (s) => joined !== null && !isBeforeAGap(joined) && below.entriesOf(s).includes(joined),
  );
  if (found === undefined) throw new Unclear(`on which side is “${words}”?`);
  return found;
}
