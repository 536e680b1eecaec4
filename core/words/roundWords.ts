/** A round after the base round in words, and rounds that repeat folded into one telling. */
import { printCorner, printGroup, printSteps } from '../notation/print.ts';
import type { Plan, RoundPlan } from '../plan.ts';
import { problemLine } from '../problems.ts';
import { patternOf as patternSteps, waysOf, type CornerRecipe, type Instruction } from '../ring/recipe.ts';
import type { Centre, Ring } from '../ring/ring.ts';
import { isPlain, plainStitchOf } from '../ring/work.ts';
import { circumstancesOf } from '../stack/stack.ts';
import type { Language } from '../terms/stitches.ts';
import { hookLabel } from '../terms/yarnWeights.ts';
import { listWords } from '../base/run.ts';
import { cornersLine, grouped } from './grouping.ts';
import { plural } from './measures.ts';
import { stitchesToJoins } from './joins.ts';
import { cornerName, joinWords, startWords } from './startWords.ts';

export interface RoundLine {
  readonly kind: 'plain' | 'written' | 'care' | 'caution';
  readonly text: string;
}

/** Rounds that are worked and told alike: one, or several running. */
export interface FoldedRounds {
  readonly rounds: readonly RoundPlan[];
  /** What comes before the first of them: a change of colour. */
  readonly lead: string | null;
  readonly lines: readonly RoundLine[];
}

/** The rounds after the base round; those of one entry that read alike are folded. */
export function foldRounds(plan: Plan, language: Language): readonly FoldedRounds[] {
  const folded: { rounds: RoundPlan[]; lead: string | null; lines: readonly RoundLine[] }[] = [];
  for (const round of plan.rounds.slice(1)) {
    const lines = roundLines(plan, round, language);
    const changes = plan.rounds[round.number - 1]!.yarnId !== round.yarnId;
    const last = folded[folded.length - 1];
    const same =
      !changes &&
      last?.rounds[0]!.written!.entry === round.written!.entry &&
      last.lines.length === lines.length &&
      last.lines.every((l, i) => l.text === lines[i]!.text);
    const lead = changes ? `Fasten off and join ${yarnName(plan, round.yarnId)}.` : null;
    if (same) last.rounds.push(round);
    else folded.push({ rounds: [round], lead, lines });
  }
  return folded;
}

/** What is done in a round; counts, which differ from round to round, are told apart from it. */
function roundLines(plan: Plan, round: RoundPlan, language: Language): readonly RoundLine[] {
  const { recipe, entry, family } = round.written!;
  const below = plan.rounds[round.onto]!;
  const plain = (text: string): RoundLine => ({ kind: 'plain', text });
  const written = (text: string): RoundLine => ({ kind: 'written', text });
  return [
    ...(entry.hookMm ? [plain(`Hook ${hookLabel(entry.hookMm)}.`)] : []),
    ...turnLine(plan, round).map(plain),
    ...(recipe.surface
      ? [
          plain(
            `Work on the face of round ${below.number}; the next round goes into round ${below.number} too.`,
          ),
        ]
      : []),
    plain(startWords(plan, plainStitchOf(recipe).kind, round.number)),
    ...cornerLines(plan, round, language).map(written),
    ...sideLines(plan, round, language).map(written),
    ...changesLine(plan, round).map(written),
    ...plan.problems
      .filter((p) => p.place === `round ${round.number}`)
      .map((p): RoundLine => ({ kind: 'care', text: `Take care: ${problemLine(p)}` })),
    ...(family?.caution ? [{ kind: 'caution' as const, text: `Caution: ${family.caution}` }] : []),
    plain(joinWords(plan, language)),
  ];
}

/** Which face of the fabric a round is worked from. */
const facingOf = ({ written }: RoundPlan): 'right' | 'wrong' =>
  written ? (written.entry.facing ?? written.recipe.facing) : 'right';

/** Only where the face changes is the work turned. */
function turnLine(plan: Plan, round: RoundPlan): readonly string[] {
  const facing = facingOf(round);
  if (facing === facingOf(plan.rounds[round.number - 1]!)) return [];
  return [
    facing === 'wrong'
      ? 'Turn: the wrong side faces you now. The sides come in the other order.'
      : 'Turn back: the right side faces you again.',
  ];
}

