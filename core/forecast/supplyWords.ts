/** Whether the yarn lasts, in words. */
import { basketPieces, basketReach, type BallEnd } from './supply.ts';
import { isDisc } from '../piece/outline.ts';
import type { Plan } from '../plan/types.ts';
import { listWords } from '../say/lists.ts';
import { roundIn } from '../plan/roundNames.ts';
import { yarnOf } from '../document/hem.ts';

/** How far what is in the basket goes: “Your yarn: safe to the end of round 3, doubtful in round 4.” */
export function basketWords(plan: Plan): string | null {
  const reach = basketReach(plan);
  if (!reach) return null;
  const names = reach.unsaid.map((id) => yarnOf(plan.hem, id).name);
  const rest = names.length === 0 ? '' : ` Say how much ${listWords(names)} is here to have it counted too.`;
  const pieces = plan.hem.alike.count > 1 ? basketPieces(plan) : null;
  if (pieces) return `Your yarn: ${piecesWords(pieces, plan.hem.alike.count)}.${rest}`;
  const { safe, doubtful, out } = reach;
  const parts = [
    ...(doubtful === null ? ['enough for the whole border'] : []),
    ...(doubtful !== null && safe >= 0 ? [`safe to the end of ${roundIn(plan, safe)}`] : []),
    ...(doubtful !== null && doubtful !== out ? [`doubtful in ${roundIn(plan, doubtful)}`] : []),
    ...(out === null ? [] : [`not enough for ${roundIn(plan, out)}`]),
  ];
  return `Your yarn: ${parts.join(', ')}.${rest}`;
}

/** “surely enough for 5 of 24 pieces, at most for 7, joining not counted” */
function piecesWords({ safe, most }: { readonly safe: number; readonly most: number }, of: number): string {
  const surely = safe >= of ? `enough for all ${of} pieces` : `surely enough for ${safe} of ${of} pieces`;
  return `${surely}${most > safe ? `, at most for ${most}` : ''}, joining not counted`;
}

/** Where a ball ends: “Ball 2 of Oat cream ends on side C of round 3 (rounds 3 to 4).” */
export function ballEndWords(plan: Plan, { yarnId, ball, round, side, earliest, latest }: BallEnd): string {
  const { name } = yarnOf(plan.hem, yarnId);
  const where = isDisc(plan.body.outline) ? 'in' : `on side ${plan.sides[side]!.name} of`;
  const range =
    earliest === latest ? '' : ` (somewhere from ${roundIn(plan, earliest)} to ${roundIn(plan, latest)})`;
  return `Ball ${ball} of ${name} ends about here, ${where} ${roundIn(plan, round)}${range}.`;
}
