import { describe, expect, test } from '@jest/globals';
import { spacingsFor } from '../../base/spacings.ts';
import { changePiece } from '../../document/changePiece.ts';
import { constructionOf } from '../../edits/constructions.ts';
import { performed } from '../../edits/edit.ts';
import { chooseConstruction } from '../../edits/piece.ts';
import { countBasisWords } from '../../plan/countWords.ts';
import { plan } from '../../plan/planner.ts';
import type { Plan } from '../../plan/types.ts';
import { patternText } from '../../print/patternText.ts';
import { publishedPattern } from '../../print/published/published.ts';
import { rowsHem } from '../../testing/hems.ts';
import type { SpacingId } from '../../base/spacingIds.ts';
import { askedOf, bodyOf, careOf } from '../piece.ts';
import { inFabric } from './knit.ts';
import type { KnitPiece } from './knit.schema.ts';

/** A scarf of 36 stitches and 240 rows, 20 × 100 cm: 18 stitches and 24 rows to 10 cm. */
const scarf: KnitPiece = {
  kind: 'knit',
  fabric: 'stockinette',
  stitches: 36,
  rows: 240,
  slipped: false,
  widthCm: 20,
  heightCm: 100,
};
const counts = (made: Plan): readonly number[] => made.sides.map((side) => side.count);
function withSpacing(piece: KnitPiece, school: SpacingId): Plan {
  const hem = rowsHem();
  const changed = { ...hem, ...changePiece(hem, piece) };
  const sides = changed.base.sides.map((side, i) =>
    spacingsFor(bodyOf(piece).edges[i]!).includes(school) ? { ...side, school } : side,
  );
  return plan({ ...changed, base: { ...changed.base, sides } });
}

describe('a knitted piece', () => {
  test.each([
    ['stockinette', false, 240],
    ['garter', false, 120],
    ['ribbing', false, 240],
    ['stockinette', true, 120],
  ] as const)('of %s, slipped %s, offers %i places along a side', (fabric, slipped, places) => {
    const { edges } = bodyOf({ ...scarf, fabric, slipped });
    // The end stitches are the corners.
    expect(edges.map((edge) => edge.spots.length)).toEqual([34, places, 34, places]);
  });

  test('has the rates that knitters use', () => {
    const rates = (piece: KnitPiece, side: number): readonly SpacingId[] =>
      spacingsFor(bodyOf(piece).edges[side]!).filter((id) => id !== 'gauge' && id !== 'own');
    expect(rates(scarf, 0)).toEqual(['each', 'three in four', 'two in three']);
    expect(rates(scarf, 1)).toEqual(['three in four', 'two in three', 'one in two']);
    expect(rates({ ...scarf, fabric: 'garter' }, 1)).toEqual(['each', 'three in four']);
    expect(rates({ ...scarf, slipped: true }, 1)).toEqual(['each']);
    // 34 · 2/3 and 240 · 2/3.
    expect(counts(withSpacing(scarf, 'two in three'))).toEqual([23, 160, 23, 160]);
    expect(counts(withSpacing(scarf, 'one in two'))[1]).toBe(120);
    expect(counts(withSpacing({ ...scarf, fabric: 'garter' }, 'each'))).toEqual([34, 120, 34, 120]);
    const made = withSpacing(scarf, 'two in three');
    const [, side] = made.sides;
    const spacing = side!.spacings.find((s) => s.id === 'two in three')!;
    expect(countBasisWords(spacing, side!, made)).toContain('240 row ends × 2/3');
  });

  test('begins by gauge on every side, for its stitches are narrower than those of a border', () => {
    const hem = rowsHem();
    const outcome = performed(hem, chooseConstruction('knitted', scarf));
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    expect(outcome.value.base.sides.map((side) => side.school)).toEqual(['gauge', 'gauge', 'gauge', 'gauge']);
    const made = plan(outcome.value);
    // 14 singles to 10 cm: 1.4 for each of 18.9 cm and of 100 cm.
    expect(counts(made)).toEqual([26, 140, 26, 140]);
    expect(made.rounds[0]!.even).toBe(true);
  });

  test('is told with its rate, and that stockinette curls', () => {
    const text = patternText(publishedPattern(withSpacing(scarf, 'two in three')));
    expect(text).toContain(
      '160 sc over the 240 row ends, 1 in each row end, skipping row ends every 3rd from 2 to 239.',
    );
    expect(text).toContain('curls');
    expect(careOf({ ...scarf, fabric: 'garter' })).toBeNull();
  });

  test('in another fabric has the rows that its height takes, unless they were counted', () => {
    const begun = { ...scarf, heightCm: 100, rows: 240 };
    expect(inFabric(begun, 'garter')).toMatchObject({ fabric: 'garter', rows: 360 });
    expect(inFabric({ ...begun, rows: 220 }, 'garter')).toMatchObject({ fabric: 'garter', rows: 220 });
  });

  test('without a height is as high as its rows are', () => {
    const piece = constructionOf('knit', rowsHem());
    const rows = askedOf(piece).find((q) => q.what === 'Rows')!;
    const told = rows.told({ ...scarf, heightCm: 7 }, 120, new Set()) as KnitPiece;
    expect(told.heightCm).toBe(50);
    expect((rows.told({ ...scarf, heightCm: 7 }, 120, new Set(['Height'])) as KnitPiece).heightCm).toBe(7);
  });
});
