/** The written pattern of a plan, as sections of lines; the callers lay them out. */
import { spotNoun } from '../base/schools.ts';
import { placementWords } from '../base/run.ts';
import { cornerTreatment } from '../terms/corners.ts';
import { STITCHES, abbreviation, stitchName, type Language, type StitchKind } from '../terms/stitches.ts';
import { hookLabel } from '../terms/yarnWeights.ts';
import { printCorner, printGroup, printSteps } from '../notation/print.ts';
import type { Plan, RoundPlan, SidePlan } from '../plan.ts';
import { problemLine } from '../problems.ts';
import { recipeOf } from '../notation/parse.ts';
import type { Ring } from '../ring/ring.ts';
import { plural, rangeWords, sizeWords, yarnLengthWords } from './measures.ts';

export interface Section {
  readonly heading: string;
  readonly lines: readonly string[];
}

export interface Pattern {
  readonly title: string;
  readonly sections: readonly Section[];
}

/** The pattern of a plan in a language. */
export function patternOf(plan: Plan, language: Language = plan.hem.preferences.language): Pattern {
  return {
    title: plan.hem.name,
    sections: [
      terms(plan, language),
      materials(plan),
      baseSection(plan, language),
      ...roundSections(plan, language),
      finishing(plan),
    ],
  };
}

/** A pattern as plain text. */
export function patternText(pattern: Pattern): string {
  const sections = pattern.sections.map((s) => `${s.heading}\n${s.lines.map((l) => `  ${l}`).join('\n')}`);
  return `${pattern.title}\n${'='.repeat(pattern.title.length)}\n\n${sections.join('\n\n')}\n`;
}

function terms(plan: Plan, language: Language): Section {
  const used = new Set<StitchKind>();
  for (const round of plan.rounds) for (const s of new Set(round.ring.made)) used.add(s.kind);
  const words = [...used].map((k) => `${abbreviation(k, language)} ${stitchName(k, language)}`);
  const skip = language === 'us' ? 'sk skip' : 'miss: pass over';
  return {
    heading: language === 'us' ? 'Terms: US crochet terms throughout' : 'Terms: UK crochet terms throughout',
    lines: [
      [...words, language === 'us' ? 'st stitch' : 'st stitch', 'sp space', skip].join(' · '),
      `Written for a ${plan.hem.preferences.hand}-handed crocheter, right side facing throughout. Side counts are the ` +
        `stitches strictly between one corner’s centre and the next’s.`,
    ],
  };
}

function materials(plan: Plan): Section {
  const { preferences, gauge } = plan.hem;
  const yarnLines = plan.yarns
    .filter((y) => y.quantity.metres > 0)
    .map(({ yarn, quantity }) => {
      const grams = rangeWords(quantity.grams, quantity.spread);
      const length = yarnLengthWords(quantity.metres, preferences.length);
      return `${yarn.name}: about ${length}, ${grams} g: ${plural(quantity.balls, 'ball')} of ${yarn.ballG} g`;
    });
  return {
    heading: 'Piece and materials',
    lines: [
      `Piece ${sizeWords(plan.bodySize, preferences.length)}; with its border ${sizeWords(plan.finishedSize, preferences.length)}.`,
      `Hook ${hookLabel(gauge.hookMm)}. Gauge of the border: ${gauge.stitchesPer10Cm} stitches to 10 cm (4 in).`,
      ...yarnLines,
      'Yarn is an estimate by the path of the yarn through each stitch, ±20 % until something has been weighed.',
    ],
  };
}

/** Counts of a round per side and in total. */
export function countsLine(round: RoundPlan, plan: Plan): string {
  const sides = round.sides.map(
    (s, i) =>
      `${plan.sides[i]!.name} ${s.tally.stitches}${s.tally.spaces ? ` and ${plural(s.tally.spaces, 'ch-sp')}` : ''}`,
  );
  return `Counts: ${sides.join(' · ')} · ${round.total} stitches in all.`;
}

