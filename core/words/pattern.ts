/** The written pattern of a plan, as sections of lines; the callers lay them out. */
import { baseCornerGroup, crossingOf } from '../base/baseRound.ts';
import { CROSSINGS } from '../base/crossings.ts';
import { listWords, placementWords } from '../base/run.ts';
import { basis, spotNoun } from '../base/schools.ts';
import { STITCHES_BEFORE_CORNER, stitchesToJoin } from '../base/start.ts';
import { STITCHES, abbreviation, stitchName, type Language, type StitchKind } from '../terms/stitches.ts';
import { hookLabel } from '../terms/yarnWeights.ts';
import { printCorner, printGroup, printSteps } from '../notation/print.ts';
import type { Plan, RoundPlan, SidePlan } from '../plan.ts';
import { problemLine } from '../problems.ts';
import { patternOf as patternSteps, type CornerRecipe } from '../ring/recipe.ts';
import type { Centre, Ring } from '../ring/ring.ts';
import { isPlain, plainStitchOf } from '../ring/work.ts';
import { circumstancesOf } from '../stack/stack.ts';
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
      [...words, 'st stitch', 'sp space', skip].join(' · '),
      `Written for a ${plan.hem.preferences.hand}-handed crocheter, right side facing unless a round says otherwise. Side counts are the ` +
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
  return {
    heading: `Base round (${yarnName(plan, round.yarnId)})`,
    lines: [
      `Right side facing. ${startWords(plan, base.stitch, 0)}`,
      ...cornerLines(plan, language),
      ...plan.sides.map((side, i) => sideLine(plan, i, side, stitch, language)),
      joinWords(plan, 0, language),
      'Work over the tail. The first stitch after a corner hides under the corner’s own: do not miss it.',
      countsLine(round, plan),
    ],
  };
}

/** What goes into each corner, corners that take the same told together. */
function cornerLines(plan: Plan, language: Language): readonly string[] {
  const byWords = new Map<string, string[]>();
  plan.body.outline.turns.forEach((_, side) => {
    const group = printGroup(baseCornerGroup(plan.hem.base, plan.body.outline.turns[side]!), language);
    const words = `${group} in ${plan.body.cornerPlaces[side]}`;
    byWords.set(words, [...(byWords.get(words) ?? []), cornerName(plan, side)]);
  });
  const all = byWords.size === 1;
  return [...byWords].map(([words, names]) => `Corner${all ? '' : `s ${listWords(names)}`}: ${words}.`);
}

/** A corner by the two sides that meet there, in working order. */
const cornerName = (plan: Plan, side: number): string =>
  `${plan.sides[(side - 1 + plan.sides.length) % plan.sides.length]!.name}/${plan.sides[side]!.name}`;

function sideLine(plan: Plan, index: number, side: SidePlan, stitch: string, language: Language): string {
  const { edge, choice } = side;
  const along = basis(
    edge,
    edge.spots.map(() => 1),
  ).filter((p) => !['corner space', 'seam', 'between stitches'].includes(p.kind));
  const where = listWords(along.map((p) => plural(p.spots, spotNoun(p, language))));
  const loops = choice.school === 'loops' ? `, ch ${edge.loopChains} before and after each` : '';
  const foundation = foundationWords(plan, index);
  return `Side ${side.name}: ${side.count} ${stitch} along ${where}${loops}: ${placementWords(side.placement, edge)}${joinsWords(plan, side)}.${foundation}`;
}

function foundationWords(plan: Plan, side: number): string {
  const { piece } = plan.hem;
  if (piece.kind !== 'rows' || side !== 2) return '';
  return piece.foundation === 'stitches of row 1'
    ? ' Work into the stitches of row 1, round the foundation chain.'
    : ` Work into ${piece.foundation}.`;
}

/** How the joins of a side are crossed, those crossed alike told together. */
function joinsWords(plan: Plan, { edge, choice }: SidePlan): string {
  const byName = new Map<string, number[]>();
  edge.joins.forEach((_, join) => {
    const { name } = CROSSINGS[crossingOf(plan.hem.base, choice, join)];
    byName.set(name, [...(byName.get(name) ?? []), join + 1]);
  });
  if (byName.size === 0) return '';
  if (byName.size === 1) return `; at each of the ${plural(edge.joins.length, 'join')} ${[...byName][0]![0]}`;
  return `; ${[...byName].map(([name, joins]) => `at join ${listWords(joins)} ${name}`).join(', ')}`;
}

