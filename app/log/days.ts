/** Days and times as the maker's own clock has them. */
import dayjs from 'dayjs';
import { timeOfDay, wordsOf } from '../look/when.ts';

const weekday = { weekday: 'long', day: 'numeric', month: 'long' } as const;
const ofThisYear = wordsOf(weekday);
const ofAnotherYear = wordsOf({ ...weekday, year: 'numeric' });
const short = wordsOf({ day: 'numeric', month: 'short' });

/** @example dayOf('2026-01-31T10:00:00.000Z') // '2026-01-31' */
export const dayOf = (at: string): string => dayjs(at).format('YYYY-MM-DD');

export const dayWords = (day: string): string =>
  (dayjs(day).year() === dayjs().year() ? ofThisYear : ofAnotherYear)(dayjs(day).toDate());

export const clockWords = (at: string): string => timeOfDay(dayjs(at).toDate());

/** @example shortDay('2026-01-31') // 'Jan 31', as the browser writes it */
export const shortDay = (day: string): string => short(dayjs(day).toDate());
