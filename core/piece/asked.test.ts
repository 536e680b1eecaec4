import { describe, expect, test } from '@jest/globals';
import { constructionOf } from '../edits/constructions.ts';
import { performed } from '../edits/edit.ts';
import { chooseConstruction, describePiece } from '../edits/piece.ts';
import { plan } from '../plan/planner.ts';
import { rowsHem } from '../testing/hems.ts';
import { chanceOf } from '../chance.ts';
import { askedOf } from './piece.ts';
import { CONSTRUCTIONS, PIECE_KINDS } from './registry.ts';

describe('what a new piece is told by', () => {
  test.each(PIECE_KINDS)('at most three numbers make a sound piece: %s', (kind) => {
    const start = rowsHem();
    const outcome = performed(
      start,
      chooseConstruction(CONSTRUCTIONS[kind].name, constructionOf(kind, start)),
    );
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    let hem = outcome.value;
    const asked = askedOf(hem.piece);
    expect(asked.length).toBeLessThanOrEqual(3);
    const chance = chanceOf(7);
    for (let k = 0; k < 40; k++) {
      const { what, least, most, of, told } = chance.pick(asked);
      // What people make: no strip of six stitches a hundred rows long.
      const from = Math.max(Math.ceil(least), most > 100 ? 20 : 0);
      const value = chance.int(from, Math.min(most, from + 60));
      const piece = told(hem.piece, value);
      // A motif of one corner or two is one of three.
      expect([what, of(piece)]).toEqual([
        what,
        what.startsWith('Corners') && value > 0 ? Math.max(3, value) : value,
      ]);
      const changed = performed(hem, describePiece(what, piece));
      if (!changed.ok) throw new Error(`${what} ${value}: ${JSON.stringify(changed.problems)}`);
      hem = changed.value;
      const made = plan(hem);
      expect(made.problems.filter((p) => p.where.in === 'the piece')).toEqual([]);
      expect(made.rounds[0]!.total).toBeGreaterThan(0);
    }
  });
});
