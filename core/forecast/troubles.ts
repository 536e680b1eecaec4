/** Troubles of a border, the worst first: the one list from which every page says it. */
import { remembered } from '../remembered.ts';
import type { Verdict } from '../flat/flat.ts';
import { oppositeSides } from '../piece/symmetry.ts';
import { isEven, leftOut, type Plan, type YarnPlan } from '../plan/types.ts';
import type { SideFit } from '../ring/along.ts';
import { ballEnds, supplyOf, type BallEnd } from './supply.ts';

export type BorderTrouble =
  /** Rounds that cannot be worked, or not be read, and so are not there. */
  | { readonly kind: 'left out' }
  | {
      readonly kind: 'does not fit';
      readonly round: number;
      /** Sides on which it does not, each with how it comes out there. */
      readonly sides: readonly { readonly side: number; readonly fit: SideFit }[];
    }
  /** A round in the lobes of an edge, which pulls them out of shape. */
  | { readonly kind: 'on an edge'; readonly round: number; readonly edge: number }
  | {
      readonly kind: 'not flat';
      readonly round: number;
      /** Where it is worst. */
      readonly side: number;
      readonly verdict: Verdict;
      readonly strain: number;
      /** All rounds of which the same is to be said. */
      readonly rounds: readonly number[];
    }
  | { readonly kind: 'yarn'; readonly yarn: YarnPlan; readonly ends: BallEnd | null; readonly sure: boolean }
  /** Sides that face each other. */
  | {
      readonly kind: 'unlike';
      readonly sides: readonly [number, number];
      readonly counts: readonly [number, number];
    };

/** Troubles of a border, the worst first; none when all fits, lies flat and lasts. */
export const troublesOf = remembered((plan: Plan): readonly BorderTrouble[] => {
  const flat = flatness(plan);
  return [
    ...(leftOut(plan).length > 0 ? [{ kind: 'left out' } as const] : []),
    ...uneven(plan),
    ...onEdges(plan),
    ...flat.filter((t) => t.verdict !== 'blocks out'),
    ...yarns(plan).filter((t) => t.sure),
    ...unlike(plan),
    ...flat.filter((t) => t.verdict === 'blocks out'),
    ...yarns(plan).filter((t) => !t.sure),
  ];
});

function uneven({ rounds }: Plan): readonly BorderTrouble[] {
  return rounds.flatMap(({ number, even, sides }) => {
    if (even) return [];
    const off = sides.flatMap(({ fit }, side) => (fit && !isEven(fit) ? [{ side, fit }] : []));
    return [{ kind: 'does not fit', round: number, sides: off } as const];
  });
}

function onEdges({ problems, rounds }: Plan): readonly BorderTrouble[] {
  return problems.flatMap(({ code, where }) =>
    code === 'on-an-edge' && where.in === 'round'
      ? [{ kind: 'on an edge', round: where.number, edge: rounds[where.number]!.onto } as const]
      : [],
  );
}

type NotFlat = Extract<BorderTrouble, { kind: 'not flat' }>;

/** The worst place for each thing that is to be said of how it lies. */
function flatness({ rounds }: Plan): readonly NotFlat[] {
  const found = new Map<string, NotFlat>();
  for (const { number, sides } of rounds) {
    sides.forEach(({ strain, verdict }, side) => {
      if (verdict === 'flat') return;
      const key = verdict === 'blocks out' ? `${verdict} ${strain > 0}` : verdict;
      const before = found.get(key);
      const among = [...new Set([...(before?.rounds ?? []), number])];
      const worse = !before || Math.abs(strain) > Math.abs(before.strain);
      found.set(
        key,
        worse
          ? { kind: 'not flat', round: number, side, verdict, strain, rounds: among }
          : { ...before, rounds: among },
      );
    });
  }
  return [...found.values()].sort((a, b) => Math.abs(b.strain) - Math.abs(a.strain));
}

function yarns(plan: Plan): readonly Extract<BorderTrouble, { kind: 'yarn' }>[] {
  return plan.yarns.flatMap((yarn) => {
    const supply = supplyOf(yarn);
    if (supply !== 'may run out' && supply !== 'runs out') return [];
    const here = Math.floor((yarn.yarn.haveG ?? 0) / yarn.yarn.ballG);
    const ends =
      ballEnds(plan).find((e) => e.yarnId === yarn.yarn.id && e.ball === Math.max(1, here)) ?? null;
    return [{ kind: 'yarn', yarn, ends, sure: supply === 'runs out' } as const];
  });
}

function unlike(plan: Plan): readonly BorderTrouble[] {
  return oppositeSides(plan.body).flatMap(([a, b]) => {
    const counts = [countOf(plan, a), countOf(plan, b)] as const;
    return counts[0] === counts[1] ? [] : [{ kind: 'unlike', sides: [a, b] as const, counts } as const];
  });
}

/** A side of the base round as it is counted, between the middles of its corners. */
export const countOf = ({ sides }: Plan, side: number): number => sides[side]!.count + sides[side]!.corners;
