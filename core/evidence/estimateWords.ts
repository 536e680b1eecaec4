/** Estimates in words: with its range, and what it rests on. */
import { WORDS } from '../terms/words.ts';
import { isGaugeKnown } from '../plan/observed.ts';
import { estimatesOf, type Estimate, type Estimates } from './estimates.ts';
import { spreadAbout } from '../hands/ratio.ts';
import type { Plan, YarnPlan } from '../plan/types.ts';
import { RESTS_ON } from '../hands/handsWords.ts';
import { lengthWords, plural, timeWords, type LengthUnit } from '../say/measures.ts';

/** Basis of an estimate, such as “from your hands: 12 observations”. */
const restsOn = ({ basis, observations }: Pick<Estimate, 'basis' | 'observations'>): string =>
  basis === 'these hands'
    ? `from ${RESTS_ON[basis]}: ${plural(observations, 'observation')}`
    : RESTS_ON[basis];

/** A time with its range: “About 4 h (3 h to 5 h, a typical value)”. */
export const timeEstimateWords = (time: Estimate): string =>
  `About ${timeWords(time.value)} (${timeWords(time.low)} to ${timeWords(time.high)}, ${restsOn(time)})`;

/** A size that can come out otherwise: “± 1 cm, a typical value”. @param unit of the maker */
export function sizeSuretyWords({ widthCm }: Pick<Estimates, 'widthCm'>, unit: LengthUnit): string {
  const off = Math.max(widthCm.high - widthCm.value, widthCm.value - widthCm.low);
  return `± ${unit === 'cm' ? `${off.toFixed(1)} cm` : `${(off / 2.54).toFixed(1)} in`}, ${restsOn(widthCm)}`;
}

/** “Try 10 cm (4 in) of a side before you work it all.” */
export const tryFirstWords = (unit: LengthUnit): string =>
  `Try ${unit === 'in' ? '4 in (10 cm)' : '10 cm (4 in)'} of a side before you work it all.`;

const percent = (fraction: number): number => Math.round(100 * fraction);

/** How sure the yarn of a plan is, in short. */
export function yarnSuretyWords(plan: Plan): string {
  const used = plan.yarns.filter((y) => y.quantity.metres > 0);
  const surer = used.filter((y) => y.calibration.basis !== 'rule of thumb');
  if (surer.length === 0) return 'It can be a fifth too high or too low. Weigh a swatch to make it surer.';
  return surer
    .map(
      ({ yarn, calibration: { basis, ratio } }) =>
        `${yarn.name}: surer, by ${RESTS_ON[basis]}.${
          Math.abs(ratio - 1) < 0.005
            ? ''
            : ` What you weighed ${ratio > 1 ? 'raised' : 'lowered'} it ${Math.abs(ratio - 1) < 0.05 ? 'a little' : 'a lot'}.`
        }`,
    )
    .join(' ');
}

/** Basis of the estimate of a yarn, and how far it may be off. */
export function yarnRestsOn({ yarn, calibration }: YarnPlan): string {
  const moved = percent(calibration.ratio - 1);
  const weighed =
    moved === 0 ? '' : `, moved ${Math.abs(moved)}% ${moved > 0 ? 'up' : 'down'} by what you weighed`;
  return `${yarn.name}: ${restsOn(calibration)}${weighed}, ±${percent(spreadAbout(calibration))}%.`;
}

/** Basis of yarn, time, size and flatness, in a few sentences. */
export function allRestsOn(plan: Plan): string {
  const estimates = estimatesOf(plan);
  const { minutes, widthCm } = estimates;
  const notKnown = notKnownFlatWords(plan, estimates);
  const used = plan.yarns.find((y) => y.quantity.metres > 0);
  const yarn = used ? restsOn(used.calibration) : RESTS_ON['rule of thumb'];
  return `Yarn: ${yarn}. Time: ${restsOn(minutes)}. Size: ${restsOn(widthCm)}. Flatness: ${flatBasisWords(plan)}.${notKnown && ` ${notKnown}`}`;
}

/** Basis of the limits of flatness. */
export const flatBasisWords = ({ flat, hem }: Plan): string => {
  const limits = flat.basis === 'rule of thumb' ? 'typical limits' : restsOn(flat);
  return isGaugeKnown(hem)
    ? limits
    : `${limits}, and the usual ${WORDS[hem.preferences.language].gauge} of the yarn`;
};

/** Of how many sides it cannot be known whether they will lie flat, and how it is found out; empty where it is known of all. */
export function notKnownFlatWords({ hem }: Plan, { rounds }: Pick<Estimates, 'rounds'>): string {
  const sides = rounds.flatMap((r) => r.sides);
  const open = sides.filter(({ lies }) => lies === null).length;
  if (open === 0) return '';
  const of = open === sides.length ? '' : ` of ${open} of ${sides.length} sides, round by round`;
  return `It cannot be known${of} before you try ${lengthWords(100, hem.preferences.length)}: it depends on how wide your stitches come out.`;
}
