import { max } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import dayjs from 'dayjs';
import type { LogDay } from '../../core/log/log.ts';
import { plural } from '../../core/words/measures.ts';
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

/** Minutes and stitches of every day, those of rest between them. */
export function DaysChart({ days }: { readonly days: readonly LogDay[] }) {
  const most = useNarrow() ? SHOWN_NARROW : SHOWN;
  const last = days[days.length - 1];
  if (!last) return null;
  const done = new Map(days.map((d) => [d.day, d]));
  const shown = Math.min(most, 1 + dayjs(last.day).diff(dayjs(days[0]!.day), 'day'));
  const drawn = Array.from({ length: shown }, (_, i): LogDay => {
    const day = dayjs(last.day)
      .subtract(shown - 1 - i, 'day')
      .format('YYYY-MM-DD');
    return done.get(day) ?? { day, minutes: 0, stitches: 0 };
  });
  const tall = scaleLinear([0, max(drawn, (d) => d.minutes) || 1], [0, HEIGHT - FOOT - 16]);
  const step = Math.min(48, (most === SHOWN ? WIDTH : WIDTH_NARROW) / drawn.length);
  const words = (d: LogDay): string =>
    `${dayWords(d.day)}: ${plural(Math.round(d.minutes), 'minute')}, ${Math.round(d.stitches)} stitches`;
  return (
    <figure className={styles.days}>
      <figcaption>Minutes a day</figcaption>
      <svg
        viewBox={`0 0 ${step * drawn.length} ${HEIGHT}`}
        style={{ maxWidth: step * drawn.length }}
        role="img"
        aria-label={`Minutes of every day. ${drawn
          .filter((d) => d.minutes > 0)
          .map(words)
          .join('. ')}`}
      >
        {drawn.map((d, i) => {
          const height = Math.max(tall(d.minutes), d.minutes > 0 ? 2 : 0);
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
              {d.minutes > 0 && (
                <text x={step / 2} y={HEIGHT - FOOT - height - 5}>
                  {Math.round(d.minutes)}
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
