/** Choices of a round by its looks: every option, and the hem with it, up to that round. */
import type { Hem, RoundEntry } from '../document/hem.ts';
import { chooseRound, type EntryChoice } from '../edits/rounds.ts';
import { turnedCorners } from '../piece/outline.ts';
import type { Plan } from '../plan/types.ts';
import { familyById } from '../rounds/registry.ts';
import { goesOnFrom, writtenRounds } from '../stack/stack.ts';

/** Field that the choice is about, as the fields of an entry are called. */
export type ChoiceKind = 'corner' | 'stitch' | 'loop' | 'into' | 'size' | 'facing' | 'anew';

export interface Option {
  readonly kind: ChoiceKind;
  readonly choice: EntryChoice;
  readonly chosen: boolean;
}

/** The options of an entry, kind by kind; a kind that leaves no choice is left out. */
export function optionsOf(plan: Plan, entry: RoundEntry): readonly (readonly Option[])[] {
  const family = familyById(entry.family);
  const option = <K extends ChoiceKind>(kind: K, values: readonly RoundEntry[K][]): readonly Option[] =>
    values.map((value) => ({ kind, choice: { [kind]: value }, chosen: entry[kind] === value }));
  return [
    ...(family
      ? [
          turnedCorners(plan.body.outline).length === 0 ? [] : option('corner', family.corners),
          option('stitch', family.stitches),
          // Only stitches have loops.
          entry.into === 'stitch' ? option('loop', family.loops) : [],
          option('into', family.places),
          family.sizedCorner === null || family.sizedCorner === entry.corner
            ? option('size', family.sizes)
            : [],
        ]
      : []),
    canGoOn(plan.hem, entry) ? option('anew', [false, true]) : [],
    option('facing', [null, 'right', 'wrong']),
  ].filter((options) => options.length > 1);
}

/** Whether the entry below is of the same family, and it makes a difference whether its pattern goes on. */
function canGoOn({ rounds }: Hem, entry: RoundEntry): boolean {
  const at = rounds.findIndex((r) => r.id === entry.id);
  if (!goesOnFrom(rounds[at - 1], { ...entry, anew: false })) return false;
  const recipes = [true, false].map((anew) => {
    const upTo = [...rounds.slice(0, at), { ...entry, anew }];
    return writtenRounds(upTo).rounds.flatMap((r) => (r.entry.id === entry.id ? [r.recipe] : []));
  });
  return recipes[0]!.some((recipe, k) => recipe !== recipes[1]![k]);
}

/** A hem with an option taken, without the rounds above: what the option itself looks like. */
export function withOption(hem: Hem, entry: RoundEntry, { choice }: Option): Hem {
  const outcome = chooseRound(entry, '', choice).on(hem);
  const { rounds } = outcome.ok ? outcome.value : hem;
  return { ...hem, rounds: rounds.slice(0, rounds.findIndex((r) => r.id === entry.id) + 1) };
}
