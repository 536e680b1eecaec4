/** When something was, as one would say it to somebody. */

const MINUTE_MS = 60_000;

/** Words for instants, as the browser's language has them. What makes them is slow to make: once, when it is first needed. */
export function wordsOf(options: Intl.DateTimeFormatOptions): (at: Date) => string {
  let made: Intl.DateTimeFormat | null = null;
  return (at) => (made ??= new Intl.DateTimeFormat(undefined, options)).format(at);
}

/** The time of the day of an instant. */
export const timeOfDay = wordsOf({ hour: 'numeric', minute: '2-digit' });

/** The date of an instant. */
export const dateWords = wordsOf({ day: 'numeric', month: 'long', year: 'numeric' });

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
  return at.toDateString() === now.toDateString() ? `today, ${timeOfDay(at)}` : dateWords(at);
}
