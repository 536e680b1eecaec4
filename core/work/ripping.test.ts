import { describe, expect, test } from '@jest/globals';
import type { Hem } from '../document/hem.ts';
import { noted } from '../document/record.ts';
import { performed } from '../edits/edit.ts';
import { withdrawn } from '../edits/adjustments.ts';
import { plan } from '../plan/planner.ts';
import type { Plan } from '../plan/types.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { after } from '../testing/worked.ts';
import { placesToRipTo, progressOf, stepDone, stepInHand } from './progress.ts';
import { causesOf } from './recount.ts';
import { repaired, repairsOf } from './repairs.ts';
import { finishedSides } from './sides.ts';

const design: Hem = rowsHem({ rounds: [entry({ id: 'a', times: 2 }), entry({ id: 'b', stitch: 'hdc' })] });

const stepped = (hem: Hem, until: (p: Plan) => boolean): Hem => {
  let now = hem;
  for (let p = plan(now); !until(p); p = plan(now)) now = after(now, stepDone(p, stepInHand(p, 'side')!));
  return now;
};
const whole = (p: Plan): number => finishedSides(p, 0, progressOf(p).made).filter(Boolean).length;
const countOf = (hem: Hem, round: number, side: number): number =>
  plan(hem).rounds[round]!.sides[side]!.tally.stitches;
/** As the page does it: what comes off is noted, and what was changed for it is taken back. */
function rippedBack(hem: Hem, by: (p: Plan) => ReturnType<typeof placesToRipTo>[number]): Hem {
  const { deed } = by(plan(hem));
  const change = withdrawn(hem, noted(hem.record, deed, 'here', hem.changed));
  const outcome = change ? performed(hem, change) : { ok: true as const, value: hem };
  if (!outcome.ok) throw new Error('refused');
  return after(outcome.value, [deed]);
}

describe('a count that was found, and made up for in a later round', () => {
  // Three sides done, two stitches too few on A, made up for in the next plain round.
  const three = stepped(design, (p) => progressOf(p).begun && whole(p) >= 3);
  const at = plan(three);
  const { made } = progressOf(at);
  const planned = at.rounds[0]!.sides[0]!.tally.stitches;
  const found = [planned - 2, null, null, null];
  const repair = repairsOf(at, 0, found, made, causesOf(at, 0, found, made)).find((r) => r.kind === 'quiet')!;
  const mended = repaired(three, repair)!;
  const onward = stepped(mended, (p) => whole(p) === 4 || progressOf(p).begun === false);

  test('says what it answers and what it changed', () => {
    expect(mended.record.at(-1)).toMatchObject({
      did: 'repaired',
      off: [-2, 0, 0, 0],
      adjusted: [{ round: { entry: 'a', index: 0 }, side: 0, from: 0, to: 2 }],
    });
  });

  test('stays found while its own stitches stay, and so does what makes up for it', () => {
    const back = rippedBack(onward, (p) => placesToRipTo(p)[0]!);
    expect(plan(back).rounds[0]!.done!.stitches).toBeGreaterThan(0);
    expect(countOf(back, 0, 0)).toBe(planned - 2);
    expect(back.rounds[0]!.changes).toEqual({ '0': [2, 0, 0, 0] });
    expect(countOf(back, 1, 0)).toBe(at.rounds[1]!.sides[0]!.tally.stitches);
  });

  test('is given up with its stitches, and with it what makes up for it', () => {
    const back = rippedBack(onward, (p) => placesToRipTo(p).at(-1)!);
    expect(plan(back).rounds[0]!.done).toBeNull();
    expect(countOf(back, 0, 0)).toBe(planned);
    expect(back.rounds).toEqual(design.rounds);
  });

  test('keeps a change that was made otherwise since', () => {
    const [first, ...others] = onward.rounds;
    const changed = { ...onward, rounds: [{ ...first!, changes: { '0': [3, 0, 0, 0] } }, ...others] };
    expect(rippedBack(changed, (p) => placesToRipTo(p).at(-1)!).rounds).toEqual(changed.rounds);
  });

  test('goes with what makes up for it when the repair is struck', () => {
    const { id, round } = mended.record.at(-1)!;
    const struck = after(mended, [{ did: 'struck', round, entry: id, counts: false, grams: null }]);
    const change = withdrawn(mended, struck.record)!;
    expect(performed(mended, change)).toMatchObject({ ok: true, value: { rounds: design.rounds } });
  });

  test('another side that is counted later leaves it found', () => {
    const round = { entry: null, index: 0 };
    const later = after(mended, [
      { did: 'counted', round, counts: [null, countOf(mended, 0, 1), null, null] },
    ]);
    expect(plan(later).rounds[0]!.done!.found.slice(0, 2)).toEqual([planned - 2, countOf(mended, 0, 1)]);
  });
});