function liftWords(stitch: StitchKind, counts: boolean): string {
  const [fewest, most] = STITCHES[stitch].turningChain;
  if (most === 0) return 'No starting chain.';
  // A chain that stands for the first stitch must be as tall as it; one that does not may be shorter.
  return counts
    ? `Ch ${most}, which counts as the first stitch.`
    : `Ch ${Math.max(1, fewest)}, which does not count as a stitch.`;
}

/** Where a round begins, and its starting chain. */
function startWords(plan: Plan, stitch: StitchKind, round: number): string {
  const { start } = plan.hem.base;
  const side = plan.sides[start.side]!.name;
  const lift = liftWords(stitch, start.chainCounts);
  if (plan.body.outline.turns.length === 0) return `Begin anywhere. ${lift}`;
  const corner = cornerName(plan, start.side);
  switch (start.at) {
    case 'corner':
      return `Begin in corner ${corner}. ${lift} ${round === 0 || start.join === 'centred' ? 'Work the last part of this corner first, and its first part when you come back to it.' : 'Finish this corner when you come back to it.'}`;
    case 'before the corner':
      return `Begin ${STITCHES_BEFORE_CORNER} stitches before corner ${corner}. ${lift}`;
    case 'along the side':
      return `Begin along side ${side}, a third of the way on. ${lift}`;
  }
}

/** Into what a round is joined, and how many stitches lie between the last corner and the join. */
function joinWords(plan: Plan, round: number, language: Language): string {
  const { start } = plan.hem.base;
  const slip = language === 'us' ? 'a sl st' : 'an ss';
  const into = start.chainCounts ? 'the top of the starting chain' : 'the first stitch';
  const join = `Join with ${slip} to ${into}: it is not a stitch, do not count or work it.`;
  if (plan.body.outline.turns.length === 0) return join;
  const before = (start.side - 1 + plan.sides.length) % plan.sides.length;
  const side = start.at === 'before the corner' ? before : start.side;
  const count = plan.rounds[round]!.sides[side]!.tally.stitches;
  const gained = Math.round((count - plan.sides[side]!.count) / 2);
  const between = stitchesToJoin(start, gained, count);
  if (between === null) return `${join} Slip to the corner’s centre, where the next round begins.`;
  return round === 0
    ? join
    : `${join} Between the last corner’s centre and the join: ${plural(between, 'stitch')}.`;
}

/** What a corner's centre is, in words that fit “3 sc in …”. */
function cornerPlaceWords(ring: Ring, centre: Centre): string {
  if (centre.length === 2) return 'between the two corner sts';
  const { chains } = ring.made[centre.start]!;
  return chains > 0 ? `the corner ch-${chains} sp` : 'the corner st';
}

function roundSections(plan: Plan, language: Language): readonly Section[] {
  return plan.rounds.slice(1).map((round) => {
    const { recipe, name, entry } = round.written!;
    const below = plan.rounds[round.onto]!;
    const colourChange = plan.rounds[round.number - 1]!.yarnId !== round.yarnId;
    const lines = [
      ...(colourChange ? [`Fasten off and join ${yarnName(plan, round.yarnId)}.`] : []),
      ...(round.written!.entry.hookMm ? [`Hook ${hookLabel(round.written!.entry.hookMm)}.`] : []),
      ...((entry.facing ?? recipe.facing) === 'wrong'
        ? ['Turn the piece over: the wrong side faces you in this round.']
        : []),
      ...(recipe.surface
        ? [`Work on the face of round ${below.number}; the next round goes into round ${below.number} too.`]
        : []),
      startWords(plan, plainStitchOf(recipe).kind, round.number),
      ...roundCornerLines(plan, round, language),
      sideWords(plan, round, language),
      ...repeatsLine(plan, round),
      ...changesLine(plan, round),
      ...plan.problems
        .filter((p) => p.place === `round ${round.number}`)
        .map((p) => `Take care: ${problemLine(p)}`),
      ...(round.written!.family?.caution ? [`Caution: ${round.written!.family.caution}`] : []),
      joinWords(plan, round.number, language),
      countsLine(round, plan),
    ];
    return {
      heading: `Round ${round.number}: ${name.toLowerCase()} (${yarnName(plan, round.yarnId)})`,
      lines,
    };
  });
}

