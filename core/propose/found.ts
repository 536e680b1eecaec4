/** Findings of a search: the best few of every edge, in the yarns that become them best. */
import type { RoundEntry } from '../document/hem.ts';
import { riskOfAny, supplyOf } from '../forecast/supply.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import type { Candidate, Footing } from './candidates.ts';
import {
  LEAST_COLOUR_COST,
  colourCost,
  dressed,
  dressingsOf,
  yarnIn,
  type Dressing,
  type DressingKind,
  type Palette,
} from './colours.ts';
import { yarnsOf, type Shape } from './grammar.ts';
import { riskCost } from './suits.ts';
import type { TriedRound } from './trial.ts';
import type { Wish } from './wish.ts';

/** A border that suits, or would with a change of counts. */
export interface BorderFound {
  /** Told apart by it from every other. */
  readonly key: string;
  readonly shape: Shape;
  readonly dressing: DressingKind;
  readonly rounds: readonly RoundEntry[];
  /** It comes out even with the counts that are there; else a change of counts has yet to be found. */
  readonly asItIs: boolean;
  /** The less, the nearer to the wish: what a maker would mind, in per cent off the wished width. */
  readonly cost: number;
}

/** Shapes of an edge that are kept of a start, and dressings of a shape. */
const KEPT_SHAPES = 2;
const KEPT_DRESSINGS = 3;

/** The best few of every edge, in the dressings that become them best. */
export class Kept {
  private readonly byEdge = new Map<string, (readonly BorderFound[])[]>();

  /**
   * @param plan null where it has yet to be proved
   * @returns false where the basket does not last in any dressing
   */
  take(
    { shape, rounds }: Candidate,
    worked: readonly (RoundPlan | TriedRound)[],
    plan: Plan | null,
    cost: number,
    palette: Palette,
    { wish, keep }: Footing,
  ): boolean {
    const key = `${shape.edge?.family} ${plan !== null}`;
    const kept = this.byEdge.get(key) ?? [];
    this.byEdge.set(key, kept);
    const worst = kept[KEPT_SHAPES - 1]?.[0];
    // No dressing makes up for so much.
    if (worst && cost + LEAST_COLOUR_COST >= worst.cost) return true;
    const suits = (d: Dressing): boolean =>
      !keep.yarns || yarnsOf(dressed(rounds, d)).join() === keep.yarns.join();
    const dressings = dressingsFor(shape, worked, plan, palette, wish, suits);
    if (dressings.length === 0) return false;
    kept.push(
      dressings.map(({ dressing, minds }) => ({
        key: JSON.stringify([shape, dressing]),
        shape,
        dressing: dressing.kind,
        rounds: dressed(rounds, dressing),
        asItIs: plan !== null,
        cost: cost + minds,
      })),
    );
    kept.sort((a, b) => a[0]!.cost - b[0]!.cost).splice(KEPT_SHAPES);
    return true;
  }

  all(): readonly BorderFound[] {
    return [...this.byEdge.values()].flat(2).sort((a, b) => a.cost - b.cost);
  }
}

/** The dressing of each kind that is minded least, of those for which the basket is enough where that is wished; the best few. */
function dressingsFor(
  { ground, middle, edge }: Shape,
  worked: readonly (RoundPlan | TriedRound)[],
  plan: Plan | null,
  palette: Palette,
  wish: Wish,
  suits: (dressing: Dressing) => boolean,
): readonly { readonly dressing: Dressing; readonly minds: number }[] {
  const best = new Map<DressingKind, { readonly dressing: Dressing; readonly minds: number }>();
  const parts = { ground: ground?.times ?? 0, middle: middle ? 1 : 0, edge: edge ? 1 : 0 };
  for (const dressing of dressingsOf(palette, parts)) {
    if (!suits(dressing)) continue;
    const supply = plan && wish.basket !== 'any' ? supplyIn(plan, dressing) : LASTS;
    if (!supply.lasts) continue;
    const bands = worked.map((r) => ({ yarn: yarnIn(r, dressing), heightMm: r.ownHeightMm }));
    const minds = colourCost(palette, bands, dressing.kind) + riskCost(supply.risk, wish);
    if (minds < (best.get(dressing.kind)?.minds ?? Infinity)) best.set(dressing.kind, { dressing, minds });
  }
  return [...best.values()].sort((a, b) => a.minds - b.minds).slice(0, KEPT_DRESSINGS);
}

const LASTS = { lasts: true, risk: 0 } as const;

/** Whether what is there could be enough of every yarn, and the chance that it is not. */
function supplyIn(plan: Plan, dressing: Dressing): { readonly lasts: boolean; readonly risk: number } {
  const metres = new Map<string, number>();
  for (const r of plan.rounds) {
    const yarn = yarnIn(r, dressing);
    metres.set(yarn, (metres.get(yarn) ?? 0) + r.yarnM);
  }
  const needs = plan.yarns.map((y) => ({
    ...y,
    quantity: { ...y.quantity, grams: ((metres.get(y.yarn.id) ?? 0) * 100) / y.yarn.metresPer100G },
  }));
  return {
    lasts: needs.every((y) => supplyOf(y) !== 'runs out'),
    risk: riskOfAny(needs),
  };
}
