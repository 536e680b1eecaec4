import { describe, expect, test } from '@jest/globals';
import { demoHems } from '../../demo/read.ts';
import { evidenceOf, evidenceOfEach } from '../evidence/evidence.ts';
import { plan } from '../plan/planner.ts';
import { stepsOf } from '../work/steps.ts';
import { CORE_PROBLEM_CODES } from '../problemRegistry.ts';
import { problemLine } from '../problems.ts';
import { chanceOf, type Chance } from '../chance.ts';
import { everythingOf, nonsenseIn } from '../testing/everything.ts';
import { patience, seeds, withSeed } from '../testing/seeds.ts';
import { checkHem, readHem, writeHem } from './check.ts';
import type { Hem } from './hem.ts';
import { salvageHem } from './salvage.ts';

const HEMS = demoHems();
const NOW = new Date('2026-01-01T00:00:00Z');

/** Values that stand at the edge of what a place takes, or beyond it. */
const ODD: readonly unknown[] = [
  0,
  -1,
  1,
  2,
  3,
  0.5,
  20,
  50,
  100,
  400,
  5000,
  20_000,
  1e9,
  -1e9,
  1e308,
  Number.MAX_SAFE_INTEGER,
  null,
  true,
  '',
  ' ',
  'x',
  '__proto__',
  'constructor',
  '#ffffff',
  '2026-13-45T99:99:99Z',
  'each',
  'halves',
  'gauge',
  'own',
  'between',
  'gaps',
  'clusters',
  'loops',
  'three',
  'walk',
  'sixes',
  'fours',
  'angle',
  'slst',
  'dtr',
  'both',
  'together',
  'rows',
  'motif',
  'counted',
  'dots',
  'triple-picot',
  'ruffle',
  'crocodile',
  'applied-cord',
  [],
  {},
  [1, -2, 20],
  { 0: [20, -20, 20, -20] },
  { kind: 'swatch', stitch: 'sc', stitches: 1 },
  { kind: 'round', round: 9 },
  { text: 'round: *dot, sl st in each of next 3 sts*', language: 'us' },
  { text: 'side: *9999999 dc in next st*\ncorner: 3 dc in corner', language: 'uk' },
  'y'.repeat(300),
];

/** Changes one place of a value: another of the same kind, an odd value, nothing, or one of it twice. */
function mutated(value: unknown, chance: Chance, said: string[], at = ''): unknown {
  const inner = typeof value === 'object' && value !== null ? Object.keys(value) : [];
  if (inner.length > 0 && chance.maybe(0.85)) {
    const key = chance.pick(inner);
    const place = at === '' ? key : `${at}.${key}`;
    if (Array.isArray(value)) {
      const list = [...(value as unknown[])];
      const i = Number(key);
      if (chance.maybe(0.15)) {
        said.push(`${place} twice`);
        list.splice(i, 0, list[i]);
      } else if (chance.maybe(0.1)) {
        said.push(`${place} out`);
        list.splice(i, 1);
      } else list[i] = mutated(list[i], chance, said, place);
      return list;
    }
    if (chance.maybe(0.06)) {
      said.push(`${place} out`);
      return Object.fromEntries(Object.entries(value as object).filter(([k]) => k !== key));
    }
    return {
      ...(value as object),
      [key]: mutated((value as Record<string, unknown>)[key], chance, said, place),
    };
  }
  const odd =
    typeof value === 'number' && chance.maybe(0.85)
      ? chance.pick([value + 1, value - 1, value * 2, Math.round(value / 3), -value, value * 1000, 0])
      : typeof value === 'string' && value.startsWith('#') && chance.maybe(0.6)
        ? chance.pick(['#000000', '#ffffff', '#aa3344'])
        : chance.pick(ODD);
  said.push(`${at} = ${JSON.stringify(odd)?.slice(0, 40)}`);
  return odd;
}