function sideWords(plan: Plan, round: RoundPlan, language: Language): string {
  const { recipe } = round.written!;
  const where = recipe.scope === 'ring' || plan.body.outline.turns.length === 0 ? 'All round' : 'Each side';
  const lopsided = round.sides.some((s) => s.fit?.lopsided);
  const steps = lopsided && recipe.lopsided ? recipe.lopsided : recipe.side;
  const until = where === 'Each side' ? 'to the corner' : 'to the end of the round';
  const words = printSteps(steps, language);
  return `${where}: ${words}${words.includes('*') ? `; repeat from * to * ${until}` : ''}.`;
}

function repeatsLine(plan: Plan, round: RoundPlan): readonly string[] {
  const { recipe } = round.written!;
  if (isPlain(patternSteps(recipe.side))) return [];
  if (recipe.scope === 'ring' || plan.body.outline.turns.length === 0) {
    return [`Repeats: ${round.sides[0]!.fit!.repeats} in the round.`];
  }
  return [`Repeats: ${round.sides.map((s, i) => `${plan.sides[i]!.name} ${s.fit!.repeats}`).join(' · ')}.`];
}

/** Quiet changes, where they fall. */
function changesLine(plan: Plan, round: RoundPlan): readonly string[] {
  const plain = isPlain(patternSteps(round.written!.recipe.side));
  const parts = round.sides.flatMap(({ fit }, i) => {
    const change = fit?.change ?? 0;
    if (change === 0) return [];
    const times = Math.abs(change) === 1 ? 'once' : `${Math.abs(change)} times, evenly`;
    const nearby = Math.abs(change) === 1 ? 'at the first skip' : 'at the first skip and the last';
    const what = plain
      ? `${change > 0 ? '2 in one place' : '2 together'} ${times}`
      : `skip one ${change > 0 ? 'more' : 'fewer'} ${nearby}`;
    return [`on ${plan.sides[i]!.name} ${what}`];
  });
  return parts.length > 0 ? [`Quiet change: ${parts.join('; ')}.`] : [];
}

/** What goes into each corner of a round, corners that take the same told together. */
function roundCornerLines(plan: Plan, round: RoundPlan, language: Language): readonly string[] {
  const { recipe } = round.written!;
  if (plan.body.outline.turns.length === 0) return [];
  const below = plan.rounds[round.onto]!;
  const recipes = cornersOfRound(round, plan);
  const byWords = new Map<string, string[]>();
  recipes.forEach((corner, side) => {
    const centre = below.ring.centres[side]!;
    const words = cornerWords(corner, below.ring, centre, language);
    byWords.set(words, [...(byWords.get(words) ?? []), cornerName(plan, side)]);
  });
  if (recipe.scope === 'ring' && recipe.corner.group.length === 0) return [];
  const all = byWords.size === 1;
  return [...byWords].map(([words, names]) => `Corner${all ? '' : `s ${listWords(names)}`}: ${words}.`);
}

/** The recipe of every corner of a round as it was worked. */
function cornersOfRound(round: RoundPlan, plan: Plan): readonly CornerRecipe[] {
  const { recipe } = round.written!;
  const below = plan.rounds[round.onto]!.heightMm / round.stitchWidthMm;
  return (
    circumstancesOf(round.written!, plan.body.outline, below).corners ??
    plan.body.outline.turns.map(() => recipe.corner)
  );
}

function cornerWords(corner: CornerRecipe, ring: Ring, centre: Centre, language: Language): string {
  if (centre.length === 2 && corner.pair) {
    return `${printGroup(corner.pair[0], language)} in the first of the pair of corner sts, ${printGroup(corner.pair[1], language)} in the second`;
  }
  const together = corner.group[0]?.form === 'together';
  if (together) return `${printGroup(corner.group, language)} over the corner st and its neighbours`;
  if (corner.skipped) return 'nothing';
  return printCorner(corner, language, cornerPlaceWords(ring, centre)).replace('in between', 'between');
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
