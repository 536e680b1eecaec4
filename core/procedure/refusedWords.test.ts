import { expect, test } from '@jest/globals';
import { plan } from '../plan/planner.ts';
import { small } from '../testing/anyHem.ts';
import { entry } from '../testing/hems.ts';
import { refusedWords } from './refusedWords.ts';

const rounds = [
  entry({ stitch: 'dc', corner: 'chain-2', times: 2 }),
  entry({ id: 'low', stitch: 'sc', corner: 'three' }),
];
const hem = small({ rounds });
const told = (start: Partial<(typeof hem)['base']['start']>): readonly string[] =>
  refusedWords(plan({ ...hem, base: { ...hem.base, start: { ...hem.base.start, ...start } } }), 'us');

test('nothing that was chosen is dropped in silence', () => {
  expect(told({})).toEqual([]);
  expect(told({ first: 'stacked' })).toEqual([
    'The base round and round 3 are begun as usual: sc are stacked in place of dc and taller.',
  ]);
  expect(told({ first: 'counted chain' })).toEqual([
    'The base round and round 3 are begun as usual: a chain in place of sc leaves a gap, and is made only where one round has a start of its own.',
  ]);
  expect(told({ first: 'standing' })).toEqual([
    'Rounds 1 to 3 are begun as usual: a standing stitch needs new yarn.',
  ]);
  expect(told({ close: 'stitch', join: 'centred' })).toEqual([
    'The base round and round 3 are closed with a slip stitch: no chain space comes before the join.',
  ]);
  expect(told({ close: 'spiral', first: 'drawn up' })).toContain(
    'The base round and rounds 1 and 2 are closed with a slip stitch: the next begins with a stitch that is made in another way.',
  );
});
