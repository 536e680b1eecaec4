import { describe, expect, test } from '@jest/globals';
import type { RowsAlong } from '../piece/part.schema.ts';
import { countsWords } from '../plan/countWords.ts';
import { plan } from '../plan/planner.ts';
import { topOf, type Plan } from '../plan/types.ts';
import { patternText } from '../print/patternText.ts';
import { publishedPattern } from '../print/published/published.ts';
import { writtenPattern } from '../print/steps/pattern.ts';
import { FAMILIES } from '../rounds/registry.ts';
import { entriesOnto } from '../stack/stack.ts';
import { on, PIECES, small } from '../testing/anyHem.ts';
import { partOfAll } from '../testing/seeds.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { unlike } from '../testing/literal/compare.ts';
import { follow } from '../testing/literal/maker.ts';
import type { Hem } from '../document/hem.ts';
import { NOTHING_DONE, noted, type WorkRecord } from '../document/record.ts';
import { fitHem } from '../fit/open.ts';
import { performed } from '../edits/edit.ts';
import { borderAlong, setCount } from '../edits/base.ts';
import { troublesOf } from '../forecast/troubles.ts';
import { troubleInShort, troubleWords } from '../forecast/troubleWords.ts';
import { logOf } from '../log/log.ts';
import { logEntryWords } from '../log/logWords.ts';
import { workedUpTo } from '../work/progress.ts';
import { placeInWords } from '../work/progressWords.ts';
import { yarnEndsOf } from './ends.ts';
import { proceduresOf } from './procedure.ts';

const ONE: RowsAlong = { first: 0, sides: 1, from: 0, to: null, cut: false };
const TWO: RowsAlong = { first: 3, sides: 2, from: 0, to: null, cut: false };

const along = (part: RowsAlong | null, rounds: Hem['rounds'] = [], hem = rowsHem()): Hem => ({
  ...hem,
  rounds,
  base: { ...hem.base, part },
});

const totals = ({ rounds }: Plan): readonly number[] => rounds.map((r) => r.total);
const edited = (hem: Hem, ...edits: Parameters<typeof performed>[1][]): Hem =>
  edits.reduce((h, e) => {
    const outcome = performed(h, e);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    return outcome.value;
  }, hem);

