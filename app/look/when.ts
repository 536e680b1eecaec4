/** When something was, as one would say it to somebody. */

const MINUTE_MS = 60_000;

/**
 * @param iso an instant, ISO 8601
 * @returns “just now”, “12 minutes ago”, a time of today, or a date; empty for what is no instant
 */
export function whenWords(iso: string, now: Date): string {
  const at = new Date(iso);
  if (Number.isNaN(at.getTime())) return '';
  const minutes = Math.round((now.getTime() - at.getTime()) / MINUTE_MS);
  if (minutes >= 0 && minutes < 1) return 'just now';
  if (minutes >= 1 && minutes < 60) return minutes === 1 ? 'a minute ago' : `${minutes} minutes ago`;
  const time = at.toLocaleTimeString(undefined, { hour: 'numeric', minute: '2-digit' });
  if (at.toDateString() === now.toDateString()) return `today, ${time}`;
  return at.toLocaleDateString(undefined, { day: 'numeric', month: 'long', year: 'numeric' });
}
