/** A path without length, for a stroke with round ends: a dot as large as the stroke is wide, whatever the scale. */
export const dot = (x: number, y: number): string => `M${x} ${y}h0.001`;
