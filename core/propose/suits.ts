/** How near a border comes to a wish: what stands in the way, and what a maker would mind. */
import { worstStrain } from '../forecast/alternatives.ts';
import { riskOfAny, supplyOf } from '../forecast/supply.ts';
import { planComesOutEven, type Plan } from '../plan/types.ts';
import { leftOfBorder } from '../work/progress.ts';
import { characterOf, type Character } from './character.ts';
import { WISH_SKILLS, widthOff, type Wish } from './wish.ts';

/** Why a border is not proposed: the wish that stands in the way. */
export const OBSTACLES = [
  'width',
  'look',
  'skill',
  'loose parts',
  'basket',
  'time',
  'fit',
  'flatness',
] as const;
export type Obstacle = (typeof OBSTACLES)[number];

/** Further off the wished width than this no border is proposed, as a fraction. */
export const WIDTH_OFF = 0.2;
/** Over the time that there is. */
const TIME_OVER = 1.1;

/** Words of a wish that speak of what a border is like. */
export function outOfCharacter(
  { looks, skill, looseParts }: Character,
  wish: Wish,
): readonly ('look' | 'skill' | 'loose parts')[] {
  return [
    ...((wish.look !== null && !looks.has(wish.look)) || (wish.notLook !== null && looks.has(wish.notLook))
      ? (['look'] as const)
      : []),
    ...(wish.skill !== null && WISH_SKILLS.indexOf(skill) > WISH_SKILLS.indexOf(wish.skill)
      ? (['skill'] as const)
      : []),
    ...(wish.noLooseParts && looseParts ? (['loose parts'] as const) : []),
  ];
}

/** @param dressed false while all is in one yarn, so that nothing is said of the basket */
export function obstaclesOf(plan: Plan, wish: Wish, dressed: boolean): readonly Obstacle[] {
  return [
    ...(widthOff(wish, plan) > WIDTH_OFF ? (['width'] as const) : []),
    ...outOfCharacter(characterOf(plan.rounds.slice(1)), wish),
    ...(dressed && wish.basket !== 'any' && plan.yarns.some((y) => supplyOf(y) === 'runs out')
      ? (['basket'] as const)
      : []),
    ...(wish.minutes !== null && leftOfBorder(plan).minutes > TIME_OVER * wish.minutes
      ? (['time'] as const)
      : []),
    ...(planComesOutEven(plan) ? [] : (['fit'] as const)),
    ...(Math.abs(worstOfAll(plan)) > plan.flatLimits.blocks ? (['flatness'] as const) : []),
  ];
}

/** Strain of the least flat round and side. */
export const worstOfAll = ({ rounds }: Plan): number =>
  rounds.map(worstStrain).reduce((worst, s) => (Math.abs(s) > Math.abs(worst) ? s : worst), 0);

/** Chance that any yarn runs out before the border is done, 0 to 1. */
export const riskOfAll = ({ yarns }: Plan): number => riskOfAny(yarns);

/** Costs of being over the time by half of it, and the like; all costs are in per cent off the wished width. */
const COST = { strain: 6, time: 40, risk: 60, left: 40, change: 4 } as const;

/** Cost of a border to its maker, in one number: per cent off the wished width, strain beyond what lies flat, time. */
export function costOf(plan: Plan, wish: Wish): number {
  const strain = Math.max(0, Math.abs(worstOfAll(plan)) / plan.flatLimits.flat - 1);
  const time = wish.minutes === null ? 0 : Math.max(0, leftOfBorder(plan).minutes / wish.minutes - 1);
  return 100 * widthOff(wish, plan) + COST.strain * strain + COST.time * time;
}

/** Cost of a change of counts beside it, however well it hides. */
export const CHANGE_COST = COST.change;

/** Cost of the risk of running out, where it is to be made from the basket. @param risk from 0 to 1 */
export const riskCost = (risk: number, wish: Wish): number => (wish.basket === 'any' ? 0 : COST.risk * risk);

/** Cost of leftovers, where the basket is to be used up; whatever is worked in which yarn. */
export const leftCost = (plan: Plan, wish: Wish): number =>
  wish.basket === 'used up' ? COST.left * (1 - shareUsed(plan)) : 0;

/** How much of what is there is used, of all yarns together by their length, 0 to 1. */
export function shareUsed({ yarns }: Plan): number {
  let [used, there] = [0, 0];
  for (const { yarn, quantity } of yarns) {
    used += quantity.metres;
    there += ((yarn.haveG ?? 0) * yarn.metresPer100G) / 100;
  }
  return there > 0 ? Math.min(1, used / there) : 0;
}
