/**
 * Which borders of a start are tried at all: of the height that is wished, of the character that is wished. Both are known from a short
 * ring; heights of the parts add up, so that the ground for a wished width follows.
 */
import { held } from '../held.ts';
import type { Hem, RoundEntry } from '../document/hem.ts';
import type { Planner } from '../plan/planner.ts';
import { topOf, type Plan } from '../plan/types.ts';
import { workedRounds } from '../record/record.ts';
import { familyById } from '../rounds/registry.ts';
import { asWorkedOn } from '../edits/rounds.ts';
import { writtenRounds } from '../stack/stack.ts';
import { characterOf } from './character.ts';
import {
  entryFor,
  idOf,
  idUnder,
  keepsParts,
  borderShapes,
  type Keep,
  type PartRounds,
  type BorderPart,
  type Shape,
  type ShapeStart,
} from './grammar.ts';
import { outOfCharacter } from './suits.ts';
import { fillFor, trialOn, tried, type Trial, type TriedRound } from './trial.ts';
import { wantedWidthMm, type Wish } from './wish.ts';

/** Rounds of a ground where no width is wished, and where the yarn says how many. */
const USUAL_TIMES = [3, 1] as const;
const TIMES_BY_YARN = [24, 18, 14, 11, 9, 7, 6, 5, 4, 3, 2, 1] as const;
const MOST_TIMES = 40;

/**
 * The rounds of a hem that stay under whatever is proposed: those that have been begun, and, where that is wished, all but the edge that
 * ends the border.
 */
function roundsThatStay(hem: Hem, wish: Wish): readonly RoundEntry[] {
  const begun = new Set(workedRounds(hem.record).map((d) => d.begun.entry?.id));
  const last = hem.rounds.at(-1);
  const edge = last && !familyById(last.family)?.repeatable ? last.id : null;
  return hem.rounds.filter((r) => begun.has(r.id) || (wish.onRounds && r.id !== edge));
}

/** Whether what stays ends in an edge on which nothing goes. */
export function endsInEdge(hem: Hem, wish: Wish): boolean {
  const last = writtenRounds(roundsThatStay(hem, wish)).rounds.findLast((r) => !r.recipe.surface);
  return last !== undefined && last.edge !== 'straight';
}

/** Footing of all borders of a search. */
export interface Footing {
  readonly hem: Hem;
  readonly wish: Wish;
  /** Rounds that stay, and the plan of the hem with them alone. */
  readonly stay: readonly RoundEntry[];
  readonly foot: Plan;
  /** Of all new rounds until they are dressed. */
  readonly yarn: string;
  readonly keep: Keep;
}

/** Rounds that stay are filled first where they are loops or meshes. */
export function footingOf(hem: Hem, wish: Wish, keep: Keep, yarn: string, planner: Planner): Footing {
  const stays = roundsThatStay(hem, wish);
  const standing = planner({ ...hem, rounds: stays });
  const fill = fillFor(trialOn(topOf(standing)), yarn);
  const stay = fill ? [...stays, fill] : stays;
  return { hem, wish, stay, foot: fill ? planner({ ...hem, rounds: stay }) : standing, yarn, keep };
}

export interface Candidate {
  readonly shape: Shape;
  readonly rounds: readonly RoundEntry[];
  /** Height that the edge adds, worked on the short ring. */
  readonly edgeRounds: readonly TriedRound[];
  readonly widthMm: number;
}

/** Candidates that share all rounds but those of the edge. */
export interface Group {
  /** The same for groups that differ in how often their ground is worked alone. */
  readonly over: string;
  readonly under: readonly RoundEntry[];
  readonly candidates: Candidate[];
}

/** The borders of a start that the bounds let through, those with the same ground and middle after each other. */
export function groupsOf(
  footing: Footing,
  start: ShapeStart,
  against: (obstacle: 'width' | 'look' | 'skill' | 'loose parts') => void,
): readonly Group[] {
  const { hem, wish, foot, stay, yarn, keep } = footing;
  const wanted = wantedWidthMm(wish, foot);
  const taller = foot.height.ratio;
  const bare = trialOn(stay.length > 0 ? topOf(foot) : null);
  const trials = new Map<PartRounds | null, Map<Trial, Trial>>();
  const on = (below: Trial, layer: PartRounds | null, part: BorderPart): Trial => {
    if (layer === null) return below;
    const known = trials.get(layer) ?? new Map<Trial, Trial>();
    trials.set(layer, known);
    const trial = known.get(below) ?? tried(hem, below, layer, yarn, [idUnder(part), idOf(part)]);
    known.set(below, trial);
    return trial;
  };
  const grounds = new Map<string, readonly RoundEntry[]>();
  const groups = new Map<string, Group>();
  const names = new Map<PartRounds | null, number>();
  const nameOf = (layer: PartRounds | null): number => {
    if (!names.has(layer)) names.set(layer, names.size);
    return held(names.get(layer), 'every layer has a name');
  };
  for (const { ground, middle, edge } of borderShapes(start, hem, foot.body)) {
    const onGround = on(bare, ground, 'ground');
    const onMiddle = on(onGround, middle, 'middle');
    const trial = on(onMiddle, edge, 'edge');
    const restMm = foot.borderWidthMm + taller * (trial.highMm - onGround.highMm);
    const roundMm = Math.max(0.1, taller * onGround.highMm);
    const times = byYarn(footing)
      ? TIMES_BY_YARN
      : timesFor(wanted === null ? null : (wanted - restMm) / roundMm);
    const outside = outOfCharacter(characterOf(trial.rounds), wish);
    if (times.length === 0 || outside.length > 0) {
      if (times.length === 0 && outside.length === 0) against('width');
      else if (times.length > 0 && outside.length === 1) against(outside[0]!);
      continue;
    }
    for (const t of times) {
      // Nothing at all is no border.
      if (t === 0 && !middle && !edge) continue;
      const key = `${nameOf(ground)} ${t}`;
      const layer = t > 0 && ground ? { ...ground, times: t } : null;
      const shape = { ground: layer, middle, edge };
      if (!keepsParts(keep, shape)) continue;
      const rounds =
        grounds.get(key) ?? (layer ? [asWorkedOn(hem.base, entryFor(layer, idOf('ground'), [yarn]))] : []);
      grounds.set(key, rounds);
      const over = `${nameOf(ground)} ${nameOf(middle)}`;
      const whole = `${over} ${t}`;
      const middles = middle ? onMiddle.entries : [];
      const group = groups.get(whole) ?? { over, under: [...stay, ...rounds, ...middles], candidates: [] };
      groups.set(whole, group);
      const edges = edge ? trial.entries : [];
      group.candidates.push({
        shape,
        rounds: [...group.under, ...edges],
        edgeRounds: edge ? trial.rounds.slice(onMiddle.rounds.length) : [],
        widthMm: restMm + t * roundMm,
      });
    }
  }
  // The most rounds of a ground come first.
  return [...groups.values()].sort((a, b) => (a.over < b.over ? -1 : a.over > b.over ? 1 : 0));
}

/** Whether it is the yarn that says how often a ground is worked. */
export const byYarn = ({ wish, foot }: Footing): boolean =>
  wish.basket === 'used up' && wantedWidthMm(wish, foot) === null;

/** How often a ground is worked, the most first. @param exact what would come to the wished width; null for any */
function timesFor(exact: number | null): readonly number[] {
  if (exact === null) return USUAL_TIMES;
  return [...new Set([Math.ceil(exact), Math.floor(exact)])].filter((t) => t >= 0 && t <= MOST_TIMES);
}
