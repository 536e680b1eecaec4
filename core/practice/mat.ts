/** A small mat to practise on: a piece that is done in a minute, two plain rounds and a shell edge. */
import { changePiece } from '../document/changePiece.ts';
import type { Hem } from '../document/hem.ts';
import { newHem } from '../document/newHem.ts';
import { plain } from '../rounds/plain.ts';
import { shell } from '../rounds/shell.ts';
import { newEntry } from '../stack/stack.ts';

/** Id of the mat; it is on no shelf. */
const MAT_ID = 'practice';

/** @param now when it is begun */
export function practiceMat(now: Date): Hem {
  const blank = { ...newHem(MAT_ID, now), name: 'Practice mat', pace: 60 };
  const hem: Hem = {
    ...blank,
    ...changePiece(blank, {
      kind: 'rows',
      foundation: 'both loops of the chain',
      lastRow: 'stitch tops',
      stitches: 33,
      rows: [{ stitch: 'dc', count: 16 }],
      widthCm: 23,
      heightCm: 22,
    }),
  };
  const yarn = hem.base.yarn;
  return {
    ...hem,
    base: { ...hem.base, sides: hem.base.sides.map((side) => ({ ...side, count: 33 })) },
    rounds: [{ ...newEntry(plain, 'plain', yarn), times: 2 }, newEntry(shell, 'shells', yarn)],
  };
}
