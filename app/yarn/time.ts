/** @example timeWords(95) // '1 h 35 min' */
export function timeWords(minutes: number): string {
  const whole = Math.round(minutes / 5) * 5;
  const hours = Math.floor(whole / 60);
  const rest = whole % 60;
  if (hours === 0) return `${Math.max(5, whole)} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}
