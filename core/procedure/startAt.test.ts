import { describe, expect, test } from '@jest/globals';
import { ownStartOf } from '../base/start.ts';
import { chanceOf } from '../chance.ts';
import { plan } from '../plan/planner.ts';
import { isChainRun, isOrnament } from '../ring/stitch.ts';
import { PIECES, on, small } from '../testing/anyHem.ts';
import { entry } from '../testing/hems.ts';
import { seeds } from '../testing/seeds.ts';
import { proceduresOf } from './procedure.ts';
import { orderOfWork } from './order.ts';
import { startAt } from './startAt.ts';

describe('a plain round begins with the stitch that was pointed at', () => {
  test.each(seeds(30))('seed %i', (seed) => {
    const chance = chanceOf(seed);
    const [, piece] = chance.pick(PIECES);
    const facing = chance.pick([null, 'wrong'] as const);
    const hem = on(piece, small({ rounds: [entry({ facing })] }));
    const [, round] = plan(hem).rounds;
    const pointed = chance.int(0, round!.ring.made.length - 1);
    const found = startAt(round!, pointed);
    if (!found || found.at !== 'counted' || isChainRun(round!.ring.made[pointed]!)) return;
    if (isOrnament(round!.ring.made[pointed]!)) return;
    const start = { ...ownStartOf(hem.base.start), ...found };
    const again = plan({ ...hem, rounds: [entry({ facing, start })] });
    const { at } = proceduresOf(again)[1]!.start!;
    expect(orderOfWork(again.rounds[1]!).entry(at)).toBe(pointed);
  });

  test('a stitch of a corner begins that corner, and a circle begins anywhere', () => {
    const [, round] = plan(small({ rounds: [entry()] })).rounds;
    const { start } = round!.layout.corners[2]!;
    expect(startAt(round!, start)).toMatchObject({ at: 'whole corner', side: 2 });
    expect(startAt(round!, start + 1)).toMatchObject({ at: 'stitch of the corner', side: 2, stitches: 2 });
    const [, disc] = PIECES.find(([name]) => name === 'a disc')!;
    expect(startAt(plan(on(disc, small({ rounds: [entry()] }))).rounds[1]!, 3)).toBeNull();
  });
});
