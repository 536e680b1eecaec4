/** Words for what can be chosen of a round. */
import type { ChoiceKind, Option } from './choices.ts';
import { familyById } from '../rounds/registry.ts';
import type { RoundEntry } from '../document/hem.ts';
import { cornerTreatment } from '../terms/corners.ts';
import { LOOPS } from '../terms/places.ts';
import { abbreviation, type Language } from '../terms/stitches.ts';

/** Subject of a choice: “Corner”. */
export function choiceName(kind: ChoiceKind, { family }: RoundEntry): string {
  if (kind === 'anew') return 'pattern';
  if (kind === 'size') return familyById(family)?.sizeCounts ?? 'size';
  return kind === 'into' ? 'where' : kind;
}

const INTO: Readonly<Record<RoundEntry['into'], string>> = {
  stitch: 'into the stitches',
  either: 'stitches and chain spaces',
  between: 'between the stitches',
};

/** An option as it is shown under its picture. */
export function optionWords({ choice }: Option, entry: RoundEntry, language: Language): string {
  if (choice.corner !== undefined) return cornerTreatment(choice.corner).name;
  if (choice.stitch !== undefined) return abbreviation(choice.stitch, language);
  if (choice.loop !== undefined) return LOOPS[choice.loop].name;
  if (choice.into !== undefined) return INTO[choice.into];
  if (choice.size !== undefined) return `${choice.size} ${choiceName('size', entry)}`;
  if (choice.anew !== undefined) return choice.anew ? 'begins anew' : 'goes on from below';
  return choice.facing == null ? 'as it usually faces' : `${choice.facing} side facing`;
}
