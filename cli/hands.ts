/** Lessons of the records of hems, and forecasts for a border: for the commands `hands` and `forecast`. */
import { readFileSync } from 'node:fs';
import { Type } from '@sinclair/typebox';
import { Value } from '@sinclair/typebox/value';
import { estimatesOf, inHandsOf, paceKnown, type Estimate } from '../core/evidence/estimates.ts';
import { evidenceOfEach, handsFrom } from '../core/evidence/evidence.ts';
import { COUNTED_PLACES, PARTS, knownFrom, type Hands, type HandsPart } from '../core/hands/hands.ts';
import type { Learned } from '../core/hands/ratio.ts';
import { ballEnds } from '../core/forecast/supply.ts';
import { yarnOf, type Hem } from '../core/document/hem.ts';
import { plan as planOf } from '../core/plan/planner.ts';
import type { Plan } from '../core/plan/types.ts';
import { STITCHES, stitchName, type Language, type StitchKind } from '../core/terms/stitches.ts';
import { countedWords } from '../core/hands/handsWords.ts';
import { plural, timeWords } from '../core/say/measures.ts';
import { unsound } from './io.ts';

const whole = Type.Integer({ minimum: 0 });
const ratio = Type.Number({ exclusiveMinimum: 0 });
const learned = Type.Object({
  ratio,
  low: ratio,
  high: ratio,
  basis: Type.Union(['rule of thumb', 'swatch', 'own word', 'these hands'].map((b) => Type.Literal(b))),
  observations: whole,
  doubted: Type.Array(whole),
});
const part = Type.Object({
  all: learned,
  byStitch: Type.Record(Type.String(), learned),
  bySize: Type.Record(Type.String(), learned),
});
const hands = Type.Object({
  time: part,
  yarn: part,
  height: part,
  width: part,
  flat: learned,
  counted: Type.Object({
    sides: whole,
    fewer: whole,
    more: whole,
    where: Type.Array(
      Type.Object({
        place: Type.Union(COUNTED_PLACES.map((p) => Type.Literal(p))),
        sides: whole,
        off: whole,
      }),
    ),
  }),
});

/**
 * Reads what `hem hands --json` wrote.
 *
 * @throws Unsound with the place of a fault
 */
export function openHands(file: string): Hands {
  const refuse = (words: string): never =>
    unsound(`${file}: ${words} Give a file that \`hem hands FILES --json\` wrote.`);
  let value: unknown;
  try {
    value = JSON.parse(readFileSync(file, 'utf8'));
  } catch (error) {
    return refuse(`cannot be read (${(error as Error).message}).`);
  }
  const fault = Value.Errors(hands, value).First();
  return fault ? refuse(`${fault.path.slice(1) || 'the file'}: ${fault.message}.`) : (value as Hands);
}

export const handsOf = (hems: readonly Hem[]): Hands => handsFrom(evidenceOfEach(hems));

const NAMES: Readonly<Record<HandsPart, string>> = {
  time: 'Time',
  yarn: 'Yarn',
  height: 'Height',
  width: 'Width',
};

/** Knowledge of hands, in lines. */
export function handsText(of: Hands, language: Language): string {
  const times = (x: number): string => x.toFixed(2);
  const told = (name: string, { ratio: value, low, high, basis, observations, doubted }: Learned): string =>
    `${name}: ${times(value)} × the usual (${times(low)} to ${times(high)}), from ${basis}, ${plural(observations, 'observation')}` +
    `${doubted.length > 0 ? `, ${doubted.length} of them doubted: look for a slip in the log` : ''}.`;
  const lines = PARTS.flatMap((key) => {
    const { all, byStitch, bySize } = of[key];
    return [
      told(NAMES[key], all),
      ...Object.entries(byStitch).map(
        ([kind, l]) => `  ${told(kind in STITCHES ? stitchName(kind as StitchKind, language) : kind, l)}`,
      ),
      ...Object.entries(bySize).map(
        ([size, l]) => `  ${told(key === 'yarn' ? `yarn weight ${size}` : `${size} mm hook`, l)}`,
      ),
    ];
  });
  return `${[...lines, told('Lies flat', of.flat), countedWords(of.counted)].join('\n')}\n`;
}

/** A border as these hands will work it; without them its own record speaks. */
export function inHands({ hem }: Plan, of: Hands | null): Plan {
  if (of) return planOf(inHandsOf(hem, knownFrom(of), of.time.all));
  const own = planOf(hem);
  return planOf(inHandsOf(hem, hem.hands, paceKnown(own)));
}

/** Every round, every yarn with its balls, time, size, and how flat it lies. */
export function forecastOf(plan: Plan) {
  return {
    name: plan.hem.name,
    ...estimatesOf(plan),
    ballEnds: ballEnds(plan).map(({ yarnId, ball, round, earliest, latest }) => ({
      yarn: yarnOf(plan.hem, yarnId).name,
      ball,
      round,
      earliest,
      latest,
    })),
    flatness: { basis: plan.flat.basis, observations: plan.flat.observations, ...plan.flatLimits },
  };
}

/** The forecast in lines. */
export function forecastText(plan: Plan): string {
  const { rounds, yarns, minutes, widthCm, heightCm } = forecastOf(plan);
  const range = ({ low, high }: Estimate, digits = 0): string =>
    `${low.toFixed(digits)} to ${high.toFixed(digits)}`;
  return `${[
    plan.hem.name,
    ...rounds.map(
      (r) =>
        `${r.round === 0 ? 'Base round' : `Round ${r.round}`}: ${range(r.grams, 1)} g, ${range(r.minutes)} min`,
    ),
    ...yarns.map((y) => `${y.yarn}: ${range(y.grams)} g, ${plural(y.balls, 'ball')} (${y.grams.basis})`),
    `Work: ${timeWords(minutes.low)} to ${timeWords(minutes.high)} (${minutes.basis})`,
    `Size: ${range(widthCm, 1)} × ${range(heightCm, 1)} cm (${widthCm.basis})`,
  ].join('\n')}\n`;
}
