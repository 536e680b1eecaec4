/** Sizes that nobody has measured yet: they follow what a piece is made of. */
import { sizedAfter, type Piece } from '../piece/piece.ts';

/** A size counts as measured when it differs from what the counts come to by more than so many stitches. */
const TOLERANCE = 0.75;

/**
 * A piece with its size brought after its counts and gauge, where the size was what they came to before.
 *
 * @param stitchCm width of a border stitch before and after, cm
 */
export const withSizeFollowing = (
  before: Piece,
  after: Piece,
  stitchCm: { readonly before: number; readonly after: number },
): Piece =>
  sizedAfter(before, after, (was, counted, is, counts) => {
    // What it follows has not changed: a size near it stays as it was said.
    if (counts === counted && stitchCm.after === stitchCm.before) return is;
    const measured = Math.abs(was - counted * stitchCm.before) > TOLERANCE * stitchCm.before || is !== was;
    return measured ? is : Math.min(2000, Math.max(0.1, Math.round(counts * stitchCm.after * 10) / 10));
  });
