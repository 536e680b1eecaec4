/** Readings of a scale, ten a second. */
const LOOKED_AT = 12;
const TREMBLE_G = 0.3;

/**
 * The weight that a scale has settled on: the median of the last dozen readings once they lie within three
 * tenths of a gram of each other, else null.
 *
 * @param readings grams, oldest first
 */
export function settledOn(readings: readonly number[]): number | null {
  const last = readings.slice(-LOOKED_AT).sort((a, b) => a - b);
  if (last.length < LOOKED_AT || last[LOOKED_AT - 1]! - last[0]! > TREMBLE_G) return null;
  return Math.round(((last[LOOKED_AT / 2 - 1]! + last[LOOKED_AT / 2]!) / 2) * 10) / 10;
}