describe('rows along a part of a piece, counted by hand', () => {
  test('one side has its stitches and one at either end, in every plain row', () => {
    const made = plan(along(ONE, [entry({ times: 3 })]));
    // 150 stitches of the last row and the end stitches at its corners.
    expect(totals(made)).toEqual([152, 152, 152, 152]);
    expect(countsWords(made, 3)).toBe('A 152');
    expect(made.rounds.map((r) => r.facing)).toEqual(['right', 'wrong', 'right', 'wrong']);
    expect(proceduresOf(made).map((p) => p.start?.joins)).toEqual([true, false, false, false]);
    expect(yarnEndsOf(made)).toBe(2);
  });

  test('scallops come out at one more than a multiple of 4, with a slip stitch at both ends', () => {
    const scallops = [entry({ family: 'scallop', stitch: 'dc' })];
    const hem = along(ONE, scallops);
    expect(plan(hem).rounds[1]!.even).toBe(false);
    const fitting = plan(edited(hem, setCount('A', [0], 153, 2)));
    expect(fitting.rounds[1]!.even).toBe(true);
    // 153 = 38 × 4 + 1: 38 fans of 5, 37 slip stitches between them and 2 at the ends.
    expect(totals(fitting)).toEqual([153, 38 * 5 + 37 + 2]);
    const { made, into, centres } = fitting.rounds[1]!.ring;
    const ends = [centres[0]!.start, centres[1]!.start];
    expect(ends.map((i) => [made[i]!.kind, into[i]])).toEqual([
      ['slst', 0],
      ['slst', 152],
    ]);
    expect(fitHem(hem).solutions[0]!.counts[0]).toBe(151);
  });

  test('shells end in half a shell', () => {
    const shells = plan(along(ONE, [entry({ family: 'shell', stitch: 'hdc' })])).rounds[1]!;
    expect(shells.ring.into.filter((place) => place === 0)).toHaveLength(3);
    expect(shells.sides[0]!.tally.stitches).toBe(shells.total);
  });

  test('two sides gain at the corner between them alone', () => {
    const made = plan(along(TWO, [entry({ times: 2 })]));
    // D 168 over 84 double rows, 3 in the corner, A 150, an end stitch at either end.
    expect(totals(made)).toEqual([1 + 168 + 3 + 150 + 1, 325, 327]);
    expect(countsWords(made, 2)).toBe('D 172 · A 154');
  });

  test('cut rows all begin at the same end, each with two ends of yarn', () => {
    const made = plan(along({ ...TWO, cut: true }, [entry({ times: 2 })]));
    expect(made.rounds.map((r) => r.facing)).toEqual(['right', 'right', 'right']);
    expect(proceduresOf(made).every((p) => p.start?.joins)).toBe(true);
    expect(yarnEndsOf(made)).toBe(6);
  });

  test('new yarn is joined, and a row worked backward begins where the one below ended', () => {
    const made = plan(
      along(ONE, [
        entry({ id: 'a', yarns: ['y2'] }),
        entry({ id: 'b', family: 'reverse-edge', yarns: ['y2'] }),
      ]),
    );
    expect(made.rounds.map((r) => [r.facing, r.backwards])).toEqual([
      ['right', false],
      ['wrong', true],
      ['wrong', false],
    ]);
    expect(proceduresOf(made).map((p) => p.start?.joins)).toEqual([true, true, false]);
  });

  test('only the sides that are bordered make the piece larger, and a row stays as long as its edge', () => {
    const rows = [entry({ times: 8 })];
    const [one, two] = [ONE, TWO].map((part) => plan(along(part, rows))) as [Plan, Plan];
    const high = one.borderWidthMm;
    expect(one.finishedSize.widthMm - one.bodySize.widthMm).toBeCloseTo(0, 6);
    expect(one.finishedSize.heightMm - one.bodySize.heightMm).toBeCloseTo(high, 6);
    expect(two.finishedSize.widthMm - two.bodySize.widthMm).toBeCloseTo(high, 6);
    const strains = one.rounds.map((r) => r.sides[0]!.strain);
    expect(Math.max(...strains) - Math.min(...strains)).toBeLessThan(1e-6);
    expect(one.rounds.every((r) => r.sides.slice(1).every((s) => s.strain === 0))).toBe(true);
  });

  test('a stretch goes from one place to another, whose stitches are its ends', () => {
    // From stitch 21 to stitch 60 of the last row: 38 between them.
    const made = plan(along({ ...ONE, from: 21, to: 60 }, [entry({ times: 2 })]));
    expect(totals(made)).toEqual([40, 40, 40]);
    const text = patternText(publishedPattern(made));
    expect(text).toContain('with a sl st in st 21 of side A; ch 1, sc in same place.');
    expect(text).toContain('Side A: 38 sc, 1 in each st.');
    expect(text).toContain('End: sc in st 60 of side A. Turn.');
    // As long as the stitches that it goes along: 40 of 150 that lie on 110 cm with two beside them.
    const mm = (1100 / 152) * 40;
    expect(made.rounds[0]!.sides[0]!.strain).toBeCloseTo((40 * made.stitchWidthMm) / mm - 1, 2);
    expect(made.bodySize.widthMm).toBeCloseTo(1100, 6);
  });

  test('a stretch around a corner, by row ends and seams as they are numbered on the piece', () => {
    const made = plan(along({ ...TWO, from: 11, to: 30 }));
    // 73 double rows take 2 each from row 12 up, 3 in the corner, stitches 1 to 29, an end stitch at either end.
    expect(totals(made)).toEqual([1 + 73 * 2 + 3 + 29 + 1]);
    const text = patternText(writtenPattern(made));
    expect(text).toContain('in row 11 of side D.');
    expect(text).toContain('along the row ends, from row 12 up to row 84: 2 in each row.');
  });

  test('what is no part of the piece is refused, and another piece has none', () => {
    const hem = rowsHem();
    expect(performed(hem, borderAlong({ ...ONE, first: 4 })).ok).toBe(false);
    expect(performed(hem, borderAlong({ ...ONE, sides: 4 })).ok).toBe(false);
    expect(performed(hem, borderAlong({ ...ONE, from: 20, to: 22 })).ok).toBe(false);
    expect(performed(hem, borderAlong({ ...ONE, to: 999 })).ok).toBe(false);
    expect(edited(hem, borderAlong(TWO), borderAlong(null))).toEqual(hem);
  });
});

