import dayjs from 'dayjs';
import { useState } from 'react';
import type { Rhythm } from '../../core/log/log.ts';
import { plural, timeWords } from '../../core/words/measures.ts';
import { dayWords } from './days.ts';
import styles from './log.module.css';

export interface ReadyByProps {
  /** What is left of the border, minutes of work at the pace in force. */
  readonly minutesLeft: number;
  /** Null when nothing was worked of late. */
  readonly rhythm: Rhythm | null;
}

/** When the border will be done at this rhythm, and what a day must bring to be ready by another. */
export function ReadyBy({ minutesLeft, rhythm }: ReadyByProps) {
  const [by, setBy] = useState('');
  if (minutesLeft < 1) return <p>All rounds are worked.</p>;
  const wanted = by === '' ? 0 : 1 + dayjs(by).diff(dayjs().startOf('day'), 'day');
  return (
    <div className={styles.ready}>
      <p>
        About {timeWords(minutesLeft)} of work are left.{' '}
        {rhythm
          ? `At this rhythm, ${Math.round(rhythm.minutesADay)} minutes a day over the last ${plural(rhythm.days, 'day')}, the border is done about ${dayWords(
              dayjs()
                .add(Math.ceil(minutesLeft / rhythm.minutesADay), 'day')
                .format('YYYY-MM-DD'),
            )}.`
          : 'Nothing was worked in the last two weeks, so there is no rhythm to go by.'}
      </p>
      <label>
        To be ready by{' '}
        <input
          type="date"
          min={dayjs().format('YYYY-MM-DD')}
          value={by}
          onChange={(e) => setBy(e.target.value)}
        />
      </label>{' '}
      {wanted > 0 && (
        <span>{`work about ${timeWords(minutesLeft / wanted)} a day, today included (${plural(wanted, 'day')}).`}</span>
      )}
      {by !== '' && wanted <= 0 && <span className="problem">That day has gone by: choose a later one.</span>}
    </div>
  );
}
