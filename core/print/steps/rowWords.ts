/** Rows along a part of a piece in words: the end stitches, and which sides are worked. */
import { printGroup } from '../../notation/print.ts';
import { endSpot } from '../../piece/along.ts';
import { roleOf } from '../../piece/part.ts';
import { sidesWorked, type Plan } from '../../plan/types.ts';
import type { ActOf, Procedure } from '../../procedure/acts.ts';
import { endsOfRow } from '../../procedure/rows.ts';
import { listWords } from '../../say/lists.ts';
import type { Language } from '../../terms/stitches.ts';
import { cornerName, cornerOfEdge } from '../placeWords.ts';

/** Whether a corner is an end of the rows. */
export const isRowEnd = ({ body: { outline } }: Plan, corner: number): boolean =>
  ['first', 'last'].includes(roleOf(outline.part, corner, outline.turns.length));

/** The place of the end stitch at a corner: “the end stitch of corner D/A”, “the first st”, “the last st”. */
function endPlaceWords(plan: Plan, { round }: Procedure, corner: number): string {
  if (round.onto < 0) return cornerOfEdge(plan, corner);
  const { part } = plan.body.outline;
  return part && endsOfRow(part, round)[0] === corner ? 'the first st' : 'the last st';
}

/** Work at an end of a row: “3 hdc in the last st”; nothing where the row passes it over. */
export function endStitchWords(
  plan: Plan,
  procedure: Procedure,
  { corner, recipe }: ActOf<'corner'>,
  language: Language,
): string {
  if (recipe.group.length === 0) return 'nothing';
  const into = recipe.group.some((s) => s.post !== 'none') ? 'around' : 'in';
  return `${printGroup(recipe.group, language)} ${into} ${endPlaceWords(plan, procedure, corner)}`;
}

/** Sides that rows go along, and what is not worked: “Work in rows along sides A and B alone.”; null all round. */
export function rowsWords(plan: Plan): string | null {
  const { part } = plan.body.outline;
  if (!part) return null;
  const names = sidesWorked(plan).map((side) => plan.sides[side]!.name);
  const at = (corner: number): string =>
    endSpot(plan.body, corner) === null ? `corner ${cornerName(plan, corner)}` : cornerOfEdge(plan, corner);
  const cut = plan.hem.base.part?.cut ?? false;
  const how = cut ? 'Cut the yarn after every row and begin each at the same end' : 'Turn after every row';
  return `Work in rows along ${names.length === 1 ? 'side' : 'sides'} ${listWords(names)} alone, from ${at(part.first)} to ${at(part.last)}. ${how}. The first and the last st of a row are its end sts, and are counted with their side.`;
}
