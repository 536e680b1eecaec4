/**
 * How far the tops of a row of stitches move along it from where they would stand evenly spaced: every stitch leans back over
 * its foot, and the tops, which are one chain, stretch and squeeze like a spring. The least of both is a tridiagonal system,
 * solved by elimination and back substitution.
 */

/** How much stiffer the chain of tops is than a leaning stitch: a push dies away over about its root in stitches. */
const STIFFNESS = 3;

/**
 * @param lean how far along the row each foot lies from its top, any unit, one for each stitch
 * @param held by 1, whether a stitch leans at all: the stitches of a corner fan out, and follow the others
 * @param fixed whether both ends of the row stay where they are
 * @returns how far each top moves, in the same unit
 */
export function settleTops(lean: Float64Array, held: Uint8Array, fixed: boolean): Float64Array {
  const n = lean.length;
  const above = new Float64Array(n);
  const moved = new Float64Array(n);
  const end = fixed ? 2 * STIFFNESS : 0;
  let [before, beforeMoved] = [0, 0];
  for (let i = 0; i < n; i++) {
    const back = i > 0 ? STIFFNESS : end;
    const on = i < n - 1 ? STIFFNESS : end;
    const own = held[i]!;
    const chained = i > 0 ? STIFFNESS : 0;
    // A row of which nothing is held stays where it is.
    const pivot = Math.max(own + back + on - chained * before, 1e-9);
    before = i < n - 1 ? STIFFNESS / pivot : 0;
    beforeMoved = (own * lean[i]! + chained * beforeMoved) / pivot;
    above[i] = before;
    moved[i] = beforeMoved;
  }
  for (let i = n - 2; i >= 0; i--) moved[i]! += above[i]! * moved[i + 1]!;
  return moved;
}
