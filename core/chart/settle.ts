/**
 * How far the tops of a row of stitches move along it from where they would stand evenly spaced: every stitch leans back over
 * its foot, and the tops, which are one chain, stretch and squeeze like a spring. The least of both is a tridiagonal system,
 * solved by elimination and back substitution.
 */

/** How much stiffer the chain of tops is than a leaning stitch: a push dies away over about its root in stitches. */
const STIFFNESS = 3;

/**
 * @param lean how far along the row each foot lies from its top, any unit, one for each stitch
 * @param held whether a stitch leans at all: the stitches of a corner fan out, and follow the others
 * @param fixed whether both ends of the row stay where they are
 * @returns how far each top moves, in the same unit
 */
export function settled(
  lean: readonly number[],
  held: readonly boolean[],
  fixed: boolean,
): readonly number[] {
  const n = lean.length;
  const above = new Float64Array(n);
  const moved = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const back = i > 0 ? STIFFNESS : fixed ? 2 * STIFFNESS : 0;
    const on = i < n - 1 ? STIFFNESS : fixed ? 2 * STIFFNESS : 0;
    const own = held[i] ? 1 : 0;
    // A row of which nothing is held stays where it is.
    const pivot = Math.max(own + back + on - (i > 0 ? STIFFNESS * above[i - 1]! : 0), 1e-9);
    above[i] = i < n - 1 ? STIFFNESS / pivot : 0;
    moved[i] = (own * lean[i]! + (i > 0 ? STIFFNESS * moved[i - 1]! : 0)) / pivot;
  }
  for (let i = n - 2; i >= 0; i--) moved[i]! += above[i]! * moved[i + 1]!;
  return Array.from(moved);
}
