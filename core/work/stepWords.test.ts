import { describe, expect, test } from '@jest/globals';
import { demoPlan, demoPlans } from '../../demo/read.ts';
import { plan } from '../plan/planner.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import { orderOfWork, type InOrder } from '../procedure/order.ts';
import { actsOf, type Procedure } from '../procedure/acts.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import { placeKindsUsed, waysOf } from '../ring/recipe.ts';
import { inTravel } from '../procedure/place.ts';
import { IN_NOTHING, placesInSpan, type Ring } from '../ring/ring.ts';
import { placesTaken } from '../ring/stitch.ts';
import { placesBetween } from '../ring/turning.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { firstChoice } from '../rounds/facts.ts';
import { anyHem, small } from '../testing/anyHem.ts';
import { anyEdited } from '../testing/randomEdits.ts';
import { chanceOf } from '../chance.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { seeds, withSeed } from '../testing/seeds.ts';
import { momentsOf } from './momentWords.ts';
import { STRIDES, stepsOf, type Stride } from './steps.ts';
import { stepWords } from './stepWords.ts';

/** Splits at commas that stand in no bracket. */
function parts(text: string): readonly string[] {
  const found: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i <= text.length; i++) {
    if ('(['.includes(text[i] ?? ' ')) depth++;
    if (')]'.includes(text[i] ?? ' ')) depth--;
    if (i === text.length || (text[i] === ',' && depth === 0)) {
      found.push(text.slice(from, i).trim());
      from = i + 1;
    }
  }
  return found;
}

/** Stitches and runs of chains that a group is, as it is printed: “5 hdc”, “(sc, ch 2, sc)”, “ch 3”. */
function made(group: string): number {
  if (group.startsWith('(')) return parts(group.slice(1, -1)).reduce((sum, p) => sum + made(p), 0);
  const number = /^(\d+) (?!.*bobble)/.exec(group)?.[1];
  return number && !group.startsWith('ch ') ? Number(number) : 1;
}

/** Does what a step says: how many entries are made, and over how many places it goes from the last one used. */
function followed(text: string): { readonly made: number; readonly places: number } {
  const repeat = /^\[(.*)\] (\d+) times$/.exec(text);
  if (repeat) {
    const once = sum(parts(repeat[1]!).map(followed));
    return { made: once.made * Number(repeat[2]), places: once.places * Number(repeat[2]) };
  }
  if (/^no ch \d+ here: /.test(text)) return { made: 0, places: 0 };
  const skip = /^(?:skip|miss) (\d+)/i.exec(text);
  if (skip) return { made: 0, places: Number(skip[1]) };
  const same = /^(.*) (?:in|around) the (?:same|skipped|missed) /.exec(text);
  if (same) return { made: made(same[1]!), places: 0 };
  // Between two corner spaces of joined motifs lies their seam.
  const seam = /^(.*) over the same corner (?:space|stitch) and the one beyond the seam$/.exec(text);
  if (seam) return { made: made(seam[1]!), places: 2 };
  const over = /^(.*) over the next (\d+) (.*)$/.exec(text);
  if (over)
    return {
      made: made(over[1]!),
      places: /^corner (?:spaces|stitches)$/.test(over[3]!) ? 3 : Number(over[2]),
    };
  const each = /^(.*) (?:in|around) each of the next (\d+) /.exec(text);
  if (each) return { made: made(each[1]!) * Number(each[2]), places: Number(each[2]) };
  const next = /^(.*) (?:in|around) the next /.exec(text);
  if (next) return { made: made(next[1]!), places: 1 };
  return { made: made(text), places: 0 };
}

const sum = (all: readonly { readonly made: number; readonly places: number }[]) =>
  all.reduce((a, b) => ({ made: a.made + b.made, places: a.places + b.places }), { made: 0, places: 0 });

