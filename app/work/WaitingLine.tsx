import { scaleLinear } from 'd3-scale';
import type { Plan } from '../../core/plan/types.ts';
import { roundIn } from '../../core/plan/roundNames.ts';
import { timeWords } from '../../core/say/measures.ts';
import type { RipPlace } from '../../core/work/progress.ts';
import { ripPlaceWords } from '../../core/work/recountWords.ts';
import { ripPrices, ripPricesWords } from '../../core/work/waiting.ts';
import styles from './work.module.css';

const WIDTH = 320;
const HEIGHT = 104;
/** Room for what stands over and under the line, and at its ends. */
const HEAD = 22;
const FOOT = 20;
const ENDS = 30;

/** Price of ripping back to a place now and later, as a line that rises. */
export function WaitingLine({ plan, place }: { readonly plan: Plan; readonly place: RipPlace }) {
  const prices = ripPrices(plan, place);
  if (prices.length < 2) return null;
  const most = prices[prices.length - 1]!.price.minutes;
  const x = scaleLinear([0, prices.length - 1], [ENDS, WIDTH - ENDS]);
  const y = scaleLinear([0, most || 1], [HEIGHT - FOOT, HEAD]);
  const points = prices.map(({ after, price }, i) => ({
    at: [x(i), y(price.minutes)] as const,
    time: timeWords(price.minutes),
    when: after === null ? 'now' : roundIn(plan, after),
  }));
  return (
    <details className={styles.waiting}>
      <summary>Rip now, or can it wait?</summary>
      <p>
        {ripPlaceWords(plan, place)}. {ripPricesWords(plan, prices)}
      </p>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} style={{ maxWidth: WIDTH * 1.4 }} aria-hidden="true">
        <polyline points={points.map(({ at }) => at.join()).join(' ')} />
        {points.map(({ at: [px, py], time, when }) => (
          <g key={when}>
            <circle cx={px} cy={py} r="4" />
            <text x={px} y={py - 9}>
              {time}
            </text>
            <text x={px} y={HEIGHT - 5}>
              {when}
            </text>
          </g>
        ))}
      </svg>
    </details>
  );
}
