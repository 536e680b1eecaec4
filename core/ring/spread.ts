/**
 * Spreads a count of stitches over the spots of an edge in proportion to weights.
 *
 * State: the running sum of weights. Invariant: after i spots the stitches placed are the running share of
 * the total, rounded; halves are rounded down before the middle of the edge and up from it on, so that the
 * result read backwards is the same wherever parity allows. The middle is that of the weights, so a spot without
 * weight, as one at a join is, takes nothing. With equal weights every spot takes floor(T/R) or ceil(T/R). Cost: linear. This is the integer line of Bresenham (1965), made symmetrical.
 *
 * @param total stitches, an integer ≥ 0
 * @param weights one for each spot, each ≥ 0; all zero counts as all equal
 * @returns stitches for each spot, same length as `weights`, summing to `total` (empty for no spots)
 * @example spread(5, [1, 1, 1, 1]) // [1, 2, 1, 1]
 */
export function spread(total: number, weights: readonly number[]): readonly number[] {
  const count = weights.length;
  const sum = weights.reduce((s, w) => s + w, 0);
  const share = (part: number, i: number): number =>
    sum > 0 ? (total * part) / sum : (total * i) / Math.max(1, count);
  const result = new Array<number>(count);
  let part = 0;
  let placed = 0;
  for (let i = 0; i < count; i++) {
    part += weights[i]!;
    const exact = share(part, i + 1);
    const beforeMiddle = sum > 0 ? 2 * part < sum * (1 - 1e-12) : 2 * (i + 1) < count;
    // Rounding errors of the sum are not to fall on a last spot without weight.
    const all = sum > 0 ? part >= sum * (1 - 1e-12) : i + 1 === count;
    const upTo = all ? total : roundHalf(exact, beforeMiddle);
    result[i] = upTo - placed;
    placed = upTo;
  }
  return result;
}

/** Rounds to the nearest integer, with halves (to within rounding error) down or up. */
function roundHalf(x: number, down: boolean): number {
  const floor = Math.floor(x);
  const above = x - floor;
  if (Math.abs(above - 0.5) < 1e-9) return down ? floor : floor + 1;
  return above < 0.5 ? floor : floor + 1;
}
