import { describe, expect, test } from '@jest/globals';
import { constructionOf } from '../edits/constructions.ts';
import { performed } from '../edits/edit.ts';
import { chooseConstruction, describePiece } from '../edits/piece.ts';
import { plan } from '../plan/planner.ts';
import type { RowsPiece } from './rows/rows.schema.ts';
import { rowsHem } from '../testing/hems.ts';
import { chanceOf } from '../chance.ts';
import { askedOf } from './piece.ts';
import { CONSTRUCTIONS, PIECE_KINDS } from './registry.ts';

describe('what a new piece is told by', () => {
  test.each(PIECE_KINDS)('at most four numbers make a sound piece: %s', (kind) => {
    const start = rowsHem();
    const outcome = performed(
      start,
      chooseConstruction(CONSTRUCTIONS[kind].name, constructionOf(kind, start)),
    );
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    let hem = outcome.value;
    const asked = askedOf(hem.piece);
    expect(asked.length).toBeLessThanOrEqual(4);
    const chance = chanceOf(7);
    const said = new Set<string>();
    for (let k = 0; k < 40; k++) {
      const { what, least, most, of, told } = chance.pick(asked);
      // What people make: no strip of six stitches a hundred rows long.
      const from = Math.max(Math.ceil(least), most > 100 ? 20 : 0);
      const value = chance.int(from, Math.min(most, from + 60));
      const piece = told(hem.piece, value, said);
      said.add(what);
      // A motif of one corner or two is one of three.
      expect([what, of(piece)]).toEqual([
        what,
        what.startsWith('Corners') && value > 0 ? Math.max(3, value) : value,
      ]);
      const changed = performed(hem, describePiece(what, piece));
      if (!changed.ok) throw new Error(`${what} ${value}: ${JSON.stringify(changed.problems)}`);
      hem = changed.value;
      const made = plan(hem);
      // Rows and height that were both said may speak of two pieces; then that is told.
      const odd = made.problems.filter((p) => p.where.in === 'the piece' && p.code !== 'tape-disagrees');
      expect(odd).toEqual([]);
      if (!said.has('Height')) expect(made.problems.map((p) => p.code)).not.toContain('tape-disagrees');
      expect(made.rounds[0]!.total).toBeGreaterThan(0);
    }
  });
});

describe('a new piece of rows', () => {
  const rows = (...told: readonly (readonly [what: string, value: number])[]): RowsPiece => {
    const said = new Set<string>();
    let piece = constructionOf('rows', rowsHem());
    for (const [what, value] of told) {
      piece = askedOf(piece)
        .find((a) => a.what === what)!
        .told(piece, value, said);
      said.add(what);
    }
    return piece as RowsPiece;
  };
  const all = [
    ['Stitches in a row', 96],
    ['Rows', 120],
    ['Width', 110],
    ['Height', 140],
  ] as const;

  test('is what was typed, in whatever order, of the stitch that goes with it', () => {
    for (const told of [all, [...all].reverse(), [all[1], all[3], all[0], all[2]]])
      expect(rows(...told)).toMatchObject({
        stitches: 96,
        rows: [{ count: 120, stitch: 'sc' }],
        widthCm: 110,
        heightCm: 140,
      });
  });

  test('has as many rows as its height takes, or is as high as its rows', () => {
    const high = rows(['Width', 110], ['Stitches in a row', 96], ['Height', 140]);
    expect(high).toMatchObject({ heightCm: 140, rows: [{ stitch: 'dc', count: 64 }] });
    const counted = rows(['Width', 110], ['Stitches in a row', 96], ['Rows', 64]);
    expect(Math.abs(counted.heightCm - 139.3)).toBeLessThan(0.5);
  });
});
