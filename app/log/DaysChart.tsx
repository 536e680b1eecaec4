import { max } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import dayjs from 'dayjs';
import { useState } from 'react';
import type { LogDay } from '../../core/log/log.ts';
import { plural } from '../../core/say/measures.ts';
import { useNarrow } from '../look/narrow.ts';
import { dayWords, shortDay } from './days.ts';
import styles from './log.module.css';

/** Days that are drawn, up to the last on which something was done. */
const SHOWN = 21;
const SHOWN_NARROW = 10;
const WIDTH = 640;
const WIDTH_NARROW = 330;
const HEIGHT = 110;
const FOOT = 22;

/** Minutes and stitches of every day, those of rest between them; nothing where one day has none to stand beside. */
export function DaysChart({ days }: { readonly days: readonly LogDay[] }) {
  const most = useNarrow() ? SHOWN_NARROW : SHOWN;
  const [of, setOf] = useState<'minutes' | 'stitches'>('minutes');
  const last = days[days.length - 1];
  if (!last || days.length < 2) return null;
  const done = new Map(days.map((d) => [d.day, d]));
  const shown = Math.min(most, 1 + dayjs(last.day).diff(dayjs(days[0]!.day), 'day'));
  const drawn = Array.from({ length: shown }, (_, i): LogDay => {
    const day = dayjs(last.day)
      .subtract(shown - 1 - i, 'day')
      .format('YYYY-MM-DD');
    return done.get(day) ?? { day, minutes: 0, stitches: 0 };
  });
  // What was ripped on a day can be more than what was made.
  const shownOf = (d: LogDay): number => Math.max(0, Math.round(d[of]));
  const tall = scaleLinear([0, max(drawn, shownOf) || 1], [0, HEIGHT - FOOT - 16]);
  const step = Math.min(48, (most === SHOWN ? WIDTH : WIDTH_NARROW) / drawn.length);
  const words = (d: LogDay): string =>
    `${dayWords(d.day)}: ${plural(Math.round(d.minutes), 'minute')}, ${Math.round(d.stitches)} stitches`;
  return (
    <figure className={styles.days}>
      <figcaption className={styles.kinds} role="group" aria-label="By day">
        {(['minutes', 'stitches'] as const).map((what) => (
          <button key={what} type="button" aria-pressed={of === what} onClick={() => setOf(what)}>
            {what === 'minutes' ? 'Minutes a day' : 'Stitches a day'}
          </button>
        ))}
      </figcaption>
      <svg
        viewBox={`0 0 ${step * drawn.length} ${HEIGHT}`}
        style={{ maxWidth: step * drawn.length }}
        role="img"
        aria-label={`Minutes and stitches of every day. ${drawn
          .filter((d) => d.minutes > 0)
          .map(words)
          .join('. ')}`}
      >
        {drawn.map((d, i) => {
          const height = Math.max(tall(shownOf(d)), shownOf(d) > 0 ? 2 : 0);
          return (
            <g key={d.day} transform={`translate(${i * step} 0)`}>
              <title>{words(d)}</title>
              <rect
                className={styles.bar}
                x={step * 0.15}
                y={HEIGHT - FOOT - height}
                width={step * 0.7}
                height={height}
                rx="2"
              />
              {shownOf(d) > 0 && (
                <text x={step / 2} y={HEIGHT - FOOT - height - 5}>
                  {shownOf(d)}
                </text>
              )}
              <text className={styles.foot} x={step / 2} y={HEIGHT - 6}>
                {i === 0 || dayjs(d.day).date() === 1 ? shortDay(d.day) : dayjs(d.day).format('D')}
              </text>
            </g>
          );
        })}
        <line className={styles.axis} x1="0" x2={step * drawn.length} y1={HEIGHT - FOOT} y2={HEIGHT - FOOT} />
      </svg>
    </figure>
  );
}
