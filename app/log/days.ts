/** Days and times as the maker's own clock has them. */
import dayjs from 'dayjs';

/** @example dayOf('2026-01-31T10:00:00.000Z') // '2026-01-31' */
export const dayOf = (at: string): string => dayjs(at).format('YYYY-MM-DD');

export const dayWords = (day: string): string =>
  dayjs(day)
    .toDate()
    .toLocaleDateString(undefined, {
      weekday: 'long',
      day: 'numeric',
      month: 'long',
      ...(dayjs(day).year() === dayjs().year() ? {} : { year: 'numeric' }),
    });

export const clockWords = (at: string): string =>
  dayjs(at).toDate().toLocaleTimeString(undefined, { hour: 'numeric', minute: '2-digit' });

/** @example shortDay('2026-01-31') // 'Jan 31', as the browser writes it */
export const shortDay = (day: string): string =>
  dayjs(day).toDate().toLocaleDateString(undefined, { day: 'numeric', month: 'short' });
