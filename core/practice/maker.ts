/**
 * A simulated maker, to practise with: what lies on the table, beside what the record believes. It makes real mistakes, chosen by a
 * seed, so that the same ones can be met again; what has been ripped is made with care the second time. Nothing is kept: the
 * table follows from the record.
 */
import { held } from '../held.ts';
import { chanceOf, normal } from '../chance.ts';
import { yarnOf, type RoundIdentity } from '../document/hem.ts';
import { compareEvents, standing } from '../document/record.ts';
import { identityOfRound, isRound, type Plan } from '../plan/types.ts';
import { minutesOf } from '../hands/pace.ts';
import { stretchOf } from '../procedure/stretch.ts';
import { progressOf } from '../work/progress.ts';
import { sideEndOf } from '../work/sideEnd.ts';
import { sideInHandOf } from '../work/sideWays.ts';
import { stepsOf } from '../work/steps.ts';

export const MAKER_SKILLS = ['learner', 'practised', 'hasty'] as const;
export type MakerSkill = (typeof MAKER_SKILLS)[number];

export interface SimulatedMaker {
  readonly skill: MakerSkill;
  readonly seed: number;
}

/** How likely a side goes wrong by itself, and how many stitches are made in a minute. */
const HANDS: Readonly<Record<MakerSkill, { readonly slips: number; readonly pace: number }>> = {
  learner: { slips: 0.12, pace: 9 },
  practised: { slips: 0.02, pace: 20 },
  hasty: { slips: 0.08, pace: 30 },
};

/** One standard deviation of the logarithm: of how tightly these makers work. */
const TENSION = 0.1;
/** A kitchen scale, g. */
const SCALE_G = 0.3;

/** The table as it really is. */
export interface Table {
  /** Of every round that has been begun, the stitches on each side between its corners. */
  readonly counts: readonly (readonly number[])[];
  /** Left of the ball in hand, as the scale says, g. */
  readonly ballG: number;
  /** Places that really lie on the table, up to the corner at the end of the side in hand; null where that is not near. */
  readonly upToCorner: { readonly side: number; readonly places: number } | null;
  /** A side on which the next round does not come out, as the maker finds when it is begun, and by how many stitches; null for none. */
  readonly stuck: { readonly side: number; readonly off: number } | null;
}

/** Rounds whose mistakes are sure: one that is hard to see, and one that is too large to hide. */
const SMALL_SLIP = 1;
const LARGE_SLIP = 2;

/** Slips on each side of a round when it is made for the first time. */
function slipsOf({ skill, seed }: SimulatedMaker, round: number, sides: number): readonly number[] {
  const chance = chanceOf(seed * 7919 + round * 104_729);
  const { slips } = HANDS[skill];
  const own = Array.from({ length: sides }, () => (chance.maybe(slips) ? chance.pick([-1, 1]) : 0));
  const side = chance.int(0, sides - 1);
  if (round === SMALL_SLIP) return own.map((o, i) => (i === side ? chance.pick([-1, 1]) : o));
  if (round === LARGE_SLIP) return own.map((o, i) => (i === side ? -chance.int(4, 6) : o));
  // The base round and the edge are made well enough to show how that goes.
  return own.map((o) => (round === 0 ? 0 : o));
}

interface Made {
  readonly round: RoundIdentity;
  readonly number: number;
  /** Counts as the record believes them, and as they are. */
  believed: readonly number[];
  counts: number[];
  /** Counts without its own slips: those of the next making of a side. */
  right: readonly number[];
  /** Entries of it that have been made. */
  stitches: number;
}

const same = (a: RoundIdentity, b: RoundIdentity): boolean => a.entry === b.entry && a.index === b.index;

/** The table after all that was done. */
export function tableOf(plan: Plan, maker: SimulatedMaker): Table {
  const made = madeOf(plan, maker);
  return {
    counts: made.map((m) => m.counts),
    ballG: ballOf(plan, maker),
    upToCorner: upToCorner(plan, made),
    stuck: stuckAt(plan, made),
  };
}

function madeOf(plan: Plan, maker: SimulatedMaker): readonly Made[] {
  let made: Made[] = [];
  /** Rounds that were ripped to their start are made with care. */
  const careful = new Set<number>();
  for (const event of [...standing(plan.hem.record)].sort(compareEvents)) {
    const at = made.findIndex((m) => same(m.round, event.round));
    const found = made[at];
    if (event.did === 'began' && !found) {
      const number = made.length;
      const below = made[number - 1];
      // What is wrong below and not known goes on upwards.
      const right = event.counts.map((c, i) => c + (below ? below.counts[i]! - below.believed[i]! : 0));
      const slips = careful.has(number) ? right.map(() => 0) : slipsOf(maker, number, right.length);
      const counts = right.map((c, i) => c + slips[i]!);
      made = [...made, { round: event.round, number, believed: event.counts, counts, right, stitches: 0 }];
    } else if (event.did === 'counted' && found) {
      found.believed = found.believed.map((b, i) => event.counts[i] ?? b);
    } else if (event.did === 'made' && found) {
      found.stitches = event.stitches;
    } else if (event.did === 'altered' && found) {
      const ends = sideEnds(plan, event.round);
      const below = made[found.number - 1];
      // A side that is ended as the maker was told, for what really lies below, comes out so.
      found.counts = found.counts.map((c, i) =>
        ends[i]! <= found.stitches
          ? c
          : below && below.counts[i] === below.believed[i]
            ? event.counts[i]!
            : c + event.counts[i]! - found.believed[i]!,
      );
      found.believed = event.counts;
    } else if (event.did === 'repaired' && event.by === 'fudge' && found) {
      found.counts = [...found.believed];
    } else if (event.did === 'ripped' && found) {
      found.stitches = event.stitches;
      for (const gone of made.slice(event.stitches === 0 ? at : at + 1)) careful.add(gone.number);
      made = made.slice(0, event.stitches === 0 ? at : at + 1);
      if (event.stitches > 0) {
        const ends = sideEnds(plan, event.round);
        found.counts = found.counts.map((c, i) => (ends[i]! > event.stitches ? found.right[i]! : c));
        // What was counted of it is forgotten with what was ripped.
        const planned = plan.rounds.find((r) => isRound(r, event.round))?.done?.planned;
        found.believed = planned ?? found.believed;
      }
    }
  }
  return made;
}

