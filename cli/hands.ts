/** What the records of hems teach, and what that foretells of a border: for the commands `hands` and `forecast`. */
import { readFileSync } from 'node:fs';
import { Type } from '@sinclair/typebox';
import { Value } from '@sinclair/typebox/value';
import {
  foretell,
  handsFrom,
  evidenceOf,
  type Foretold,
  type Hands,
  type Part,
} from '../core/hands/hands.ts';
import type { Plan } from '../core/plan/types.ts';
import { STITCHES, stitchName, type Language, type StitchKind } from '../core/terms/stitches.ts';
import { plural, timeWords } from '../core/words/measures.ts';
import { EXIT } from './input.ts';

const whole = Type.Integer({ minimum: 0 });
const learned = Type.Object({
  ratio: Type.Number({ exclusiveMinimum: 0 }),
  low: Type.Number({ exclusiveMinimum: 0 }),
  high: Type.Number({ exclusiveMinimum: 0 }),
  basis: Type.Union([Type.Literal('rule of thumb'), Type.Literal('these hands')]),
  observations: whole,
  doubted: Type.Array(whole),
});
const part = Type.Object({
  all: learned,
  by: Type.Partial(
    Type.Object(Object.fromEntries((Object.keys(STITCHES) as StitchKind[]).map((kind) => [kind, learned])), {
      additionalProperties: false,
    }),
  ),
});
const hands = Type.Object({
  time: part,
  yarn: part,
  height: part,
  counted: Type.Object({ sides: whole, off: whole }),
});

/** Reads what `hem hands --json` wrote; a fault is printed with its place, and the process ends. */
export function openHands(file: string): Hands {
  const complain = (words: string): never => {
    console.error(`${file}: ${words} Give a file that \`hem hands FILES --json\` wrote.`);
    process.exit(EXIT.unsound);
  };
  try {
    const value: unknown = JSON.parse(readFileSync(file, 'utf8'));
    const fault = Value.Errors(hands, value).First();
    return fault ? complain(`${fault.path.slice(1) || 'the file'}: ${fault.message}.`) : (value as Hands);
  } catch (error) {
    return complain(`cannot be read (${(error as Error).message}).`);
  }
}

export const handsOf = (plans: readonly Plan[]): Hands => handsFrom(plans.map((p) => evidenceOf(p)));

const NAMES = { time: 'Time', yarn: 'Yarn', height: 'Height' } as const;

/** What was learned, in lines. */
export function handsText(of: Hands, language: Language): string {
  const times = (x: number): string => x.toFixed(2);
  const lines = (['time', 'yarn', 'height'] as const).flatMap((key) => {
    const told = (name: string, { ratio, low, high, basis, observations, doubted }: Part['all']): string =>
      `${name}: ${times(ratio)} × the rule of thumb (${times(low)} to ${times(high)}), from ${basis}, ${plural(observations, 'observation')}` +
      `${doubted.length > 0 ? `, ${doubted.length} of them doubted: look for a slip in the log` : ''}.`;
    const kinds = Object.entries(of[key].by) as [StitchKind, Part['all']][];
    return [
      told(NAMES[key], of[key].all),
      ...kinds.map(([kind, l]) => `  ${told(stitchName(kind, language), l)}`),
    ];
  });
  const { sides, off } = of.counted;
  return `${[...lines, `Counts: ${off} of ${plural(sides, 'side')} were not as planned.`].join('\n')}\n`;
}

const sum = (parts: readonly Foretold[]): Foretold => {
  // What is off for one round is off for the others, too: these hands are the same.
  const of = (key: 'value' | 'low' | 'high'): number => parts.reduce((total, p) => total + p[key], 0);
  const observed = parts.some((p) => p.basis === 'these hands');
  return {
    value: of('value'),
    low: of('low'),
    high: of('high'),
    basis: observed ? 'these hands' : 'rule of thumb',
    observations: Math.max(0, ...parts.map((p) => p.observations)),
  };
};

/** A border as these hands will work it: every round, every yarn with its balls, time, size, and how flat it lies. */
export function forecastOf(plan: Plan, of: Hands) {
  const rounds = foretell(plan, of);
  const yarns = plan.hem.yarns.flatMap((yarn) => {
    const own = rounds.filter((_, i) => plan.rounds[i]!.yarnId === yarn.id);
    if (own.length === 0) return [];
    const grams = sum(own.map((r) => r.grams));
    return [{ yarn: yarn.name, grams, balls: Math.max(1, Math.ceil(grams.high / yarn.ballG)) }];
  });
  const top = rounds[rounds.length - 1]!.heightCm;
  const size = (mm: number) => ({
    value: mm / 10 + 2 * top.value,
    low: mm / 10 + 2 * top.low,
    high: mm / 10 + 2 * top.high,
  });
  return {
    name: plan.hem.name,
    rounds: rounds.map((r, i) => ({
      ...r,
      flatness: plan.rounds[i]!.sides.map((s) => s.verdict),
    })),
    yarns,
    minutes: sum(rounds.map((r) => r.minutes)),
    widthCm: size(plan.bodySize.widthMm),
    heightCm: size(plan.bodySize.heightMm),
  };
}

/** The forecast in lines. */
export function forecastText(plan: Plan, of: Hands): string {
  const { rounds, yarns, minutes } = forecastOf(plan, of);
  const range = ({ low, high }: Foretold, digits = 0): string =>
    `${low.toFixed(digits)} to ${high.toFixed(digits)}`;
  return `${[
    plan.hem.name,
    ...rounds.map(
      (r) =>
        `${r.round === 0 ? 'Base round' : `Round ${r.round}`}: ${range(r.grams, 1)} g, ${range(r.minutes)} min`,
    ),
    ...yarns.map((y) => `${y.yarn}: ${range(y.grams)} g, ${plural(y.balls, 'ball')} (${y.grams.basis})`),
    `Work: ${timeWords(minutes.low)} to ${timeWords(minutes.high)} (${minutes.basis})`,
  ].join('\n')}\n`;
}
