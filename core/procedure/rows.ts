/** Rows along a part of a piece: each begins in one end stitch of the row below and ends in the other. */
import { firstStitchOf } from './first.ts';
import { isKnotted, orderOfWork, sideAfter, sitsSomewhere } from './order.ts';
import type { Part } from '../piece/part.ts';
import type { Plan, RoundPlan } from '../plan/types.ts';
import type { StartOfRound } from '../base/start.ts';
import type { RoundStart } from './roundStart.ts';

/** The corners of the outline at which a row begins and ends. */
export function endsOfRow({ first, last }: Part, { backwards }: RoundPlan): readonly [number, number] {
  return backwards ? [last, first] : [first, last];
}

/** Corners and sides of a row as it meets them, the corner at its end without a side. */
export function alongRow(
  part: Part,
  round: RoundPlan,
): readonly { readonly corner: number; readonly side: number | null }[] {
  const corners = round.ring.centres.length;
  const { travel } = orderOfWork(round);
  const [from, to] = endsOfRow(part, round);
  const met: { corner: number; side: number | null }[] = [];
  for (let corner = from; corner !== to; corner = (corner + travel + corners) % corners)
    met.push({ corner, side: sideAfter(corner, corners, travel) });
  return [...met, { corner: to, side: null }];
}

/** The start of a row; null for one that has nothing to be worked into. */
export function startOfRow(plan: Plan, round: RoundPlan, part: Part, wish: StartOfRound): RoundStart | null {
  const order = orderOfWork(round);
  const [from, to] = endsOfRow(part, round);
  const at = round.layout.corners[from]!.start;
  const place = order.into(at);
  if (!sitsSomewhere(place) || isKnotted(round)) return null;
  const span = round.layout.corners[to]!;
  const end = span.start + span.length - 1;
  // Where nothing goes into the end stitch, the row begins beyond it, with its pattern.
  const isBeyond = round.layout.corners[from]!.length === 0;
  const joins = isBeyond || !isYarnThere(plan, round, part, from);
  const { first, refused } = firstStitchOf(order.stitch(at), {
    ...wish,
    joinsYarn: joins,
    own: round.written?.entry.start != null,
    space: 0,
  });
  return {
    at,
    beginning: isBeyond
      ? {
          in: 'repeat',
          side: sideAfter(from, round.ring.centres.length, order.travel),
          repeat: 0,
          step: null,
        }
      : { in: 'corner', corner: from, whole: true },
    place,
    joins,
    change: null,
    anew: false,
    first,
    close: { by: 'the end of the row' },
    join: order.entry(end),
    up: [],
    down: [],
    refused: { first: refused, close: null },
  };
}

/** Whether the yarn hangs where a row begins: the row below ended there, or the last row of the piece did. */
function isYarnThere(plan: Plan, round: RoundPlan, part: Part, from: number): boolean {
  const before = plan.rounds[round.number - 1];
  if (before)
    return (
      before.number === round.onto && before.yarnId === round.yarnId && endsOfRow(part, before)[1] === from
    );
  const { lastRow } = plan.hem.base.start;
  return lastRow !== 'cut' && from === (lastRow === 'right side' ? 1 : 0);
}