test('rows are called rows where the border is told of, too', () => {
  const hem = along(ONE, [entry({ id: 's', family: 'shell' })]);
  const told = workedUpTo(plan(hem), 1).reduce<WorkRecord>(
    (all, deed, minute) =>
      noted(all, deed, 'laptop', new Date(Date.UTC(2026, 0, 5, 9, minute)).toISOString()),
    NOTHING_DONE,
  );
  expect(logOf({ ...hem, record: told }).map(logEntryWords)).toContain('Row 1 finished');
  expect(placeInWords(plan({ ...hem, record: told.slice(0, 1) }))).toBe('base row, side A');
  expect(troublesOf(plan(hem))).not.toEqual([]);
  for (const trouble of troublesOf(plan(hem)))
    expect(`${troubleWords(plan(hem), trouble)} ${troubleInShort(plan(hem), trouble)}`).not.toMatch(/round/i);
});

test('a published row reads as makers write it', () => {
  const text = patternText(publishedPattern(plan(along(TWO, [entry({ times: 3 })]))));
  expect(text).toContain(
    'Row 1 (WS): Ch 1, sc in first st, sc in each st to next marked st, 3 sc in marked st, pm in 2nd, sc in each st across; turn.',
  );
  expect(text).toContain('Rows 2–3: As Row 1.');
  expect(text).not.toMatch(/\b[Rr](?:ou)?nds? \d|join with a sl st in first/);
});

describe('a maker who follows a pattern of rows makes what was planned', () => {
  const withCorners = PIECES.filter(([, piece]) => plan(on(piece, small())).sides.length > 1);
  test.each(FAMILIES.map((f, k) => [f.id, k] as const))('%s', (_, nth) => {
    const faults = partOfAll([...withCorners.entries()], 2, nth).flatMap(([k, [name, piece]]) => {
      const corners = plan(on(piece, small())).body.outline.turns.length;
      const part = {
        first: (k + nth) % corners,
        sides: 1 + ((k + nth) % (corners - 1)),
        from: k % 4 === 1 ? 2 : 0,
        to: null,
        cut: (k + nth) % 3 === 0,
      };
      const rounds = k % 2 === 0 ? [] : [entry({ stitch: 'hdc', times: 2 })];
      const below = along(part, rounds, on(piece, small()));
      const family = FAMILIES[nth]!;
      const added = entriesOnto(topOf(plan(below)).ring, family, 'y1', ['ground', 'new']);
      const times = family.repeatable ? 3 : 1;
      const hem = {
        ...below,
        rounds: [...rounds, ...added.map((e) => (e.id === 'new' ? { ...e, times } : e))],
      };
      const made = plan(hem);
      if (made.rounds.some((r) => r.sides.some((s) => s.fit?.stuck))) return [];
      const language = k % 2 === 0 ? 'us' : 'uk';
      return [publishedPattern(made, language), writtenPattern(made, language)].flatMap((pattern) => {
        const found = unlike(made, follow(patternText(pattern), language, made.body));
        return found.length > 0 ? [`${name}, ${JSON.stringify(part)}: ${found[0]!}`] : [];
      });
    });
    expect(faults).toEqual([]);
  });
});