/** Whether a stitch of the base round takes the corner spaces on both sides of a seam together. */
function isOverSeam({ body }: Plan, order: InOrder, w: number): boolean {
  if (order.stitch(w).form !== 'together') return false;
  let first = 1;
  for (const { spots } of body.edges) {
    const spot = spots[order.into(w) - first];
    if (order.into(w) >= first && spot) return spots[order.into(w) - first + 1]?.kind === 'seam';
    first += spots.length + 1;
  }
  return false;
}

/**
 * How many places the stretch of a side from one entry up to another leads on: from the last place before it, or from the corner.
 * Null where that cannot be said: for what the round begins with, and where a place of another kind lies between.
 */
function placesAlong(of: Plan, procedure: Procedure): (from: number, to: number) => number | null {
  const { round, acts } = procedure;
  const { written } = round;
  const below = of.rounds[round.onto]?.ring;
  if (!below || !written) return () => null;
  const order = orderOfWork(round);
  if (below.centres.length === 0 || written.recipe.scope === 'ring') return placesRound(below, round, order);
  const recipes = new Map(actsOf(procedure, 'corner').map((a) => [a.corner, a.recipe]));
  const kinds = placeKindsUsed(waysOf(written.recipe, true).own);
  return (from, to) => {
    const act = acts.find(
      (a) =>
        a.do === 'side' &&
        // What a round begins with has nothing before it.
        (a.part === 'from the start' ? a.worked.start < from : a.worked.start <= from) &&
        to <= a.worked.start + a.worked.length,
    );
    if (act?.do !== 'side') return null;
    const ends = [recipes.get(act.side), recipes.get((act.side + 1) % of.sides.length)];
    if (!ends[0] || !ends[1]) return null;
    const all = placesBetween(below, act.side, kinds, [ends[0], ends[1]]);
    const places = order.travel === 1 ? all : [...all].reverse();
    /** How many are behind, once all up to an entry is made. */
    const behind = (upTo: number): number => {
      let most = 0;
      for (let w = act.worked.start; w < upTo; w++) {
        if (order.into(w) === IN_NOTHING) continue;
        const at = places.indexOf(order.into(w));
        if (at < 0) return NaN;
        // Against the order of the ring, a decrease sits in the last of its places.
        most = Math.max(most, at + (order.travel === 1 ? placesTaken(order.stitch(w)) : 1));
      }
      return most;
    };
    const far = behind(to) - behind(from);
    return Number.isNaN(far) ? null : far;
  };
}

/** The same for a pattern that goes all around. */
function placesRound(
  below: Ring,
  { written }: RoundPlan,
  order: InOrder,
): (from: number, to: number) => number | null {
  const kinds = placeKindsUsed(waysOf(written!.recipe, below.centres.length > 0).own);
  const all = inTravel(placesInSpan(below, { start: 0, length: below.made.length }, kinds), order.travel);
  /** The last place that is used before an entry. */
  const last = (upTo: number): number => {
    for (let w = upTo - 1; w > upTo - order.size; w--) {
      const at = all.indexOf(order.into(w));
      if (at >= 0) return at + (order.travel === 1 ? placesTaken(order.stitch(w)) - 1 : 0);
      if (order.into(w) !== IN_NOTHING) return NaN;
    }
    return NaN;
  };
  return (from, to) => {
    const far = (last(to) - last(from) + all.length) % all.length;
    return from === to || Number.isNaN(far) ? null : far;
  };
}