describe('a file that was changed by chance', () => {
  test(
    'is refused with places and remedies, or can be planned and told to its end',
    () => {
      let accepted = 0;
      for (const seed of seeds(90)) {
        withSeed(seed, (said) => {
          const chance = chanceOf(seed);
          let file: unknown = JSON.parse(writeHem(chance.pick(HEMS)));
          for (let k = chance.int(1, 2); k > 0; k--) file = mutated(file, chance, said);
          const outcome = checkHem(file);
          if (!outcome.ok) {
            for (const p of outcome.problems) expect(problemLine(p)).not.toMatch(/undefined|NaN|\[object/);
            const salvaged = salvageHem(file, 'salvaged', NOW);
            if (salvaged) expect(nonsenseIn(everythingOf(plan(salvaged.hem), false))).toEqual([]);
            return;
          }
          accepted++;
          expect(nonsenseIn(everythingOf(plan(outcome.value), seed % 8 === 0))).toEqual([]);
        });
      }
      // The changes are such that a fair share gets past the check.
      expect(accepted).toBeGreaterThan(10);
    },
    patience(240_000),
  );

  test('text that was cut or garbled is answered without a parser’s words', () => {
    const text = writeHem(HEMS[0]!);
    for (const seed of seeds(40)) {
      withSeed(seed, () => {
        const chance = chanceOf(seed);
        const at = chance.int(0, text.length - 1);
        const garbled = chance.maybe(0.5)
          ? text.slice(0, at)
          : text.slice(0, at) + chance.pick(['}', ']', '"', '\0', ',,']) + text.slice(at);
        const outcome = readHem(garbled);
        if (outcome.ok) return;
        for (const p of outcome.problems) {
          expect(CORE_PROBLEM_CODES).toContain(p.code);
          expect(problemLine(p)).not.toMatch(/unexpected|token|position \d|SyntaxError/i);
        }
      });
    }
  });
});

describe('a record that was changed by chance', () => {
  const worked = HEMS.filter((hem) => hem.record.some((e) => e.did === 'began' && e.entry !== null));

  test(
    'is refused with places, or can be planned, worked on and told to its end',
    () => {
      let accepted = 0;
      for (const seed of seeds(40)) {
        withSeed(seed, (said) => {
          const chance = chanceOf(seed);
          const file = JSON.parse(writeHem(chance.pick(worked))) as { record: unknown[] };
          const began = file.record.flatMap((e, i) => ((e as { did: string }).did === 'began' ? [i] : []));
          for (let k = chance.int(1, 2); k > 0; k--) {
            const i = chance.maybe(0.7) ? chance.pick(began) : chance.int(0, file.record.length - 1);
            file.record[i] = mutated(file.record[i], chance, said, `record.${i}`);
          }
          const outcome = checkHem(file);
          const salvaged = outcome.ok ? null : salvageHem(file, 'salvaged', NOW);
          if (outcome.ok) accepted++;
          for (const hem of [outcome.ok ? outcome.value : null, salvaged?.hem ?? null])
            if (hem) {
              const made = plan(hem);
              expect(nonsenseIn(everythingOf(made, false))).toEqual([]);
              for (const round of made.rounds) stepsOf(made, round.number, 'repeat');
              evidenceOf(hem);
            }
        });
      }
      expect(accepted).toBeGreaterThan(3);
    },
    patience(240_000),
  );

  test('rounds that this version does not know keep their place and their counts, and are shown as such', () => {
    const [hem] = worked;
    const known = plan(hem!);
    const changed = {
      ...hem!,
      record: hem!.record.map((e) =>
        e.did === 'began' && e.entry
          ? { ...e, entry: { ...e.entry, family: 'knotwork', yarns: ['gone'] } }
          : e,
      ),
    };
    const outcome = checkHem(changed);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    const made = plan(outcome.value);
    const begun = made.rounds.filter((r) => r.done !== null);
    expect(begun.length).toBeGreaterThan(1);
    begun.forEach((round, k) => {
      const { counts } = round.done!;
      expect(round.sides.map((s) => s.tally.stitches)).toEqual(counts);
      expect(round.yarnId).toBe(known.rounds[k]!.yarnId);
      if (k > 0) expect(round.name).toBe('Unknown round');
    });
    expect(made.problems.filter((p) => p.code === 'round-unknown')).toHaveLength(begun.length - 1);
    expect(() => evidenceOf(outcome.value)).not.toThrow();
  });

  test('of which one cannot be planned tells nothing of the hands, and keeps no other from telling', () => {
    const [hem] = worked;
    const broken = { ...hem!, piece: null as never };
    expect(evidenceOfEach([broken, hem!])).toEqual([evidenceOf(hem!)]);
  });
});

describe('what used to be accepted though it could not be worked', () => {
  const hem = HEMS.find((h) => h.piece.kind === 'rows')!;
  const codes = (file: unknown): readonly string[] => {
    const outcome = checkHem(file);
    return outcome.ok ? [] : outcome.problems.map((p) => p.code);
  };
  const withSide = (choice: object): Hem => ({
    ...hem,
    base: { ...hem.base, sides: hem.base.sides.map((s, i) => (i === 0 ? { ...s, ...choice } : s)) },
  });

  test('a spacing that an edge does not have', () => {
    for (const school of ['loops', 'gaps', 'clusters', 'between'])
      expect(codes(withSide({ school }))).toEqual(['spacing-not-here']);
    const disc = {
      ...hem,
      piece: { kind: 'counted', sides: [{ lengthCm: 100, stitches: 140, turnDegrees: 0 }] },
      base: { ...hem.base, sides: [{ ...hem.base.sides[0]!, school: 'gaps' }] },
      kept: [],
    };
    expect(codes(disc)).toEqual(['spacing-not-here']);
  });

  test('any text as a date, and a border that was kept with a yarn or a side that is not there', () => {
    expect(codes({ ...hem, changed: 'yesterday, after tea' })).toEqual(['date-unsound']);
    expect(codes({ ...hem, created: '2026-13-45T99:99:99Z' })).toEqual(['date-unsound']);
    const border = { id: 'k', name: 'K', base: { ...hem.base, yarn: 'none' }, rounds: [] };
    expect(codes({ ...hem, kept: [border] })).toEqual(['yarn-unknown']);
    const short = { id: 'k', name: 'K', base: { ...hem.base, sides: hem.base.sides.slice(1) }, rounds: [] };
    expect(codes({ ...hem, kept: [short] })).toEqual(['sides-mismatch']);
  });
});
