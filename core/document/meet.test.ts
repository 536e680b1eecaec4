import { describe, expect, test } from '@jest/globals';
import { plan } from '../plan/planner.ts';
import { chanceOf } from '../chance.ts';
import { seeds } from '../testing/seeds.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { after, workedInto } from '../testing/worked.ts';
import type { Hem } from './hem.ts';
import { meet } from './meet.ts';
import { keyOf } from './record.ts';

const hem: Hem = rowsHem({ rounds: [entry({ id: 'a', times: 2 }), entry({ id: 'b', yarn: 'y2' })] });
const renamed = { ...hem, name: 'For the hall' };
const earlier = (of: Hem, carried = false) => ({ hem: of, carried });
const slower: Hem = { ...hem, pace: 9 };

describe('two copies that meet', () => {
  test('with one design need no choice', () => {
    expect(meet(hem, hem, [])).toMatchObject({ changed: 'neither', differing: [] });
  });

  test('go on with the design that was changed since they parted', () => {
    expect(meet(hem, renamed, [])).toMatchObject({ changed: 'there', differing: ['name'] });
    // The other one is an earlier version of this one.
    expect(meet(renamed, hem, [earlier(hem)])).toMatchObject({ changed: 'here', differing: ['name'] });
  });

  test('of which both were changed can be taken together, unless both changed the same', () => {
    const parted = meet(renamed, slower, [earlier(hem)]);
    expect(parted.changed).toBe('both');
    expect(parted.together).toMatchObject({ name: 'For the hall', pace: 9 });
    expect([parted.here.pace, parted.there.name]).toEqual([hem.pace, hem.name]);
    const same = meet(renamed, { ...hem, name: 'For the stairs' }, [earlier(hem)]);
    expect(same).toMatchObject({ changed: 'both', together: null });
    // What was carried there is known: the name was changed there alone then.
    const onlyThere = meet(renamed, { ...hem, name: 'For the stairs' }, [
      earlier(renamed, true),
      earlier(hem),
    ]);
    expect(onlyThere).toMatchObject({ changed: 'there' });
  });

  test('have all that was done on either, whoever meets whom and however often', () => {
    const begun = workedInto(hem, 1, 0.3).hem;
    const { round } = begun.record.at(-1)!;
    for (const seed of seeds(60)) {
      const chance = chanceOf(seed);
      let copies = ['laptop', 'phone', 'tablet'].map((device) => ({ device, hem: begun }));
      for (let k = 0; k < 12; k++) {
        const [a, b] = [chance.int(0, 2), chance.int(0, 2)];
        copies = copies.map((copy, i) => {
          if (i !== a) return copy;
          if (chance.maybe(0.5)) {
            const stitches = chance.int(1, 200);
            return { ...copy, hem: after(copy.hem, [{ did: 'made', round, stitches }], copy.device) };
          }
          const met = meet(copy.hem, copies[b]!.hem, []);
          for (const one of [met.here, met.there]) {
            const keys = new Set(one.record.map(keyOf));
            for (const event of [...copy.hem.record, ...copies[b]!.hem.record])
              expect(keys.has(keyOf(event))).toBe(true);
          }
          return { ...copy, hem: met.here };
        });
      }
      const [laptop, phone, tablet] = copies.map((c) => c.hem) as [Hem, Hem, Hem];
      const left = meet(meet(laptop, phone, []).here, tablet, []).here.record;
      const right = meet(tablet, meet(phone, laptop, []).here, []).here.record;
      expect(left).toEqual(right);
      expect(meet(meet(laptop, phone, []).here, phone, []).here.record).toEqual(
        meet(laptop, phone, []).here.record,
      );
      expect(plan({ ...laptop, record: left }).rounds.length).toBe(plan(laptop).rounds.length);
    }
  });
});