function baseSection(plan: Plan, language: Language): Section {
  const { base } = plan.hem;
  const round = plan.rounds[0]!;
  const stitch = abbreviation(base.stitch, language);
  const corner = recipeOf(
    `side: *sc in next st*\n${cornerTreatment(base.corner).write(STITCHES[base.stitch].us.abbreviation, 0)}`,
  ).corner;
  const lift = liftWords(base.stitch);
  return {
    heading: `Base round (${yarnName(plan, round.yarnId)})`,
    lines: [
      `Right side facing, join in the corner before side A. ${lift} Begin that corner with part of its stitches, and finish it when you come back to it.`,
      `Corner: ${printCorner(corner, language, 'the corner place')} (${cornerPlacesWords(plan)}).`,
      ...plan.sides.map((side) => sideLine(side, stitch, language)),
      `Join with ${language === 'us' ? 'a sl st' : 'an ss'} to the first stitch: do not count it as a stitch.`,
      'The first stitch after a corner hides under the corner’s own: do not miss it.',
      countsLine(round, plan),
    ],
  };
}

function cornerPlacesWords(plan: Plan): string {
  const places = [...new Set(plan.body.cornerPlaces)];
  return `in ${places.join(' or ')} of that edge`;
}

function sideLine(side: SidePlan, stitch: string, language: Language): string {
  const kinds = side.edge.spots.length;
  const kind = side.edge.spots[0];
  const noun = kind ? spotNoun(kind, language) : 'spot';
  const mixed = new Set(side.edge.spots.map((s) => s.stitch)).size > 1;
  const where = mixed ? `${kinds} ${kind!.kind}s` : `${kinds} ${noun}s`;
  return `Side ${side.name}: ${side.count} ${stitch} along ${where}: ${placementWords(side.placement, side.edge)}.`;
}

function liftWords(stitch: StitchKind): string {
  const [chains] = STITCHES[stitch].turningChain;
  return chains === 0 ? 'No starting chain.' : `Ch ${chains}, which does not count as a stitch.`;
}

/** What the corner of a ring is worked into, in words. */
export function cornerPlaceWords(ring: Ring): string {
  const centre = ring.centres[0];
  if (!centre) return 'corner';
  if (centre.length === 2) return 'between the two corner sts';
  const { chains } = ring.made[centre.start]!;
  return chains > 0 ? `the corner ch-${chains} sp` : 'the corner st';
}

function roundSections(plan: Plan, language: Language): readonly Section[] {
  return plan.rounds.slice(1).map((round, k) => {
    const recipe = round.recipe!;
    const below = plan.rounds[k]!;
    const colourChange = below.yarnId !== round.yarnId;
    const kind = recipe.side.flatMap((i) => (i.do === 'repeat' ? i.body : [i])).find((s) => s.do === 'work')!;
    const start = colourChange
      ? `Fasten off, join ${yarnName(plan, round.yarnId)} in the corner before side A.`
      : `Begin in the corner before side A.`;
    const repeats = round.sides.map((s, i) => `${plan.sides[i]!.name} ${s.fit!.repeats}`);
    const patterned = recipe.side.length > 1;
    const pairNow = below.ring.centres[0]?.length === 2 && recipe.corner.pair;
    const corner = pairNow
      ? `${printGroup(recipe.corner.pair![0], language)} in the first of the pair of corner sts, ${printGroup(recipe.corner.pair![1], language)} in the second`
      : printCorner(recipe.corner, language, cornerPlaceWords(below.ring)).replace('in between', 'between');
    return {
      heading: `Round ${round.number}: ${round.name.toLowerCase()} (${yarnName(plan, round.yarnId)})`,
      lines: [
        `${start} ${liftWords(kind.do === 'work' ? kind.what[0]!.kind : 'sc')}`,
        `Corner: ${corner}.`,
        `Each side: ${printSteps(recipe.side, language)}; repeat from * to * to the corner.`,
        ...(patterned ? [`Repeats: ${repeats.join(' · ')}.`] : []),
        ...plan.problems
          .filter((p) => p.place === `round ${round.number}`)
          .map((p) => `Take care: ${problemLine(p)}`),
        `Join with ${language === 'us' ? 'a sl st' : 'an ss'} to the first stitch.`,
        countsLine(round, plan),
      ],
    };
  });
}

function yarnName(plan: Plan, id: string): string {
  return plan.hem.yarns.find((y) => y.id === id)!.name;
}

function finishing(plan: Plan): Section {
  const ends = plan.yarns.reduce((sum, y) => sum + y.ends, 0);
  return {
    heading: 'Finishing',
    lines: [
      `Fasten off and weave in ${plural(ends, 'end')}. Block to ${sizeWords(plan.finishedSize, plan.hem.preferences.length)}.`,
      'Acrylic melts: no hot iron on it, and no steam held close. Count pins back into their box.',
    ],
  };
}