/** Where each side of a round ends, in entries made. */
function sideEnds(plan: Plan, round: RoundIdentity): readonly number[] {
  const of = plan.rounds.find((r) => isRound(r, round));
  if (!of) return [];
  return of.sides.map((_, side) =>
    stepsOf(plan, of.number, 'side').reduce(
      (end, s) => (s.where.on === 'side' && s.where.side === side ? Math.max(end, s.to) : end),
      0,
    ),
  );
}

function upToCorner(plan: Plan, made: readonly Made[]): Table['upToCorner'] {
  const inHand = sideEndOf(plan, plan.hem.preferences.language) && sideInHandOf(plan);
  if (!inHand) return null;
  const { side, places, round } = inHand;
  const below = made[round.onto];
  return { side, places: places + (below ? below.counts[side]! - below.believed[side]! : 0) };
}

/** A round that must come out even does not, where what is under it is not what is believed. */
function stuckAt(plan: Plan, made: readonly Made[]): Table['stuck'] {
  const { round, begun } = progressOf(plan);
  const below = made[made.length - 1];
  if (!round || begun || !below || isStraight(round.ring.made)) return null;
  const side = below.counts.findIndex((c, i) => c !== below.believed[i]);
  return side < 0 ? null : { side, off: below.counts[side]! - below.believed[side]! };
}

/** Every place of the round below takes one stitch of a kind: it comes out whatever is there. */
const isStraight = (made: readonly { readonly kind: string; readonly form: string }[]): boolean =>
  made.every((s) => s.kind === made[0]!.kind && s.form === made[0]!.form);

function ballOf(plan: Plan, { seed }: SimulatedMaker): number {
  const chance = chanceOf(seed * 31 + 5);
  const tension = Math.exp(normal(chance, TENSION));
  const yarn = yarnOf(plan.hem, plan.rounds[0]!.yarnId);
  const metres = plan.rounds.reduce((sum, r) => {
    const share = r.done ? (r.done.finished ? 1 : r.done.stitches / Math.max(1, r.ring.made.length)) : 0;
    return sum + r.pathM * share;
  }, 0);
  const scale = normal(chanceOf(seed + 17 * plan.hem.record.length), SCALE_G);
  const grams = yarn.ballG - (tension * metres * 100) / yarn.metresPer100G + scale;
  return Math.max(0, Math.round(grams * 10) / 10);
}

/** How long the maker takes for a stretch of a round, minutes. */
export function minutesFor(plan: Plan, { skill }: SimulatedMaker, from: number, to: number): number {
  const { round } = progressOf(plan);
  return round ? minutesOf(stretchOf(plan, round, from, to).movements, HANDS[skill].pace) : 0;
}

/** Tasks to see while practising. */
export const TASKS = ['recount', 'repair', 'weigh', 'rip'] as const;
export type Task = (typeof TASKS)[number];

/** Those that have been done. */
export function tasksDone({ hem: { record } }: Plan): ReadonlySet<Task> {
  const times = (did: string): number => record.filter((e) => e.did === did).length;
  return new Set(
    TASKS.filter(
      (task) =>
        ({
          recount: times('counted') > 0,
          // Whoever rips twice has repaired by ripping.
          repair: times('repaired') > 0 || times('ripped') > 1,
          weigh: times('weighed') > 1,
          rip: times('ripped') > 0,
        })[task],
    ),
  );
}

/** The next thing to do, for the person or for the maker. */
export type Prompt = 'let work' | 'weigh' | 'count' | 'stuck' | 'rip' | 'done';

/** Read from the record alone: whoever does something else meets it later. */
export function promptOf(plan: Plan, maker: SimulatedMaker): Prompt {
  const { round, begun, made } = progressOf(plan);
  const { record } = plan.hem;
  const last = plan.rounds.findLast((r) => r.done?.finished);
  const named = last ? identityOfRound(last) : null;
  const counted = (of: RoundIdentity): boolean => {
    const events = [...standing(record)].sort(compareEvents).filter((e) => same(e.round, of));
    const finished = events.findLastIndex((e) => e.did === 'counted' || e.did === 'repaired');
    const redone = events.findLastIndex((e) => e.did === 'ripped');
    return finished > redone;
  };
  if (tableOf(plan, maker).stuck) return 'stuck';
  if (!begun && named && held(last, 'something was made before').number > 0 && !counted(named))
    return 'count';
  const weighed = record.filter((e) => e.did === 'weighed').length;
  // Weighed at the first stitches, and again when some of the ball has gone.
  if (
    begun &&
    made > 0 &&
    (weighed === 0 || (weighed === 1 && held(round, 'a round is in hand').number >= SMALL_SLIP))
  )
    return 'weigh';
  if (!round) return tasksDone(plan).has('rip') ? 'done' : 'rip';
  return 'let work';
}
