/** Borders that are proposed, in words. */
import type { Plan } from '../plan/types.ts';
import type { Obstacle, Proposal } from '../propose/search.ts';
import { familyById } from '../rounds/registry.ts';
import { abbreviation } from '../terms/stitches.ts';
import { verdict } from '../flat/flat.ts';
import { capital } from '../terms/words.ts';
import { flatnessWords } from './flatWords.ts';
import { lengthWords, plural, timeWords } from './measures.ts';

const nameOf = (id: string): string => (familyById(id)?.name ?? id).toLowerCase();

/** What a border is made of, from the outside in: “Shell edge on filet mesh, on 2 rounds of hdc”. */
export function shapeWords(plan: Plan, { shape: { ground, middle, edge } }: Pick<Proposal, 'shape'>): string {
  const { language } = plan.hem.preferences;
  const parts = [
    ...(edge ? [nameOf(edge)] : []),
    ...(middle ? [nameOf(middle)] : []),
    ...(ground.times > 0
      ? [`${plural(ground.times, 'round')} of ${abbreviation(ground.stitch, language)}`]
      : []),
  ];
  return capital(parts.join(', on '));
}

const SUPPLY = {
  lasts: 'the basket lasts',
  'may run out': 'the basket may run out',
  'runs out': 'more than is in the basket',
  'not said': '',
} as const;

/** What speaks for a border, and what it costs, in the order in which it matters. */
export function reasonsOf(plan: Plan, p: Proposal): readonly string[] {
  const unit = plan.hem.preferences.length;
  return [
    `${lengthWords(p.widthMm, unit)} wide`,
    p.asItIs ? 'fits as it is' : 'fits with a change that hides',
    flatnessWords(verdict(p.worst, plan.flatLimits)),
    `up to ${Math.round(p.grams)} g${SUPPLY[p.supply] ? `, ${SUPPLY[p.supply]}` : ''}`,
    `about ${timeWords(p.minutes)}`,
    p.skill,
  ];
}

const OBSTACLE_WORDS: Readonly<Record<Obstacle, string>> = {
  width: 'the width',
  look: 'the look',
  skill: 'how easy it is to be',
  'loose parts': 'no loose parts',
  basket: 'what is in the basket',
  time: 'the time',
  fit: 'the counts as they are',
  flatness: 'how flat it lies',
};

/** What stands in the way alone, and how many borders would suit without it, the most first. */
export const obstacleWords = (
  obstacles: Readonly<Partial<Record<Obstacle, number>>>,
): readonly { readonly obstacle: Obstacle; readonly words: string }[] =>
  (Object.entries(obstacles) as [Obstacle, number][])
    .sort((a, b) => b[1] - a[1])
    .map(([obstacle, count]) => ({
      obstacle,
      words: `But for ${OBSTACLE_WORDS[obstacle]}, ${plural(count, 'border')} would suit.`,
    }));