/** What is done along each side, sides that are worked alike told together; the recipe's own way comes first. */
function sideLines(plan: Plan, round: RoundPlan, language: Language): readonly string[] {
  const { recipe } = round.written!;
  const line = (where: string, steps: readonly Instruction[], until: string): string => {
    const words = printSteps(steps, language);
    return `${where}: ${words}${words.includes('*') ? `; repeat from * to * ${until}` : ''}.`;
  };
  if (recipe.scope === 'ring' || plan.body.outline.turns.length === 0) {
    const lopsided = round.sides[0]!.fit!.lopsided && recipe.lopsided;
    const { own } = waysOf(recipe, plan.body.outline.turns.length > 0);
    const where = plan.body.outline.turns.length === 0 ? 'All round' : 'All round, past the corners';
    return [line(where, lopsided || own, 'to the end of the round')];
  }
  const names = (lopsided: boolean): readonly string[] =>
    round.sides.flatMap((s, i) => (s.fit!.lopsided === lopsided ? [plan.sides[i]!.name] : []));
  const own = names(false);
  const other = names(true);
  const until = 'to the corner';
  if (other.length === 0) return [line('Each side', recipe.side, until)];
  if (own.length === 0) return [line('Each side', recipe.lopsided!, until)];
  const where = (list: readonly string[]): string =>
    `${list.length === 1 ? 'Side' : 'Sides'} ${listWords(list)}`;
  return [line(where(own), recipe.side, until), line(where(other), recipe.lopsided!, until)];
}

/** How often the repeat is worked; nothing for a plain round, whose repeats are its stitches. */
export function repeatsWords(plan: Plan, round: RoundPlan): string | null {
  const { recipe } = round.written!;
  if (isPlain(patternSteps(recipe.side))) return null;
  if (recipe.scope === 'ring' || plan.body.outline.turns.length === 0) {
    return `Repeats: ${round.sides[0]!.fit!.repeats} in the round.`;
  }
  return `Repeats: ${round.sides.map((s, i) => `${plan.sides[i]!.name} ${s.fit!.repeats}`).join(' · ')}.`;
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
function cornerLines(plan: Plan, round: RoundPlan, language: Language): readonly string[] {
  const { recipe } = round.written!;
  if (plan.body.outline.turns.length === 0) return [];
  if (recipe.scope === 'ring' && recipe.corner.group.length === 0) return [];
  const below = plan.rounds[round.onto]!;
  const words = cornersOfRound(round, plan).map((corner, side) =>
    cornerWords(corner, below.ring, below.ring.centres[side]!, language),
  );
  return cornersLine(grouped(words), (side) => cornerName(plan, side));
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

/** What goes into a corner. What stands here, the reader of patterns takes apart again. */
function cornerWords(corner: CornerRecipe, ring: Ring, centre: Centre, language: Language): string {
  if (centre.length === 2 && corner.pair) {
    return `${printGroup(corner.pair[0], language)} in the first of the pair of corner sts, ${printGroup(corner.pair[1], language)} in the second`;
  }
  if (corner.group[0]?.form === 'together') {
    return `${printGroup(corner.group, language)} over the corner st and its neighbours`;
  }
  if (corner.skipped) return 'nothing';
  return printCorner(corner, language, cornerPlaceWords(ring, centre)).replace('in between', 'between');
}

/** What a corner's centre is, in words that fit “3 sc in …”. */
function cornerPlaceWords(ring: Ring, centre: Centre): string {
  if (centre.length !== 1) return 'between the two corner sts';
  const chains = ring.made[centre.start]?.chains ?? 0;
  return chains > 0 ? `the corner ch-${chains} sp` : 'the corner st';
}

/** Counts of a round per side and in total, with where its join lies. @param named tells which round it is */
export function countsLine(round: RoundPlan, plan: Plan, named = false): string {
  const sides = round.sides.map(
    (s, i) =>
      `${plan.sides[i]!.name} ${s.tally.stitches}${s.tally.spaces ? ` and ${plural(s.tally.spaces, 'ch-sp')}` : ''}`,
  );
  const between = round.number === 0 ? null : stitchesToJoins(plan)[round.number]!;
  const join =
    between === null ? '' : ` Between the last corner’s centre and the join: ${plural(between, 'stitch')}.`;
  const of = named ? ` after round ${round.number}` : '';
  return `Counts${of}: ${sides.join(' · ')} · ${round.total} stitches in all.${join}`;
}

/** Name of a yarn by its id. */
export const yarnName = (plan: Plan, id: string): string => plan.hem.yarns.find((y) => y.id === id)!.name;
