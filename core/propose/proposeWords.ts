/** Borders that are proposed, in words. */
import { held } from '../held.ts';
import { OWN } from '../document/hem.ts';
import { shortYarnName } from '../document/yarnNames.ts';
import { verdict } from '../flat/flat.ts';
import type { Plan } from '../plan/types.ts';
import { firstOf, idUnder, borderPartOf, type PartRounds, type BorderPart } from './grammar.ts';
import type { Proposal } from './prove.ts';
import type { Obstacle } from './suits.ts';
import type { Wish } from './wish.ts';
import { plain } from '../rounds/plain.ts';
import { familyById } from '../rounds/registry.ts';
import { cornerTreatment } from '../terms/corners.ts';
import { LOOPS } from '../terms/places.ts';
import { abbreviation, type Language } from '../terms/stitches.ts';
import { capital } from '../terms/words.ts';
import { flatnessWords } from '../flat/flatWords.ts';
import { listWords } from '../say/lists.ts';
import { lengthWords, plural, sizeWords, timeWords } from '../say/measures.ts';

/** A part with what is chosen of it beyond its first choices: “picot edge (4 stitches to a picot)”. */
function layerWords(layer: PartRounds, language: Language): string {
  const family = familyById(layer.family);
  const chosen = choiceWords(layer, language);
  const beside = chosen.length > 0 ? ` (${chosen.join(', ')})` : '';
  if (layer.family === plain.id)
    return `${plural(layer.times, 'round')} of ${abbreviation(layer.stitch, language)}${beside}`;
  const name = layer.family === OWN ? 'your own round' : (family?.name ?? layer.family).toLowerCase();
  return `${name}${layer.times > 1 ? `, ${layer.times} times` : ''}${beside}`;
}

function choiceWords(layer: PartRounds, language: Language): readonly string[] {
  const family = familyById(layer.family);
  if (!family) return [];
  const first = firstOf(family);
  return [
    ...(layer.stitch !== first.stitch && family.id !== plain.id
      ? [abbreviation(layer.stitch, language)]
      : []),
    ...(layer.size !== first.size ? [`${layer.size} ${family.sizeCounts}`] : []),
    ...(layer.corner !== first.corner ? [`corners ${cornerTreatment(layer.corner).name}`] : []),
    ...(layer.loop !== first.loop ? [`in the ${LOOPS[layer.loop].name}`] : []),
  ];
}

/** Parts of a border in words, from the outside in: “Shell edge on filet mesh, on 2 rounds of hdc”. */
export function shapeWords(
  { hem }: Pick<Plan, 'hem'>,
  { shape, rounds }: Pick<Proposal, 'shape' | 'rounds'>,
): string {
  const { language } = hem.preferences;
  const parts = [shape.edge, shape.middle, shape.ground].flatMap((layer) =>
    layer ? [layerWords(layer, language)] : [],
  );
  const filled = rounds.some((r) => r.id === idUnder('ground')) ? ['filled spaces'] : [];
  return capital([...parts, ...filled].join(', on '));
}

/** In which yarns a border is worked; empty where there is no choice. */
export function dressingWords(
  { hem }: Pick<Plan, 'hem'>,
  { dressing, rounds }: Pick<Proposal, 'dressing' | 'rounds'>,
): string {
  if (hem.yarns.length < 2) return '';
  const named = (part: BorderPart): string => {
    const entry =
      rounds.find((r) => borderPartOf(r) === part) ?? held(rounds.at(-1), 'a plan has a base round');
    return listWords([...new Set(entry.yarns)].map((y) => shortYarnName(hem, y)));
  };
  const body = held(
    (['ground', 'middle', 'edge'] as const).find((part) => rounds.some((r) => borderPartOf(r) === part)),
    'a border has at least one part',
  );
  switch (dressing) {
    case 'one yarn':
      return `all in ${named(body)}`;
    case 'edge':
      return `${named(body)}, the edge in ${named('edge')}`;
    case 'middle':
      return `${named('ground')}, the middle in ${named('middle')}`;
    case 'stripes':
      return `stripes of ${named('ground')}`;
    case 'echo':
      return `stripes as in the piece: ${named('ground')}`;
    case 'shades':
      return `from shade to shade: ${named('ground')}`;
  }
}

/** Chances below this are not worth a word. */
const HARDLY = 0.02;

/** Whether the basket lasts, with the chance that it does not. */
function supplyWords({ supply, risk }: Pick<Proposal, 'supply' | 'risk'>): string {
  if (supply === 'runs out') return 'more than is in the basket';
  if (supply === 'not said') return '';
  if (risk < HARDLY) return 'your yarn is enough';
  const times = Math.min(9, Math.max(1, Math.round(10 * (1 - risk))));
  return `${plural(times, 'chance')} in 10 that your yarn is enough`;
}

/** Reasons for a border, and its cost, in the order in which it matters. */
export function reasonsOf({ hem, flatLimits }: Plan, p: Proposal, wish: Wish): readonly string[] {
  const unit = hem.preferences.length;
  const there = hem.yarns.every((y) => y.haveG !== null)
    ? ` of ${Math.round(hem.yarns.reduce((sum, y) => sum + held(y.haveG, 'asked only of yarn that was weighed'), 0))} g`
    : '';
  const each =
    p.gramsBy.length > 1
      ? ` (${listWords(p.gramsBy.map(({ yarn, grams }) => `${shortYarnName(hem, yarn)} ${Math.round(grams)} g`))})`
      : '';
  const grams = [`up to ${Math.round(p.grams)} g${there}${each}`, supplyWords(p)].filter(
    (words) => words !== '',
  );
  const wide = lengthWords(p.widthMm, unit);
  const wished = wish.widthCm === null || wish.size ? wide : lengthWords(wish.widthCm * 10, unit);
  return [
    ...(wish.size ? [`${sizeWords(p.blockedSize, unit)} in all`] : []),
    `${wide} wide${wished === wide ? '' : ` (wished: ${wished})`}`,
    p.asItIs ? 'fits as it is' : 'fits with a small adjustment',
    `${flatnessWords(verdict(p.worst, flatLimits))}${p.ruffles ? ' under its ruffle' : ''}`,
    grams.join(', '),
    ...(wish.basket === 'used up' ? [`uses ${Math.round(100 * p.used)}% of your yarn`] : []),
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

/** Obstacles that stand in the way alone, and how many borders might suit without it, the most first. */
export const obstacleWords = (
  obstacles: Readonly<Partial<Record<Obstacle, number>>>,
): readonly { readonly obstacle: Obstacle; readonly words: string }[] =>
  (Object.entries(obstacles) as [Obstacle, number][])
    .sort((a, b) => b[1] - a[1])
    .map(([obstacle, count]) => ({
      obstacle,
      words: `But for ${OBSTACLE_WORDS[obstacle]}, up to ${plural(count, 'border')} would suit.`,
    }));
