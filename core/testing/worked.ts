/** Hems that have been worked on, for tests. */
import type { Hem } from '../document/hem.ts';
import { noted, type Deed } from '../document/record.ts';
import { plan } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import { entry, rowsHem } from './hems.ts';
import { stepDone, stepInHand, workedUpTo } from '../work/progress.ts';

const WHEN = '2026-02-03T10:00:00.000Z';

/** A border with plain rounds, a pattern that must fit, and an edge that takes any count. */
export const varied: Hem = rowsHem({
  counts: [41, 53, 41, 53],
  rounds: [
    entry({ id: 'a', times: 2 }),
    entry({ id: 's', family: 'shell', stitch: 'hdc', corner: 'three' }),
    entry({ id: 'z', family: 'reverse-edge' }),
  ],
});

/** A hem with something more done to it. */
export const after = (hem: Hem, deeds: readonly Deed[], device = 'here', at = WHEN): Hem => ({
  ...hem,
  record: deeds.reduce((all, deed) => noted(all, deed, device, at), hem.record),
});

/** All rounds up to a number worked as planned, and the next begun and made up to a part of it. */
export function workedInto(of: Hem, number: number, part: number): Plan {
  const before = number === 0 ? plan(of) : plan(after(of, workedUpTo(plan(of), number - 1)));
  const made = Math.round(before.rounds[number]!.ring.made.length * part);
  const first = stepDone(before, stepInHand(before, 'side')!);
  const round = first.find((d) => d.did === 'began')!.round;
  return plan(after(before.hem, [...first, { did: 'made', round, stitches: made }]));
}