const ODD = /undefined|NaN|null|\[object/;

/**
 * Spots of the edge from after one up to another, without stitches where only what lies between is worked, and without what
 * lies between where only stitches are.
 */
function metBetween({ body }: Plan, { ring }: RoundPlan, from: number, to: number): number {
  const kinds: (string | null)[] = body.edges.flatMap((e) => [null, ...e.spots.map((s) => s.kind)]);
  const sides = body.edges.flatMap((e, side) => [side, ...e.spots.map(() => side)]);
  const worked = new Set([...ring.into].flatMap((i) => (i >= 0 ? [`${sides[i]} ${kinds[i]}`] : [])));
  const unseen = /top|cluster|between|^gap/;
  let met = 0;
  for (let i = from; i !== to;) {
    i = (i + 1) % kinds.length;
    const kind = kinds[i];
    if (kind == null || !unseen.test(kind) || worked.has(`${sides[i]} ${kind}`)) met++;
  }
  return met;
}

/** One expectation for all: there are tens of thousands of steps. */
function checkSteps(of: Plan): void {
  const odd: unknown[] = [];
  const check = (is: boolean, ...told: unknown[]): void => {
    if (!is) odd.push(told);
  };
  for (const procedure of proceduresOf(of)) {
    const { round, start } = procedure;
    const order = orderOfWork(round);
    const farAlong = placesAlong(of, procedure);
    for (const stride of STRIDES) {
      const steps = stepsOf(of, round.number, stride);
      expect(steps[0]!.does).toBe('begin');
      expect(steps[steps.length - 1]!.does).toBe('end');
      // Every entry once, in the order of work.
      expect(steps[0]!.from).toBe(0);
      steps.slice(1).forEach((step, i) => check(step.from === steps[i]!.to, step, steps[i]));
      expect(steps[steps.length - 1]!.to).toBe(order.size);
      for (const step of steps) {
        const { where, now, turn } = stepWords(of, round.number, step, of.hem.preferences.language);
        for (const text of [where, ...now]) check(!ODD.test(text), text);
        if (step.turn) check(!!turn?.includes(String(step.turn.all)), turn, step.turn);
        if (step.does !== 'make' || step.where.on === 'corner') continue;
        // A corner that is made at the same go is told by itself.
        check(now.length === (step.then ? 2 : 1), now);
        const end = step.then?.from ?? step.to;
        if (step.then) check(step.then.to === step.to && step.then.where.on === 'corner', step);
        const text = now[0]!.replace(/\.( The .*)?$/, '');
        const told = sum(parts(text.charAt(0).toLowerCase() + text.slice(1)).map(followed));
        // A stitch that closes the round stands for its last chains.
        const left = start?.close.by === 'stitch' && end === order.size ? 1 : 0;
        check(told.made === end - step.from - left, text, told, step);
        if (round.onto < 0) {
          // On the edge places are numbered as they come: what is told leads from the last to the last.
          const at = (m: number): number => {
            for (let w = (start?.at ?? 0) + m - 1; ; w--) {
              // A stitch over a seam ends beyond it.
              if (order.into(w) !== IN_NOTHING) return order.into(w) + (isOverSeam(of, order, w) ? 2 : 0);
            }
          };
          const far = metBetween(of, round, at(step.from), at(end));
          if (step.from > 0 && start) check(told.places === far, text, told, far);
        } else if (!step.then) {
          const far = farAlong((start?.at ?? 0) + step.from, (start?.at ?? 0) + step.to);
          if (step.from > 0 && far !== null) check(told.places === far, round.number, text, told, far);
        }
      }
    }
  }
  expect(odd).toEqual([]);
}

describe('the steps of a round', () => {
  test.each(demoPlans())('of %s make every stitch once, and say so', (_, made) => checkSteps(made));

  test.each(FAMILIES.map((f) => [f.name, f] as const))('of %s too', (_, family) => {
    const choice = firstChoice(family);
    checkSteps(
      plan(
        rowsHem({
          counts: [61, 73, 61, 73],
          rounds: [entry(), entry({ id: 'f', family: family.id, ...choice })],
        }),
      ),
    );
  });

  test('of hems by chance, too', () => {
    for (const seed of seeds(30)) withSeed(seed, () => checkSteps(plan(anyHem(chanceOf(seed)))));
  });

  test('of what edits by chance have made of one, too', () => {
    for (const seed of seeds(12)) {
      withSeed(seed, (said) => checkSteps(plan(anyEdited(chanceOf(seed), (label) => said.push(label)))));
    }
  });

  const wordsOf = (of: Plan, round: number, stride: Stride = 'repeat') =>
    stepsOf(of, round, stride).map((s) => stepWords(of, round, s, 'us'));

  test('speak of the places that a maker sees, and of no others', () => {
    const square = demoPlan('big-square');
    const base = wordsOf(square, 0, 'side').flatMap((w) => w.now);
    expect(base.join()).toContain('1 sc in each of the next 2 spaces between stitches, 1 sc in the next gap');
    expect(base.join()).not.toMatch(/skip \d/i);
    expect(base).toContain('1 sc in the place where the round began, ch 2.');
    expect(base.join()).not.toContain('the next the');
    const scallops = wordsOf(square, 4, 'side').flatMap((w) => w.now);
    expect(scallops.join()).toContain('skip 1 st, 5 dc in the next gap');
  });

  test('tell which way the two posts of a scale are worked', () => {
    const scales = plan(small({ rounds: [entry({ id: 'c', family: 'crocodile', stitch: 'dc' })] }));
    expect(wordsOf(scales, 2)[2]!.now).toEqual([
      '5 FPdc around the next st downward, ch 1, 5 FPdc around the next st upward.',
    ]);
  });

  test('between stitches are named as the spaces that they are', () => {
    const between = plan(small({ rounds: [entry({ into: 'between' })] }));
    const said = wordsOf(between, 1).flatMap((w) => w.now);
    expect(said.some((w) => /^1 sc in each of the next \d+ sps between sts\.$/.test(w))).toBe(true);
    expect(said.join(' ')).not.toMatch(/\bgaps?\b/);
  });

  test('of a pattern past the corners lie on the sides that they come to', () => {
    const written = {
      text: 'round: *sc in each of next 3 sts, (sc, ch 3, sc) in next st*',
      language: 'us' as const,
      name: '',
      note: '',
    };
    const past = plan(small({ rounds: [entry({ id: 'p', family: 'own', written })] }));
    const where = new Set(wordsOf(past, 1).map((w) => w.where));
    for (const side of ['Side A', 'Side B', 'Side C', 'Side D']) expect([...where]).toContain(side);
  });

  test('warn of the stitch behind the corner only where it is worked into', () => {
    const square = demoPlan('big-square');
    const warned = (round: number): boolean =>
      stepsOf(square, round, 'repeat').some((s) =>
        momentsOf(square, round, s, 'us').some((m) => m.text.includes('hides behind the corner')),
      );
    expect(warned(0)).toBe(true);
    expect(warned(4)).toBe(false);
  });

  test('say what to do, in words', () => {
    const of = plan(
      rowsHem({ counts: [61, 73, 61, 73], rounds: [entry({ id: 's', family: 'shell', stitch: 'hdc' })] }),
    );
    const words = stepsOf(of, 1, 'repeat').map((s) => stepWords(of, 1, s, 'us'));
    expect(words.slice(0, 4)).toEqual([
      {
        where: 'Round 1 begins',
        now: [
          expect.stringMatching(
            /^Sl st forward over 1 st and start in st 2 of side A.+ Begin before the repeats of side A, at “sl st in next st” there\./,
          ),
        ],
        turn: null,
      },
      expect.objectContaining({ where: 'Side A' }),
      {
        where: 'Side A',
        now: ['Skip 1, 5 hdc in the next st, skip 1, 1 sl st in the next st.'],
        turn: expect.stringMatching(/of \d+/),
      },
      {
        where: 'Side A',
        now: ['Skip 1, 5 hdc in the next st, skip 1, 1 sl st in the next st.'],
        turn: expect.stringMatching(/of \d+/),
      },
    ]);
    expect(words.at(-1)).toMatchObject({
      where: 'Round 1 ends',
      now: [expect.stringMatching(/^Join with a sl st/)],
    });
  });
});
